<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * Which savings to take together to come under a cap at least harm, exactly: fewest *mend* brought, then fewest *mind*, then least yield
 * lost, then nearest under the cap, then fewest of them. None that brings a *stop* is taken.
 *
 * Savings are added up here; what they come to together is for a plan to say. Source: handbook, build, "Parts and money".
 */
final class LeastHarm
{
    /** Of so many savings every set is looked at. */
    public const MOST = 14;

    private const ROUNDING = 1.0e-9;

    /**
     * Every set that saves enough, the least harmful first.
     *
     * @param  list<Saving>  $savings  at most MOST of them
     * @return list<list<int>> their numbers
     */
    public static function sets(array $savings, float $enough): array
    {
        $sets = [];
        self::grow($savings, 0, [], new Saving('', 0.0), [], $enough, $sets);
        usort($sets, static fn (array $a, array $b): int => self::harm($a[1]) <=> self::harm($b[1])
            ?: [round($a[1]->saves, 6), count($a[0])] <=> [round($b[1]->saves, 6), count($b[0])]);

        return array_column($sets, 0);
    }

    /**
     * How many sets there are of which no two change the same.
     *
     * @param  list<Saving>  $savings
     */
    public static function count(array $savings): int
    {
        $sizes = array_count_values(array_map(static fn (Saving $s): string => $s->touches, $savings));

        return (int) array_product(array_map(static fn (int $size): int => $size + 1, $sizes)) - 1;
    }

    /**
     * The most that can be saved at all.
     *
     * @param  list<Saving>  $savings
     * @return list<int>
     */
    public static function most(array $savings): array
    {
        $best = [];
        foreach ($savings as $i => $saving) {
            $at = $best[$saving->touches] ?? null;
            if ($saving->stops <= 0 && $saving->saves > 0.0 && ($at === null || $saving->saves > $savings[$at]->saves)) {
                $best[$saving->touches] = $i;
            }
        }
        sort($best);

        return $best;
    }

    /**
     * @param  list<Saving>  $savings
     * @param  list<int>  $taken
     * @param  array<string, true>  $touched
     * @param  list<array{list<int>, Saving}>  $sets
     */
    private static function grow(array $savings, int $i, array $taken, Saving $sum, array $touched, float $enough, array &$sets): void
    {
        if ($i === count($savings)) {
            if ($taken !== [] && $sum->saves >= $enough - self::ROUNDING) {
                $sets[] = [$taken, $sum];
            }

            return;
        }
        self::grow($savings, $i + 1, $taken, $sum, $touched, $enough, $sets);
        $next = $savings[$i];
        if ($next->stops > 0 || isset($touched[$next->touches])) {
            return;
        }
        self::grow($savings, $i + 1, [...$taken, $i], new Saving(
            '',
            $sum->saves + $next->saves,
            $sum->stops + $next->stops,
            $sum->mends + $next->mends,
            $sum->minds + $next->minds,
            $sum->yieldLost + $next->yieldLost,
        ), $touched + [$next->touches => true], $enough, $sets);
    }

    /** @return array{int, int, float} */
    private static function harm(Saving $saving): array
    {
        return [$saving->mends, $saving->minds, round($saving->yieldLost, 6)];
    }
}
