<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * Rigs that would take for ever: as many of something as can be entered. Each is answered, with a true word of how far
 * was looked, within what a request has; and what is beyond that is refused before it is stored.
 */

/** @return array<string, mixed> a component of a type, as it stands in one of the example rigs */
function exampleOf(string $type): array
{
    foreach (array_keys(Rigs::DEMO) as $name) {
        $document = Rigs::demo($name);
        $all = array_values(get_object_vars($document->asFound->components));
        foreach (array_keys(get_object_vars($document->plans)) as $plan) {
            foreach (Planned::stages($document, (string) $plan) as $stage) {
                array_push($all, ...array_values(get_object_vars($stage->components)));
            }
        }
        foreach ($all as $component) {
            if ($component->type === $type) {
                return (array) json_decode((string) json_encode($component), true);
            }
        }
    }
    throw new LogicException("No example holds a {$type}.");
}

it('answers whatever is aboard, and says how far it looked', function (string $type): void {
    $document = Rigs::job(Sample::choose('in_line'));
    $component = array_diff_key(exampleOf($type), ['from' => 1, 'to' => 1, 'coil' => 1, 'plug' => 1]);
    if ($type === 'contactor') {
        $component['coil'] = ['at' => 'main_panel', 'port' => 'bus'];
    }
    if (isset($component['reaches'])) {
        $component['reaches'] = 'inlet';
    }
    for ($i = 0; $i < 12; $i++) {
        $document->asFound->components->{"x{$i}"} = Rigs::object(['label' => "{$type} {$i}"] + $component);
    }
    memory_reset_peak_usage();
    $before = memory_get_usage();
    $job = new JobAnswers($document);
    foreach ($job->views as $view) {
        $answer = $job->answer($view['hash']);
        expect($answer['checked']['words'])->not->toBe('');
        if (!$answer['checked']['all']) {
            expect($answer['checked']['words'])->toMatch('/too m(any|uch) to check|not all of/');
        }
    }
    // A request has 128 MB.
    expect(memory_get_peak_usage() - $before)->toBeLessThan(100_000_000);
})->with([
    'inverter_charger',
    'inverter',
    'surge_unit',
    'converter',
    'transfer_switch',
    'contactor',
    'generator',
    'shore_supply',
    'dc_switch',
    'bypass',
]);

it('refuses more of a kind than can be reckoned with, as found and planned', function (): void {
    $add = fn(int $i, string $kind): array => [
        'kind' => $kind,
        'id' => "x{$i}",
        'component' => ['label' => "Set {$i}", 'reaches' => 'inlet'] + exampleOf('generator'),
    ];
    $document = Rigs::job();
    for ($i = 0; $i < 16; $i++) {
        $document = Rigs::edit($document, $add($i, 'survey_add'));
    }
    expect(fn() => Rigs::edit($document, $add(16, 'survey_add')))
        ->toThrow(Refused::class, 'up to 16 can be reckoned with')
        ->and(fn() => Rigs::edit($document, ['plan' => 'p'] + $add(16, 'plan_fit')))
        ->toThrow(Refused::class, 'up to 16 can be reckoned with');
});
