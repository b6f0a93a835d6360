<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Reading;
use App\Models\RigJob;
use Carbon\CarbonImmutable;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\Baseline;
use Hollin\Core\Plan\Refused;
use Illuminate\Support\Carbon;

/** Keeps a reading of the rig as it was found, with what was expected of it: at the desk, or from the logbook. */
final class TakeReading
{
    /** What a meter for this work can show. */
    public const MOST = 100_000;

    /** @var array<string, array<string, Baseline>> job and revision => its readings */
    private array $points = [];

    /**
     * @param array{
     *     uuid: string, what: string, value?: ?float, words?: ?string, instrument?: ?string, note?: ?string,
     * } $given
     * @throws Refused when the rig has no such reading
     */
    public function __invoke(RigJob $job, int $revision, ?int $user, array $given, ?CarbonImmutable $at = null): Reading
    {
        $before = Reading::query()->where('rig_job_id', $job->id)->where('uuid', $given['uuid'])->first();
        if ($before !== null) {
            return $before;
        }
        $point =
            $this->pointsOf($job, $revision)[$given['what']] ??
            throw Refused::because('/what', 'is not one of this rig\'s baseline readings.');
        $reading = new Reading([
            'rig_job_id' => $job->id,
            'user_id' => $user,
            'uuid' => $given['uuid'],
            'revision' => $revision,
            'what' => $point->id,
            'view' => 'as_found',
            'state' => $point->state,
            'function' => $point->function,
            'point_a' => $point->a,
            'point_b' => $point->b === '' ? null : $point->b,
            'value' => $given['value'] ?? null,
            'words' => $given['words'] ?? null,
            'unit' => $point->unit,
            'instrument' => $given['instrument'] ?? null,
            'note' => $given['note'] ?? null,
            'expected' => json_encode($point->toArray(), JSON_THROW_ON_ERROR),
        ]);
        if ($at !== null) {
            $reading->created_at = Carbon::instance($at);
        }
        $reading->save();

        return $reading;
    }

    /** Works out which readings a rig has, so that nothing is computed while rows are held. */
    public function prepare(RigJob $job, int $revision): void
    {
        $this->pointsOf($job, $revision);
    }

    /** @return array<string, Baseline> */
    private function pointsOf(RigJob $job, int $revision): array
    {
        return $this->points["{$job->id} {$revision}"] ??= array_column(
            Baseline::of((new JobAnswers($job->revision($revision)->decoded()))->seen('as_found')),
            null,
            'id',
        );
    }
}
