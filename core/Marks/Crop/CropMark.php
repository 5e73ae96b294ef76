<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\MarkReport;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;

/** What grows, how much room, water and time it wants, and how many plants the tub carries, as the tub's plan works it out. */
final class CropMark extends Mark
{
    public function key(): string
    {
        return 'crop';
    }

    public function needs(Plan $plan, Library $library): array
    {
        return array_map(static fn (TubPlan $tub): array => CropParts::of($tub, $library), $plan->get(TubPlans::class)->tubs);
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        $plan = $context->plan->get(TubPlans::class)->tubs[$tub];

        return [...CropRules::of($plan, $context), ...PassiveRules::of($plan, $context)];
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [$plan->get(TubPlans::class)->tubs[$tub] ?? null];
    }

    public function report(Plan $plan, bool $whole): MarkReport
    {
        return new MarkReport(
            tubs: array_map(static fn (TubPlan $tub): array => CropReport::of($tub, $plan->garden), $plan->get(TubPlans::class)->tubs),
        );
    }
}
