<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\Lid;

/** Two plants beside each other: how far apart they stand and how far they want to, mm. Source: handbook, rules section 6. */
final readonly class Neighbours
{
    /** On lids under this far across, foliage leans out over the edge, mm. */
    private const SMALL_LID_MM = 350.0;

    /** So much of the crop's figure is wanted where it does. */
    private const LEANING_SHARE = 0.8;

    private const ROUNDING = 1.0e-9;

    private function __construct(public float $distance, public float $wanted, public Crop $crop, public Crop $other)
    {
    }

    /**
     * The two of a tub that lack most of the mean of their spacings by the roomy school; null for fewer than two plants.
     *
     * @param  list<Crop|null>  $cropAt
     */
    public static function closest(Arrangement $arrangement, array $cropAt, Lid $lid): ?self
    {
        $closest = null;
        $least = INF;
        $planted = array_keys(array_filter($cropAt));
        $places = count($planted) === $arrangement->count() ? $arrangement
            : Arrangement::of($arrangement->pattern, array_map(static fn (int $i): Point => $arrangement->points[$i], $planted));
        $spacings = array_map(static fn (int $i): float => $cropAt[$i]->spacingMm ?? 0.0, $planted);
        // Pairs that are farther apart than crops differ from each other have more to spare than the nearest.
        $reach = $spacings === [] ? 0.0 : ($places->holeDistance ?? 0.0) * max($spacings) / min($spacings);
        foreach ($places->pairs($reach * (1 + self::ROUNDING)) as [$distance, $m, $n]) {
            [$i, $j] = [$planted[$m], $planted[$n]];
            [$crop, $other] = [$cropAt[$i], $cropAt[$j]];
            if ($crop === null || $other === null) {
                continue;
            }
            $share = $distance / Density::Roomy->spacing($crop, $other);
            // Of pairs alike the first, hole by hole.
            if ($share < $least - self::ROUNDING || ($share < $least + self::ROUNDING && [$i, $j] < $closest)) {
                [$least, $closest] = [min($share, $least), [$i, $j]];
            }
        }
        if ($closest === null) {
            return null;
        }
        [$crop, $other] = [$cropAt[$closest[0]], $cropAt[$closest[1]]];

        return $crop === null || $other === null ? null : new self(
            $arrangement->points[$closest[0]]->distanceTo($arrangement->points[$closest[1]]),
            self::leaning($arrangement, $lid) * Density::Roomy->spacing($crop, $other),
            $crop,
            $other,
        );
    }

    /** The share of the crop's spacing that is wanted: less where every cup stands on the outer ring of a small lid. */
    public static function leaning(Arrangement $arrangement, Lid $lid): float
    {
        return $lid->across() < self::SMALL_LID_MM && self::allOutside($arrangement->points) ? self::LEANING_SHARE : 1.0;
    }

    /**
     * Whether every cup stands on the outside: none lies within the others' hull.
     *
     * @param  list<Point>  $points
     */
    private static function allOutside(array $points): bool
    {
        foreach ($points as $p) {
            $angles = [];
            foreach ($points as $q) {
                if ($q !== $p) {
                    $angles[] = atan2($q->y - $p->y, $q->x - $p->x);
                }
            }
            sort($angles);
            $gap = $angles === [] ? 2 * M_PI : $angles[0] + 2 * M_PI - $angles[count($angles) - 1];
            for ($i = 1; $i < count($angles); $i++) {
                $gap = max($gap, $angles[$i] - $angles[$i - 1]);
            }
            if ($gap < M_PI - 1.0e-6) {
                return false;
            }
        }

        return true;
    }
}
