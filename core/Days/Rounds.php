<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Numbers\Dates;

/**
 * The days on which a grower goes round all tubs: twice a week, the same for every tub of a garden, so that what can wait is done in one
 * visit. Where only some weekdays are free, the nearest of them. Source: handbook, log (grouped visits).
 */
final readonly class Rounds
{
    /** Sunday, and where once a week does not do, Wednesday: three and four days apart. */
    private const WANTED = [6, 2];

    /** Two looks nearer than this are one, days. */
    private const APART = 2;

    /** @var list<int> 0 is Monday */
    private array $weekdays;

    /** @param  list<int>|null  $free  the weekdays that the grower has, one at least; null for any */
    public function __construct(?array $free = null, bool $twice = true)
    {
        $free ??= range(0, 6);
        $first = self::least($free, static fn (int $day): array => [self::apart($day, self::WANTED[0]), $day]);
        $second = self::least($free, static fn (int $day): array => [-self::apart($day, $first), self::apart($day, self::WANTED[1]), $day]);
        $weekdays = $twice && self::apart($first, $second) >= self::APART ? [$first, $second] : [$first];
        sort($weekdays);
        $this->weekdays = $weekdays;
    }

    /**
     * @param  list<int>  $free
     * @param  callable(int): list<int>  $rank
     */
    private static function least(array $free, callable $rank): int
    {
        usort($free, static fn (int $a, int $b): int => $rank($a) <=> $rank($b));

        return $free[0];
    }

    /** Days from one weekday to another, the shorter way round. */
    private static function apart(int $one, int $other): int
    {
        return min(abs($one - $other), 7 - abs($one - $other));
    }

    public function isOn(int $day): bool
    {
        return in_array(Dates::weekday($day), $this->weekdays, true);
    }

    /** @return list<int> the days from one to another, both with */
    public function between(int $from, int $to): array
    {
        return $from > $to ? [] : array_values(array_filter(range($from, $to), $this->isOn(...)));
    }

    /** Which it is, counted from long ago: the next has the next number. */
    public function number(int $day): int
    {
        $weekday = Dates::weekday($day);
        $week = intdiv($day - $weekday, 7);

        return $week * count($this->weekdays) + count(array_filter($this->weekdays, static fn (int $w): bool => $w <= $weekday));
    }
}
