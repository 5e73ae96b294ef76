<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * A meter may read every few minutes for a year: of what it read the first of each day is enough for what is long past, the first of each
 * hour for the last weeks, and the last days count whole, since the meter itself is judged by them. What was read by hand, and what was
 * done, always counts. One is taken and not a mean: between two readings water may have been poured in. Source: handbook, log (meter).
 */
final class MeterThinning
{
    /** So many days before the last entry, the first of each hour counts; before them the first of each day. */
    public const HOURLY_DAYS = 30;

    private const WHOLE_DAYS = 2;

    private const TO_THE_DAY = 10;

    private const TO_THE_HOUR = 13;

    /**
     * @param  list<stdClass>  $raws  as they are kept
     * @return list<stdClass> in the same order
     */
    public static function of(array $raws): array
    {
        $meter = array_filter($raws, self::isMeter(...));
        $lasts = $firsts = [];
        foreach ($meter as $raw) {
            $lasts[self::place($raw)] = max($lasts[self::place($raw)] ?? '', $raw->at);
        }
        $from = array_map(static function (string $last): array {
            $day = Dates::number(substr($last, 0, self::TO_THE_DAY));

            return [Dates::text($day - self::HOURLY_DAYS), Dates::text($day - self::WHOLE_DAYS)];
        }, $lasts);
        foreach ($meter as $raw) {
            $of = self::stretch($raw, $from[self::place($raw)]);
            $firsts[$of] = isset($firsts[$of]) ? min($firsts[$of], $raw->at) : $raw->at;
        }

        return array_values(array_filter(
            $raws,
            static fn (stdClass $raw): bool => ! self::isMeter($raw)
                || $firsts[self::stretch($raw, $from[self::place($raw)])] === $raw->at,
        ));
    }

    private static function place(stdClass $raw): string
    {
        return ($raw->tub ?? '').' '.($raw->copy ?? 1);
    }

    /**
     * The day, the hour or the minute of which one reading counts.
     *
     * @param  array{string, string}  $from  from when on hours count, and minutes
     */
    private static function stretch(stdClass $raw, array $from): string
    {
        return self::place($raw).' '.match (true) {
            $raw->at < $from[0] => substr($raw->at, 0, self::TO_THE_DAY),
            $raw->at < $from[1] => substr($raw->at, 0, self::TO_THE_HOUR),
            default => $raw->at,
        };
    }

    private static function isMeter(stdClass $raw): bool
    {
        return ($raw->from ?? 'hand') === 'meter';
    }
}
