<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * The one-use way in of a workshop's first person.
 *
 * @property string $token_hash
 * @property Carbon|null $used_at
 */
final class SetupLink extends Model
{
    protected $fillable = ['token_hash', 'used_at'];

    /** Makes a link and returns its token; only the hash is kept. */
    public static function issue(): string
    {
        $token = Str::random(48);
        self::query()->create(['token_hash' => hash('sha256', $token)]);

        return $token;
    }

    public static function unused(string $token): ?self
    {
        return self::query()->where('token_hash', hash('sha256', $token))->whereNull('used_at')->first();
    }
}
