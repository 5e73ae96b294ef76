<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SeasonTub;

/** A day of a calendar in one copy of a tub: how it stood in the morning, the day as it went, and what stood in it. */
final readonly class CourseDay
{
    /**
     * @param  int  $date  as `Dates` counts
     * @param  SeasonState  $before  in the morning, when visits before noon were over
     * @param  SeasonState  $after  in the evening, when all visits were over
     * @param  list<int>  $who  which of the growing ones each stand is
     * @param  bool  $isVisitedEarly  whether somebody came before noon
     */
    public function __construct(
        public int $date,
        public SeasonState $before,
        public SeasonDay $day,
        public SeasonState $after,
        public Season $season,
        public array $who,
        public bool $isVisitedEarly = false,
    ) {
    }

    public function tub(): SeasonTub
    {
        return $this->season->tub;
    }

    /** Level in the evening, mm. */
    public function level(): float
    {
        return $this->after === $this->day->after ? $this->day->level : $this->tub()->reservoir->levelFor($this->after->volume);
    }

    /** Air between cups and water in the evening, mm. */
    public function gap(): float
    {
        return $this->tub()->gapAt($this->level());
    }

    /** Which stand a growing one is on this day; null where it is not in the tub. */
    public function standOf(int $growing): ?int
    {
        $stand = array_search($growing, $this->who, true);

        return $stand === false ? null : $stand;
    }
}
