<?php

declare(strict_types=1);

namespace App\Models;

use App\Files\Shelf;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A photograph against a component, kept as a file named by its content.
 *
 * @property int $id
 * @property int $rig_job_id
 * @property int|null $user_id
 * @property string $component
 * @property string $sha256
 * @property int $bytes
 * @property int $width
 * @property int $height
 * @property string|null $note
 * @property string $status waiting, kept or failed
 * @property string|null $trouble
 * @property string|null $incoming as it came, until it is written anew
 * @property string|null $raw_sha256 of what came
 * @property list<string> $other_raws of what came too, and was the same once written anew
 * @property Carbon $created_at
 * @property RigJob $rigJob
 * @property User|null $user
 */
final class Photo extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = [
        'rig_job_id',
        'user_id',
        'component',
        'sha256',
        'raw_sha256',
        'other_raws',
        'bytes',
        'width',
        'height',
        'note',
        'status',
        'trouble',
        'incoming',
    ];

    protected $casts = ['other_raws' => 'array'];

    /** @return BelongsTo<RigJob, $this> */
    public function rigJob(): BelongsTo
    {
        return $this->belongsTo(RigJob::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * By the name of a picture as it came.
     *
     * @param Builder<Photo> $photos
     */
    public function scopeCameAs(Builder $photos, string $component, string $sha256): void
    {
        $photos
            ->where('component', $component)
            ->where(
                fn(Builder $either) => $either
                    ->where('raw_sha256', $sha256)
                    ->orWhereJsonContains('other_raws', $sha256),
            );
    }

    /** @return list<string> the names under which it came */
    public function raws(): array
    {
        return array_values(array_filter([$this->raw_sha256, ...$this->other_raws ?? []]));
    }

    public function file(): string
    {
        return self::fileOf($this->sha256);
    }

    /** Name of the file that holds a content. */
    public static function fileOf(string $sha256): string
    {
        return 'photos/' . substr($sha256, 0, 2) . "/{$sha256}.jpg";
    }

    /** Whether its file is there as it was written. */
    public function isWhole(): bool
    {
        return Shelf::holds($this->file(), $this->bytes, $this->sha256);
    }
}
