<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Clock;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use stdClass;

/** What owners ask, answered in a sentence with its arithmetic. */
final readonly class Questions
{
    private ?Battery $house;

    /**
     * @param list<Needed> $loads
     * @param list<string> $chosen loads that are asked about at once; the heaviest where nobody chose
     */
    public function __construct(
        private Examination $rig,
        private array $loads,
        private Trip $trip,
        private array $chosen = [],
    ) {
        $this->house = House::battery($rig);
    }

    /** @return list<Reply> */
    public function all(): array
    {
        $heavy = new Heavy($this->rig, $this->loads, $this->house, $this->chosen);

        return array_values(
            array_filter([
                $heavy->together(),
                $heavy->weakSupply(),
                $this->greyDays(),
                $this->keepsUp(),
                $this->refill(),
                $this->generator(),
                $this->missingEnergy(),
            ]),
        );
    }

    /** So many grey days without driving: where does it stop, and what takes most? */
    public function greyDays(): ?Reply
    {
        if ($this->house === null || $this->loads === []) {
            return null;
        }
        $days = max(3, min(5, $this->trip->days()));
        $run = $this->runs([
            'days' => $days,
            'weather' => 'grey',
            'weatherOn' => new stdClass(),
            'driveH' => 0,
            'shore' => '',
            'generatorBelow' => 0,
        ]);
        $used = $run->usedWh + $run->keptWh;
        arsort($used);
        $labels = $this->labels();
        $most = [];
        foreach (array_slice($used, 0, 3, true) as $id => $wh) {
            $most[] = sprintf('%s %.0f Wh', $labels[$id] ?? $this->rig->graph->label((string) $id), $wh / $days);
        }
        $lines = [
            'a day: ' . implode(', ', $most),
            sprintf('the sun brings %.0f Wh a day', $run->cameWh['sun'] / $days),
        ];
        $ask = ['3' => 'Three', '4' => 'Four', '5' => 'Five'][(string) $days] . ' grey days without driving?';
        $lowest = min([1.0, ...$run->share[$this->house->id] ?? []]);
        $deep = House::tooDeep($this->house, $lowest);

        return new Reply(
            'grey',
            $ask,
            $run->endsBy === null && $deep === null,
            $run->endsBy === null
                ? ($deep === null
                    ? sprintf('Yes: down to %.0f %%.', 100 * $lowest)
                    : "It runs, but {$deep}.")
                : sprintf(
                    '%s on day %d at %s.',
                    ucfirst(self::stops($run->endsBy)),
                    1 + (int) ($run->endsAtH / 24),
                    Clock::of((float) $run->endsAtH),
                ),
            $lines,
        );
    }

    /** Does the sun keep up with the day, in this month and shade? */
    public function keepsUp(): ?Reply
    {
        $panels = array_filter(
            $this->rig->graph->converters,
            fn(PowerConverter $c): bool => $c->kind === PowerConverter::FIELD && $c->fieldW > 0,
        );
        if ($panels === [] || $this->house === null) {
            return null;
        }
        $run = $this->runs([
            'days' => 5,
            'weatherOn' => new stdClass(),
            'driveH' => 0,
            'shore' => '',
            'generatorBelow' => 0,
            'startShare' => 60,
        ]);
        $uses = (array_sum($run->usedWh) + array_sum($run->keptWh) + array_sum($run->missedW) / 4) / 5;
        $could = ($run->cameWh['sun'] + $run->curtailedWh) / 5;
        $month = [
            'January',
            'February',
            'March',
            'April',
            'May',
            'June',
            'July',
            'August',
            'September',
            'October',
            'November',
            'December',
        ][$this->trip->month() - 1];
        $shade = $this->trip->number('shadeH') > 0 ? ' under trees' : '';

        return new Reply(
            'keeps_up',
            "Does the sun keep up in {$month}{$shade}?",
            $could >= $uses,
            sprintf('%s: %.1f kWh of %.1f kWh a day.', $could >= $uses ? 'Yes' : 'No', $could / 1000, $uses / 1000),
            [
                sprintf(
                    '%.0f W of panels, %s, latitude %.0f°',
                    array_sum(array_map(fn(PowerConverter $c): float => $c->fieldW, $panels)),
                    ['sun' => 'clear', 'fair' => 'some cloud', 'grey' => 'grey'][$this->trip->text('weather')],
                    $this->trip->number('latitude'),
                ),
            ],
        );
    }

    /** From a fifth, how long does it take to fill it again, by each way there is? */
    public function refill(): ?Reply
    {
        $battery = $this->house;
        if ($battery === null) {
            return null;
        }
        $ways = [];
        $supply =
            array_values(array_filter($this->rig->graph->supplies, fn($s): bool => $s->kind === 'shore'))[0] ?? null;
        if ($supply !== null && $supply->ratingsA !== []) {
            $ways['shore'] = $this->filledIn($battery, [
                'shore' => (string) array_key_first($supply->ratingsA),
                'shoreFromH' => 0,
                'shoreH' => 24,
                'latitude' => 66,
                'month' => 12,
            ]);
        }
        $ways['driving'] = $this->filledIn($battery, [
            'driveFromH' => 0,
            'driveH' => 24,
            'shore' => '',
            'latitude' => 66,
            'month' => 12,
        ]);
        $ways = array_filter($ways, fn(?float $h): bool => $h !== null);
        if ($ways === []) {
            return new Reply('refill', 'How long to fill it again?', false, 'Nothing here fills it.', []);
        }
        $said = [];
        foreach ($ways as $way => $hours) {
            $said[] = "{$way} " . Clock::long($hours);
        }

        return new Reply('refill', 'How long to fill it from 20 %?', true, ucfirst(implode(' · ', $said)) . '.', [
            sprintf(
                '%.0f Ah of %.0f Ah, nothing running; what it takes falls off near full',
                0.8 * $battery->capacityAh,
                $battery->capacityAh,
            ),
        ]);
    }

    /** @param array<string, mixed> $trip */
    private function filledIn(Battery $battery, array $trip): ?float
    {
        $run = Days::of(
            $this->rig,
            [],
            $this->trip->with(
                (object) ($trip + [
                    'days' => 4,
                    'startShare' => 20,
                    'driveH' => 0,
                    'inverter' => 'used',
                    'generatorBelow' => 0,
                ]),
            ),
        );
        foreach ($run->share[$battery->id] as $n => $share) {
            if ($share >= 0.99) {
                return ($n + 1) / 4;
            }
        }

        return null;
    }

    /** How long must a generator run a day? */
    public function generator(): ?Reply
    {
        $there = array_filter($this->rig->graph->supplies, fn($s): bool => $s->kind === 'generator') !== [];
        if (!$there || $this->loads === []) {
            return null;
        }
        $run = $this->runs([
            'days' => 6,
            'weather' => 'grey',
            'weatherOn' => new stdClass(),
            'shore' => '',
            'generatorBelow' => 40,
            'generatorTo' => 80,
        ]);
        $refused = in_array('refused', array_column($run->events, 'kind'), true);

        return new Reply(
            'generator',
            'How long a day with the generator, under grey sky?',
            !$refused,
            $refused
                ? 'It runs and feeds nothing: see what refuses it in the plan.'
                : sprintf(
                    '%.1f h a day, %.1f l of fuel.',
                    $run->generatorH / 6,
                    ($run->cameWh['generator'] / 6000) * $this->trip->number('fuelLPerKwh'),
                ),
            ['it starts below 40 % and stops at 80 %'],
        );
    }

    /** Appliances that burn something still need their 12 V. */
    public function missingEnergy(): ?Reply
    {
        $gas = array_filter($this->loads, fn(Needed $l): bool => $l->fuel() !== '');
        if ($gas === []) {
            return null;
        }
        $named = array_map(
            fn(Needed $l): string => sprintf(
                '%s %.0f W',
                lcfirst($l->label()),
                $l->also12W() + ($l->isAlternating() ? 0.0 : $l->fullW()),
            ),
            array_values($gas),
        );

        return new Reply(
            'gas',
            'What of gas still needs the battery?',
            true,
            ucfirst(implode(', ', $named)) . ' of 12 V.',
            ['without it a gas valve stays shut'],
        );
    }

    /** @param array<string, mixed> $trip */
    private function runs(array $trip): Run
    {
        return Days::of($this->rig, $this->loads, $this->trip->with((object) $trip));
    }

    /** @return array<string, string> */
    private function labels(): array
    {
        $labels = [];
        foreach ($this->loads as $load) {
            $labels[$load->id] = $load->label();
            $labels["{$load->id}.own"] = $load->label();
        }

        return $labels;
    }

    /** What an end is called. */
    public static function stops(string $by): string
    {
        return [
            'battery' => 'the battery stops',
            'fuel' => 'the fuel is gone',
            'propane' => 'the propane is gone',
            'water' => 'the water is gone',
            'waste' => 'the waste tanks are full',
        ][$by] ?? $by;
    }
}
