<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Tub\TubPlan;

/** All that follows from a garden, before it is written out as a report. */
final readonly class GardenPlan
{
    /**
     * @param  array<string, TubPlan>  $tubs  by id, in the garden's order
     * @param  list<AirPlan>  $air
     * @param  array<string, TubAir>  $oxygen  by tub id
     * @param  list<Purchase>  $purchases
     */
    public function __construct(
        public Garden $garden,
        public array $tubs,
        public array $air,
        public array $oxygen,
        public array $purchases,
        public Budget $budget,
    ) {
    }

    /** Whether a pump's line goes into the tub. */
    public function isFed(string $tub): bool
    {
        foreach ($this->air as $air) {
            foreach ($air->tubs as $plan) {
                if ($plan->tub->id === $tub) {
                    return true;
                }
            }
        }

        return false;
    }
}
