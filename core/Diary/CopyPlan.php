<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Days\Courses;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\VisitsOfLog;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Days\Plantings;
use KelpTub\Core\Marks\Days\Standing;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlanner;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Feed\FeedWishes;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\SeasonTub;
use KelpTub\Core\Season\Visits;
use KelpTub\Core\Season\Weather;
use KelpTub\Core\Units\UnitSystem;

/** One copy of a tub as it is planned and planted: what its courses by date are run by. */
final readonly class CopyPlan
{
    public FeedPlan $feed;

    private FeedPlanner $planner;

    /** @var list<Growing> */
    public array $growing;

    public function __construct(private Plan $plan, private PlanningAids $aids, public Tub $tub, public int $copy)
    {
        $feeds = $plan->get(FeedPlans::class);
        $this->feed = $feeds->of($tub->id);
        $this->planner = new FeedPlanner($plan->garden->site, $plan->garden->of(FeedWishes::class), $aids);
        $this->growing = Standing::of($this->feed->tub, $plan->garden->of(Plantings::class)->of($tub->id, $copy));
    }

    /** Whether anything is planted in it. */
    public function isPlanted(): bool
    {
        return array_filter($this->growing, static fn (Growing $g): bool => $g->share->plants > 0) !== [];
    }

    public function courses(Visits $visits = new Visits): Courses
    {
        $growing = array_values(array_filter($this->growing, static fn (Growing $g): bool => $g->share->plants > 0));

        return $this->coursesOf($growing, $visits);
    }

    /**
     * The courses that it would have with other plants in it.
     *
     * @param  list<Growing>  $growing
     */
    public function coursesOf(array $growing, Visits $visits = new Visits): Courses
    {
        return new Courses(
            $growing,
            /** @param  list<CropShare>  $shares @param  list<int>  $since */
            fn (array $shares, array $since): SeasonTub => $this->planner->planted(
                $this->feed,
                CropMix::stood($shares, $this->tub->planting->density),
                $since,
            ),
            fn (int $day): Weather => FeedPlanner::weather($this->plan->garden->site, $this->aids, Dates::text($day)),
            $visits,
        );
    }

    /** The water that is poured in. */
    public function water(): Water
    {
        return $this->plan->garden->of(FeedWishes::class)->water;
    }

    public function units(): UnitSystem
    {
        return $this->plan->garden->units;
    }

    /** What bubbles it, in words; empty where nothing does. */
    public function pump(): string
    {
        $pumps = $this->plan->get(AirPlans::class)->pumpsOf($this->tub->id);

        return $pumps === [] ? '' : 'the pump';
    }

    public function garden(): Garden
    {
        return $this->plan->garden;
    }

    /** What entries tell of its water. */
    public function visitsOfLog(): VisitsOfLog
    {
        return new VisitsOfLog(
            $this->feed->tub->water->reservoir,
            $this->feed->feed?->product,
            $this->feed->mixing->source,
            $this->feed->tub->water->working(),
            $this->tub->water->strength->share(),
        );
    }

    /**
     * The visits that entries tell of.
     *
     * @param  list<Entry>  $entries
     * @param  int|null  $until  the last evening on which nobody comes but as the log tells
     */
    public function visits(array $entries, ?int $until): Visits
    {
        return $this->visitsOfLog()->of($entries, $until);
    }
}
