<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * Which saw cuts the hole for a cup.
 *
 * In order: of the grower's saws the one that seats it snugly; the grower's with bearing of 1.5 mm or more and up to 4 mm of play, least
 * play first; of the stock series the snug one; of the stock series, then the grower's, the one with bearing of 1.5 mm or more and least
 * play; of the grower's, then the stock series, the largest in which it wedges by less than a quarter of its height; else the hole is
 * traced. Of several snug ones the one whose play is nearest 1.5 mm, the smaller of equals. A wanted raise picks the saw that comes
 * nearest to it. Source: handbook, rules section 3.
 */
final class SawChoice
{
    /** Of several saws that seat a cup snugly the one with the play nearest this is taken, mm. */
    private const BEST_PLAY_MM = 1.5;

    /** A cup that would stand prouder than this share of its height is better traced than wedged. */
    private const MOST_RAISE_SHARE = 0.25;

    private const ROUNDING_MM = 1.0e-9;

    /**
     * @param  list<Saw>  $owned
     * @param  list<Saw>  $stock
     * @return Saw|null null when no saw cuts a hole that holds the cup
     */
    public static function for(Cup $cup, array $owned, array $stock, ?float $wantedRaise): ?Saw
    {
        if ($wantedRaise !== null && $wantedRaise > 0.0) {
            return self::nearestRaise($cup, [...$owned, ...$stock], $wantedRaise);
        }

        return self::snug($cup, $owned)
            ?? self::leastPlay($cup, $owned, Seat::MOST_PLAY_MM)
            ?? self::snug($cup, $stock)
            ?? self::leastPlay($cup, $stock, INF)
            ?? self::leastPlay($cup, $owned, INF)
            ?? self::largestWedge($cup, $owned)
            ?? self::largestWedge($cup, $stock);
    }

    /**
     * The saw that seats the cup snugly, of those that can be had; null where none does.
     *
     * @param  list<Saw>  $saws
     */
    public static function snug(Cup $cup, array $saws): ?Saw
    {
        return self::least($saws, static function (Saw $saw) use ($cup): ?float {
            $seat = Seat::of($cup, $saw->diameter);

            return $seat->isSnug() ? abs($seat->play - self::BEST_PLAY_MM) : null;
        });
    }

    /** @param  list<Saw>  $saws */
    private static function leastPlay(Cup $cup, array $saws, float $most): ?Saw
    {
        return self::least($saws, static function (Saw $saw) use ($cup, $most): ?float {
            $seat = Seat::of($cup, $saw->diameter);

            return $seat->bears() && $seat->play >= -self::ROUNDING_MM && $seat->play <= $most + self::ROUNDING_MM ? $seat->play : null;
        });
    }

    /** @param  list<Saw>  $saws */
    private static function largestWedge(Cup $cup, array $saws): ?Saw
    {
        return self::least($saws, static function (Saw $saw) use ($cup): ?float {
            $seat = Seat::of($cup, $saw->diameter);

            return $seat->kind === SeatKind::Wedged && $seat->raise < self::MOST_RAISE_SHARE * $cup->height ? $seat->raise : null;
        });
    }

    /**
     * The saw with the least of a figure, the smaller of equals; those without one are passed over.
     *
     * @param  list<Saw>  $saws
     * @param  callable(Saw): (float|null)  $figure
     */
    private static function least(array $saws, callable $figure): ?Saw
    {
        $best = null;
        $least = INF;
        foreach ($saws as $saw) {
            $of = $figure($saw);
            $nearer = $of === null ? 0.0 : $least - $of;
            $smaller = $of !== null && $nearer >= -self::ROUNDING_MM && $saw->diameter < ($best->diameter ?? INF);
            if ($of !== null && ($nearer > self::ROUNDING_MM || $smaller)) {
                [$best, $least] = [$saw, $of];
            }
        }

        return $best;
    }

    /** @param  list<Saw>  $saws */
    private static function nearestRaise(Cup $cup, array $saws, float $wanted): ?Saw
    {
        $best = null;
        foreach ($saws as $saw) {
            $seat = Seat::of($cup, $saw->diameter);
            if ($seat->kind !== SeatKind::Wedged) {
                continue;
            }
            if ($best === null || abs($seat->raise - $wanted) < abs(Seat::of($cup, $best->diameter)->raise - $wanted) - self::ROUNDING_MM) {
                $best = $saw;
            }
        }

        return $best;
    }
}
