<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Season\Forecasts;
use KelpTub\Core\Season\MadeForecasts;

/** What a mark may ask besides the garden: the Library, and what is known of lids already. */
final readonly class PlanningAids
{
    public function __construct(
        public Library $library,
        public LayoutMemory $memory,
        public Forecasts $forecasts = new MadeForecasts,
    ) {
    }

    /** Asks how many cups a lid would take, and where. */
    public function solver(LayoutSpace $space): LayoutSolver
    {
        return new LayoutSolver($space, $this->memory);
    }
}
