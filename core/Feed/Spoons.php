<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** Doses by the spoon, as growers without scales take them. */
final class Spoons
{
    /** US teaspoon, mL. */
    public const ML = 4.92892159;

    /** Teaspoons to the nearest quarter: 16 mL are 3.25. Source: handbook, rules section 8. */
    public static function nearest(float $millilitres): float
    {
        return round($millilitres / self::ML * 4) / 4;
    }
}
