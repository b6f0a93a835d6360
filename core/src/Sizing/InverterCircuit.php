<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Reference\Source;

/** Everything about the circuit between a bank and an inverter: currents, cable, fuse, and what the plan has. */
final readonly class InverterCircuit
{
    /** Voltage drop allowed on a main feed, as a share of nominal: ABYC E-11, 3 %. */
    private const DROP_SHARE = 0.03;

    /**
     * @param array<string, mixed> $answer
     */
    private function __construct(public array $answer) {}

    /** Null when the unit is not wired to the battery. */
    public static function of(Graph $graph, PowerConverter $inverter, Battery $bank, Ampacity $school): ?self
    {
        $plus = Walk::way($graph, $bank->pos, $inverter->input[0], Walk::direct(...));
        $minus = Walk::way($graph, $bank->neg, $inverter->input[1], Walk::direct(...));
        if ($plus === null || $minus === null) {
            return null;
        }
        $way = array_map(fn(string $id): Element => $graph->elements[$id], [...$plus, ...$minus]);
        $cables = array_filter($way, fn(Element $e): bool => $e->cable !== null);
        $fuse = self::smallest(array_filter($way, fn(Element $e): bool => $e->rating?->protects === true));
        $part = $graph->parts[$inverter->component];
        $roundTripM = array_sum(array_map(fn(Element $e): float => $e->cable->lengthM ?? 0.0, $cables));
        $assumedLength =
            array_filter(
                $cables,
                fn(Element $e): bool => $graph->partAt($e->component)?->isAssumed('cable/lengthM') === true,
            ) !== [];
        $current = InverterCurrent::ofUnit($inverter);
        $dropLimit = self::DROP_SHARE * $inverter->nominalV;
        $largest = $part->has('largestLug') ? ConductorSize::of($part->text('largestLug')) : null;
        // The cable must also stand the fuse that lets the design current through.
        $fuseA = FuseFamily::ClassT->ratingAtLeast($current->designA) ?? $current->designA;
        $choices = [];
        foreach ([1, 2] as $parallel) {
            if ($parallel === 2 && $part->number('studs', 1) < 2) {
                $choices[] = [
                    'parallel' => 2,
                    'possible' => false,
                    'why' => 'each DC stud of the unit takes one cable, as far as is known',
                ];
                continue;
            }
            $choice = ConductorChoice::smallest(
                $school,
                $fuseA,
                $current->nominalA,
                $roundTripM,
                $dropLimit,
                $parallel,
                $largest,
            );
            $choices[] = self::choice(
                $choice,
                $parallel,
                $current,
                $fuseA,
                $inverter->nominalV,
                $roundTripM,
                $school,
                $largest,
            );
        }
        $short = $fuse === null ? null : ProspectiveShort::through($graph, $fuse);
        $fitted = self::fitted($cables, $school);

        return new self([
            'inverter' => $inverter->component,
            'bank' => $bank->component,
            'way' => array_values(
                array_unique(
                    array_map(
                        fn(Element $e): string => $e->component,
                        array_filter($way, fn(Element $e): bool => $e->component !== ''),
                    ),
                ),
            ),
            'school' => $school->label(),
            'figures' => array_map(fn(Figure $f): array => $f->toArray(), self::currents($inverter, $current)),
            'roundTripM' => round($roundTripM, 2),
            'roundTripAssumed' => $assumedLength,
            'choices' => $choices,
            'fuse' => self::fuse(
                $graph,
                $current,
                $bank,
                $short,
                $fitted['device'] ?? null,
                $fuse,
                $inverter,
                self::smallest($way),
            ),
            'fitted' =>
                array_diff_key($fitted, ['device' => 0]) +
                ($fitted === []
                    ? []
                    : [
                        'dropV' => round(
                            array_sum(
                                array_map(
                                    fn(Element $e): float => $current->nominalA *
                                        ($e->cable?->ohm(ConductorChoice::DROP_C) ?? 0.0),
                                    $cables,
                                ),
                            ),
                            3,
                        ),
                        'dropLimitV' => round($dropLimit, 3),
                    ]),
            'bank_limit' => self::bankLimit($bank, $current),
        ]);
    }

    /**
     * What has the smallest rating on a way: it, and not the first, limits what the way carries.
     *
     * @param array<Element> $way
     */
    private static function smallest(array $way): ?Element
    {
        $rated = array_values(array_filter($way, fn(Element $e): bool => $e->ratingA() !== null));
        usort($rated, fn(Element $a, Element $b): int => $a->ratingA() <=> $b->ratingA());

        return $rated[0] ?? null;
    }

    /** @return list<Figure> */
    private static function currents(PowerConverter $inverter, InverterCurrent $c): array
    {
        $w = $inverter->limitA * $inverter->holdsV;
        $v = $inverter->nominalV;
        $cut = $inverter->cutOffV;
        $eta = $inverter->efficiency;
        $source = Source::computed(
            'I = W ÷ (V × η), V at the inverter\'s terminals; 125 % for continuous load by NFPA 70 215.2 (from memory)',
        );

        return [
            new Figure(
                'Continuous at nominal volts',
                $c->nominalA,
                'A',
                sprintf('%g W ÷ (%g V × %g)', $w, $v, $eta),
                $source,
            ),
            new Figure(
                'Continuous at cut-off',
                $c->lowestA,
                'A',
                sprintf('%g W ÷ (%g V × %g)', $w, $cut, $eta),
                $source,
            ),
            new Figure(
                'Design current',
                $c->designA,
                'A',
                sprintf('larger of 1.25 × %.1f A and %.1f A', $c->nominalA, $c->lowestA),
                $source,
            ),
            new Figure(
                'Peak, while surging',
                $c->peakA,
                'A',
                sprintf('%g W ÷ (%g V × %g)', $inverter->surgeA * $inverter->holdsV, $cut, $eta),
                $source,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function choice(
        ?ConductorChoice $choice,
        int $parallel,
        InverterCurrent $current,
        float $fuseA,
        float $nominalV,
        float $roundTripM,
        Ampacity $school,
        ?ConductorSize $largest,
    ): array {
        if ($choice === null) {
            return [
                'parallel' => $parallel,
                'possible' => false,
                'why' =>
                    $largest === null
                        ? 'no size in the table is large enough'
                        : sprintf(
                            'nothing up to %s, the largest its studs take, carries %.0f A within the drop',
                            $largest->spoken(),
                            $fuseA,
                        ),
            ];
        }

        return [
            'parallel' => $parallel,
            'possible' => true,
            'size' => $choice->size->designation,
            'spoken' => ($parallel === 2 ? '2 × ' : '') . $choice->size->spoken(),
            'areaMm2' => round($choice->size->areaMm2 * $parallel, 1),
            'ampacityA' => $choice->ampacityA,
            'dropV' => round($choice->dropV, 3),
            'dropShare' => round($choice->dropV / $nominalV, 4),
            'governs' => $choice->governs,
            'arithmetic' => sprintf(
                'ampacity %g A ≥ fuse %g A ≥ design %.1f A; %.1f A × %.2f m × %.4f mΩ/m at 75 °C%s = %.3f V ≤ %.2f V',
                $choice->ampacityA,
                $fuseA,
                $current->designA,
                $current->nominalA,
                $roundTripM,
                $choice->size->ohm(1, ConductorChoice::DROP_C) * 1000,
                $parallel === 2 ? ' ÷ 2' : '',
                $choice->dropV,
                self::DROP_SHARE * $nominalV,
            ),
            'source' =>
                $school->source()->text() . '; resistance: NFPA 70 chapter 9 table 8 at 75 °C (value from memory)',
        ];
    }

    /** @return array<string, mixed> */
    private static function fuse(
        Graph $graph,
        InverterCurrent $current,
        Battery $bank,
        ?ProspectiveShort $short,
        ?float $largestDevice,
        ?Element $fitted,
        PowerConverter $inverter,
        ?Element $smallest,
    ): array {
        $families = [];
        foreach ([FuseFamily::OnPost, FuseFamily::BoltDown, FuseFamily::ClassT] as $family) {
            $rating = $family->ratingAtLeast($current->designA);
            $capacity = $family->interruptingA($bank->highestV());
            $breaks = $short !== null && $capacity !== null && $capacity >= $short->currentA;
            $families[] = [
                'family' => $family->value,
                'label' => $family->label(),
                'ratingA' => $rating,
                'interruptingA' => $capacity,
                'breaks' => $breaks,
                'suits' => $rating !== null && $breaks && ($largestDevice === null || $rating <= $largestDevice),
                'why' => match (true) {
                    $rating === null => 'not made large enough',
                    $short === null => 'the bank\'s short circuit is not known: no fuse is wired to the bank yet',
                    !$breaks => sprintf(
                        'breaks %s, the bank delivers %.1f kA',
                        $capacity === null ? 'nothing at this voltage' : sprintf('%.1f kA', $capacity / 1000),
                        $short->currentA / 1000,
                    ),
                    $largestDevice !== null && $rating > $largestDevice => sprintf(
                        '%d A is more than the cable may have ahead of it (%g A)',
                        $rating,
                        $largestDevice,
                    ),
                    default => sprintf(
                        '≥ %.0f A, breaks %.1f kA of %.1f kA',
                        $current->designA,
                        $capacity / 1000,
                        $short->currentA / 1000,
                    ),
                },
            ];
        }

        $interim = self::interim($graph, $current, $inverter, $smallest);

        return [
            'neededA' => round($current->designA, 1),
            'families' => $families,
            'fitted' => $fitted?->component,
            'fittedFamily' => $fitted?->rating?->family?->value,
            'ratingA' => $fitted?->ratingA(),
            'interim' => $interim['words'] ?? null,
            'capW' => $interim['capW'] ?? null,
            'short' =>
                $short === null
                    ? null
                    : (new Figure(
                        'Bank\'s prospective short circuit',
                        $short->currentA,
                        'A',
                        $short->arithmetic,
                        ProspectiveShort::source(),
                        assumed: $short->assumed,
                    ))->toArray(),
            'source' => FuseFamily::ClassT->source()->text(),
        ];
    }

    /**
     * A device on the way that is too small for good: what it caps the inverter at.
     *
     * @return ?array{words: string, capW: float}
     */
    private static function interim(
        Graph $graph,
        InverterCurrent $current,
        PowerConverter $inverter,
        ?Element $smallest,
    ): ?array {
        $rating = $smallest?->ratingA();
        if ($smallest === null || $rating === null || $rating >= $current->designA - 1e-9) {
            return null;
        }
        // A fuse stands for good at 80 % of its rating; a switch, a bar or a shunt at all of it.
        $protects = $smallest->rating?->protects === true;
        if (!$protects && $rating >= $current->nominalA) {
            return null;
        }
        $capW = InverterCurrent::capW($protects ? $rating : 1.25 * $rating, $inverter->nominalV, $inverter->efficiency);

        $words = sprintf(
            '%s of %g A is an interim part: it is below the %s and caps the inverter at %.0f W (%g A%s × %g V × %g).',
            $graph->label($smallest->component),
            $rating,
            $protects ? 'design current' : 'continuous current',
            $capW,
            $rating,
            $protects ? ' ÷ 1.25' : '',
            $inverter->nominalV,
            $inverter->efficiency,
        );

        return ['words' => $words, 'capW' => round($capW)];
    }

    /**
     * The weakest cable on the way.
     *
     * @param array<Element> $cables
     * @return array{ampacityA?: float, size?: string, spoken?: string, device?: float}
     */
    private static function fitted(array $cables, Ampacity $school): array
    {
        $weakest = null;
        foreach ($cables as $element) {
            $cable = $element->cable;
            $ampacity = $cable === null ? null : $school->ofCable($cable);
            if ($cable !== null && $ampacity !== null && ($weakest === null || $ampacity < $weakest['ampacityA'])) {
                $weakest = [
                    'ampacityA' => $ampacity,
                    'size' => $cable->size->designation,
                    'spoken' => $cable->spoken(),
                    'device' => $school->largestDevice($cable) ?? $ampacity,
                ];
            }
        }

        return $weakest ?? [];
    }

    /** @return array<string, mixed>|null */
    private static function bankLimit(Battery $bank, InverterCurrent $current): ?array
    {
        if ($bank->limitA === null) {
            return null;
        }
        $one = $bank->limitA / $bank->parallel;

        return (new Figure(
            'Bank\'s BMS limit',
            $current->lowestA,
            'A',
            sprintf(
                '%g A × %d in parallel; with one battery open the rest give %g A',
                $one,
                $bank->parallel,
                $one * ($bank->parallel - 1),
            ),
            Source::computed('limit of each battery times their number'),
            $bank->limitA,
            $bank->limitAssumed,
        ))->toArray();
    }
}
