<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** The work of one stage: its steps and what they are made from. */
final readonly class Compiled
{
    /**
     * @param list<Step> $steps
     * @param list<Link> $links
     * @param array<string, list<Setting>> $sheets devices whose sheet is new or another
     * @param list<Label> $labels
     * @param list<array{kind: string, words: string}> $doubts what stands in the way of beginning
     * @param array<string, array{words: string, capW: float}> $caps inverter => what holds it below its name
     */
    private function __construct(
        public Site $site,
        public array $steps,
        public array $links,
        public array $sheets,
        public array $labels,
        public array $doubts,
        public array $caps,
        public Materials $materials,
    ) {}

    /**
     * @param list<Baseline> $baseline readings to take before anything is disconnected; none but in the first stage
     * @param array<string, array{words: string, capW: float}> $caps
     */
    public static function of(Site $site, array $baseline, array $caps = []): self
    {
        $materials = new Materials($site);
        if ($site->difference->isNothing()) {
            return new self($site, [], [], [], [], [], $caps, $materials);
        }
        $sheets = self::others((new Sheets($site->was))->all(), (new Sheets($site->is))->all());
        $labels = (new Labels($site, $caps))->all();
        $steps = [
            ...(new Readying($site, $materials, $baseline))->steps(),
            ...(new Isolating($site))->steps(),
            ...(new Clearing($site))->steps(),
            ...(new Fitting($site))->steps(),
            ...(new Energising($site, $sheets))->steps(),
        ];
        [$steps, $left] = self::labelled($steps, $labels);
        $opened = [];
        foreach ($steps as $step) {
            $part = $step->kind === Kind::Land ? $site->part($step->components[0]) : null;
            if ($part !== null && $site->isOpened($part)) {
                $opened[] = $part;
            }
        }
        array_push($steps, ...(new Ending($site, $left, count($labels) - count($left), $opened))->steps());

        return new self(
            $site,
            $steps,
            (new Order($site))->links($steps),
            $sheets,
            $labels,
            $materials->doubts(),
            $caps,
            $materials,
        );
    }

    /**
     * A cable gets its names while both its ends are in hand.
     *
     * @param list<Step> $steps
     * @param list<Label> $labels
     * @return array{list<Step>, list<Label>} the steps with the labels that go on at them, and what is left
     */
    private static function labelled(array $steps, array $labels): array
    {
        $runs = $at = $left = [];
        foreach ($steps as $n => $step) {
            foreach ($step->kind === Kind::Run ? $step->cables : [] as $cable) {
                $runs[$cable] ??= $n;
            }
        }
        foreach ($labels as $label) {
            $step = $label->kind === 'cable' ? $runs[$label->component] ?? null : null;
            if ($step !== null) {
                $at[$step][] = $label;
            } else {
                $left[] = $label;
            }
        }
        foreach ($at as $n => $own) {
            $steps[$n] = $steps[$n]->labelled($own);
        }

        return [array_values($steps), $left];
    }

    /**
     * Sheets that say something else than before.
     *
     * @param array<string, list<Setting>> $was
     * @param array<string, list<Setting>> $is
     * @return array<string, list<Setting>>
     */
    private static function others(array $was, array $is): array
    {
        $said = fn(array $sheet): array => array_map(fn(Setting $s): string => "{$s->id} {$s->said()}", $sheet);

        return array_filter(
            $is,
            fn(array $sheet, string|int $id): bool => !isset($was[$id]) || $said($was[$id]) !== $said($sheet),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /**
     * The work of all stages in a row: a stage begins when the one before is proven.
     *
     * @param list<self> $stages
     */
    public static function inARow(array $stages): Work
    {
        $steps = $links = [];
        $ended = [];
        foreach ($stages as $stage) {
            array_push($steps, ...$stage->steps);
            array_push($links, ...$stage->links);
            foreach ($ended as $gate) {
                foreach ($stage->steps as $step) {
                    $links[] = new Link($gate->id, $step->id, 'a rig is proven at the end of every stage');
                }
            }
            $gates = array_filter($stage->steps, fn(Step $s): bool => $s->kind === Kind::ProveStates);
            $ended = $gates === [] ? $ended : $gates;
        }

        return new Work($steps, $links);
    }
}
