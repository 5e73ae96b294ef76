<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TubWaterUse;

/**
 * How a passive tub's water goes down as its plants drink, with the top-ups that are planned. Litres and days from transplanting.
 *
 * Source: handbook, rules section 6 (passive).
 */
final readonly class PassiveCourse
{
    /** Of the start volume so much at a time is safe: what has grown in the air stays there. */
    public const SAFE_SHARE = 0.25;

    /** So much at a time is the most; beyond it air roots drown. */
    public const MOST_SHARE = 0.5;

    private const USED_SHARE = 0.9;

    /** Of a first fill under this a quarter is little. */
    private const LITTLE_L = 4.0;

    /** Planned top-ups are a week apart. */
    private const LEAST_DAYS_APART = 7.0;

    /** More than this many is no plan. */
    private const MOST_TOP_UPS = 6;

    /** @var list<TopUp> by day */
    public array $topUps;

    /** @param  list<TopUp>  $topUps */
    public function __construct(private TubWaterUse $use, public float $start, private float $usable, array $topUps)
    {
        usort($topUps, static fn (TopUp $a, TopUp $b): int => $a->day <=> $b->day);
        $this->topUps = $topUps;
    }

    /** Litres in the tub at the end of a day, that day's top-up in it; never below 0. */
    public function litresOn(float $day): float
    {
        return max(0.0, $this->start + $this->added($day) - $this->use->until($day));
    }

    /** Litres just before a top-up goes in. */
    public function litresBefore(TopUp $topUp): float
    {
        return max(0.0, $this->litresOn($topUp->day) - $topUp->litres);
    }

    /** The first day on which nothing more can be used; null when there is enough to the last harvest. */
    public function dryDay(): ?float
    {
        $added = 0.0;
        foreach ($this->topUps as $topUp) {
            $day = $this->use->dayWhenUsed($this->usable + $added);
            if ($day !== null && $day < $topUp->day) {
                return $day;
            }
            $added += $topUp->litres;
        }

        return $this->use->dayWhenUsed($this->usable + $added);
    }

    /** As much at a time as is safe, rounded down to what a jug shows: 50 mL, or 10 mL of little. */
    public static function safeLitres(float $start): float
    {
        $steps = $start < self::LITTLE_L ? 100 : 20;

        return floor(self::SAFE_SHARE * $start * $steps) / $steps;
    }

    /**
     * Top-ups of a quarter of the start volume that carry the tub to a day, no more of them than it takes. Each comes as late as it may,
     * on a whole day when nine tenths of what can be used are gone: by then the air gap is so deep that a quarter leaves most of it.
     *
     * @return list<TopUp>|null null where that many, or two on one day, are no plan
     */
    public static function safeTopUps(TubWaterUse $use, float $start, float $usable, float $toDay): ?array
    {
        $each = self::safeLitres($start);
        $topUps = [];
        while ($use->until($toDay) > $usable + count($topUps) * $each) {
            $day = $use->dayWhenUsed(self::USED_SHARE * $usable + count($topUps) * $each);
            $last = $topUps === [] ? 0.0 : $topUps[count($topUps) - 1]->day;
            if ($each <= 0.0 || $day === null || floor($day) <= $last || count($topUps) >= self::MOST_TOP_UPS) {
                return null;
            }
            $topUps[] = new TopUp(floor($day), $each);
        }

        return $topUps;
    }

    /** The next top-up to plan: as much as is safe, on the day before it runs dry, and no sooner than a week after the last. */
    public function nextTopUp(): TopUp
    {
        $last = $this->topUps === [] ? 0.0 : $this->topUps[count($this->topUps) - 1]->day;
        $day = floor(($this->dryDay() ?? $this->use->harvestDay) - 1.0);

        return new TopUp(max($last + self::LEAST_DAYS_APART, $day), self::safeLitres($this->start));
    }

    private function added(float $day): float
    {
        return array_sum(array_map(static fn (TopUp $t): float => $t->day <= $day ? $t->litres : 0.0, $this->topUps));
    }
}
