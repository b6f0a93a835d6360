<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Joints;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;
use Hollin\Core\Reference\Cable;

/** An AC cable between two pieces of equipment: inlet to panel, inverter to subpanel. */
final class Feeder extends Component
{
    public static function type(): string
    {
        return 'feeder';
    }

    public static function summary(): string
    {
        return 'A 120 V cable (hot, neutral, ground) from one port to another: inlet.out to panel.line, ' .
            'inverter.ac_out to a subpanel.';
    }

    public static function fields(): array
    {
        return [
            'from' => Field::group('From', self::end(self::GIVES)),
            'to' => Field::group('To', self::end(self::TAKES)),
            'cable' => Field::cable('Cable'),
            ...Joints::fields(),
        ];
    }

    /** Id of what it begins at. */
    public function fromComponent(): string
    {
        return $this->values->group('from')?->text('at') ?? '';
    }

    /** Id of what it ends at. */
    public function toComponent(): string
    {
        return $this->values->group('to')?->text('at') ?? '';
    }

    /** Its cable, one way. */
    public function cable(): Cable
    {
        return $this->values->cable('cable') ?? throw new \LogicException('checked by the schema');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $ports = [];
        foreach (['from', 'to'] as $end) {
            $group = $this->values->group($end);
            $ports[] = $group === null ? null : $rig->find($group->text('at'))?->port($group->text('port'));
        }
        if ($ports[0] !== null && $ports[1] !== null) {
            (new Joints($this->id, $this->values))->cable($graph, $ports[0], $ports[1], $this->cable());
        }
    }

    public function referenceProblems(array $others): array
    {
        return [...$this->portProblems($others, 'from'), ...$this->portProblems($others, 'to')];
    }

    public function links(Rig $rig): array
    {
        $from = self::portOf($rig, $this->values->group('from'));
        $to = self::portOf($rig, $this->values->group('to'));

        return [
            Link::ac(
                $this->id,
                Link::end($this->values->group('from')),
                Link::end($this->values->group('to')),
                [(string) $from?->hot, (string) $to?->hot],
                [(string) $from?->neutral, (string) $to?->neutral],
                Circuit::elements($this->id),
                Link::cable($this->cable(), $this->values),
            ),
        ];
    }
}
