<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Job\Tree;
use Hollin\Core\Needs\Clock;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Sizing\TypicalWeight;
use stdClass;

/** The same days with another bank, other panels or a generator: what it costs, weighs, and how long it lasts. */
final readonly class Alternatives
{
    private Battery $house;

    /** @param list<Needed> $loads */
    public function __construct(
        private Examination $rig,
        private array $loads,
        private Trip $trip,
        private EnergyPrices $prices,
    ) {
        $this->house = House::battery($rig) ?? throw new \LogicException('a bank is what alternatives are of');
    }

    /** Whether there is a bank at all. */
    public static function has(Examination $rig): bool
    {
        return House::battery($rig) !== null;
    }

    /** W of all panels of the rig. */
    public function panelsW(): float
    {
        return array_sum(
            array_map(
                fn(PowerConverter $c): float => $c->kind === PowerConverter::FIELD ? $c->fieldW : 0.0,
                $this->rig->graph->converters,
            ),
        );
    }

    /**
     * What is worth a look: as it is, twice the bank, the other chemistry, twice the panels.
     *
     * @return list<array{ah: float, chemistry: string, panelsW: float, generatorBelow: float}>
     */
    public function usual(): array
    {
        $here = $this->here();
        $other = $this->house->chemistry->isLead() ? Chemistry::Lfp->value : Chemistry::Agm->value;

        return [
            $here,
            ['ah' => 2 * $here['ah']] + $here,
            $this->panelsW() > 0 ? ['panelsW' => 2 * $here['panelsW']] + $here : ['chemistry' => $other] + $here,
        ];
    }

    /** @return array{ah: float, chemistry: string, panelsW: float, generatorBelow: float} */
    public function here(): array
    {
        return [
            'ah' => $this->house->capacityAh,
            'chemistry' => $this->house->chemistry->value,
            'panelsW' => $this->panelsW(),
            'generatorBelow' => $this->trip->number('generatorBelow'),
        ];
    }

    /**
     * Changes the parts of a rig to one of them.
     *
     * @param array{ah: float, chemistry: string, panelsW: float, generatorBelow: float} $way
     */
    public function change(stdClass $components, array $way): void
    {
        $id = $this->house->component;
        $bank = Tree::copy($components->{$id});
        $before = $this->house->chemistry->value;
        $known = fn(mixed $v): float => (float) ($v instanceof stdClass ? $v->value : $v);
        $parallel = max(1.0, isset($bank->parallel) ? $known($bank->parallel) : 1.0);
        if (abs($way['ah'] - $this->house->capacityAh) > 0.5 || $way['chemistry'] !== $before) {
            $bank->unitAh = (object) ['value' => $way['ah'] / $parallel, 'basis' => 'assumed'];
            // What was measured of the old one is not of this one.
            unset($bank->unitMilliohm, $bank->bmsContinuousA, $bank->bmsPeakA, $bank->bmsChargeA);
        }
        if ($way['chemistry'] !== $before) {
            $bank->chemistry = is_object($bank->chemistry)
                ? (object) ['value' => $way['chemistry'], 'basis' => 'assumed']
                : $way['chemistry'];
            $nominal = round($known($bank->unitV) / 12) * Chemistry::from($way['chemistry'])->nominalV();
            $bank->unitV = is_object($bank->unitV) ? (object) ['value' => $nominal, 'basis' => 'assumed'] : $nominal;
            unset($bank->cold, $bank->heaterW, $bank->management);
        }
        $components->{$id} = $bank;
        $now = $this->panelsW();
        if ($now > 0 && abs($way['panelsW'] - $now) > 0.5) {
            $times = $way['panelsW'] / $now;
            foreach (get_object_vars($components) as $name => $part) {
                if ($part->type === 'solar_charger') {
                    $part = Tree::copy($part);
                    // The controller grows with its panels.
                    foreach (['panelW', 'panelIsc', 'outputA'] as $field) {
                        $part->{$field} = (object) ['value' => $known($part->{$field}) * $times, 'basis' => 'assumed'];
                    }
                    $components->{$name} = $part;
                }
            }
        }
    }

    /**
     * One of them, with a rig that has been changed to it.
     *
     * @param array{ah: float, chemistry: string, panelsW: float, generatorBelow: float} $way
     * @return array<string, mixed>
     */
    public function judged(array $way, Examination $changed): array
    {
        $trip = $this->trip->with((object) ['generatorBelow' => $way['generatorBelow']]);
        $run = Days::of($changed, $this->loads, $trip);
        $bank = House::battery($changed);
        $lowest = $bank === null ? 0.0 : min([1.0, ...$run->share[$bank->id] ?? []]);
        $deep = $bank === null || $run->endsBy !== null ? null : House::tooDeep($bank, $lowest);
        $days = max(1, $trip->days());

        return [
            ...$way,
            'lasts' => $run->endsBy === null,
            'days' => round(($run->endsAtH ?? 24.0 * $trip->days()) / 24, 2),
            'words' =>
                $run->endsBy === null
                    ? ($deep === null
                        ? sprintf('all %d days', $trip->days())
                        : "all days, but {$deep}")
                    : sprintf('%s after %s', Questions::stops($run->endsBy), Clock::long((float) $run->endsAtH)),
            'tooDeep' => $deep !== null,
            'lowest' => round($lowest, 4),
            'generatorH' => round($run->generatorH / $days, 2),
            'curtailedWh' => round($run->curtailedWh),
            'cost' => $this->cost($way),
            'kg' => round($this->kg($changed) - $this->kg($this->rig), 1),
        ];
    }

    /**
     * What it costs beyond what is there: a bank of another kind or size as a whole, panels by what is added.
     *
     * @param array{ah: float, chemistry: string, panelsW: float, generatorBelow: float} $way
     */
    private function cost(array $way): ?float
    {
        $cost = 0.0;
        $chemistry = Chemistry::from($way['chemistry']);
        if ($chemistry !== $this->house->chemistry || abs($way['ah'] - $this->house->capacityAh) > 0.5) {
            $price = $this->prices->wattHour($chemistry);
            // More of the same stands beside what is there; another kind replaces all of it.
            $ah = $chemistry === $this->house->chemistry ? max(0.0, $way['ah'] - $this->house->capacityAh) : $way['ah'];
            $volts = $chemistry->nominalV() * $this->house->blocks();
            if ($price === null) {
                return null;
            }
            $cost += $price * $ah * $volts;
        }
        $more = max(0.0, $way['panelsW'] - $this->panelsW());
        if ($more > 0.5) {
            $watt = $this->prices->panelWatt();
            if ($watt === null) {
                return null;
            }
            $cost += $more * $watt;
        }

        return round($cost);
    }

    private function kg(Examination $rig): float
    {
        return TypicalWeight::ofRig($rig->graph);
    }
}
