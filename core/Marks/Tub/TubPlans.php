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
}
