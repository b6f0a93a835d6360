<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

function switchedJob(User $user): RigJob
{
    $document = Rigs::job(Sample::alone('transfer_whole', ['delayS' => 12]));

    return app(Design::class)->create($user, $document->title, 'travel_trailer', null, $document);
}

it('tells the story of a control set by hand', function (): void {
    $job = switchedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $said = $this->postJson("/api/v1/jobs/{$job->id}/states", [
        'view' => 'p/whole',
        'controls' => ['inlet.plug' => 's30', 'inverter.mode' => 'on'],
        'running' => ['c_fridge.element'],
    ])->assertOk();
    $story = $said->json('story');
    expect($story[0]['atS'])
        ->toEqual(2)
        ->and($story[0]['words'][0])
        ->toContain('inverting')
        ->and($story[1]['atS'])
        ->toEqual(12)
        ->and(implode(' ', $story[1]['words']))
        ->toContain('on input A')
        ->toContain('works from Shore')
        ->and($said->json('flow.volts.c_fridge'))
        ->toBeGreaterThan(110)
        ->and($said->json('flow.amps'))
        ->toHaveKey('c_fridge.hot');
});

it('shows what a meter would', function (array $asked, array $shown): void {
    $job = switchedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Technician));
    $reading = $this->postJson("/api/v1/jobs/{$job->id}/probe", $asked + ['view' => 'p/whole'])
        ->assertOk()
        ->json();
    foreach ($shown as $key => $value) {
        is_float($value)
            ? expect($reading[$key])->toEqualWithDelta($value, 1.0)
            : expect($reading[$key])->toContain($value);
    }
})->with([
    'volts at an outlet' => [
        ['function' => 'ac_volts', 'a' => 'c_outlets.l', 'b' => 'c_outlets.n', 'controls' => ['inverter.mode' => 'on']],
        ['kind' => 'number', 'value' => 120.0],
    ],
    'ohms on a live bus' => [
        [
            'function' => 'ohms',
            'a' => 'main_panel.bus',
            'b' => 'main_panel.neutral_bar',
            'controls' => ['inverter.mode' => 'on'],
        ],
        ['kind' => 'hazard', 'words' => 'live'],
    ],
    'a tester on a reversed, bootlegged pedestal' => [
        [
            'function' => 'plug_tester',
            'a' => 'c_outlets',
            'controls' => ['inlet.plug' => 's30'],
            'surroundings' => ['shore.condition' => 'bootleg'],
        ],
        ['words' => 'says correct'],
    ],
    'a detector on its skin' => [
        [
            'function' => 'detector',
            'a' => 'frame',
            'controls' => ['inlet.plug' => 's30'],
            'surroundings' => ['shore.condition' => 'bootleg'],
        ],
        ['words' => 'lights'],
    ],
]);

it('refuses what the rig does not have, and says what it has', function (
    array $body,
    string $pointer,
    string $said,
): void {
    $job = switchedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->postJson(
        "/api/v1/jobs/{$job->id}/probe",
        $body + ['view' => 'p/whole', 'function' => 'ac_volts', 'a' => 'frame', 'b' => 'earth'],
    )
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', $pointer)
        ->assertJsonPath('problems.0.message', fn(string $m): bool => str_contains($m, $said));
})->with([
    [['view' => 'nowhere'], '/view', 'not a view'],
    [['controls' => ['the_moon' => 'full']], '/controls/the_moon', 'there is: '],
    [['controls' => ['inlet.plug' => 's90']], '/controls/inlet.plug', 'it has: out, s30'],
    [['surroundings' => ['shore.condition' => 'haunted']], '/surroundings/shore.condition', 'reversed'],
    [['running' => ['c_air.dragon']], '/running/0', 'not a load'],
    [['a' => '<script>'], '/a', 'not a terminal'],
    [['function' => 'x_ray'], '/function', 'must be one of'],
]);

it('gives a netlist, and none where sources are joined', function (): void {
    $job = switchedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $deck = $this->postJson("/api/v1/jobs/{$job->id}/netlist?side=ac", [
        'view' => 'p/whole',
        'controls' => ['inverter.mode' => 'on'],
        'running' => ['c_fridge.element'],
    ])
        ->assertOk()
        ->getContent();
    expect($deck)->toStartWith('*')->toContain('ac lin 1 60 60')->toContain('c_fridge.element')->toEndWith(".end\n");
    $document = Rigs::job(
        ['kind' => 'survey_remove', 'component' => 'c_water'],
        Sample::alone('back_fed', ['interlocked' => false]),
    );
    $joined = app(Design::class)->create($this->person(Role::Lead), 'x', 'van', null, $document);
    $this->postJson("/api/v1/jobs/{$joined->id}/netlist?side=ac", [
        'view' => 'p/whole',
        'controls' => ['inverter.mode' => 'on', 'inlet.plug' => 's30', 'main_panel.backfeed_breaker' => 'on'],
    ])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.message', fn(string $m): bool => str_contains($m, 'no common phase'));
});

it('keeps other workshops out', function (string $what): void {
    $job = switchedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead, 'Other shop'));
    $this->postJson("/api/v1/jobs/{$job->id}/{$what}", [
        'view' => 'p/whole',
        'function' => 'ac_volts',
        'a' => 'frame',
        'b' => 'earth',
        'tab' => 't',
        'revision' => 1,
        'place' => 'plan',
    ])->assertNotFound();
})->with(['states', 'probe', 'netlist', 'here']);
