<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** A generator that the shore cord is carried to. */
final class OwnGenerator implements Addition
{
    public static function id(): string
    {
        return 'generator';
    }

    public static function family(): string
    {
        return 'supply';
    }

    public static function title(): string
    {
        return 'A portable generator on the shore cord';
    }

    public static function gains(): string
    {
        return 'Power for days without sun; the cord can be in one place only, so nothing is ever joined.';
    }

    public static function risks(): string
    {
        return 'Floating, a surge unit takes it for an open ground and refuses; bonded twice it splits the return. ' .
            'Fumes, noise, and a set that starts by itself under somebody\'s hands.';
    }

    public static function options(): array
    {
        return [
            'ratedW' => Field::number('Rated output', 'W', 500, 12000)->usual(2000),
            'surgeW' => Field::number('Starting output', 'W', 500, 15000)->usual(2200),
            'outletA' => Field::integer('Breaker of its outlet, A', 10, 60)->usual(20),
            'bond' => Field::choice('Neutral', [
                'bonded' => 'bonded to its frame',
                'floating' => 'floating',
                'plug' => 'bonded by a plug in its outlet',
            ])->usual('plug'),
        ];
    }

    public function changes(Rig $rig, Options $options): array
    {
        return [
            Changes::fit('generator', [
                'type' => 'generator',
                'label' => 'Generator',
                'ratedW' => $options->surveyed('ratedW'),
                'surgeW' => $options->surveyed('surgeW'),
                'outletA' => (int) $options->number('outletA'),
                'mount' => 'portable',
                'bond' => $options->text('bond'),
                'reaches' => FoundParts::inlet($rig)->id,
            ]),
        ];
    }
}
