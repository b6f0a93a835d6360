<?php

declare(strict_types=1);

use App\Console\Commands\Migrate;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

it('waits for the node before it longer than a request would', function (): void {
    $of = config('database.connections.pgsql');
    $first = new Process(
        [
            PHP_BINARY,
            '-r',
            '$db = new PDO($argv[1], $argv[2], $argv[3]); $db->query("SELECT pg_advisory_lock({$argv[4]})"); sleep(1);',
            '--',
            "pgsql:host={$of['host']};port={$of['port']};dbname={$of['database']}",
            $of['username'],
            $of['password'],
            (string) Migrate::LOCK,
        ],
        timeout: 60,
    );
    $first->start();
    $held = fn(): bool => DB::selectOne("SELECT count(*) AS n FROM pg_locks WHERE locktype = 'advisory'")->n > 0;
    for ($n = 0; $n < 600 && !$held(); $n++) {
        usleep(50_000);
    }
    expect($held())->toBeTrue($first->getErrorOutput());
    DB::statement("SET lock_timeout = '100ms'");
    $this->artisan('hollin:migrate')->assertExitCode(0);
    expect($first->wait())->toBe(0)->and(DB::selectOne('SHOW lock_timeout')->lock_timeout)->not->toBe('15min');
});
