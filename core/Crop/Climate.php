<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/**
 * How much faster or slower plants drink here than in the reference room.
 *
 * VPD / 1.0 kPa clamped to 0.4–2.5, times light hours / 16 clamped to 0.5–1.3, times 1.3 outdoors in full sun.
 * Source: O. Tetens, "Über einige meteorologische Begriffe" (1930), for the saturation vapour pressure; handbook, rules section 6.
 */
final class Climate
{
    private const REFERENCE_VPD_KPA = 1.0;

    private const REFERENCE_LIGHT_HOURS = 16.0;

    /** † outdoors in full sun leaves are warmer than the air; 1.1 to 1.5. */
    private const FULL_SUN = 1.3;

    /** Vapour pressure deficit in kPa at an air temperature (°C) and relative humidity (%). */
    public static function vapourPressureDeficit(float $airCelsius, float $humidityPercent): float
    {
        return 0.6108 * exp(17.27 * $airCelsius / ($airCelsius + 237.3)) * (1 - $humidityPercent / 100);
    }

    public static function factor(float $airCelsius, float $humidityPercent, float $lightHours, bool $inFullSun = false): float
    {
        $dryness = self::vapourPressureDeficit($airCelsius, $humidityPercent) / self::REFERENCE_VPD_KPA;

        return max(0.4, min(2.5, $dryness))
            * max(0.5, min(1.3, $lightHours / self::REFERENCE_LIGHT_HOURS))
            * ($inFullSun ? self::FULL_SUN : 1.0);
    }
}
