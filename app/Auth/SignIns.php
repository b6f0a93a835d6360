<?php

declare(strict_types=1);

namespace App\Auth;

use App\Models\Happening;
use App\Models\User;
use Illuminate\Cache\RateLimiter;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/**
 * Who signs in with which password. An account that is tried again and again waits longer each time, from wherever it
 * is tried, and an address that nobody has takes as long as one that somebody has.
 */
final class SignIns
{
    /** Wrong passwords that cost nothing but the try. */
    private const FREE = 5;

    /** Wait after the first beyond them, s; it doubles. */
    private const FIRST_S = 15;

    private const LONGEST_S = 900;

    /** So long wrong passwords are remembered, s. */
    private const REMEMBERED_S = 86_400;

    public function __construct(private readonly RateLimiter $limiter) {}

    /** Seconds until an account may be tried again; none when it may. */
    public function wait(string $email): int
    {
        $key = self::key($email);

        return $this->limiter->tooManyAttempts("{$key}|wait", 1)
            ? max(1, $this->limiter->availableIn("{$key}|wait"))
            : 0;
    }

    /** The person of an address and password, or null; a wrong one is counted. */
    public function who(string $email, string $password): ?User
    {
        $user = User::query()->where('email', Str::lower($email))->whereNull('left_at')->first();
        // The same work whether or not there is such an address.
        $right = Hash::check($password, $user->password ?? self::nobodys());
        if ($user !== null && $right) {
            $this->forgive($email);
            if (Hash::needsRehash($user->password)) {
                $user->forceFill(['password' => $password])->save();
            }

            return $user;
        }
        $this->wrong($email);
        Audit::note(Happening::Refused, $user);

        return null;
    }

    /** Forgets wrong passwords of an account. */
    public function forgive(string $email): void
    {
        $this->limiter->clear(self::key($email));
        $this->limiter->clear(self::key($email) . '|wait');
    }

    private function wrong(string $email): void
    {
        $key = self::key($email);
        $tries = $this->limiter->hit($key, self::REMEMBERED_S);
        if ($tries >= self::FREE) {
            $this->limiter->hit(
                "{$key}|wait",
                (int) min(self::LONGEST_S, self::FIRST_S * 2 ** min(20, $tries - self::FREE)),
            );
        }
    }

    private static function key(string $email): string
    {
        return 'sign-in|' . hash('sha256', Str::lower($email));
    }

    /** Hash of a password that nobody has, made with what passwords are hashed with now. */
    private static function nobodys(): string
    {
        static $hash = null;

        return $hash ??= cache()->rememberForever(
            'nobodys-password|' . hash('sha256', (string) json_encode(config('hashing'))),
            fn(): string => Hash::make(Str::random(40)),
        );
    }
}
