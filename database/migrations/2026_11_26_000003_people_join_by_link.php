<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // A way in by link: for somebody new, or for somebody who needs a new password.
        Schema::create('person_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('workshop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('made_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('name', 120)->nullable();
            $table->string('role', 20)->nullable();
            $table->char('token_hash', 64)->unique();
            $table->timestampTz('expires_at');
            $table->timestampTz('used_at')->nullable();
            $table->timestampTz('taken_back_at')->nullable();
            $table->timestampsTz();
        });
        // Each sign-in by itself, wherever sessions are kept, so that its person sees and ends it.
        Schema::create('sign_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('address', 45)->nullable();
            $table->string('browser', 300)->nullable();
            $table->timestampTz('created_at');
            $table->timestampTz('seen_at');
            $table->timestampTz('ended_at')->nullable();
            $table->index(['user_id', 'ended_at']);
        });
        // What happened to people and what was carried out of the workshop. No foreign keys: nothing that goes may take
        // a line of it along.
        Schema::create('audit_entries', function (Blueprint $table): void {
            $table->id();
            $table->timestampTz('at');
            $table->unsignedBigInteger('workshop_id')->nullable();
            $table->unsignedBigInteger('user_id')->nullable();
            $table->string('what', 40);
            $table->jsonb('about');
            $table->string('address', 45)->nullable();
            $table->string('request', 40)->nullable();
            $table->index(['workshop_id', 'id']);
        });
        DB::unprepared(
            <<<'SQL'
                CREATE OR REPLACE FUNCTION audit_entries_only_grow() RETURNS trigger LANGUAGE plpgsql AS
                $$ BEGIN RAISE EXCEPTION 'the audit log only grows'; END $$;
                CREATE TRIGGER audit_entries_only_grow BEFORE UPDATE OR DELETE ON audit_entries
                    FOR EACH ROW EXECUTE FUNCTION audit_entries_only_grow();
                CREATE TRIGGER audit_entries_stay BEFORE TRUNCATE ON audit_entries
                    FOR EACH STATEMENT EXECUTE FUNCTION audit_entries_only_grow();
            SQL
            ,
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('audit_entries');
        DB::unprepared('DROP FUNCTION IF EXISTS audit_entries_only_grow()');
        Schema::dropIfExists('sign_ins');
        Schema::dropIfExists('person_links');
    }
};
