<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Panels;
use Hollin\Core\Network\Part;

/** What brings a stage to life: ohms, negative, main fuse, settings, sun, the first supply. */
final readonly class Energising
{
    /** Above this a neutral counts as apart from the ground, Ω: a load between them reads lower. Common practice. */
    private const APART_OHM = 20.0;

    /** Batteries that are joined differ by less, V. Common practice, no source. */
    private const ALIKE_V = 0.1;

    /**
     * @param array<string, list<Setting>> $sheets devices whose sheet is new or another in this stage
     */
    public function __construct(private Site $site, private array $sheets) {}

    /** @return list<Step> */
    public function steps(): array
    {
        if ($this->site->difference->isNothing()) {
            return [];
        }

        return array_values(
            array_filter([
                $this->ohms(),
                ...$this->matches(),
                ...$this->negatives(),
                ...$this->fuses(),
                ...$this->settings(),
                ...$this->suns(),
                $this->energise(),
            ]),
        );
    }

    private function ohms(): Step
    {
        $asks = [];
        foreach (Panels::of($this->site->after) as $id => $panel) {
            $asks[] = Ask::number(
                "apart_{$id}",
                "{$panel->label}, neutral bar to ground bar",
                'Ω',
                self::APART_OHM,
                null,
                true,
                'open, or the ohms of a load; near zero is a bond in the vehicle',
            )->orOtherwise();
            $asks[] = Ask::number("frame_{$id}", "{$panel->label}, ground bar to frame", 'Ω', 0.0, 1.0)->orOtherwise();
        }
        foreach ($this->site->difference->fitted as $id => $part) {
            if ($part->is('inverter', 'inverter_charger', 'converter', 'generator')) {
                $asks[] = Ask::number("case_{$id}", "{$part->label}, case to frame", 'Ω', 0.0, 1.0)->orOtherwise();
            }
        }
        if ($asks === []) {
            $asks[] = Ask::tick('no_short', 'Plus to minus and plus to frame of what was landed: no short');
        }

        return new Step(
            $this->site->id(Kind::Ohms),
            $this->site->stage,
            Kind::Ohms,
            'Ohms before volts',
            'a short or a second bond is cheap to find while everything is dead',
            does: ['Loads off, appliances unplugged; leads of the meter held together first'],
            tools: ['meter, ohms'],
            asks: [
                ...$asks,
                Ask::tick('borrowed', 'A diagram from somebody else: each terminal proven by meter', false),
            ],
            pieces: (float) count($asks),
        );
    }

    /** @return array<string, Battery> banks that are new or get new leads, by part */
    private function banks(): array
    {
        $touched = [...array_flip($this->site->difference->touched()), ...$this->site->difference->landings()];
        $banks = [];
        foreach ($this->site->after->batteries as $battery) {
            if (isset($touched[$battery->component])) {
                $banks[$battery->component] = $battery;
            }
        }

        return $banks;
    }

    /** @return list<Step> */
    private function matches(): array
    {
        $steps = [];
        foreach ($this->banks() as $id => $battery) {
            $part = $this->site->after->parts[$id];
            $units = $part->number('parallel', 1) * $part->number('series', 1);
            if ($units < 2) {
                continue;
            }
            $asks = [];
            for ($n = 1; $n <= $units; $n++) {
                $asks[] = Ask::rested("unit_{$n}", "Battery {$n}", $part);
            }
            $steps[] = new Step(
                $this->site->id(Kind::Match, $id),
                $this->site->stage,
                Kind::Match,
                "Batteries of {$part->label} alike",
                'a tenth of a volt between two lithium batteries is hundreds of amps when they are joined',
                [$id],
                where: $this->site->where($id),
                asks: [
                    ...$asks,
                    Ask::spread(
                        'apart',
                        'Largest difference',
                        'V',
                        self::ALIKE_V,
                        array_map(fn(Ask $a): string => $a->id, $asks),
                    ),
                ],
                cautions: [Caution::Posts],
            );
        }

        return $steps;
    }

    /** @return list<Step> */
    private function negatives(): array
    {
        $steps = [];
        foreach ($this->banks() as $id => $battery) {
            $last = Openings::bondedPole($this->site->after, $battery);
            $other = $last === 'negative' ? 'positive' : 'negative';
            $stud =
                array_column($this->site->terminals->all(), null, 'terminal')[
                    $last === 'negative' ? $battery->neg : $battery->pos
                ] ?? null;
            $steps[] = new Step(
                $this->site->id(Kind::NegativeOn, $id),
                $this->site->stage,
                Kind::NegativeOn,
                "{$this->site->label($id)}: {$last} on, the last of its leads",
                'until now nothing that slips has a way back',
                [$id],
                where: $this->site->where($id),
                does: ['Main fuse out and switch open while it goes on'],
                lists: $stud === null
                    ? []
                    : [
                        [
                            'words' => $stud['label'] . ': ' . implode(', then ', array_column($stud['lugs'], 'size')),
                            'why' => implode(' · ', array_column($stud['lugs'], 'label')),
                        ],
                    ],
                tools: ['torque wrench, insulated'],
                asks: [
                    Ask::number(
                        'volts',
                        ucfirst($other) . " post to the {$last} lug, before it lands",
                        'V',
                        round($battery->restV('low') - 0.5 * $battery->blocks(), 1),
                        round($battery->fullV() + 0.3 * $battery->blocks(), 1),
                        true,
                        'minus before the figure is a battery the wrong way round',
                    ),
                    Ask::number('torque', 'Torque', 'N·m', $stud['torqueNm'][0] ?? null, $stud['torqueNm'][1] ?? null),
                ],
                cautions: [Caution::Posts, ...$battery->chemistry->isLead() ? [Caution::Acid] : []],
            );
        }

        return $steps;
    }

    /** @return list<Step> */
    private function fuses(): array
    {
        $steps = [];
        foreach ($this->banks() as $id => $battery) {
            $fuse = $this->nearest($battery, 'dc_fuse');
            $switch = $this->nearest($battery, 'dc_switch');
            $precharge = $switch?->numberOrNull('prechargeOhm');
            $steps[] = new Step(
                $this->site->id(Kind::MainFuse, $id),
                $this->site->stage,
                Kind::MainFuse,
                $fuse === null ? "Close {$this->site->label($id)}" : "{$fuse->label} in, last of all",
                'nobody has hands on a bar from here on',
                array_values(array_filter([$id, $fuse->id ?? '', $switch->id ?? ''])),
                where: $this->site->where($fuse->id ?? $id),
                does: array_values(
                    array_filter([
                        $fuse === null ? '' : sprintf('%g A %s', $fuse->number('ratingA'), $fuse->text('family')),
                        $precharge === null
                            ? 'Capacitors filled through a resistor first, where the unit has no limit of its own'
                            : sprintf('Filled through the %g Ω of %s first, then closed', $precharge, $switch->label),
                    ]),
                ),
                tools: ['insulated spanner', 'meter'],
                asks: [
                    Ask::tick('clear', 'Tools counted, posts covered, nobody at the bars'),
                    Ask::number(
                        'bus',
                        'Volts at the bars or the unit',
                        'V',
                        round($battery->restV('low') - 0.5 * $battery->blocks(), 1),
                        round($battery->fullV() + 0.3 * $battery->blocks(), 1),
                    )->orOtherwise(),
                    Ask::tick('right_way', 'Plus is plus at every unit'),
                ],
                cautions: [Caution::Spark, Caution::Posts],
            );
        }

        return $steps;
    }

    /** The first part of a kind on the way from the positive post. */
    private function nearest(Battery $battery, string $type): ?Part
    {
        $seen = [$battery->pos => true];
        $queue = [$battery->pos];
        for ($i = 0; $i < count($queue); $i++) {
            foreach ($this->site->after->neighbours()[$queue[$i]] ?? [] as [$next, $id]) {
                $element = $this->site->after->elements[$id];
                $part = $this->site->after->partAt($element->component);
                if ($part?->is($type) === true) {
                    return $part;
                }
                if (!isset($seen[$next]) && $part?->is('lead', 'dc_fuse', 'dc_switch', 'shunt') === true) {
                    $seen[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return null;
    }

    /** @return list<Step> */
    private function settings(): array
    {
        $steps = [];
        foreach ($this->sheets as $id => $sheet) {
            $part = $this->site->after->parts[$id];
            $asks = $lists = [];
            foreach ($sheet as $setting) {
                $lists[] = ['words' => "{$setting->words}: {$setting->said()}", 'why' => $setting->why];
                $asks[] = Ask::text("found_{$setting->id}", "{$setting->words}, found", false);
                $asks[] =
                    is_float($setting->value) && $setting->within !== null
                        ? Ask::number(
                            "set_{$setting->id}",
                            "{$setting->words}, entered and read back",
                            $setting->unit,
                            round($setting->value - ($setting->least ? 0.0 : $setting->within), 3),
                            round($setting->value + $setting->within, 3),
                        )
                        : Ask::text("set_{$setting->id}", "{$setting->words}, entered and read back");
            }
            $steps[] = new Step(
                $this->site->id(Kind::Settings, $id),
                $this->site->stage,
                Kind::Settings,
                sprintf('%d settings of %s', count($sheet), $part->label),
                'charging counts as unproven until they are in',
                [$id],
                where: $this->site->where($id),
                does: ['What it was set to is written down before it is changed'],
                lists: $lists,
                tools: [
                    $part->is('shunt')
                        ? 'its display'
                        : 'its remote or its maker\'s program, and the cable it asks for',
                ],
                asks: [...$asks, Ask::text('firmware', 'Version it shows', false)],
                pieces: max(0.5, count($sheet) / 6),
            );
        }

        return $steps;
    }

    /** @return list<Step> */
    private function suns(): array
    {
        $steps = [];
        foreach ($this->site->after->arrays as $array) {
            $id = $array->component;
            $touched =
                in_array($id, $this->site->difference->touched(), true) || isset($this->banks()[$this->bankAt($id)]);
            if (!$touched) {
                continue;
            }
            $steps[] = new Step(
                $this->site->id(Kind::Sun, $id),
                $this->site->stage,
                Kind::Sun,
                "Panels of {$this->site->label($id)} on, in daylight",
                'a controller finds its battery first, and a battery never leaves before the panels',
                [$id],
                where: $this->site->where($id),
                does: ['Plus and minus measured at the plugs, then closed, then volts and amps at the battery'],
                tools: ['meter', 'clamp for direct current'],
                asks: [
                    Ask::number(
                        'open_v',
                        'Open-circuit volts, plus to minus',
                        'V',
                        0.6 * $array->openV,
                        1.25 * $array->openV,
                    ),
                    Ask::number('amps', 'Amps into the battery', 'A', 0.0, null, false),
                ],
                cautions: [Caution::Daylight, Caution::Roof],
                daylight: true,
            );
        }

        return $steps;
    }

    /** The bank that a controller's leads end at, or nothing. */
    private function bankAt(string $controller): string
    {
        foreach ($this->site->after->converters as $converter) {
            if ($converter->component !== $controller) {
                continue;
            }
            foreach ($this->site->is->settled as $settled) {
                foreach ($this->site->after->batteries as $battery) {
                    if ($settled->situation->paired($converter->output, [$battery->pos, $battery->neg])) {
                        return $battery->component;
                    }
                }
            }
        }

        return '';
    }

    private function energise(): ?Step
    {
        $alternating = array_filter(
            $this->site->difference->touched(),
            fn(string $id): bool => ($p = $this->site->part($id)) !== null && Site::isAlternating($p),
        );
        if ($alternating === [] || $this->site->after->supplies === []) {
            return null;
        }
        $lists = [];
        foreach ($this->site->after->circuits as $circuit) {
            $lists[] = [
                'words' => $circuit->label,
                'why' => $circuit->place === 'fixed' ? 'may start by itself' : 'polarity at an outlet',
            ];
        }

        return new Step(
            $this->site->id(Kind::Energise),
            $this->site->stage,
            Kind::Energise,
            'First supply: breakers closed one by one',
            'the one that trips or hums is the one just closed',
            does: ['Every breaker off first; main on; then one by one, with a look at what moves'],
            lists: $lists,
            tools: ['meter', 'plug-in tester'],
            asks: [
                Ask::number('hot_neutral', 'Hot to neutral at the main panel', 'V', 106.0, 127.0),
                Ask::number('neutral_ground', 'Neutral to ground there, little running', 'V', 0.0, 2.0),
                Ask::number('skin', 'Frame to independent earth', 'V', 0.0, 1.0, false),
                Ask::tick('one_by_one', 'Every circuit closed and looked at'),
            ],
            cautions: [
                Caution::StartsItself,
                Caution::Probing,
                Caution::People,
                ...array_filter($this->site->after->supplies, fn($s): bool => $s->kind === 'generator') === []
                    ? []
                    : [Caution::Monoxide],
            ],
            pieces: max(1.0, count($lists) / 6),
        );
    }
}
