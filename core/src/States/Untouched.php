<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/**
 * Controls that nothing reaches: every contact of theirs stands between nets that no alternating current
 * reaches, in the end and on the way there. However they stand, and however many of them at once, the rig
 * comes to rest by the same way with the same things joined, live and bonded, so one setting speaks for all.
 *
 * What direct current runs through, what a source or an automatic device goes by, and what moves by itself
 * is never among them.
 */
final class Untouched
{
    /** @var array<string, list<int>> control => nets its contacts stand between */
    private array $nets = [];

    /** @var \WeakMap<Situation, array<string, true>> */
    private \WeakMap $in;

    public function __construct(Engine $engine)
    {
        $this->in = new \WeakMap();
        $network = $engine->network;
        $read = array_fill_keys($engine->reads(), true) + $network->followed();
        foreach ($network->polesOf as $device => $poles) {
            if (isset($read[$device]) || $network->graph->devices[$device]->isAutomatic()) {
                continue;
            }
            $nets = [];
            foreach ($poles as $pole) {
                $element = $network->graph->elements[$pole];
                if ($element->role->isDc()) {
                    continue 2;
                }
                $nets[$network->net[$element->a]] = $nets[$network->net[$element->b]] = true;
            }
            $this->nets[$device] = array_keys($nets);
        }
    }

    /** @return array<string, true> controls, by id */
    public function of(Settled $settled): array
    {
        $untouched = $this->in($settled->situation);
        foreach ($settled->passing as $passing) {
            $untouched = $untouched === [] ? [] : array_intersect_key($untouched, $this->in($passing['situation']));
        }

        return $untouched;
    }

    /** @return array<string, true> */
    private function in(Situation $situation): array
    {
        if (!isset($this->in[$situation])) {
            $untouched = [];
            foreach ($this->nets as $control => $nets) {
                foreach ($nets as $net) {
                    if ($situation->isReached($net)) {
                        continue 2;
                    }
                }
                $untouched[$control] = true;
            }
            $this->in[$situation] = $untouched;
        }

        return $this->in[$situation];
    }
}
