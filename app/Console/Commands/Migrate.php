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

    /** So long a node waits for the one before it. */
    private const WAIT = '15min';

    protected $signature = 'hollin:migrate {--seed : with the demo workshop}';

    protected $description = 'Bring the database up to date, one node at a time';

    public function handle(): int
    {
        // Requests give up soon; the first node may have a whole workshop to write.
        DB::statement(sprintf("SET lock_timeout = '%s'", self::WAIT));
        DB::statement(sprintf("SET statement_timeout = '%s'", self::WAIT));
        DB::statement('SELECT pg_advisory_lock(?)', [self::LOCK]);
        try {
            DB::statement('RESET lock_timeout');
            DB::statement('RESET statement_timeout');

            return max(
                $this->call('migrate', ['--force' => true]),
                $this->option('seed') ? $this->call('db:seed', ['--force' => true]) : 0,
            );
        } finally {
            DB::statement('SELECT pg_advisory_unlock(?)', [self::LOCK]);
        }
    }
}
