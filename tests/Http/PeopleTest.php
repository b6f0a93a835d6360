<?php

declare(strict_types=1);

use App\Actions\People;
use App\Auth\SignIns;
use App\Models\PersonLink;
use App\Models\Role;
use App\Models\SignIn;
use App\Models\User;
use Tests\TestCase;

/** A new request as from another browser: no session, no guard that remembers. */
function elsewhere(TestCase $test): TestCase
{
    auth()->forgetGuards();
    $test->flushSession();

    return $test;
}

function tokenIn(string $address): string
{
    return explode('#', $address)[1];
}

const NEW_WORDS = 'four tall oaks leaning';

describe('joining by link', function (): void {
    it('lets somebody in with the role that was said, once', function (): void {
        $lead = $this->person(Role::Lead);
        $made = $this->actingAs($lead)
            ->postJson('/api/v1/people/invitations', ['name' => 'Wren Tally', 'role' => 'technician'])
            ->assertCreated()
            ->json();
        $token = tokenIn($made['address']);
        expect($made['address'])
            ->toContain('/join#')
            ->and(PersonLink::query()->where('token_hash', $token)->exists())
            ->toBeFalse();
        elsewhere($this)
            ->postJson('/api/v1/join/look', ['token' => $token])
            ->assertOk()
            ->assertJson([
                'workshop' => 'Lathe Lane',
                'name' => 'Wren Tally',
                'renews' => false,
                'roleLabel' => 'Technician',
            ]);
        $body = ['token' => $token, 'name' => 'Wren Tally', 'email' => 'Wren@Hollin.test', 'password' => NEW_WORDS];
        // What is typed beside the link gives no other role and no other workshop.
        $this->postJson('/api/v1/join', [...$body, 'role' => 'lead', 'workshop_id' => 99])->assertCreated();
        $this->getJson('/api/v1/session')
            ->assertOk()
            ->assertJson(['role' => 'technician', 'workshop' => 'Lathe Lane']);
        elsewhere($this)
            ->postJson('/api/v1/join', [...$body, 'email' => 'other@hollin.test'])
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/token');
        expect(User::query()->where('email', 'other@hollin.test')->exists())->toBeFalse();
    });

    it('of several who come at once with the same link lets one in', function (): void {
        [$link] = app(People::class)->invite($this->person(Role::Lead), 'Wren', Role::Technician);
        expect($link->use())->toBeTrue()->and($link->use())->toBeFalse();
    });

    it('ends after a week, and when it is taken back', function (): void {
        $lead = $this->person(Role::Lead);
        [, $late] = app(People::class)->invite($lead, 'Late', Role::Technician);
        [$link, $back] = app(People::class)->invite($lead, 'Back', Role::Technician);
        $this->actingAs($lead)
            ->deleteJson("/api/v1/people/links/{$link->id}")
            ->assertNoContent();
        $this->postJson('/api/v1/join/look', ['token' => $back])->assertStatus(422);
        $this->postJson('/api/v1/join/look', ['token' => $late])->assertOk();
        $this->travel(8)->days();
        $this->postJson('/api/v1/join/look', ['token' => $late])->assertStatus(422);
    });

    it('takes the usual care of the password and the address', function (): void {
        [, $token] = app(People::class)->invite($this->person(Role::Lead), 'Wren', Role::Apprentice);
        $body = ['token' => $token, 'name' => 'Wren', 'email' => 'wren@hollin.test'];
        $this->postJson('/api/v1/join', [...$body, 'password' => 'short'])
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/password');
        $taken = $this->person(Role::Lead, 'Otter Yard')->email;
        $this->postJson('/api/v1/join', [...$body, 'email' => strtoupper($taken), 'password' => NEW_WORDS])
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/email');
        // Neither try has used the link up.
        $this->postJson('/api/v1/join', [...$body, 'password' => NEW_WORDS])->assertCreated();
    });
});

describe('a new password', function (): void {
    it('by link ends every way in there was, and the wait of who guessed', function (): void {
        $lead = $this->person(Role::Lead);
        $tech = $this->person(Role::Technician);
        $old = app(App\Auth\Entry::class)::begin($tech, null, null);
        $tech->createToken('a program', ['read']);
        for ($i = 0; $i < 6; $i++) {
            app(SignIns::class)->who($tech->email, "guess {$i}");
        }
        $made = $this->actingAs($lead)
            ->postJson("/api/v1/people/{$tech->id}/reset")
            ->assertCreated()
            ->json();
        elsewhere($this)
            ->postJson('/api/v1/join', ['token' => tokenIn($made['address']), 'password' => NEW_WORDS])
            ->assertCreated();
        expect(SignIn::query()->live()->whereKey($old->id)->exists())
            ->toBeFalse()
            ->and($tech->tokens()->count())
            ->toBe(0)
            ->and(app(SignIns::class)->wait($tech->email))
            ->toBe(0)
            ->and(app(SignIns::class)->who($tech->email, NEW_WORDS)?->id)
            ->toBe($tech->id)
            ->and(app(SignIns::class)->who($tech->email, 'rowan-and-lath'))
            ->toBeNull();
    });

    it('has one link at a time', function (): void {
        $tech = $this->person(Role::Technician);
        $people = app(People::class);
        [, $first] = $people->reset(null, $tech);
        [, $second] = $people->reset(null, $tech);
        expect(PersonLink::by($first))->toBeNull()->and(PersonLink::by($second))->not->toBeNull();
        $this->travel(25)->hours();
        expect(PersonLink::by($second))->toBeNull();
    });

    it('of one\'s own asks for the present one and ends the other sign-ins, not this', function (): void {
        $tech = $this->person(Role::Technician);
        $other = App\Auth\Entry::begin($tech, '10.0.0.7', 'a tablet');
        $this->actingAs($tech);
        $change = fn(string $present, string $new) => $this->postJson('/api/v1/account/password', [
            'present' => $present,
            'password' => $new,
        ]);
        $change('not it', NEW_WORDS)
            ->assertStatus(422)
            ->assertJsonPath('problems.0.pointer', '/present');
        $change('rowan-and-lath', 'password1234')->assertStatus(422)->assertJsonPath('problems.0.pointer', '/password');
        $change('rowan-and-lath', NEW_WORDS)->assertNoContent();
        $this->getJson('/api/v1/session')->assertOk();
        expect(SignIn::query()->live()->whereKey($other->id)->exists())
            ->toBeFalse()
            ->and(app(SignIns::class)->who($tech->email, NEW_WORDS))
            ->not->toBeNull();
    });

    it('cannot be guessed from an open screen', function (): void {
        $this->actingAs($this->person(Role::Technician));
        $statuses = array_map(
            fn(int $i): int => $this->postJson('/api/v1/account/password', [
                'present' => "guess {$i}",
                'password' => NEW_WORDS,
            ])->getStatusCode(),
            range(1, 8),
        );
        expect(array_count_values($statuses))->toBe([422 => 5, 429 => 3]);
    });

    it('can be had from the machine, also by the only lead', function (): void {
        $lead = $this->person(Role::Lead);
        $this->artisan('hollin:reset-link', ['email' => strtoupper($lead->email)])
            ->expectsOutputToContain('/join#')
            ->assertSuccessful();
        $this->artisan('hollin:reset-link', ['email' => 'nobody@hollin.test'])
            ->expectsOutputToContain('Nobody here')
            ->assertFailed();
    });
});

describe('sign-ins', function (): void {
    it('are listed, ended one by one or all but this', function (): void {
        $tech = $this->person(Role::Technician);
        $one = App\Auth\Entry::begin($tech, '10.0.0.7', 'a tablet');
        $two = App\Auth\Entry::begin($tech, '10.0.0.8', 'a phone');
        $foreign = App\Auth\Entry::begin($this->person(Role::Technician), null, null);
        $this->actingAs($tech);
        $list = $this->getJson('/api/v1/account/sign-ins')->assertOk()->json('signIns');
        expect($list)
            ->toHaveCount(3)
            ->and(array_column($list, 'here'))
            ->toContain(true)
            ->and(array_column($list, 'browser'))
            ->toContain('a tablet', 'a phone');
        $this->deleteJson("/api/v1/account/sign-ins/{$foreign->id}")->assertNotFound();
        $this->deleteJson("/api/v1/account/sign-ins/{$one->id}")->assertNoContent();
        $this->deleteJson('/api/v1/account/sign-ins')->assertNoContent();
        expect($this->getJson('/api/v1/account/sign-ins')->json('signIns'))
            ->toHaveCount(1)
            ->and(SignIn::query()->live()->whereKey($two->id)->exists())
            ->toBeFalse()
            ->and(SignIn::query()->live()->whereKey($foreign->id)->exists())
            ->toBeTrue();
    });

    it('that are ended let nobody in any more, nor after twelve hours', function (): void {
        $tech = $this->person(Role::Technician);
        $this->actingAs($tech)->getJson('/api/v1/jobs')->assertOk();
        $this->travel(13)->hours();
        $this->getJson('/api/v1/jobs')->assertUnauthorized();
        $this->travelBack();
        $this->actingAs($tech)->getJson('/api/v1/jobs')->assertOk();
        App\Auth\Entry::endAll($tech);
        $this->getJson('/api/v1/jobs')->assertUnauthorized();
    });

    it('are needed: a session that knows none is nobody\'s', function (): void {
        $this->be($this->person(Role::Lead));
        $this->getJson('/api/v1/jobs')->assertUnauthorized();
    });
});

describe('who leaves', function (): void {
    it('is out at once, by session and by token, and the name stays on what was done', function (): void {
        $lead = $this->person(Role::Lead);
        $tech = $this->person(Role::Technician);
        $job = jobOf($tech);
        $text = $tech->createToken('a program', ['read', 'write'])->plainTextToken;
        $this->actingAs($tech)->getJson('/api/v1/jobs')->assertOk();
        elsewhere($this);
        $this->actingAs($lead)
            ->postJson("/api/v1/people/{$tech->id}/leave")
            ->assertNoContent();
        elsewhere($this);
        $this->actingAs($tech->refresh())->getJson('/api/v1/jobs')->assertUnauthorized();
        elsewhere($this);
        $this->getJson('/api/v1/jobs', ['Authorization' => "Bearer {$text}"])->assertUnauthorized();
        elsewhere($this)
            ->postJson('/api/v1/session', ['email' => $tech->email, 'password' => 'rowan-and-lath'])
            ->assertStatus(422);
        $this->actingAs($lead);
        expect($this->getJson("/api/v1/jobs/{$job->id}/revisions")->json('revisions.0.by'))->toBe($tech->name);
        $this->postJson("/api/v1/people/{$tech->id}/reset")->assertStatus(422);
    });

    it('comes back as an apprentice with a new password', function (): void {
        $lead = $this->person(Role::Lead);
        $tech = $this->person(Role::Technician);
        $this->actingAs($lead)
            ->postJson("/api/v1/people/{$tech->id}/return")
            ->assertStatus(422);
        $this->postJson("/api/v1/people/{$tech->id}/leave")->assertNoContent();
        $made = $this->postJson("/api/v1/people/{$tech->id}/return")
            ->assertCreated()
            ->json();
        elsewhere($this)
            ->postJson('/api/v1/join', ['token' => tokenIn($made['address']), 'password' => NEW_WORDS])
            ->assertCreated();
        $this->getJson('/api/v1/session')->assertJson(['role' => 'apprentice', 'name' => $tech->name]);
    });

    it('leaves no open link behind: neither for, nor made by', function (): void {
        $lead = $this->person(Role::Lead);
        $second = $this->person(Role::Lead);
        $people = app(People::class);
        [, $for] = $people->reset($lead, $second);
        [, $by] = $people->invite($second, 'Wren', Role::Lead);
        $people->leave($lead, $second);
        expect(PersonLink::by($for))->toBeNull()->and(PersonLink::by($by))->toBeNull();
    });

    it('is never the last lead, by leaving or by another role', function (): void {
        $lead = $this->person(Role::Lead);
        $this->person(Role::Lead, 'Otter Yard');
        $second = $this->person(Role::Lead);
        $this->actingAs($lead);
        $this->postJson("/api/v1/people/{$second->id}/role", ['role' => 'technician'])->assertNoContent();
        $this->postJson("/api/v1/people/{$lead->id}/leave")->assertStatus(422);
        $this->postJson("/api/v1/people/{$lead->id}/role", ['role' => 'apprentice'])->assertStatus(422);
        expect($lead->refresh()->role)->toBe(Role::Lead)->and($lead->left_at)->toBeNull();
        $this->postJson("/api/v1/people/{$second->id}/role", ['role' => 'lead'])->assertNoContent();
        $this->postJson("/api/v1/people/{$lead->id}/leave")->assertNoContent();
    });

    it('a role counts with the next request', function (): void {
        $lead = $this->person(Role::Lead);
        $tech = $this->person(Role::Technician);
        app(People::class)->changeRole($lead, $tech, Role::Apprentice);
        $this->actingAs($tech->refresh())
            ->postJson('/api/v1/jobs', ['title' => 'Hives', 'kind' => 'van'])
            ->assertForbidden();
    });
});

it('shows people to a lead only, and those of the own workshop only', function (): void {
    $lead = $this->person(Role::Lead);
    $this->person(Role::Lead, 'Otter Yard');
    expect(array_column($this->actingAs($lead)->getJson('/api/v1/people')->assertOk()->json('people'), 'email'))->toBe([
        $lead->email,
    ]);
    elsewhere($this);
    $this->actingAs($this->person(Role::Technician))->getJson('/api/v1/people')->assertForbidden();
});

it('answers nonsense at the door with a place and a reason', function (string $path, mixed $body): void {
    $response = $this->call(
        'POST',
        "/api/v1{$path}",
        [],
        [],
        [],
        ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
        is_string($body) ? $body : (string) json_encode($body),
    );
    expect($response->getStatusCode())->toBe(422)->and((string) $response->json('message'))->not->toBe('');
})
    ->with(['/join', '/join/look', '/session', '/set-up'])
    ->with([
        'no JSON' => ['{"token":'],
        'a list' => [[1, 2]],
        'nothing' => [''],
        'the wrong kinds' => [['token' => [], 'name' => 5, 'email' => ['x'], 'password' => false, 'workshop' => []]],
        'control characters' => [['token' => "\x00", 'email' => "\x00@x", 'password' => "\x00", 'name' => "\x07"]],
        'huge' => [['token' => str_repeat('x', 100_000), 'email' => str_repeat('y', 100_000)]],
    ]);
