<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedParts;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Feed\FeedReport;
use KelpTub\Core\Marks\Feed\SeasonReport;
use KelpTub\Core\Season\Absence;
use KelpTub\Core\Season\Leave;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonEvent;
use KelpTub\Core\Season\SeasonRun;
use stdClass;

/** Seasons of one tub side by side: as it is planned, looked after otherwise, or with something happening in it. */
final readonly class SeasonRuns
{
    /** Runs that fit on one pair of axes. */
    public const MOST = 4;

    private const OXYGEN_FLOOR = 5.0;

    public function __construct(private Planner $planner, private Library $library)
    {
    }

    /**
     * @param  list<SeasonAsk>  $asks
     * @return list<stdClass>
     *
     * @throws InvalidArgumentException when one of them cannot be read; the message says which
     */
    public function of(Garden $garden, Tub $tub, array $asks): array
    {
        $plan = $this->planner->plan($garden);

        return array_map(fn (SeasonAsk $ask): stdClass => $this->one($plan, $tub, $ask), $asks);
    }

    private function one(Plan $plan, Tub $tub, SeasonAsk $ask): stdClass
    {
        $patch = $ask->patch($tub, new PatchMaker($plan->garden->document, $this->library));
        $planned = $patch === [] ? $plan : $this->planner->planAgain($plan, $patch);
        $feed = $planned->get(FeedPlans::class)->of($tub->id);
        $whole = $feed->run();
        $last = $whole === null ? null : (float) count($whole->days);
        if ($last === null && $ask->whatIfs !== []) {
            throw new InvalidArgumentException('nothing grows in this tub, and so nothing can happen to it; choose a crop first');
        }
        $events = array_map(static fn (string $text): SeasonEvent => SeasonEvent::read($text, $last ?? 0.0), $ask->whatIfs);
        $season = $feed->with($events);
        $leave = $season === null || $ask->leave === null ? null : $this->leave($season, $ask->leave, (int) $last);
        $run = $season?->run($leave);

        return (object) [
            'policy' => (object) $ask->policy,
            'what_ifs' => $ask->whatIfs,
            'leave' => $leave === null || $run === null ? null : self::left($feed, $season, $run, $leave),
            'patch' => GuardedPatch::of($plan->garden->document, $patch),
            'season' => (object) SeasonReport::of($feed, $run, true),
            'band' => $run === null ? null : $this->band($feed, $events, $leave),
            'events' => $run === null ? [] : self::events($run),
            'away_days' => $season === null || $run === null ? [] : self::away($feed, $season, $run),
            'figures' => $run === null ? null : $this->figures($planned, $feed, $run),
        ];
    }

    /**
     * Level and EC at the ends of what the crops' figures may be off by: drinking more and eating less, and the other way.
     *
     * @param  list<SeasonEvent>  $events
     */
    private function band(FeedPlan $feed, array $events, ?Leave $leave): stdClass
    {
        $thirsty = $feed->with($events, 1 + Season::RANGE, 1 - Season::RANGE)?->run($leave);
        $hungry = $feed->with($events, 1 - Season::RANGE, 1 + Season::RANGE)?->run($leave);
        $of = /** @return list<stdClass> */ static fn (?SeasonRun $run): array => array_map(
            static fn (SeasonDay $day): stdClass => (object) ['level_mm' => $day->level, 'ec_ms_cm' => $day->ec()],
            $run->days ?? [],
        );

        return (object) ['thirsty' => $of($thirsty), 'hungry' => $of($hungry), 'share' => Season::RANGE];
    }

    /**
     * @param  array{int, int}  $asked
     * @param  int  $last  days of the season
     */
    private function leave(Season $season, array $asked, int $last): Leave
    {
        if ($asked[0] >= $last) {
            throw new InvalidArgumentException("day $asked[0] is past the end of this season, on day $last; leave earlier");
        }

        return new Leave($season->tub->policy, $asked[0], $asked[1]);
    }

    /** What to do on the evening before, how long that lasts, and how the tub stands when somebody is back. */
    private static function left(FeedPlan $feed, Season $season, SeasonRun $run, Leave $leave): stdClass
    {
        [$most, $limit] = self::absence($feed, $season, $run)->until($leave->from - 1);
        // One who comes back after the last harvest finds the tub as it was left then.
        $seen = min($leave->back(), count($run->days)) - 1;

        return (object) [
            'day' => $leave->from,
            'days' => $leave->days,
            'before' => $leave->from === 0 ? null : self::event($run, $leave->from - 1),
            'most_days' => $most,
            'limit' => $limit?->value,
            'back' => SeasonReport::day($run, $seen),
            'after' => isset($run->days[$seen + 1]) ? self::event($run, $seen + 1) : null,
        ];
    }

    /** How long one can be away from a tub whose season goes as in a run. */
    public static function absence(FeedPlan $feed, Season $season, SeasonRun $run): Absence
    {
        return new Absence($season, $run, $feed->window[1] ?? null, $feed->tub->tub->planting->density->oxygenFloor());
    }

    /** @return list<int> from the evening of each day on, the days that one can be away */
    private static function away(FeedPlan $feed, Season $season, SeasonRun $run): array
    {
        $absence = self::absence($feed, $season, $run);

        return array_map(static fn (SeasonDay $day): int => $absence->from($day->day), $run->days);
    }

    /** @return list<stdClass> what is put in on which evening, with the doses for it */
    private static function events(SeasonRun $run): array
    {
        $events = [];
        foreach (array_keys($run->days) as $i) {
            $events[] = self::event($run, $i);
        }

        return array_values(array_filter($events));
    }

    private static function event(SeasonRun $run, int $index): ?stdClass
    {
        $day = $run->days[$index];
        if (! $day->isVisited()) {
            return null;
        }
        $litres = $day->change ? $run->tub->fill : $day->topUp;
        $doses = $run->dosesOn($index);

        return (object) [
            'day' => $day->day,
            'change' => $day->change,
            'stronger' => $day->stronger,
            'litres' => $litres,
            'ec_ms_cm' => $day->change ? $day->ec() : ($day->topUp > 0.0 ? $day->topUpEc : $day->ec()),
            'parts' => array_map(FeedReport::dose(...), $doses),
            'batch' => FeedReport::batch($doses, $litres > 0.0 ? $litres : $day->volume()),
        ];
    }

    private function figures(Plan $plan, FeedPlan $feed, SeasonRun $run): stdClass
    {
        $out = $feed->window === null || $run->start->salt === null ? null : $run->outOfEc();
        $dry = $run->dryOn();
        $below = $run->firstBelowUsable();

        return (object) [
            'water_l' => $run->poured(),
            'feed' => array_map(FeedReport::dose(...), $run->doses()),
            'visits_a_week' => $run->attention(),
            'days_out_of_ec' => $out === null ? null : count($out),
            'days_over_ec' => $out === null ? null : count(array_filter($out, static fn (float $by): bool => $by > 0.0)),
            'days_under_oxygen' => $run->tub->breath === null ? null : $run->daysShortOfOxygen(self::OXYGEN_FLOOR),
            'lowest_gap_mm' => $run->lowestGap(),
            'below_usable_day' => $below,
            'dry_day' => $dry,
            'cost' => $this->cost($plan, $feed, $run),
            'yield_g' => $run->harvested(),
        ];
    }

    /** What water and feed of the season cost, by the cheapest of each that is sold; null where a part of the feed has no price. */
    private function cost(Plan $plan, FeedPlan $feed, SeasonRun $run): ?float
    {
        $wish = $plan->garden->of(MoneyWish::class);
        $cost = $run->poured() * $wish->waterPerLitre;
        foreach ($run->doses() as $dose) {
            $key = $feed->feed === null ? '' : FeedParts::key($feed->feed, $dose);
            $each = UnitPrice::ofOne($wish->offersOf($key, $this->library));
            if ($each === null) {
                return null;
            }
            $cost += $each * $dose->amount;
        }

        return $cost;
    }
}
