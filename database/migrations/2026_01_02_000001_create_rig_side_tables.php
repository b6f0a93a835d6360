<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Who has a job open: a row for each open page, gone when it has not been heard of for some seconds.
        Schema::create('presences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('tab', 40);
            $table->string('place', 40);
            $table->string('about', 120)->nullable();
            $table->timestampTz('seen_at', 3);
            $table->unique(['rig_job_id', 'tab']);
        });
        // Append-only: what was read, where, in which state, against which revision.
        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->uuid('uuid');
            $table->unsignedInteger('revision');
            $table->string('what', 40);
            $table->string('view', 120);
            $table->string('state', 80);
            $table->string('function', 40);
            $table->string('point_a', 120);
            $table->string('point_b', 120)->nullable();
            $table->decimal('value', 12, 4)->nullable();
            $table->string('words', 120)->nullable();
            $table->string('unit', 20);
            $table->string('instrument', 80)->nullable();
            $table->string('note', 500)->nullable();
            $table->text('expected');
            $table->timestampTz('created_at');
            $table->unique(['rig_job_id', 'uuid']);
        });
        Schema::create('photos', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('component', 80);
            $table->char('sha256', 64);
            $table->unsignedInteger('bytes');
            $table->unsignedInteger('width');
            $table->unsignedInteger('height');
            $table->string('note', 300)->nullable();
            $table->timestampTz('created_at');
            $table->unique(['rig_job_id', 'component', 'sha256']);
        });
        Schema::create('personal_access_tokens', function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->string('name', 120);
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestampTz('last_used_at')->nullable();
            $table->timestampTz('expires_at')->nullable();
            $table->timestampsTz();
        });
    }

    public function down(): void
    {
        foreach (['personal_access_tokens', 'photos', 'readings', 'presences'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
