<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Panels;

/** Every source open and locked, proven dead, batteries' negatives off: what stands before the first touch. */
final readonly class Isolating
{
    /** Below this a point counts as dead, V. Common practice, no source. */
    public const DEAD_V = 1.0;

    public function __construct(private Site $site) {}

    /** @return list<Step> */
    public function steps(): array
    {
        return [...$this->isolation(), ...$this->negativesOff()];
    }

    /** @return list<Step> */
    private function isolation(): array
    {
        if ($this->site->difference->isNothing()) {
            return [];
        }
        $isolation = $this->site->isolation;
        $asks = [Ask::tick('loads_off', 'Loads off: appliances unplugged or switched off, 12 V loads off')];
        foreach ($isolation->running as $id => $unit) {
            $asks[] = Ask::tick(
                "unit_{$id}",
                "{$unit} off at its own switch",
                why: 'so that nothing is parted under load; off is not isolated',
            );
        }
        // A switch that several leads or fuses need open is opened once.
        $asked = array_fill_keys(array_map(fn(Opening $o): string => "off_{$o->opens()}", $isolation->openings), true);
        foreach ($isolation->openings as $opening) {
            foreach ($opening->ticks() as $id => $words) {
                if (isset($asked[$id])) {
                    continue;
                }
                $asked[$id] = true;
                $asks[] = Ask::tick(
                    (string) $id,
                    $words,
                    why: $id === $opening->id ? "{$opening->source} · {$opening->locked}" : $opening->source,
                )->orOtherwise();
            }
        }
        $hows = array_map(fn(Opening $o): string => $o->how, $isolation->openings);
        $away = $isolation->away;

        return [
            new Step(
                $this->site->id(Kind::Isolate),
                $this->site->stage,
                Kind::Isolate,
                'Every source open and locked',
                'off, unplugged and isolated are three things: only an open, locked switch counts',
                does: [
                    ...$isolation->openings === []
                        ? ['Nothing in the survey feeds this part: find out what does before you believe it']
                        : [],
                    ...$isolation->charged === []
                        ? []
                        : [
                            'Then wait: ' .
                            implode(', ', $isolation->charged) .
                            ' hold a charge for as long as their makers say, five minutes where they say nothing',
                        ],
                    ...$away === [] ? [] : ['Leads nowhere near: ' . implode(', ', $away)],
                ],
                lists: array_map(fn(string $s): array => ['words' => $s, 'why' => 'stays live'], $isolation->stays),
                tools: ['locks and tags', 'bag for the plug'],
                asks: $asks,
                cautions: [
                    ...$isolation->charged !== [] ? [Caution::Searching, Caution::Charged] : [],
                    ...in_array('cover', $hows, true) ? [Caution::Daylight] : [],
                    ...$isolation->stays === [] ? [] : [Caution::Posts],
                    Caution::People,
                ],
                pieces: (float) max(1, count($isolation->openings)),
                unattendedMin: $isolation->charged === [] ? 0.0 : 5.0,
                inOrder: true,
            ),
            $this->dead(),
        ];
    }

    private function dead(): Step
    {
        $points = $this->deadPoints();

        return new Step(
            $this->site->id(Kind::ProveDead),
            $this->site->stage,
            Kind::ProveDead,
            'Proven dead, here',
            'a tester that has died reads dead everywhere: live point, here, live point again',
            does: ['Low-impedance range: high-impedance volts prove nothing without a load'],
            tools: ['two-pole tester', 'proving unit or a known live point'],
            asks: [
                Ask::tick('live_before', 'Tester shows a known live point'),
                ...$points,
                Ask::tick('live_after', 'Tester shows the known live point again'),
            ],
            cautions: [Caution::Searching, Caution::Night],
            pieces: (float) count($points),
        );
    }

    /** Dead whichever way round the probes are held: direct volts have a sign. */
    public static function readsDead(string $id, string $words): Ask
    {
        return Ask::number($id, $words, 'V', -self::DEAD_V, self::DEAD_V)->orOtherwise();
    }

    /** @return list<Ask> what must read dead: poles of every panel, unit and bar that is touched */
    private function deadPoints(): array
    {
        $asks = [];
        $touched = array_flip($this->site->difference->terminals());
        $pair = function (string $id, string $words, string $a, string $b) use (&$asks, $touched): void {
            if (isset($touched[$a]) || isset($touched[$b])) {
                $asks[$id] = self::readsDead($id, $words);
            }
        };
        foreach (Panels::of($this->site->before) as $id => $panel) {
            $bus = Panels::bus($panel);
            $neutral = Panels::neutralBar($panel);
            $pair("{$id}_ln", "{$panel->label}, hot to neutral", $bus, $neutral);
            $pair("{$id}_lg", "{$panel->label}, hot to frame", $bus, $bus);
            $pair("{$id}_ng", "{$panel->label}, neutral to frame", $neutral, $neutral);
        }
        foreach ($this->site->before->converters as $converter) {
            $label = $this->site->label($converter->component);
            $id = $converter->component;
            $pair("{$id}_dc", "{$label}, plus to minus", ...$converter->direct());
            if (!in_array($converter->kind, ['dc_dc', 'field'], true)) {
                $ac = $converter->charges() ? $converter->input : $converter->output;
                $pair("{$id}_ac", "{$label}, hot to neutral", ...$ac);
            }
        }
        foreach ($this->site->before->junctions as $terminal => [$id]) {
            $pair("{$id}_plus", "{$this->site->label($id)}, to frame", $terminal, $terminal);
        }
        foreach ($this->site->before->partsOf('dc_panel', 'separator', 'battery_selector') as $id => $part) {
            foreach ($this->site->before->elementsOf((string) $id) as $element) {
                $pair("{$id}_plus", "{$part->label}, plus to frame", $element->a, $element->b);
            }
        }
        $own = array_flip($this->site->difference->touched());
        foreach (array_intersect_key($this->site->before->circuits, $own) as $id => $circuit) {
            $pair("{$id}_out", "{$circuit->label}, hot to neutral where it is opened", $circuit->hot, $circuit->hot);
        }
        if ($asks === []) {
            return [self::readsDead('here', 'Where hands go, each pair of conductors')];
        }

        return array_values($asks);
    }

    /** @return list<Step> a battery that goes, moves or gets other leads: its negative first */
    private function negativesOff(): array
    {
        $steps = [];
        $touched = array_flip($this->site->difference->terminals());
        $lifted = array_map(
            fn(Opening $o): string => $o->component,
            array_filter($this->site->isolation->openings, fn(Opening $o): bool => $o->how === 'lead'),
        );
        foreach ($this->site->before->batteries as $battery) {
            $id = $battery->component;
            $near = isset($touched[$battery->pos]) || isset($touched[$battery->neg]);
            // What nothing else opens has its leads off already.
            if (!$near || in_array($id, $lifted, true)) {
                continue;
            }
            $first = Openings::bondedPole($this->site->before, $battery);
            $second = $first === 'negative' ? 'positive' : 'negative';
            $steps[$id] ??= new Step(
                $this->site->id(Kind::NegativeOff, $id),
                $this->site->stage,
                Kind::NegativeOff,
                "{$this->site->label($id)}: {$first} off first, then {$second}",
                "it hangs on the frame: a spanner that slips from the {$second} to the frame then has no way back",
                [$id],
                where: $this->site->where($id),
                does: ['Loads off, lugs taped and tied back, posts covered'],
                tools: ['insulated spanner', 'post covers'],
                asks: [Ask::tick('off', ucfirst($first) . " off, then {$second}, both covered")],
                cautions: [Caution::Posts, ...$battery->chemistry->isLead() ? [Caution::Acid] : []],
            );
        }

        return array_values($steps);
    }
}
