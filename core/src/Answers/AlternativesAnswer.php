<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Energy\Alternatives;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Plan\Refused;
use stdClass;

/** Two or three ways beside one another: the same days with another bank, other panels, a generator. */
final class AlternativesAnswer
{
    /**
     * @param stdClass $document a job file
     * @param ?list<array{ah?: float, chemistry?: string, panelsW?: float, generatorBelow?: float}> $ways what differs
     *      from the view in each; the usual ones where null
     * @return list<array<string, mixed>>
     * @throws Refused when there is no such view, or no bank in it
     */
    public static function of(stdClass $document, string $view, EnergyPrices $prices, ?array $ways = null): array
    {
        $answers = new JobAnswers($document);
        $rig = $answers->seen($view);
        if (!Alternatives::has($rig)) {
            throw Refused::because('/view', 'has no battery to compare with another.');
        }
        $make = new Alternatives(
            $rig,
            DaysAnswer::loadsOf($document->needs),
            Trip::from($document->needs->trip ?? new stdClass()),
            $prices,
        );
        $here = $make->here();
        $answered = [];
        foreach ($ways ?? $make->usual() as $way) {
            $way += $here;
            $answered[] = $make->judged(
                $way,
                $way == $here
                    ? $rig
                    : $answers->changed($view, fn(stdClass $components) => $make->change($components, $way)),
            );
        }

        return $answered;
    }
}
