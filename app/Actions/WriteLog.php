<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\LogEntry;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Entry;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Takes lines into a job's logbook: each once, however often it is sent, all good ones of a parcel and none of the bad,
 * numbered without gaps in the order in which they came.
 *
 * @phpstan-type Refusal array{uuid: string, problems: list<array{pointer: string, message: string}>}
 */
final class WriteLog
{
    public const MOST = 500;

    /** A tablet's clock that differs by less than this from the server's is taken to be right, s. */
    private const AGREE_S = 5;

    public function __construct(private readonly TakeReading $take) {}

    /**
     * @param list<mixed> $lines as sent
     * @param CarbonImmutable $sentAt by the tablet's clock
     * @return array{taken: list<array{uuid: string, number: int}>, refused: list<Refusal>, last: int}
     */
    public function __invoke(
        RigJob $job,
        User $user,
        string $tablet,
        int $revision,
        CarbonImmutable $sentAt,
        array $lines,
    ): array {
        $wrong = (int) round(CarbonImmutable::now()->diffInSeconds($sentAt, false));
        $wrong = abs($wrong) < self::AGREE_S ? 0 : $wrong;
        $good = $refused = [];
        foreach ($lines as $n => $line) {
            $uuid = $line instanceof stdClass && is_string($line->uuid ?? null) ? $line->uuid : '';
            $problems = [...$this->problems($line), ...$this->mayNot($user, $line)];
            if ($problems === []) {
                $good[$uuid] = $line;
            } else {
                $refused[] = [
                    'uuid' => $uuid,
                    'problems' => array_map(
                        fn(Problem $p): array => [
                            'pointer' => "/entries/{$n}{$p->pointer}",
                            'message' => $p->message,
                        ],
                        $problems,
                    ),
                ];
            }
        }

        return DB::transaction(function () use ($job, $user, $tablet, $revision, $wrong, $good, $refused): array {
            // One writer at a time: numbers have no gaps, and whoever has read up to one has read all before it.
            RigJob::query()->whereKey($job->id)->lockForUpdate()->first();
            $known = LogEntry::query()
                ->where('rig_job_id', $job->id)
                ->whereIn('uuid', array_map(strval(...), array_keys($good)))
                ->pluck('number', 'uuid')
                ->all();
            $number = (int) LogEntry::query()->where('rig_job_id', $job->id)->max('number');
            $rows = $taken = [];
            $now = CarbonImmutable::now();
            foreach ($good as $uuid => $line) {
                if (isset($known[$uuid])) {
                    $taken[] = ['uuid' => (string) $uuid, 'number' => (int) $known[$uuid]];
                    continue;
                }
                $said = CarbonImmutable::parse($line->at)->utc();
                $at = $said->subSeconds($wrong);
                $rows[] = [
                    'rig_job_id' => $job->id,
                    'user_id' => $user->id,
                    'number' => ++$number,
                    'uuid' => $uuid,
                    'tablet' => $tablet,
                    'revision' => $revision,
                    'kind' => $line->kind,
                    'step' => $line->step ?? '',
                    'says' => json_encode($line->says, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                    'seen' => min($number - 1, max(0, $line->seen)),
                    // Nothing happens after it was told.
                    'at' => $at->greaterThan($now) ? $now : $at,
                    'clock_said' => $said,
                    'created_at' => $now,
                ];
                $taken[] = ['uuid' => (string) $uuid, 'number' => $number];
            }
            foreach (array_chunk($rows, 200) as $chunk) {
                LogEntry::query()->insert($chunk);
            }
            $this->readings($job, $user, $revision, $rows);

            return ['taken' => $taken, 'refused' => $refused, 'last' => $number];
        });
    }

    /**
     * Readings of the baseline that were taken beside the rig stand in the survey too.
     *
     * @param list<array<string, mixed>> $rows lines as they were taken
     */
    private function readings(RigJob $job, User $user, int $revision, array $rows): void
    {
        foreach ($rows as $row) {
            $says = json_decode((string) $row['says']);
            if (
                $row['kind'] !== 'value' ||
                !str_starts_with($says->ask, Ask::READING) ||
                abs($says->number ?? 0) > TakeReading::MOST
            ) {
                continue;
            }
            try {
                ($this->take)(
                    $job,
                    $revision,
                    $user->id,
                    [
                        'uuid' => (string) $row['uuid'],
                        'what' => substr($says->ask, strlen(Ask::READING)),
                        'value' => $says->number ?? null,
                        'words' => isset($says->words) ? mb_substr($says->words, 0, 120) : null,
                        'instrument' => $says->instrument ?? null,
                    ],
                    $row['at'],
                );
            } catch (Refused) {
                // The rig as it was surveyed then has no such reading: the line itself is kept all the same.
            }
        }
    }

    /** @return list<Problem> what is a lead's to write */
    private function mayNot(User $user, mixed $line): array
    {
        return $user->role !== Role::Lead &&
            ($line->kind ?? null) === 'value' &&
            ($line->says->ask ?? null) === Ask::SIGNED
            ? [new Problem('/says/ask', 'is a lead\'s to sign: it was measured, and it falls short.')]
            : [];
    }

    /** @return list<Problem> */
    private function problems(mixed $line): array
    {
        if (!($line instanceof stdClass)) {
            return [new Problem('', 'must be an object with uuid, kind, step, says, at and seen.')];
        }
        $problems = [];
        if (
            !is_string($line->uuid ?? null) ||
            preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/', $line->uuid) !== 1
        ) {
            $problems[] = new Problem('/uuid', 'must be a UUID in small letters.');
        }
        if (!is_int($line->seen ?? null)) {
            $problems[] = new Problem('/seen', 'must be the number of the last line that was known.');
        }
        if (
            !is_string($line->at ?? null) ||
            preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/', $line->at) !== 1
        ) {
            $problems[] = new Problem('/at', 'must be a time in UTC, such as 2026-11-27T09:00:00Z.');
        } elseif (strtotime($line->at) === false) {
            $problems[] = new Problem('/at', 'is no time that a clock shows.');
        }

        return [...$problems, ...Entry::problems($line->kind ?? null, $line->step ?? null, $line->says ?? null)];
    }
}
