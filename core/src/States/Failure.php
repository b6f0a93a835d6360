<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\ElementKind;

/**
 * One device that does not do what it should: a pole welded or never closing, whatever its position, a mechanism that
 * does not move, a reading that is false or a setting that is wrong.
 */
final readonly class Failure
{
    /**
     * @param string $words of the contacts or the device, names by id (Naming); poles of one device share them
     * @param array<string, bool> $poles element => stays closed (true) or open (false)
     * @param array<string, string> $heldAt device that never leaves a position => that position
     * @param array<string, Automatic> $logics device that goes about otherwise => how
     * @param string $pole which of several poles that otherwise move together; empty when there is but one
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $words,
        public array $poles = [],
        public array $heldAt = [],
        public string $pole = '',
        public array $logics = [],
    ) {}

    /** Whether it changes which contacts are closed in a situation. */
    public function changes(Situation $situation): bool
    {
        foreach ($this->poles as $element => $closed) {
            if ($situation->isClosed($element) !== $closed) {
                return true;
            }
        }

        return false;
    }

    /** Nothing has failed. */
    public static function none(): self
    {
        return new self('', '', '');
    }

    /**
     * Every single failure of the automatic devices of a network, and of what chooses between supplies by
     * hand: each pole by itself, the poles that move together at once, each mechanism stuck or led astray by
     * a false reading, and each setting wrong.
     *
     * @return list<self>
     */
    public static function ofNetwork(Contraction $network): array
    {
        $failures = [];
        foreach ($network->graph->elements as $id => $element) {
            $device = $network->graph->devices[$element->device ?? ''] ?? null;
            if (
                $device === null ||
                isset($network->left[$device->id]) ||
                (!$device->isAutomatic() && $device->job !== 'transfer')
            ) {
                continue;
            }
            $contact = $element->kind === ElementKind::Bond ? 'bonding relay' : $device->contacts;
            $name = Naming::component($device->component);
            // A bonding relay is a relay of its own.
            $together = array_values(
                array_filter(
                    $network->movesWith($id),
                    fn(string $other): bool => $network->graph->elements[$other]->kind === $element->kind,
                ),
            );
            foreach (['welded' => 'welded closed', 'stuck_open' => 'stuck open'] as $how => $words) {
                $failures[] = new self(
                    "{$id}.{$how}",
                    $device->component,
                    "{$contact} of {$name} {$words}",
                    [$id => $how === 'welded'],
                    pole: count($together) > 1 ? "{$element->role->value} pole" : '',
                );
                if (count($together) > 1 && $together[0] === $id) {
                    // One current passes them all, so they may well weld at once.
                    $failures[] = new self(
                        "{$id}.all_{$how}",
                        $device->component,
                        "{$contact} of {$name} {$words}",
                        array_fill_keys($together, $how === 'welded'),
                    );
                }
            }
        }
        foreach ($network->graph->devices as $device) {
            array_push(
                $failures,
                ...$device->isAutomatic() && !isset($network->left[$device->id]) ? self::stuck($network, $device) : [],
            );
        }

        return $failures;
    }

    /**
     * A device without life, which rests, and one stuck in each of its other positions; a sensor that lies leads
     * it to one of them and keeps it there. And one that somebody has set wrongly.
     *
     * @return list<self>
     */
    private static function stuck(Contraction $network, Device $device): array
    {
        $failures = [];
        $name = Naming::component($device->component);
        foreach ($device->positionNames() as $i => $position) {
            $failures[] =
                $i === 0
                    ? new self(
                        "{$device->id}.dead",
                        $device->component,
                        sprintf(
                            $device->judgesVolts
                                ? '%s dead or blind: it never leaves "%s"'
                                : '%s dead: it never leaves "%s"',
                            $name,
                            Naming::position($device->id, $position),
                        ),
                        heldAt: [$device->id => $position],
                    )
                    : new self(
                        "{$device->id}.stuck_{$position}",
                        $device->component,
                        sprintf(
                            $device->judgesVolts
                                ? '%s stuck in "%s", or kept there by a false reading'
                                : '%s stuck in "%s"',
                            $name,
                            Naming::position($device->id, $position),
                        ),
                        heldAt: [$device->id => $position],
                    );
        }

        $n = 0;
        foreach ($device->logic?->misset() ?? [] as $words => $logic) {
            $failures[] = new self(
                "{$device->id}.misset_" . ++$n,
                $device->component,
                "{$name} set {$words}",
                logics: [$device->id => $logic],
            );
        }

        return $failures;
    }
}
