<?php

declare(strict_types=1);

use App\Models\Role;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

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

it('names each request, in its answer and in its lines of the log', function (): void {
    Log::spy();
    $one = $this->getJson('/up')->headers->get('X-Request-Id');
    $other = $this->getJson('/up')->headers->get('X-Request-Id');
    expect($one)->toMatch('/^[0-9a-z]{26}$/')->not->toBe($other);
    Log::shouldHaveReceived('withContext')->with(['request' => $one]);
});

it('believes those who stand in front of it that it was TLS, and nobody else', function (): void {
    TrustProxies::at(['192.0.2.7']);
    $from = fn(string $who) => $this->call(
        'GET',
        'http://localhost/up',
        server: [
            'REMOTE_ADDR' => $who,
            'HTTP_X_FORWARDED_PROTO' => 'https',
        ],
    );
    try {
        expect($from('192.0.2.7')->headers->get('Strict-Transport-Security'))
            ->toContain('max-age')
            ->and($from('192.0.2.8')->headers->has('Strict-Transport-Security'))
            ->toBeFalse();
    } finally {
        TrustProxies::flushState();
    }
});
