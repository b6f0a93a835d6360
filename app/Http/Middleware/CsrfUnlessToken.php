<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** Requests with a token of their own carry no session, so there is nothing to forge. */
final class CsrfUnlessToken extends ValidateCsrfToken
{
    protected function inExceptArray($request): bool
    {
        return ($request->bearerToken() !== null && !$request->hasSession()) ||
            ($request->bearerToken() !== null && $request->cookies->get((string) config('session.cookie')) === null) ||
            parent::inExceptArray($request);
    }
}
