<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\MarkReport;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\PlanningAids;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/** What all of it costs: the needs of every mark before this one, in packs as they are sold. Source: handbook, rules section 9. */
final class CostMark extends Mark
{
    private const ELECTRICITY_PER_KWH = 0.30;

    private const WATER_PER_L = 0.003;

    public function key(): string
    {
        return 'cost';
    }

    public function read(stdClass $document, Library $library): MoneyWish
    {
        return new MoneyWish(
            $document->money->currency ?? 'EUR',
            isset($document->money->cap) ? (float) $document->money->cap : null,
            array_map(floatval(...), get_object_vars($document->owned ?? new stdClass)),
            OfferShelf::of($document->prices ?? []),
            (float) ($document->money->electricity_per_kwh ?? self::ELECTRICITY_PER_KWH),
            (float) ($document->money->water_per_l ?? self::WATER_PER_L),
        );
    }

    public function plan(Plan $before, PlanningAids $aids): CostPlan
    {
        $wish = $before->garden->of(MoneyWish::class);
        $needs = $before->needing(['' => self::kit($before, $aids->library)])->needs();
        $purchases = array_map(
            static fn (Need $need): Purchase => Purchase::of(
                $need,
                $wish->owned[$need->key] ?? 0.0,
                [...$aids->library->offers->for($need->key), ...$wish->offers->for($need->key)],
            ),
            $needs,
        );
        $tubs = $before->get(TubPlans::class);

        return new CostPlan($purchases, Budget::of($purchases, $tubs->count(), $tubs->plants(), $wish->cap));
    }

    /** @return list<Need> what any garden takes that has a tub in it */
    private static function kit(Plan $before, Library $library): array
    {
        return $before->garden->tubs === [] ? [] : [
            new Need('ph-kit', $library->partName('ph-kit'), NeedKind::Consumable, 1),
        ];
    }

    public function findings(RuleContext $context): array
    {
        return CostRules::of($context);
    }

    public function isTried(): bool
    {
        return false;
    }

    public function report(Plan $plan, bool $whole): MarkReport
    {
        return new MarkReport(CostReport::of($plan->get(CostPlan::class), $plan->garden->of(MoneyWish::class)));
    }
}
