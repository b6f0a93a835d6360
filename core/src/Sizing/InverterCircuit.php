<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Job\Basis;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Reference\Source;
use Hollin\Core\Rules\Figure;

/** Everything about the circuit between a bank and an inverter: currents, cable, fuse, and what the plan has. */
final readonly class InverterCircuit
{
    /** Voltage drop allowed on a main feed, as a share of nominal: ABYC E-11, 3 %. */
    private const DROP_SHARE = 0.03;

    /**
     * @param array<string, mixed> $answer
     */
    private function __construct(public array $answer) {}

    /** Null when there is no bank or the unit is not wired to it. */
    public static function of(Graph $graph, Inverting $inverter, Bank $bank, Ampacity $school): ?self
    {
        $plus = self::path($graph, "{$bank->id}.pos", "{$inverter->id}.pos", Role::DcPositive);
        $minus = self::path($graph, "{$bank->id}.neg", "{$inverter->id}.neg", Role::DcNegative);
        if ($plus === null || $minus === null) {
            return null;
        }
        $leads = [];
        $fuse = null;
        foreach ([...$plus, ...$minus] as $id) {
            $component = $graph->rig->find($graph->elements[$id]->component);
            if ($component instanceof Lead) {
                $leads[] = $component;
            } elseif ($component instanceof DcFuse) {
                $fuse ??= $component;
            }
        }
        $roundTripM = array_sum(array_map(fn(Lead $l): float => $l->cable()->lengthM, $leads));
        $assumedLength = array_filter($leads, fn(Lead $l): bool => $l->values->group('cable')?->basis('lengthM') === Basis::Assumed) !== [];
        $current = InverterCurrent::ofUnit($inverter);
        $nominalV = $inverter->values->number('dcNominalV');
        $dropLimit = self::DROP_SHARE * $nominalV;
        $largest = $inverter->values->has('largestLug') ? $inverter->values->size('largestLug') : null;
        // The cable must also stand the fuse that lets the design current through.
        $fuseA = FuseFamily::ClassT->ratingAtLeast($current->designA) ?? $current->designA;
        $choices = [];
        foreach ([1, 2] as $parallel) {
            $choice = $parallel === 2 && $inverter->values->integer('studs', 1) < 2
                ? null
                : ConductorChoice::smallest($school, $fuseA, $current->nominalA, $roundTripM, $dropLimit, $parallel, $largest);
            $choices[] = self::choice($choice, $parallel, $current, $fuseA, $nominalV, $roundTripM, $school, $largest);
        }
        $short = $fuse === null ? null : ProspectiveShort::at($graph, $bank, "{$fuse->id}.in");
        $fitted = self::fitted($leads, $school);
        $ampacity = $fitted['ampacityA'] ?? null;

        return new self([
            'inverter' => $inverter->id, 'bank' => $bank->id, 'school' => $school->label(),
            'figures' => array_map(fn(Figure $f): array => $f->toArray(), self::currents($inverter, $current)),
            'roundTripM' => round($roundTripM, 2), 'roundTripAssumed' => $assumedLength,
            'choices' => $choices,
            'fuse' => self::fuse($current, $bank, $short, $ampacity, $fuse, $inverter),
            'fitted' => $fitted + ($fitted === [] ? [] : [
                'dropV' => round(array_sum(array_map(fn(Lead $l): float => $current->nominalA * $l->cable()->ohm(ConductorChoice::DROP_C), $leads)), 3),
                'dropLimitV' => round($dropLimit, 3),
            ]),
            'bank_limit' => self::bankLimit($bank, $current),
        ]);
    }

    /** @return list<Figure> */
    private static function currents(Inverting $inverter, InverterCurrent $c): array
    {
        $w = $inverter->continuousW();
        $v = $inverter->values->number('dcNominalV');
        $cut = $inverter->values->number('cutOffV');
        $eta = $inverter->efficiency();
        $source = Source::computed('I = W ÷ (V × η), V at the inverter\'s terminals; 125 % for continuous load by NFPA 70 215.2 (from memory)');

        return [
            new Figure('Continuous at nominal volts', $c->nominalA, 'A', sprintf('%g W ÷ (%g V × %g)', $w, $v, $eta), $source),
            new Figure('Continuous at cut-off', $c->lowestA, 'A', sprintf('%g W ÷ (%g V × %g)', $w, $cut, $eta), $source),
            new Figure('Design current', $c->designA, 'A', sprintf('larger of 1.25 × %.1f A and %.1f A', $c->nominalA, $c->lowestA), $source),
            new Figure('Peak, while surging', $c->peakA, 'A', sprintf('%g W ÷ (%g V × %g)', $inverter->values->number('surgeW'), $cut, $eta), $source),
        ];
    }

    /** @return array<string, mixed> */
    private static function choice(?ConductorChoice $choice, int $parallel, InverterCurrent $current, float $fuseA, float $nominalV, float $roundTripM, Ampacity $school, ?ConductorSize $largest): array
    {
        if ($choice === null) {
            return ['parallel' => $parallel, 'possible' => false, 'why' => $largest === null
                ? 'no size in the table is large enough'
                : sprintf('nothing up to %s, the largest its studs take, carries %.0f A within the drop', $largest->spoken(), $fuseA)];
        }

        return [
            'parallel' => $parallel, 'possible' => true, 'size' => $choice->size->designation, 'spoken' => ($parallel === 2 ? '2 × ' : '') . $choice->size->spoken(),
            'areaMm2' => round($choice->size->areaMm2 * $parallel, 1), 'ampacityA' => $choice->ampacityA, 'dropV' => round($choice->dropV, 3),
            'dropShare' => round($choice->dropV / $nominalV, 4), 'governs' => $choice->governs,
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
            'source' => $school->source()->text() . '; resistance: NFPA 70 chapter 9 table 8 at 75 °C (value from memory)',
        ];
    }

    /** @return array<string, mixed> */
    private static function fuse(InverterCurrent $current, Bank $bank, ?ProspectiveShort $short, ?float $ampacity, ?DcFuse $fitted, Inverting $inverter): array
    {
        $families = [];
        foreach ([FuseFamily::OnPost, FuseFamily::BoltDown, FuseFamily::ClassT] as $family) {
            $rating = $family->ratingAtLeast($current->designA);
            $capacity = $family->interruptingA($bank->highestV());
            $breaks = $short !== null && $capacity !== null && $capacity >= $short->currentA;
            $families[] = [
                'family' => $family->value, 'label' => $family->label(), 'ratingA' => $rating, 'interruptingA' => $capacity, 'breaks' => $breaks,
                'suits' => $rating !== null && $breaks && ($ampacity === null || $rating <= $ampacity),
                'why' => match (true) {
                    $rating === null => 'not made large enough',
                    $short === null => 'the bank\'s short circuit is not known: no fuse is wired to the bank yet',
                    !$breaks => sprintf('breaks %s, the bank delivers %.1f kA', $capacity === null ? 'nothing at this voltage' : sprintf('%.1f kA', $capacity / 1000), $short->currentA / 1000),
                    $ampacity !== null && $rating > $ampacity => sprintf('%d A is more than the cable carries (%g A)', $rating, $ampacity),
                    default => sprintf('≥ %.0f A, breaks %.1f kA of %.1f kA', $current->designA, $capacity / 1000, $short->currentA / 1000),
                },
            ];
        }
        $cap = null;
        if ($fitted !== null && $fitted->ratingA() < $current->designA - 1e-9) {
            $capW = InverterCurrent::capW($fitted->ratingA(), $inverter->values->number('dcNominalV'), $inverter->efficiency());
            $cap = sprintf('%s of %g A is an interim part: it is below the design current and caps the inverter at %.0f W (%g A ÷ 1.25 × %g V × %g).', $fitted->label(), $fitted->ratingA(), $capW, $fitted->ratingA(), $inverter->values->number('dcNominalV'), $inverter->efficiency());
        }

        return [
            'neededA' => round($current->designA, 1), 'families' => $families, 'fitted' => $fitted?->id, 'fittedFamily' => $fitted?->family()->value, 'ratingA' => $fitted?->ratingA(), 'interim' => $cap,
            'short' => $short === null ? null : (new Figure('Bank\'s prospective short circuit', $short->currentA, 'A', $short->arithmetic, ProspectiveShort::source(), assumed: $short->assumed))->toArray(),
            'source' => FuseFamily::ClassT->source()->text(),
        ];
    }

    /**
     * @param list<Lead> $leads
     * @return array{ampacityA?: float, size?: string, spoken?: string}
     */
    private static function fitted(array $leads, Ampacity $school): array
    {
        $weakest = null;
        foreach ($leads as $lead) {
            $ampacity = $lead->cable()->ampacityA($school);
            if ($ampacity !== null && ($weakest === null || $ampacity < $weakest['ampacityA'])) {
                $weakest = ['ampacityA' => $ampacity, 'size' => $lead->cable()->size->designation, 'spoken' => $lead->cable()->spoken()];
            }
        }

        return $weakest ?? [];
    }

    /** @return array<string, mixed>|null */
    private static function bankLimit(Bank $bank, InverterCurrent $current): ?array
    {
        $one = $bank->values->numberOrNull('bmsContinuousA');
        if ($one === null) {
            return null;
        }
        $all = $one * $bank->parallel();

        return (new Figure('Bank\'s BMS limit', $current->lowestA, 'A', sprintf(
            '%g A × %d in parallel; with one battery open the rest give %g A',
            $one,
            $bank->parallel(),
            $one * ($bank->parallel() - 1),
        ), Source::computed('limit of each battery times their number'), $all, $bank->values->basis('bmsContinuousA') === Basis::Assumed))->toArray();
    }

    /** @return ?list<string> elements on the way */
    private static function path(Graph $graph, string $from, string $to, Role $role): ?array
    {
        $came = [$from => ['', '']];
        $queue = [$from];
        for ($i = 0; $i < count($queue); $i++) {
            if ($queue[$i] === $to) {
                $elements = [];
                for ($at = $to; $came[$at][0] !== ''; $at = $came[$at][0]) {
                    array_unshift($elements, $came[$at][1]);
                }

                return $elements;
            }
            foreach ($graph->elements as $id => $element) {
                if ($element->role !== $role) {
                    continue;
                }
                $next = $element->a === $queue[$i] ? $element->b : ($element->b === $queue[$i] ? $element->a : null);
                if ($next !== null && !isset($came[$next])) {
                    $came[$next] = [$queue[$i], $id];
                    $queue[] = $next;
                }
            }
        }

        return null;
    }
}
