<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * A contact that moves by itself by the volts at named terminals, or by the ignition: a separator that joins two
 * batteries while one is charged, a cut-off that parts loads from an empty one. It has hysteresis: it closes from one
 * voltage up, opens from a lower one down, and stays as it is in between.
 */
final readonly class VoltContact
{
    public const SEPARATOR = 'separator';

    public const CUT_OFF = 'cut_off';

    /**
     * @param string $device its position: open or closed
     * @param list<array{string, string}> $senses pairs of terminals at which it looks for volts, any of which closes
     *      it; none where it goes by the ignition
     * @param ?string $ignition engine by which it goes, with the positions in which it pulls in
     * @param list<string> $runs
     */
    public function __construct(
        public string $kind,
        public string $component,
        public string $device,
        public string $a,
        public string $b,
        public array $senses,
        public float $closesV,
        public float $opensV,
        public float $closesAfterS,
        public float $opensAfterS,
        public ?string $ignition = null,
        public array $runs = [],
    ) {}

    /**
     * The position it wants at volts that somebody has read or solved.
     *
     * @param list<float> $volts at the pairs it senses
     * @param array<string, string> $positions of other devices
     */
    public function wish(array $volts, array $positions): string
    {
        if ($this->ignition !== null) {
            return in_array($positions[$this->ignition] ?? '', $this->runs, true) ? 'closed' : 'open';
        }
        $most = $volts === [] ? 0.0 : max($volts);

        return match (true) {
            $most >= $this->closesV => 'closed',
            $most < $this->opensV => 'open',
            default => $positions[$this->device] ?? 'open',
        };
    }

    /** Seconds from wanting a position to being in it; a relay with no delay of its own takes some hundredths. */
    public function delayS(string $to): float
    {
        // Common practice, no source.
        return max(0.05, $to === 'closed' ? $this->closesAfterS : $this->opensAfterS);
    }
}
