<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/**
 * In what two garden documents differ, field by field and in words. The order of members counts for nothing, `null` is as good as not
 * there,
 * and things with an id (tubs, air systems) are the same thing wherever they stand in their list.
 */
final class Differences
{
    /** No more than so many are told. */
    public const MOST = 60;

    private const LONGEST = 60;

    /** What the name of a measure ends in, the longer endings first, and how its unit is written; none where a word says it. */
    private const UNITS = [
        'kpa_per_l_min' => 'kPa per L/min', 'per_l' => 'a litre', 'mg_l' => 'mg/L', 'mg_h' => 'mg/h', 'l_min' => 'L/min', 'l_h' => 'L/h',
        'ms_cm' => 'mS/cm', 'kpa' => 'kPa', 'pct' => '%', 'min' => 'min', 'mm' => 'mm', 'kg' => 'kg', 'l' => 'L', 'c' => '°C', 'g' => 'g',
        'w' => 'W', 'm' => 'm',
    ];

    /** @var list<Difference> */
    private array $found = [];

    private readonly QuantityWriter $writer;

    /** @param  array<array-key, string>  $names  what things are called whose keys stand in a garden */
    private function __construct(UnitSystem $units, private readonly array $names)
    {
        $this->writer = new QuantityWriter($units);
    }

    /**
     * @param  array<array-key, string>  $names  what vessels, cups, crops and the like are called, by their keys
     * @return list<Difference>
     */
    public static function between(stdClass $before, stdClass $after, array $names = []): array
    {
        $units = UnitSystem::tryFrom(is_string($after->units ?? null) ? $after->units : '') ?? UnitSystem::Metric;
        $differences = new self($units, $names);
        $differences->members('', '', '', $before, $after);

        return $differences->found;
    }

    /** Whether two values say the same, whatever the order of their members and whether 1.0 is written 1. */
    public static function same(mixed $one, mixed $other): bool
    {
        if ($one instanceof stdClass && $other instanceof stdClass) {
            foreach (array_keys(get_object_vars($one) + get_object_vars($other)) as $key) {
                if (! self::same($one->{$key} ?? null, $other->{$key} ?? null)) {
                    return false;
                }
            }

            return true;
        }
        if (is_array($one) && is_array($other)) {
            return count($one) === count($other) && array_filter(
                array_map(self::same(...), $one, $other),
                static fn (bool $same): bool => ! $same,
            ) === [];
        }

        return is_numeric($one) && is_numeric($other) && ! is_string($one) && ! is_string($other)
            ? (float) $one === (float) $other
            : $one === $other;
    }

    private function members(string $pointer, string $where, string $what, stdClass $before, stdClass $after): void
    {
        foreach (array_keys(get_object_vars($after) + get_object_vars($before)) as $key) {
            $key = (string) $key;
            [$old, $new] = [$before->{$key} ?? null, $after->{$key} ?? null];
            if (self::same($old, $new)) {
                continue;
            }
            $at = $pointer.'/'.str_replace(['~', '/'], ['~0', '~1'], $key);
            if ($pointer === '' && Merge::isById([$old, $new])) {
                $this->entries($at, self::kind($key), $old ?? [], $new ?? []);
            } elseif ($old instanceof stdClass && $new instanceof stdClass) {
                $this->members($at, $where, self::joined($what, $key), $old, $new);
            } else {
                $this->add(new Difference($at, $where, self::joined($what, $key), $this->shown($key, $old), $this->shown($key, $new)));
            }
        }
    }

    /**
     * @param  array<mixed>  $before
     * @param  array<mixed>  $after
     */
    private function entries(string $pointer, string $kind, array $before, array $after): void
    {
        [$old, $new] = [self::byId($before), self::byId($after)];
        $place = array_flip(array_keys($new));
        foreach ($new + $old as $id => $entry) {
            $at = "$pointer/".($place[$id] ?? array_search($id, array_keys($old), true));
            $where = self::name($kind, $entry, (string) $id);
            if (isset($old[$id], $new[$id])) {
                $this->members($at, $where, '', $old[$id], $new[$id]);
            } else {
                $this->add(new Difference($at, $where, '', isset($old[$id]) ? $where : null, isset($new[$id]) ? $where : null));
            }
        }
        $both = array_keys(array_intersect_key($new, $old));
        if ($both !== array_keys(array_intersect_key($old, $new))) {
            $this->add(new Difference($pointer, '', 'the order of what stands on the bench', 'another', 'this'));
        }
    }

    /**
     * @param  array<mixed>  $entries
     * @return array<array-key, stdClass> by id, or by place where there is none
     */
    private static function byId(array $entries): array
    {
        $by = [];
        foreach ($entries as $i => $entry) {
            if ($entry instanceof stdClass) {
                $by[is_string($entry->id ?? null) ? $entry->id : $i] = $entry;
            }
        }

        return $by;
    }

    /** What an entry without a name is called: one of the "plantings" is a "Planting". */
    private static function kind(string $list): string
    {
        return ucfirst(preg_replace('/s$/', '', $list) ?? $list);
    }

    private static function name(string $kind, stdClass $entry, string $id): string
    {
        return is_string($entry->name ?? null) && $entry->name !== '' ? $entry->name : "$kind $id";
    }

    private static function joined(string $what, string $key): string
    {
        $ending = self::ending($key);
        $words = str_replace('_', ' ', $ending === null ? $key : substr($key, 0, -strlen($ending) - 1));

        return trim("$what $words");
    }

    /** The ending of a member's name that says its unit. */
    private static function ending(string $key): ?string
    {
        foreach (array_keys(self::UNITS) as $ending) {
            if (str_ends_with($key, "_$ending")) {
                return $ending;
            }
        }

        return null;
    }

    /** A number with its unit; of lengths, volumes, masses and temperatures in the grower's own. */
    private function measured(?string $ending, float $number): string
    {
        return match ($ending) {
            'mm' => $this->writer->length($number),
            'l' => $this->writer->volume($number),
            'c' => $this->writer->temperature($number),
            'kg' => $this->writer->mass($number),
            null => QuantityWriter::plain($number, 3),
            default => QuantityWriter::plain($number, 3)."\u{202F}".self::UNITS[$ending],
        };
    }

    private function shown(string $key, mixed $value): ?string
    {
        return match (true) {
            $value === null => null,
            is_int($value), is_float($value) => $this->measured(self::ending($key), (float) $value),
            is_bool($value) => $value ? 'yes' : 'no',
            is_string($value) && isset($this->names[$value]) => $this->names[$value],
            is_string($value) => mb_strlen($value) > self::LONGEST ? mb_substr($value, 0, self::LONGEST - 1).'…' : $value,
            is_array($value) => self::counted($value),
            $value instanceof stdClass && is_string($value->name ?? $value->key ?? null) => $value->name ?? $value->key,
            default => 'set',
        };
    }

    /** @param  array<mixed>  $list */
    private static function counted(array $list): string
    {
        $plain = array_filter($list, is_scalar(...));
        $text = implode(', ', array_map(static fn (mixed $v): string => is_float($v) ? QuantityWriter::plain($v, 2) : (string) $v, $plain));

        return match (true) {
            $list === [] => 'none',
            count($plain) === count($list) && mb_strlen($text) <= self::LONGEST => $text,
            count($list) === 1 => 'a list of one',
            default => 'a list of '.count($list),
        };
    }

    private function add(Difference $difference): void
    {
        if (count($this->found) < self::MOST) {
            $this->found[] = $difference;
        }
    }
}
