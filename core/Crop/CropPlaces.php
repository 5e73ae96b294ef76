<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Arrangement;

/**
 * What grows in each hole: what was said of a hole set by hand; one crop in the order of the pattern; of several the tallest at the back,
 * where they shade none of the others. Where neighbours then stand nearer than the mean of their spacings, crops (and holes left empty)
 * change places two by two as long as that takes off what is lacking, so that wide ones stand beside narrow ones.
 *
 * Source: handbook, rules sections 5 and 6; the exchange is ours.
 */
final class CropPlaces
{
    /** On lids of more holes places are not exchanged: it takes longer than a preview may. */
    private const MOST_EXCHANGED = 24;

    private const MOST_EXCHANGES = 24;

    private const ROUNDING_MM2 = 1.0e-6;

    /**
     * @param  list<CropWish>  $wishes
     * @param  list<Crop|null>  $said  what was said of each hole set by hand
     * @return list<Crop|null> by hole
     */
    public static function of(array $wishes, ?int $plants, array $said, Density $density, Arrangement $arrangement): array
    {
        $crops = array_map(static fn (int $i): ?Crop => $said[$i] ?? null, array_keys($arrangement->points));
        $free = array_keys($crops, null, true);
        $given = array_count_values(array_map(static fn (Crop $c): string => $c->key, array_filter($crops)));
        $left = array_map(
            static fn (CropWish $w): CropWish => new CropWish(
                $w->crop,
                $w->plants === null ? null : max(0, $w->plants - ($given[$w->crop->key] ?? 0)),
            ),
            $wishes,
        );
        $places = min($plants === null ? count($free) : max(0, $plants - array_sum($given)), count($free));
        $shares = CropMix::of($left, $density, $places)->shares;
        $order = $free;
        if (count($shares) > 1) {
            usort($shares, static fn (CropShare $a, CropShare $b): int => $b->crop->matureHeightMm <=> $a->crop->matureHeightMm);
            $points = $arrangement->points;
            usort(
                $order,
                static fn (int $a, int $b): int => [
                    round($points[$b]->y, 3),
                    round($points[$a]->x, 3),
                ] <=> [round($points[$a]->y, 3), round($points[$b]->x, 3)],
            );
        }
        foreach ($shares as $share) {
            foreach (array_splice($order, 0, $share->plants) as $hole) {
                $crops[$hole] = $share->crop;
            }
        }

        return self::exchanged(array_values($crops), $free, $density, $arrangement->points);
    }

    /**
     * The crops after the exchanges that help, the one that helps most first.
     *
     * @param  list<Crop|null>  $crops
     * @param  list<int>  $free  holes whose crop may move
     * @param  list<Point>  $points
     * @return list<Crop|null>
     */
    private static function exchanged(array $crops, array $free, Density $density, array $points): array
    {
        $kinds = array_unique(array_map(static fn (?Crop $crop): ?string => $crop?->key, $crops));
        if (count($points) > self::MOST_EXCHANGED || count($kinds) < 2) {
            return $crops;
        }
        $lacks = static function (?Crop $crop, ?Crop $other, int $i, int $j) use ($density, $points): float {
            $lack = $crop === null || $other === null ? 0.0 : $density->spacing($crop, $other) - $points[$i]->distanceTo($points[$j]);

            return $lack > 0.0 ? $lack * $lack : 0.0;
        };
        // What a crop at a hole lacks towards all others but the one at another hole.
        $around = static function (?Crop $crop, int $at, int $but) use (&$crops, $lacks): float {
            $sum = 0.0;
            foreach ($crop === null ? [] : $crops as $i => $other) {
                $sum += $i === $at || $i === $but ? 0.0 : $lacks($crop, $other, $at, $i);
            }

            return $sum;
        };
        for ($n = 0; $n < self::MOST_EXCHANGES; $n++) {
            $lacking = array_map(static fn (int $i): float => $around($crops[$i], $i, $i), array_keys($crops));
            $most = self::ROUNDING_MM2;
            $best = null;
            foreach ($free as $at => $a) {
                for ($before = 0; $before < $at; $before++) {
                    $b = $free[$before];
                    // Two that lack nothing gain nothing.
                    if ($most >= $lacking[$a] + $lacking[$b] || $crops[$a]?->key === $crops[$b]?->key) {
                        continue;
                    }
                    $now = $lacking[$a] + $lacking[$b] - 2 * $lacks($crops[$a], $crops[$b], $a, $b);
                    $saved = $now <= $most ? 0.0 : $now - $around($crops[$b], $a, $b) - $around($crops[$a], $b, $a);
                    if ($saved > $most) {
                        [$most, $best] = [$saved, [$a, $b]];
                    }
                }
            }
            if ($best === null) {
                break;
            }
            [$crops[$best[0]], $crops[$best[1]]] = [$crops[$best[1]], $crops[$best[0]]];
        }

        return array_values($crops);
    }
}
