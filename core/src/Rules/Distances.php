<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Device;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;

/** How many slips a setting is from the nearest named state, and which. */
final class Distances
{
    /** @var list<string> everything that somebody can set */
    private readonly array $controls;

    public function __construct(private readonly Examination $rig)
    {
        $this->controls = array_map(fn(Device $d): string => $d->id, (new Enumeration($rig->engine))->controls());
    }

    /**
     * Slips from the nearest named state, and what they are.
     *
     * @return array{int, string}
     */
    public function of(Setting $setting): array
    {
        $controls = $this->controls;
        $best = PHP_INT_MAX;
        $words = '';
        $bestForgets = false;
        $instructed = array_column($this->rig->graph->instructions, 'device');
        foreach ($this->rig->named as $state) {
            $slipped = [];
            foreach ($controls as $id) {
                if ($state->setting->controls[$id] !== $setting->controls[$id]) {
                    $slipped[] = $id;
                }
            }
            // Of two ways equally short, the one that forgets an instruction says more.
            $forgets = array_intersect($slipped, $instructed) !== [];
            // What a set that starts by itself does is nobody's slip.
            $slips = count(array_filter($slipped, fn(string $id): bool => !$this->rig->graph->devices[$id]->byItself));
            if ($slips < $best || ($slips === $best && $forgets && !$bestForgets)) {
                $bestForgets = $forgets;
                $best = $slips;
                if ($slipped === []) {
                    return [0, sprintf('%s in "%s"', $this->surroundingWords($setting), Naming::state($state->id))];
                }
                $words =
                    implode(
                        ' and ',
                        array_map(function (string $id) use ($setting): string {
                            $device = $this->rig->graph->devices[$id];

                            return Naming::device($id) .
                                ' ' .
                                Naming::position($id, $setting->controls[$id]) .
                                ($device->byItself ? ' by itself' : '');
                        }, $slipped),
                    ) . sprintf(' in "%s"', Naming::state($state->id));
            }
        }

        return [$best, $words];
    }

    private function surroundingWords(Setting $setting): string
    {
        $words = [];
        foreach (array_keys($this->rig->graph->surroundings) as $id) {
            $words[] = Naming::surrounding($id) . ' ' . Naming::condition($id, $setting->surroundings[$id] ?? '');
        }

        return implode(', ', $words);
    }
}
