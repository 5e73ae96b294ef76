<?php

declare(strict_types=1);

namespace KelpTub\Core\Numbers;

use DateTimeImmutable;
use InvalidArgumentException;

/** Dates as whole numbers, so that days can be counted: `number('1970-01-02')` is 1. No clock and no time zone. */
final class Dates
{
    public const MINUTES_A_DAY = 1440;

    private const SECONDS_A_DAY = 86_400;

    private const DAYS_A_WEEK = 7;

    /** The number of a Monday: 5 January 1970. */
    private const MONDAY = 4;

    /** The earliest and the latest date that is read. */
    private const YEARS = [1900, 2200];

    /** Whether a text is a date as the format writes them: 2027-04-10, and there is such a day. */
    public static function are(string $date): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $date, $m) === 1
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1])
            && (int) $m[1] >= self::YEARS[0] && (int) $m[1] <= self::YEARS[1];
    }

    /**
     * @return int days from 1 January 1970 on
     *
     * @throws InvalidArgumentException when it is no date
     */
    public static function number(string $date): int
    {
        if (! self::are($date)) {
            throw new InvalidArgumentException("\"$date\" is no date; it reads 2027-04-10");
        }

        return intdiv((new DateTimeImmutable("$date 00:00:00 UTC"))->getTimestamp(), self::SECONDS_A_DAY);
    }

    public static function text(int $number): string
    {
        return self::at($number)->format('Y-m-d');
    }

    /** 0 on Monday, 6 on Sunday. */
    public static function weekday(int $number): int
    {
        return (($number - self::MONDAY) % self::DAYS_A_WEEK + self::DAYS_A_WEEK) % self::DAYS_A_WEEK;
    }

    /** "10 April 2027" */
    public static function spoken(int $number): string
    {
        return self::at($number)->format('j F Y');
    }

    /** "10 April" */
    public static function dayAndMonth(int $number): string
    {
        return self::at($number)->format('j F');
    }

    private static function at(int $number): DateTimeImmutable
    {
        return new DateTimeImmutable('@'.$number * self::SECONDS_A_DAY);
    }

    /** A moment in days as the grower's clock has it: "2027-04-18T07:40". */
    public static function moment(float $time): string
    {
        $minutes = (int) round(($time - floor($time)) * self::MINUTES_A_DAY);

        return sprintf('%sT%02d:%02d', self::text((int) floor($time)), intdiv($minutes, 60) % 24, $minutes % 60);
    }
}
