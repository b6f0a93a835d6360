<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Actions\People;
use App\Auth\Entry;
use App\Models\Photo;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\Sheet;
use App\Models\User;
use Hollin\Core\Rules\Sample;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Rigs;
use Tests\TestCase;

pest()->extend(TestCase::class)->use(RefreshDatabase::class)->in('Http');

/** A job with a subpanel plan "p". */
function jobOf(User $user): RigJob
{
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'left']));

    return app(Design::class)->create($user, $document->title, 'travel_trailer', null, $document);
}

/** @param array<string, mixed> $intent */
function postEdit(Tests\TestCase $test, RigJob $job, int $base, array $intent, ?string $uuid = null): TestResponse
{
    return $test->postJson("/api/v1/jobs/{$job->id}/edits", [
        'uuid' => $uuid ?? (string) Str::uuid(),
        'base' => $base,
        'intent' => $intent,
        'want' => ['p/whole'],
        'have' => [],
    ]);
}

/** @return array<string, array{string, string}> method and path of everything that is described */
function endpoints(): array
{
    $found = [];
    foreach (
        json_decode((string) file_get_contents(dirname(__DIR__) . '/docs/openapi.json'), true)['paths']
        as $path => $methods
    ) {
        foreach (array_keys($methods) as $method) {
            $method = strtoupper((string) $method);
            if (
                !in_array("{$method} {$path}", ['POST /session', 'POST /set-up', 'POST /join', 'POST /join/look'], true)
            ) {
                $found["{$method} {$path}"] = [$method, $path];
            }
        }
    }

    return $found;
}

/** The address with what belongs to a job of a workshop. */
function addressOf(TestCase $test, string $path, User $owner): string
{
    $job = jobOf($owner);
    $photo = Photo::query()->create([
        'rig_job_id' => $job->id,
        'user_id' => $owner->id,
        'component' => 'inlet',
        'sha256' => str_repeat('a', 64),
        'bytes' => 10,
        'width' => 1,
        'height' => 1,
    ]);
    $sheet = Sheet::query()->create([
        'rig_job_id' => $job->id,
        'user_id' => $owner->id,
        'revision' => 1,
        'view' => 'as_found',
        'paper' => 'letter',
        'status' => 'done',
    ]);
    $token = $owner->createToken('a program', ['read'])->accessToken;
    $ids = [
        '{job}' => $job->id,
        '{photo}' => $photo->id,
        '{sheet}' => $sheet->id,
        '{token}' => $token->id,
        '{person}' => $test->person(Role::Technician, $owner->workshop->name)->id,
        '{link}' => app(People::class)->invite($owner, 'Wren', Role::Apprentice)[0]->id,
        '{signIn}' => Entry::begin($owner, null, null)->id,
        '{rig}' => $owner->workshop->rigs()->create(['name' => 'Ash van', 'kind' => 'van'])->id,
        '{code}' => $owner->workshop
            ->catalogueEntries()
            ->firstOrCreate(['code' => 'ash'], ['body' => ['kind' => 'lug', 'name' => 'Ash']])->code,
        '{customer}' => $owner->workshop->customers()->create(['name' => 'Ash Tally'])->id,
    ];

    return '/api/v1' . strtr($path, $ids);
}

/** Findings of the job's plan that need a reason. @return array<string, string> */
function reasons(TestCase $test, RigJob $job): array
{
    $why = [];
    foreach (
        $test
            ->getJson("/api/v1/jobs/{$job->id}/approvals?plan=p")
            ->assertOk()
            ->json('open')
        as $open
    ) {
        if ($open['severity'] === 'danger') {
            $why[$open['id']] = 'put right in the second week';
        }
    }

    return $why;
}

function approve(TestCase $test, RigJob $job, ?string $uuid = null): TestResponse
{
    return $test->postJson("/api/v1/jobs/{$job->id}/approvals", [
        'uuid' => $uuid ?? (string) Str::uuid(),
        'revision' => $job->refresh()->head,
        'plan' => 'p',
        'open' => reasons($test, $job),
        'words' => 'as talked through',
    ]);
}

/** @param array<string, mixed> $says @return array<string, mixed> */
function logLine(
    string $kind,
    string $step = '',
    array $says = [],
    int $seen = 0,
    string $at = '2026-11-27T09:00:00Z',
): array {
    return [
        'uuid' => (string) Str::uuid(),
        'kind' => $kind,
        'step' => $step,
        'says' => (object) $says,
        'at' => $at,
        'seen' => $seen,
    ];
}

/** @param list<array<string, mixed>> $entries */
function sendLog(
    TestCase $test,
    RigJob $job,
    array $entries,
    string $tablet = 'one',
    ?string $sentAt = null,
): TestResponse {
    return $test->postJson("/api/v1/jobs/{$job->id}/log", [
        'tablet' => $tablet,
        'revision' => 1,
        'sentAt' => $sentAt ?? Carbon::now('UTC')->format('Y-m-d\TH:i:s\Z'),
        'entries' => $entries,
    ]);
}
