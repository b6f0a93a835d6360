<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\Shelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Throwable;

/** Whether everything that Hollin needs is there and works. Not part of the API: for whoever keeps it running. */
final class HealthController
{
    /** A worker that has taken nothing up for so long, while something waits, is not there, s. */
    private const WAITS_S = 300;

    public function __invoke(): JsonResponse
    {
        $parts = [
            'database' => self::works(fn() => DB::selectOne('select 1')),
            'files' => self::works(function (): void {
                $file = 'aside/health-' . Str::random(12);
                Shelf::put($file, 'is written');
                Shelf::disk()->delete($file);
            }),
            'worker' => self::works(function (): void {
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
