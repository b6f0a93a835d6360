<?php

declare(strict_types=1);

use App\Models\SetupLink;
use App\Models\User;

$answers = [
    'workshop' => 'Weir Street',
    'name' => 'Ada Fenn',
    'email' => 'Ada@hollin.test',
    'password' => 'long enough words',
];

it('opens a workshop once, and its lead is signed in', function () use ($answers): void {
    $token = SetupLink::issue();
    $this->postJson('/api/v1/set-up', $answers + ['token' => $token])->assertCreated();
    $this->getJson('/api/v1/session')
        ->assertOk()
        ->assertJson(['role' => 'lead', 'workshop' => 'Weir Street']);
    $this->postJson('/api/v1/set-up', ['email' => 'other@hollin.test'] + $answers + ['token' => $token])
        ->assertStatus(422)
        ->assertJsonPath('problems.0.pointer', '/token');
    expect(User::query()->count())->toBe(1);
});

it('refuses what is missing or made up, and stores nothing', function (array $wrong) use ($answers): void {
    $this->postJson('/api/v1/set-up', $wrong + $answers + ['token' => SetupLink::issue()])->assertStatus(422);
    expect(User::query()->count())->toBe(0);
})->with([
    [['token' => str_repeat('x', 48)]],
    [['password' => 'short']],
    [['email' => 'nobody']],
    [['workshop' => '']],
]);

it('prints a link only while nobody can sign in', function () use ($answers): void {
    $this->artisan('hollin:set-up --if-empty')->expectsOutputToContain('/set-up/')->assertExitCode(0);
    $this->postJson('/api/v1/set-up', $answers + ['token' => SetupLink::issue()])->assertCreated();
    $this->artisan('hollin:set-up --if-empty')->doesntExpectOutputToContain('/set-up/')->assertExitCode(0);
});
