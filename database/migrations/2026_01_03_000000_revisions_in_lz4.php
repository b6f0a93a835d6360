<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /** A whole design is written with every edit: its compression is most of the insert's time. */
    public function up(): void
    {
        foreach (['document', 'patch', 'inverse'] as $column) {
            DB::statement("ALTER TABLE revisions ALTER COLUMN {$column} SET COMPRESSION lz4");
        }
    }

    public function down(): void
    {
        foreach (['document', 'patch', 'inverse'] as $column) {
            DB::statement("ALTER TABLE revisions ALTER COLUMN {$column} SET COMPRESSION default");
        }
    }
};
