<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Season\Policy;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SeasonTub;
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
     * No more of them than carry the tub to its first harvest. With each the season goes on from the day on which it is given.
     *
     * @return list<TopUp>|null null where that many, or two on one day, are no plan
     */
    public static function toHarvest(FeedPlan $plan): ?array
    {
        $tub = $plan->season;
        $each = self::litres($tub->start ?? 0.0);
        if ($tub === null || $each <= 0.0) {
            return null;
        }
        $policy = $tub->policy;
        [$topUps, $last, $from] = [[], 0, null];
        do {
            $of = new Policy($policy->topUps, $policy->strength, $policy->change, $topUps, $policy->strengthens);
            $season = new Season($tub->under($of), $plan->weather);
            $states = self::untilLow($season, $from ?? $season->start());
            $end = $states[array_key_last($states)];
            $harvest = $end->harvestDay();
            if (! $tub->isLow($end->volume) || ($harvest !== null && $end->day - 1 >= $harvest)) {
                return $harvest === null ? null : $topUps;
            }
            $day = self::dayWhenUsed($tub, $states, $last);
            if ($day <= $last || count($topUps) >= self::MOST_TOP_UPS) {
                return null;
            }
            [$topUps[], $last, $from] = [new TopUp((float) $day, $each), $day, $states[$day]];
        } while (true);
    }

    /**
     * Goes on until the tub is low, or all its crops have come to their first harvest.
     *
     * @return non-empty-array<int, SeasonState> by the day that comes next
     */
    private static function untilLow(Season $season, SeasonState $from): array
    {
        $states = [$from->day => $now = $from];
        while (! $season->isOver($now)) {
            $now = $season->step($now, $season->tub->policy)->after;
            $states[$now->day] = $now;
            if ($season->tub->isLow($now->volume) || $now->harvestDay() !== null) {
                break;
            }
        }

        return $states;
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

    /**
     * The last evening before the tub is low on which a tenth of what can be used is there still; no sooner than a day.
     *
     * @param  non-empty-array<int, SeasonState>  $states  by day that comes next, low at the end
     */
    private static function dayWhenUsed(SeasonTub $tub, array $states, int $after): int
    {
        $mark = $tub->dryLitres + (1 - self::USED_SHARE) * $tub->usable;
        for ($day = array_key_last($states) - 2; $day > $after && $states[$day + 1]->volume < $mark; $day--);

        return $day;
    }
}
