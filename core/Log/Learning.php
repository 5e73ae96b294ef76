<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/**
 * A factor from intervals: `k = Σ o·f/Σ f²`, its standard error `s = √(Σ(o − k·f)²/((n − 1)·Σ f²))`, its range `k ± t·s` with t the 97.5 %
 * point of Student's t for n − 1. From five intervals on those that lie over 3 × 1.4826 × the median residual off are left out. Source:
 * handbook, log (learning).
 *
 * Observed 1.2, 2.4 and 3.6 L where 1, 2 and 3 were forecast: 1.2, with no spread.
 */
final class Learning
{
    /** So many intervals are enough to go by. */
    public const LEAST = 3;

    private const TELLS_OUTLIERS = 5;

    private const OUTLIER = 3 * 1.4826;

    private const LOWEST = 0.3;

    private const HIGHEST = 3.0;

    /** Less than this is no outlier, whatever the median: litres, or mS/cm × L. */
    private const ROUNDING = 1.0e-6;

    /** 97.5 % points of Student's t by degrees of freedom from 1 on; beyond them the last is near enough. */
    private const T = [
        12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.160, 2.145, 2.131, 2.120, 2.110, 2.101,
        2.093, 2.086, 2.080, 2.074, 2.069, 2.064, 2.060, 2.056, 2.052, 2.048, 2.045, 2.042,
    ];

    private const T_MANY = 1.98;

    /**
     * @param  list<Interval>  $intervals
     * @return Learned|null null where there is nothing to learn from
     */
    public static function of(array $intervals): ?Learned
    {
        $used = array_values(array_filter(
            $intervals,
            static fn (Interval $i): bool => $i->leftOut === null && $i->forecast > 0.0,
        ));
        $leftOut = array_values(array_map(
            static fn (Interval $i): array => ['from' => $i->from, 'to' => $i->to, 'why' => (string) $i->leftOut],
            array_filter($intervals, static fn (Interval $i): bool => $i->leftOut !== null),
        ));
        if (count($used) >= self::TELLS_OUTLIERS) {
            $k = self::factor($used);
            $off = array_map(static fn (Interval $i): float => abs($i->observed - $k * $i->forecast), $used);
            $most = max(self::ROUNDING, self::OUTLIER * self::median($off));
            foreach ($used as $n => $interval) {
                if ($off[$n] > $most) {
                    $leftOut[] = ['from' => $interval->from, 'to' => $interval->to, 'why' => 'it lies far off the others'];
                }
            }
            $used = array_values(array_filter($used, static fn (int $n): bool => $off[$n] <= $most, ARRAY_FILTER_USE_KEY));
        }
        if ($used === []) {
            return null;
        }
        $k = self::factor($used);
        $s = self::spread($used, $k);
        $t = self::T[count($used) - 2] ?? (count($used) === 1 ? INF : self::T_MANY);
        $range = count($used) === 1 ? [self::LOWEST, self::HIGHEST] : [$k - $t * $s, $k + $t * $s];

        return new Learned(
            self::kept($k),
            count($used) === 1 ? 0.0 : $s,
            self::kept($range[0]),
            self::kept($range[1]),
            count($used),
            $leftOut,
        );
    }

    /** @param  non-empty-list<Interval>  $used */
    private static function factor(array $used): float
    {
        [$of, $ff] = [0.0, 0.0];
        foreach ($used as $interval) {
            $of += $interval->observed * $interval->forecast;
            $ff += $interval->forecast ** 2;
        }

        return $of / $ff;
    }

    /** @param  list<Interval>  $used */
    private static function spread(array $used, float $k): float
    {
        [$off, $ff] = [0.0, 0.0];
        foreach ($used as $interval) {
            $off += ($interval->observed - $k * $interval->forecast) ** 2;
            $ff += $interval->forecast ** 2;
        }

        return sqrt($off / (max(1, count($used) - 1) * $ff));
    }

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);
        $half = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2;
    }

    private static function kept(float $factor): float
    {
        return max(self::LOWEST, min(self::HIGHEST, $factor));
    }
}
