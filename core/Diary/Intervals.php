<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

use KelpTub\Core\Days\Course;
use KelpTub\Core\Days\CourseDay;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\Interval;
use KelpTub\Core\Log\VisitsOfLog;

/**
 * What was used between two readings against what the figures say, day by day with the part of a day. What cannot tell is left out, and
 * said. Source: handbook, log (learning).
 */
final readonly class Intervals
{
    /** † a level is read to this, mm: what rises by more without a top-up is water that nobody wrote down. */
    private const LEVEL_ERROR_MM = 3.0;

    /** Whether the log tells of anything put in: then it tells of all of it. */
    private bool $isWet;

    /**
     * @param  list<Entry>  $entries  of the copy, in order
     * @param  list<Course>  $courses  by the crops' own figures, restarted from each reading
     */
    public function __construct(private VisitsOfLog $visits, private array $entries, private array $courses)
    {
        $isWet = false;
        foreach ($entries as $entry) {
            $isWet = $isWet || $entry->isWet();
        }
        $this->isWet = $isWet;
    }

    /** @return list<Interval> of water, litres */
    public function uses(): array
    {
        $intervals = [];
        $readings = $this->readings(static fn (Entry $e): bool => $e->level !== null);
        for ($i = 1; $i < count($readings); $i++) {
            [$at, $to] = [$readings[$i - 1], $readings[$i]];
            [$from, $until] = [$this->entries[$at], $this->entries[$to]];
            $days = $this->days($from, $until);
            $poured = 0.0;
            for ($n = $at; $n < $to; $n++) {
                $poured += $this->entries[$n]->topUp;
            }
            $left = $this->litres($until);
            $observed = $this->litres($from) + $poured - $left;
            $intervals[] = new Interval(
                $from->time(),
                $until->time(),
                $observed,
                $this->over($from, $until, static fn (CourseDay $d): float => $d->day->thirst),
                match (true) {
                    $days === null => 'nothing stood in the tub, or it was filled anew',
                    $this->isChanged($at, $to) => 'the water was changed',
                    self::any($days, static fn (CourseDay $d): bool => $d->day->rain > 0.0 || $d->day->spill > 0.0) => 'it rained in',
                    $this->isUnknown($days) => 'whether it was topped up is not noted',
                    $left <= 0.0 => 'it ran dry',
                    $observed < -$this->error($from) => 'water came in that is not noted',
                    default => null,
                },
            );
        }

        return $intervals;
    }

    /** @return list<Interval> of salt, mS/cm × L */
    public function uptakes(): array
    {
        $intervals = [];
        $readings = $this->readings(static fn (Entry $e): bool => $e->ec !== null && $e->level !== null);
        for ($i = 1; $i < count($readings); $i++) {
            [$at, $to] = [$readings[$i - 1], $readings[$i]];
            [$from, $until] = [$this->entries[$at], $this->entries[$to]];
            $days = $this->days($from, $until);
            $came = 0.0;
            $isKnown = true;
            for ($n = $at; $n < $to; $n++) {
                $entry = $this->entries[$n];
                $salt = $this->visits->salt($entry);
                $isKnown = $isKnown && ($entry->topUp <= 0.0 || $entry->topUpEc !== null || $salt > 0.0);
                $came += $entry->topUpEc !== null ? $entry->topUpEc * $entry->topUp : $salt + $entry->topUp * $this->visits->source;
            }
            $intervals[] = new Interval(
                $from->time(),
                $until->time(),
                $from->ec * $this->litres($from) + $came - $until->ec * $this->litres($until),
                $this->over($from, $until, static fn (CourseDay $d): float => $d->day->uptake ?? 0.0),
                match (true) {
                    $days === null => 'nothing stood in the tub, or it was filled anew',
                    $this->isChanged($at, $to) => 'the water was changed',
                    self::any($days, static fn (CourseDay $d): bool => $d->day->rain > 0.0 || $d->day->spill > 0.0) => 'it rained in',
                    $this->isUnknown($days) => 'whether it was topped up is not noted',
                    ! $isKnown => 'how strong the top-up was is not noted',
                    default => null,
                },
            );
        }

        return $intervals;
    }

    /**
     * Places of the readings that count: of a meter's the first of a day.
     *
     * @param  callable(Entry): bool  $is
     * @return list<int>
     */
    private function readings(callable $is): array
    {
        $places = $metered = [];
        foreach ($this->entries as $i => $entry) {
            if (! $is($entry) || ($entry->from === 'meter' && isset($metered[$entry->day]))) {
                continue;
            }
            $metered[$entry->day] = $entry->from === 'meter' ? true : $metered[$entry->day] ?? null;
            $places[] = $i;
        }

        return $places;
    }

    private function litres(Entry $entry): float
    {
        return $this->visits->found($entry)->litres ?? 0.0;
    }

    /** What a reading of the level may be off by, litres. */
    private function error(Entry $entry): float
    {
        return abs($this->visits->reservoir->litresAt((float) $entry->level + self::LEVEL_ERROR_MM)
            - $this->visits->reservoir->litresAt((float) $entry->level));
    }

    /** @return list<CourseDay>|null the days from one reading to another; null where they are not of one course */
    private function days(Entry $from, Entry $to): ?array
    {
        foreach ($this->courses as $course) {
            if ($from->day >= $course->start && $to->day <= $course->end()) {
                return array_slice($course->days, $from->day - $course->start, $to->day - $from->day + 1);
            }
        }

        return null;
    }

    private function isChanged(int $at, int $to): bool
    {
        for ($n = $at; $n < $to; $n++) {
            if ($this->entries[$n]->change) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether the season has put something in that no entry tells of: where nothing is ever noted nobody knows.
     *
     * @param  list<CourseDay>|null  $days
     */
    private function isUnknown(?array $days): bool
    {
        return ! $this->isWet && self::any(array_slice($days ?? [], 0, -1), static fn (CourseDay $d): bool => $d->day->isVisited());
    }

    /**
     * @param  list<CourseDay>|null  $days
     * @param  callable(CourseDay): bool  $is
     */
    private static function any(?array $days, callable $is): bool
    {
        return array_filter($days ?? [], $is) !== [];
    }

    /**
     * A figure of the days between two readings, of the first and the last of them the part that lies between.
     *
     * @param  callable(CourseDay): float  $of
     */
    private function over(Entry $from, Entry $to, callable $of): float
    {
        $sum = 0.0;
        foreach ($this->days($from, $to) ?? [] as $day) {
            $sum += max(0.0, min($to->time(), $day->date + 1) - max($from->time(), $day->date)) * $of($day);
        }

        return $sum;
    }
}
