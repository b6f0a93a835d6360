<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\ForHours;
use Hollin\Core\Reference\Source;
use Hollin\Core\Rules\Examination;

/** Settings that are no charging profile: input limits by supply, cut-offs, monitors, relays, switches. */
final readonly class DeviceSheets
{
    public function __construct(private Examination $rig) {}

    /** @return list<Setting> input limit of an inverter/charger by what feeds it */
    public function limits(Part $part): array
    {
        if (!$part->has('inputLimitA')) {
            return [];
        }
        $settings = [];
        $largest = 0.0;
        foreach ($this->rig->graph->supplies as $supply) {
            foreach ($supply->ratingsA as $rating) {
                $hours = floor(ForHours::amps($rating));
                $rated = $this->rig->graph->partAt($supply->component)?->numberOrNull('ratedW');
                // A set runs for hours at nine tenths of what it is named after. Common practice, no source.
                $amps = $rated === null ? $hours : min($hours, floor((0.9 * $rated) / 120));
                $largest = max($largest, $amps);
                $key = 'input_' . (string) round($rating) . ($supply->kind === 'generator' ? '_gen' : '');
                $settings[$key] = new Setting(
                    $key,
                    sprintf(
                        'Input limit on %s',
                        $supply->kind === 'generator'
                            ? $this->rig->graph->label($supply->component)
                            : sprintf('a %g A supply', $rating),
                    ),
                    $amps,
                    'A',
                    $rated === null
                        ? sprintf('80 %% of %g A for hours; set back on a smaller supply', $rating)
                        : sprintf('nine tenths of %g W, and 80 %% of its %g A breaker', $rated, $rating),
                    ForHours::source(),
                    0.5,
                );
            }
        }
        $planned = $part->number('inputLimitA');
        if (
            $settings !== [] &&
            !in_array($planned, array_map(fn(Setting $s): float => (float) $s->value, $settings), true)
        ) {
            // Told at the supply that gives most: there it holds charging back, or asks for too much.
            $first = (string) array_search(
                $largest,
                array_map(fn(Setting $s): float => (float) $s->value, $settings),
                true,
            );
            $s = $settings[$first];
            $settings[$first] = new Setting(
                $s->id,
                $s->words,
                $s->value,
                $s->unit,
                $s->why,
                $s->source,
                $s->within,
                $planned,
                '/inputLimitA',
            );
        }

        return array_values($settings);
    }

    /** @return list<Setting> */
    public function inverting(PowerConverter $inverter): array
    {
        $bank = null;
        foreach ($this->rig->graph->batteries as $battery) {
            foreach ($this->rig->settled as $settled) {
                if ($settled->situation->joined($inverter->input[0], $battery->pos)) {
                    $bank ??= $battery;
                }
            }
        }
        if ($bank === null) {
            return [];
        }
        $kind = $bank->chemistry;
        $rest = $kind->restAtV(1 - $kind->usableShare()) * $bank->blocks();
        $amps = ($inverter->limitA * $inverter->holdsV) / ($inverter->nominalV * $inverter->efficiency);
        $sag = $amps * $bank->ohm;
        $volts = max($inverter->cutOffV, round($rest - $sag, 1));

        return [
            new Setting(
                'low_cut',
                'Low-voltage cut-off',
                $volts,
                'V',
                sprintf(
                    '%.2f V at rest with %.0f %% left, less %.2f V at %.0f A; never below the %g V it was sized with',
                    $rest,
                    100 * (1 - $kind->usableShare()),
                    $sag,
                    $amps,
                    $inverter->cutOffV,
                ),
                Source::computed('rest volts and resistance of the bank'),
                Sheets::WITHIN_V * $bank->blocks(),
            ),
            new Setting(
                'search',
                'Search mode',
                'off',
                '',
                'small loads do not wake it, and a meter then reads near nothing on a live output',
                Source::commonPractice(),
            ),
        ];
    }

    /** @return list<Setting> of monitors, relays and switches */
    public function others(Part $part): array
    {
        $own = fn(string $id, string $words, string $field, string $unit, string $why): array => $part->has($field)
            ? [
                new Setting(
                    $id,
                    $words,
                    $part->numberOrNull($field) ?? $part->text($field),
                    $unit,
                    $why,
                    Source::computed('the plan'),
                    $part->numberOrNull($field) === null ? null : 0.05,
                ),
            ]
            : [];

        return match ($part->type) {
            'shunt' => $this->monitor(),
            'separator' => [
                ...$own('closes', 'Closes at', 'closesV', 'V', 'above what a resting battery shows'),
                ...$own('opens', 'Opens at', 'opensV', 'V', 'below it, so that it does not chatter'),
            ],
            'cut_off' => [
                ...$own(
                    'opens',
                    'Opens below',
                    'opensV',
                    'V',
                    'before the battery is hurt; never detectors or brakes behind it',
                ),
                ...$own('closes', 'Closes again from', 'closesV', 'V', 'charged, not only rested'),
            ],
            'transfer_switch' => [
                ...$own('prefers', 'Prefers', 'prefers', '', 'as the plan has it'),
                ...$own('delay', 'Waits', 'delayS', 's', 'for a generator to run up'),
            ],
            'surge_unit' => $own('delay', 'Waits', 'delayS', 's', 'compressors start against pressure otherwise'),
            'generator' => $part->flag('autoStart')
                ? [
                    new Setting(
                        'auto_start',
                        'Automatic start',
                        'off until the rig is handed over',
                        '',
                        'it starts while somebody has hands in the panel',
                        Source::commonPractice(),
                    ),
                ]
                : [],
            default => [],
        };
    }

    /** @return list<Setting> */
    private function monitor(): array
    {
        $bank = null;
        foreach ($this->rig->graph->batteries as $battery) {
            $bank = $bank === null || $battery->capacityAh > $bank->capacityAh ? $battery : $bank;
        }
        if ($bank === null) {
            return [];
        }
        $kind = $bank->chemistry;
        $label = $this->rig->graph->label($bank->component);

        return [
            new Setting(
                'capacity',
                'Capacity',
                $bank->capacityAh,
                'Ah',
                "of {$label}",
                Source::computed('the plan'),
                0.5,
            ),
            new Setting(
                'full_v',
                'Counts as full above',
                round(($kind->absorptionV() - 0.2) * $bank->blocks(), 1),
                'V',
                '0.2 V below absorption, so that it is reached',
                Source::commonPractice(),
                Sheets::WITHIN_V * $bank->blocks(),
            ),
            new Setting(
                'tail',
                'and below',
                round(100 * $kind->tail(), 1),
                '% of capacity in amps',
                'what a full one still takes',
                $kind->source(),
                2.0,
            ),
            new Setting('peukert', 'Peukert exponent', $kind->peukert(), '', $kind->label(), $kind->source(), 0.05),
            new Setting(
                'efficiency',
                'Charge efficiency',
                round(100 * $kind->chargeEfficiency()),
                '%',
                $kind->label(),
                $kind->source(),
                5.0,
            ),
        ];
    }
}
