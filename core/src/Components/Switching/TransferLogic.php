<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;

/** The preferred input when it is good, else the other, else the side the switch rests on. */
final readonly class TransferLogic implements Automatic
{
    /** How long the contacts of a small automatic transfer switch take, s (common practice, no source). */
    private const MOVES_S = 0.05;

    public function __construct(private TransferSwitch $switch, private bool $other = false) {}

    public function reads(): array
    {
        return [];
    }

    public function hears(): array
    {
        return [];
    }

    public function wish(Look $look): string
    {
        $prefers = $this->preferred();
        foreach ([$prefers, $prefers === 'a' ? 'b' : 'a'] as $side) {
            $id = "{$this->switch->id}.in_{$side}";
            if ($look->ac("{$id}.l", "{$id}.n", '') !== null) {
                return $side;
            }
        }

        return $this->switch->values->text('rest', 'b');
    }

    public function misset(): array
    {
        return ['to prefer its other input' => new self($this->switch, !$this->other)];
    }

    private function preferred(): string
    {
        $prefers = $this->switch->values->text('prefers', 'a');

        return $this->other ? ($prefers === 'a' ? 'b' : 'a') : $prefers;
    }

    public function delayS(string $from, string $to): float
    {
        return $to === $this->preferred() ? $this->switch->values->number('delayS', self::MOVES_S) : self::MOVES_S;
    }
}
