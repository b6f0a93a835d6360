<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Supply;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Settled;

/** A pedestal with the wrong volts, or without its neutral, reaches what is plugged in. */
final class PedestalVolts implements RigRule
{
    /** Above this a 120 V load is out of its band: ANSI C84.1 range B and a little, from memory. */
    private const HIGHEST_V = 132.0;

    /** Above this appliances are destroyed in seconds (common practice, no source). */
    private const DESTROYS_V = 180.0;

    public static function definition(): Definition
    {
        return new Definition(
            'pedestal_volts',
            Severity::Danger,
            'Wrong volts from the pedestal reach the rig',
            'A 30 A receptacle wired for 240 V destroys what is plugged in within seconds; high volts ' .
                'shorten its life; without the neutral nothing works and everything stands at line voltage, also ' .
                'what reads as dead between hot and neutral. Measure a receptacle before the cord goes in; a ' .
                'surge unit that tests keeps these out.',
            Source::recalled('ANSI C84.1 for the band; common practice'),
            [
                Sample::found('a trailer without a surge unit'),
                Sample::silent('a surge unit between inlet and panel', ...ReversedPolarity::guarded()),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $reached = [];
        foreach ($rig->faults() as $id => $state) {
            $fault = $state->fault ?? throw new \LogicException("{$id} is about no fault");
            $told = $this->told($rig->graph->supplies[$fault->supply], $fault->value, $rig->faulty()[$id]);
            if ($told !== null) {
                $reached[] = $told + ['state' => $state, 'fault' => $fault];
            }
        }
        if ($reached === []) {
            return [];
        }
        usort($reached, fn(array $a, array $b): int => $b['volts'] <=> $a['volts']);
        $worst = $reached[0];

        // One cause, one finding: nothing at the cord keeps a wrong pedestal out.
        return [
            new Hit(
                'pedestal',
                'Nothing keeps a pedestal with wrong volts out. ' .
                    implode(' ', array_unique(array_column($reached, 'text'))),
                [$worst['fault']->supply, ...array_slice($worst['circuits'], 0, 3)],
                $worst['volts'] > self::HIGHEST_V
                    ? [
                        new Figure(
                            'Volts at the outlets',
                            $worst['volts'],
                            'V',
                            'as the receptacle is wired, nothing running',
                            Source::computed('potentials of what is joined'),
                            self::HIGHEST_V,
                            true,
                            of: new Of(Quantity::OpenVolts, $worst['fault']->supply, $worst['state']->id),
                        ),
                    ]
                    : [],
                SurgeUnitInLine::of($rig),
                severity: $worst['volts'] > self::DESTROYS_V ? Severity::Danger : Severity::Warning,
                ways: Ways::outside($worst['fault']->words),
                proof: $worst['state'],
            ),
        ];
    }

    /**
     * @return ?array{text: string, volts: float, circuits: list<string>} what a pedestal in this condition does here;
     *      null where it does nothing
     */
    private function told(Supply $shore, string $condition, Settled $settled): ?array
    {
        $situation = $settled->situation;
        $reached = [];
        foreach ($situation->liveness() as $circuit => $live) {
            if ($live->source === $shore->source) {
                $reached[$live->kind][] = $circuit;
            }
        }
        $volts = $situation->isActive($shore->source) ? $situation->volts($shore->source) : 0.0;
        if ($condition === 'open_neutral' && isset($reached['live'])) {
            return [
                'text' =>
                    'With its neutral open nothing works and every hot is live: what is switched on lifts ' .
                    'the neutral bar to line voltage, and no test between hot and neutral shows it.',
                'volts' => 0.0,
                'circuits' => $reached['live'],
            ];
        }
        if ($volts > self::HIGHEST_V && isset($reached['works'])) {
            return [
                'text' => sprintf(
                    '%s: %s %.0f V.',
                    $volts > self::DESTROYS_V ? 'A 30 A receptacle wired for 240 V' : 'High voltage',
                    count($reached['works']) === 1 ? '1 circuit gets' : count($reached['works']) . ' circuits get',
                    $volts,
                ),
                'volts' => $volts,
                'circuits' => $reached['works'],
            ];
        }

        return null;
    }
}
