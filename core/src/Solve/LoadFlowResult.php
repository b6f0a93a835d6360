<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** Volts, amps and watts of one state with its running loads. */
final readonly class LoadFlowResult
{
    /**
     * @param array<string, array{float, float}> $acV terminal => V against earth, real and imaginary
     * @param array<string, float> $dcV terminal => V against earth
     * @param array<string, float> $acA element => A, effective, through it
     * @param array<string, float> $dcA element => A from its first end to its second
     * @param array<string, array{volts: float, amps: float, watts: float, overloaded: bool}> $sources
     * @param array<string, array{volts: float, amps: float, watts: float, collapsed: bool}> $loads
     * @param float $lostW in conductors, contacts and bonds
     * @param list<string> $floating sources whose system hangs on leakage only
     * @param ?string $trouble why nothing was solved: sources joined
     */
    public function __construct(
        public array $acV,
        public array $dcV,
        public array $acA,
        public array $dcA,
        public array $sources,
        public array $loads,
        public float $lostW,
        public float $residual,
        public int $rounds,
        public array $floating,
        public ?string $trouble = null,
        public ?NodalNetwork $ac = null,
        public ?NodalNetwork $dc = null,
        /** @var list<PowerInjection> */
        public array $acInjections = [],
        /** @var list<PowerInjection> */
        public array $dcInjections = [],
        /**
         * @var array<string, array{string, string, string, float}> charger => its positive, its negative, limit, hold,
         *      power or off, volts it holds
         */
        public array $chargers = [],
        /** @var ?array<string, array{float, float}> the other answer, where two systems have no common phase */
        public ?array $otherAcV = null,
        /** @var array<string, array{inW: float, outW: float}> power converters that run */
        public array $converters = [],
        /**
         * @var array<string, array<string, array{float, float}>> each unsynchronised source alone at its operating
         *      point: V of every terminal
         */
        public array $alone = [],
        /**
         * @var list<string> inverters and assisting units that shut down because their battery side fell below their
         *      cut-off
         */
        public array $shutDown = [],
    ) {}

    /** Nothing was solved, and why. */
    public static function none(string $trouble): self
    {
        return new self([], [], [], [], [], [], 0.0, 0.0, 0, [], $trouble);
    }

    /** Whether there are figures; else `trouble` says why not. */
    public function isSolved(): bool
    {
        return $this->trouble === null;
    }

    /** @return array{array<int, float>, array<int, float>} V of the AC mesh's nodes */
    public function nodeVolts(): array
    {
        $re = $im = [-1 => 0.0];
        foreach ($this->ac->names ?? [] as $n => $name) {
            [$re[$n], $im[$n]] = $this->acV[$name];
        }

        return [$re, $im];
    }

    /** @param array<string, array{float, float}> $volts */
    public function between(array $volts, string $a, string $b): float
    {
        $from = $volts[$a] ?? [0.0, 0.0];
        $to = $volts[$b] ?? [0.0, 0.0];

        return hypot($from[0] - $to[0], $from[1] - $to[1]);
    }

    /** AC volts between two terminals, effective; null where one of them is not part of the solved system. */
    public function acBetween(string $a, string $b): ?float
    {
        $from = $a === 'earth' ? [0.0, 0.0] : $this->acV[$a] ?? null;
        $to = $b === 'earth' ? [0.0, 0.0] : $this->acV[$b] ?? null;

        return $from === null || $to === null ? null : hypot($from[0] - $to[0], $from[1] - $to[1]);
    }

    /** DC volts from one terminal to another. */
    public function dcBetween(string $a, string $b): ?float
    {
        $from = $a === 'earth' ? 0.0 : $this->dcV[$a] ?? null;
        $to = $b === 'earth' ? 0.0 : $this->dcV[$b] ?? null;

        return $from === null || $to === null ? null : $from - $to;
    }

    /** Effective amps through an element: AC and DC heat together, as the root of their squares. */
    public function amps(string $element): float
    {
        return hypot($this->acA[$element] ?? 0.0, $this->dcA[$element] ?? 0.0);
    }
}
