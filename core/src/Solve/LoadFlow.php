<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Source;
use Hollin\Core\States\AlternatingPotentials;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;

/**
 * Solves a settled state: alternating current as phasors and direct current apart, coupled by what
 * power converters take and give. Limits are kept inside the solve. Sources that are joined have no
 * common phase and are not solved; an answer that does not stand still is no answer.
 */
final class LoadFlow
{
    public const HZ = 60.0;

    /** Tyres insulate, ohm: at least (common practice, no source). */
    public const TYRES_OHM = 1e6;

    /** Leakage that ties an island with no other path to the frame, ohm. Assumed. */
    public const ISLAND_OHM = 1e7;

    /** Capacitance from each wire of an isolated output to its case, F. Assumed. */
    public const FLOATING_F = 1e-8;

    /** Filters and insulation of a plugged-in appliance, each wire to its case, F: 0.25 mA at 120 V. Assumed. */
    public const APPLIANCE_F = 5.5e-9;

    /** Capacity of each wire of a sheathed cable to its ground, F per m (common practice, no source: about 100 pF). */
    public const CABLE_F_PER_M = 1e-10;

    private const MOST_PASSES = 80;

    /** Share of a power within which the two sides agree. */
    private const AGREE = 1e-10;

    /** @var array<string, Source> active AC sources */
    private array $live = [];

    private readonly Graph $graph;

    private readonly Situation $situation;

    /** @var array<string, PowerConverter> chargers that have a supply */
    private array $chargers = [];

    /** @var array<string, PowerConverter> inverters that run and units that could assist */
    private array $inverting = [];

    /** Why nothing is solved: two sources are joined. */
    private readonly ?string $joined;

    /** @var array<string, true> units that could assist, were there anything to take it from */
    private array $unheld;

    /**
     * @param array<string, true> $running loads that are switched on, as circuit.load
     * @param list<array{string, string, float}> $more further resistances, as a meter or a person: terminal, terminal,
     *      ohm
     */
    private function __construct(
        private readonly Settled $settled,
        private readonly array $running,
        private readonly array $more,
        private readonly string $charge,
        private readonly Effort $effort,
    ) {
        $this->situation = $settled->situation;
        $this->graph = $settled->situation->network->graph;
        $this->live = LiveAc::of($settled);
        $this->chargers = array_intersect_key($this->graph->converters, $this->situation->charging());
        foreach ($this->graph->converters as $id => $converter) {
            if (!$converter->charges() && $converter->runs($settled->positions)) {
                $this->inverting[$id] = $converter;
            }
        }
        $this->joined = $this->joined();
        $this->holdUp();
    }

    /** What nothing holds up gives nothing: an inverter without a battery, and what runs on it alone. */
    private function holdUp(): void
    {
        $held = HeldUp::least($this->situation, $this->live, $this->chargers, $this->inverting);
        $this->chargers = array_intersect_key($this->chargers, $held->chargers);
        foreach ($this->inverting as $id => $unit) {
            $source = $unit->kind === PowerConverter::INVERTER ? $this->sourceOf($unit) : null;
            if ($source !== null && !isset($held->sources[$source])) {
                unset($this->live[$source], $this->inverting[$id]);
                $this->shutDown[] = $id;
            }
        }
        $this->unheld = HeldUp::without($this->situation, $this->live, $this->chargers, $this->inverting);
    }

    /**
     * @param array<string, true> $running
     * @param list<array{string, string, float}> $more
     * @param string $charge of the batteries: full, half or low
     */
    public static function of(
        Settled $settled,
        array $running,
        array $more = [],
        string $charge = 'half',
        ?Effort $effort = null,
    ): LoadFlowResult {
        $make = new self($settled, $running, $more, $charge, $effort ?? new Effort());
        try {
            return $make->joined === null ? $make->solve() : LoadFlowResult::none($make->joined);
        } catch (TooMuch) {
            return LoadFlowResult::none(TooMuch::words(count($running)));
        }
    }

    private function joined(): ?string
    {
        foreach ((new AlternatingPotentials($this->situation, $this->live))->joined as [$first, $second]) {
            return sprintf(
                '%s and %s are joined: they have no common phase, so nothing is solved.',
                $this->graph->label($this->graph->sources[$first]->component),
                $this->graph->label($this->graph->sources[$second]->component),
            );
        }

        return null;
    }

    private function solve(): LoadFlowResult
    {
        /** @var array<string, PowerInjection> $inputs what chargers take, by charger */
        $inputs = [];
        foreach ($this->chargers as $id => $charger) {
            $inputs[$id] = new PowerInjection(
                $id,
                $charger->input[0],
                $charger->input[1],
                0.0,
                0.0,
                $this->acV($charger),
                true,
            );
        }
        /**
         * @var array<string, PowerInjection> $added what assisting units give, by unit; $taken what is drawn from
         *      batteries for it
         */
        $added = $taken = [];
        foreach ($this->inverting as $id => $converter) {
            if ($converter->kind === PowerConverter::ASSIST) {
                $added[$id] = new PowerInjection(
                    $id,
                    $converter->output[0],
                    $converter->output[1],
                    0.0,
                    0.0,
                    120.0,
                    true,
                );
            }
            $taken[$id] = new PowerInjection(
                "{$converter->component}.dc",
                $converter->input[0],
                $converter->input[1],
                $converter->kind === PowerConverter::ASSIST ? 0.0 : $converter->idleW,
                0.0,
                $converter->nominalV,
                true,
                max(AcSide::COLLAPSE, min(0.95, $converter->cutOffV / $converter->nominalV)),
            );
        }
        $demands = new Demands($this->settled, $this->running);
        $direct = new DirectConverters($this->situation);
        $ac = new AcSide(
            $this->settled,
            $this->live,
            [...$demands->alternating(), ...array_values($inputs), ...array_values($added)],
            $this->running,
            $this->more,
            $this->effort,
        );
        $dc = new DcSide(
            $this->settled,
            [...$demands->direct(), ...array_values($taken), ...array_values($direct->drawn)],
            $this->chargers + $direct->units,
            $this->charge,
            $this->effort,
        );
        $direct->bound($dc);
        $still = false;
        $changed = 0.0;
        for ($pass = 0; $pass < self::MOST_PASSES && !$still; $pass++) {
            $ac->settle();
            $moved = max($this->dropOut($ac, $dc, $inputs), $this->regulate($ac, $dc, $added));
            $moved = max($moved, $this->drawFromBatteries($ac, $taken, $added));
            if ($pass === 0 || $moved > 0 || $changed > 0) {
                $dc->settle();
            }
            // What a converter takes from one battery for what it gives to another is a matter of both at once.
            $changed = $direct->feed($dc);
            $moved = max($moved, $changed, $this->feedChargers($dc, $inputs));
            $starved = array_filter(
                $taken,
                fn(PowerInjection $t, string $id): bool => $t->collapsed ||
                    (isset($this->unheld[$id]) && $t->watts > 0),
                ARRAY_FILTER_USE_BOTH,
            );
            if ($starved !== []) {
                return $this->without(array_keys($starved));
            }
            $still = $moved < self::AGREE || !$ac->converged || !$dc->converged;
        }
        $ac->settle();
        if (!$still || !$ac->converged || !$dc->converged) {
            return LoadFlowResult::none(
                'The loads do not come to rest on what feeds them: no figure can be given. Something will ' .
                    'trip, shut down or flicker.',
            );
        }

        return (new LoadFlowOutcome(
            $this->settled,
            $this->live,
            $ac,
            $dc,
            $added,
            $taken,
            $inputs,
            [...$this->shutDown, ...$direct->starved()],
            $direct->drawn,
        ))->result();
    }

    /**
     * @var list<string> inverters and assisting units that shut down because their battery side fell below their
     *      cut-off
     */
    private array $shutDown = [];

    /**
     * The same state with inverters that their battery cannot hold up shut down.
     *
     * @param list<string> $starved
     */
    private function without(array $starved): LoadFlowResult
    {
        foreach ($starved as $id) {
            $source =
                $this->inverting[$id]->kind === PowerConverter::INVERTER
                    ? $this->sourceOf($this->inverting[$id])
                    : null;
            unset($this->live[(string) $source], $this->inverting[$id]);
            $this->shutDown[] = $id;
        }

        return $this->solve();
    }

    /** @var array<string, true> chargers whose supply does not hold them up */
    private array $out = [];

    /**
     * A charger whose supply falls away under it cuts out.
     *
     * @param array<string, PowerInjection> $inputs
     */
    private function dropOut(AcSide $ac, DcSide $dc, array $inputs): float
    {
        $moved = 0.0;
        foreach ($inputs as $id => $input) {
            if ($input->collapsed) {
                $ac->revive($input);
                $input->watts = $input->vars = 0.0;
                $this->out[$id] = true;
                $dc->stages->mostW[$id] = 0.0;
                $moved = 1.0;
            }
        }

        return $moved;
    }

    /** Volts a charger's input is rated for. */
    private function acV(PowerConverter $charger): float
    {
        $source = $this->situation->charging()[$charger->id] ?? '';

        return $this->graph->sources[$source]->volts ?? 120.0;
    }

    /**
     * Keeps each unit's input limit: what it leaves for charging, and what the unit adds when it leaves nothing.
     *
     * @param array<string, PowerInjection> $added
     */
    private function regulate(AcSide $ac, DcSide $dc, array $added): float
    {
        $moved = 0.0;
        foreach ($this->chargers + $this->inverting as $id => $unit) {
            if ($unit->inputLimitA === null || isset($this->out[$id])) {
                continue;
            }
            $assist = $added[$id] ?? ($added["{$unit->component}.assist"] ?? null);
            $at = $unit->kind === PowerConverter::ASSIST ? $unit->output : $unit->input;
            $volts = $ac->between(...$at);
            $size = hypot(...$volts);
            $through = InputLimit::through($ac, $unit);
            if ($assist !== null) {
                // What would pass without what it adds.
                $drawn = $assist->currentAt(...$volts);
                $through = [$through[0] - $drawn[0], $through[1] - $drawn[1]];
            }
            if ($unit->kind === PowerConverter::ASSIST) {
                $assist ??= throw new \LogicException('an assisting unit has what it adds');
                [$watts, $vars] = InputLimit::adds($unit->inputLimitA, $unit->limitA, $through, $volts);
                $moved = max(
                    $moved,
                    (abs($watts - $assist->watts) + abs($vars - $assist->vars)) / max(1.0, abs($watts)),
                );
                if ($assist->watts === 0.0 && $watts < 0) {
                    // What gave up on the weak supply alone may well run with help.
                    $ac->build();
                }
                $assist->watts = $watts;
                $assist->vars = $vars;
            } else {
                $most = max(0.0, InputLimit::leaves($unit->inputLimitA, $through, $volts)) * $size * $unit->efficiency;
                $before = $dc->stages->mostW[$id] ?? INF;
                $full = $unit->limitA * $unit->holdsV * 1.2;
                $moved = max($moved, abs(min($most, $full) - min($before, $full)) / max(1.0, $full));
                $dc->stages->mostW[$id] = $most;
            }
        }

        return $moved;
    }

    /**
     * What inverters and assisting units give on the AC side they take from their battery, with their losses.
     *
     * @param array<string, PowerInjection> $taken
     * @param array<string, PowerInjection> $added
     */
    private function drawFromBatteries(AcSide $ac, array $taken, array $added): float
    {
        $moved = 0.0;
        foreach ($this->inverting as $id => $unit) {
            if ($unit->kind === PowerConverter::ASSIST) {
                $made = -$added[$id]->watts;
                $watts = $made > 0 ? $made / $unit->efficiency + $unit->idleW : 0.0;
            } else {
                $source = $this->sourceOf($unit);
                $watts = ($source === null ? 0.0 : max(0.0, $ac->watts($source))) / $unit->efficiency + $unit->idleW;
            }
            $moved = max($moved, abs($watts - $taken[$id]->watts) / max(1.0, $watts));
            $taken[$id]->watts = $watts;
        }

        return $moved;
    }

    /** The AC source an inverter forms. */
    private function sourceOf(PowerConverter $unit): ?string
    {
        foreach ($this->live as $id => $source) {
            if ($source->component === $unit->component) {
                return $id;
            }
        }

        return null;
    }

    /**
     * What chargers take on the AC side for what they really give; with nothing to charge their idle draw.
     *
     * @param array<string, PowerInjection> $inputs
     */
    private function feedChargers(DcSide $dc, array $inputs): float
    {
        $moved = 0.0;
        foreach ($inputs as $id => $input) {
            $charger = $this->chargers[$id];
            $needs = ($dc->givenA($id) * $dc->chargerV($id)) / $charger->efficiency;
            $watts = $charger->inputLimitA === null && !isset($this->out[$id]) ? max($charger->idleW, $needs) : $needs;
            $moved = max($moved, abs($watts - $input->watts) / max(1.0, $watts));
            $input->watts = $watts;
            $input->vars = $charger->powerFactor < 1 ? $watts * tan(acos($charger->powerFactor)) : 0.0;
        }

        return $moved;
    }
}
