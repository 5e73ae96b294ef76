<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\RuleContext;

/** The vessel, its water and its weight. Plans lid and crop along: cups hang in the water, and what grows decides how many. */
final class TubMark extends Mark
{
    public function key(): string
    {
        return 'tub';
    }

    public function plan(Plan $before, PlanningAids $aids): TubPlans
    {
        $planner = null;
        $same = $before->before(TubPlans::class)->tubs ?? [];
        $plans = [];
        foreach ($before->garden->tubs as $tub) {
            $known = ($same[$tub->id] ?? null)?->tub === $tub ? $same[$tub->id] : $aids->known->planOf($tub, $before->garden);
            if (! $known instanceof TubPlan) {
                $known = ($planner ??= new TubPlanner($before->garden, $aids->memory))->plan($tub);
                if (! $known->holes->pending) {
                    $aids->known->keepPlan($tub, $before->garden, $known);
                }
            }
            $plans[$tub->id] = $known;
        }

        return new TubPlans($plans);
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        return [$tub => TubParts::of($plan->get(TubPlans::class)->tubs[$tub], $plan->garden, $library)];
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        $plan = $context->plan->get(TubPlans::class)->tubs[$tub];

        return [...VesselRules::of($plan, $context), ...SystemRules::of($plan, $context)];
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [$plan->get(TubPlans::class)->tubs[$tub] ?? null, $plan->garden->of(AirSystems::class)];
    }

    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return TubReport::of($plan->get(TubPlans::class)->tubs[$tub], $plan->garden);
    }

    public function report(Plan $plan, bool $whole): array
    {
        $plans = $plan->get(TubPlans::class);

        return [
            'site' => $plan->garden->site->toReport(),
            'totals' => ['tubs' => $plans->count(), 'plants' => $plans->plants(), 'mass_kg' => $plans->mass()],
        ];
    }
}
