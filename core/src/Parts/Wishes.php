<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use stdClass;

/** What an owner wants of a unit beside its power. What is left empty is not asked. */
final readonly class Wishes
{
    private function __construct(private Values $said) {}

    /** @return array<string, Field> */
    public static function fields(): array
    {
        return [
            'waveform' => Field::choice('Waveform', ['sine' => 'sine', 'any' => 'any'])->usual('sine'),
            'transferMs' => Field::number('Transfer within', 'ms', 1, 2000)->optional(),
            'idleW' => Field::number('Idles with at most', 'W', 0, 200)->optional(),
            'noiseDb' => Field::number('No louder than, at 1 m', 'dB', 20, 90)->optional(),
            'remote' => Field::flag('Remote switch')->optional(),
            'listed' => Field::flag('Listed for the use')->optional(),
            'anySide' => Field::flag('Mounted on any side')->optional(),
            'widthMm' => Field::number('No wider than', 'mm', 50, 3000)->optional(),
            'heightMm' => Field::number('No higher than', 'mm', 50, 3000)->optional(),
            'depthMm' => Field::number('No deeper than', 'mm', 20, 3000)->optional(),
        ];
    }

    /** @param ?stdClass $said of the needs, already checked */
    public static function of(?stdClass $said): self
    {
        return new self(new Values($said ?? new stdClass()));
    }

    public function sine(): bool
    {
        return $this->said->text('waveform', 'sine') === 'sine';
    }

    /** What something may be at most; null where it is not asked. */
    public function most(string $name): ?float
    {
        return $this->said->numberOrNull($name);
    }

    public function wants(string $name): bool
    {
        return $this->said->flag($name);
    }
}
