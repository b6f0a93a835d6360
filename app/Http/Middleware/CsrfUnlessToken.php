<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Request;

/** A request with a token of its own carries no session, so there is nothing to forge. */
final class CsrfUnlessToken extends ValidateCsrfToken
{
    /**
     * @param Request $request
     * @return mixed
     */
    public function handle($request, Closure $next)
    {
        return $request->bearerToken() === null ? parent::handle($request, $next) : $next($request);
    }
}
