<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Source;
use Hollin\Core\Rules\Examination;

/**
 * What is entered into each device that can be told something, derived from the bank it charges, what feeds it, its
 * battery management and what else charges beside it. The sheet of the battery's maker wins.
 */
final readonly class Sheets
{
    /** Facts that are entered and not exchanged. */
    public const SOFT = [
        'profile',
        'inputLimitA',
        'outputV',
        'cutOffV',
        'opensV',
        'closesV',
        'opensAfterS',
        'closesAfterS',
        'delayS',
        'prefers',
        'usual',
        'rejectsBelowV',
        'rejectsAboveV',
        'assist',
        'autoStart',
        'loadA',
        'jointMilliohm',
        'ends',
        'cold',
        'coldestC',
    ];

    /** How far entered volts may be off, of a 12 V system, V. Common practice, no source. */
    public const WITHIN_V = 0.1;

    public function __construct(private Examination $rig) {}

    /** @return array<string, list<Setting>> by device */
    public function all(): array
    {
        $sheets = [];
        $devices = new DeviceSheets($this->rig);
        foreach ($this->rig->graph->converters as $converter) {
            $part = $this->rig->graph->partAt($converter->component);
            $bank = $this->bankOf($converter);
            if ($part === null || $bank === null || !$converter->charges() || !$this->isTold($part)) {
                continue;
            }
            $sheets[$part->id] = [...$sheets[$part->id] ?? [], ...$this->charging($converter, $part, $bank)];
        }
        foreach ($this->rig->graph->converters as $converter) {
            $part = $this->rig->graph->partAt($converter->component);
            if ($part?->is('inverter', 'inverter_charger') === true && $converter->kind === PowerConverter::INVERTER) {
                $sheets[$part->id] = [
                    ...$sheets[$part->id] ?? [],
                    ...$devices->limits($part),
                    ...$devices->inverting($converter),
                ];
            }
        }
        foreach ($this->rig->graph->parts as $id => $part) {
            $own = $devices->others($part);
            if ($own !== []) {
                $sheets[(string) $id] = [...$sheets[(string) $id] ?? [], ...$own];
            }
        }

        return array_map(self::once(...), $sheets);
    }

    /**
     * @param list<Setting> $sheet
     * @return list<Setting> each setting once
     */
    private static function once(array $sheet): array
    {
        $by = [];
        foreach ($sheet as $setting) {
            $by[$setting->id] ??= $setting;
        }

        return array_values($by);
    }

    /** Whether somebody enters anything into it: an engine's alternator is as it is. */
    private function isTold(Part $part): bool
    {
        return $part->is('inverter_charger') ||
            ($part->is('converter', 'solar_charger', 'dcdc_charger') &&
                in_array($part->text('profile'), ['chosen', 'lithium'], true));
    }

    /** The bank that a charger reaches in any state; the largest of several. */
    private function bankOf(PowerConverter $converter): ?Battery
    {
        $best = null;
        foreach ($this->rig->graph->batteries as $bank) {
            if ($best !== null && $best->capacityAh >= $bank->capacityAh) {
                continue;
            }
            foreach ($this->rig->settled as $settled) {
                if ($settled->situation->paired($converter->output, [$bank->pos, $bank->neg])) {
                    $best = $bank;
                    break;
                }
            }
        }

        return $best;
    }

    /** @return list<Setting> */
    private function charging(PowerConverter $charger, Part $part, Battery $bank): array
    {
        $kind = $bank->chemistry;
        $times = $bank->blocks();
        $label = $this->rig->graph->label($bank->component);
        $volts = round($kind->absorptionV() * $times, 2);
        $planned = $part->numberOrNull('outputV');
        [$amps, $why] = $this->amps($charger, $bank);
        $settings = [
            new Setting(
                'profile',
                'Battery type',
                $kind->isLead() ? $kind->label() : 'lithium, LiFePO₄',
                '',
                "{$label} is {$kind->label()}",
                $kind->source(),
                planned: in_array($part->text('profile'), ['', 'chosen'], true)
                    ? null
                    : ($part->text('profile') === ($kind->isLead() ? 'lead' : 'lithium')
                        ? null
                        : $part->text('profile')),
                field: '/profile',
            ),
            new Setting(
                'absorption',
                'Absorption volts',
                $volts,
                'V',
                sprintf('%s, %g V nominal; the battery\'s own sheet wins', $kind->label(), $bank->ratedV),
                $kind->source(),
                self::WITHIN_V * $times,
                $planned !== null && abs($planned - $volts) > 0.3 * $times ? $planned : null,
                '/outputV',
            ),
            new Setting(
                'float',
                'Float volts',
                round($kind->floatV() * $times, 2),
                'V',
                $kind->isLead() ? 'keeps it full without gassing' : 'full lithium rests: float low, or none',
                $kind->source(),
                self::WITHIN_V * $times,
            ),
            new Setting(
                'equalise',
                'Equalising',
                $kind->label() === 'flooded lead' ? 'by hand only' : 'off',
                '',
                $kind->isLead()
                    ? 'gas and heat, with somebody beside it'
                    : 'its volts open the management or ruin cells',
                $kind->source(),
            ),
            new Setting(
                'compensation',
                'Temperature compensation',
                round($kind->compensationMv() * $times, 1),
                'mV/°C',
                $kind->isLead() ? 'for the whole battery, its sensor on it' : 'lithium has none',
                $kind->source(),
                $kind->isLead() ? 3.0 * $times : 0.01,
            ),
            new Setting('amps', 'Charging current', $amps, 'A', $why, Source::commonPractice(), 0.5),
        ];
        if (!$kind->isLead()) {
            $settings[] = new Setting(
                'cold',
                'Stops below',
                0.0,
                '°C',
                match ($bank->cold) {
                    'blocks' => 'its management blocks it too: set here as well, so that nothing stands on a bus alone',
                    'heats' => 'it heats itself first',
                    default => 'charging below freezing plates the cells, and nothing else is known to stop it',
                },
                $kind->source(),
                5.0,
                least: true,
            );
        }

        return $settings;
    }

    /**
     * Charging current of one device: its own most, brought down with the others that can be told, so that in no state
     * all together push more into the bank than it takes.
     *
     * @return array{float, string}
     */
    private function amps(PowerConverter $charger, Battery $bank): array
    {
        $own = $charger->limitA;
        $takes = $bank->chargeLimitA ?? $bank->chemistry->chargeShare() * $bank->capacityAh;
        $said =
            $bank->chargeLimitA === null
                ? sprintf(
                    '%g Ah take %g A (%g of the capacity)',
                    $bank->capacityAh,
                    $takes,
                    $bank->chemistry->chargeShare(),
                )
                : sprintf('its management takes %g A', $takes);
        $least = $own;
        $with = [];
        foreach ($this->rig->settled as $settled) {
            $situation = $settled->situation;
            $on = $situation->charging() + $situation->givingDirect();
            if (!isset($on[$charger->id])) {
                continue;
            }
            $fixed = $told = 0.0;
            $names = [];
            foreach (array_keys($on) as $id) {
                $other = $this->rig->graph->converters[$id];
                if (!$situation->paired($other->output, [$bank->pos, $bank->neg])) {
                    continue;
                }
                $part = $this->rig->graph->partAt($other->component);
                if ($part !== null && $this->isTold($part)) {
                    $told += $other->limitA;
                } else {
                    $fixed += $other->limitA;
                }
                if ($id !== $charger->id) {
                    $names[] = $this->rig->graph->label($other->component);
                }
            }
            $left = $fixed + $told <= $takes || $told <= 0 ? $own : ($own * max(0.0, $takes - $fixed)) / $told;
            if ($left < $least - 1e-9) {
                $least = $left;
                $with = $names;
            }
        }
        $amps = floor($least + 1e-9);

        return [
            $amps,
            $amps >= floor($own)
                ? "all it gives; {$said}"
                : $said . ($with === [] ? '' : ', with ' . implode(', ', $with) . ' at the same time'),
        ];
    }
}
