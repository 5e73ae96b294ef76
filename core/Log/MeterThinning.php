<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * A meter may read every few minutes for a year: of what it read the first of each day is enough for what is past, and the last weeks count
 * whole, since the meter itself is judged by them. What was read by hand, and what was done, always counts.
 */
final class MeterThinning
{
    private const WHOLE_DAYS = 30;

    private const DATE_LENGTH = 10;

    /**
     * @param  list<stdClass>  $raws  as they are kept
     * @return list<stdClass> in the same order
     */
    public static function of(array $raws): array
    {
        $last = '';
        foreach ($raws as $raw) {
            $last = max($last, $raw->at);
        }
        $from = $last === '' ? '' : Dates::text(Dates::number(substr($last, 0, self::DATE_LENGTH)) - self::WHOLE_DAYS);
        $firsts = [];
        foreach ($raws as $raw) {
            if (($raw->from ?? 'hand') === 'meter' && $raw->at < $from) {
                $day = self::day($raw);
                $firsts[$day] = isset($firsts[$day]) ? min($firsts[$day], $raw->at) : $raw->at;
            }
        }

        return $firsts === [] ? $raws : array_values(array_filter(
            $raws,
            static fn (stdClass $raw): bool => ($raw->from ?? 'hand') !== 'meter' || $raw->at >= $from
                || $firsts[self::day($raw)] === $raw->at,
        ));
    }

    private static function day(stdClass $raw): string
    {
        return ($raw->tub ?? '').' '.($raw->copy ?? 1).' '.substr($raw->at, 0, self::DATE_LENGTH);
    }
}
