<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/**
 * Cable between a battery's post and the first device that opens, along the way and however many pieces
 * it is cut into. ABYC E-11: 7 in, or 72 in where sheathed the whole way; an RV allows 18 in.
 */
final readonly class UnfusedWay
{
    public const BARE_M = 0.18;

    public const RV_M = 0.46;

    public const SHEATHED_M = 1.83;

    private function __construct(
        public Battery $battery,
        public Element $element,
        /** along the way to its far end, m */
        public float $lengthM,
        public bool $sheathed,
        /** nothing that opens follows at all: the way ends at something that takes current */
        public bool $endless,
    ) {}

    /** Where the allowed lengths come from. */
    public static function source(): Source
    {
        return Source::recalled(
            'ABYC E-11: a fuse within 7 in of the post, up to 72 in when sheathed its whole length; former ' .
                'NFPA 70 551.10: 18 in',
        );
    }

    /** How far it may be, m. */
    public function limitM(): float
    {
        return $this->sheathed ? self::SHEATHED_M : self::BARE_M;
    }

    /** @return list<self> conductors on the positive side of a battery before any device that opens, nearest first */
    public static function of(Graph $graph, Battery $battery): array
    {
        $cost = fn(Element $e): ?float => Walk::direct($e) && $e->rating?->protects !== true
            ? $e->cable->lengthM ?? 0.0
            : null;
        $reached = Walk::least($graph, [$battery->pos], $cost);
        // What leads on to something that takes current, with nothing that opens on the whole way.
        $endless = [];
        foreach (array_keys(array_intersect_key(self::consumers($graph), $reached)) as $at) {
            for (; $reached[$at][1] !== null; $at = $graph->elements[$reached[$at][1]]->other($at)) {
                $endless[$reached[$at][1]] = true;
            }
        }
        $found = [];
        foreach ($graph->elements as $id => $element) {
            // A lead between two reached ends is unfused whichever way comes first to either.
            $own = $element->cable === null ? null : $cost($element);
            if ($own === null || !isset($reached[$element->a], $reached[$element->b])) {
                continue;
            }
            [$a, $b] = [$reached[$element->a][0], $reached[$element->b][0]];
            $sheathed = $element->cable->isSheathed();
            for ($at = $a <= $b ? $element->a : $element->b; $reached[$at][1] !== null; $at = $before->other($at)) {
                $before = $graph->elements[$reached[$at][1]];
                $sheathed = $sheathed && ($before->cable === null || $before->cable->isSheathed());
            }
            $farEnd = max(min($a + $own, $b), min($b + $own, $a));
            $found[] = new self($battery, $element, $farEnd, $sheathed, isset($endless[$id]));
        }
        usort($found, fn(self $a, self $b): int => $a->lengthM <=> $b->lengthM);

        return $found;
    }

    /** @return array<string, string> positive terminals of what takes or gives current => component */
    public static function consumers(Graph $graph): array
    {
        return array_column($graph->direct(), 'component', 'pos');
    }
}
