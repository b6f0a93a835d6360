<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\Battery;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Rules\Examination;

/** Where practitioners differ, each way with its numbers. Prices and lives are assumed: common practice, no source. */
final readonly class Schools
{
    /** Money for a kWh of capacity, cycles to the usual depth, kg for a kWh. */
    private const LEAD = [180.0, 500, 24.0];

    private const LITHIUM = [400.0, 3000, 9.5];

    /** What a 12 V air conditioner takes of one through the inverter: no inverter, no start. */
    private const DIRECT_AIR = 0.8;

    /** @param list<Needed> $loads */
    public function __construct(
        private Examination $rig,
        private array $loads,
        private Trip $trip,
        private Proposal $proposal,
        private EnergyPrices $prices,
    ) {}

    /** @return list<array{ask: string, ways: list<array{name: string, words: string}>, decides: string}> */
    public function all(): array
    {
        return array_values(
            array_filter([$this->chemistry(), $this->idling(), $this->airConditioner(), $this->cold()]),
        );
    }

    /** @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string} */
    private function chemistry(): ?array
    {
        $wh = $this->proposal->dayWh() * $this->proposal->days;
        if ($wh <= 0) {
            return null;
        }
        $way = function (string $name, Chemistry $chemistry, array $of) use ($wh): array {
            [$usual, $cycles, $kg] = $of;
            $own = $this->prices->wattHour($chemistry);
            $price = $own === null ? $usual : 1000 * $own;
            $kwh = $wh / 1000 / $chemistry->usableShare();
            $cost = self::perUsableKwh($price, $chemistry->usableShare(), $cycles);

            return [
                'name' => $name,
                'words' => sprintf(
                    '~%.1f kWh, ~%.0f kg, ~%.0f in money; ~%.2f for each kWh over its life of ~%d cycles',
                    $kwh,
                    $kwh * $kg,
                    $kwh * $price,
                    $cost,
                    $cycles,
                ),
            ];
        };

        return [
            'ask' => 'Lead or lithium?',
            'ways' => [$way('Lead', Chemistry::Flooded, self::LEAD), $way('Lithium', Chemistry::Lfp, self::LITHIUM)],
            'decides' => 'cost of a usable kWh over its life, cold, weight, venting',
        ];
    }

    /** Money for each kWh taken out over a battery's life: price of a kWh ÷ (usable share × cycles). */
    public static function perUsableKwh(float $pricePerKwh, float $usable, int $cycles): float
    {
        return $pricePerKwh / ($usable * $cycles);
    }

    /** @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string} */
    private function idling(): ?array
    {
        $unit = House::inverter($this->rig);
        $battery = House::battery($this->rig);
        if ($unit === null || $battery === null || $unit->idleW <= 0) {
            return null;
        }
        $quarters = [];
        foreach ($this->loads as $load) {
            $quarters += $load->isAlternating() ? $load->watts : [];
        }
        $hours = count($quarters) / 4;
        $ah = fn(float $for): float => self::idleAh($unit->idleW, $for, $battery->ratedV);

        return [
            'ask' => 'Inverter left on, or switched on to use?',
            'ways' => [
                ['name' => 'Left on', 'words' => sprintf('%.0f W × 24 h = %.0f Ah a day', $unit->idleW, $ah(24))],
                [
                    'name' => 'Switched',
                    'words' => sprintf('%.0f W × %.1f h = %.0f Ah a day', $unit->idleW, $hours, $ah($hours)),
                ],
            ],
            'decides' => 'what idling takes against habit',
        ];
    }

    /** Ah that something takes from a battery: W × h ÷ V. */
    public static function idleAh(float $watts, float $hours, float $volts): float
    {
        return ($watts * $hours) / $volts;
    }

    /** @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string} */
    private function airConditioner(): ?array
    {
        $air = null;
        foreach ($this->loads as $load) {
            $starts = $load->isAlternating() && $load->startA() !== null;
            $air = $starts && ($air === null || $load->fullW() > $air->fullW()) ? $load : $air;
        }
        if ($air === null) {
            return null;
        }
        $efficiency = House::inverter($this->rig)->efficiency ?? 0.88;
        $through = $air->dayWh() / $efficiency;

        return [
            'ask' => "{$air->label()}: through the inverter, or one for 12 V?",
            'ways' => [
                [
                    'name' => 'Through the inverter',
                    'words' => sprintf(
                        '%.0f Wh ÷ %.2f = %.0f Wh a day; %.0f A to start',
                        $air->dayWh(),
                        $efficiency,
                        $through,
                        (float) $air->startA(),
                    ),
                ],
                [
                    'name' => 'For 12 V',
                    'words' => sprintf('~%.0f Wh a day; starts softly by itself', $air->dayWh() * self::DIRECT_AIR),
                ],
            ],
            'decides' => 'starting current, efficiency, what can be had again in ten years',
        ];
    }

    /** @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string} */
    private function cold(): ?array
    {
        $battery = House::battery($this->rig);
        $hours = 0.0;
        for ($quarter = 0; $quarter < Needed::QUARTERS; $quarter++) {
            $hours += $this->trip->celsius(($quarter + 0.5) / 4) < 0 ? 0.25 : 0.0;
        }
        if ($battery === null || $battery->chemistry->isLead() || $hours <= 0) {
            return null;
        }
        // Usual heaters take a watt for each ampere-hour or less. Common practice.
        $watts = 0.5 * $battery->capacityAh;

        return [
            'ask' => 'Heated cells, or a warm place?',
            'ways' => [
                [
                    'name' => 'Heated',
                    'words' => sprintf('~%.0f W × %.1f h of frost = ~%.0f Wh a night', $watts, $hours, $watts * $hours),
                ],
                [
                    'name' => 'Inside',
                    'words' => 'nothing to heat; its place, its mass in a crash and its gas are inside too',
                ],
            ],
            'decides' => 'energy of the heater against room and safety',
        ];
    }
}
