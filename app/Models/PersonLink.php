<?php

declare(strict_types=1);

namespace App\Models;

use App\Auth\OneUse;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A one-use way into a workshop: for somebody new with a role, or for somebody of it who needs a new password. Only the
 * hash of its token is kept.
 *
 * @property int $id
 * @property int $workshop_id
 * @property int|null $user_id
 * @property int|null $made_by
 * @property string|null $name
 * @property Role|null $role
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property Workshop $workshop
 * @property User|null $person
 * @property User|null $maker
 */
final class PersonLink extends Model
{
    /** So long an invitation and a reset can be used, h. */
    public const INVITATION_H = 168;

    public const RESET_H = 24;

    protected $fillable = [
        'user_id',
        'made_by',
        'name',
        'role',
        'token_hash',
        'expires_at',
        'used_at',
        'taken_back_at',
    ];

    /** The open link of a token, or null. */
    public static function by(string $token): ?self
    {
        return self::query()->open()->where('token_hash', OneUse::hash($token))->first();
    }

    /** Where the token is used, under whatever address one goes by: behind the hash mark it is in no server's log. */
    public static function place(string $token): string
    {
        return '/join#' . $token;
    }

    /** Uses this link up; of several at once only the first does. */
    public function use(): bool
    {
        return self::query()
            ->open()
            ->whereKey($this->id)
            ->update(['used_at' => now()]) === 1;
    }

    /**
     * Those that can still be used.
     *
     * @param Builder<self> $query
     */
    protected function scopeOpen(Builder $query): void
    {
        $query->whereNull('used_at')->whereNull('taken_back_at')->where('expires_at', '>', now());
    }

    /** @return BelongsTo<Workshop, $this> */
    public function workshop(): BelongsTo
    {
        return $this->belongsTo(Workshop::class);
    }

    /** @return BelongsTo<User, $this> whose password it renews */
    public function person(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'expires_at' => 'datetime'];
    }
}
