<?php

declare(strict_types=1);

namespace Tests\Core;

use stdClass;

/** Changes of a document at random places. */
final class Changes
{
    /**
     * What stands at a random place changed by a rule; where the place is in an object it may be left out.
     *
     * @param  callable(mixed, string|int): mixed  $change  of what stands there and the name of the place
     * @param  int  $dropsOneIn  one in so many is left out instead; 0 for none
     */
    public static function one(stdClass $document, callable $change, int $dropsOneIn = 0): void
    {
        $ways = self::waysIn($document);
        if ($ways === []) {
            return;
        }
        $way = $ways[mt_rand(0, count($ways) - 1)];
        $last = array_pop($way);
        $at = &$document;
        foreach ($way as $step) {
            if (is_object($at)) {
                $at = &$at->{$step};
            } else {
                $at = &$at[$step];
            }
        }
        if (is_object($at)) {
            if ($dropsOneIn > 0 && mt_rand(1, $dropsOneIn) === 1) {
                unset($at->{$last});
            } else {
                $at->{$last} = $change($at->{$last}, $last);
            }
        } elseif (is_array($at)) {
            $at[$last] = $change($at[$last], $last);
        }
    }

    /** What stands at a place changed to something that may do, by the name of the place. */
    public static function gently(mixed $now, string|int $name): mixed
    {
        $pick = static fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
        $library = Gardens::library();
        $words = [
            'system' => ['passive', 'aerated', 'raft', 'cloner', 'nursery'], 'density' => ['tight', 'roomy'],
            'water_line' => ['touch', 'gap', 'high-start', 'drawn-down', 'third'],
            'pattern' => ['best', 'grid', 'staggered', 'ring', 'corners', 'panels', 'spread', 'single'],
            'cups' => ['max', 1, 3, 17, 200], 'top_ups' => ['none', 'level', 'quarter', 'half'], 'units' => ['us', 'metric'],
            'vessel' => $library->vessels->keys(), 'cup' => $library->cups->keys(), 'cups_2' => $library->cups->keys(),
            'crop' => $library->crops->keys(), 'kind' => ['disc-100', 'cylinder-25', 'tote', 'jar', 'bucket'],
            'pump' => $library->pumps->keys(), 'make' => ['ribbed', 'plain', 'thin'], 'load' => ['ground', 'roof'],
        ];

        return match (true) {
            isset($words[$name]) && ! is_object($now) => $pick($words[$name]),
            is_int($now) => $pick([$now * 2, intdiv($now, 2), $now + 1, max(0, $now - 1), $now * 5]),
            is_float($now) => $now * $pick([0.3, 0.9, 1.1, 2.0, 5.0]),
            is_bool($now) => ! $now,
            is_array($now) && $now !== [] => $pick([[...$now, ...$now], array_slice($now, 1), array_reverse($now)]),
            default => $now,
        };
    }

    /** What stands at a place changed to something that most likely does not do. */
    public static function strangely(mixed $now): mixed
    {
        $strange = [
            null, true, '', 'x', '~1/', 0, 1, -1, 0.01, 1.0e-9, 1.0e300, 3000, 3001, 200, 50, 5000, [], new stdClass, [[]], ['x_mm' => 0],
            str_repeat('é', 130), "\u{202E}", '20', 1.0, 0.0, [null], (object) ['key' => 'x'], is_array($now) ? [...$now, null] : $now,
            is_numeric($now) ? -$now : $now,
        ];

        return $strange[mt_rand(0, count($strange) - 1)];
    }

    /** @return list<list<string|int>> the way to every value of a document */
    private static function waysIn(mixed $value, array $way = []): array
    {
        $ways = $way === [] ? [] : [$way];
        foreach (is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []) as $step => $inner) {
            $ways = [...$ways, ...self::waysIn($inner, [...$way, $step])];
        }

        return $ways;
    }
}
