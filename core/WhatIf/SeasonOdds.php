<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\DryRun\Odds;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Feed\FeedPlans;
use stdClass;

/**
 * How a tub comes through many seasons under its own habits, and which other habit would bring it through most often. Source: handbook, log
 * (Dry run).
 */
final readonly class SeasonOdds
{
    /** Other habits are compared over so many seeds at most; the one that helps most is then counted over all. */
    private const LOOK_SEEDS = 100;

    public function __construct(private Planner $planner, private Library $library)
    {
    }

    /**
     * @param  int  $runs  how many seeds, from the first on
     *
     * @throws InvalidArgumentException where nothing grows in it
     */
    public function of(Garden $garden, Tub $tub, int $runs, int $first = 1): stdClass
    {
        $own = $this->odds($garden, $tub, []) ?? throw new InvalidArgumentException("nothing grows in $tub->id");
        $odds = $own->over($runs, $first);
        if ($odds->came_through < $runs) {
            $odds->helps_most = $this->helpsMost($garden, $tub, $own, $odds, $first);
        }

        return $odds;
    }

    /** @param  list<stdClass>  $patch */
    private function odds(Garden $garden, Tub $tub, array $patch): ?Odds
    {
        $feed = $this->planner->begun($garden, $patch)->get(FeedPlans::class)->of($tub->id);

        return $feed->season === null ? null : new Odds($feed->season, $feed->weather);
    }

    private function helpsMost(Garden $garden, Tub $tub, Odds $own, stdClass $odds, int $first): ?stdClass
    {
        $look = min($odds->runs, self::LOOK_SEEDS);
        // Each is held against what is planned now.
        $most = $own->through($look, $first, $odds->planned_g);
        $best = null;
        foreach (OtherHabits::of($garden, $tub, $this->library) as [$says, $patch]) {
            $many = $this->odds($garden, $tub, $patch)?->through($look, $first, $odds->planned_g) ?? 0;
            [$most, $best] = $many > $most ? [$many, [$says, $patch]] : [$most, $best];
        }
        $all = $best === null ? 0 : ($this->odds($garden, $tub, $best[1])?->through($odds->runs, $first, $odds->planned_g) ?? 0);

        return $best === null || $all <= $odds->came_through ? null : (object) [
            'says' => $best[0],
            'patch' => $best[1],
            'came_through' => $all,
        ];
    }
}
