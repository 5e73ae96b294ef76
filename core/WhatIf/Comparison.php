<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Season\SeasonRun;
use stdClass;

/**
 * What designs are compared by: the figures of all tubs of a plan together, whether it has one or many.
 *
 * Amounts are sums over the tubs and those alike; what has to be watched (days between fills, oxygen) is that of the tub where it is least.
 */
final class Comparison
{
    private const MOST_SAID = 3;

    /** @param  list<Finding>  $findings */
    public static function of(Plan $plan, array $findings): stdClass
    {
        $plans = $plan->get(TubPlans::class);
        $tubs = $plans->tubs;
        $budget = $plan->get(CostPlan::class)->budget;
        $sum = $plans->total(...);
        $plants = $plans->plants();
        $working = $sum(static fn (TubPlan $tub): float => $tub->water->working());
        $lids = $sum(static fn (TubPlan $tub): float => $tub->cutting->lid->outline->area() / 1.0e6);
        $labels = array_map(static fn (TubPlan $tub): ?float => $tub->tub->body->vessel->labelLitres, $tubs);
        $harvests = array_filter(
            array_map(static fn (FeedPlan $feed): ?float => $feed->run()?->harvestDay(), $plan->get(FeedPlans::class)->all()),
            static fn (?float $day): bool => $day !== null,
        );
        // Sums over the tubs and those alike of what their seasons come to.
        $season = static fn (callable $of): float => array_sum(array_map(
            static fn (FeedPlan $feed): float => $feed->run() === null ? 0.0 : $feed->tub->tub->count * $of($feed->run()),
            $plan->get(FeedPlans::class)->all(),
        ));
        $count = array_count_values(array_map(static fn (Finding $f): string => $f->severity->value, $findings));

        return (object) [
            'tubs' => $plans->count(),
            'plants' => $plants,
            'label_l' => in_array(null, $labels, true) || $labels === [] ? null : $sum(
                static fn (TubPlan $tub): float => $tub->tub->body->vessel->labelLitres ?? 0.0,
            ),
            'brim_l' => $sum(static fn (TubPlan $tub): float => $tub->tub->body->vessel->profile->brim()),
            'working_l' => $working,
            'litres_per_plant' => $plants > 0 ? $working / $plants : null,
            'plants_per_m2' => $lids > 0.0 ? $plants / $lids : null,
            'mass_kg' => $plans->mass(),
            'water_to_harvest_l' => $season(
                static fn (SeasonRun $run): float => $run->harvestDay() === null ? 0.0 : $run->drunk($run->harvestDay()),
            ),
            'harvest_day' => $harvests === [] ? null : max($harvests),
            'days_between_fills' => self::least(array_map(static fn (TubPlan $tub): ?float => $tub->water->daysBetweenFills(), $tubs)),
            'top_ups' => $season(static fn (SeasonRun $run): float => $run->putInBefore($run->harvestDay())['top_ups']),
            'changes' => $season(static fn (SeasonRun $run): float => $run->putInBefore($run->harvestDay())['changes']),
            'season_l' => $season(static fn (SeasonRun $run): float => $run->poured()),
            'oxygen_mg_l' => self::least(
                array_map(static fn (TubAir $air): ?float => $air->balance?->steady(), $plan->get(AirPlans::class)->tubs),
            ),
            'outlay' => $budget->outlay,
            'per_plant' => $budget->perPlant,
            'currency' => $plan->garden->of(MoneyWish::class)->currency,
            'stops' => $count['stop'] ?? 0,
            'mends' => $count['mend'] ?? 0,
            'minds' => $count['mind'] ?? 0,
            'says' => array_map(
                static fn (Finding $f): stdClass => (object) ['severity' => $f->severity->value, 'says' => $f->says],
                array_slice($findings, 0, self::MOST_SAID),
            ),
        ];
    }

    /** @param  array<float|null>  $figures */
    private static function least(array $figures): ?float
    {
        $known = array_filter($figures, static fn (?float $figure): bool => $figure !== null);

        return $known === [] ? null : min($known);
    }
}
