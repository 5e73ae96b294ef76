<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use stdClass;

/**
 * Decisions as they are written: `[{"day": 12, "do": "top-up", "litres": 3, "ec_ms_cm": 0.6}]`, by day, none while one is away.
 *
 * Source: handbook, log (Dry run).
 */
final readonly class DecisionReader
{
    public const MOST = 2000;

    private const MOST_DAY = 729;

    private const MOST_WORDS = 120;

    /** @param  float  $brim  litres that the tub holds at most */
    public function __construct(private float $brim)
    {
    }

    /**
     * @param  mixed  $given  of a file, decoded
     * @return list<Decision>|list<string> the decisions; or what is wrong with them, each with its place
     */
    public function read(mixed $given): array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            return ['decisions: a list is wanted, as in [{"day": 12, "do": "top-up", "litres": 3}]'];
        }
        if (count($given) > self::MOST) {
            return [sprintf('decisions: there are %d; the most is %d', count($given), self::MOST)];
        }
        $decisions = $faults = [];
        [$last, $back] = [0, 0];
        foreach ($given as $n => $raw) {
            $one = $this->one($raw, $last, $back);
            if (is_string($one)) {
                $faults[] = "decisions/$n: $one";

                continue;
            }
            $decisions[] = $one;
            $last = $one->day;
            $back = $one->act === Act::Away ? $one->day + $one->days + 1 : $back;
        }

        return $faults === [] ? $decisions : $faults;
    }

    /**
     * @param  int  $last  the day of the one before
     * @param  int  $back  the day on which one that is away is back
     */
    private function one(mixed $raw, int $last, int $back): Decision|string
    {
        if (! $raw instanceof stdClass) {
            return 'an object is wanted, as in {"day": 12, "do": "change"}';
        }
        $day = $raw->day ?? null;
        $act = is_string($raw->do ?? null) ? Act::tryFrom($raw->do) : null;
        if (! is_int($day) || $day < 0 || $day > self::MOST_DAY) {
            return sprintf('day is %s; it is a whole number from 0 to %d', self::text($day), self::MOST_DAY);
        }
        if ($act === null) {
            return sprintf('do is %s; it may be %s', self::text($raw->do ?? null), implode(', ', array_column(Act::cases(), 'value')));
        }
        if ($day < $last) {
            return "day is $day, after one of day $last; decisions come in their order";
        }
        if ($day < $back) {
            return "day is $day, and one is away until day $back";
        }
        $figures = [];
        foreach ($act->figures() as $key => [$least, $most]) {
            $name = rtrim($key, '?');
            $value = $raw->{$name} ?? null;
            if ($value === null && $name !== $key) {
                continue;
            }
            $isOne = is_int($value) || ($name !== 'days' && is_float($value));
            if (! $isOne || $value < $least || $value > $most) {
                return sprintf('%s is %s; it is a number from %s to %s', $name, self::text($value), $least, $most);
            }
            $figures[$name] = (float) $value;
        }
        if (($figures['litres'] ?? 0.0) > $this->brim) {
            return sprintf('litres is %s; the tub holds %s at most', $figures['litres'] ?? 0.0, round($this->brim, 2));
        }
        $unknown = array_diff(
            array_keys(get_object_vars($raw)),
            ['day', 'do', 'at', ...array_map(static fn (string $key): string => rtrim($key, '?'), array_keys($act->figures()))],
        );
        if ($unknown !== []) {
            return implode(', ', $unknown)." is not known of {$act->value}";
        }
        $at = $raw->at ?? '';

        if (! is_string($at) || mb_strlen($at) > self::MOST_WORDS) {
            return 'at is not what is looked at, in up to '.self::MOST_WORDS.' letters';
        }

        return new Decision(
            $day,
            $act,
            $figures['litres'] ?? null,
            $figures['ec_ms_cm'] ?? null,
            $figures['ph'] ?? null,
            (int) ($figures['days'] ?? 0),
            $at,
        );
    }

    private static function text(mixed $value): string
    {
        return mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 40);
    }
}
