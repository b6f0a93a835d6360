<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\SignIn;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Whoever has left the workshop, or whose sign-in was ended from elsewhere, is out with the next request. */
final class SignInHolds
{
    /** What of the session says which sign-in it is. */
    public const KEY = 'sign-in';

    /** Seen again is noted once in so many seconds. */
    private const SEEN_S = 60;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = User::of($request);
        if ($user->left_at !== null) {
            throw new AuthenticationException();
        }
        // The browser that prints has a way in of its own, which ends with its sheet.
        if ($request->hasSession() && !$request->session()->has(PrintsOneSheet::KEY)) {
            $signIn = $user
                ->signIns()
                ->live()
                ->find($request->session()->get(self::KEY));
            if (!($signIn instanceof SignIn)) {
                Auth::guard('web')->logout();
                $request->session()->invalidate();
                throw new AuthenticationException();
            }
            if ($signIn->seen_at->diffInSeconds(now()) >= self::SEEN_S) {
                $signIn->update(['seen_at' => now()]);
            }
        }

        return $next($request);
    }
}
