<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;

/**
 * Two changes of one garden document brought together, where they do not touch: each member of the garden, each tub and each air system is
 * taken from the side that changed it. What both changed, and not alike, is the grower's to choose.
 */
final class Merge
{
    /** Lists whose entries are merged one by one, by their id. */
    private const BY_ID = ['tubs', 'air', 'plantings'];

    /** @return stdClass|null null where both changed the same thing */
    public static function of(stdClass $base, stdClass $mine, stdClass $theirs): ?stdClass
    {
        $merged = new stdClass;
        foreach (array_keys(get_object_vars($theirs) + get_object_vars($mine)) as $key) {
            $key = (string) $key;
            [$was, $here, $there] = [$base->{$key} ?? null, $mine->{$key} ?? null, $theirs->{$key} ?? null];
            $value = in_array($key, self::BY_ID, true)
                ? self::entries(is_array($was) ? $was : [], is_array($here) ? $here : [], is_array($there) ? $there : [])
                : self::chosen($was, $here, $there);
            if ($value === false) {
                return null;
            }
            if ($value !== []) {
                $merged->{$key} = $value[0];
            }
        }

        return $merged;
    }

    /**
     * @return array{0?: mixed}|false what is taken, nothing where it goes, false where both changed it
     */
    private static function chosen(mixed $was, mixed $here, mixed $there): array|false
    {
        $taken = match (true) {
            Differences::same($here, $there), Differences::same($here, $was) => [$there],
            Differences::same($there, $was) => [$here],
            default => false,
        };

        return $taken === [null] ? [] : $taken;
    }

    /**
     * @param  array<mixed>  $was
     * @param  array<mixed>  $here
     * @param  array<mixed>  $there
     * @return array{list<mixed>}|false
     */
    private static function entries(array $was, array $here, array $there): array|false
    {
        [$base, $mine, $theirs] = [self::byId($was), self::byId($here), self::byId($there)];
        if ($base === null || $mine === null || $theirs === null) {
            $taken = self::chosen($was, $here, $there);

            return $taken === false ? false : [array_values((array) ($taken[0] ?? []))];
        }
        $taken = [];
        foreach ($base + $mine + $theirs as $id => $entry) {
            $one = self::chosen($base[$id] ?? null, $mine[$id] ?? null, $theirs[$id] ?? null);
            if ($one === false) {
                return false;
            }
            if ($one !== []) {
                $taken[$id] = $one[0];
            }
        }
        // In the order of the side that moved things about; what the other added stands behind.
        $moved = array_keys(array_intersect_key($theirs, $base)) !== array_keys(array_intersect_key($base, $theirs));
        $order = $moved ? $theirs + $mine : $mine + $theirs;

        return [array_values(array_intersect_key(array_replace(array_intersect_key($order, $taken), $taken), $taken))];
    }

    /**
     * @param  array<mixed>  $entries
     * @return array<string, mixed>|null by id; null where one has none, or two the same
     */
    private static function byId(array $entries): ?array
    {
        $by = [];
        foreach ($entries as $entry) {
            $id = $entry instanceof stdClass && is_string($entry->id ?? null) ? "#$entry->id" : null;
            if ($id === null || isset($by[$id])) {
                return null;
            }
            $by[$id] = $entry;
        }

        return $by;
    }
}
