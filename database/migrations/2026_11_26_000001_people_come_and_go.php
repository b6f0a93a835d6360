<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Who leaves a workshop keeps the name on what was done, and no way in.
        Schema::table('users', function (Blueprint $table): void {
            $table->timestampTz('left_at')->nullable();
        });
        Schema::table('setup_links', function (Blueprint $table): void {
            $table->timestampTz('expires_at')->nullable();
        });
        // A tab is its person's: nobody else's page takes its place.
        Schema::table('presences', function (Blueprint $table): void {
            $table->dropUnique(['rig_job_id', 'tab']);
            $table->unique(['rig_job_id', 'user_id', 'tab']);
        });
    }

    public function down(): void
    {
        Schema::table('presences', function (Blueprint $table): void {
            $table->dropUnique(['rig_job_id', 'user_id', 'tab']);
            $table->unique(['rig_job_id', 'tab']);
        });
        Schema::table('setup_links', fn(Blueprint $table) => $table->dropColumn('expires_at'));
        Schema::table('users', fn(Blueprint $table) => $table->dropColumn('left_at'));
    }
};
