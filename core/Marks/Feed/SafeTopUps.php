<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Season\Policy;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\TopUp;

/**
 * Planned top-ups of still water that leave roots the air they have grown into: of the first fill a quarter at a time. What they do is
 * tried by the season itself. Litres and days. Source: handbook, rules section 6 (passive).
 */
final class SafeTopUps
{
    /** Of the first fill so much at a time is safe: what has grown in the air stays there. */
    public const SAFE_SHARE = 0.25;

    /** So much at a time is the most; beyond it air roots drown. */
    public const MOST_SHARE = 0.5;

    /** Each comes as late as it may, when so much of what can be used is gone: by then the air gap is deep. */
    private const USED_SHARE = 0.9;

    /** Of a first fill under this a quarter is little. */
    private const LITTLE_L = 4.0;

    /** Planned top-ups are a week apart. */
    private const LEAST_DAYS_APART = 7.0;

    /** More than this many is no plan. */
    private const MOST_TOP_UPS = 6;

    /** As much at a time as is safe, rounded down to what a jug shows: 50 mL, or 10 mL of little. */
    public static function litres(float $start): float
    {
        $steps = $start < self::LITTLE_L ? 100 : 20;

        return floor(self::SAFE_SHARE * $start * $steps) / $steps;
    }

    /**
     * No more of them than carry the tub to its first harvest.
     *
     * @return list<TopUp>|null null where that many, or two on one day, are no plan
     */
    public static function toHarvest(FeedPlan $plan): ?array
    {
        $policy = $plan->season?->policy;
        $each = self::litres($plan->season->start ?? 0.0);
        $topUps = [];
        while ($policy !== null && $each > 0.0) {
            $run = $plan->under(new Policy($policy->topUps, $policy->strength, $policy->change, $topUps, $policy->strengthens));
            $low = $run?->firstBelowUsable();
            $harvest = $run?->harvestDay();
            if ($run === null || $harvest === null) {
                return null;
            }
            if ($low === null || $low >= $harvest) {
                return $topUps;
            }
            $last = $topUps === [] ? 0 : (int) $topUps[count($topUps) - 1]->day;
            $day = self::dayWhenUsed($run, $last, $low);
            if ($day <= $last || count($topUps) >= self::MOST_TOP_UPS) {
                return null;
            }
            $topUps[] = new TopUp((float) $day, $each);
        }

        return null;
    }

    /** The next top-up to plan: as much as is safe, on the day before it runs low, and no sooner than a week after the last. */
    public static function next(SeasonRun $run): TopUp
    {
        $planned = array_map(static fn (TopUp $t): float => $t->day, $run->tub->policy->planned);
        $low = $run->firstBelowUsable() ?? $run->harvestDay() ?? count($run->days);

        return new TopUp(
            max(($planned === [] ? 0.0 : max($planned)) + self::LEAST_DAYS_APART, floor($low - 1.0)),
            self::litres($run->tub->start),
        );
    }

    /** The last evening before the tub is low on which a tenth of what can be used is there still. */
    private static function dayWhenUsed(SeasonRun $run, int $after, int $low): int
    {
        $mark = $run->tub->dryLitres + (1 - self::USED_SHARE) * $run->tub->usable;
        for ($day = $low - 1; $day > $after && $run->days[$day]->volume() < $mark; $day--);

        return $day;
    }
}
