<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Feed\Target;

/**
 * How well a day was to plants, 0 to 1: the product of what oxygen, feed, pH and the air over still water leave of it. What is not known
 * counts as well.
 *
 * Source: handbook, season (a day of the simulation, 4); figures marked † are estimates.
 */
final class Fare
{
    /** Air that roots in still water want under the cup from half-way on, mm. */
    public const GAP_MM = 10.0;

    /** A refill of more than this share of the air gap drowns roots for a week. */
    private const GAP_TAKEN = 0.5;

    public const DROWNED_DAYS = 7;

    /** †, mg/L and what they leave of a day: from 5 on all, straight down to 0.3 at 2, and to nothing at 1. */
    private const OXYGEN = [[5.0, 1.0], [2.0, 0.3], [1.0, 0.0]];

    /** † in and about the window of EC, and so much further, mS/cm. */
    private const EC_BAND = 0.4;

    private const EC_FURTHER = 1.5;

    /** † the same of pH. */
    private const PH_BAND = 0.5;

    private const PH_FURTHER = 2.0;

    /** † what is left of a day far out of a window. */
    private const FAR_OUT = 0.4;

    /** † of a day with too little air over still water, and of one after a drowning. */
    private const STIFLED = 0.5;

    private const DROWNED = 0.7;

    public static function byOxygen(?float $oxygen): float
    {
        if ($oxygen === null || $oxygen >= self::OXYGEN[0][0]) {
            return 1.0;
        }
        [[$well, $all], [$poor, $some], [$least, $nothing]] = self::OXYGEN;

        return match (true) {
            $oxygen >= $poor => $some + ($oxygen - $poor) / ($well - $poor) * ($all - $some),
            $oxygen >= $least => $nothing + ($oxygen - $least) / ($poor - $least) * ($some - $nothing),
            default => $nothing,
        };
    }

    /** By what the crop likes at its own stage; seeds that have not sprouted want nothing. */
    public static function byEc(?float $ec, Crop $crop, Stage $stage): float
    {
        return $ec === null || $stage === Stage::Sprouting
            ? 1.0
            : self::byWindow($ec, Target::least($crop->ecLow, $stage) - self::EC_BAND, $crop->ecHigh + self::EC_BAND, self::EC_FURTHER);
    }

    public static function byPh(?float $ph, Crop $crop): float
    {
        return $ph === null ? 1.0 : self::byWindow($ph, $crop->phLow - self::PH_BAND, $crop->phHigh + self::PH_BAND, self::PH_FURTHER);
    }

    /** By the air over still water, from half-way on, and after a refill that took more than half of it. */
    public static function byGap(float $gap, bool $pastHalfWay, bool $drowned): float
    {
        return min($pastHalfWay && $gap < self::GAP_MM ? self::STIFLED : 1.0, $drowned ? self::DROWNED : 1.0);
    }

    /** Whether what was poured in took more than half of the air that was there. */
    public static function drowns(float $before, float $after): bool
    {
        return $before > 0.0 && $before - $after > self::GAP_TAKEN * $before;
    }

    private static function byWindow(float $is, float $low, float $high, float $further): float
    {
        if ($is >= $low && $is <= $high) {
            return 1.0;
        }
        $out = max($low - $is, $is - $high);

        return 1 - (1 - self::FAR_OUT) * min(1.0, $out / $further);
    }
}
