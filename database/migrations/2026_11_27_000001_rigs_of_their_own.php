<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // A rig comes in again: its jobs hang on it. Until now each job was the rig as well.
        Schema::create('rigs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('customer_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name', 160);
            $table->string('kind', 30);
            $table->string('note', 2000)->default('');
            $table->timestampsTz();
        });
        Schema::table('rig_jobs', function (Blueprint $table): void {
            $table->foreignId('rig_id')->nullable()->constrained()->nullOnDelete();
        });
        DB::transaction(function (): void {
            DB::statement('ALTER TABLE rigs ADD COLUMN of_job bigint');
            DB::statement(
                'INSERT INTO rigs (workshop_id, customer_id, name, kind, created_at, updated_at, of_job) ' .
                    'SELECT workshop_id, customer_id, title, kind, created_at, updated_at, id FROM rig_jobs',
            );
            DB::statement('UPDATE rig_jobs SET rig_id = rigs.id FROM rigs WHERE rigs.of_job = rig_jobs.id');
            DB::statement('ALTER TABLE rigs DROP COLUMN of_job');
        });
    }

    public function down(): void
    {
        Schema::table('rig_jobs', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('rig_id');
        });
        Schema::dropIfExists('rigs');
    }
};
