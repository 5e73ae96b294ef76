<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;

/**
 * Two changes of one garden document brought together: each member of the garden, each tub and each air system is taken from the side that
 * changed it. What both changed, and not alike, is the grower's to choose; until then there is one document for each choice.
 */
final readonly class Merge
{
    /** Lists whose entries are merged one by one, by their id. */
    private const BY_ID = ['tubs', 'air', 'plantings'];

    /**
     * @param  stdClass  $withMine  all changes, and mine where both sides changed the same thing
     * @param  stdClass  $withTheirs  all changes, and theirs there
     */
    private function __construct(public stdClass $withMine, public stdClass $withTheirs)
    {
    }

    public static function of(stdClass $base, stdClass $mine, stdClass $theirs): self
    {
        return new self(self::members($base, $mine, $theirs, true), self::members($base, $mine, $theirs, false));
    }

    /** Whether nothing is left to choose. */
    public function isClean(): bool
    {
        return Differences::same($this->withMine, $this->withTheirs);
    }

    private static function members(stdClass $base, stdClass $mine, stdClass $theirs, bool $prefersMine): stdClass
    {
        $merged = new stdClass;
        foreach (array_keys(get_object_vars($theirs) + get_object_vars($mine)) as $key) {
            $key = (string) $key;
            $sides = [$base->{$key} ?? null, $mine->{$key} ?? null, $theirs->{$key} ?? null];
            $value = (in_array($key, self::BY_ID, true) ? self::entries($sides, $prefersMine) : null) ?? self::chosen($sides, $prefersMine);
            if ($value !== null) {
                $merged->{$key} = $value;
            }
        }

        return $merged;
    }

    /** @param  array{mixed, mixed, mixed}  $sides  how it was, and how it is here and there; null where it is not */
    private static function chosen(array $sides, bool $prefersMine): mixed
    {
        [$was, $here, $there] = $sides;

        return match (true) {
            Differences::same($here, $there), Differences::same($here, $was) => $there,
            Differences::same($there, $was) => $here,
            default => $prefersMine ? $here : $there,
        };
    }

    /**
     * @param  array{mixed, mixed, mixed}  $sides
     * @return list<mixed>|null null where an entry has no id, or two have the same: then the list is one thing
     */
    private static function entries(array $sides, bool $prefersMine): ?array
    {
        [$base, $mine, $theirs] = array_map(self::byId(...), $sides);
        if ($base === null || $mine === null || $theirs === null) {
            return null;
        }
        $taken = [];
        foreach ($base + $mine + $theirs as $id => $entry) {
            $one = self::chosen([$base[$id] ?? null, $mine[$id] ?? null, $theirs[$id] ?? null], $prefersMine);
            if ($one !== null) {
                $taken[$id] = $one;
            }
        }
        // In the order of the side that moved things about; what the other added stands behind.
        $moved = array_keys(array_intersect_key($theirs, $base)) !== array_keys(array_intersect_key($base, $theirs));
        $order = $moved ? $theirs + $mine : $mine + $theirs;

        return array_values(array_replace(array_intersect_key($order, $taken), $taken));
    }

    /** @return array<string, mixed>|null by id; null where one has none, or two the same */
    private static function byId(mixed $entries): ?array
    {
        $by = [];
        foreach (is_array($entries) ? $entries : [] as $entry) {
            $id = $entry instanceof stdClass && is_string($entry->id ?? null) ? "#$entry->id" : null;
            if ($id === null || isset($by[$id])) {
                return null;
            }
            $by[$id] = $entry;
        }

        return $by;
    }
}
