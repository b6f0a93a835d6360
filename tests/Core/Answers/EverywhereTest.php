<?php

declare(strict_types=1);

use Hollin\Core\Rules\Judge;
use Symfony\Component\Process\Process;
use Tests\Everywhere;
use Tests\Rigs;

/*
 * Every rig in a file answers, in every view, for a person and for a program, as the samples of the rules do in
 * tests/Laws; and a crash is no verdict.
 */

/** Runs the command on a file, as a person does. */
function check(string $file, string ...$how): Process
{
    $run = new Process(['php', 'artisan', 'hollin:check', $file, ...$how], dirname(__DIR__, 3), timeout: 120);
    $run->run();

    return $run;
}

it('answers every file in every view, as text and as JSON', function (string $file): void {
    expect(check($file)->getExitCode())->toBeIn([0, 1]);
    $run = check($file, '--json');
    expect($run->getExitCode())->toBeIn([0, 1], $run->getErrorOutput());
    $said = json_decode($run->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    expect(array_keys($said['answers']))->toBe(array_column($said['views'], 'id'));
    foreach ($said['answers'] as $view => $answer) {
        expect($answer['states'])->not->toBe([], $view)->and($answer['flows'])->toBeArray();
    }
})->with(fn(): array => array_map(fn(string $f): array => [$f], Everywhere::files()));

it('tells of a hot skin whatever else surrounds the rig', function (string $file): void {
    foreach (Everywhere::views(dirname(__DIR__, 2) . "/rigs/{$file}.json") as $view => $rig) {
        expect(count($rig->graph->surroundings))->toBeGreaterThan(1);
        $found = array_filter(
            (new Judge($rig))->findings,
            fn($f): bool => $f->rule->id === 'frame_energised' &&
                str_contains($f->hit->text, 'It cannot be found from inside the rig.'),
        );
        expect(array_map(fn($f): string => strtolower((string) $f->hit->title), array_values($found)))->toContain(
            'hot skin: park ground raised by a neighbour\'s fault',
        );
    }
})->with(['sun-and-a-cord', 'sun-and-a-surge-unit', 'cold-cells-and-a-surge-unit']);

it('asks the pedestal of every cord, each by itself', function (): void {
    $second = [
        [
            'kind' => 'survey_add',
            'id' => 'inlet_b',
            'component' => [
                'type' => 'inlet',
                'label' => 'Side inlet',
                'ratingA' => 30,
                'form' => 'inlet',
                'cord' => ['size' => 'awg:10', 'lengthM' => 7.6, 'sheath' => 'cord'],
            ],
        ],
        [
            'kind' => 'survey_add',
            'id' => 'shore_b',
            'component' => [
                'type' => 'shore_supply',
                'label' => 'Second pedestal',
                'reaches' => 'inlet_b',
                'supplies' => ['b30' => ['ratingA' => 30]],
            ],
        ],
    ];
    $rig = Rigs::asFound(Rigs::job(...$second));
    $states = array_keys($rig->faults());
    expect($states)->toContain('fault_reversed')->toContain('fault_reversed_shore_b');
    foreach ($rig->faults() as $id => $state) {
        $unusual = array_filter(
            $state->setting->surroundings,
            fn(string $value, string $s): bool => $value !== $rig->graph->surroundings[$s]->usual,
            ARRAY_FILTER_USE_BOTH,
        );
        expect($unusual)->toBe([$state->fault?->surrounding => $state->fault?->value], (string) $id);
    }
});

it('ends with 3 when the program itself fails, and says that nothing was checked', function (string $breaks): void {
    foreach ([[], ['--json']] as $how) {
        $run = new Process(
            ['php', '-d', $breaks, 'artisan', 'hollin:check', 'docs/examples/tide-line-van.json', ...$how],
            dirname(__DIR__, 3),
            timeout: 60,
        );
        $run->run();
        expect($run->getExitCode())
            ->toBe(3, $run->getOutput() . $run->getErrorOutput())
            ->and($run->getErrorOutput())
            ->toContain('Nothing was checked');
    }
})->with([
    'a function that is not there' => 'disable_functions=deg2rad',
    'no memory left' => 'memory_limit=30M',
]);
