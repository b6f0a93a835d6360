<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;

/** A DC user that is fed on its own: a gas or CO detector, breakaway brakes, a jack, a fan. */
final class DcLoad extends Component
{
    public static function type(): string
    {
        return 'dc_load';
    }

    public static function summary(): string
    {
        return 'A DC user fed by leads of its own: gas or CO detector, breakaway brakes, or another. Detectors must ' .
            'be live while people are on board, brakes while towing. Terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'use' => Field::choice('Use', [
                'detector' => 'gas or CO detector',
                'breakaway' => 'breakaway brakes',
                'other' => 'other',
            ]),
            'amps' => Field::number('Draw', 'A', 0, 60)->plausibly(
                Plausible::times(0.5, 1.5, 'a draw is a guess until a clamp has been around it'),
            ),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** Whether somebody's life may hang on it, as on a gas detector. */
    public function isLifeSafety(): bool
    {
        return $this->values->text('use') !== 'other';
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->user(
            Load::direct(
                $this->id,
                $this->label(),
                $this->values->number('amps'),
                $this->isLifeSafety() ? $this->values->text('use') : '',
            ),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 6, [
            sprintf('%g A%s', $this->values->number('amps'), $this->isLifeSafety() ? ' · life safety' : ''),
        ]);
    }
}
