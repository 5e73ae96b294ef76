<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Units\UnitSystem;

/**
 * The hole saws to choose from: the grower's own, then the stock series.
 *
 * An inch and a metric saw within 0.5 mm are one saw, named in the grower's units. Source: handbook, rules section 3.
 */
final class SawSeries
{
    /** Metric stock sizes, mm. */
    public const METRIC_MM = [
        20,
        22,
        25,
        28,
        30,
        32,
        35,
        38,
        40,
        44,
        48,
        50,
        51,
        54,
        57,
        60,
        64,
        65,
        68,
        70,
        73,
        76,
        80,
        83,
        86,
        89,
        92,
        95,
        98,
        102,
        105,
        108,
        114,
        121,
        127,
        140,
        152,
    ];

    /** Sizes that differ by no more than this are one saw, mm. */
    public const SAME_MM = 0.5;

    /** @return list<float> inch stock sizes in mm: 3/4 to 4 by 1/8, then 4 1/2, 5, 5 1/2 and 6 */
    public static function inchSizes(): array
    {
        $inches = [...range(0.75, 4.0, 0.125), 4.5, 5.0, 5.5, 6.0];

        return array_map(static fn (float $in): float => round($in * Unit::MM_PER_INCH, 6), $inches);
    }

    /** @return list<Saw> the stock series, smallest first */
    public static function stock(UnitSystem $system): array
    {
        $metric = array_map(floatval(...), self::METRIC_MM);
        $inch = self::inchSizes();
        $us = $system === UnitSystem::Us;
        $saws = [];
        foreach ($us ? $inch : $metric as $size) {
            $saws[] = new Saw($size, $size, $system, false);
        }
        foreach ($us ? $metric : $inch as $size) {
            if (self::nearest($us ? $inch : $metric, $size) === null) {
                $saws[] = new Saw($size, $size, $system, false);
            }
        }
        usort($saws, static fn (Saw $a, Saw $b): int => $a->diameter <=> $b->diameter);

        return $saws;
    }

    /**
     * @param  list<float>  $diameters  the saws the grower has, mm
     * @return list<Saw> smallest first
     */
    public static function owned(array $diameters, UnitSystem $system): array
    {
        sort($diameters);

        return array_map(static fn (float $mm): Saw => new Saw($mm, $mm, $system, true), $diameters);
    }

    /**
     * The grower's saw that cuts this hole: within half a millimetre it is the same saw; null where there is none.
     *
     * @param  list<Saw>  $owned
     */
    public static function ownedFor(float $diameter, array $owned): ?Saw
    {
        $nearest = null;
        foreach ($owned as $saw) {
            $off = abs($saw->diameter - $diameter);
            if ($off <= self::SAME_MM && ($nearest === null || $off < abs($nearest->diameter - $diameter))) {
                $nearest = $saw;
            }
        }

        return $nearest;
    }

    /** `54 mm` or `2 1/8 in`: in the grower's units where the size is one of that series, else in the other's. */
    public static function name(float $mm, UnitSystem $system): string
    {
        $inch = self::nearest(self::inchSizes(), $mm);
        $metric = self::nearest(array_map(floatval(...), self::METRIC_MM), $mm);
        if ($inch !== null && ($system === UnitSystem::Us || $metric === null)) {
            return self::inchName($inch);
        }

        return self::metricName($metric ?? $mm);
    }

    /** With a plain space: it is also a name to search by. */
    private static function inchName(float $mm): string
    {
        return str_replace("\u{202F}", ' ', QuantityWriter::inches($mm));
    }

    private static function metricName(float $mm): string
    {
        return QuantityWriter::plain($mm, 1).' mm';
    }

    /** @param  list<float>  $sizes */
    private static function nearest(array $sizes, float $mm): ?float
    {
        $best = null;
        foreach ($sizes as $size) {
            if (abs($size - $mm) <= self::SAME_MM && ($best === null || abs($size - $mm) < abs($best - $mm))) {
                $best = $size;
            }
        }

        return $best;
    }

    /** What a saw for a hole of so many mm is bought as, whatever size it is sold by: saw-51. */
    public static function key(float $hole): string
    {
        return 'saw-'.round($hole);
    }
}
