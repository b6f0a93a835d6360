<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\PowerConverter;

/** The output stages of all chargers of one direct-current side, on their way to rest. */
final class ChargerStages
{
    /** @var array<string, string> charger => limit, hold, power or off */
    public array $mode = [];

    /** @var array<string, float> charger => A it gives */
    public array $gives = [];

    /** @var array<string, float> charger => most it may give for what its input leaves it, W */
    public array $mostW = [];

    /** @var array<string, PowerConverter> that hold anything up in the network as it was built */
    private array $giving = [];

    /** @param array<string, PowerConverter> $chargers */
    public function __construct(public readonly array $chargers) {}

    /** @return array<string, PowerConverter> that may give anything: the others hold nothing up */
    private function thatGive(): array
    {
        return array_filter(
            $this->chargers,
            fn(PowerConverter $c): bool => $c->limitA > 0 && ($this->mostW[$c->id] ?? INF) > 0,
        );
    }

    /** @return array<string, PowerConverter> that may give anything, which a network is now built with */
    public function begin(): array
    {
        return $this->giving = $this->thatGive();
    }

    /** Whether the network must be built anew, because others may give now. */
    public function haveChanged(): bool
    {
        return array_keys($this->thatGive()) !== array_keys($this->giving);
    }

    /**
     * How far a charger is from what it gives at some volts, beside its held source, and how that changes with them.
     *
     * @param float $drawn at its port, A
     * @return array{float, float} A, A per V
     */
    public function at(string $id, float $volts, float $drawn): array
    {
        if (!isset($this->giving[$id])) {
            $this->mode[$id] = 'off';
            $this->gives[$id] = 0.0;

            return [$drawn, 0.0];
        }
        [$given, $slope, $this->mode[$id]] = ChargerStage::gives(
            $this->chargers[$id],
            $volts,
            $this->mostW[$id] ?? INF,
            $this->mode[$id] ?? 'hold',
        );
        $this->gives[$id] = $given;

        return [
            $drawn + $given - ($this->chargers[$id]->holdsV - $volts) / ChargerStage::HOLD_OHM,
            $slope - 1 / ChargerStage::HOLD_OHM,
        ];
    }
}
