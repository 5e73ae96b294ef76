<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostFigures;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Season\Leave;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\WhatIf\SeasonRuns;
use stdClass;

/**
 * What a whole design comes to: money, harvest, work, water, weight, and what it bears. All of it is read from the garden's plan and from
 * its tubs' seasons.
 */
final readonly class DesignFigures
{
    private const WEEK = 7;

    /** † from a poor harvest to a good one, as shares of what is forecast: as at Cost. */
    private const HARVEST = CostFigures::HARVEST_RANGE;

    /** A cup is scrubbed and filled anew before the next plant comes, days. */
    private const BETWEEN_DAYS = 1;

    /** † how far into the time until the first harvest absences are tried: shares of it. */
    private const AWAY_AT = [0.5, 0.75, 0.9];

    private const AWAY_MOST = 60;

    public function __construct(private Plan $plan)
    {
    }

    public function outlay(): float
    {
        return $this->plan->get(CostPlan::class)->budget->outlay;
    }

    /** What it takes besides, in a month: power, feed, water, plugs. */
    public function monthly(): float
    {
        return array_sum((new CostFigures($this->plan))->month());
    }

    /**
     * Picked in a week, g: of what is cut once a cup's harvest over the days that it takes, being planted again each time; of what bears
     * on, over the weeks in which it bears.
     */
    public function gramsAWeek(): float
    {
        $grams = 0.0;
        foreach ($this->seasons() as [$tub, $feed, $run]) {
            foreach ($feed->tub->plants->mix->shares as $stand => $share) {
                $grams += $tub->count * self::weekly($share->crop, $run, $stand);
            }
        }

        return $grams;
    }

    /** @return array{float, float} from a poor harvest to a good one */
    public function gramsRange(): array
    {
        return [self::HARVEST[0] * $this->gramsAWeek(), self::HARVEST[2] * $this->gramsAWeek()];
    }

    /** What a stand brings in a week, g; nothing where it comes to no harvest. */
    public static function weekly(Crop $crop, SeasonRun $run, int $stand): float
    {
        $first = $run->harvestOf($stand);
        $days = $first === null ? null : self::cycle($crop, $run, $stand);

        return $days === null ? 0.0 : $run->harvest($stand) * self::WEEK / $days;
    }

    /** Days over which a stand's harvest counts. */
    public static function cycle(Crop $crop, SeasonRun $run, int $stand): ?float
    {
        $first = $run->harvestOf($stand);
        if ($first === null) {
            return null;
        }
        $bearing = ($run->lastOf($stand) ?? $first) - $first;

        return $crop->repeats && $bearing > 0.0 ? $bearing + self::WEEK : $first + self::BETWEEN_DAYS;
    }

    /** Days from sowing to the first that is picked; null where nothing is. */
    public function firstHarvest(): ?int
    {
        $days = [];
        foreach ($this->seasons() as [, $feed, $run]) {
            foreach ($feed->tub->plants->mix->shares as $stand => $share) {
                $first = $run->harvest($stand) > 0.0 ? $run->harvestOf($stand) : null;
                if ($first !== null) {
                    $days[] = (int) ceil($share->crop->daysBefore() + $first);
                }
            }
        }

        return $days === [] ? null : min($days);
    }

    /** Days of the busiest week on which water is topped up, changed or made stronger, over all tubs. */
    public function visits(): int
    {
        $days = [];
        foreach ($this->seasons() as [, , $run]) {
            foreach ($run->days as $day) {
                if ($day->isVisited()) {
                    $days[$day->day] = true;
                }
            }
        }
        $most = 0;
        foreach (array_keys($days) as $from) {
            $week = array_filter(array_keys($days), static fn (int $d): bool => $d >= $from && $d < $from + self::WEEK);
            $most = max($most, count($week));
        }

        return $most;
    }

    /**
     * Days that one can be away at any time, made ready on the evening before: the fewest of some moments while the plants grow up.
     */
    public function awayDays(): int
    {
        $least = self::AWAY_MOST;
        foreach ($this->seasons() as [, $feed, $run]) {
            $harvest = $run->harvestDay();
            if ($harvest === null) {
                continue;
            }
            foreach (self::AWAY_AT as $share) {
                $least = min($least, self::awayFrom($feed, (int) floor($share * $harvest)));
            }
        }

        return $least;
    }

    /** Days from a day on that one can be away, made ready on the evening before it. */
    private static function awayFrom(FeedPlan $feed, int $day): int
    {
        $season = $feed->with([]);
        $run = $feed->run();
        if ($season === null || $run === null || $day < 1 || ! isset($run->days[$day - 1])) {
            return self::AWAY_MOST;
        }
        // The season as it goes, but for that evening.
        $ready = $season->step($run->before($day - 1), new Leave($season->tub->policy, $day, self::AWAY_MOST));
        $left = new SeasonRun($season, $run->start, array_values(array_replace($run->days, [$day - 1 => $ready])));
        [$days, $limit] = SeasonRuns::absence($feed, $season, $left)->until($day - 1);

        return $limit === null ? self::AWAY_MOST : min(self::AWAY_MOST, $days);
    }

    /** Minutes without power until oxygen is short in the first of the tubs with air; null where none has any, or none runs short. */
    public function outageMinutes(): ?float
    {
        $minutes = [];
        $air = $this->plan->get(AirPlans::class);
        foreach ($this->plan->get(TubPlans::class)->tubs as $id => $tub) {
            if ($tub->tub->system->isAerated()) {
                $minutes[] = $air->tubs[$id]->balance?->outageMinutes($tub->water->working());
            }
        }
        $minutes = array_filter($minutes, static fn (?float $m): bool => $m !== null);

        return $minutes === [] ? null : min($minutes);
    }

    public function litres(): float
    {
        return $this->plan->get(TubPlans::class)->total(static fn ($tub): float => $tub->water->start());
    }

    public function massKg(): float
    {
        return $this->plan->get(TubPlans::class)->mass();
    }

    public function toAnswer(): stdClass
    {
        return (object) [
            'outlay' => $this->outlay(),
            'monthly' => $this->monthly(),
            'g_a_week' => $this->gramsRange(),
            'first_harvest_day' => $this->firstHarvest(),
            'visits_a_week' => $this->visits(),
            'litres' => $this->litres(),
            'mass_kg' => $this->massKg(),
            'away_days' => $this->awayDays(),
            'outage_min' => $this->outageMinutes(),
        ];
    }

    /** @return list<array{Tub, FeedPlan, SeasonRun}> of the tubs in which something grows */
    private function seasons(): array
    {
        $seasons = [];
        foreach ($this->plan->get(FeedPlans::class)->all() as $feed) {
            $run = $feed->run();
            if ($run !== null) {
                $seasons[] = [$feed->tub->tub, $feed, $run];
            }
        }

        return $seasons;
    }
}
