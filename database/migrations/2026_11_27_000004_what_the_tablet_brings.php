<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /**
     * Two pictures that differ in what is not seen come to one when written anew: it answers to both names. A reading
     * is named after a part, and the names of parts are longer than 40.
     */
    public function up(): void
    {
        Schema::table('photos', function (Blueprint $table): void {
            $table->jsonb('other_raws')->default('[]');
        });
        Schema::table('readings', function (Blueprint $table): void {
            $table->string('what', 120)->change();
        });
    }

    public function down(): void
    {
        Schema::table('photos', function (Blueprint $table): void {
            $table->dropColumn('other_raws');
        });
    }
};
