<?php

declare(strict_types=1);

use App\Jobs\RankLooks;
use App\Models\Role;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Facades\Queue;

it('asks for the ranking once, and has it when the worker has been', function (): void {
    Queue::fake();
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $at = "/api/v1/jobs/{$job->id}/looks";
    $this->getJson($at)->assertOk()->assertJsonPath('status', 'working')->assertJsonPath('looks', []);
    $this->getJson($at)->assertOk();
    $asked = [];
    Queue::assertPushed(RankLooks::class, function (RankLooks $work) use (&$asked): bool {
        $asked[] = $work;

        return true;
    });
    expect(count($asked))->toBe(1);
    $asked[0]->handle();
    // A few at a time: each turn asks for the next until all are tried.
    for ($turn = 1; $turn < 60 && $this->getJson($at)->json('status') === 'working'; $turn++) {
        Queue::assertPushed(RankLooks::class, function (RankLooks $work) use (&$asked): bool {
            in_array($work, $asked, true) || ($asked[] = $work);

            return true;
        });
        $asked[count($asked) - 1]->handle();
    }
    $done = $this->getJson($at)->assertOk()->assertJsonPath('status', 'done')->assertJsonPath('all', true);
    expect($done->json('looks.0.weight'))->toBeGreaterThan(0)->and($done->json('looks.0.reason'))->not->toBe('');
    // A value confirmed is another survey.
    $this->actingAs($this->person(Role::Lead));
    $look = $done->json('looks.0');
    postEdit($this, $job, 1, [
        'kind' => 'survey_confirm',
        'basis' => 'measured',
        'values' => [['component' => $look['component'], 'path' => $look['what']]],
    ])->assertOk();
    $this->getJson($at)->assertJsonPath('status', 'working');
});

it('ranks no survey that has moved on', function (): void {
    Queue::fake();
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $at = "/api/v1/jobs/{$job->id}/looks";
    $pushed = function (): array {
        $asked = [];
        Queue::assertPushed(RankLooks::class, function (RankLooks $work) use (&$asked): bool {
            $asked[] = $work;

            return true;
        });

        return $asked;
    };
    $breaker = fn(int $on, int $amps) => postEdit(
        $this,
        $job,
        $on,
        Sample::survey('c_air', '/breakerA', ['value' => $amps, 'basis' => 'read_off']),
    )->assertOk();
    $this->getJson($at)->assertJsonPath('status', 'working');
    // A title changes no answer: the ranking goes on.
    postEdit($this, $job, 1, ['kind' => 'set_title', 'title' => 'Another title'])->assertOk();
    $pushed()[0]->handle();
    $so = $this->getJson($at);
    expect($so->json('status') === 'done' || $so->json('percent') > 0)->toBeTrue();
    $breaker(2, 15);
    $this->getJson($at);
    $asked = $pushed();
    $breaker(3, 20);
    $asked[count($asked) - 1]->handle();
    expect(count($pushed()))->toBe(count($asked));
    // Whoever goes back to it asks anew, and is told.
    $breaker(4, 15);
    $this->getJson($at)->assertJsonPath('status', 'working')->assertJsonPath('percent', 0);
    expect(count($pushed()))->toBe(count($asked) + 1);
});

it('keeps what the walk round found, with its photograph', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $walk = fn(array $more) => ['kind' => 'set_walk'] + $more;
    postEdit(
        $this,
        $job,
        1,
        $walk(['item' => 'tug', 'verdict' => 'fault', 'note' => 'neutral of 4 came out', 'by' => 'W']),
    )
        ->assertOk()
        ->assertJsonPath('document.asFound.walk.tug.verdict', 'fault')
        ->assertJsonPath('document.asFound.walk.tug.note', 'neutral of 4 came out');
    postEdit($this, $job, 2, $walk(['item' => 'moon', 'verdict' => 'sound']))->assertStatus(422);
    postEdit($this, $job, 2, $walk(['item' => 'tug', 'verdict' => 'fine']))->assertStatus(422);
    $photo = Illuminate\Http\UploadedFile::fake()->image('lug.jpg', 40, 30);
    $this->post("/api/v1/jobs/{$job->id}/photos", ['photo' => $photo, 'component' => 'walk.tug'])->assertCreated();
    $this->post(
        "/api/v1/jobs/{$job->id}/photos",
        ['photo' => $photo, 'component' => 'walk.moon'],
        [
            'Accept' => 'application/json',
        ],
    )->assertStatus(422);
    postEdit($this, $job, 2, $walk(['item' => 'tug', 'verdict' => '']))
        ->assertOk()
        ->assertJsonMissingPath('document.asFound.walk.tug');
});
