<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Knows nothing at first, and works out each spread that is asked for, once. */
final class FreshMemory implements LayoutMemory
{
    /** @var array<string, list<Point>> */
    private array $spreads = [];

    /** @var array<string, int> */
    private array $answers = [];

    public function spread(LayoutSpace $space, int $count): array
    {
        return $this->spreads["$count $space->fingerprint"] ??= (new SpreadSolver($space))->spread($count) ?? [];
    }

    public function answer(LayoutSpace $space, string $question): ?int
    {
        return $this->answers["$question $space->fingerprint"] ?? null;
    }

    public function keep(LayoutSpace $space, string $question, int $answer): void
    {
        $this->answers["$question $space->fingerprint"] = $answer;
    }
}
