<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Controllers\ReferenceController;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\Ask;
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

    /** Logbooks that are drawn: every second begins with steps done as they should be. */
    private const CASES = 40;

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
        $document = JobFile::read((string) file_get_contents(base_path('docs/examples/grafting-trailer.json')));
        $answer = BuildAnswer::of($document, 'panel');
        mt_srand(7);
        $steps = array_values($answer->work->steps);
        foreach ($steps as $step) {
            foreach ($step->lists as $line) {
                if (($line['key'] ?? '') !== '') {
                    $this->materials[] = ['key' => $line['key'], 'words' => $line['words']];
                }
            }
        }
        $cases = [];
        for ($case = 0; $case < self::CASES; $case++) {
            $drawn =
                $case % 2 === 0
                    ? []
                    : $this->down($steps, $case % 8 === 7 ? count($steps) : mt_rand(1, $case % 4 === 1 ? 12 : 50));
            $begun = count($drawn);
            for ($n = 1; $n <= 60; $n++) {
                // Mostly down the rope, now and then anywhere.
                $step =
                    $steps[mt_rand(0, 3) > 0 ? min(count($steps) - 1, intdiv($n, 3)) : mt_rand(0, count($steps) - 1)];
                $drawn[] = $this->drawn($step);
            }
            $entries = $lines = [];
            foreach ($drawn as $n => [$kind, $about, $says]) {
                $at = gmdate('Y-m-d\TH:i:s\Z', 1_800_000_000 + 60 * $n);
                $lines[] = ['uuid' => "u{$n}", 'kind' => $kind->value, 'step' => $about, 'says' => $says, 'at' => $at];
                $entries[] = new Entry(
                    "u{$n}",
                    $n + 1,
                    $kind,
                    $about,
                    new Values((object) $says),
                    $at,
                    'Idris',
                    'one',
                    $n,
                );
            }
            $known = $begun === 0 ? 20 : mt_rand(0, count($lines) - 1);
            $stands = fn(int $count): array => $answer->stands(
                $answer->logbook(array_slice($entries, 0, $count)),
                '2026-11-27',
            );
            $before = $stands($known);
            $cases[] = [
                'known' => $known,
                'lines' => $lines,
                'before' => $before['states'],
                'arrivals' => (object) $before['arrivals'],
                'replaced' => $before['replaced'],
                'after' => $stands(count($lines))['states'],
            ];
        }

        return json_encode(
            ['work' => $answer->toArray(new Times()), 'cases' => $cases],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /** @var list<array{key: string, words: string}> what the work takes */
    private array $materials = [];

    /**
     * The first steps of the rope as they should be done, each thing recorded and right.
     *
     * @param list<Step> $steps
     * @return list<array{EntryKind, string, array<string, mixed>}>
     */
    private function down(array $steps, int $count): array
    {
        $lines = [];
        foreach (array_slice($steps, 0, $count) as $step) {
            foreach ($step->asks as $ask) {
                if ($ask->kind === 'photo') {
                    $lines[] = [EntryKind::Photo, $step->id, ['sha256' => str_repeat('a', 64), 'ask' => $ask->id]];
                } elseif ($ask->kind === 'tick' && $ask->otherwise !== '' && mt_rand(0, 5) === 0) {
                    $way = 'meter lead clipped at the bar behind the cover';
                    $lines[] = [EntryKind::Value, $step->id, ['ask' => $ask->otherwise, 'words' => $way]];
                } elseif ($ask->kind !== 'reckoned') {
                    $lines[] = [EntryKind::Value, $step->id, ['ask' => $ask->id] + $this->given($ask, true)];
                }
            }
            $lines[] = [EntryKind::Done, $step->id, ['mark' => $step->mark()]];
        }

        return $lines;
    }

    /** @return array<string, mixed> */
    private function given(Ask $ask, bool $right): array
    {
        return match ($ask->kind) {
            'tick' => ['tick' => $right],
            'number' => ['number' => $right ? $ask->low ?? ($ask->high ?? 1.0) : 9e5],
            default => ['words' => $ask->expected === '' || !$right ? 'as read' : $ask->expected],
        };
    }

    /** @return array{EntryKind, string, array<string, mixed>} kind, step, what it says */
    private function drawn(Step $step): array
    {
        $ask = $step->asks[mt_rand(0, count($step->asks) - 1)];
        $material = $this->materials[mt_rand(0, count($this->materials) - 1)];

        return match (mt_rand(0, 13)) {
            0 => [EntryKind::Start, $step->id, []],
            1, 2 => [EntryKind::Done, $step->id, ['mark' => mt_rand(0, 4) > 0 ? $step->mark() : 'another']],
            3 => [EntryKind::Undone, $step->id, ['words' => 'not yet after all']],
            4 => [EntryKind::Override, $step->id, ['words' => 'the sleeves come tomorrow at noon']],
            5 => [EntryKind::Note, $step->id, ['words' => 'a note']],
            6 => [EntryKind::Photo, $step->id, ['sha256' => str_repeat('a', 64), 'ask' => $ask->id]],
            7 => [EntryKind::Arrival, '', ['key' => $material['key'], 'here' => mt_rand(0, 2) === 0]],
            8 => [
                EntryKind::Substitute,
                '',
                ['key' => mb_substr($material['words'], 0, 80), 'words' => 'another', 'why' => 'sold out'],
            ],
            9 => [
                EntryKind::Value,
                $step->id,
                ['ask' => $ask->signedBy !== '' ? $ask->signedBy : Ask::UNREAD, 'words' => 'nobody gets there'],
            ],
            10 => $ask->otherwise === ''
                ? [EntryKind::Value, $step->id, ['ask' => $ask->id] + $this->given($ask, false)]
                : [
                    EntryKind::Value,
                    $step->id,
                    ['ask' => $ask->otherwise, 'words' => 'at the lug behind the cover plate'],
                ],
            default => [EntryKind::Value, $step->id, ['ask' => $ask->id] + $this->given($ask, mt_rand(0, 3) > 0)],
        };
    }
}
