<?php

declare(strict_types=1);

use App\Auth\GoodPassword;
use App\Models\Role;
use App\Models\SetupLink;
use App\Models\User;
use Hollin\Core\Rules\Sample;
use Illuminate\Database\QueryException;
use Illuminate\Hashing\HashManager;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

/* What somebody would try who should not be in, or who is and wants more. */

describe('a changing request', function (): void {
    it('is what its body says, whatever stands in the query', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        $this->postJson("/api/v1/jobs/{$job->id}/undo?restore=1&uuid=" . Str::uuid())->assertStatus(422);
        $this->postJson('/api/v1/jobs?title=Hives&kind=van')->assertStatus(422);
        $this->postJson('/api/v1/tokens?writes=1', ['name' => 'a display'])
            ->assertCreated()
            ->assertJsonPath('token.writes', false);
    });

    it('comes as JSON and says itself what it does', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $this->actingAs($lead);
        $this->call('POST', '/api/v1/jobs', ['title' => 'Hives', 'kind' => 'van'])->assertStatus(415);
        $this->call(
            'POST',
            "/api/v1/jobs/{$job->id}/undo",
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'text/plain'],
            '{}',
        )->assertStatus(415);
        $this->postJson('/api/v1/tokens/1', ['_method' => 'DELETE'])->assertStatus(405);
        $this->postJson('/api/v1/tokens/1', [], ['X-HTTP-Method-Override' => 'DELETE'])->assertStatus(405);
        expect($job->refresh()->head)->toBe(1);
    });

    it('is refused with its place where a number has no end', function (): void {
        $lead = $this->person(Role::Lead);
        $job = jobOf($lead);
        $body = '{"uuid":"' . Str::uuid() . '","base":1,"intent":{"kind":"survey_set","value":{"a":[0,1e400]}}}';
        $this->actingAs($lead)
            ->call('POST', "/api/v1/jobs/{$job->id}/edits", [], [], [], ['CONTENT_TYPE' => 'application/json'], $body)
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/intent/value/a/1');
    });
});

it('knows no thing past what it counts to, and says nothing of how it is built', function (string $path): void {
    $this->actingAs($this->person(Role::Lead));
    $response = $this->getJson($path)->assertNotFound();
    expect((string) $response->getContent())->not->toContain('App')->not->toContain('Model');
})->with([
    '/api/v1/jobs/99999999999999999999999',
    '/api/v1/jobs/999999999999999999',
    '/api/v1/photos/4242',
    '/api/v1/sheets/4242',
    fn() => '/api/v1/jobs/' . jobOf(test()->person(Role::Lead))->id . '?revision=99999999999',
    fn() => '/api/v1/jobs/' . jobOf(test()->person(Role::Lead))->id . '?revision=99',
]);

it('has nothing kept between the application and its reader, and no other origin', function (): void {
    $lead = $this->person(Role::Lead);
    $response = $this->actingAs($lead)->getJson('/api/v1/jobs', ['Origin' => 'https://elsewhere.test']);
    expect((string) $response->headers->get('Cache-Control'))
        ->toContain('no-store')
        ->and($response->headers->has('Access-Control-Allow-Origin'))
        ->toBeFalse();
});

it('answers to its own names only', function (): void {
    config(['app.url' => 'https://hollin.workshop.test', 'hollin.hosts' => 'yard.test, 192.0.2.4']);
    $matches = fn(string $host): bool => array_filter(
        App\Http\Hosts::patterns(),
        fn(string $p): bool => preg_match("/{$p}/i", $host) === 1,
    ) !== [];
    expect(array_map($matches, ['hollin.workshop.test', 'yard.test', '192.0.2.4', 'localhost']))
        ->not->toContain(false)
        ->and(array_map($matches, ['evil.test', 'hollin.workshop.test.evil.test', '192x0x2x4']))
        ->not->toContain(true);
});

it('writes no value of a statement into the log', function (): void {
    Log::spy();
    $lead = $this->person(Role::Lead);
    try {
        DB::table('users')->insert([
            'workshop_id' => -1,
            'name' => 'x',
            'email' => 'x@hollin.test',
            'role' => 'lead',
            'password' => 'a-very-secret-hash',
        ]);
    } catch (QueryException $e) {
        report($e);
    }
    expect($lead->name)->not->toBe('');
    Log::shouldHaveReceived('error')
        ->once()
        ->withArgs(
            fn(string $words, array $what): bool => !str_contains(json_encode([$words, $what]) ?: '', 'secret') &&
                str_contains((string) $what['statement'], 'insert into "users"'),
        );
});

describe('passwords', function (): void {
    it('are long, not usual, and not one\'s own name', function (string $password, ?string $why): void {
        $said = null;
        (new GoodPassword())
            ->setData(['name' => 'Ada Fennimore', 'email' => 'ada@weirstreet.test', 'workshop' => 'Weir Street'])
            ->validate('password', $password, function (string $message) use (&$said): void {
                $said = $message;
            });
        $why === null ? expect($said)->toBeNull() : expect((string) $said)->toContain($why);
    })->with([
        ['short words', 'needs 12 characters or more; it has 11'],
        ['1234567890', 'needs 12'],
        ['123456789012', 'usual'],
        ['Password1234!', 'usual'],
        ['qwertyqwerty', 'usual'],
        ['aaaaaaaaaaaaaaaa', 'over and over'],
        ['Fennimore-2026', 'hardly more than a name'],
        ['weirstreet99', 'hardly more than a name'],
        ['three blue kettles', null],
        ['пять синих чайников', null],
        [str_repeat('four good words ', 8), null],
        [str_repeat('four good words ', 8) . 'x', 'up to 128'],
    ]);

    it('are not cut off, and those from before still open the door', function (): void {
        $long = str_repeat('long words ', 8);
        $lead = $this->person(Role::Lead);
        $lead->forceFill(['password' => $long . 'end'])->save();
        $try = fn(string $password) => $this->postJson('/api/v1/session', [
            'email' => $lead->email,
            'password' => $password,
        ]);
        $try($long . 'END')->assertStatus(422);
        $try($long . 'end')->assertOk();
        DB::table('users')
            ->where('id', $lead->id)
            ->update(['password' => password_hash('rowan-and-lath', PASSWORD_BCRYPT, ['cost' => 4])]);
        $try('rowan-and-lath')->assertOk();
        expect(Hash::needsRehash($lead->refresh()->password))->toBeFalse();
    });

    it('slow guessing down by account, wherever it comes from, and longer each time', function (): void {
        $lead = $this->person(Role::Lead);
        $try = fn(string $from): int => $this->call(
            'POST',
            '/api/v1/session',
            server: ['REMOTE_ADDR' => $from, 'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: (string) json_encode(['email' => $lead->email, 'password' => 'a wrong guess']),
        )->getStatusCode();
        $wrong = 0;
        for ($minute = 0; $minute < 60; $minute++) {
            for ($i = 0; $i < 8; $i++) {
                $wrong += $try("192.0.2.{$i}") === 422 ? 1 : 0;
            }
            $this->travel(1)->minutes();
        }
        // ASVS 2.2.1 (from memory): no more than a hundred an hour.
        expect($wrong)->toBeGreaterThan(5)->toBeLessThan(20);
        $this->travel(16)->minutes();
        $this->postJson('/api/v1/session', ['email' => $lead->email, 'password' => 'rowan-and-lath'])->assertOk();
    });

    it('take as long for an address that nobody has', function (): void {
        $lead = $this->person(Role::Lead);
        $hasher = new class (app()) extends HashManager {
            /** @var list<string> what passwords were held against */
            public array $checked = [];

            public function check($value, $hashedValue, array $options = []): bool
            {
                $this->checked[] = (string) password_get_info($hashedValue)['algoName'];

                return false;
            }
        };
        Hash::swap($hasher);
        foreach ([$lead->email, 'nobody@hollin.test'] as $email) {
            $this->postJson('/api/v1/session', ['email' => $email, 'password' => 'x'])->assertStatus(422);
        }
        expect($hasher->checked)->toBe(['argon2id', 'argon2id']);
    });
});

it('opens one workshop with a link, and none with an old one', function (): void {
    $token = SetupLink::issue();
    // Two at once: whoever comes second changes no row.
    expect([SetupLink::use($token), SetupLink::use($token)])->toBe([true, false]);
    $old = SetupLink::issue();
    $this->travel(8)->days();
    $this->postJson('/api/v1/set-up', [
        'token' => $old,
        'workshop' => 'Weir Street',
        'name' => 'Ada Fenn',
        'email' => 'ada@hollin.test',
        'password' => 'three blue kettles',
    ])
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', '/token');
});

it('knows an address in whatever letters', function (): void {
    $lead = $this->person(Role::Lead);
    $this->postJson('/api/v1/set-up', [
        'token' => SetupLink::issue(),
        'workshop' => 'Weir Street',
        'name' => 'Ada Fenn',
        'email' => strtoupper($lead->email),
        'password' => 'three blue kettles',
    ])
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', '/email');
});

describe('a program with a token', function (): void {
    it('gets no session, and is not asked for one', function (): void {
        config(['session.driver' => 'database']);
        $lead = $this->person(Role::Lead);
        $token = $lead->createToken('a display', ['read', 'write'])->plainTextToken;
        $response = $this->withCookie((string) config('session.cookie'), Str::random(40))->getJson('/api/v1/jobs', [
            'Authorization' => "Bearer {$token}",
        ]);
        $response->assertOk();
        expect($response->headers->getCookies())
            ->toBe([])
            ->and(DB::table('sessions')->count())
            ->toBe(0);
        $this->postJson('/api/v1/session', [], ['Authorization' => "Bearer {$token}"])->assertStatus(400);
    });

    it('takes itself back and no other', function (): void {
        $lead = $this->person(Role::Lead);
        [$one, $other] = [$lead->createToken('one', ['read', 'write']), $lead->createToken('other', ['read'])];
        $with = ['Authorization' => "Bearer {$one->plainTextToken}"];
        $this->deleteJson("/api/v1/tokens/{$other->accessToken->id}", [], $with)->assertForbidden();
        $this->deleteJson("/api/v1/tokens/{$one->accessToken->id}", [], $with)->assertNoContent();
        expect($lead->tokens()->pluck('name')->all())->toBe(['other']);
    });
});

it('leaves a tab to whose it is', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $here = ['tab' => 'one', 'revision' => 1, 'place' => 'plan'];
    $this->actingAs($lead)
        ->postJson("/api/v1/jobs/{$job->id}/here", $here)
        ->assertOk();
    $this->actingAs($this->person(Role::Apprentice))
        ->postJson("/api/v1/jobs/{$job->id}/here", ['place' => 'size'] + $here)
        ->assertOk()
        ->assertJsonPath('people.0.id', $lead->id)
        ->assertJsonPath('people.0.place', 'plan');
    expect(DB::table('presences')->count())->toBe(2);
});

it('queues a few sheets of one person, not any number', function (): void {
    Queue::fake();
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $ask = fn() => $this->actingAs($lead)->postJson("/api/v1/jobs/{$job->id}/sheets", [
        'view' => 'as_found',
        'paper' => 'a4',
    ]);
    foreach (range(1, 5) as $_) {
        $ask()->assertStatus(202);
    }
    $ask()->assertStatus(422)->assertJsonPath('message', '5 sheets of yours wait to be printed. Let them come first.');
});

it('tells that there is more of a list, and the rest of it', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    for ($base = 1; $base <= 301; $base++) {
        DB::table('revisions')->insert([
            'rig_job_id' => $job->id,
            'number' => $base + 1,
            'uuid' => (string) Str::uuid(),
            'kind' => 'edit',
            'words' => "edit {$base}",
            'document' => '{}',
            'sha256' => str_repeat('0', 64),
            'patch' => '[]',
            'inverse' => '[]',
            'created_at' => now(),
        ]);
    }
    $first = $this->actingAs($lead)
        ->getJson("/api/v1/jobs/{$job->id}/revisions")
        ->assertJsonPath('more', true);
    $least = min(array_column($first->json('revisions'), 'number'));
    $this->getJson("/api/v1/jobs/{$job->id}/revisions?before={$least}")
        ->assertJsonPath('more', false)
        ->assertJsonCount(302 - 300, 'revisions');
    $this->getJson('/api/v1/jobs?after=1')->assertJsonPath('more', false)->assertJsonCount(0, 'jobs');
});

it('takes the right to plan to take a plan\'s edit back', function (): void {
    $person = $this->person(Role::Technician);
    $job = jobOf($person);
    $this->actingAs($person);
    postEdit($this, $job, 1, Sample::move('c_air', 'inverter_panel'))->assertOk();
    $person->forceFill(['role' => Role::Apprentice])->save();
    $this->actingAs(User::query()->findOrFail($person->id))
        ->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid()])
        ->assertForbidden();
});
