<?php

declare(strict_types=1);

use App\Actions\Answers;
use App\Actions\Design;
use App\Models\Role;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use Tests\Rigs;

it('computes an answer once and keeps it by its hash', function (): void {
    $document = Rigs::job(Sample::choose('in_line'));
    $hash = (new JobAnswers($document))->views[1]['hash'];
    $store = Cache::store('answers');
    expect($store->get("answer:{$hash}"))->toBeNull();
    $first = (new Answers())->json($document, ['p/whole'], []);
    expect($store->get("answer:{$hash}"))->toBeString();
    // What is kept is what is told: a marked copy shows up again.
    $store->put("answer:{$hash}", '{"marked":true}', 60);
    expect((new Answers())->json($document, ['p/whole'], []))
        ->toContain('{"marked":true}')
        ->and($first)
        ->not->toContain('marked');
});

it('sends only what is wanted and not had', function (): void {
    $document = Rigs::job(Sample::choose('in_line'));
    $decode = fn(array $want, array $have): array => json_decode((new Answers())->json($document, $want, $have), true);
    $all = $decode(['as_found', 'p/whole'], []);
    expect(array_keys($all['answers']))
        ->toHaveCount(2)
        ->and(array_column($all['views'], 'id'))
        ->toBe(['as_found', 'p/whole']);
    $found = $all['views'][0]['hash'];
    expect(array_keys($decode(['as_found'], [])['answers']))
        ->toBe([$found])
        ->and($decode(['as_found'], [$found])['answers'])
        ->toBe([])
        ->and($decode(['no_such_view'], [])['answers'])
        ->toBe([]);
});

it('keeps an empty map a map on its way to the client', function (): void {
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'Empty', 'van', null);
    $content = (string) $this->actingAs($lead)
        ->getJson("/api/v1/jobs/{$job->id}?want=as_found")
        ->assertOk()
        ->getContent();
    expect($content)
        ->toContain('"components":{}')
        ->toContain('"plans":{}')
        ->toContain('"plates":{}')
        ->toContain('"scenarios":{}');
});

it('shows an earlier revision as it was', function (): void {
    $lead = $this->person(Role::Lead);
    $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/edits", [
            'uuid' => (string) Str::uuid(),
            'base' => 1,
            'intent' => Sample::survey('c_air', '/label', 'Roof unit'),
        ])
        ->assertOk();
    $this->getJson("/api/v1/jobs/{$job->id}?revision=1&want=none")
        ->assertJsonPath('document.asFound.components.c_air.label', 'Air conditioner')
        ->assertJsonPath('head', 2);
    $this->getJson("/api/v1/jobs/{$job->id}?want=none")->assertJsonPath(
        'document.asFound.components.c_air.label',
        'Roof unit',
    );
    $this->getJson("/api/v1/jobs/{$job->id}?revision=77")->assertNotFound();
});

describe('requests that are wrong', function (): void {
    it('are answered in JSON with where and what', function (
        string $method,
        string $path,
        array $body,
        int $status,
        ?string $pointer,
    ): void {
        $lead = $this->person(Role::Lead);
        $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
        $response = $this->actingAs($lead)->json($method, str_replace('ID', (string) $job->id, $path), $body);
        $response->assertStatus($status)->assertJsonStructure(['message']);
        if ($pointer !== null) {
            $response->assertJsonPath('problems.0.pointer', $pointer);
        }
        expect($job->refresh()->head)->toBe(1);
    })->with([
        'no such place' => ['GET', '/api/v1/moon', [], 404, null],
        'no such job' => ['GET', '/api/v1/jobs/4242', [], 404, null],
        'a job that is no number' => ['GET', '/api/v1/jobs/one', [], 404, null],
        'the wrong method' => ['PUT', '/api/v1/jobs', [], 405, null],
        'a job without a title' => ['POST', '/api/v1/jobs', ['kind' => 'van'], 422, '/title'],
        'a job of no known kind' => ['POST', '/api/v1/jobs', ['title' => 'x', 'kind' => 'rocket'], 422, '/kind'],
        'a title without end' => [
            'POST',
            '/api/v1/jobs',
            ['title' => str_repeat('x', 500), 'kind' => 'van'],
            422,
            '/title',
        ],
        'an edit without a UUID' => [
            'POST',
            '/api/v1/jobs/ID/edits',
            ['base' => 1, 'intent' => ['kind' => 'set_title', 'title' => 'x']],
            422,
            '/uuid',
        ],
        'an edit with a made-up UUID' => [
            'POST',
            '/api/v1/jobs/ID/edits',
            ['uuid' => 'x', 'base' => 1, 'intent' => ['kind' => 'set_title', 'title' => 'x']],
            422,
            '/uuid',
        ],
        'an edit on no base' => [
            'POST',
            '/api/v1/jobs/ID/edits',
            [
                'uuid' => '3f1d6d1e-8d3a-4a53-9a3b-0d4f6f6b2a11',
                'base' => 0,
                'intent' => ['kind' => 'set_title', 'title' => 'x'],
            ],
            422,
            '/base',
        ],
        'an edit without an intent' => [
            'POST',
            '/api/v1/jobs/ID/edits',
            ['uuid' => '3f1d6d1e-8d3a-4a53-9a3b-0d4f6f6b2a11', 'base' => 1],
            422,
            '/intent',
        ],
        'an undo without a UUID' => ['POST', '/api/v1/jobs/ID/undo', [], 422, '/uuid'],
        'a sheet on papyrus' => [
            'POST',
            '/api/v1/jobs/ID/sheets',
            ['view' => 'as_found', 'paper' => 'papyrus'],
            422,
            '/paper',
        ],
        'a sheet of a strange view' => [
            'POST',
            '/api/v1/jobs/ID/sheets',
            ['view' => '../etc', 'paper' => 'a4'],
            422,
            '/view',
        ],
    ]);

    it('show nothing of the inside', function (): void {
        $response = $this->actingAs($this->person(Role::Lead))->getJson('/api/v1/jobs/4242');
        expect((string) $response->getContent())->not->toContain(base_path())->not->toContain('vendor');
    });

    it('survive a body that is no JSON', function (): void {
        $lead = $this->person(Role::Lead);
        $job = app(Design::class)->create($lead, 'x', 'van', null, Rigs::job());
        $this->actingAs($lead)
            ->call(
                'POST',
                "/api/v1/jobs/{$job->id}/edits",
                content: '{"uuid": ',
                server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
            )
            ->assertStatus(422);
        $this->call(
            'POST',
            "/api/v1/jobs/{$job->id}/edits",
            content: str_repeat('[', 5000),
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
        )->assertStatus(422);
    });
});

it('lists at most the latest jobs, the last changed first', function (): void {
    $lead = $this->person(Role::Lead);
    foreach (['First', 'Second', 'Third'] as $i => $title) {
        $this->travelTo(now()->addMinutes($i));
        app(Design::class)->create(
            $lead,
            $title,
            'van',
            null,
            $i === 1 ? Rigs::job(['kind' => 'remove_plan', 'plan' => 'p']) : null,
        );
    }
    $rows = $this->actingAs($lead)->getJson('/api/v1/jobs')->json('jobs');
    expect(array_column($rows, 'stage'))
        ->toBe(['survey', 'plan', 'survey'])
        ->and($rows[0]['title'])
        ->toBe('Third');
});

it('opens a customer once by name', function (): void {
    $lead = $this->person(Role::Lead);
    $this->actingAs($lead);
    foreach ([1, 2] as $n) {
        $this->postJson('/api/v1/jobs', [
            'title' => "Rig {$n}",
            'kind' => 'van',
            'customer' => 'Quiet Acre',
        ])->assertCreated();
    }
    expect($lead->workshop->customers()->count())->toBe(1);
});
