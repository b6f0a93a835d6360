<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Job\Values;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use stdClass;

/**
 * A line of a job's logbook. Never changed.
 *
 * @property int $id
 * @property int $number
 * @property string $uuid
 * @property string $tablet
 * @property int $revision
 * @property string $kind
 * @property string $step
 * @property string $says
 * @property int $seen
 * @property Carbon $at
 * @property Carbon $clock_said
 * @property Carbon $created_at
 * @property User|null $user
 */
final class LogEntry extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = [
        'user_id',
        'number',
        'uuid',
        'tablet',
        'revision',
        'kind',
        'step',
        'says',
        'seen',
        'at',
        'clock_said',
    ];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'datetime', 'clock_said' => 'datetime'];
    }

    private function decoded(): stdClass
    {
        $says = json_decode($this->says, false, 16, JSON_THROW_ON_ERROR);

        return $says instanceof stdClass ? $says : new stdClass();
    }

    /** As the core reads it. */
    public function entry(): Entry
    {
        return new Entry(
            $this->uuid,
            $this->number,
            EntryKind::from($this->kind),
            $this->step,
            new Values($this->decoded()),
            $this->at->toIso8601ZuluString(),
            $this->user->name ?? 'somebody who has left',
            $this->tablet,
            $this->seen,
            $this->revision,
        );
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return [
            'number' => $this->number,
            'uuid' => $this->uuid,
            'kind' => $this->kind,
            'step' => $this->step,
            'says' => $this->decoded(),
            'at' => $this->at->toIso8601ZuluString(),
            'clockSaid' => $this->clock_said->toIso8601ZuluString(),
            'by' => $this->user?->name,
            'tablet' => $this->tablet,
            'seen' => $this->seen,
            'revision' => $this->revision,
        ];
    }
}
