<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Plan\Refused;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Laravel\Sanctum\HasApiTokens;

/**
 * @property int $id
 * @property int $workshop_id
 * @property string $name
 * @property string $email
 * @property Role $role
 * @property \Illuminate\Support\Carbon|null $left_at
 * @property Workshop $workshop
 */
final class User extends Authenticatable
{
    /** @use HasApiTokens<\Laravel\Sanctum\PersonalAccessToken> */
    use HasApiTokens;

    protected $fillable = ['name', 'email', 'role', 'password'];

    protected $hidden = ['password', 'remember_token'];

    protected $attributes = ['left_at' => null, 'remember_token' => null];

    /** @return BelongsTo<Workshop, $this> */
    public function workshop(): BelongsTo
    {
        return $this->belongsTo(Workshop::class);
    }

    /** @return HasMany<SignIn, $this> */
    public function signIns(): HasMany
    {
        return $this->hasMany(SignIn::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'role' => Role::class, 'left_at' => 'datetime'];
    }

    /**
     * Who is signed in.
     *
     * @throws \Illuminate\Auth\AuthenticationException when nobody is
     */
    public static function of(\Illuminate\Http\Request $request): self
    {
        $user = $request->user();

        return $user instanceof self ? $user : throw new \Illuminate\Auth\AuthenticationException();
    }

    /**
     * In whose name something is brought from a tablet: one's own, or, for a lead, that of somebody of the workshop who
     * has left and can bring it no more.
     *
     * @throws Refused when it is anybody else
     */
    public function inNameOf(?int $other): self
    {
        if ($other === null || $other === $this->id) {
            return $this;
        }
        $left = self::query()->where('workshop_id', $this->workshop_id)->whereNotNull('left_at')->find($other);

        return $this->role === Role::Lead && $left !== null
            ? $left
            : throw Refused::because('/for', 'must be somebody of this workshop who has left, and a lead brings it.');
    }
}
