<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // What a workshop has written over the catalogue that ships, by code; without a body it is taken out.
        Schema::create('catalogue_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('code', 60);
            $table->jsonb('body')->nullable();
            $table->timestampsTz();
            $table->unique(['workshop_id', 'code']);
        });
        Schema::table('workshops', function (Blueprint $table): void {
            $table->decimal('hour_price', 10, 2)->nullable();
            $table->string('currency', 8)->default('');
        });
    }

    public function down(): void
    {
        Schema::table('workshops', function (Blueprint $table): void {
            $table->dropColumn(['hour_price', 'currency']);
        });
        Schema::dropIfExists('catalogue_entries');
    }
};
