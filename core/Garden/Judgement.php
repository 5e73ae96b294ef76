<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** A plan and what the marks have to say of it, by the place where each says it. */
final readonly class Judgement
{
    /** @param  array<string, list<Finding>>  $said  by tub and mark; tubs in their order, the garden as a whole last */
    public function __construct(public Plan $plan, public array $said)
    {
    }

    /** @return list<Finding> worst first; among those alike the tubs' in their order, then the garden's, mark by mark */
    public function findings(): array
    {
        $findings = array_merge(...array_values($this->said));
        usort($findings, static fn (Finding $a, Finding $b): int => $a->severity->rank() <=> $b->severity->rank());

        return $findings;
    }
}
