<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Situation;

/**
 * Bare male contacts that a hand can touch are live: the inlet's blades while the inverter runs,
 * the neutral blade included when a load passes a hot on to a neutral that leads there.
 */
final class LivePins implements StateRule, Claims
{
    public static function definition(): Definition
    {
        return new Definition(
            'live_pins',
            Severity::Danger,
            'Inlet pins hot with nothing plugged in',
            'The male pins of an inlet or a loose cord are live while nothing is mated with them. Whoever ' .
                'picks up the cord touches line voltage.',
            Source::recalled('NFPA 70 551.33, 551.46; above 30 V AC counts as live'),
            [
                Sample::found(
                    'a circuit moved to the inverter panel, its neutral left on the main panel',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'neutral' => 'common']),
                    Sample::move('c_outlets', 'main_panel', 'neutral'),
                    Sample::set('inverter', '/neutral', 'switched'),
                ),
                Sample::found(
                    'the shore feeder still on the panel the inverter feeds',
                    Sample::choose('in_line'),
                    Sample::set('feeder_main', '/to', ['at' => 'main_panel', 'port' => 'line']),
                ),
                Sample::silent('in line through the relay', Sample::choose('in_line')),
                Sample::silent('as found, nothing inside makes 120 V'),
            ],
        );
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->exposed as $pins) {
            if (self::mated($situation, $pins->device)) {
                continue;
            }
            $live = [];
            foreach ($pins->pins as $name => $terminal) {
                $source = $situation->strikesAt($terminal);
                if ($source !== null) {
                    $live[$name] = $source;
                }
            }
            if ($live === []) {
                continue;
            }
            $hard = array_filter(
                array_keys($live),
                fn(string $name): bool => $situation->hardHot($pins->pins[$name]) !== null,
            );
            $driven = array_filter($pins->pins, fn(string $t): bool => $situation->hotAt($t) !== null) === [];
            $from = $rig->graph->sources[reset($live)];
            $source = $rig->graph->label($from->component);
            $names = implode(' and the ', array_keys($live)) . (count($live) === 1 ? ' pin' : ' pins');
            $stray = self::strayNeutrals($situation, $rig, $pins->pins[array_key_last($live)]);
            $hits[] = new Hit(
                $pins->component . '|' . ($driven ? 'driven' : ($hard === [] ? implode('+', $stray) : 'hard')),
                $driven
                    ? sprintf(
                        'With nothing plugged in the %s of %s are at half the voltage of %s, whose neutral is ' .
                            'driven and stays joined.',
                        $names,
                        $pins->label,
                        $source,
                    )
                    : ($hard !== []
                        ? sprintf(
                            'With nothing plugged in there is line voltage on the %s of %s: joined to the hot of %s.',
                            $names,
                            $pins->label,
                            $source,
                        )
                        : sprintf(
                            'With nothing plugged in there is line voltage on the %s of %s, through a load: the hot ' .
                                'of %s passes whatever is switched on, and its only way on is out of the inlet.',
                            $names,
                            $pins->label,
                            $source,
                        )),
                [$pins->component, $from->component, ...$stray],
                [
                    new Figure(
                        'Pin to frame',
                        $driven ? $from->volts / 2 : $from->volts,
                        'V',
                        $driven
                            ? 'half of the output stands between each wire and the case'
                            : ($hard !== []
                                ? 'joined through closed contacts'
                                : 'open return: full volts through any load'),
                        Source::computed('connectivity'),
                        30.0,
                        of: new Of(Quantity::OpenVolts, $pins->component),
                    ),
                ],
                self::remedies($rig, $stray),
                array_map(
                    fn(string $name): array => [$from->a, $pins->pins[$name]],
                    array_slice(array_keys($live), -1),
                ),
                because: $stray === [] ? null : "split_return|{$stray[0]}|no return",
            );
        }

        return $hits;
    }

    public function claims(Examination $rig): array
    {
        $inside = array_filter(
            $rig->graph->sources,
            fn($s): bool => $s->kind === 'ac' && $s->forming && $s->device !== null,
        );
        if ($inside === []) {
            return [];
        }

        // Which pins, where there are several: others may be live all the same.
        return array_map(
            fn($pins): Claim => new Claim(
                "{$pins->component}|",
                count($rig->graph->exposed) === 1
                    ? 'live inlet pins'
                    : 'live pins of ' . Naming::component($pins->component),
            ),
            $rig->graph->exposed,
        );
    }

    private static function mated(Situation $situation, string $device): bool
    {
        foreach ($situation->network->polesOf[$device] ?? [] as $pole) {
            if ($situation->isClosed($pole)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> circuits that push a hot into the island of a terminal */
    private static function strayNeutrals(Situation $situation, Examination $rig, string $terminal): array
    {
        $stray = [];
        foreach ($rig->graph->circuits as $id => $end) {
            if (
                !$end->together &&
                $situation->joined($end->neutral, $terminal) &&
                $situation->hardHot($end->hot) !== null
            ) {
                $stray[] = $id;
            }
        }

        return $stray;
    }

    /**
     * @param list<string> $stray
     * @return list<Remedy>
     */
    private static function remedies(Examination $rig, array $stray): array
    {
        return [
            ...array_map(fn(string $id): Remedy => SplitReturn::fetch($rig, $id), $stray),
            ...BackFed::remedies($rig),
        ];
    }
}
