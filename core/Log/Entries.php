<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/**
 * Entries as they count: one that was put right or taken back stays where it is kept, and the later one counts. An entry that puts right
 * one which has not come yet waits for it. In the order of their moments; of two at one minute the one written first comes first.
 */
final readonly class Entries
{
    /** @param  list<Entry>  $all  those that count, in order */
    private function __construct(public array $all)
    {
    }

    /** @param  list<Entry>  $written  all that there are, in any order */
    public static function of(array $written): self
    {
        $changes = array_filter($written, static fn (Entry $e): bool => $e->replaces !== null || $e->strikes !== null);
        if ($changes === []) {
            return new self(self::inOrder($written));
        }
        $known = array_fill_keys(array_map(static fn (Entry $e): string => $e->id, $written), true);
        usort($changes, static fn (Entry $a, Entry $b): int => $a->id <=> $b->id);
        $gone = [];
        $counts = [];
        foreach ($changes as $entry) {
            foreach (array_filter([$entry->replaces, $entry->strikes]) as $other) {
                $gone[$other] = true;
            }
            // Of several that put the same one right the last written counts.
            if ($entry->replaces !== null) {
                $last = array_search($entry->replaces, $counts, true);
                $gone = is_string($last) ? [$last => true] + $gone : $gone;
                $counts[$entry->id] = $entry->replaces;
            }
        }
        $all = array_filter($written, static fn (Entry $e): bool => ! isset($gone[$e->id]) && $e->strikes === null
            && ($e->replaces === null || isset($known[$e->replaces])));

        return new self(self::inOrder($all));
    }

    /**
     * @param  array<int, Entry>  $entries
     * @return list<Entry>
     */
    private static function inOrder(array $entries): array
    {
        usort($entries, static fn (Entry $a, Entry $b): int => ($a->day <=> $b->day) ?: (($a->minute <=> $b->minute) ?: $a->id <=> $b->id));

        return $entries;
    }

    /** Those of one copy of a tub, up to a moment. */
    public function ofCopy(string $tub, int $copy, ?float $until = null): self
    {
        return new self(array_values(array_filter(
            $this->all,
            static fn (Entry $e): bool => $e->tub === $tub && $e->copy === $copy && ($until === null || $e->time() <= $until),
        )));
    }

    public function isEmpty(): bool
    {
        return $this->all === [];
    }

    public function last(): ?Entry
    {
        return $this->all[count($this->all) - 1] ?? null;
    }
}
