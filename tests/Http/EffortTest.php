<?php

declare(strict_types=1);

use App\Jobs\SummariseJob;
use App\Models\AuditEntry;
use App\Models\RigJob;
use App\Models\Role;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Operation\Flows;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\Effort;
use Hollin\Core\Solve\TooMuch;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Queue;
use Tests\Rigs;

/* A job file that is valid, however large, keeps nobody else from their work. */

/** A trailer whose circuits carry so many motors each. */
function crowded(int $motors): stdClass
{
    $loads = [];
    for ($n = 1; $n <= $motors; $n++) {
        $loads["m{$n}"] = ['label' => "Motor {$n}", 'watts' => 100, 'kind' => 'motor'];
    }
    $intents = [];
    foreach (['c_outlets', 'c_wet', 'c_water', 'c_fridge', 'c_air'] as $circuit) {
        $intents[] = Sample::survey($circuit, '/loads', $loads);
    }

    return Rigs::job(...$intents);
}

it('tells in words what was too much to check, and what was checked', function (): void {
    $job = new JobAnswers(crowded(150));
    $answer = $job->answer($job->views[0]['hash']);
    $found = array_values(array_filter($answer['findings'], fn(array $f): bool => $f['rule'] === 'not_checked'));
    expect($found)
        ->toHaveCount(1)
        ->and($found[0]['text'])
        ->toContain('750 loads at once')
        ->toContain('Checked was what is joined in every state')
        ->toContain('"shore 30 A"')
        ->and($answer['states'])
        ->not->toBe([]);
    // What is within the bound is worked out as ever.
    $few = new JobAnswers(crowded(2));
    expect(array_column($few->answer($few->views[0]['hash'])['findings'], 'rule'))->not->toContain('not_checked');
});

it('spends no more on a rig than its bound, counted and not timed', function (): void {
    $rig = Rigs::asFound(crowded(150));
    $flows = new Flows(new Effort(1e6));
    foreach ($rig->settled as $settled) {
        foreach ([$rig->allLoads(), array_slice($rig->allLoads(), 1)] as $running) {
            $flow = $flows->of($settled, $running);
            expect($flow->isSolved() || str_starts_with((string) $flow->trouble, TooMuch::WORDS))->toBeTrue();
        }
    }
    $nothing = new Effort(10.0);
    expect(fn() => $nothing->spend(11.0))->toThrow(TooMuch::class);
});

it('works nothing out for a list: the worker does, once a revision', function (): void {
    Queue::fake();
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    $this->getJson('/api/v1/jobs')->assertOk()->assertJsonPath('jobs.0.dangers', null);
    Queue::assertPushed(SummariseJob::class, 1);
    $this->getJson('/api/v1/jobs')->assertOk()->assertJsonPath('jobs.0.dangers', null);
    Queue::assertPushed(SummariseJob::class, 1);
    app()->call([new SummariseJob($job->id), 'handle']);
    $this->getJson('/api/v1/jobs')->assertJsonPath('jobs.0.dangers', fn(?int $n): bool => $n !== null);
    // What cannot be worked out is asked for no more.
    Cache::flush();
    (new SummariseJob($job->id))->failed();
    Queue::fake();
    $this->getJson('/api/v1/jobs')->assertJsonPath('jobs.0.dangers', null);
    Queue::assertNothingPushed();
});

it('works out no view unasked', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $this->actingAs($lead);
    foreach (['', '?want=', '?want=nothing'] as $query) {
        expect(
            (array) $this->getJson("/api/v1/jobs/{$job->id}{$query}")
                ->assertOk()
                ->json('answers'),
        )->toBe([]);
    }
    expect($this->getJson("/api/v1/jobs/{$job->id}?want=p/whole")->json('answers'))->toHaveCount(1);
});

it('puts a job away for a lead, out of every list, and takes it out again whole', function (): void {
    $lead = $this->person(Role::Lead);
    $job = jobOf($lead);
    $before = JobFile::write($job->revision(1)->decoded());
    foreach ([Role::Technician, Role::Apprentice] as $role) {
        $this->actingAs($this->person($role));
        $this->putJson("/api/v1/jobs/{$job->id}/away", ['away' => true])->assertForbidden();
    }
    $this->actingAs($lead);
    $changed = $job->refresh()->updated_at;
    $this->putJson("/api/v1/jobs/{$job->id}/away", ['away' => 'perhaps'])->assertStatus(422);
    $this->putJson("/api/v1/jobs/{$job->id}/away", ['away' => true])->assertNoContent();
    $this->getJson('/api/v1/jobs')->assertJsonPath('jobs', []);
    $this->getJson('/api/v1/jobs?away=1')->assertJsonPath('jobs.0.id', $job->id)->assertJsonPath('jobs.0.away', true);
    $this->getJson("/api/v1/jobs/{$job->id}")->assertOk();
    $this->putJson("/api/v1/jobs/{$job->id}/away", ['away' => false])->assertNoContent();
    $this->getJson('/api/v1/jobs')->assertJsonPath('jobs.0.id', $job->id);
    expect(JobFile::write(RigJob::query()->findOrFail($job->id)->revision(1)->decoded()))
        ->toBe($before)
        ->and($job->refresh()->updated_at->equalTo($changed))
        ->toBeTrue()
        ->and(
            AuditEntry::query()
                ->whereIn('what', ['job_put_away', 'job_taken_out'])
                ->count(),
        )
        ->toBe(2);
});
