<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;

/** What grows, how much room, water and time it wants, and how many plants the tub carries, as the tub's plan works it out. */
final class CropMark extends Mark
{
    public function key(): string
    {
        return 'crop';
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        $lights = $plan->get(FeedPlans::class)->wishes->lights;

        return [$tub => CropParts::of($plan->get(TubPlans::class)->tubs[$tub], $lights, $library)];
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        $plan = $context->plan->get(TubPlans::class)->tubs[$tub];

        return [...CropRules::of($plan, $context), ...PassiveRules::of($context->plan->get(FeedPlans::class)->of($tub), $context)];
    }

    public function findings(RuleContext $context): array
    {
        return HandOverRules::of($context);
    }

    public function report(Plan $plan, bool $whole): array
    {
        return ['raised' => HandOver::of($plan->get(TubPlans::class))->toReport()];
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [$plan->get(FeedPlans::class)->of($tub), $plan->get(TubPlans::class)->tubs[$tub]];
    }

    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return CropReport::of($plan->get(FeedPlans::class)->of($tub), $plan->garden);
    }
}
