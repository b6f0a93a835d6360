<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Sheet;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A browser that was let in to print a sheet reads that sheet's job while it is printed, and nothing else. */
final class PrintsOneSheet
{
    /** What of the session says which sheet it is for. */
    public const KEY = 'prints-sheet';

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $id = $request->hasSession() ? $request->session()->get(self::KEY) : null;
        if ($id !== null) {
            $sheet = Sheet::query()->where('id', $id)->where('status', 'printing')->first();
            abort_unless(
                $sheet !== null &&
                    $request->isMethodSafe() &&
                    $request->is(
                        'api/v1/session',
                        'api/v1/reference',
                        "api/v1/jobs/{$sheet->rig_job_id}",
                        "api/v1/jobs/{$sheet->rig_job_id}/labels",
                    ),
                403,
                'This browser prints one sheet.',
            );
        }

        return $next($request);
    }
}
