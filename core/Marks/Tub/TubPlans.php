<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

/** What follows from each tub by itself. */
final readonly class TubPlans
{
    /** @param  array<string, TubPlan>  $tubs  by id, in the garden's order */
    public function __construct(public array $tubs)
    {
    }

    /**
     * A figure of each tub added up, those alike counted each.
     *
     * @param  callable(TubPlan): float  $figure
     */
    public function total(callable $figure): float
    {
        return (float) array_sum(array_map(static fn (TubPlan $tub): float => $tub->tub->count * $figure($tub), $this->tubs));
    }

    /** Whether a layout that takes longer to find may take the place of one of them. */
    public function isPending(): bool
    {
        return array_filter($this->tubs, static fn (TubPlan $plan): bool => $plan->holes->pending) !== [];
    }

    /** How many tubs there are. */
    public function count(): int
    {
        return (int) $this->total(static fn (): float => 1.0);
    }

    /** How many plants grow in all of them. */
    public function plants(): int
    {
        return (int) $this->total(static fn (TubPlan $tub): float => $tub->plants->count);
    }

    /** What all of them weigh when they are filled and grown, kg. */
    public function mass(): float
    {
        return $this->total(static fn (TubPlan $tub): float => $tub->fittings->weight->kg);
    }
}
