<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * Hydrogen peroxide against rot, optional and off by default: `mL = mg/L·V/(10·%·1.01)`. It decays in about two days.
 *
 * Worked: 30 mg/L in 20 L with 3 % are 19.8 mL. Source: handbook, rules section 8.
 */
final class Peroxide
{
    public const USUAL_PERCENT = 3.0;

    /** Above this it is corrosive and restricted in many places: no dose is given, %. */
    public const MOST_PERCENT = 12.0;

    private const DENSITY_G_ML = 1.01;

    /** Millilitres for so many litres; null above 12 % or with none of it in the bottle. */
    public static function millilitres(float $mgPerLitre, float $litres, float $percent): ?float
    {
        return $percent <= 0.0 || $percent > self::MOST_PERCENT ? null : $mgPerLitre * $litres / (10 * $percent * self::DENSITY_G_ML);
    }
}
