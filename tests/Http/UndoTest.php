<?php

declare(strict_types=1);

use App\Actions\Design;
use App\Models\Role;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Str;
use Tests\Everywhere;

/* There and back over every rig in a file: what is taken back leaves the job, and so all answers, as they were. */

it('answers the same once everything is taken back', function (string $file): void {
    $lead = $this->person(Role::Lead);
    $document = JobFile::read((string) file_get_contents($file));
    $job = app(Design::class)->create($lead, $document->title, $document->rig->kind, null, $document);
    $this->actingAs($lead);
    $before = $job->revision(1)->decoded();
    $hashes = (new JobAnswers($before))->hashes();
    $edits = [
        ['kind' => 'set_title', 'title' => 'Taken back'],
        Sample::add('law_bar', ['type' => 'splice_box', 'label' => 'A box that nothing is in', 'volumeCm3' => 300]),
        ['kind' => 'add_plan', 'id' => 'law', 'title' => 'Law'],
    ];
    $went = 0;
    foreach ($edits as $edit) {
        $went += postEdit($this, $job, $went + 1, $edit)->status() === 200 ? 1 : 0;
    }
    expect($went)->toBe(3);
    expect((new JobAnswers($job->revision($went + 1)->decoded()))->hashes())->not->toBe($hashes);
    for ($n = 0; $n < $went; $n++) {
        $this->postJson("/api/v1/jobs/{$job->id}/undo", ['uuid' => (string) Str::uuid(), 'want' => []])->assertOk();
    }
    $after = $job->revision(2 * $went + 1)->decoded();
    expect($after == $before)
        ->toBeTrue()
        ->and((new JobAnswers($after))->hashes())
        ->toBe($hashes);
})->with(
    fn(): array => array_map(fn(string $f): array => [$f], Everywhere::files('docs/examples', 'tests/rigs/known')),
);
