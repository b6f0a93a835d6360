<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What an automatic device can see of the rig. */
interface Look
{
    /** Of a device that is read. */
    public function position(string $device): string;

    /**
     * Quality of the AC between two terminals (good or low) from a source outside the given
     * component, or null when there is none. A coil sees the difference of its two terminals.
     */
    public function ac(string $hot, string $neutral, string $notFromComponent): ?string;

    /** Whether such a source stands between two terminals with volts in a window. */
    public function acWithin(string $hot, string $neutral, string $notFromComponent, float $lowV, float $highV): bool;

    /**
     * What is wrong with the supply at three terminals, by the volts between them: reversed (hot to
     * ground reads nothing), open ground (neither live wire is bonded), or null when all is well.
     */
    public function wiringFault(string $hot, string $neutral, string $ground): ?string;

    /** Whether a battery stands between two terminals, the right way round, with its rest volts in a window. */
    public function dc(string $positive, string $negative, float $lowV = 0.0, float $highV = INF): bool;
}
