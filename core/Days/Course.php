<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Season\SeasonState;

/** How one copy of a tub fares by date, from a first fill to the end of what grows in it. */
final readonly class Course
{
    /**
     * @param  int  $start  the day of the first fill
     * @param  SeasonState  $fill  as it was filled
     * @param  list<CourseDay>  $days  one after another from the start on
     * @param  array<int, Fate>  $fates  of the growing ones that are in it
     */
    public function __construct(public int $start, public SeasonState $fill, public array $days, public array $fates)
    {
    }

    /** The last day of it. */
    public function end(): int
    {
        return $this->start + count($this->days) - 1;
    }

    /** The first day from another on that ends with no water left; null where there is none. */
    public function driesFrom(int $date): ?int
    {
        foreach ($this->days as $day) {
            if ($day->date >= $date && $day->after->isDry()) {
                return $day->date;
            }
        }

        return null;
    }

    public function on(int $date): ?CourseDay
    {
        return $this->days[$date - $this->start] ?? null;
    }
}
