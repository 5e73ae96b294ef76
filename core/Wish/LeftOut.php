<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use stdClass;

/** What a search has not looked into, or has put away again, and why: each reason with how many it was. */
final class LeftOut
{
    /** @var array<string, int> */
    private array $counts = [];

    public function because(string $says, int $count = 1): void
    {
        $this->counts[$says] = ($this->counts[$says] ?? 0) + $count;
    }

    /** @return list<stdClass> the most frequent reason first */
    public function toAnswer(): array
    {
        $says = array_keys($this->counts);
        usort($says, fn (string $a, string $b): int => [-$this->counts[$a], $a] <=> [-$this->counts[$b], $b]);

        return array_map(fn (string $s): stdClass => (object) ['says' => $s, 'count' => $this->counts[$s]], $says);
    }
}
