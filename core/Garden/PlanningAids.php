<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\WatchedMemory;
use KelpTub\Core\Season\KnownSeasons;
use KelpTub\Core\Season\MadeWeather;
use KelpTub\Core\Season\WeatherSource;

/** What a mark may ask besides the garden: the Library, what is known of lids already, and what of tubs. */
final readonly class PlanningAids
{
    public WatchedMemory $memory;

    public function __construct(
        public Library $library,
        LayoutMemory $memory,
        public WeatherSource $forecasts = new MadeWeather,
        public KnownTubs $known = new KnownTubs,
        public KnownSeasons $seasons = new KnownSeasons,
    ) {
        $this->memory = new WatchedMemory($memory);
    }

    /** Asks how many cups a lid would take, and where. */
    public function solver(LayoutSpace $space): LayoutSolver
    {
        return new LayoutSolver($space, $this->memory);
    }
}
