<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/** A program with a token of its own needs no session and gets none, whatever cookies it carries. */
final class SessionUnlessToken extends StartSession
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
