<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One sign-in of a person, from then until it is ended.
 *
 * @property int $id
 * @property int $user_id
 * @property string|null $address
 * @property string|null $browser
 * @property Carbon $created_at
 * @property Carbon $seen_at
 * @property Carbon|null $ended_at
 */
final class SignIn extends Model
{
    /** So long one lasts, in use or not, h (ASVS 4.0, 3.3.2, from memory). */
    public const LASTS_H = 12;

    public $timestamps = false;

    protected $fillable = ['address', 'browser', 'created_at', 'seen_at', 'ended_at'];

    /**
     * Those that still let their person in.
     *
     * @param Builder<self> $query
     */
    protected function scopeLive(Builder $query): void
    {
        $query->whereNull('ended_at')->where('created_at', '>', now()->subHours(self::LASTS_H));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['created_at' => 'datetime', 'seen_at' => 'datetime', 'ended_at' => 'datetime'];
    }
}
