<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * Where the sun stands and what it leaves on a panel. Position by the low-precision formulas of the Astronomical
 * Almanac (mean longitude, anomaly, obliquity; 0.01°); clear sky by direct irradiance 1.353·0.7^(AM^0.678) kW/m² with
 * a tenth of it diffuse (Meinel; from memory), air mass by Kasten and Young.
 */
final readonly class Sun
{
    /** Share of the clear sky's power that passes, and of it what comes from all of the sky. Common practice. */
    private const SKIES = ['sun' => [1.0, 0.1], 'fair' => [0.6, 0.5], 'grey' => [0.2, 1.0]];

    /**
     * What panels, controller, heat, dirt and wiring leave of the label at the same light: with some cloud the sixty
     * per cent that practice counts on.
     */
    public const PERFORMANCE = 0.8;

    private function __construct(
        /** above the horizon, ° */
        public float $heightDeg,
        /** from north by east, ° */
        public float $azimuthDeg,
    ) {}

    /** Days from 2000-01-01 12:00 of the middle of a month of 2025, at noon by the sun of longitude 0. */
    public static function daysTo(int $month, int $day = 15): float
    {
        $before = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334][$month - 1];

        // 2025-01-01 12:00 is day 9132.
        return 9132.0 + $before + $day - 1;
    }

    /**
     * @param float $days from 2000-01-01 12:00 universal time
     * @param float $latitude ° north
     * @param float $longitude ° east
     */
    public static function at(float $days, float $latitude, float $longitude): self
    {
        $mean = deg2rad(fmod(280.46 + 0.9856474 * $days, 360));
        $anomaly = deg2rad(fmod(357.528 + 0.9856003 * $days, 360));
        $longitudeOf = $mean + deg2rad(1.915 * sin($anomaly) + 0.02 * sin(2 * $anomaly));
        $tilt = deg2rad(23.439 - 0.0000004 * $days);
        $right = atan2(cos($tilt) * sin($longitudeOf), cos($longitudeOf));
        $declination = asin(sin($tilt) * sin($longitudeOf));
        $sidereal = deg2rad(fmod(280.46061837 + 360.98564736629 * $days + $longitude, 360));
        $hour = $sidereal - $right;
        $phi = deg2rad($latitude);
        $height = asin(sin($phi) * sin($declination) + cos($phi) * cos($declination) * cos($hour));
        $azimuth = atan2(sin($hour), cos($hour) * sin($phi) - tan($declination) * cos($phi));

        return new self(rad2deg($height), fmod(rad2deg($azimuth) + 540, 360));
    }

    /** At an hour of the local sun's day: it stands highest near 12. */
    public static function locally(int $month, float $hour, float $latitude): self
    {
        return self::at(self::daysTo($month) + ($hour - 12) / 24, $latitude, 0.0);
    }

    /** Air the light passes, against straight down: Kasten and Young 1989. */
    public function airMass(): float
    {
        return 1 / (sin(deg2rad($this->heightDeg)) + 0.50572 * ($this->heightDeg + 6.07995) ** -1.6364);
    }

    /** W/m² on a surface tilted so, facing so (from north by east), under a sky: sun, fair or grey. */
    public function onto(float $tiltDeg, float $facingDeg, string $sky, float $elevationM = 0.0): float
    {
        if ($this->heightDeg <= 0) {
            return 0.0;
        }
        [$share, $diffuse] = self::SKIES[$sky];
        $height = deg2rad($this->heightDeg);
        $kilometres = max(0.0, $elevationM) / 1000;
        $clear = 1353 * ((1 - 0.14 * $kilometres) * 0.7 ** ($this->airMass() ** 0.678) + 0.14 * $kilometres);
        $tilt = deg2rad($tiltDeg);
        $onto = sin($height) * cos($tilt) + cos($height) * sin($tilt) * cos(deg2rad($this->azimuthDeg - $facingDeg));
        $whole = 1.1 * $clear * $share;

        // From all of the sky: what of it the panel sees.
        return $whole * ((1 - $diffuse) * max(0.0, $onto) + ($diffuse * sin($height) * (1 + cos($tilt))) / 2);
    }
}
