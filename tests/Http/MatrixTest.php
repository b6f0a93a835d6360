<?php

declare(strict_types=1);

use App\Models\Role;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;

/*
 * Role × endpoint × own or other workshop × plain, with a query or with a body that pretends to something else. Who may
 * what is written down here once more, by hand, from decisions.md: not read from the policies.
 */

const LEAD_ALONE = ['/people', '/customers', '/audit'];

/** What is the lead's alone beside these, by method. */
const LEAD_ALONE_BY_METHOD = ['POST /jobs/{job}/approvals', 'PUT /workshop/hours', 'PUT /jobs/{job}/away'];

/** What an apprentice may not, beside what is the lead's alone. */
const NOT_AN_APPRENTICE = [
    'POST /jobs',
    'POST /rigs/{rig}',
    'POST /jobs/{job}/edits',
    'POST /jobs/{job}/file',
    'DELETE /photos/{photo}',
    'POST /catalogue/file',
    'PUT /catalogue/terms',
    'PUT /catalogue/offers/{code}',
    'DELETE /catalogue/offers/{code}',
    'PUT /jobs/{job}/dates',
];

/** What is written into one's own workshop, whatever another has under the same name. */
const INTO_ONES_OWN = ['PUT /catalogue/offers/{code}'];

/** What is somebody's own: another person's is not there, whatever one's role. */
const ONES_OWN = ['/tokens/{token}', '/account/sign-ins/{signIn}'];

function mayDo(Role $role, string $method, string $path): bool
{
    foreach (LEAD_ALONE as $start) {
        if (str_starts_with($path, $start)) {
            return $role === Role::Lead;
        }
    }

    if (in_array("{$method} {$path}", LEAD_ALONE_BY_METHOD, true)) {
        return $role === Role::Lead;
    }

    return $role !== Role::Apprentice || !in_array("{$method} {$path}", NOT_AN_APPRENTICE, true);
}

/** @return array<string, mixed> a body that is right for the endpoint */
function bodyFor(string $path): array
{
    return [
        '/jobs' => ['title' => 'Hives', 'kind' => 'van'],
        '/jobs/{job}/edits' => [
            'uuid' => (string) Str::uuid(),
            'base' => 1,
            'intent' => ['kind' => 'remove_plan', 'plan' => 'p'],
        ],
        '/jobs/{job}/states' => ['view' => 'as_found'],
        '/jobs/{job}/sheets' => ['view' => 'as_found', 'paper' => 'letter'],
        '/rigs/{rig}' => ['name' => 'Ash van', 'note' => 'low roof'],
        '/people/invitations' => ['name' => 'Wren', 'role' => 'lead'],
        '/people/{person}/role' => ['role' => 'lead'],
        '/customers/{customer}/erase' => ['name' => 'Ash Tally', 'jobs' => 'keep'],
        '/tokens' => ['name' => 'display'],
        '/catalogue/file' => ['text' => "code,kind,name\nash,lug,Ash\n"],
        '/jobs/{job}/approvals' => ['uuid' => (string) Str::uuid(), 'revision' => 1, 'plan' => 'p'],
        '/jobs/{job}/log' => [
            'tablet' => 'one',
            'revision' => 1,
            'sentAt' => '2026-11-27T09:00:00Z',
            'entries' => [
                [
                    'uuid' => (string) Str::uuid(),
                    'kind' => 'defect',
                    'says' => ['words' => 'cover cracked'],
                    'at' => '2026-11-27T09:00:00Z',
                    'seen' => 0,
                ],
            ],
        ],
        '/jobs/{job}/away' => ['away' => true],
        '/jobs/{job}/dates' => ['comesOn' => '2026-12-01', 'goesOn' => '2026-12-04'],
        '/workshop/hours' => [
            'week' => [1 => [[480, 960]]],
            'latitude' => 40,
            'longitude' => -90,
            'bays' => 2,
        ],
        '/catalogue/terms' => ['hour' => 90, 'currency' => 'EUR'],
        '/catalogue/offers/{code}' => ['kind' => 'lug', 'name' => 'Ash'],
    ][$path] ?? [];
}

/** @return array<string, mixed> words that would matter if somebody believed them */
function pretence(App\Models\User $owner): array
{
    return [
        'user_id' => $owner->id,
        'workshop_id' => $owner->workshop_id,
        'as' => 'lead',
        'api_token' => 'x',
        'person' => $owner->id,
        'job' => 1,
    ];
}

it('is decided by who asks and what is asked for, in every combination', function (string $method, string $path): void {
    // Who may is decided before anything is worked out.
    Queue::fake();
    $owner = $this->person(Role::Lead);
    $address = null;
    foreach (Role::cases() as $role) {
        foreach (['Lathe Lane', 'Otter Yard'] as $workshop) {
            foreach (['plain', 'query', 'body'] as $how) {
                $address ??= addressOf($this, $path, $owner) . '?view=as_found';
                $who = $this->person($role, $workshop);
                $query =
                    $how === 'query'
                        ? '&' . http_build_query([...pretence($owner), 'intent' => ['kind' => 'survey_set']])
                        : '';
                $body = $how === 'body' ? [...pretence($owner), ...bodyFor($path)] : bodyFor($path);
                if ($method === 'GET') {
                    $body = [];
                }
                auth()->forgetGuards();
                $status = $this->actingAs($who)
                    ->json($method, $address . $query, $body)
                    ->getStatusCode();
                if ($method !== 'GET' && $status < 300) {
                    // What is gone or used up is no question for the next.
                    $address = null;
                }
                $case = "{$method} {$path}, {$role->value} of {$workshop}, {$how}: {$status}";
                $foreign =
                    str_contains($path, '{') &&
                    !in_array("{$method} {$path}", INTO_ONES_OWN, true) &&
                    ($workshop !== 'Lathe Lane' || in_array($path, ONES_OWN, true));
                // What is the lead's alone is refused before anything is looked up: that tells nothing either.
                $expected = match (true) {
                    $foreign && !mayDo($role, $method, $path) => [403, 404],
                    $foreign => [404],
                    !mayDo($role, $method, $path) => [403],
                    // It looks for a finding, which none is asked for.
                    $path === '/jobs/{job}/remedies' => [404],
                    default => null,
                };
                $expected === null
                    ? expect(in_array($status, [401, 403, 404, 405, 419], true) || $status >= 500)->toBeFalse($case)
                    : expect(in_array($status, $expected, true))->toBeTrue($case);
            }
        }
    }
})->with(
    fn() => array_filter(
        endpoints(),
        fn(array $e): bool => ($e[1] !== '/sheets/{sheet}/pdf' && $e[1] !== '/photos/{photo}') || $e[0] !== 'GET',
    ),
);

it('says another workshop\'s job does not exist also to an apprentice who may not change it', function (): void {
    $job = jobOf($this->person(Role::Lead));
    $this->actingAs($this->person(Role::Apprentice, 'Otter Yard'));
    $edit = fn(array $intent) => postEdit($this, $job, 1, $intent);
    $edit(['kind' => 'remove_plan', 'plan' => 'p'])->assertNotFound();
    $edit(Sample::survey('c_air', '/label', 'Roof unit'))->assertNotFound();
});

it('takes the right from the intent itself, for every intent there is', function (): void {
    // By hand: what an apprentice surveys. Everything else is planning, and a word nobody knows is not surveying.
    $surveys = [
        'lay_out',
        'add_circuits',
        'survey_set',
        'survey_confirm',
        'set_walk',
        'survey_add',
        'survey_remove',
        'set_need',
        'set_place',
    ];
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($this->person(Role::Apprentice));
    foreach ([...array_keys(Intents::all()), 'survey_nonsense'] as $kind) {
        $status = postEdit($this, $job, 1, ['kind' => $kind])->getStatusCode();
        expect($status)->toBe(in_array($kind, $surveys, true) ? 422 : 403, $kind);
    }
    expect($job->refresh()->head)->toBe(1);
});
