<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Battery\StopLine;
use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;

/** A charger from one battery to another: a current limit and a profile of its own, on while the engine runs. */
final class DcDcCharger extends Component
{
    use StopLine;

    public static function type(): string
    {
        return 'dcdc_charger';
    }

    public static function summary(): string
    {
        return 'A charger from the engine\'s battery to the house bank, with a limit and a profile of its own. ' .
            'Terminals: in_pos, in_neg, pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'outputA' => Field::number('Output', 'A', 3, 120)->plausibly(
                Plausible::times(0.5, 1, 'its name is often what it takes, not what it gives'),
            ),
            'outputV' => Field::number('Charging voltage', 'V', 11, 60),
            'inputNominalV' => Field::number('Nominal input', 'V', 12, 24),
            'efficiency' => Field::number('Efficiency', '', 0.7, 0.98)->plausibly(
                Plausible::oneOf('such units lose 4 to 15 %', 0.85, 0.96),
            ),
            'cutsInV' => Field::number('Gives up below, at its input', 'V', 8, 26),
            'inputLimitA' => Field::number('Input current limit', 'A', 2, 150)->optional(),
            'profile' => Field::choice('Charging profile', [
                'lead' => 'lead',
                'lithium' => 'lithium',
                'chosen' => 'adjustable, set to the bank',
            ]),
            'ignition' => Field::ref('Engine by whose ignition it is on', 'alternator')
                ->optional()
                ->note('left out: it is on whenever its input has volts'),
            ...self::stopField(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.in_pos", "{$this->id}.in_neg", "{$this->id}.pos", "{$this->id}.neg"];
    }

    public function referenceProblems(array $others): array
    {
        $engine = $this->values->text('ignition');

        return [
            ...$engine === '' ? [] : $this->mustBe($others, '/ignition', $engine, Alternator::class),
            ...$this->stopProblems($others),
        ];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $engine = $this->values->text('ignition');
        $by = $engine === '' ? [null, []] : ["{$engine}.engine", ['idle', 'drive']];
        $volts = $this->values->number('outputV');
        $amps = $this->values->number('outputA');
        $graph->charger(
            new PowerConverter(
                "{$this->id}.output",
                $this->id,
                PowerConverter::DC_DC,
                ["{$this->id}.in_pos", "{$this->id}.in_neg"],
                ["{$this->id}.pos", "{$this->id}.neg"],
                $volts,
                $amps,
                $this->values->number('efficiency'),
                0.0,
                device: $by[0],
                positions: $by[1],
                inputLimitA: $this->values->numberOrNull('inputLimitA'),
                nominalV: 12.0 * max(1, round($volts / 14.2)),
                cutOffV: $this->values->number('cutsInV'),
                profile: $this->values->text('profile'),
                inputV: $this->values->number('inputNominalV'),
                stop: $this->stop(),
            ),
            $this->label(),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 2, [
            sprintf('%g A · %.1f V', $this->values->number('outputA'), $this->values->number('outputV')),
        ]);
    }
}
