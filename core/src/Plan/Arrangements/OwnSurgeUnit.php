<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** A surge and volts unit behind the inlet, before anything that makes volts itself. */
final class OwnSurgeUnit implements Addition
{
    public static function id(): string
    {
        return 'surge_unit';
    }

    public static function family(): string
    {
        return 'supply';
    }

    public static function title(): string
    {
        return 'A surge unit behind the inlet';
    }

    public static function gains(): string
    {
        return 'Low and high volts, open grounds and reversed wiring are kept out before they reach the rig.';
    }

    public static function risks(): string
    {
        return 'It never opens the ground, so a frame that is live through it stays so; behind a transfer or an ' .
            'inverter it takes a floating source for a fault.';
    }

    public static function options(): array
    {
        return [
            'ratingA' => Field::integer('Rating, A', 15, 50)->usual(30),
            'opens' => Field::choice('Opens', ['both' => 'hot and neutral', 'hot' => 'hot only'])->usual('both'),
            'delayS' => Field::number('Test delay', 's', 0, 300)->usual(90),
            'lowV' => Field::number('Cuts off below', 'V', 90, 115)->usual(104),
            'highV' => Field::number('Cuts off above', 'V', 125, 145)->usual(132),
        ];
    }

    public function changes(Rig $rig, Options $options): array
    {
        $inlet = FoundParts::inlet($rig);
        foreach ($rig->all(\Hollin\Core\Components\Panels\Feeder::class) as $feeder) {
            if ($feeder->fromComponent() === $inlet->id) {
                return [
                    Changes::fit('surge_unit', [
                        'type' => 'surge_unit',
                        'label' => 'Surge unit',
                        'ratingA' => (int) $options->number('ratingA'),
                        'mount' => 'inside',
                        'opens' => $options->text('opens'),
                        'delayS' => $options->number('delayS'),
                        'lowV' => $options->number('lowV'),
                        'highV' => $options->number('highV'),
                    ]),
                    Changes::move(
                        $feeder->id,
                        '/from',
                        (object) ['at' => 'surge_unit', 'port' => 'out'],
                        'the surge unit goes right behind the inlet',
                    ),
                    Changes::feeder(
                        'surge_in',
                        'Inlet to surge unit',
                        $inlet->id,
                        'out',
                        'surge_unit',
                        'in',
                        Changes::branchCable(Changes::sizeFor((float) $options->number('ratingA')), 0.5),
                    ),
                ];
            }
        }

        throw new NotPossible('The survey does not say where the inlet leads: add the feeder from it first.');
    }
}
