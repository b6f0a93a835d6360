<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;

/** What a stage changes: parts that come and go, cables landed elsewhere, circuits moved, figures set anew. */
final readonly class Difference
{
    /** Cables, which are run and landed instead of mounted. */
    public const CABLES = ['lead', 'feeder', 'circuit', 'frame_bond'];

    /** What hangs on no screw: supplies from outside and words on a label. */
    private const NOT_FITTED = ['shore_supply', 'instruction'];

    /** Facts that say where a cable or circuit ends. */
    private const ENDS = ['from', 'to', 'hot', 'neutral', 'feeds', 'coil', 'plug'];

    /** Facts inside a device that a screw or a jumper decides. */
    private const INSIDE = ['bond', 'neutral', 'bondScrew'];

    /**
     * @param array<string, Part> $fitted parts that were not there, cables left out
     * @param array<string, Part> $removed parts that go, cables left out
     * @param array<string, Part> $run cables that are new
     * @param array<string, Part> $pulled cables that go
     * @param array<string, list<string>> $landed cable that stays => its facts of where it ends that change
     * @param array<string, Part> $replaced cable in whose place another size or a longer one comes, as it was
     * @param array<string, list<string>> $set part that stays => other facts that change
     */
    private function __construct(
        public Graph $before,
        public Graph $after,
        public array $fitted,
        public array $removed,
        public array $run,
        public array $pulled,
        public array $landed,
        public array $replaced,
        public array $set,
    ) {}

    public static function between(Graph $before, Graph $after): self
    {
        $new = array_filter(
            $after->parts,
            fn(Part $p): bool => !isset($before->parts[$p->id]) || $before->parts[$p->id]->type !== $p->type,
        );
        $gone = array_filter(
            $before->parts,
            fn(Part $p): bool => !isset($after->parts[$p->id]) || $after->parts[$p->id]->type !== $p->type,
        );
        $landed = $replaced = $set = [];
        foreach (array_intersect_key($after->parts, $before->parts) as $id => $part) {
            $was = $before->parts[$id];
            if ($was->type !== $part->type) {
                continue;
            }
            $facts = $was->differing($part);
            $ends = array_values(array_filter($facts, self::isEnd(...)));
            if ($ends !== [] && self::isCable($part)) {
                $landed[(string) $id] = $ends;
            }
            if (self::isCable($part) && self::isAnother($was, $part)) {
                $replaced[(string) $id] = $was;
            }
            $rest = array_values(
                array_filter(
                    $facts,
                    fn(string $f): bool => !(
                        self::isCable($part) &&
                        (self::isEnd($f) || str_starts_with($f, 'cable/'))
                    ),
                ),
            );
            if ($rest !== []) {
                $set[(string) $id] = $rest;
            }
        }
        $cable = self::isCable(...);
        $hung = fn(Part $p): bool => !$cable($p) && !$p->is(...self::NOT_FITTED);

        return new self(
            $before,
            $after,
            array_filter($new, $hung),
            array_filter($gone, $hung),
            array_filter($new, $cable),
            array_filter($gone, $cable),
            $landed,
            $replaced,
            $set,
        );
    }

    /** Whether nothing at all is done. */
    public function isNothing(): bool
    {
        return $this->touched() === [];
    }

    private static function isCable(Part $part): bool
    {
        return $part->is(...self::CABLES);
    }

    private static function isEnd(string $fact): bool
    {
        return in_array(strtok($fact, '/'), self::ENDS, true);
    }

    /** Another size, or longer than what is there: a cable is cut shorter, never longer. */
    private static function isAnother(Part $was, Part $is): bool
    {
        return $was->text('cable/size') !== $is->text('cable/size') ||
            $is->number('cable/lengthM') > $was->number('cable/lengthM') + 1e-9;
    }

    /** Whether a device is opened to change a screw or a jumper in it. */
    public function isInside(string $id): bool
    {
        return array_intersect($this->set[$id] ?? [], self::INSIDE) !== [] &&
            $this->after->parts[$id]->is('inverter', 'inverter_charger', 'generator', 'panel', 'converter');
    }

    /**
     * Every component that somebody's hands are on.
     *
     * @return list<string>
     */
    public function touched(): array
    {
        return array_map(
            strval(...),
            array_keys(
                $this->fitted +
                    $this->removed +
                    $this->run +
                    $this->pulled +
                    $this->landed +
                    $this->replaced +
                    $this->set,
            ),
        );
    }

    /**
     * Terminals as found that hands come near: those of what goes or changes, and those that new cables land on.
     *
     * @return list<string>
     */
    public function terminals(): array
    {
        $found = [];
        $touched = array_flip($this->touched());
        foreach ($this->before->elements as $element) {
            if (isset($touched[$element->component])) {
                $found[$element->a] = $found[$element->b] = true;
            }
        }
        foreach ($this->before->sources as $source) {
            if (isset($touched[$source->component])) {
                $found[$source->a] = $found[$source->b] = true;
            }
        }
        foreach ($this->after->elements as $element) {
            if (isset($touched[$element->component])) {
                foreach ([$element->a, $element->b] as $terminal) {
                    if (isset($this->before->terminals[$terminal])) {
                        $found[$terminal] = true;
                    }
                }
            }
        }
        unset($found['frame'], $found['earth']);

        return array_map(strval(...), array_keys($found));
    }

    /**
     * Parts that cables which are run or landed anew end at, each with those cables.
     *
     * @return array<string, list<string>> part => cables
     */
    public function landings(): array
    {
        $at = [];
        foreach ($this->run + $this->replaced + $this->landed as $cable => $_) {
            $part = $this->after->parts[$cable];
            foreach (self::endsOf($part) as $fact => $end) {
                $new = isset($this->run[$cable]) || isset($this->replaced[$cable]);
                if (
                    $new ||
                    in_array($fact, array_map(fn(string $f): string => explode('/', $f)[0], $this->landed[$cable]))
                ) {
                    $at[$end][] = (string) $cable;
                }
            }
        }

        return array_map(fn(array $cables): array => array_values(array_unique($cables)), $at);
    }

    /**
     * Parts that a cable ends at.
     *
     * @return array<string, string> fact => part
     */
    public static function endsOf(Part $cable): array
    {
        $ends = [];
        foreach (['from', 'to', 'hot', 'neutral', 'feeds'] as $fact) {
            $end =
                $cable->text($fact) !== ''
                    ? $cable->text($fact)
                    : $cable->text("{$fact}/panel", $cable->text("{$fact}/at"));
            if ($end !== '') {
                $ends[$fact] = explode('.', $end)[0];
            }
        }

        return $ends;
    }
}
