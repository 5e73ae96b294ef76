<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Days\Course;
use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Days\Fate;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * What the log of one copy taught: how its plants drink and eat, what that moves, and the figures that a crop of the grower's own would
 * take over. Source: handbook, log (learning; after the harvest).
 */
final readonly class Lesson
{
    /** † a figure that differs by less is not worth a crop of one's own. */
    private const WORTH_KEEPING = 0.05;

    /** A harvest further off than this is one that was not weighed, or weighed wrong. */
    private const LEAST_OF_YIELD = 0.2;

    private const MOST_OF_YIELD = 5.0;

    /** Figures are kept to so many digits. */
    private const DIGITS = 3;

    public function __construct(private CopyDiary $diary)
    {
    }

    public function toReport(): stdClass
    {
        return (object) [
            'use' => $this->diary->uses()?->toReport(),
            'uptake' => $this->diary->eatsLearned()?->toReport(),
            'moves' => $this->moves(),
            'crop' => $this->crop(),
        ];
    }

    /** The next top-up by the crops' own figures and by what was learned; null where nothing was learned, or it moves none. */
    private function moves(): ?stdClass
    {
        if ($this->diary->uses()?->isUsed() !== true) {
            return null;
        }
        $was = $this->nextTopUp($this->diary->base());
        $is = $this->nextTopUp($this->diary->forecast());

        return $is === null || $was === $is ? null : (object) [
            'kind' => 'top-up',
            'date' => Dates::text($is),
            'was' => $was === null ? null : Dates::text($was),
        ];
    }

    /** @param  list<Course>  $courses */
    private function nextTopUp(array $courses): ?int
    {
        foreach ($courses as $course) {
            foreach ($course->days as $day) {
                if ($day->date > $this->diary->today() && ($day->day->topUp > 0.0 || $day->day->change)) {
                    return $day->date;
                }
            }
        }

        return null;
    }

    /**
     * What a crop of the grower's own would say otherwise than the crop that grows here; null where it is nothing, or where two crops
     * share the water and none can be told.
     */
    private function crop(): ?stdClass
    {
        $growing = $this->diary->copy->courses()->growing;
        $keys = array_values(array_unique(array_map(static fn (Growing $g): string => $g->planting->crop->key, $growing)));
        if (count($keys) !== 1) {
            return null;
        }
        $crop = $growing[0]->planting->crop;
        $use = $this->diary->uses();
        $figures = array_values(array_filter([
            $use?->isUsed() === true
                ? self::figure('water_to_harvest_l', $crop->waterToHarvestL, $use->factor, $use->intervals)
                : null,
            $this->yield($crop->yieldG),
        ]));

        return $figures === [] ? null : (object) ['crop' => $crop->key, 'name' => $crop->name, 'figures' => $figures];
    }

    /** Grams a plant by what was weighed of plantings that are over; null while one still bears, or where nothing was weighed. */
    private function yield(float $was): ?stdClass
    {
        $forecast = 0.0;
        foreach ($this->diary->forecast() as $course) {
            foreach ($course->fates as $fate) {
                if (! $this->isOver($course, $fate)) {
                    return null;
                }
                $forecast += $fate->harvest;
            }
        }
        [$weighed, $times] = [0.0, 0];
        foreach ($this->diary->entries->all as $entry) {
            $weighed += $entry->harvest ?? 0.0;
            $times += $entry->harvest === null ? 0 : 1;
        }
        $factor = $forecast > 0.0 ? $weighed / $forecast : 0.0;

        return $factor < self::LEAST_OF_YIELD || $factor > self::MOST_OF_YIELD ? null : self::figure('yield_g', $was, $factor, $times);
    }

    private function isOver(Course $course, Fate $fate): bool
    {
        $last = $course->days === [] ? null : $course->days[count($course->days) - 1];

        return $this->diary->today() >= min($last instanceof CourseDay ? $last->date : $course->start, $fate->lastHarvest ?? INF);
    }

    private static function figure(string $column, float $was, float $factor, int $from): ?stdClass
    {
        if (abs($factor - 1) < self::WORTH_KEEPING) {
            return null;
        }
        $is = $was * $factor;
        $digits = self::DIGITS - 1 - (int) floor(log10($is));

        return (object) ['column' => $column, 'was' => $was, 'is' => round($is, $digits), 'from' => $from];
    }
}
