<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;

/**
 * Which sources of a rig give anything, by how devices stand and what surrounds the rig. What automatic devices
 * have no say in is settled once for each setting.
 */
final class LiveSources
{
    /**
     * @var list<array{string, ?string, ?string, array<string, int>, ?string, array<string, int>, bool}> source, what
     *     surrounds it, the device it follows, in which positions, its mode switch, in which positions, whether a
     *     hand sets that device
     */
    private array $sources = [];

    /**
     * @var array<int, array{string, array<string, int>}> one bit each: mode switch, or none, of a source that follows
     *     an automatic device, with the positions it gives anything in
     */
    private array $modeOf = [];

    /** @var array<string, array<string, int>> automatic device => position => bits of what gives something in it */
    private array $bits = [];

    private string $steady = '';

    /** Bits of what follows an automatic device and is not switched off by its mode. */
    private int $on = 0;

    /** @var array<int, string> bits => key */
    private array $keys = [];

    /** @var array<string, array<string, string>> key => active sources */
    private array $active = [];

    /** @param array<string, Device> $automatic */
    public function __construct(Graph $graph, array $automatic)
    {
        foreach ($graph->sources as $id => $source) {
            $device = (string) $source->device;
            $this->sources[] = [
                $id,
                $source->surrounding,
                $source->device,
                array_flip($source->positions),
                $source->mode,
                array_flip($source->modes),
                $source->device !== null && !isset($automatic[$device]),
            ];
            if (isset($automatic[$device])) {
                $bit = 1 << count($this->modeOf);
                $this->modeOf[$bit] = [(string) $source->mode, array_flip($source->modes)];
                foreach ($source->positions as $position) {
                    $this->bits[$device][$position] = ($this->bits[$device][$position] ?? 0) | $bit;
                }
            }
        }
    }

    /** Bits of the sources that give something while an automatic device is in a position. */
    public function bits(string $device, string $position): int
    {
        return $this->bits[$device][$position] ?? 0;
    }

    /** @param array<string, string> $at how devices stand that are set by hand, and what surrounds the rig */
    public function steady(array $at): void
    {
        $this->steady = '';
        foreach ($this->sources as [, $surrounding, $device, $positions, , , $byHand]) {
            if ($surrounding !== null || $byHand) {
                $off = $byHand && !isset($positions[$at[$device] ?? '']);
                $this->steady .= '|' . ($off ? 'dead' : $at[$surrounding] ?? 'good');
            }
        }
        $this->on = 0;
        foreach ($this->modeOf as $bit => [$mode, $modes]) {
            $this->on |= $mode === '' || isset($modes[$at[$mode] ?? '']) ? $bit : 0;
        }
        $this->keys = [];
    }

    /** What else than contacts a situation is made of, as a key: with the bits of all automatic devices' positions. */
    public function key(int $bits): string
    {
        return $this->keys[$bits] ??= $this->steady . '|' . ($bits & $this->on);
    }

    /**
     * @param array<string, string> $at how every device stands
     * @return array<string, string> source that gives anything => its condition
     */
    public function active(string $key, array $at): array
    {
        return $this->active[$key] ??= $this->found($at);
    }

    /**
     * @param array<string, string> $at
     * @return array<string, string>
     */
    private function found(array $at): array
    {
        $active = [];
        foreach ($this->sources as [$id, $surrounding, $device, $positions, $mode, $modes]) {
            $quality = $surrounding === null ? 'good' : $at[$surrounding] ?? 'good';
            if (
                $quality !== 'dead' &&
                ($mode === null || isset($modes[$at[$mode] ?? ''])) &&
                ($device === null || isset($positions[$at[$device] ?? '']))
            ) {
                $active[$id] = $quality;
            }
        }

        return $active;
    }
}
