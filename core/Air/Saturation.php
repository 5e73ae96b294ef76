<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/**
 * The most oxygen that water in contact with air can hold, in mg/L.
 *
 * Source: B. B. Benson and D. Krause, "The concentration and isotopic fractionation of oxygen dissolved in freshwater and seawater in
 * equilibrium with the atmosphere", Limnology and Oceanography 29 (1984), as in Standard Methods 4500-O; pressure by the standard
 * atmosphere.
 */
final class Saturation
{
    /** Dissolved salts for 1 mS/cm, g/L. */
    public const SALT_G_L_PER_MS_CM = 0.5;

    private const KELVIN = 273.15;

    /** Air pressure in atmospheres at an altitude in metres. */
    public static function pressure(float $altitudeM): float
    {
        return (1 - 2.25577e-5 * $altitudeM) ** 5.25588;
    }

    /** Saturation in mg/L at a water temperature (°C), an altitude (m) and a content of salts (g/L). 9.092 at 20 °C, sea level, fresh. */
    public static function at(float $celsius, float $altitudeM = 0.0, float $saltGL = 0.0): float
    {
        $t = $celsius + self::KELVIN;
        $ln = -139.34411 + 1.575701e5 / $t - 6.642308e7 / $t ** 2 + 1.243800e10 / $t ** 3 - 8.621949e11 / $t ** 4
            - $saltGL * (1.7674e-2 - 10.754 / $t + 2140.7 / $t ** 2);
        $pressure = self::pressure($altitudeM);
        $vapour = exp(11.8571 - 3840.70 / $t - 216961 / $t ** 2);
        $theta = 0.000975 - 1.426e-5 * $celsius + 6.436e-8 * $celsius ** 2;

        return exp($ln) * $pressure * (1 - $vapour / $pressure) * (1 - $theta * $pressure) / ((1 - $vapour) * (1 - $theta));
    }
}
