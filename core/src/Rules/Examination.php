<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Graph;
use Hollin\Core\Operation\Flows;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\NamedStates;
use Hollin\Core\States\Settled;

/** One rig, compiled, with its named states settled: what the rules look at. */
final class Examination
{
    public readonly Graph $graph;

    public readonly Engine $engine;

    /** @var array<string, NamedState> */
    public readonly array $named;

    /** @var array<string, Settled> */
    public readonly array $settled;

    private ?Currents $currents = null;

    private ?Reach $reach = null;

    /**
     * @param array<string, string> $unapplied changes of the stage that no longer apply, with the reason
     * @param ?Graph $graph what the rig compiles to, where that is known already
     * @param ?self $same the same rig looked at with other needs: what was settled and solved there holds here
     */
    public function __construct(
        public readonly Rig $rig,
        public readonly Needs $needs,
        public readonly ?AsFound $asFound = null,
        public readonly array $unapplied = [],
        ?Graph $graph = null,
        ?self $same = null,
    ) {
        if ($same !== null) {
            $this->graph = $same->graph;
            $this->engine = $same->engine;
            $this->named = $same->named;
            $this->settled = $same->settled;
            $this->flows = $same->flows();
            $this->reach = $same->reach();

            return;
        }
        $this->graph = $graph ?? Wiring::of($rig);
        $this->engine = new Engine(new Contraction($this->graph));
        $named = $settled = [];
        foreach (NamedStates::of($this->graph) as $state) {
            $settled[$state->id] = ByVolts::settled($this->engine, $state->setting, $state->charge);
            $named[$state->id] = $state->in($settled[$state->id]->setting);
        }
        $this->named = $named;
        $this->settled = $settled;
    }

    /** @var ?array<string, Settled> */
    private ?array $faulty = null;

    /** @var ?array<string, NamedState> */
    private ?array $faults = null;

    /** @return array<string, NamedState> the rig at a pedestal with each thing that can be wrong with it */
    public function faults(): array
    {
        return $this->faults ??= array_column(NamedStates::faults($this->graph), null, 'id');
    }

    /** @return array<string, Settled> by fault state */
    public function faulty(): array
    {
        return $this->faulty ??= array_map(
            fn(NamedState $s): Settled => ByVolts::settled($this->engine, $s->setting),
            $this->faults(),
        );
    }

    /** @return array<string, true> every load of the rig */
    public function allLoads(): array
    {
        return array_map(fn(): bool => true, $this->graph->loads);
    }

    /** Running currents by named state and load scenario. */
    public function currents(): Currents
    {
        return $this->currents ??= new Currents($this);
    }

    private ?Flows $flows = null;

    /** Load flows of its states, each solved once. */
    public function flows(): Flows
    {
        return $this->flows ??= new Flows();
    }

    /** What can push current into each terminal. */
    public function reach(): Reach
    {
        return $this->reach ??= new Reach($this->graph);
    }
}
