<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

use InvalidArgumentException;

/**
 * A conductor size as it is printed on the jacket: a designation, never converted
 * into the other system. `awg:4/0` is not "107 mm²" and `mm2:35` is not "2 AWG".
 */
final readonly class ConductorSize
{
    private function __construct(
        public string $designation,
        public float $areaMm2,
        /** DC resistance of stranded (AWG) or class 5 (mm²) copper at 20 °C, in ohm per metre. */
        public float $ohmPerM20C,
    ) {}

    /**
     * @throws InvalidArgumentException when the designation is not in the tables
     */
    public static function of(string $designation): self
    {
        return self::all()[$designation] ??
            throw new InvalidArgumentException(
                sprintf(
                    '"%s" is not a conductor size; write for example %s.',
                    $designation,
                    'awg:12, awg:4/0 or mm2:35',
                ),
            );
    }

    /** Whether a designation is a size in the tables. */
    public static function exists(string $designation): bool
    {
        return isset(self::all()[$designation]);
    }

    /**
     * Every size, thinnest first within its system.
     *
     * @return array<string, self>
     */
    public static function all(): array
    {
        static $sizes = null;
        if ($sizes !== null) {
            return $sizes;
        }
        $sizes = [];
        foreach (ConductorTables::AWG as $gauge => [$number, $ohmPerKft75C]) {
            $sizes['awg:' . $gauge] = new self(
                'awg:' . $gauge,
                self::awgAreaMm2($number),
                // Table 8 gives 75 °C; its own note: R2 = R1 [1 + 0.00323 (T2 - 75)].
                ($ohmPerKft75C / 304.8) * (1 + ConductorTables::ALPHA_CU_75C * (20 - 75)),
            );
        }
        foreach (ConductorTables::MM2 as $mm2 => $ohmPerKm20C) {
            $sizes['mm2:' . $mm2] = new self('mm2:' . $mm2, (float) $mm2, $ohmPerKm20C / 1000);
        }

        return $sizes;
    }

    /**
     * Resistance of a length at a conductor temperature, in ohm.
     *
     * AWG uses the coefficient of NEC chapter 9 table 8, mm² that of IEC 60228.
     */
    public function ohm(float $lengthM, float $temperatureC): float
    {
        $ohmPerM = $this->isAwg()
            ? ($this->ohmPerM20C / (1 + ConductorTables::ALPHA_CU_75C * (20 - 75))) *
                (1 + ConductorTables::ALPHA_CU_75C * ($temperatureC - 75))
            : $this->ohmPerM20C * (1 + ConductorTables::ALPHA_CU_20C * ($temperatureC - 20));

        return $ohmPerM * $lengthM;
    }

    /** Whether it is a gauge and not mm². */
    public function isAwg(): bool
    {
        return str_starts_with($this->designation, 'awg:');
    }

    /** As said in the workshop: "4/0 AWG", "35 mm²". */
    public function spoken(): string
    {
        return $this->isAwg() ? substr($this->designation, 4) . ' AWG' : substr($this->designation, 4) . ' mm²';
    }

    /** The size that is misread for this one: 3 AWG for 3/0 and back; null where there is none. */
    public function twin(): ?self
    {
        $gauge = substr($this->designation, 4);
        $twin = str_ends_with($gauge, '/0') ? substr($gauge, 0, -2) : "{$gauge}/0";

        return $this->isAwg() ? self::all()["awg:{$twin}"] ?? null : null;
    }

    /** Area of an AWG number (1/0 is 0, 2/0 is -1 …): ASTM B258, d(in) = 0.005 × 92^((36-n)/39). */
    private static function awgAreaMm2(int $number): float
    {
        $diameterMm = 25.4 * 0.005 * 92 ** ((36 - $number) / 39);

        return (M_PI / 4) * $diameterMm ** 2;
    }
}
