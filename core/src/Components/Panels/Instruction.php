<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;

/** Something people must remember to do. The named states follow it; forgetting it is one slip. */
final class Instruction extends Component
{
    public static function type(): string
    {
        return 'instruction';
    }

    public static function summary(): string
    {
        return 'What people must remember: a breaker or plug kept off while inverting. The named states obey it, ' .
            'and forgetting it is one slip.';
    }

    public static function fields(): array
    {
        return [
            'device' => Field::ref('Circuit whose breaker, or converter whose plug', 'circuit', 'converter'),
            'while' => Field::choice('While', ['inverting' => 'while inverting']),
        ];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $target = $rig->find($this->values->text('device'));
        [$device, $position] =
            $target instanceof Converter
                ? ["{$target->id}.plug", 'out']
                : [$this->values->text('device') . '.breaker', 'off'];
        $graph->instructions[$this->id] = [
            'device' => $device,
            'position' => $position,
            'while' => 'inverting',
            'component' => $this->id,
        ];
    }

    public function referenceProblems(array $others): array
    {
        $id = $this->values->text('device');
        $target = $others[$id] ?? null;

        return $target instanceof Circuit || $target instanceof Converter
            ? []
            : [['/device', sprintf('"%s" is neither a circuit nor a converter of this rig.', $id)]];
    }
}
