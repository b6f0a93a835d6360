<?php

declare(strict_types=1);

use App\Models\Role;

it('signs in, says who, signs out', function (): void {
    $lead = $this->person(Role::Lead);
    $this->postJson('/api/v1/session', ['email' => strtoupper($lead->email), 'password' => 'rowan-and-lath'])
        ->assertOk()
        ->assertJson(['role' => 'lead', 'workshop' => 'Lathe Lane']);
    $this->getJson('/api/v1/session')
        ->assertOk()
        ->assertJson(['name' => $lead->name]);
    $this->deleteJson('/api/v1/session')->assertNoContent();
    // A guard remembers its person for one request; the next request has a new one.
    auth()->forgetGuards();
    $this->getJson('/api/v1/session')->assertUnauthorized();
});

it('does not say whether the name or the password was wrong, and slows guessing down', function (): void {
    $lead = $this->person(Role::Lead);
    for ($i = 0; $i < 5; $i++) {
        $this->postJson('/api/v1/session', ['email' => $lead->email, 'password' => "guess {$i}"])
            ->assertStatus(422)
            ->assertJsonPath('message', 'That e-mail and password do not go together.');
    }
    $this->postJson('/api/v1/session', ['email' => $lead->email, 'password' => 'rowan-and-lath'])->assertStatus(429);
});

it('keeps strangers out of everything', function (string $method, string $path): void {
    $this->json($method, $path)->assertUnauthorized();
})->with([
    ['GET', '/api/v1/jobs'],
    ['POST', '/api/v1/jobs'],
    ['GET', '/api/v1/jobs/1'],
    ['POST', '/api/v1/jobs/1/edits'],
    ['GET', '/api/v1/jobs/1/file'],
    ['GET', '/api/v1/reference'],
    ['GET', '/api/v1/sheets/1'],
]);

it('checks the CSRF token outside of tests', function (): void {
    $middleware = app(\Illuminate\Routing\Router::class)->getMiddlewareGroups();
    expect(implode(' ', $middleware['web']))
        ->toContain('Csrf')
        ->and(implode(' ', $middleware['signed-in']))
        ->toContain('Csrf');
});

it('sends a content security policy without inline script', function (): void {
    $response = $this->get('/');
    $policy = (string) $response->headers->get('Content-Security-Policy');
    expect($policy)->toContain("script-src 'self'")->not->toContain('unsafe')->toContain("frame-ancestors 'none'");
    preg_match("/'nonce-([^']+)'/", $policy, $nonce);
    $response->assertSee('nonce="' . $nonce[1] . '"', false)->assertHeader('X-Content-Type-Options', 'nosniff');
    expect((string) $response->getContent())->not->toMatch('/<script(?![^>]*src=)[^>]*>/');
});
