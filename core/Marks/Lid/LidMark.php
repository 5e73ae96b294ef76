<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Marks\Tub\TubPlans;

/** Cups, holes and where they go, as the tub's plan lays them out. */
final class LidMark extends Mark
{
    public function key(): string
    {
        return 'lid';
    }

    public function needsOnTub(string $tub, Plan $plan, Library $library): array
    {
        return ['' => LidParts::of($plan->get(TubPlans::class)->tubs[$tub], $plan->garden, $library)];
    }

    public function findingsOnTub(string $tub, RuleContext $context): array
    {
        $plan = $context->plan->get(TubPlans::class)->tubs[$tub];

        return [...CupRules::of($plan, $context), ...LidRules::of($plan, $context)];
    }

    public function basis(string $tub, Plan $plan): array
    {
        return [$plan->get(TubPlans::class)->tubs[$tub] ?? null];
    }

    public function reportOnTub(string $tub, Plan $plan, bool $whole): array
    {
        return LidReport::of($plan->get(TubPlans::class)->tubs[$tub], $plan->garden);
    }
}
