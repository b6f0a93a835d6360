<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** One admittance between two nodes of a mesh, and whose it is. */
final readonly class Branch
{
    /**
     * @param string $kind wire, contact, bond, load, leak, source or meter
     * @param string $of element, load or source it stands for
     */
    public function __construct(
        public string $kind,
        public string $of,
        public int $a,
        public int $b,
        public float $re,
        public float $im = 0.0,
    ) {}
}
