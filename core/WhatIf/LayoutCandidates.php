<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Garden\Report;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\PanelsPattern;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Marks\Tub\TubPlan;
use stdClass;

/** The patterns a lid could have instead: each with the cups that are laid out now, or with as many of them as it takes. */
final class LayoutCandidates
{
    /** @return list<stdClass> */
    public static function of(TubPlan $plan): array
    {
        $candidates = [];
        if ($plan->inMouth || ! $plan->seat->holds()) {
            return [];
        }
        $wanted = max(1, $plan->cups());
        foreach ([...PatternKind::regular(), PatternKind::Panels, PatternKind::Spread] as $kind) {
            if ($kind === PatternKind::Single) {
                continue;
            }
            $arrangement = self::arrangement($plan, $kind, $kind === PatternKind::Panels ? count(PanelsPattern::middles($plan->space)) : $wanted);
            if ($arrangement !== null && $arrangement->pattern === $kind) {
                $candidates[] = (object) [
                    'pattern' => $kind->value,
                    'count' => $arrangement->count(),
                    'spacing_mm' => $arrangement->spacing,
                    'holes' => Report::points($arrangement->points),
                ];
            }
        }

        return $candidates;
    }

    private static function arrangement(TubPlan $plan, PatternKind $kind, int $wanted): ?Arrangement
    {
        $pitch = $plan->space->leastPitch();

        return $plan->solver->arrange($kind, $wanted, $pitch)
            ?? ($kind === PatternKind::Spread ? null : $plan->solver->arrange($kind, $plan->solver->most($kind, $pitch, $wanted), $pitch));
    }
}
