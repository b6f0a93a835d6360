<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // A job that is put away is in no list until a lead takes it out again; nothing of it is lost.
        Schema::table('rig_jobs', function (Blueprint $table): void {
            $table->timestampTz('away_at')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('rig_jobs', fn(Blueprint $table) => $table->dropColumn('away_at'));
    }
};
