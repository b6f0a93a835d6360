<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    /** A photograph is kept as it came, and written anew by the queue's worker: one at a time, off the request. */
    public function up(): void
    {
        Schema::table('photos', function (Blueprint $table): void {
            $table->string('status', 20)->default('kept');
            $table->string('trouble', 300)->nullable();
            $table->string('incoming', 120)->nullable();
            $table->char('raw_sha256', 64)->nullable();
            $table->index(['rig_job_id', 'component', 'raw_sha256']);
        });
    }

    public function down(): void
    {
        Schema::table('photos', function (Blueprint $table): void {
            $table->dropIndex(['rig_job_id', 'component', 'raw_sha256']);
            $table->dropColumn(['status', 'trouble', 'incoming', 'raw_sha256']);
        });
    }
};
