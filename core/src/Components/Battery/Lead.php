<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;
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
        $graph->conductor(
            "{$this->id}.wire",
            $this->id,
            $this->from(),
            $this->to(),
            $this->isPositive() ? Role::DcPositive : Role::DcNegative,
            $this->cable(),
        );
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
