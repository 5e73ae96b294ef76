<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/** The grower's own last frost of spring and first one of autumn, by day of the year; years repeat them. */
final readonly class Frost
{
    /** @param  string|null  $last  05-15; and likewise the first */
    public function __construct(private ?string $last = null, private ?string $first = null)
    {
    }

    public static function of(stdClass $site): self
    {
        return new self($site->frost->last ?? null, $site->frost->first ?? null);
    }

    /** Whether such a day is in every year, or in leap years. */
    public static function isDay(string $monthAndDay): bool
    {
        return preg_match('/^\d{2}-\d{2}$/D', $monthAndDay) === 1 && Dates::are("2028-$monthAndDay");
    }

    private static function in(int $year, ?string $monthAndDay): ?int
    {
        return $monthAndDay === null ? null : Dates::number("$year-".($monthAndDay === '02-29' ? '02-28' : $monthAndDay));
    }

    private static function year(int $day): int
    {
        return (int) substr(Dates::text($day), 0, 4);
    }

    /** Whether no frost is usual from one day to another. Where the year's first frost comes before its last, summer is at its turn. */
    public function isFree(int $from, int $to): bool
    {
        $year = self::year($from);
        $last = self::in($year, $this->last);
        $first = self::in($year, $this->first);
        if ($last !== null && $first !== null && $last > $first) {
            return $from <= $first ? $to <= $first : $from >= $last && $to <= self::in($year + 1, $this->first);
        }

        return ($last === null || $from >= $last) && ($first === null || $to <= $first);
    }

    /** The last frost that is to come yet before it is warm for good; null where a day lies in the warm season, or none was said. */
    public function lastAfter(int $day): ?int
    {
        $last = self::in(self::year($day), $this->last);
        if ($last === null || $this->isFree($day, $day)) {
            return null;
        }

        return $day < $last ? $last : self::in(self::year($day) + 1, $this->last);
    }

    /** The first frost after a day, of that autumn or the next; null where none was said. */
    public function next(int $day): ?int
    {
        $first = self::in(self::year($day), $this->first);

        return $first === null || $first >= $day ? $first : self::in(self::year($day) + 1, $this->first);
    }
}
