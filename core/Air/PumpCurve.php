<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use InvalidArgumentException;

/**
 * A grower's own pump from what there is to go by: the box, a rating in litres, or a bucket and a stopwatch. L/min, kPa, mm, s.
 *
 * A jar of V litres held upside down under water is filled with air in t seconds: `q = V/t` at the pressure of the water over the end of
 * the tube, 9.81 kPa a metre. Two depths give a straight curve; one depth takes the pressure from the box, or what is usual.
 */
final class PumpCurve
{
    /** † a pump "for so many litres" gives so much air for each, L/min; 0.05 to 0.15. */
    private const RATED_L_MIN_PER_L = 0.08;

    /** † pressure of a small pump whose box does not say, kPa; 12 to 20. */
    public const USUAL_KPA = 15.0;

    private const LEAST_FALL_KPA = 0.05;

    /** @return list<array{float, float}> free flow as the box has it, at no pressure; what the box calls "up to" is that */
    public static function box(float $freeFlow, ?float $pressure): array
    {
        self::want($freeFlow > 0.0, 'the free flow is nothing; the box gives it in L/min or L/h');
        self::want($pressure === null || $pressure > 0.0, 'the pressure is nothing; leave it out where the box does not say');

        return Pump::straight($freeFlow, $pressure ?? self::USUAL_KPA);
    }

    /** @return list<array{float, float}> "for tanks of up to n litres" */
    public static function rated(float $litres): array
    {
        self::want($litres > 0.0, 'the litres are nothing; the box says for how large a tank it is');

        return Pump::straight(self::RATED_L_MIN_PER_L * $litres, self::USUAL_KPA);
    }

    /**
     * @param  list<array{float, float, float}>  $fills  each the jar's litres, the seconds it took, and the depth in mm
     * @return list<array{float, float}>
     */
    public static function bucket(array $fills, ?float $pressure): array
    {
        self::want($fills !== [], 'nothing was measured; give the jar, the seconds and the depth');
        $points = [];
        foreach ($fills as [$litres, $seconds, $depth]) {
            self::want($litres > 0.0 && $seconds > 0.0, 'a jar of some size fills in some time: give litres and seconds');
            self::want($depth >= 0.0, 'the depth is below nothing; it is the water over the end of the tube');
            $points[] = [60 * $litres / $seconds, Line::KPA_PER_METRE_OF_WATER * $depth / 1000];
        }
        usort($points, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        [$shallow, $deep] = [$points[0], $points[count($points) - 1]];
        if ($deep[1] - $shallow[1] < self::LEAST_FALL_KPA) {
            $most = $pressure ?? self::USUAL_KPA;
            self::want($most > $shallow[1], 'it blew against more than the pressure on its box; measure once more');

            // Straight from the highest pressure through the one point to where it meets no pressure.
            return Pump::straight($shallow[0] * $most / ($most - $shallow[1]), $most);
        }
        self::want($deep[0] < $shallow[0], 'it gave more air deep down than near the surface; measure once more');
        $steepness = ($shallow[0] - $deep[0]) / ($deep[1] - $shallow[1]);

        return Pump::straight($shallow[0] + $steepness * $shallow[1], $shallow[1] + $shallow[0] / $steepness);
    }

    private static function want(bool $is, string $else): void
    {
        if (! $is) {
            throw new InvalidArgumentException($else);
        }
    }
}
