<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Engine;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Settled;

/** What failures leave closed or open: which are the same thing, and which could change how a rig comes to rest. */
final class FailedContacts
{
    /**
     * @var array<string, list<array{string, bool, int, int}>> failure that nothing else goes by => its contacts:
     *      element, stays closed, nets
     */
    private array $polesOf = [];

    public function __construct(private readonly Engine $engine) {}

    /**
     * Whether a failure could change anything on the way to where a sound rig rests: a contact that stands
     * otherwise between nets of which alternating current reaches one, or a device that others go by.
     */
    public function matters(Failure $failure, Settled $sound): bool
    {
        if ($failure->logics !== []) {
            return !$this->engine->goesAlike($sound, $failure);
        }
        $poles = $this->polesOf[$failure->id] ?? null;
        if ($poles === null) {
            return $sound->isTouchedBy($failure);
        }
        foreach ([...array_column($sound->passing, 'situation'), $sound->situation] as $situation) {
            foreach ($poles as [$element, $stays, $a, $b]) {
                if (
                    $situation->isClosed($element) !== $stays &&
                    ($situation->isReached($a) || $situation->isReached($b))
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Failures that leave the same contacts closed in every state are tried once: a contactor whose contacts
     * have all welded and one stuck where it pulls in, if nothing else goes by where it stands.
     *
     * @param list<Failure> $failures
     * @return list<non-empty-list<Failure>>
     */
    public function alike(array $failures): array
    {
        $network = $this->engine->network;
        $followed = $network->followed();
        $alike = [];
        foreach ($failures as $failure) {
            $poles = $failure->poles;
            foreach ($failure->heldAt as $device => $position) {
                foreach (isset($followed[$device]) ? [] : $network->polesOf[$device] ?? [] as $pole) {
                    $poles[$pole] = in_array($position, $network->graph->elements[$pole]->closedIn, true);
                }
            }
            ksort($poles);
            $elements = $network->graph->elements;
            $direct = array_filter(array_keys($poles), fn(string $pole): bool => $elements[$pole]->role->isDc());
            if ($direct === [] && $failure->logics === [] && array_intersect_key($failure->heldAt, $followed) === []) {
                $this->polesOf[$failure->id] = array_map(
                    fn(string $pole, bool $stays): array => [
                        $pole,
                        $stays,
                        $network->net[$elements[$pole]->a],
                        $network->net[$elements[$pole]->b],
                    ],
                    array_keys($poles),
                    $poles,
                );
            }
            $alike[$poles === [] ? $failure->id : (string) json_encode($poles)][] = $failure;
        }

        return array_values($alike);
    }
}
