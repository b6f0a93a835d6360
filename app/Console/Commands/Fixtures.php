<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Controllers\ReferenceController;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Times;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\Values;
use Illuminate\Console\Command;

/** Answers of the example files as they are now, for the tests of the interface: made, never kept. */
final class Fixtures extends Command
{
    private const FROM = [
        'demo' => 'tests/golden/format-1.json',
        'archive' => 'docs/examples/archive-trailer.json',
        'tideline' => 'docs/examples/tide-line-van.json',
        'bellows' => 'docs/examples/bellows-trailer.json',
    ];

    protected $signature = 'hollin:fixtures';

    protected $description = 'Write the reference and answers of examples to storage/fixtures, for interface tests';

    public function handle(ReferenceController $reference): int
    {
        @mkdir(base_path('storage/fixtures'), 0o755, true);
        file_put_contents(base_path('storage/fixtures/reference.json'), $reference->show()->getContent());
        foreach (self::FROM as $name => $file) {
            $job = new JobAnswers(JobFile::read((string) file_get_contents(base_path($file))));
            $answers = [];
            foreach ($job->views as $view) {
                $answers[$view['id']] = $job->answer($view['hash']);
            }
            file_put_contents(
                base_path("storage/fixtures/{$name}.json"),
                json_encode($answers, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            );
        }

        file_put_contents(base_path('storage/fixtures/logbook.json'), $this->logbook());

        return self::SUCCESS;
    }

    /**
     * The work of a demo plan, lines drawn at random, and how every step stands after each of them: the tablet reads
     * the same logbook with a program of its own.
     */
    private function logbook(): string
    {
        $document = JobFile::read((string) file_get_contents(base_path(self::FROM['tideline'])));
        $answer = BuildAnswer::of($document, 'line');
        mt_srand(7);
        $steps = array_values($answer->work->steps);
        $cases = [];
        for ($case = 0; $case < 25; $case++) {
            $entries = $lines = [];
            for ($n = 1; $n <= 60; $n++) {
                // Mostly down the rope, now and then anywhere.
                $step =
                    $steps[mt_rand(0, 3) > 0 ? min(count($steps) - 1, intdiv($n, 3)) : mt_rand(0, count($steps) - 1)];
                [$kind, $says] = $this->drawn($step);
                $at = gmdate('Y-m-d\TH:i:s\Z', 1_800_000_000 + 60 * $n);
                $lines[] = [
                    'uuid' => "u{$n}",
                    'kind' => $kind->value,
                    'step' => $step->id,
                    'says' => $says,
                    'at' => $at,
                ];
                $entries[] = new Entry(
                    "u{$n}",
                    $n,
                    $kind,
                    $step->id,
                    new Values((object) $says),
                    $at,
                    'Idris',
                    'one',
                    $n - 1,
                );
            }
            $stands = fn(int $count): array => $answer->stands(
                $answer->logbook(array_slice($entries, 0, $count)),
                '2026-11-27',
            );
            $cases[] = ['lines' => $lines, 'before' => $stands(20)['states'], 'after' => $stands(60)['states']];
        }

        return json_encode(
            ['work' => $answer->toArray(new Times()), 'cases' => $cases],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /** @return array{EntryKind, array<string, mixed>} */
    private function drawn(Step $step): array
    {
        $ask = $step->asks[mt_rand(0, count($step->asks) - 1)];
        $given = match ($ask->kind) {
            'tick' => ['tick' => mt_rand(0, 3) > 0],
            'number' => ['number' => mt_rand(0, 3) > 0 ? $ask->low ?? ($ask->high ?? 1.0) : 9e5],
            default => ['words' => 'as read'],
        };

        return match (mt_rand(0, 9)) {
            0 => [EntryKind::Start, []],
            1, 2 => [EntryKind::Done, ['mark' => mt_rand(0, 4) > 0 ? $step->mark() : 'another']],
            3 => [EntryKind::Undone, ['words' => 'not yet after all']],
            4 => [EntryKind::Override, ['words' => 'comes tomorrow']],
            5 => [EntryKind::Note, ['words' => 'a note']],
            6 => [EntryKind::Photo, ['sha256' => str_repeat('a', 64), 'ask' => $ask->id]],
            default => [EntryKind::Value, ['ask' => $ask->id] + $given],
        };
    }
}
