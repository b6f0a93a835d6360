<?php

declare(strict_types=1);

use App\Exceptions\DatabaseTrouble;
use App\Models\AuditEntry;
use App\Models\LogEntry;
use App\Models\RigJob;
use App\Models\Role;
use Hollin\Core\Build\Gates;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\TestCase;

/* Lines of the logbook that nobody may write, and lines that nobody can store. Both keep no other line out. */

const WHY = 'the sleeves come tomorrow, the bar stays covered until then';

/** @return array{RigJob, array<string, array<string, mixed>>} a job that is approved, its steps by kind */
function builtJob(TestCase $test): array
{
    $lead = $test->person(Role::Lead);
    $job = jobOf($lead);
    $test->actingAs($lead);
    approve($test, $job)->assertCreated();

    $steps = $test->getJson("/api/v1/jobs/{$job->id}/build")->json('steps');

    return [$job, collect($steps)->keyBy('kind')->all()];
}

/** How a step stands. @return array<string, mixed> */
function stateOf(TestCase $test, RigJob $job, string $step): array
{
    return $test->getJson("/api/v1/jobs/{$job->id}/build")->json('states')[$step];
}

it('takes from nobody that volts are dead, whoever says so and in whatever words', function (): void {
    [$job, $steps] = builtJob($this);
    $dead = $steps['prove_dead'];
    $point = collect($dead['asks'])->firstWhere('kind', 'number');
    foreach ([Role::Lead, Role::Technician, Role::Apprentice] as $role) {
        $this->actingAs($this->person($role));
        foreach (['isolate', 'prove_dead', 'ohms', 'main_fuse'] as $kind) {
            foreach (['asdf', WHY] as $words) {
                $line = logLine('override', $steps[$kind]['id'], ['words' => $words]);
                $said = sendLog($this, $job, [$line])->assertOk();
                expect($said->json('taken'))
                    ->toBe([])
                    ->and($said->json('refused.0.problems.0.message'))
                    ->toBe(Gates::ABSOLUTE);
            }
        }
    }
    $this->actingAs($this->person(Role::Technician));
    sendLog($this, $job, [
        logLine('value', $dead['id'], ['ask' => $point['id'], 'number' => 118.7]),
        logLine('done', $dead['id'], ['mark' => $dead['mark']]),
    ])
        ->assertOk()
        ->assertJsonCount(1, 'taken')
        ->assertJsonPath('refused.0.problems.0.message', fn(string $m): bool => str_contains($m, 'still waits for'));
    expect(stateOf($this, $job, $dead['id']))->status->toBe('waiting')->doneAt->toBeNull();
});

it('lets a lead pass another gate, with a reason of substance, in the audit log, and nobody else', function (): void {
    [$job, $steps] = builtJob($this);
    $gate = $steps['materials'];
    foreach ([Role::Technician, Role::Apprentice] as $role) {
        $this->actingAs($this->person($role));
        sendLog($this, $job, [logLine('override', $gate['id'], ['words' => WHY])])
            ->assertOk()
            ->assertJsonPath('taken', [])
            ->assertJsonPath('refused.0.problems.0.pointer', '/entries/0/kind');
    }
    $this->actingAs($this->person(Role::Lead));
    sendLog($this, $job, [logLine('override', $gate['id'], ['words' => 'asdf'])])
        ->assertOk()
        ->assertJsonPath('refused.0.problems.0.pointer', '/entries/0/says/words');
    expect(AuditEntry::query()->where('what', 'gate_passed')->count())->toBe(0);
    sendLog($this, $job, [logLine('override', $gate['id'], ['words' => WHY])])->assertJsonCount(1, 'taken');
    $entry = AuditEntry::query()->where('what', 'gate_passed')->sole();
    expect($entry->about)
        ->toMatchArray(['job' => $job->id, 'gate' => $gate['title'], 'why' => WHY])
        ->and($entry->about['read'])
        ->toContain('not recorded')
        ->and(stateOf($this, $job, $gate['id'])['status'])
        ->toBe('overridden');
});

it('passes no gate that waits, and takes no source before its turn', function (): void {
    [$job, $steps] = builtJob($this);
    $states = $steps['prove_states'];
    sendLog($this, $job, [logLine('override', $states['id'], ['words' => WHY])])
        ->assertJsonPath('taken', [])
        ->assertJsonPath('refused.0.problems.0.message', fn(string $m): bool => str_contains($m, 'still waits for'));
    [$first, $second] = $steps['isolate']['asks'];
    $tick = fn(array $ask): array => logLine('value', $steps['isolate']['id'], ['ask' => $ask['id'], 'tick' => true]);
    sendLog($this, $job, [$tick($second)])
        ->assertJsonPath('taken', [])
        ->assertJsonPath('refused.0.problems.0.message', "First: {$first['words']}.");
    sendLog($this, $job, [$tick($first), $tick($second)])->assertJsonCount(2, 'taken');
});

it('takes another way of opening from a technician, in a sentence', function (): void {
    [$job, $steps] = builtJob($this);
    $ask = collect($steps['isolate']['asks'])->first(fn(array $a): bool => $a['otherwise'] !== '');
    $way = fn(string $words): array => logLine('value', $steps['isolate']['id'], [
        'ask' => $ask['otherwise'],
        'words' => $words,
    ]);
    // What comes before it in turn.
    $first = [];
    foreach ($steps['isolate']['asks'] as $before) {
        if ($before['id'] === $ask['id']) {
            break;
        }
        $first[] = logLine('value', $steps['isolate']['id'], ['ask' => $before['id'], 'tick' => true]);
    }
    sendLog($this, $job, $first)->assertJsonCount(count($first), 'taken');
    $this->actingAs($this->person(Role::Apprentice));
    sendLog($this, $job, [$way('cord lifted at the splice box and capped')])->assertJsonPath('taken', []);
    $this->actingAs($this->person(Role::Technician));
    sendLog($this, $job, [$way('asdf')])->assertJsonPath('taken', []);
    sendLog($this, $job, [$way('cord lifted at the splice box and capped')])->assertJsonCount(1, 'taken');
});

it('answers each bad line by itself, and keeps its neighbours', function (array $bad, string $pointer): void {
    [$job, $steps] = builtJob($this);
    $note = fn(string $words): array => logLine('note', $steps['baseline']['id'], ['words' => $words]);
    $line = array_replace_recursive($note('bad'), $bad);
    $line['says'] = (object) ($line['says'] instanceof stdClass ? (array) $line['says'] : $line['says']);
    $said = sendLog($this, $job, [$note('one'), $line, $note('two')])->assertOk();
    expect($said->json('taken'))
        ->toHaveCount(2)
        ->and($said->json('refused'))
        ->toHaveCount(1)
        ->and($said->json('refused.0.problems.0.pointer'))
        ->toBe("/entries/1{$pointer}")
        ->and(LogEntry::query()->pluck('number')->all())
        ->toBe([1, 2]);
})->with([
    'a step that is not there' => [['step' => 'whole.hole.nowhere'], '/step'],
    'a step with a null character' => [['step' => "whole.hole\0x"], '/step'],
    'a step that is a number' => [['step' => 7], '/step'],
    'a day that is none' => [['at' => '2026-02-30T09:00:00Z'], '/at'],
    'an hour that is none' => [['at' => '2026-02-20T24:61:00Z'], '/at'],
    'the year nought' => [['at' => '0000-01-01T00:00:00Z'], '/at'],
    'a line behind its time' => [['at' => "2026-11-27T09:00:00Z\n"], '/at'],
    'a line behind its name' => [['uuid' => "1b4e28ba-2fa1-4d2e-883f-0016d3cca427\n"], '/uuid'],
    'a null character in words' => [['kind' => 'wire', 'says' => (object) ['where' => "behind\0it"]], '/says'],
    'a day with more behind it' => [['kind' => 'pin', 'says' => (object) ['date' => "2026-11-27\n"]], '/says/date'],
    'words without end' => [['says' => (object) ['words' => str_repeat('ä', 501)]], '/says/words'],
]);

it('keeps what a wrong clock says, with the time set right', function (string $sentAt, string $at): void {
    [$job, $steps] = builtJob($this);
    $line = logLine('note', $steps['baseline']['id'], ['words' => 'by a wrong clock'], 0, $at);
    sendLog($this, $job, [$line], sentAt: $sentAt)
        ->assertOk()
        ->assertJsonCount(1, 'taken');
    $entry = LogEntry::query()->sole();
    expect($entry->clock_said->format('Y-m-d\TH:i:s\Z'))->toBe($at)->and($entry->at->isFuture())->toBeFalse();
})->with([
    ['1970-01-01T00:00:10Z', '1970-01-01T00:00:00Z'],
    ['2099-06-01T12:00:00Z', '2099-06-01T11:00:00Z'],
    ['9999-12-31T23:59:59Z', '1970-01-01T00:00:00Z'],
    ['1970-01-01T00:00:00Z', '9999-12-31T23:59:59Z'],
]);

it('stores the good ones of a parcel of which the database refuses one', function (): void {
    [$job, $steps] = builtJob($this);
    DB::statement('ALTER TABLE log_entries ADD CONSTRAINT none_of_it CHECK (says NOT LIKE \'%refuse me%\')');
    $note = fn(string $words): array => logLine('note', $steps['baseline']['id'], ['words' => $words]);
    $said = sendLog($this, $job, [$note('one'), $note('refuse me'), $note('two')])->assertOk();
    expect($said->json('taken.*.number'))
        ->toBe([1, 2])
        ->and($said->json('refused.0.problems.0.pointer'))
        ->toBe('/entries/1/says')
        ->and($said->json('last'))
        ->toBe(2);
});

it('refuses bytes that are no text in an address, a query or a form', function (string $address): void {
    $this->actingAs($this->person(Role::Lead));
    $this->getJson($address)
        ->assertStatus(422)
        ->assertJsonStructure(['message', 'problems']);
})->with(['/api/v1/jobs?customer=%FF', '/api/v1/floor?x=a%00b', '/api/v1/jobs?%FF=1', '/api/v1/customers?a[b]=%C3%28']);

it('tells by the state of a statement what is wrong with it, never by words', function (): void {
    $this->actingAs($this->person(Role::Lead));
    $throws = fn(string $sql) => Route::get('/api/v1/throws', fn() => DB::transaction(fn() => DB::select($sql)));
    // Its message names the connection, as every one does.
    $throws('select \'x\'::int as "Connection"');
    $this->getJson('/api/v1/throws')->assertStatus(422)->assertJsonPath('problems', []);
    $throws('select 1/0');
    $this->getJson('/api/v1/throws')->assertStatus(422);
    $throws('select * from no_such_table');
    $this->getJson('/api/v1/throws')->assertStatus(500);
});

it('knows what passes from what never will', function (string $message, ?array $info, DatabaseTrouble $is): void {
    $previous = new PDOException($message);
    $previous->errorInfo = $info;
    expect(DatabaseTrouble::of(new QueryException('pgsql', 'select 1', [], $previous)))->toBe($is);
})->with([
    'refused' => ['SQLSTATE[08006] [7] connection to server refused', null, DatabaseTrouble::Away],
    'gone half way' => ['SQLSTATE[HY000]: General error: 7 no connection', ['HY000', 7, 'x'], DatabaseTrouble::Away],
    'shutting down' => ['x', ['57P01', 7, 'x'], DatabaseTrouble::Away],
    'cancelled' => ['x', ['57014', 7, 'x'], DatabaseTrouble::Away],
    'deadlock' => ['x', ['40P01', 7, 'x'], DatabaseTrouble::Away],
    'disk full' => ['x', ['53100', 7, 'x'], DatabaseTrouble::Away],
    'idle too long' => ['x', ['25P03', 7, 'x'], DatabaseTrouble::Away],
    'not UTF-8' => ['x Connection: pgsql', ['22021', 7, 'x'], DatabaseTrouble::Unstorable],
    'twice' => ['x Connection: pgsql', ['23505', 7, 'x'], DatabaseTrouble::Unstorable],
    'no such table' => ['x Connection: pgsql', ['42P01', 7, 'x'], DatabaseTrouble::Broken],
]);
