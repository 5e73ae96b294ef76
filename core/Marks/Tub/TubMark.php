<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\MarkReport;
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
        $known = $before->before(TubPlans::class)->tubs ?? [];
        $plans = [];
        foreach ($before->garden->tubs as $tub) {
            $same = $known[$tub->id] ?? null;
            $plans[$tub->id] = $same?->tub === $tub
                ? $same
                : ($planner ??= new TubPlanner($before->garden, $aids->memory))->plan($tub);
        }

        return new TubPlans($plans);
    }

    public function needs(Plan $plan, Library $library): array
    {
        return array_map(static fn (TubPlan $tub): array => TubParts::of($tub, $plan->garden, $library), $plan->get(TubPlans::class)->tubs);
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

    public function report(Plan $plan, bool $whole): MarkReport
    {
        $plans = $plan->get(TubPlans::class);

        return new MarkReport(
            [
                'site' => $plan->garden->site->toReport(),
                'totals' => ['tubs' => $plans->count(), 'plants' => $plans->plants(), 'mass_kg' => $plans->mass()],
            ],
            array_map(static fn (TubPlan $tub): array => TubReport::of($tub, $plan->garden), $plans->tubs),
        );
    }
}
