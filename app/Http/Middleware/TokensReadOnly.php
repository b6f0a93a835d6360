<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Laravel\Sanctum\PersonalAccessToken;
use Symfony\Component\HttpFoundation\Response;

/** A token that was made for reading changes nothing. */
final class TokensReadOnly
{
    /** What is posted and changes nothing. */
    private const ASKING = [
        'api/v1/jobs/*/states',
        'api/v1/jobs/*/probe',
        'api/v1/jobs/*/netlist',
        'api/v1/jobs/*/rulers',
        'api/v1/jobs/*/place',
        'api/v1/jobs/*/monitor-log',
        'api/v1/jobs/*/stay',
        'api/v1/jobs/*/alternatives',
        'api/v1/jobs/*/loads',
    ];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $token = $user instanceof User ? $user->currentAccessToken() : null;
        if (
            $token instanceof PersonalAccessToken &&
            !$token->can('write') &&
            !$request->isMethodSafe() &&
            !$request->is(...self::ASKING)
        ) {
            abort(403, 'This token is for reading. Make one that may write.');
        }

        return $next($request);
    }
}
