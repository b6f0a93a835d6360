<?php

declare(strict_types=1);

use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Setting;
use Hollin\Core\Build\Sheets;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;
use Tests\Works;

/** @return array<string, Setting> of a device, by id */
function sheet(Examination $rig, string $device): array
{
    return array_column((new Sheets($rig))->all()[$device] ?? [], null, 'id');
}

/** The rig with every value of its sheets that the plan has a field for entered. */
function entered(stdClass $document, string $plan = 'p'): Examination
{
    foreach ((new Sheets(Rigs::planned($document, $plan)))->all() as $device => $sheet) {
        $limit = null;
        foreach ($sheet as $setting) {
            if (str_starts_with($setting->id, 'input_') && !str_ends_with($setting->id, '_gen')) {
                $limit = max($limit ?? 0.0, (float) $setting->value);
            }
        }
        foreach (['outputV' => 'absorption', 'chargerA' => 'amps'] as $field => $id) {
            $part = Rigs::planned($document, $plan)->graph->parts[$device];
            $value = array_column($sheet, 'value', 'id')[$id] ?? null;
            if ($value !== null && $part->numberOrNull($field) !== null) {
                $document = Rigs::edit($document, planSet($plan, $device, "/{$field}", $value));
            }
        }
        if ($limit !== null) {
            $document = Rigs::edit($document, planSet($plan, $device, '/inputLimitA', $limit));
        }
    }

    return Rigs::planned($document, $plan);
}

/** @return array<string, mixed> */
function planSet(string $plan, string $id, string $path, float $value): array
{
    return ['kind' => 'plan_set', 'plan' => $plan, 'component' => $id, 'path' => $path, 'value' => $value];
}

it('derives an inverter/charger for lithium from bank, management and supplies', function (): void {
    $rig = Rigs::planned(Rigs::demo('tideline'), 'line');
    $sheet = sheet($rig, 'inverter');
    // 4 cells of 3.6 V; battery makers' sheets, from memory.
    expect($sheet['absorption']->value)
        ->toBe(14.4)
        ->and($sheet['equalise']->value)
        ->toBe('off')
        ->and($sheet['compensation']->value)
        ->toBe(0.0)
        ->and($sheet['cold']->value)
        ->toBe(0.0);
    // Entered lower it would charge below freezing; higher is only careful.
    $work = Compiled::inARow([Works::demo('tideline', 'line')]);
    $cold = array_column(Works::step($work, Kind::Settings, 'inverter')->asks, null, 'id')['set_cold'];
    expect(array_map($cold->isRight(...), [-5.0, -0.5, 0.0, 3.0]))->toBe([false, false, true, true]);
    // 80 % of the breaker for hours (NEC 210.20(A), from memory); nine tenths of 2200 W at 120 V are 16.5 A.
    expect($sheet['input_30']->value)
        ->toBe(24.0)
        ->and($sheet['input_20']->value)
        ->toBe(16.0)
        ->and($sheet['input_15']->value)
        ->toBe(12.0)
        ->and($sheet['input_20_gen']->value)
        ->toBe(16.0);
    // 12.70 V with a tenth left, less 3000 W ÷ (12 V × 0.88) = 284 A through the bank, never below 10.5 V.
    $bank = array_values(array_filter($rig->graph->batteries, fn($b): bool => $b->component === 'bank'))[0];
    expect($sheet['low_cut']->value)->toEqualWithDelta(max(10.5, 12.7 - (3000 / (12 * 0.88)) * $bank->ohm), 0.06);
});

it('counts a monitor for its bank', function (): void {
    $sheet = sheet(Rigs::planned(Rigs::demo('tideline'), 'line'), 'shunt');
    expect($sheet['capacity']->value)
        ->toBe(280.0)
        ->and($sheet['full_v']->value)
        ->toBe(14.2)
        ->and($sheet['peukert']->value)
        ->toBe(1.0);
});

it('asks lead for its own volts, float and compensation', function (): void {
    $rig = Rigs::asFound(
        Rigs::job(
            ['kind' => 'survey_set', 'component' => 'house', 'path' => '/chemistry', 'value' => 'gel'],
            ['kind' => 'survey_set', 'component' => 'converter', 'path' => '/profile', 'value' => 'chosen'],
        ),
    );
    $sheet = sheet($rig, 'converter');
    // reference list, from memory: gel 14.0 to 14.4 and never equalised; −18 to −24 mV/°C.
    expect($sheet['absorption']->value)
        ->toBe(14.2)
        ->and($sheet['profile']->value)
        ->toBe('gel lead')
        ->and($sheet['compensation']->value)
        ->toBeLessThan(-17.0)
        ->toBeGreaterThan(-25.0);
});

it('brings chargers down together to what the management takes, and the load flow agrees', function (): void {
    $document = Rigs::job(Sample::choose('in_line', ['chargerA' => 100, 'unitAh' => 200, 'parallel' => 1]), [
        'kind' => 'plan_set',
        'plan' => 'p',
        'component' => 'bank',
        'path' => '/bmsChargeA',
        'value' => 60,
    ]);
    expect(Rigs::findings(Rigs::planned($document), 'charge_limit'))->not->toBe([]);
    expect(sheet(Rigs::planned($document), 'inverter')['amps']->value)->toBe(60.0);
    expect(Rigs::findings(entered($document), 'charge_limit'))->toBe([]);
});

it('derives nothing that the rules of charging then find wrong', function (string $name, string $plan): void {
    $rig = entered(Rigs::demo($name), $plan);
    $before = Rigs::planned(Rigs::demo($name), $plan);
    foreach (['charger_profile', 'charge_limit', 'charge_held_back'] as $rule) {
        $told = array_keys((new Sheets($rig))->all());
        $mine = array_filter(
            Rigs::findings($rig, $rule),
            fn($f): bool => array_intersect($f->hit->components, $told) !== [] &&
                array_filter($f->hit->components, fn(string $c): bool => in_array($c, $told, true)) ===
                    $f->hit->components,
        );
        expect(array_map(fn($f): string => $f->hit->text, $mine))->toBe([], "{$rule} in {$name}");
    }
    expect($before->named)->not->toBe([]);
})->with(fn(): array => Works::plans());

it('opens a sheet again when battery, supply or unit is another, and only then', function (): void {
    $compiled = Works::demo('tideline', 'line');
    expect(array_keys($compiled->sheets))->toContain('inverter', 'shunt');
    // Work on a 120 V circuit alone leaves every sheet as it is.
    $document = Rigs::job([
        'kind' => 'plan_set',
        'plan' => 'p',
        'component' => 'c_outlets',
        'path' => '/breakerA',
        'value' => 20,
    ]);
    expect(Works::compiled($document)->sheets)->toBe([]);
    // The bank of the demo with another capacity: the monitor has to be told.
    $demo = Rigs::edit(Rigs::demo('tideline'), planSet('line', 'bank', '/unitAh', 200.0));
    $marks = fn(stdClass $d): string => Works::step(
        Works::of($d, 'line'),
        \Hollin\Core\Build\Kind::Settings,
        'shunt',
    )->mark();
    expect($marks($demo))->not->toBe($marks(Rigs::demo('tideline')));
});

it('tells where the plan reckons with another value', function (): void {
    $sheet = sheet(Rigs::planned(Rigs::demo('tideline'), 'line'), 'inverter');
    $told = array_filter($sheet, fn(Setting $s): bool => $s->planned !== null);
    // The plan has 15 A, and no supply of this rig asks for that.
    expect(array_values(array_map(fn(Setting $s): array => [$s->field, $s->planned], $told)))->toBe([
        ['/inputLimitA', 15.0],
    ]);
});
