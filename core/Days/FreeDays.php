<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Numbers\Dates;

/** On which days the grower can come: not while they are away, and on the weekdays that they have, where they said which. */
final readonly class FreeDays
{
    /** What can wait is put off, or done before, by so many days to go with something else. */
    private const TOGETHER_DAYS = 2;

    private const LOOK_DAYS = 60;

    /**
     * @param  list<array{int, int}>  $away  from and to, as `Dates` counts, both away
     * @param  list<int>|null  $weekdays  0 is Monday; null for any
     */
    public function __construct(private array $away = [], private ?array $weekdays = null)
    {
    }

    /** The days on which all tubs are looked at. */
    public function rounds(bool $twice = true): Rounds
    {
        return new Rounds($this->weekdays === [] ? null : $this->weekdays, $twice);
    }

    public function isFree(int $day): bool
    {
        foreach ($this->away as [$from, $to]) {
            if ($day >= $from && $day <= $to) {
                return false;
            }
        }

        return $this->weekdays === null || in_array(Dates::weekday($day), $this->weekdays, true);
    }

    /**
     * The day on which something is done that falls on another: the next free one up to its last, else the last free one before. Null where
     * there is none of either from the earliest on.
     */
    public function near(int $day, int $last, int $earliest): ?int
    {
        for ($on = $day; $on <= min($last, $day + self::LOOK_DAYS); $on++) {
            if ($this->isFree($on)) {
                return $on;
            }
        }
        for ($on = $day - 1; $on >= max($earliest, $day - self::LOOK_DAYS); $on--) {
            if ($this->isFree($on)) {
                return $on;
            }
        }

        return null;
    }

    /**
     * The day of a visit within two days of another, the nearest first and of two the earlier; the day itself where there is none.
     *
     * @param  array<int, true>  $visits
     */
    public static function together(int $day, array $visits, int $earliest, int $latest = PHP_INT_MAX): int
    {
        for ($by = 0; $by <= self::TOGETHER_DAYS; $by++) {
            foreach ([$day - $by, $day + $by] as $on) {
                if (isset($visits[$on]) && $on >= $earliest && $on <= $latest) {
                    return $on;
                }
            }
        }

        return $day;
    }
}
