<?php

declare(strict_types=1);

namespace App\Models;

use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Job\Values;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
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

    /**
     * The logbook of a job as the core reads it, in the order of its numbers; read plainly: there may be thousands.
     *
     * @return list<Entry>
     */
    public static function entriesOf(int $job): array
    {
        return array_values(
            DB::table('log_entries as l')
                ->leftJoin('users as u', 'u.id', '=', 'l.user_id')
                ->where('l.rig_job_id', $job)
                ->orderBy('l.number')
                ->select([
                    'l.uuid',
                    'l.number',
                    'l.kind',
                    'l.step',
                    'l.says',
                    'l.tablet',
                    'l.seen',
                    'l.revision',
                    'u.name',
                ])
                ->selectRaw(
                    <<<'SQL'
                    to_char(l.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
                    SQL
                    ,
                )
                ->get()
                ->map(
                    fn(stdClass $e): Entry => new Entry(
                        $e->uuid,
                        (int) $e->number,
                        EntryKind::from($e->kind),
                        $e->step,
                        new Values(self::saying($e->says)),
                        $e->at,
                        $e->name ?? 'somebody who has left',
                        $e->tablet,
                        (int) $e->seen,
                        (int) $e->revision,
                    ),
                )
                ->all(),
        );
    }

    private static function saying(string $says): stdClass
    {
        $said = json_decode($says, false, 16, JSON_THROW_ON_ERROR);

        return $said instanceof stdClass ? $said : new stdClass();
    }

    /** @return array<string, mixed> */
    public function row(): array
    {
        return [
            'number' => $this->number,
            'uuid' => $this->uuid,
            'kind' => $this->kind,
            'step' => $this->step,
            'says' => self::saying($this->says),
            'at' => $this->at->toIso8601ZuluString(),
            'clockSaid' => $this->clock_said->toIso8601ZuluString(),
            'by' => $this->user?->name,
            'tablet' => $this->tablet,
            'seen' => $this->seen,
            'revision' => $this->revision,
        ];
    }
}
