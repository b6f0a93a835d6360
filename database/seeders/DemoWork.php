<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Approve;
use App\Actions\Builds;
use App\Actions\WriteLog;
use App\Models\RigJob;
use App\Models\User;
use Carbon\CarbonImmutable;
use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Kind;
use Illuminate\Support\Str;
use stdClass;

/** The demo workshop at work: two plans let be built, one of them begun. Everything in it is invented. */
final readonly class DemoWork
{
    public function __construct(private Approve $approve, private Builds $builds, private WriteLog $write) {}

    /** Lets a plan be built, every danger with a reason. */
    public function let(RigJob $job, User $lead, string $plan, int $comesIn, int $goesIn): void
    {
        $head = $job->refresh()->head;
        $why = [];
        foreach ($this->approve->open($job, $head, $plan) as $open) {
            $why[$open['id']] = 'shown to the owner; put right with the next stage';
        }
        ($this->approve)($job, $lead, (string) Str::uuid(), $head, $plan, $why, null);
        $today = CarbonImmutable::now($job->workshop->timezone ?? 'UTC');
        $job->fill([
            'comes_on' => $today->addDays($comesIn)->toDateString(),
            'goes_on' => $today->addDays($goesIn)->toDateString(),
        ])->save();
    }

    /**
     * Steps recorded up to the first of a kind, by turns, each in its usual time.
     *
     * @param non-empty-list<User> $people
     */
    public function begin(RigJob $job, string $plan, Kind $until, array $people): void
    {
        $approval = $this->builds->approval($job, $plan);
        if ($approval === null) {
            return;
        }
        $work = $this->builds->answer($job->revision($approval->revision), $plan)->work;
        $at = CarbonImmutable::now()->subHours(5);
        $lines = [];
        foreach (array_values($work->steps) as $n => $step) {
            if ($step->kind === $until) {
                break;
            }
            $who = $people[$n % count($people)];
            $lines[$who->id][] = $this->line('start', $step->id, [], $at);
            $at = $at->addSeconds((int) (30 * $step->kind->minutes()[1] * min(4.0, $step->pieces)));
            foreach ($step->asks as $ask) {
                if ($ask->required && $ask->kind !== 'photo') {
                    $lines[$who->id][] = $this->line('value', $step->id, ['ask' => $ask->id] + self::given($ask), $at);
                }
            }
            $lines[$who->id][] = $this->line('done', $step->id, ['mark' => $step->mark()], $at);
        }
        foreach ($people as $person) {
            ($this->write)(
                $job,
                $person,
                "tablet-{$person->id}",
                $approval->revision,
                CarbonImmutable::now(),
                array_slice($lines[$person->id] ?? [], 0, WriteLog::MOST),
            );
        }
    }

    /**
     * Other lines of a logbook.
     *
     * @param list<array{string, array<string, mixed>}> $said kind and what it says
     */
    public function say(RigJob $job, User $user, array $said): void
    {
        ($this->write)(
            $job,
            $user,
            "tablet-{$user->id}",
            $job->head,
            CarbonImmutable::now(),
            array_map(fn(array $s): stdClass => $this->line($s[0], '', $s[1], CarbonImmutable::now()), $said),
        );
    }

    /** @param array<string, mixed> $says */
    private function line(string $kind, string $step, array $says, CarbonImmutable $at): stdClass
    {
        return (object) [
            'uuid' => (string) Str::uuid(),
            'kind' => $kind,
            'step' => $step,
            'says' => (object) $says,
            'at' => $at->utc()->format('Y-m-d\TH:i:s\Z'),
            'seen' => 0,
        ];
    }

    /** @return array<string, mixed> what stands in for something read */
    private static function given(Ask $ask): array
    {
        if ($ask->options !== []) {
            return ['words' => $ask->expected === '' ? $ask->options[0] : $ask->expected];
        }

        return match (true) {
            $ask->kind === 'tick' => ['tick' => true],
            $ask->unit === 'Ω' && $ask->high === null => ['words' => Ask::OPEN],
            $ask->kind === 'number' => [
                'number' => round((($ask->low ?? 0.0) + ($ask->high ?? ($ask->low ?? 1.0))) / 2, 2),
            ],
            default => ['words' => 'as on its label'],
        };
    }
}
