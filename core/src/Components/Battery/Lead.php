<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Joint;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;

/** One DC conductor between two terminals. */
final class Lead extends Component
{
    public static function type(): string
    {
        return 'lead';
    }

    public static function summary(): string
    {
        return 'One DC conductor from one terminal to another, for example bank.pos to main_fuse.in.';
    }

    public static function fields(): array
    {
        return [
            'from' => Field::terminal('From'),
            'to' => Field::terminal('To'),
            'pole' => Field::choice('Pole', ['positive' => 'positive', 'negative' => 'negative']),
            'cable' => Field::cable('Cable'),
            'ends' => Field::choice('Ends', [
                'bolted' => 'crimped and bolted',
                'clamp' => 'hand-tight post clamp',
                'plug' => 'plug pair',
            ])->optional(),
            'endsA' => Field::number('Rating of clamp or plug pair', 'A', 1, 1000)->optional(),
            'locks' => Field::flag('Clamp or plug pair holds by itself')->optional(),
            'jointMilliohm' => Field::number('Joints, both ends together', 'mΩ', 0.01, 1000)
                ->optional()
                ->note('millivolts across them under load, divided by the amps; 0.2 mΩ is sound')
                ->plausibly(Plausible::times(0.5, 3, 'a joint that is moved changes')),
        ];
    }

    /** Terminal it begins at. */
    public function from(): string
    {
        return $this->values->text('from');
    }

    /** Terminal it ends at. */
    public function to(): string
    {
        return $this->values->text('to');
    }

    /** Its cable, one way. */
    public function cable(): Cable
    {
        return $this->values->cable('cable', 'single') ?? throw new \LogicException('checked by the schema');
    }

    /** Whether it is written down as positive. */
    public function isPositive(): bool
    {
        return $this->values->text('pole') === 'positive';
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $role = $this->isPositive() ? Role::DcPositive : Role::DcNegative;
        $ohm = $this->values->numberOrNull('jointMilliohm');
        $rated = $this->values->numberOrNull('endsA');
        $joint = $ohm !== null || $rated !== null || $this->isByHand();
        $to = $joint ? "{$this->id}.joint" : $this->to();
        $graph->conductor("{$this->id}.wire", $this->id, $this->from(), $to, $role, $this->cable());
        if ($joint) {
            $graph->conductor(
                "{$this->id}.ends",
                $this->id,
                $to,
                $this->to(),
                $role,
                rating: $rated === null && !$this->isByHand() ? null : new Rating($rated, 'joint'),
                ohm: $ohm === null ? null : $ohm / 1000,
            );
            $graph->joints["{$this->id}.ends"] = new Joint(
                $this->id,
                $this->values->text('ends', 'bolted'),
                $ohm,
                $this->values->flag('locks'),
            );
        }
    }

    /** Whether its ends are clamps or plugs and no bolts. */
    private function isByHand(): bool
    {
        return in_array($this->values->text('ends'), ['clamp', 'plug'], true);
    }

    public function referenceProblems(array $others): array
    {
        return [...self::landing($others, '/from', $this->from()), ...self::landing($others, '/to', $this->to())];
    }

    /**
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    public static function landing(array $others, string $pointer, string $terminal): array
    {
        $id = explode('.', $terminal)[0];
        $at = $others[$id] ?? null;
        if ($at === null) {
            return [[$pointer, sprintf('"%s": there is no component "%s" in this rig.', $terminal, $id)]];
        }
        $known = $at->leadTerminals();

        return in_array($terminal, $known, true)
            ? []
            : [
                [
                    $pointer,
                    sprintf(
                        '"%s" is not a DC terminal of %s; it has: %s.',
                        $terminal,
                        $at->label(),
                        '"' . implode('", "', $known ?: ['none']) . '"',
                    ),
                ],
            ];
    }

    public function links(Rig $rig): array
    {
        $kind = $this->isPositive() ? 'positive' : 'negative';

        return [
            Link::dc($this->id, $kind, $this->from(), $this->to(), $this->cable(), $this->values, "{$this->id}.wire"),
        ];
    }
}
