<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;

/**
 * Two changes of one garden document brought together: each member of the garden, and each entry of a list whose entries have ids, is
 * taken from the side that changed it. What both changed, and not alike, is the grower's to choose; until then there is one document for
 * each choice.
 */
final readonly class Merge
{
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

    /**
     * Whether the entries of a list are told apart by ids of their own: then they are brought together, and set side by side, one by one.
     *
     * @param  list<mixed>  $sides  the list as it is here and there; null where it is not
     */
    public static function isById(array $sides): bool
    {
        $entries = false;
        foreach ($sides as $side) {
            $by = $side === null ? [] : self::byId($side);
            if ($by === null) {
                return false;
            }
            $entries = $entries || $by !== [];
        }

        return $entries;
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
            $value = self::isById($sides) ? self::entries($sides, $prefersMine) : self::chosen($sides, $prefersMine);
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
     * @return list<mixed>
     */
    private static function entries(array $sides, bool $prefersMine): array
    {
        [$base, $mine, $theirs] = array_map(static fn (mixed $side): array => self::byId($side ?? []) ?? [], $sides);
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

    /** @return array<string, mixed>|null by id; null where it is no list, an entry has none, or two have the same: then it is one thing */
    private static function byId(mixed $entries): ?array
    {
        $by = [];
        foreach (is_array($entries) ? $entries : [null] as $entry) {
            $id = $entry instanceof stdClass && is_string($entry->id ?? null) ? "#$entry->id" : null;
            if ($id === null || isset($by[$id])) {
                return null;
            }
            $by[$id] = $entry;
        }

        return $by;
    }
}
