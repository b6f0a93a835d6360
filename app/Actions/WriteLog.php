<?php

declare(strict_types=1);

namespace App\Actions;

use App\Auth\Audit;
use App\Exceptions\DatabaseTrouble;
use App\Models\Approval;
use App\Models\Happening;
use App\Models\LogEntry;
use App\Models\Reading;
use App\Models\RigJob;
use App\Models\User;
use Carbon\CarbonImmutable;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Values;
use Hollin\Core\Plan\Refused;
use Illuminate\Database\QueryException;
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

    /** What a clock shows at least; Postgres knows no year before the first. */
    private const EARLIEST = '1970-01-01T00:00:00Z';

    public function __construct(private readonly TakeReading $take, private readonly Builds $builds) {}

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
        /** @param list<Problem> $problems */
        $refuse = function (int|string $n, string $uuid, array $problems) use (&$refused): void {
            $refused[] = [
                'uuid' => $uuid,
                'problems' => array_values(
                    array_map(
                        fn(Problem $p): array => ['pointer' => "/entries/{$n}{$p->pointer}", 'message' => $p->message],
                        $problems,
                    ),
                ),
            ];
        };
        $works = $this->works($job, $lines);
        $place = [];
        foreach ($lines as $n => $line) {
            $uuid = $line instanceof stdClass && is_string($line->uuid ?? null) ? $line->uuid : '';
            $problems = [...LogLine::shape($line, $works), ...LogLine::rights($user, $line)];
            if ($problems === []) {
                $good[$uuid] ??= $line;
                $place[$uuid] ??= $n;
            } else {
                $refuse($n, $uuid, $problems);
            }
        }
        foreach ($this->shut($job, $user, $tablet, $revision, $good, $works) as $uuid => $why) {
            $refuse($place[$uuid], (string) $uuid, [new Problem('/kind', $why)]);
            unset($good[$uuid]);
        }
        // What is computed is computed before anything is held.
        foreach ($good as $line) {
            if ($this->isReading($line->kind, $line->says)) {
                $this->take->prepare($job, $revision);
                break;
            }
        }

        return DB::transaction(function () use (
            $job,
            $user,
            $tablet,
            $revision,
            $wrong,
            $good,
            $place,
            $refuse,
            &$refused,
        ): array {
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
            $earliest = CarbonImmutable::parse(self::EARLIEST);
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
                    'at' => $at->greaterThan($now) ? $now : ($at->lessThan($earliest) ? $earliest : $at),
                    'clock_said' => $said,
                    'created_at' => $now,
                ];
            }
            $number -= count($rows);
            [$rows, $bad] = $this->store($rows);
            foreach ($rows as $row) {
                $taken[] = ['uuid' => (string) $row['uuid'], 'number' => (int) $row['number']];
            }
            foreach ($bad as $row) {
                $refuse($place[$row['uuid']], (string) $row['uuid'], [
                    new Problem('/says', 'cannot be stored as it is: something in it is out of its range.'),
                ]);
            }
            $number = max([$number, ...array_column($rows, 'number')]);
            $this->readings($job, $user, $revision, $rows);
            $this->audit($job, $user, $rows);

            return ['taken' => $taken, 'refused' => $refused, 'last' => $number];
        });
    }

    /**
     * All together; where the database refuses one of them, one by one, so that a bad one keeps no other out.
     *
     * @param list<array<string, mixed>> $rows
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>} stored, with their numbers; refused
     */
    private function store(array $rows): array
    {
        try {
            DB::transaction(function () use ($rows): void {
                foreach (array_chunk($rows, 200) as $chunk) {
                    LogEntry::query()->insert($chunk);
                }
            });

            return [$rows, []];
        } catch (QueryException $e) {
            if (DatabaseTrouble::of($e) !== DatabaseTrouble::Unstorable) {
                throw $e;
            }
        }
        $stored = $bad = [];
        foreach ($rows as $row) {
            $row['number'] -= count($bad);
            try {
                DB::transaction(fn() => LogEntry::query()->insert([$row]));
                $stored[] = $row;
            } catch (QueryException $e) {
                if (DatabaseTrouble::of($e) !== DatabaseTrouble::Unstorable) {
                    throw $e;
                }
                $bad[] = $row;
            }
        }

        return [$stored, $bad];
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
            if (!$this->isReading((string) $row['kind'], $says)) {
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

    private function isReading(string $kind, stdClass $says): bool
    {
        return $kind === 'value' &&
            str_starts_with((string) ($says->ask ?? ''), Ask::READING) &&
            abs($says->number ?? 0) <= TakeReading::MOST;
    }

    /**
     * A gate that a lead has passed without its proof stands in the audit log, with what was read.
     *
     * @param list<array<string, mixed>> $rows lines as they were taken
     */
    private function audit(RigJob $job, User $user, array $rows): void
    {
        foreach ($rows as $row) {
            if ($row['kind'] === EntryKind::Override->value) {
                Audit::note(Happening::GatePassed, $user, [
                    'job' => $job->id,
                    'gate' => $this->passing[$row['uuid']][0] ?? (string) $row['step'],
                    'why' => (string) json_decode((string) $row['says'])->words,
                    'read' => $this->passing[$row['uuid']][1] ?? '',
                ]);
            }
        }
    }

    /** @var array<string, array{string, string}> line that passes a gate without proof => its title, what is wrong */
    private array $passing = [];

    /**
     * The work that each step of an approved plan belongs to: the latest that has it.
     *
     * @param list<mixed> $lines
     * @return array<string, BuildAnswer>
     */
    private function works(RigJob $job, array $lines): array
    {
        $wanted = [];
        foreach ($lines as $line) {
            $step = $line instanceof stdClass ? $line->step ?? '' : '';
            if (is_string($step) && $step !== '') {
                $wanted[$step] = true;
            }
        }
        $works = [];
        $approvals = $wanted === [] ? [] : Approval::query()->where('rig_job_id', $job->id)->orderByDesc('id')->get();
        foreach ($approvals as $approval) {
            $missing = array_diff_key($wanted, $works);
            if ($missing === []) {
                break;
            }
            $answer = $this->builds->answer($job->revision($approval->revision), $approval->plan);
            foreach (array_intersect_key($missing, $answer->work->steps) as $step => $_) {
                $works[$step] = $answer;
            }
        }

        return $works;
    }

    /**
     * Lines that would pass a gate which stays shut, with why: the logbook itself says so, read with them at its end.
     *
     * @param array<string, stdClass> $good by UUID
     * @param array<string, BuildAnswer> $works by step
     * @return array<string, string> UUID => why
     */
    private function shut(RigJob $job, User $user, string $tablet, int $revision, array $good, array $works): array
    {
        $asked = [];
        foreach ($good as $line) {
            $step = $works[$line->step ?? '']->work->steps[$line->step ?? ''] ?? null;
            if (
                $step !== null &&
                (($step->kind->isGate() && in_array($line->kind, ['done', 'override'], true)) || $step->inOrder)
            ) {
                $asked[spl_object_id($works[$line->step])] = $works[$line->step];
            }
        }
        if ($asked === []) {
            return [];
        }
        $entries = LogEntry::entriesOf($job->id);
        $known = array_column($entries, 'uuid', 'uuid');
        $number = count($entries);
        foreach ($good as $uuid => $line) {
            if (!isset($known[$uuid])) {
                $entries[] = new Entry(
                    (string) $uuid,
                    ++$number,
                    EntryKind::from($line->kind),
                    $line->step ?? '',
                    new Values($line->says),
                    $line->at,
                    $user->name,
                    $tablet,
                    $line->seen,
                    $revision,
                );
            }
        }
        $shut = [];
        foreach ($asked as $answer) {
            $log = $answer->logbook($entries, Reading::ofSurvey($job->id));
            $shut += array_intersect_key($log->shut, $good);
            foreach ($good as $uuid => $line) {
                $step = $answer->work->steps[$line->step ?? ''] ?? null;
                if ($line->kind === EntryKind::Override->value && $step !== null) {
                    $this->passing[$uuid] = [$step->title, implode('; ', $log->steps[$step->id]->wrong($step))];
                }
            }
        }

        return $shut;
    }
}
