<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Tests\Rigs;

function ruledJob(User $user): RigJob
{
    return app(Design::class)->create($user, 'Ruled', 'travel_trailer', null, clone Rigs::demo('bellows'));
}

it('gives a ruler for every conductor, and what another length would make of one', function (): void {
    $job = ruledJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice));
    $ask = fn(array $more): array => $this->postJson("/api/v1/jobs/{$job->id}/rulers", $more + ['view' => 'road/whole'])
        ->assertOk()
        ->json('rows');
    $now = array_column($ask([]), null, 'component');
    expect(count($now))->toBeGreaterThan(30);
    $part = $now['ld_engine_fuse'] ?? reset($now);
    $try = ['component' => $part['component'], 'place' => $part['place']];
    $twice = array_column($ask($try + ['lengthM' => 2 * $part['lengthM']]), null, 'component')[$part['component']];
    expect($twice['lengthM'])->toEqualWithDelta(2 * $part['lengthM'], 1e-9);
    $thick = array_column($ask($try + ['size' => 'awg:2/0']), null, 'component')[$part['component']];
    expect($thick['ampacityA'])
        ->toBeGreaterThan($part['ampacityA'])
        ->and($thick['dropV'])
        ->toBeLessThan($part['dropV'] + 1e-9);
    expect($job->refresh()->head)->toBe(1);
});

it('says what is wrong with what is tried', function (array $body, string $at): void {
    $job = ruledJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->postJson("/api/v1/jobs/{$job->id}/rulers", $body + ['view' => 'road/whole'])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', $at);
})->with([
    'no such view' => [['view' => 'moon/whole'], '/view'],
    'no length' => [['component' => 'ld_house', 'place' => 'cable', 'lengthM' => -3], '/lengthM'],
    'no such place' => [['component' => 'ld_house', 'place' => 'attic'], '/place'],
]);

it('refuses a size there is none of and a part that is not there, and stores nothing', function (array $body): void {
    $job = ruledJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->postJson(
        "/api/v1/jobs/{$job->id}/rulers",
        $body + ['view' => 'road/whole', 'place' => 'cable'],
    )->assertUnprocessable();
    expect($job->refresh()->head)->toBe(1);
})->with([[['component' => 'ld_house', 'size' => 'awg:banana']], [['component' => 'ghost', 'lengthM' => 2]]]);
