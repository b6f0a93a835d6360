<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('workshops', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->string('timezone', 60)->default('UTC');
            $table->timestampsTz();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('email', 190)->unique();
            $table->string('role', 20);
            $table->string('password');
            $table->rememberToken();
            $table->timestampsTz();
        });
        Schema::create('customers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->timestampsTz();
        });
        Schema::create('rig_jobs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('customer_id')->nullable()->constrained()->nullOnDelete();
            $table->string('title', 160);
            $table->string('kind', 30);
            $table->unsignedInteger('head')->default(0);
            $table->timestampsTz();
            $table->index(['workshop_id', 'updated_at']);
        });
        // Append-only: a revision is never rewritten. The document is text, so that its key order and its hash survive.
        Schema::create('revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->uuid('uuid');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('kind', 20);
            $table->string('words', 400);
            $table->unsignedInteger('undoes')->nullable();
            $table->longText('document');
            $table->char('sha256', 64);
            $table->longText('patch');
            $table->longText('inverse');
            $table->timestampTz('created_at');
            $table->unique(['rig_job_id', 'number']);
            $table->unique(['rig_job_id', 'uuid']);
        });
        Schema::create('sheets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            $table->string('view', 120);
            $table->string('paper', 10);
            $table->string('status', 20);
            $table->string('trouble', 400)->nullable();
            $table->string('token_hash', 64)->nullable();
            $table->string('file', 200)->nullable();
            $table->timestampsTz();
        });
    }

    public function down(): void
    {
        foreach (['sheets', 'revisions', 'rig_jobs', 'customers', 'users', 'workshops'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
