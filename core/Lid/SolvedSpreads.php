<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Works spreads out as they are asked for, each once. */
final class SolvedSpreads implements SpreadSource
{
    /** @var array<string, list<Point>> */
    private array $known = [];

    public function spread(LayoutSpace $space, int $count): array
    {
        return $this->known["$count {$space->fingerprint()}"] ??= (new SpreadSolver($space))->spread($count) ?? [];
    }
}
