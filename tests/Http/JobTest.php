<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Revision;
use App\Models\RigJob;
use App\Models\Role;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Rigs;

it('opens a job, lists it, and shows it to its own workshop only', function (): void {
    $lead = $this->person(Role::Lead);
    $id = $this->actingAs($lead)
        ->postJson('/api/v1/jobs', ['title' => 'Seed trailer', 'kind' => 'travel_trailer', 'customer' => 'Quiet Acre'])
        ->assertCreated()
        ->json('id');
    $this->getJson('/api/v1/jobs')
        ->assertOk()
        ->assertJsonPath('jobs.0.title', 'Seed trailer')
        ->assertJsonPath('jobs.0.customer', 'Quiet Acre')
        ->assertJsonPath('jobs.0.stage', 'survey');
    $this->actingAs($this->person(Role::Lead, 'Other shop'))
        ->getJson("/api/v1/jobs/{$id}")
        ->assertNotFound();
    $this->getJson('/api/v1/jobs')->assertJsonCount(0, 'jobs');
});

it('lets each role do its part', function (Role $role, string $what, int $status): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person($role));
    $response = match ($what) {
        'open' => $this->postJson('/api/v1/jobs', ['title' => 'x', 'kind' => 'van']),
        'read' => $this->getJson("/api/v1/jobs/{$job->id}"),
        'survey' => postEdit($this, $job, 1, Sample::survey('c_air', '/label', 'Roof unit')),
        'plan' => postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel')),
        'export' => $this->get("/api/v1/jobs/{$job->id}/file"),
        default => $this->call(
            'POST',
            "/api/v1/jobs/{$job->id}/file?uuid=" . Str::uuid(),
            content: '{}',
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
        ),
    };
    expect($response->status())->toBe($status);
})->with([
    [Role::Lead, 'open', 201],
    [Role::Lead, 'plan', 200],
    [Role::Lead, 'survey', 200],
    [Role::Lead, 'import', 422],
    [Role::Technician, 'open', 201],
    [Role::Technician, 'plan', 200],
    [Role::Technician, 'survey', 200],
    [Role::Technician, 'export', 200],
    [Role::Apprentice, 'open', 403],
    [Role::Apprentice, 'plan', 403],
    [Role::Apprentice, 'survey', 200],
    [Role::Apprentice, 'read', 200],
    [Role::Apprentice, 'export', 200],
    [Role::Apprentice, 'import', 403],
]);

it('does nothing in another workshop, whatever the role', function (string $method, string $path): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Lead, 'Other shop'));
    $body = [
        'uuid' => (string) Str::uuid(),
        'base' => 1,
        'intent' => Sample::survey('c_air', '/label', 'x'),
        'view' => 'as_found',
        'paper' => 'a4',
    ];
    $this->json($method, str_replace('ID', (string) $job->id, $path), $body)->assertNotFound();
    expect($job->refresh()->head)->toBe(1);
})->with([
    ['GET', '/api/v1/jobs/ID'],
    ['POST', '/api/v1/jobs/ID/edits'],
    ['POST', '/api/v1/jobs/ID/undo'],
    ['GET', '/api/v1/jobs/ID/revisions'],
    ['GET', '/api/v1/jobs/ID/file'],
    ['POST', '/api/v1/jobs/ID/sheets'],
]);

it('answers an edit with its consequences', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $response = postEdit($this, $job, 1, Sample::move('c_converter', 'inverter_panel'))
        ->assertOk()
        ->assertJsonPath('revision', 2);
    $hash = collect($response->json('views'))->firstWhere('id', 'p/whole')['hash'];
    expect(array_column($response->json("answers.{$hash}.findings"), 'rule'))
        ->toContain('charging_loop')
        ->and($response->json('document.plans.p.changes.ch_c_converter_hot.by'))
        ->toBe('hand');
    // What the client has does not travel again.
    $again = $this->getJson("/api/v1/jobs/{$job->id}?want=p/whole&have={$hash}")->assertOk();
    expect($again->getContent())->toContain('"answers":{}');
});

it('does nothing twice for the same UUID', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $uuid = (string) Str::uuid();
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'), $uuid)->assertOk()->assertJsonPath('revision', 2);
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'), $uuid)->assertOk()->assertJsonPath('revision', 2);
    expect($job->refresh()->head)
        ->toBe(2)
        ->and($job->revisions()->count())
        ->toBe(2);
});

it('rebases a stale edit that touches something else', function (): void {
    $lead = $this->person(Role::Lead);
    $technician = $this->person(Role::Technician);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    $this->actingAs($technician);
    postEdit($this, $job, 1, Sample::move('c_fridge', 'inverter_panel'))->assertOk()->assertJsonPath('revision', 3);
    $document = $job->refresh()->revision(3)->decoded();
    // Both meant the next free slot; the later one got the one after.
    expect($document->plans->p->changes->ch_c_air_hot->value->slot)
        ->toBe(2)
        ->and($document->plans->p->changes->ch_c_fridge_hot->value->slot)
        ->toBe(3);
});

it('answers a stale edit of the same place with both values, and overwrites nothing', function (): void {
    $lead = $this->person(Role::Lead);
    $technician = $this->person(Role::Technician);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']))->assertOk();
    $this->actingAs($technician);
    $response = postEdit(
        $this,
        $job,
        1,
        Sample::set('main_fuse', '/ratingA', ['value' => 350, 'basis' => 'told']),
    )->assertStatus(409);
    expect($response->json('conflicts.0.yours.value.value'))
        ->toBe(350)
        ->and($response->json('conflicts.0.theirs.value.value'))
        ->toBe(300)
        ->and($response->json('conflicts.0.by'))
        ->toContain($lead->name)
        ->and($job->refresh()->head)
        ->toBe(2);
});

it('takes back one\'s own edits, one after the other', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $before = $job->revision(1)->decoded();
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    postEdit($this, $job, 2, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']))->assertOk();
    $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid()])
        ->assertOk()
        ->assertJsonPath('revision', 4);
    $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid()])
        ->assertOk()
        ->assertJsonPath('revision', 5);
    expect($job->refresh()->revision(5)->decoded() == $before)->toBeTrue();
    $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid()])->assertStatus(422);
});

it('makes again what was taken back, in turn, until somebody edits anew', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $go = fn(bool $redo) => $this->postJson("/api/v1/jobs/{$job->id}/undo", [
        'uuid' => (string) Str::uuid(),
        'redo' => $redo,
    ]);
    $go(true)->assertStatus(422)->assertJsonPath('message', fn(string $m): bool => str_contains($m, 'redo'));
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    postEdit($this, $job, 2, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']))->assertOk();
    $at = fn(int $n): stdClass => $job->revision($n)->decoded();
    $go(false)->assertOk();
    $go(false)->assertOk();
    expect($at(5) == $at(1))->toBeTrue();
    $go(true)->assertOk()->assertJsonPath('words', fn(string $w): bool => str_starts_with($w, 'made again: moved'));
    expect($at(6) == $at(2))->toBeTrue();
    $go(true)->assertOk();
    expect($at(7) == $at(3))->toBeTrue();
    $go(true)->assertStatus(422);
    // Undone once more after it was made again, and back.
    $go(false)->assertOk();
    $go(false)->assertOk();
    $go(true)->assertOk();
    expect($at(10) == $at(2))->toBeTrue();
    // A new edit ends it.
    postEdit($this, $job, 10, Sample::set('main_fuse', '/ratingA', ['value' => 350, 'basis' => 'told']))->assertOk();
    $go(true)->assertStatus(422);
    $go(false)->assertOk();
    $go(true)->assertOk();
    expect($at(13) == $at(11))->toBeTrue();
});

it('makes nothing again where somebody else has been since', function (): void {
    $lead = $this->person(Role::Lead);
    $technician = $this->person(Role::Technician);
    $job = jobOf($lead);
    $undo = fn(bool $redo) => $this->postJson("/api/v1/jobs/{$job->id}/undo", [
        'uuid' => (string) Str::uuid(),
        'redo' => $redo,
    ]);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']))->assertOk();
    $undo(false)->assertOk();
    $this->actingAs($technician);
    postEdit($this, $job, 3, Sample::set('main_fuse', '/ratingA', ['value' => 350, 'basis' => 'told']))->assertOk();
    $this->actingAs($lead);
    $undo(true)
        ->assertStatus(409)
        ->assertJsonPath('conflicts.0.by', fn(string $by): bool => str_contains($by, $technician->name));
    // Taken out again by whom it belongs to, it stands in nobody's way.
    $this->actingAs($technician);
    $undo(false)->assertOk();
    $this->actingAs($lead);
    $undo(true)->assertOk();
    expect($job->refresh()->revision(6)->decoded() == $job->revision(2)->decoded())->toBeTrue();
});

it('does not take back what somebody else has built upon', function (): void {
    $lead = $this->person(Role::Lead);
    $technician = $this->person(Role::Technician);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']))->assertOk();
    $this->actingAs($technician);
    postEdit($this, $job, 2, Sample::set('main_fuse', '/ratingA', ['value' => 350, 'basis' => 'told']))->assertOk();
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid()])
        ->assertStatus(409)
        ->assertJsonPath('conflicts.0.by', fn(string $by): bool => str_contains($by, $technician->name));
    expect($job->refresh()->head)->toBe(3);
});

it('goes back to an earlier revision as a new one, and keeps all of them', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid(), 'restore' => 1])
        ->assertOk()
        ->assertJsonPath('revision', 3);
    $this->getJson("/api/v1/jobs/{$job->id}/revisions")
        ->assertJsonCount(3, 'revisions')
        ->assertJsonPath('revisions.0.words', 'went back to revision 1');
    expect($job->refresh()->revision(3)->document)->toBe($job->revision(1)->document);
});

it('keeps the hash of every stored document true', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    foreach (Revision::all() as $revision) {
        expect(hash('sha256', $revision->document))->toBe($revision->sha256);
    }
});

it('exports and imports without losing anything', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $file = (string) $this->get("/api/v1/jobs/{$job->id}/file")
        ->assertOk()
        ->assertHeader('Content-Disposition')
        ->getContent();
    $empty = app(Design::class)->create($lead, 'Empty', 'van', null);
    $import = fn(RigJob $into, string $content): TestResponse => $this->call(
        'POST',
        "/api/v1/jobs/{$into->id}/file?uuid=" . Str::uuid(),
        content: $content,
        server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
    );
    $import($empty, $file)->assertOk();
    expect($empty->refresh()->revision($empty->head)->document)
        ->toBe($file)
        ->and($empty->title)
        ->toBe('Test rig');
    $import($empty, $file)
        ->assertStatus(422)
        ->assertJsonPath('message', fn(string $m): bool => str_contains($m, 'already has a history'));
});

it('stores nothing of a file that is wrong', function (string $content, string $pointer): void {
    $lead = $this->person(Role::Lead);
    $empty = app(Design::class)->create($lead, 'Empty', 'van', null);
    $this->actingAs($lead)
        ->call(
            'POST',
            "/api/v1/jobs/{$empty->id}/file?uuid=" . Str::uuid(),
            content: $content,
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
        )
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', $pointer);
    expect($empty->refresh()->head)
        ->toBe(1)
        ->and(Revision::query()->where('rig_job_id', $empty->id)->count())
        ->toBe(1);
})->with([
    'no JSON' => ['not json at all', ''],
    'an array' => ['[]', ''],
    'newer' => ['{"hollin":"job","format":99}', '/format'],
    'nested' => [str_repeat('[', 500) . str_repeat(']', 500), ''],
    'markup for a choice' => [
        str_replace('"form": "inlet"', '"form": "<b>inlet</b>"', JobFile::write(Rigs::job())),
        '/asFound/components/inlet/form',
    ],
]);

it('refuses an edit with where and what, and stores nothing', function (mixed $intent, string $pointer): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/edits", ['uuid' => (string) Str::uuid(), 'base' => 1, 'intent' => $intent])
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', $pointer);
    expect($job->refresh()->head)->toBe(1);
})->with([
    'a sentence' => ['move it', '/intent'],
    'unknown' => [['kind' => 'drop_tables'], '/intent/kind'],
    'wrong kind of kind' => [['kind' => ['a']], '/intent/kind'],
    'negative length' => [
        [
            'kind' => 'survey_set',
            'component' => 'ld_house',
            'path' => '/cable/lengthM',
            'value' => ['value' => -1, 'basis' => 'told'],
        ],
        '/asFound/components/ld_house/cable/lengthM/value',
    ],
    'quick entry nonsense' => [
        ['kind' => 'add_circuits', 'panel' => 'main_panel', 'lines' => "20 bath 12/2 #3b\nforty two"],
        '/lines/2',
    ],
]);

it('takes a base that never was for what it is', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    postEdit($this, $job, 99, Sample::move('c_air', 'inverter_panel'))->assertNotFound();
});
