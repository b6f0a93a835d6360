<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Role;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Situation;

/** Everything metal of a rig with its admittance, worked out once; each state takes what is closed in it. */
final class Metal
{
    /** @var ?\WeakMap<Contraction, self> */
    private static ?\WeakMap $known = null;

    /** @var list<array{string, string, string, string, float, int}> kind, element, ends, S, bit or -1 */
    private array $ac = [];

    /** @var list<array{string, string, string, string, float, int}> */
    private array $dc = [];

    private function __construct(Contraction $network)
    {
        foreach ($network->graph->elements as $id => $element) {
            if ($element->kind === ElementKind::OneWay) {
                continue;
            }
            $siemens = 1 / Impedance::ohm($element, $network->graph);
            $bit = $network->bitOf[$id] ?? -1;
            // A short that somebody made may join anything.
            if (!$element->role->isDc() || $element->role === Role::SenseLead) {
                $this->ac[] = [
                    $element->kind === ElementKind::Bond ? 'bond' : 'wire',
                    $id,
                    $element->a,
                    $element->b,
                    $siemens,
                    $bit,
                ];
            }
            if (!$element->role->isAc()) {
                $this->dc[] = ['wire', $id, $element->a, $element->b, $siemens, $bit];
            }
        }
    }

    /** Everything that is joined in a situation, as one network. */
    public static function of(Contraction $network): self
    {
        self::$known ??= new \WeakMap();

        return self::$known[$network] ??= new self($network);
    }

    /** Puts what is closed in a situation into a nodal network. */
    public static function into(NodalNetwork $into, Situation $situation, bool $ac): void
    {
        $metal = self::of($situation->network);
        $closed = $situation->closed;
        $parted = $situation->parted;
        foreach ($ac ? $metal->ac : $metal->dc as [$kind, $id, $a, $b, $siemens, $bit]) {
            if ($parted[$id] ?? $bit < 0 || (($closed >> $bit) & 1) === 1) {
                $into->add($kind, $id, $a, $b, $siemens);
            }
        }
    }
}
