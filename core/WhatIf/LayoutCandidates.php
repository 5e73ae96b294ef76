<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\PanelsPattern;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/** The patterns a lid could have instead: each with the cups that are laid out now, or with as many of them as it takes. */
final readonly class LayoutCandidates
{
    public function __construct(private GardenReader $reader, private Planner $planner)
    {
    }

    /** @return list<stdClass> */
    public function of(Garden $garden, Tub $tub): array
    {
        $plan = $this->planner->plan($this->reader->fromDocument(SingleTub::alone($garden, $tub)))->get(TubPlans::class)->tubs[$tub->id];
        $solver = $this->planner->aids->solver($plan->cutting->space);
        $candidates = [];
        if ($plan->cutting->inMouth || ! $plan->cutting->seat->holds()) {
            return [];
        }
        $wanted = max(1, $plan->holes->count());
        foreach ([...PatternKind::regular(), PatternKind::Panels, PatternKind::Spread] as $kind) {
            if ($kind === PatternKind::Single) {
                continue;
            }
            $arrangement = self::arrangement(
                $plan,
                $solver,
                $kind,
                $kind === PatternKind::Panels ? count(PanelsPattern::middles($plan->cutting->space)) : $wanted,
            );
            if ($arrangement !== null && $arrangement->pattern === $kind) {
                $candidates[] = (object) [
                    'pattern' => $kind->value,
                    'count' => $arrangement->count(),
                    'spacing_mm' => $arrangement->holeDistance,
                    'holes' => Report::points($arrangement->points),
                ];
            }
        }

        return $candidates;
    }

    private static function arrangement(TubPlan $plan, LayoutSolver $solver, PatternKind $kind, int $wanted): ?Arrangement
    {
        $leastDistance = $plan->cutting->space->leastDistance();

        return $solver->arrange($kind, $wanted, $leastDistance)
            ?? ($kind === PatternKind::Spread ? null : $solver->arrange(
                $kind,
                $solver->most($kind, $leastDistance, $wanted),
                $leastDistance,
            ));
    }
}
