<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What an automatic device does by itself. */
interface Automatic
{
    /** @return list<string> devices set by hand whose position it goes by */
    public function reads(): array;

    /**
     * @return list<array{string, string}> pairs of terminals at which it looks for a battery; it may ask of no others
     */
    public function hears(): array;

    /** The position it wants, by what it can see of the wiring and the devices that it reads; by nothing else. */
    public function wish(Look $look): string;

    /** @return array<string, self> what could be set wrongly on it => how it then goes about */
    public function misset(): array;

    /** Seconds from wanting a position to being in it. */
    public function delayS(string $from, string $to): float;
}
