<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Graph;

/** The rig as it was found, beside a planned one. Its states are settled when somebody asks for them: few rules do. */
final class AsFound
{
    public readonly Graph $graph;

    private ?Examination $examined = null;

    /** @param ?self $same the same rig with other needs */
    public function __construct(
        private readonly Rig $rig,
        private readonly Needs $needs,
        private readonly ?self $same = null,
    ) {
        $this->graph = $same->graph ?? Wiring::of($rig);
    }

    public function with(Needs $needs): self
    {
        return new self($this->rig, $needs, $this);
    }

    /** The same rig with its named states settled. */
    public function examined(): Examination
    {
        return $this->examined ??= new Examination(
            $this->rig,
            $this->needs,
            graph: $this->graph,
            same: $this->same?->examined,
        );
    }
}
