<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\ProspectiveShort;

/** A fuse that the bank's short circuit would blow apart instead of being broken by it. */
final class InterruptingCapacity implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'interrupting_capacity',
            Severity::Danger,
            'Fuse cannot break the bank\'s short circuit',
            'A device opens safely only up to its interrupting capacity. Lithium banks deliver thousands of ' .
                'amps into a short; bolt-down automotive fuses and thermal breakers often cannot break it.',
            Source::uncertain('ABYC E-11 and E-13 on interrupting capacity; usual maker data'),
            [
                Sample::found(
                    'a thermal breaker on a lithium bank',
                    Sample::choose('in_line', ['parallel' => 4]),
                    Sample::set('main_fuse', '/family', 'automotive_bolt'),
                ),
                Sample::found(
                    'two banks together, where each alone would do',
                    Sample::choose('in_line', ['parallel' => 1]),
                    Sample::set('main_fuse', '/family', 'anl'),
                    [
                        'kind' => 'plan_fit',
                        'plan' => 'p',
                        'id' => 'second',
                        'component' => [
                            'type' => 'battery_bank',
                            'label' => 'Second bank',
                            'chemistry' => 'lfp',
                            'unitV' => 12.8,
                            'unitAh' => 200,
                            'series' => 1,
                            'parallel' => 1,
                            'unitMilliohm' => 2.5,
                        ],
                    ],
                    [
                        'kind' => 'plan_fit',
                        'plan' => 'p',
                        'id' => 'second_pos',
                        'component' => [
                            'type' => 'lead',
                            'label' => 'Second bank',
                            'from' => 'second.pos',
                            'to' => 'main_fuse.in',
                            'pole' => 'positive',
                            'cable' => ['size' => 'awg:4/0', 'lengthM' => 0.15],
                        ],
                    ],
                    [
                        'kind' => 'plan_fit',
                        'plan' => 'p',
                        'id' => 'second_neg',
                        'component' => [
                            'type' => 'lead',
                            'label' => 'Second bank',
                            'from' => 'second.neg',
                            'to' => 'shunt.battery',
                            'pole' => 'negative',
                            'cable' => ['size' => 'awg:4/0', 'lengthM' => 0.15],
                        ],
                    ],
                ),
                Sample::silent('Class T', Sample::choose('in_line', ['parallel' => 2])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($this->devices($rig) as $element) {
            $short = ProspectiveShort::through($rig->graph, $element);
            $family = $element->rating?->family;
            if (
                $short === null ||
                $family === null ||
                $this->breaks($rig, $element, $short, true) ||
                $this->backedUp($rig, $element)
            ) {
                continue;
            }
            $hits[] = $this->hit($rig, $element, $family, $short);
        }

        return $hits;
    }

    private function hit(Examination $rig, Element $element, FuseFamily $family, ProspectiveShort $short): Hit
    {
        $graph = $rig->graph;
        $highestV = self::highestV($rig, $short);
        $capacity = $family->interruptingA($highestV);
        $label = $graph->label($element->component);
        $from = implode(' and ', array_map($graph->label(...), $short->batteries));
        $plainly = $this->breaks($rig, $element, $short, false);
        [$severity, $can] = match (true) {
            $plainly => [
                Severity::Advice,
                sprintf(
                    'is listed to break %.1f kA at 14 V, and this bank is charged at more; ask its maker',
                    ($capacity ?? 0.0) / 1000,
                ),
            ],
            $capacity === null && $highestV <= $family->highestV() => [
                Severity::Advice,
                sprintf('says on its label what it breaks at %.1f V; it must be at least this', $highestV),
            ],
            $capacity === null => [
                Severity::Danger,
                sprintf('is not made for %.1f V and may break nothing', $highestV),
            ],
            // A verdict on an assumed resistance asks for the figure instead of shouting.
            $short->assumed && $short->currentA < 2 * $capacity => [
                Severity::Warning,
                sprintf(
                    'can break %.1f kA; the short rests on an assumed internal resistance: ask the ' .
                        'battery\'s maker for its short-circuit current',
                    $capacity / 1000,
                ),
            ],
            default => [Severity::Danger, sprintf('can break %.1f kA', $capacity / 1000)],
        };
        $enough = array_values(
            array_filter(
                [FuseFamily::OnPost, FuseFamily::ClassT],
                fn(FuseFamily $f): bool => $f !== $family &&
                    ($f->plainlyA($highestV) ?? 0) >= $short->currentA &&
                    in_array((int) $element->ratingA(), $f->ratingsA(), true),
            ),
        );

        return new Hit(
            "{$element->component}|" . implode('+', $short->batteries),
            sprintf(
                '%s (%s) %s. A short behind it draws %.1f kA from %s at up to %.1f V.',
                $label,
                $family->label(),
                $can,
                $short->currentA / 1000,
                $from,
                $highestV,
            ),
            [$element->component, ...$short->batteries],
            [
                new Figure(
                    'Prospective short circuit',
                    $short->currentA,
                    'A',
                    $short->arithmetic,
                    ProspectiveShort::source(),
                    $capacity ?? 0.0,
                    $short->assumed,
                    of: new Of(Quantity::Short, $element->id),
                ),
            ],
            array_map(
                fn(FuseFamily $f): Remedy => Remedy::set(
                    sprintf('Use %s for %s', $f->label(), $label),
                    'breaks what the bank delivers',
                    $element->component,
                    '/family',
                    $f->value,
                ),
                $enough,
            ),
            array_map(fn(string $b): array => [$graph->batteries["{$b}.cells"]->pos, $element->a], $short->batteries),
            severity: $severity,
            title: $severity === Severity::Advice ? 'Look at what the fuse can break' : null,
        );
    }

    /** @return array<string, Element> fuses and breakers that somebody chose, by element */
    private function devices(Examination $rig): array
    {
        return array_filter(
            $rig->graph->elements,
            fn(Element $e): bool => $e->rating?->family !== null &&
                $rig->graph->partAt($e->component)?->is('dc_fuse') === true,
        );
    }

    /**
     * The device of a part, for a ruler: the short it must break, A that it does, and whether it stands it, by itself
     * or behind one that does.
     *
     * @return ?array{ProspectiveShort, ?float, bool} null for a part that has none
     */
    public function ruled(Examination $rig, string $component): ?array
    {
        foreach ($rig->graph->elementsOf($component) as $element) {
            $short =
                $element->rating?->family !== null && $rig->graph->partAt($component)?->is('dc_fuse') === true
                    ? ProspectiveShort::through($rig->graph, $element)
                    : null;
            if ($short !== null) {
                return [
                    $short,
                    $element->rating?->family?->interruptingA(self::highestV($rig, $short)),
                    $this->breaks($rig, $element, $short, true) || $this->backedUp($rig, $element),
                ];
            }
        }

        return null;
    }

    /** Highest volts a device sees: the highest of what feeds the short. */
    private static function highestV(Examination $rig, ProspectiveShort $short): float
    {
        return max(
            array_map(
                fn(Battery $b): float => in_array($b->component, $short->batteries, true) ? $b->highestV() : 0.0,
                $rig->graph->batteries,
            ) ?: [0.0],
        );
    }

    private function breaks(Examination $rig, Element $element, ProspectiveShort $short, bool $plainly): bool
    {
        $family = $element->rating?->family;
        $highestV = self::highestV($rig, $short);
        $capacity = $plainly ? $family?->plainlyA($highestV) : $family?->interruptingA($highestV);

        return $capacity !== null && $short->currentA <= $capacity;
    }

    /**
     * Whether a fuse that stands before it on every way from every battery breaks what this one cannot (ABYC E-11 lets
     * a fuse ahead supply the capacity).
     */
    private function backedUp(Examination $rig, Element $element): bool
    {
        $graph = $rig->graph;
        $feeding = array_map(
            fn(Battery $b): string => $b->pos,
            array_filter(
                $graph->batteries,
                fn(Battery $b): bool => Walk::way($graph, $b->pos, $element->a, Walk::direct(...)) !== null,
            ),
        );
        foreach ($this->devices($rig) as $id => $other) {
            if (
                $id === $element->id ||
                !Walk::leadsThrough($graph, array_values($feeding), $element->a, $id, Walk::direct(...)) ||
                !Walk::leadsThrough($graph, array_values($feeding), $element->b, $id, Walk::direct(...))
            ) {
                continue;
            }
            $short = ProspectiveShort::through($graph, $other);
            if ($short !== null && $this->breaks($rig, $other, $short, true)) {
                return true;
            }
        }

        return false;
    }
}
