<?php

declare(strict_types=1);

use App\Models\Role;
use Illuminate\Support\Facades\DB;

/* What people and those who keep the machine read while a part is away. */

it('says which part works', function (): void {
    $this->getJson('/up')
        ->assertOk()
        ->assertExactJson(['database' => 'works', 'files' => 'works', 'worker' => 'works']);
});

it('says so when there is no database, to both', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    // A port that nobody listens on.
    config([
        'database.connections.pgsql.port' => '1',
        'database.connections.pgsql.options' => [PDO::ATTR_TIMEOUT => 1],
    ]);
    DB::purge('pgsql');
    try {
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('database', 'away')->assertJsonPath('files', 'works');
        $this->getJson("/api/v1/jobs/{$job->id}")
            ->assertStatus(503)
            ->assertHeader('Retry-After')
            ->assertJsonPath('message', fn(string $m): bool => str_contains($m, 'Nothing you typed is lost'));
    } finally {
        config(['database.connections.pgsql.port' => getenv('DB_PORT')]);
        DB::purge('pgsql');
    }
});

it('says so when files cannot be written', function (): void {
    config(['hollin.disk' => 'nowhere', 'filesystems.disks.nowhere' => ['driver' => 'local', 'root' => '/proc/x']]);
    $this->getJson('/up')->assertStatus(503)->assertJsonPath('files', 'away');
});

it('says so when nobody takes up what waits', function (): void {
    DB::table('queue_jobs')->insert([
        'queue' => 'default',
        'payload' => '{}',
        'attempts' => 0,
        'available_at' => time() - 600,
        'created_at' => time() - 600,
    ]);
    $this->getJson('/up')->assertStatus(503)->assertJsonPath('worker', 'away');
});
