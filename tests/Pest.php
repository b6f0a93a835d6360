<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Rules\Sample;
use Illuminate\Foundation\Testing\RefreshDatabase;
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
