<?php

declare(strict_types=1);

use App\Models\Role;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Str;

/*
 * Every path of the API's description, asked by somebody who must not: a stranger, another
 * workshop, an apprentice, a reading token; and with bodies that make no sense.
 */

describe('everything that is described', function (): void {
    it('turns a stranger away without a word about what is there', function (string $method, string $path): void {
        $address = addressOf($this, $path, $this->person(Role::Lead));
        $response = $this->json($method, $address)->assertUnauthorized();
        expect(array_keys((array) $response->json()))->toBe(['message']);
    })->with(fn() => endpoints());

    it('does not exist for another workshop', function (string $method, string $path): void {
        $address = addressOf($this, $path, $this->person(Role::Lead));
        $other = $this->person(Role::Lead, 'Otter Yard');
        $body = [
            'uuid' => (string) Str::uuid(),
            'base' => 1,
            'intent' => Sample::survey('c_air', '/label', 'x'),
            'view' => 'as_found',
            'paper' => 'letter',
            'tab' => 'one',
            'revision' => 1,
            'place' => 'plan',
            'function' => 'volts',
            'a' => 'frame',
            'what' => 'x',
        ];
        expect($this->actingAs($other)->json($method, $address, $body)->getStatusCode())->toBe(
            404,
            "{$method} {$path}",
        );
    })->with(
        // An offer is written under a code into one's own workshop, whatever another has under it.
        fn() => array_filter(
            endpoints(),
            fn(array $e): bool => str_contains($e[1], '{') && $e !== ['PUT', '/catalogue/offers/{code}'],
        ),
    );

    it('answers a body that makes no sense with a place and a reason, never with a fault', function (
        string $method,
        string $path,
        mixed $body,
    ): void {
        $lead = $this->person(Role::Lead);
        $address = addressOf($this, $path, $lead);
        $response = $this->actingAs($lead)->call(
            $method,
            $address,
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            is_string($body) ? $body : (string) json_encode($body),
        );
        expect($response->getStatusCode())->toBeLessThan(
            500,
            $response->getContent() === false ? '' : substr($response->getContent(), 0, 300),
        );
        if ($response->getStatusCode() === 422) {
            expect((string) $response->json('message'))->not->toBe('');
        }
    })
        ->with(fn() => array_filter(endpoints(), fn(array $e): bool => $e[0] === 'POST'))
        ->with([
            'no JSON' => ['{"uuid":'],
            'a list' => [[1, 2, 3]],
            'a text' => ['"hello"'],
            'nothing' => [''],
            'the wrong kinds' => [
                [
                    'uuid' => [],
                    'base' => 'x',
                    'intent' => 'x',
                    'view' => 3,
                    'revision' => [],
                    'controls' => 'all',
                    'surroundings' => [[]],
                    'running' => 'c_air',
                    'charge' => 9,
                    'function' => [],
                    'a' => [],
                    'tab' => [],
                    'place' => 1,
                    'title' => [],
                    'name' => [],
                    'what' => [],
                    'value' => 'much',
                    'paper' => [],
                ],
            ],
            'too deep' => [['intent' => json_decode(str_repeat('[', 60) . str_repeat(']', 60), true, 128)]],
            'markup and control characters' => [
                [
                    'uuid' => '<b>',
                    'base' => 1,
                    'intent' => ['kind' => "set_title\x00", 'title' => "\u{202e}"],
                    'view' => '<script>',
                    'tab' => "\x1b",
                    'revision' => 1,
                    'place' => '../..',
                    'title' => "\x00",
                    'kind' => 'van',
                    'name' => "\x07",
                ],
            ],
            'numbers without end' => [
                [
                    'revision' => 9e99,
                    'base' => -9e99,
                    'value' => 1e308,
                    'view' => 'as_found',
                    'uuid' => '3f1d6d1e-8d3a-4a53-9a3b-0d4f6f6b2a11',
                    'what' => 'x',
                    'intent' => [
                        'kind' => 'survey_set',
                        'component' => 'c_air',
                        'path' => '/breakerA',
                        'value' => 1e308,
                    ],
                ],
            ],
        ]);
});

it('lets an apprentice look, survey and measure, and nothing else', function (
    string $method,
    string $path,
    bool $may,
): void {
    $lead = $this->person(Role::Lead);
    $address = addressOf($this, $path, $lead);
    $bodies = [
        '/jobs' => ['title' => 'Hives', 'kind' => 'van'],
        '/jobs/{job}/edits' => [
            'uuid' => (string) Str::uuid(),
            'base' => 1,
            'intent' => Sample::set('c_air', '/gfci', 'breaker'),
        ],
        '/jobs/{job}/states' => ['view' => 'as_found'],
        '/jobs/{job}/sheets' => ['view' => 'as_found', 'paper' => 'letter'],
    ];
    $status = $this->actingAs($this->person(Role::Apprentice))
        ->json($method, $address, $bodies[$path] ?? [])
        ->getStatusCode();
    expect($status === 403)->toBe(!$may, "{$method} {$path}: {$status}");
})->with([
    ['GET', '/jobs', true],
    ['GET', '/jobs/{job}', true],
    ['POST', '/jobs/{job}/states', true],
    ['GET', '/jobs/{job}/baseline', true],
    ['GET', '/jobs/{job}/file', true],
    ['POST', '/jobs/{job}/edits', false],
    ['POST', '/jobs/{job}/file', false],
]);

describe('a program with a token that only reads', function (): void {
    it('writes nothing anywhere', function (string $method, string $path): void {
        $lead = $this->person(Role::Lead);
        $address = addressOf($this, $path, $lead);
        $token = $lead->createToken('a display', ['read'])->plainTextToken;
        $status = $this->json($method, $address, [], ['Authorization' => "Bearer {$token}"])->getStatusCode();
        expect($status)->toBe(403, "{$method} {$path}");
    })->with(
        fn() => array_filter(
            endpoints(),
            fn(array $e): bool => !in_array($e[0], ['GET', 'HEAD'], true) &&
                !preg_match('#/(states|probe|netlist|here|rulers|place|stay|alternatives|loads|monitor-log)$#', $e[1]),
        ),
    );
});
