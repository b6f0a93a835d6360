<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use Tests\Rigs;

function standingJob(Tests\TestCase $test): RigJob
{
    $document = clone Rigs::demo('grafting');

    return app(Design::class)->create($test->person(Role::Lead), $document->title, 'travel_trailer', null, $document);
}

it('answers where things stand, and what moving one of them would do, without keeping it', function (): void {
    $job = standingJob($this);
    $this->actingAs($this->person(Role::Apprentice));
    $ask = fn(array $more = []): array => $this->postJson("/api/v1/jobs/{$job->id}/place", [
        'view' => 'panel/whole',
        ...$more,
    ])
        ->assertOk()
        ->json();
    $kept = $ask();
    expect($kept['scales'][0]['id'])->toBe('coupler')->and($kept['words']['level'])->toBe('danger');
    $moved = $ask(['moved' => ['bank' => ['xM' => 1.6, 'leftM' => 0.0, 'zone' => 'locker']]]);
    // 48.6 kg from 5.1 m to 1.6 m behind the coupler, over 4.35 m.
    expect($moved['scales'][0]['afterKg'] - $kept['scales'][0]['afterKg'])->toEqualWithDelta(
        (48.64 * (5.1 - 1.6)) / 4.35,
        1.0,
    );
    expect($ask())->toEqual($kept);
});

it('keeps a place as an edit that can be taken back, and refuses one that no rig has', function (): void {
    $job = standingJob($this);
    $this->actingAs($this->person(Role::Technician));
    $edit = fn(string $path, mixed $value): mixed => $this->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => (string) Illuminate\Support\Str::uuid(),
        'base' => $job->refresh()->head,
        'intent' => ['kind' => 'set_place', 'path' => $path, 'value' => $value],
    ]);
    $edit('/items/bank', ['zone' => 'locker', 'kg' => ['value' => 51.5, 'basis' => 'measured']])->assertSuccessful();
    expect($job->refresh()->revision($job->head)->decoded()->place->items->bank->zone)->toBe('locker');
    $edit('/zones/attic', ['label' => 'Attic', 'xM' => 400, 'widthM' => 1, 'depthM' => 1, 'heightM' => 1])
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', '/place/zones/attic/xM');
    $this->postJson("/api/v1/jobs/{$job->id}/undo", [
        'uuid' => (string) Illuminate\Support\Str::uuid(),
        'base' => $job->refresh()->head,
    ])->assertSuccessful();
    expect($job->refresh()->revision($job->head)->decoded()->place->items->bank->zone)->toBe('dinette');
});

it('says what is wrong with what is asked', function (array $body, string $at): void {
    $job = standingJob($this);
    $this->actingAs($this->person(Role::Lead));
    $this->postJson("/api/v1/jobs/{$job->id}/place", $body)
        ->assertUnprocessable()
        ->assertJsonPath('problems.0.pointer', $at);
})->with([
    'no such view' => [['view' => 'moon/whole'], '/view'],
    'off the rig' => [['view' => 'as_found', 'moved' => ['house' => ['xM' => 90]]], '/moved/house/xM'],
    'no place' => [['view' => 'as_found', 'moved' => ['house' => 'there']], '/moved/house'],
]);
