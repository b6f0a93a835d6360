<?php

declare(strict_types=1);

use App\Models\RigJob;
use App\Models\User;
use App\Models\Workshop;
use Database\Seeders\DemoRigs;
use Database\Seeders\DemoSeeder;

it('loads the demo workshop once, with people who can sign in', function (): void {
    $this->seed(DemoSeeder::class);
    $this->seed(DemoSeeder::class);
    expect(Workshop::query()->count())
        ->toBe(1)
        ->and(RigJob::query()->count())
        ->toBe(count(DemoRigs::all()) + 1)
        ->and(User::query()->count())
        ->toBe(count(DemoSeeder::PEOPLE));
    foreach (array_keys(DemoSeeder::PEOPLE) as $email) {
        $this->postJson('/api/v1/session', ['email' => $email, 'password' => DemoSeeder::PASSWORD])->assertOk();
    }
    $this->getJson('/api/v1/jobs')->assertJsonCount(count(DemoRigs::all()) + 1, 'jobs');
});

it('takes the known password away where others can reach the demo people, and gives it back', function (): void {
    $this->seed(DemoSeeder::class);
    $try = fn(string $password) => $this->postJson('/api/v1/session', [
        'email' => 'lead@hollin.test',
        'password' => $password,
    ]);
    config(['hollin.demo_password' => 'made-up-for-this']);
    $this->artisan('hollin:demo-password')->assertExitCode(0);
    $try(DemoSeeder::PASSWORD)->assertStatus(422);
    $try('made-up-for-this')->assertOk();
    config(['hollin.demo_password' => null]);
    $this->artisan('hollin:demo-password')->assertExitCode(0);
    $try(DemoSeeder::PASSWORD)->assertOk();
});
