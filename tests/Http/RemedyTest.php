<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Str;
use Tests\Rigs;

function plannedJob(User $user): RigJob
{
    $document = Rigs::job(Sample::choose('in_line', ['converter' => 'left']));

    return app(Design::class)->create($user, $document->title, 'travel_trailer', null, $document);
}

it('offers what helps against a finding, ready to be posted', function (): void {
    $job = plannedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $design = $this->getJson("/api/v1/jobs/{$job->id}?want=p/whole")
        ->assertOk()
        ->json();
    $loop = array_values(
        array_filter(reset($design['answers'])['findings'], fn(array $f): bool => $f['rule'] === 'starts_by_itself'),
    )[0];
    $offers = $this->getJson("/api/v1/jobs/{$job->id}/remedies?view=p/whole&finding={$loop['id']}")
        ->assertOk()
        ->json();
    expect($offers[0]['label'])
        ->toBe('Switch Air conditioner off by hand when inverting')
        ->and($offers[0]['workWords'])
        ->toContain('remember')
        ->and($offers[0]['intent']['plan'])
        ->toBe('p');
    $this->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => (string) Str::uuid(),
        'base' => 1,
        'intent' => $offers[0]['intent'],
    ])
        ->assertOk()
        ->assertJsonPath('revision', 2);
});

it('knows of nothing else', function (string $query): void {
    $job = plannedJob($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead));
    $this->getJson("/api/v1/jobs/{$job->id}/remedies?{$query}")
        ->assertNotFound()
        ->assertJsonPath('message', 'There is no such finding in that view.');
})->with(['view=p/whole&finding=x', 'view=nowhere&finding=x', '', 'view[]=p&finding[]=x']);
