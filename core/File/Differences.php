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
    /** So many are told apart; what is beyond is the last one's to say. */
    public const MOST = 60;

    private const LONGEST = 60;

    /** Lists whose entries have an id, and what an entry without a name is called. */
    private const NAMED = ['tubs' => 'Tub', 'air' => 'Air', 'plantings' => 'Planting'];

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
            if ($pointer === '' && isset(self::NAMED[$key])) {
                $this->entries($at, self::NAMED[$key], is_array($old) ? $old : [], is_array($new) ? $new : []);
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

    private static function name(string $kind, stdClass $entry, string $id): string
    {
        return is_string($entry->name ?? null) && $entry->name !== '' ? $entry->name : "$kind $id";
    }

    private static function joined(string $what, string $key): string
    {
        $words = str_replace('_', ' ', preg_replace('/_(mm|l|l_day|c|kg|g|pct|w|m|h|ms_cm)$/', '', $key) ?? $key);

        return trim("$what $words");
    }

    private function shown(string $key, mixed $value): ?string
    {
        $number = (is_int($value) || is_float($value)) ? (float) $value : null;
        $unit = preg_match('/_(mm|l|c|kg)$/', $key, $m) === 1 ? $m[1] : null;

        return match (true) {
            $value === null => null,
            $number !== null && $unit === 'mm' => $this->writer->length($number),
            $number !== null && $unit === 'l' => $this->writer->volume($number),
            $number !== null && $unit === 'c' => $this->writer->temperature($number),
            $number !== null && $unit === 'kg' => $this->writer->mass($number),
            $number !== null => QuantityWriter::plain($number, 3),
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
