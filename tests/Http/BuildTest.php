<?php

declare(strict_types=1);

use App\Models\LogEntry;
use App\Models\Role;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Sabre\VObject\Reader;

describe('approval', function (): void {
    it('is a lead\'s, needs a reason for each danger, and happens once', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($this->person(Role::Technician));
        approve($this, $job)->assertForbidden();
        $this->actingAs($lead);
        // A second bond: current runs home over frames and grounds.
        postEdit($this, $job, 1, [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'main_panel',
            'path' => '/bondScrew',
            'value' => true,
        ])->assertOk();
        $this->postJson("/api/v1/jobs/{$job->id}/approvals", [
            'uuid' => (string) Str::uuid(),
            'revision' => 2,
            'plan' => 'p',
        ])
            ->assertStatus(422)
            ->assertJsonPath('problems.0.message', fn(string $m): bool => str_contains($m, 'say in words why'));
        $uuid = (string) Str::uuid();
        $first = approve($this, $job, $uuid)->assertCreated();
        $again = approve($this, $job, $uuid)->assertCreated();
        expect($again->json())
            ->toBe($first->json())
            ->and($first->json('open.0.severity'))
            ->toBe('danger')
            ->and($first->json('open.0.why'))
            ->toBe('put right in the second week')
            ->and(App\Models\Approval::query()->count())
            ->toBe(1);
    });

    it('refuses a plan that is not there or changes nothing', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        postEdit($this, $job, 1, ['kind' => 'add_plan', 'id' => 'empty', 'title' => 'Nothing']);
        foreach (['empty' => 'changes nothing', 'nowhere' => 'is not a plan'] as $plan => $words) {
            $this->postJson("/api/v1/jobs/{$job->id}/approvals", [
                'uuid' => (string) Str::uuid(),
                'revision' => 2,
                'plan' => $plan,
            ])
                ->assertStatus(422)
                ->assertJsonPath('message', fn(string $m): bool => str_contains($m, $words));
        }
    });

    it('holds the work at its revision, and tells what a later change of the plan reopens', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        $draft = $this->getJson("/api/v1/jobs/{$job->id}/build")->assertOk();
        expect($draft->json('draft'))->toBeTrue()->and($draft->json('approval'))->toBeNull();
        approve($this, $job)->assertCreated();
        $step = collect($draft->json('steps'))->firstWhere('kind', 'move');
        sendLog($this, $job, [
            logLine('value', $step['id'], ['ask' => 'all_three', 'tick' => true]),
            logLine('value', $step['id'], ['ask' => 'torque', 'number' => 3]),
            logLine('done', $step['id'], ['mark' => $step['mark']]),
        ])->assertOk();
        $built = $this->getJson("/api/v1/jobs/{$job->id}/build");
        expect($built->json("states.{$step['id']}"))->toBeNull();
        expect($built->json('states')[$step['id']]['status'])
            ->toBe('done')
            ->and($built->json('draft'))
            ->toBeFalse();
        // Another breaker on the circuit that was moved.
        postEdit($this, $job, 1, [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'c_outlets',
            'path' => '/breakerA',
            'value' => 20,
        ])->assertOk();
        $after = $this->getJson("/api/v1/jobs/{$job->id}/build");
        expect($after->json('revision'))
            ->toBe(1)
            ->and(array_column($after->json('since.changed'), 'step'))
            ->toContain($step['id'])
            ->and($after->json('states')[$step['id']]['status'])
            ->toBe('done');
        approve($this, $job)->assertCreated();
        $new = $this->getJson("/api/v1/jobs/{$job->id}/build");
        expect($new->json('states')[$step['id']]['status'])
            ->toBe('reopened')
            ->and(array_column($new->json('open'), 'id'))
            ->toContain("reopened_{$step['id']}");
    });
});

describe('the logbook', function (): void {
    it('takes each line once, numbers them without gaps, and gives them back in order', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Apprentice));
        $lines = [logLine('defect', '', ['words' => 'cover cracked']), logLine('defect', '', ['words' => 'lamp dead'])];
        $first = sendLog($this, $job, $lines)->assertOk();
        $more = logLine('defect', '', ['words' => 'step loose']);
        $second = sendLog($this, $job, [$lines[1], $more, $lines[0], $more])->assertOk();
        expect(array_column($first->json('taken'), 'number'))
            ->toBe([1, 2])
            ->and(array_column($second->json('taken'), 'number', 'uuid'))
            ->toEqual([$lines[1]['uuid'] => 2, $more['uuid'] => 3, $lines[0]['uuid'] => 1])
            ->and($second->json('last'))
            ->toBe(3);
        $read = $this->getJson("/api/v1/jobs/{$job->id}/log?after=1")->assertOk();
        expect(array_column($read->json('lines'), 'number'))
            ->toBe([2, 3])
            ->and($read->json('lines.0.says.words'))
            ->toBe('lamp dead')
            ->and($read->json('lines.0.by'))
            ->not->toBe('');
    });

    it('keeps the good lines of a parcel and says where the bad ones are wrong', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Technician));
        $bad = logLine('value', 's', ['ask' => 'a', 'number' => 'twelve']);
        $answer = sendLog($this, $job, [logLine('defect', '', ['words' => 'x']), $bad, logLine('dance')])->assertOk();
        expect($answer->json('taken'))
            ->toHaveCount(1)
            ->and($answer->json('refused.0.uuid'))
            ->toBe($bad['uuid'])
            ->and($answer->json('refused.0.problems.0.pointer'))
            ->toBe('/entries/1/says/number')
            ->and($answer->json('refused.1.problems.0.message'))
            ->toContain('must be one of: start');
        expect(LogEntry::query()->count())->toBe(1);
    });

    it('sets a wrong clock right by what the tablet thinks it is now, and keeps what it said', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Technician));
        $this->travelTo(Carbon::parse('2026-11-27T10:00:00Z'));
        // The tablet runs a year ahead; the line was written two hours before it was sent.
        sendLog(
            $this,
            $job,
            [logLine('defect', '', ['words' => 'x'], 0, '2027-11-27T08:00:00Z')],
            'one',
            '2027-11-27T10:00:00Z',
        );
        $line = $this->getJson("/api/v1/jobs/{$job->id}/log")->json('lines.0');
        expect($line['at'])->toBe('2026-11-27T08:00:00Z')->and($line['clockSaid'])->toBe('2027-11-27T08:00:00Z');
    });

    it('shows two tablets that say different things until one settles it', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        approve($this, $job)->assertCreated();
        $step = collect($this->getJson("/api/v1/jobs/{$job->id}/build")->json('steps'))->firstWhere('kind', 'move');
        $torque = fn(float $nm, int $seen): array => logLine(
            'value',
            $step['id'],
            ['ask' => 'torque', 'number' => $nm],
            $seen,
        );
        sendLog($this, $job, [$torque(2.5, 0)], 'one');
        sendLog($this, $job, [$torque(3.5, 0)], 'two');
        $state = fn(): array => $this->getJson("/api/v1/jobs/{$job->id}/build")->json('states')[$step['id']];
        expect($state()['conflicts']['torque'])->toHaveCount(2);
        sendLog($this, $job, [$torque(2.5, 2)], 'one');
        expect($state()['conflicts'])
            ->toBe([])
            ->and($state()['answers']['torque']['value'])
            ->toEqual(2.5);
    });

    it('lets a lead alone sign for what falls short', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        approve($this, $job)->assertCreated();
        $line = logLine('value', 'whole.dry_fit.inverter', ['ask' => 'signed', 'words' => '3 cm short']);
        $this->actingAs($this->person(Role::Technician));
        sendLog($this, $job, [$line])
            ->assertOk()
            ->assertJsonCount(0, 'taken')
            ->assertJsonPath('refused.0.problems.0.pointer', '/entries/0/says/ask');
        $this->actingAs($lead);
        sendLog($this, $job, [$line])
            ->assertOk()
            ->assertJsonCount(1, 'taken');
    });

    it('lets nobody change or take out a line', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        $line = logLine('defect', '', ['words' => 'as it was']);
        sendLog($this, $job, [$line]);
        $line['says'] = (object) ['words' => 'as it suits'];
        sendLog($this, $job, [$line])->assertOk();
        expect($this->getJson("/api/v1/jobs/{$job->id}/log")->json('lines.0.says.words'))->toBe('as it was');
    });
});

describe('the baseline beside the rig', function (): void {
    it(
        'stands in the survey as soon as the tablet has a signal, each reading once, with its verdict',
        function (): void {
            $lead = $this->person(Role::Lead);
            $job = jobOf($lead);
            $this->actingAs($lead);
            approve($this, $job)->assertCreated();
            $step = collect($this->getJson("/api/v1/jobs/{$job->id}/build")->json('steps'))->firstWhere(
                'kind',
                'baseline',
            );
            $volts = collect($step['asks'])->first(fn(array $a): bool => str_starts_with($a['id'], 'base.rest_'));
            $word = collect($step['asks'])->first(fn(array $a): bool => $a['options'] !== []);
            expect($word['options'])->toContain($word['expected']);
            $lines = [
                logLine(
                    'value',
                    $step['id'],
                    ['ask' => $volts['id'], 'number' => 3.2, 'instrument' => 'meter 2'],
                    0,
                    at: now()->subDays(3)->format('Y-m-d\TH:i:s\Z'),
                ),
                logLine('value', $step['id'], ['ask' => $word['id'], 'words' => $word['expected']]),
                // What no meter shows, and what this rig does not have, are lines of the logbook and nothing more.
                logLine('value', $step['id'], ['ask' => $volts['id'], 'number' => 9e8]),
                logLine('value', $step['id'], ['ask' => 'base.rest_nowhere', 'number' => 1]),
            ];
            sendLog($this, $job, $lines)->assertOk()->assertJsonCount(4, 'taken');
            sendLog($this, $job, $lines)->assertOk();
            $readings = collect($this->getJson("/api/v1/jobs/{$job->id}/baseline")->json('readings'));
            expect($readings)
                ->toHaveCount(2)
                ->and($readings[0]['verdict'])
                ->toBe('not as expected')
                ->and($readings[0]['instrument'])
                ->toBe('meter 2')
                ->and(substr($readings[0]['at'], 0, 10))
                ->toBe(now()->subDays(3)->toDateString())
                ->and($readings[1]['verdict'])
                ->toBe('as expected');
            // What is read at the desk counts beside the rig too: nobody reads twice.
            $asked = array_column($step['asks'], null, 'id');
            $other = collect($asked)->first(
                fn(array $a): bool => $a['finds'] && !in_array($a['id'], [$volts['id'], $word['id']], true),
            );
            $this->postJson("/api/v1/jobs/{$job->id}/readings", [
                'uuid' => (string) Str::uuid(),
                'what' => substr($other['id'], strlen('base.')),
                ...$other['options'] === [] ? ['value' => $other['low'] ?? 1.0] : ['words' => $other['options'][0]],
                'instrument' => 'meter 3',
            ])->assertCreated();
            $state = $this->getJson("/api/v1/jobs/{$job->id}/build")->json('states')[$step['id']];
            expect($state['answers'][$other['id']]['instrument'])
                ->toBe('meter 3')
                ->and($state['answers'][$word['id']]['value'])
                ->toBe($word['expected'])
                ->and(implode("\n", $state['missing']))
                ->not->toContain($other['words'] . ':');
        },
    );

    it('comes with a drawing of every stage, without a state', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        $build = $this->getJson("/api/v1/jobs/{$job->id}/build")->json();
        $walls = $this->getJson("/api/v1/jobs/{$job->id}/build/walls")
            ->assertOk()
            ->json('walls');
        expect(array_keys($walls))->toBe(['as_found', ...array_column($build['stages'], 'id')]);
        foreach ($walls as $wall) {
            expect(array_keys($wall['plates']))->toContain('main_panel');
        }
        // Every part that a step is done at can be found on one of them.
        foreach ($build['steps'] as $step) {
            foreach ($step['components'] as $part) {
                $drawn = array_filter(
                    $walls,
                    fn(array $w): bool => str_contains(
                        (string) json_encode([$w['plates'], $w['trays']]),
                        "\"{$part}\"",
                    ),
                );
                expect($drawn)->not->toBe([], "{$step['id']} {$part}");
            }
        }
        $this->getJson("/api/v1/jobs/{$job->id}/build/walls?plan=nowhere")->assertStatus(422);
    });
});

describe('schedule, calendar, labels', function (): void {
    it('lays a job along working hours and says when it is late', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        $this->putJson("/api/v1/jobs/{$job->id}/dates", [
            'comesOn' => '2026-12-07',
            'goesOn' => '2026-12-07',
        ])->assertNoContent();
        $schedule = $this->getJson("/api/v1/jobs/{$job->id}/schedule?slips=1")
            ->assertOk()
            ->json();
        // The rope and the days count the same hands.
        $steps = collect($this->getJson("/api/v1/jobs/{$job->id}/build")->json('steps'))->where('later', false);
        expect($schedule['handsMin'])
            ->toEqual($steps->sum(fn(array $s): float => ceil($s['minutes']['likely']) * $s['people']))
            ->and($schedule['aloneMin'])
            ->toEqual($steps->sum(fn(array $s): float => floor($s['unattendedMin'])));
        expect($schedule['tasks'])
            ->not->toBe([])
            ->and($schedule['from'])
            ->toStartWith('2026-12-07')
            ->and($schedule['ends'] >= $schedule['lowest'])
            ->toBeTrue()
            ->and($schedule['lateMin'])
            ->toBeGreaterThan(0);
        $this->putJson("/api/v1/jobs/{$job->id}/dates", [
            'comesOn' => '2026-12-07',
            'goesOn' => '2026-12-01',
        ])->assertStatus(422);
    });

    it('moves what waits for a part behind its arrival', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        approve($this, $job)->assertCreated();
        $from = '2026-12-07';
        $ends = fn(): string => $this->getJson("/api/v1/jobs/{$job->id}/schedule?from={$from}")->json('ends');
        $before = $ends();
        sendLog($this, $job, [logLine('arrival', '', ['key' => 'inverter', 'date' => '2026-12-16'])]);
        expect($ends() > $before)
            ->toBeTrue()
            ->and($ends() >= '2026-12-16')
            ->toBeTrue();
        sendLog($this, $job, [logLine('arrival', '', ['key' => 'inverter', 'here' => true])]);
        expect($ends())->toBe($before);
    });

    it('writes a calendar that a parser reads back: same stretches, same words', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        $this->putJson("/api/v1/jobs/{$job->id}/dates", ['comesOn' => '2026-12-07', 'goesOn' => null]);
        $schedule = $this->getJson("/api/v1/jobs/{$job->id}/schedule")->json();
        $text = $this->get("/api/v1/jobs/{$job->id}/calendar")
            ->assertOk()
            ->getContent();
        $read = Reader::read($text);
        expect($read->validate())->toBe([]);
        $spans = array_merge(...array_map(fn(array $t): array => $t['spans'], $schedule['tasks']));
        $long = array_filter($schedule['tasks'], fn(array $t): bool => $t['aloneMin'] >= 60);
        expect(count($read->VEVENT))->toBe(count($spans) + count($long));
        $first = $schedule['tasks'][0];
        $found = array_filter(
            iterator_to_array($read->VEVENT, false),
            fn($e): bool => (string) $e->SUMMARY === $first['title'],
        );
        expect(array_values($found)[0]->DTSTART->getDateTime()->format('Y-m-d\TH:i:s\Z'))->toBe(
            $first['spans'][0]['from'],
        );
    });

    it('prints labels on sheets and as a table', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Apprentice));
        $svg = $this->get("/api/v1/jobs/{$job->id}/labels?form=svg&stock=a4_24")->assertOk();
        expect(simplexml_load_string((string) $svg->getContent()))->not->toBeFalse();
        $csv = $this->get("/api/v1/jobs/{$job->id}/labels?form=csv")
            ->assertOk()
            ->getContent();
        expect(explode("\r\n", $csv)[0])->toStartWith('kind,where,title,line 1');
        $this->getJson("/api/v1/jobs/{$job->id}/labels?form=svg&stock=napkin")->assertStatus(422);
        $this->getJson("/api/v1/jobs/{$job->id}/labels?form=svg&page=90")->assertStatus(422);
    });

    it('puts jobs on the floor into bays, one after another where there is one', function (): void {
        $lead = $this->person(Role::Lead);
        $this->actingAs($lead);
        $this->person(Role::Technician);
        $this->person(Role::Apprentice);
        $jobs = [jobOf($lead), jobOf($lead)];
        foreach ($jobs as $job) {
            approve($this, $job)->assertCreated();
        }
        $hours = [
            'week' => [1 => [[480, 960]], 2 => [[480, 960]], 3 => [[480, 960]]],
            'latitude' => 40,
            'longitude' => -90,
        ];
        $this->putJson('/api/v1/workshop/hours', $hours + ['bays' => 1])->assertOk();
        [$one, $two] = $this->getJson('/api/v1/floor')->assertOk()->json('jobs');
        expect($two['tasks'][0]['from'] >= $one['ends'])->toBeTrue();
        $this->putJson('/api/v1/workshop/hours', $hours + ['bays' => 2])->assertOk();
        [$one, $two] = $this->getJson('/api/v1/floor')->json('jobs');
        expect($two['tasks'][0]['from'] < $one['ends'])
            ->toBeTrue()
            ->and($one['bay'])
            ->not->toBe($two['bay']);
        // Nobody does two things at once.
        $taken = [];
        foreach ([$one, $two] as $row) {
            foreach ($row['tasks'] as $task) {
                foreach ($task['people'] as $person) {
                    foreach ($task['spans'] as $span) {
                        foreach ($taken[$person] ?? [] as [$a, $b]) {
                            expect($span['to'] <= $a || $span['from'] >= $b)->toBeTrue();
                        }
                        $taken[$person][] = [$span['from'], $span['to']];
                    }
                }
            }
        }
    });

    it('draws the rig as far as it is built, and prints labels under a view of their own', function (): void {
        $job = jobOf($this->person(Role::Lead));
        $this->actingAs($this->person(Role::Lead));
        $built = $this->getJson("/api/v1/jobs/{$job->id}/as-built")->assertOk();
        expect($built->json('answer.wall.plates'))
            ->not->toBe([])
            ->and(array_unique(array_column($built->json('rows'), 'state')))
            ->toBe(['not yet']);
        $this->postJson("/api/v1/jobs/{$job->id}/sheets", ['view' => 'labels/p/a4_24', 'paper' => 'a4'])
            ->assertStatus(202)
            ->assertJsonPath('status', fn(string $status): bool => $status !== 'failed');
    });

    it('tells the floor how far the work is and what is done next', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        approve($this, $job)->assertCreated();
        $row = $this->getJson('/api/v1/jobs')->json('jobs.0');
        expect($row['stage'])->toBe('build')->and($row['done'])->toBe(0)->and($row['steps'])->toBeGreaterThan(5);
        $steps = collect($this->getJson("/api/v1/jobs/{$job->id}/build")->json('steps'));
        $gate = $steps->firstWhere('kind', 'materials');
        sendLog($this, $job, [logLine('override', $gate['id'], ['words' => 'sleeves come tomorrow'])]);
        $row = $this->getJson('/api/v1/jobs')->json('jobs.0');
        expect($row['done'])->toBe(1)->and($row['blocks'][0])->toContain('sleeves come tomorrow');
    });

    it('refuses hours that make no sense', function (): void {
        $this->actingAs($this->person(Role::Lead));
        $body = fn(array $week): array => ['week' => $week, 'latitude' => 40, 'longitude' => -90, 'bays' => 1];
        $this->putJson('/api/v1/workshop/hours', $body([1 => [[600, 480]]]))->assertStatus(422);
        $this->putJson('/api/v1/workshop/hours', $body([1 => [[480, 600], [540, 700]]]))->assertStatus(422);
        $this->putJson('/api/v1/workshop/hours', $body([9 => [[480, 600]]]))->assertStatus(422);
    });
});
