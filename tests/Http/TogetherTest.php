<?php

declare(strict_types=1);

use App\Models\Role;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Carbon;

/** @param array<string, mixed> $more */
function hereBody(string $tab, int $revision, array $more = []): array
{
    return ['tab' => $tab, 'revision' => $revision, 'place' => 'plan'] + $more;
}

it('shows who else has the job open and what they changed', function (): void {
    $lead = $this->person(Role::Lead);
    $technician = $this->person(Role::Technician);
    $job = jobOf($lead);
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/here", hereBody('one', 1, ['about' => 'c_air']))
        ->assertOk()
        ->assertJsonPath('people', []);
    $this->actingAs($technician);
    postEdit($this, $job, 1, Sample::survey('c_air', '/label', 'Roof unit'))->assertOk();
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('two', 2))
        ->assertOk()
        ->assertJsonPath('people.0.name', $lead->name)
        ->assertJsonPath('people.0.about', 'c_air')
        ->assertJsonPath('changes', []);
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/here", hereBody('one', 1))
        ->assertOk()
        ->assertJsonPath('head', 2)
        ->assertJsonPath('changes.0.by', $technician->name)
        ->assertJsonPath('people.0.name', $technician->name);
});

it('forgets a page that left, and one that fell silent', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('one', 1))->assertOk();
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('two', 1))
        ->assertJsonCount(1, 'people')
        ->assertJsonPath('people.0.self', true);
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('one', 1, ['leaving' => true]))->assertOk();
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('two', 1))->assertJsonCount(0, 'people');
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('three', 1))->assertJsonCount(1, 'people');
    $this->travelTo(Carbon::now()->addSeconds(20));
    $this->postJson("/api/v1/jobs/{$job->id}/here", hereBody('four', 1))->assertJsonCount(0, 'people');
});

it('lets a program in with a token, reading only unless it may write', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $reads = $this->postJson('/api/v1/tokens', ['name' => 'wall display'])
        ->assertCreated()
        ->json('text');
    $writes = $this->postJson('/api/v1/tokens', ['name' => 'intake', 'writes' => true])
        ->assertCreated()
        ->json('text');
    $this->getJson('/api/v1/tokens')
        ->assertJsonCount(2, 'tokens')
        ->assertJsonPath('tokens.0.writes', false)
        ->assertJsonMissing(['text' => $reads]);
    auth()->forgetGuards();
    $as = fn(string $token): array => ['Authorization' => "Bearer {$token}"];
    $edit = [
        'uuid' => (string) Illuminate\Support\Str::uuid(),
        'base' => 1,
        'intent' => Sample::survey('c_air', '/label', 'Roof unit'),
    ];
    $this->getJson("/api/v1/jobs/{$job->id}", $as($reads))
        ->assertOk()
        ->assertJsonPath('revision', 1);
    auth()->forgetGuards();
    $this->postJson("/api/v1/jobs/{$job->id}/states", ['view' => 'as_found'], $as($reads))->assertOk();
    auth()->forgetGuards();
    $this->postJson("/api/v1/jobs/{$job->id}/edits", $edit, $as($reads))->assertForbidden();
    auth()->forgetGuards();
    $this->postJson("/api/v1/jobs/{$job->id}/edits", $edit, $as($writes))
        ->assertOk()
        ->assertJsonPath('revision', 2);
    auth()->forgetGuards();
    $this->postJson('/api/v1/tokens', ['name' => 'another'], $as($writes))->assertForbidden();
    auth()->forgetGuards();
    $this->getJson('/api/v1/jobs', $as('1|nonsense'))->assertUnauthorized();
});

it('takes a token back', function (): void {
    $lead = $this->person(Role::Lead);
    $this->actingAs($lead);
    $made = $this->postJson('/api/v1/tokens', ['name' => 'x'])->assertCreated();
    $this->actingAs($this->person(Role::Lead, 'Other shop'))
        ->deleteJson("/api/v1/tokens/{$made->json('token.id')}")
        ->assertNotFound();
    $this->actingAs($lead)
        ->deleteJson("/api/v1/tokens/{$made->json('token.id')}")
        ->assertNoContent();
    auth()->forgetGuards();
    $this->getJson('/api/v1/jobs', ['Authorization' => 'Bearer ' . $made->json('text')])->assertUnauthorized();
});
