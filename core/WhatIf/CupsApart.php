<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Tub\TubPlans;

/** How many cups a lid takes at a distance that the grower names, centre to centre, in mm: "7 in apart". */
final readonly class CupsApart
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** By the tub's own pattern, or the best regular one; 1 where no two go so far apart, 0 where not even one fits. */
    public function of(Garden $garden, Tub $tub, float $apart): int
    {
        $plan = $this->planner->plan($this->reader->fromDocument(SingleTub::alone($garden, $tub)))->get(TubPlans::class)->tubs[$tub->id];
        $space = $plan->cutting->space;
        if ($plan->cutting->inMouth || ! $plan->cutting->seat->holds()) {
            return min(1, $plan->holes->count());
        }

        return $this->planner->aids->solver($space)->mostRegular(
            $tub->holes->layout->regular(),
            max($apart, $space->leastDistance()),
            $space->mostByArea(),
        );
    }
}
