<?php

declare(strict_types=1);

namespace App\Auth;

use App\Http\Middleware\SignInHolds;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/** Lets a person in by a session, and out again; each sign-in is kept by itself. */
final class Entry
{
    private const KEPT_DAYS = 90;

    public static function open(Request $request, User $user): void
    {
        Auth::guard('web')->login($user);
        $request->session()->regenerate();
        $signIn = self::begin($user, $request->ip(), $request->userAgent());
        $request->session()->put(SignInHolds::KEY, $signIn->id);
    }

    public static function begin(User $user, ?string $address, ?string $browser): SignIn
    {
        // What ended long ago tells nobody anything.
        $user->signIns()->where('created_at', '<', now()->subDays(self::KEPT_DAYS))->delete();

        return $user->signIns()->create([
            'address' => $address,
            'browser' => $browser === null ? null : Str::limit($browser, 296),
            'created_at' => now(),
            'seen_at' => now(),
        ]);
    }

    /** Out of this one. */
    public static function close(Request $request): void
    {
        $id = $request->session()->get(SignInHolds::KEY);
        SignIn::query()
            ->whereKey($id)
            ->whereNull('ended_at')
            ->update(['ended_at' => now()]);
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }

    /** Ends all sign-ins of a person but one; how many there were. */
    public static function endAll(User $user, ?int $except = null): int
    {
        return $user
            ->signIns()
            ->live()
            ->when($except !== null, fn($query) => $query->whereKeyNot($except))
            ->update(['ended_at' => now()]);
    }
}
