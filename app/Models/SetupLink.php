<?php

declare(strict_types=1);

namespace App\Models;

use App\Auth\OneUse;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * The one-use way in of a workshop's first person.
 *
 * @property string $token_hash
 * @property Carbon|null $used_at
 * @property Carbon|null $expires_at
 */
final class SetupLink extends Model
{
    protected $fillable = ['token_hash', 'used_at', 'expires_at'];

    /** So long a link can be used, days. */
    private const DAYS = 7;

    /** Makes a link and returns its token; only the hash is kept. */
    public static function issue(): string
    {
        [$token, $hash] = OneUse::token();
        self::query()->create([
            'token_hash' => $hash,
            'expires_at' => now()->addDays(self::DAYS),
        ]);

        return $token;
    }

    /** Uses a link up; of several at once only the first does. */
    public static function use(string $token): bool
    {
        return self::query()
            ->where('token_hash', OneUse::hash($token))
            ->whereNull('used_at')
            ->where('expires_at', '>', now())
            ->update(['used_at' => now()]) === 1;
    }
}
