<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A line of the audit log, which only grows: the database refuses to change or remove one.
 *
 * @property int $id
 * @property Carbon $at
 * @property int|null $workshop_id
 * @property int|null $user_id
 * @property Happening $what
 * @property array<string, string|int|bool> $about
 * @property string|null $address
 * @property User|null $user
 */
final class AuditEntry extends Model
{
    public $timestamps = false;

    protected $fillable = ['at', 'workshop_id', 'user_id', 'what', 'about', 'address', 'request'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** What happened, without who and when. */
    public function words(): string
    {
        $between = fn(string $name): string => '{' . $name . '}';

        return strtr(
            $this->what->words(),
            array_combine(array_map($between, array_keys($this->about)), array_map(strval(...), $this->about)),
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'datetime', 'what' => Happening::class, 'about' => 'array'];
    }
}
