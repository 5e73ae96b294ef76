<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Step;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;

/**
 * What is done at the bench to build a tub, step by step, with this design's numbers, and on which days. Tubs alike are built together.
 * Source: handbook, build, "The build sheet".
 */
final readonly class BuildSheet
{
    /** Groups of steps in the order of the bench. */
    private const GROUPS = [
        YoungPlantSteps::class,
        VesselSteps::class,
        CuttingSteps::class,
        CoverSteps::class,
        AirSteps::class,
        WaterSteps::class,
        FeedSteps::class,
        PlantingSteps::class,
    ];

    /** @param  list<Step>  $steps  in the order of the bench */
    private function __construct(public array $steps, public Raising $raising, public PlanOfDays $days, public Templates $templates)
    {
    }

    public static function of(Plan $plan, Tub $tub): self
    {
        $bench = new Bench($plan, $tub);
        foreach (self::GROUPS as $group) {
            (new $group($bench))->add();
        }

        return new self($bench->steps, $bench->raising, new PlanOfDays($bench), $bench->marks);
    }

    /** Work on all of it, in minutes; what is waited for is not work. */
    public function minutes(): int
    {
        return array_sum(array_map(static fn (Step $s): int => $s->minutes, $this->steps));
    }
}
