<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** People, passwords and the audit log are for somebody who has signed in, not for a program with a token. */
final class BySession
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        abort_unless($request->hasSession(), 403, 'A token cannot do this; sign in.');

        return $next($request);
    }
}
