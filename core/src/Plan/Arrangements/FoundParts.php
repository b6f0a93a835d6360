<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Supply\Inlet;

/** What an arrangement looks for in the rig as found; a rig that lacks it cannot have the arrangement. */
final class FoundParts
{
    /** @throws \Hollin\Core\Plan\Refused when the rig has none */
    public static function inlet(Rig $rig): Inlet
    {
        foreach ($rig->all(Inlet::class) as $inlet) {
            if ($inlet->values->text('form') !== 'plug') {
                return $inlet;
            }
        }
        throw new NotPossible('The survey has no inlet or cord yet: add it first, or start from a factory layout.');
    }

    /** @throws \Hollin\Core\Plan\Refused when the rig has none */
    public static function mainPanel(Rig $rig): Panel
    {
        foreach ($rig->all(Panel::class) as $panel) {
            if ($panel->isMain()) {
                return $panel;
            }
        }
        throw new NotPossible('The survey has no main panel yet: add it first, or start from a factory layout.');
    }

    /** @throws \Hollin\Core\Plan\Refused when nothing leads from the inlet to the main panel */
    public static function shoreFeeder(Rig $rig, Panel $panel): Feeder
    {
        foreach ($rig->all(Feeder::class) as $feeder) {
            if ($feeder->toComponent() === $panel->id) {
                return $feeder;
            }
        }
        throw new NotPossible(
            'The survey does not say what feeds the main panel: add the feeder from the inlet first.',
        );
    }

    /** @return array{?Converter, ?Circuit} */
    public static function converter(Rig $rig): array
    {
        foreach ($rig->all(Converter::class) as $converter) {
            foreach ($rig->all(Circuit::class) as $circuit) {
                if ($circuit->feedsComponent() === $converter->id) {
                    return [$converter, $circuit];
                }
            }

            return [$converter, null];
        }

        return [null, null];
    }

    /** The branch circuit an arrangement is about. */
    public static function branch(Rig $rig, Options $options): Circuit
    {
        $circuit = $rig->find($options->text('circuit'));
        if (!($circuit instanceof Circuit) || $circuit->hotPanel() === null || $circuit->feedsComponent() !== null) {
            throw new NotPossible(
                sprintf(
                    '"%s" is not a circuit that lands on a breaker and feeds outlets: choose one of the ' .
                        'panel\'s circuits.',
                    $options->text('circuit'),
                ),
            );
        }

        return $circuit;
    }
}
