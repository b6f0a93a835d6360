<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Build\Baseline;
use Hollin\Core\Build\SurveyReading;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Something read off a meter: append-only, tied to the revision it was made against, with what was expected.
 *
 * @property int $id
 * @property int $revision
 * @property string $what
 * @property string $view
 * @property string $state
 * @property string $function
 * @property string $point_a
 * @property string|null $point_b
 * @property string|null $value
 * @property string|null $words
 * @property string $unit
 * @property string|null $instrument
 * @property string|null $note
 * @property string $expected
 * @property Carbon $created_at
 * @property User|null $user
 */
final class Reading extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = [
        'rig_job_id',
        'user_id',
        'uuid',
        'revision',
        'what',
        'view',
        'state',
        'function',
        'point_a',
        'point_b',
        'value',
        'words',
        'unit',
        'instrument',
        'note',
        'expected',
    ];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return list<SurveyReading> what was read on a job, in its order */
    public static function ofSurvey(int $job): array
    {
        return array_values(
            self::query()
                ->with('user')
                ->where('rig_job_id', $job)
                ->orderBy('created_at')
                ->orderBy('id')
                ->get()
                ->map(
                    fn(self $r): SurveyReading => new SurveyReading(
                        $r->uuid,
                        $r->what,
                        $r->value === null ? null : (float) $r->value,
                        $r->words,
                        $r->instrument ?? '',
                        $r->user->name ?? 'somebody who has left',
                        $r->created_at->toIso8601ZuluString(),
                    ),
                )
                ->all(),
        );
    }

    /** @return array<string, mixed> what was read, by whom, and whether it is what was expected */
    public function row(): array
    {
        $value = $this->value === null ? null : (float) $this->value;

        return [
            'id' => $this->id,
            'what' => $this->what,
            'revision' => $this->revision,
            'value' => $value,
            'words' => $this->words,
            'unit' => $this->unit,
            'verdict' => Baseline::fromArray((array) json_decode($this->expected, true))->verdict($value, $this->words),
            'instrument' => $this->instrument,
            'note' => $this->note,
            'by' => $this->user?->name,
            'at' => $this->created_at->toIso8601ZuluString(),
        ];
    }
}
