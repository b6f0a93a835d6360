<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\Shelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PDO;
use Throwable;

/** Whether everything that Hollin needs is there and works. Not part of the API: for whoever keeps it running. */
final class HealthController
{
    /** A worker that has taken nothing up for so long, while something waits, is not there, s. */
    private const WAITS_S = 300;

    /** So long a database may take to let one in, s; the least that its own library knows is 2. */
    private const LETS_IN_S = 2;

    public function __invoke(): JsonResponse
    {
        // By a connection of its own: one that is kept open to a server that hangs would hang along.
        $database = self::works(function (): void {
            $fresh = [PDO::ATTR_TIMEOUT => self::LETS_IN_S];
            DB::connectUsing('health', ['options' => $fresh] + config('database.connections.pgsql'), true)->selectOne(
                'select 1',
            );
            DB::purge('health');
        });
        $parts = [
            'database' => $database,
            'files' => self::works(function (): void {
                $file = 'aside/health-' . Str::random(12);
                Shelf::put($file, 'is written');
                Shelf::disk()->delete($file);
            }),
            'worker' => self::works(function () use ($database): void {
                if ($database === 'away') {
                    throw new \RuntimeException('there is nothing to take anything up from');
                }
                $oldest = DB::table('queue_jobs')->whereNull('reserved_at')->min('available_at');
                if (is_numeric($oldest) && $oldest < time() - self::WAITS_S) {
                    throw new \RuntimeException('nothing is taken up');
                }
            }),
        ];

        return response()->json($parts, in_array('away', $parts, true) ? 503 : 200);
    }

    /** @param \Closure(): mixed $try */
    private static function works(\Closure $try): string
    {
        try {
            $try();

            return 'works';
        } catch (Throwable) {
            return 'away';
        }
    }
}
