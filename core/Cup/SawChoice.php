<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * Which saw cuts the hole for a cup.
 *
 * Among saws that leave a bearing of 1.5 mm or more: the largest with 0.5 ≤ play ≤ 4; if none, the one with the least play ≥ 0;
 * if none, the largest that wedges. The grower's saws are asked first in each of these. A wanted raise picks the saw that comes
 * nearest to it. Source: handbook, rules section 3.
 */
final class SawChoice
{
    /** Least play for a cup to drop in freely, mm. */
    private const LEAST_PLAY_MM = 0.5;

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
        $bears = static fn (Seat $seat): bool => $seat->bearing >= Seat::LEAST_BEARING_MM - self::ROUNDING_MM;
        $rules = [
            [
                static fn (Seat $s): bool => $bears($s) && $s->play >= self::LEAST_PLAY_MM - self::ROUNDING_MM
                    && $s->play <= Seat::MOST_PLAY_MM + self::ROUNDING_MM,
                true,
            ],
            [static fn (Seat $s): bool => $bears($s) && $s->play >= -self::ROUNDING_MM, false],
            [static fn (Seat $s): bool => $s->kind === SeatKind::Wedged, true],
        ];
        $seats = array_map(
            static fn (array $saws): array => array_map(static fn (Saw $s): Seat => Seat::of($cup, $s->diameter), $saws),
            [$owned, $stock],
        );
        foreach ($rules as [$fits, $largest]) {
            foreach ([$owned, $stock] as $shelf => $saws) {
                $fitting = array_keys(array_filter($seats[$shelf], $fits));
                if ($fitting !== []) {
                    return $saws[$largest ? $fitting[count($fitting) - 1] : $fitting[0]];
                }
            }
        }

        return null;
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
