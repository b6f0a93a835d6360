<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Brings the database up to date, one node at a time: of several that start together the others wait and find it done.
 * The lock is the database's own, held by this connection, so that it ends with it.
 */
final class Migrate extends Command
{
    /** Any number that nothing else here locks by. */
    public const LOCK = 7_265_546;

    protected $signature = 'hollin:migrate {--seed : with the demo workshop}';

    protected $description = 'Bring the database up to date, one node at a time';

    public function handle(): int
    {
        DB::statement('SELECT pg_advisory_lock(?)', [self::LOCK]);
        try {
            return max(
                $this->call('migrate', ['--force' => true]),
                $this->option('seed') ? $this->call('db:seed', ['--force' => true]) : 0,
            );
        } finally {
            DB::statement('SELECT pg_advisory_unlock(?)', [self::LOCK]);
        }
    }
}
