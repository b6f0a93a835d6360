<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Which revision of a plan is built, and what stayed open then. Never changed: a later one takes its place.
        Schema::create('approvals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->uuid('uuid');
            $table->unsignedInteger('revision');
            $table->string('plan', 60);
            $table->string('words', 500)->nullable();
            $table->text('open');
            $table->string('rules', 20);
            $table->timestampTz('created_at');
            $table->unique(['rig_job_id', 'uuid']);
        });
        // The logbook: append-only, numbered in the order in which lines arrived, whoever was without a signal.
        Schema::create('log_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('rig_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('number');
            $table->uuid('uuid');
            $table->string('tablet', 40);
            $table->unsignedInteger('revision');
            $table->string('kind', 20);
            $table->string('step', 160);
            $table->text('says');
            $table->unsignedInteger('seen');
            // When it happened, by the tablet's clock set right; and what that clock itself said.
            $table->timestampTz('at');
            $table->timestampTz('clock_said');
            $table->timestampTz('created_at');
            $table->unique(['rig_job_id', 'uuid']);
            $table->unique(['rig_job_id', 'number']);
        });
        Schema::table('rig_jobs', function (Blueprint $table): void {
            $table->date('comes_on')->nullable();
            $table->date('goes_on')->nullable();
        });
        Schema::table('workshops', function (Blueprint $table): void {
            $table->text('hours')->nullable();
            $table->unsignedSmallInteger('bays')->default(2);
        });
    }

    public function down(): void
    {
        Schema::table('workshops', fn(Blueprint $table) => $table->dropColumn(['hours', 'bays']));
        Schema::table('rig_jobs', fn(Blueprint $table) => $table->dropColumn(['comes_on', 'goes_on']));
        Schema::dropIfExists('log_entries');
        Schema::dropIfExists('approvals');
    }
};
