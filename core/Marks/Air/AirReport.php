<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Marks\Tub\TubPlan;
use stdClass;

/** The pumps' part of the report, and the oxygen's part of each tub's. */
final class AirReport
{
    public static function ofSystem(AirPlan $air): stdClass
    {
        return (object) [
            'id' => $air->system->id,
            'name' => $air->system->pump->name,
            'power_w' => $air->system->pump->watts,
            'free_flow_l_min' => $air->system->pump->freeFlow(),
            'max_pressure_kpa' => $air->system->pump->maxPressure(),
            'pressure_kpa' => $air->network->pressure,
            'flow_l_min' => $air->network->total(),
            'outlets_used' => $air->network->outletsUsed,
            'tubing_mm' => $air->tubing(),
            'slack_mm' => TubeRoute::SLACK_MM,
            'above_water' => $air->isAboveWater(),
            'check_valve' => $air->system->checkValve,
            'height_above_floor_mm' => $air->system->height,
            'kwh_month' => $air->system->pump->kwhAMonth(),
            'supply' => $air->system->pump->supply?->value,
            'curve' => $air->system->pump->curve,
            'joined' => $air->system->joined,
            'manifold' => $air->system->manifold,
            'outlets' => $air->system->pump->outlets,
            'noise_db' => $air->system->pump->noise,
            'branches' => array_map(static fn (int $i): stdClass => self::branch($air, $i), array_keys($air->tubs)),
        ];
    }

    private static function branch(AirPlan $air, int $i): stdClass
    {
        $tub = $air->tubs[$i]->tub;

        return (object) [
            'tub' => $tub->id,
            'flow_l_min' => $air->flows[$i],
            'per_stone_l_min' => $air->perStone($i)[0] ?? null,
            'stones_l_min' => $air->perStone($i),
            'valve' => $air->system->branches[$i]->valve,
            'line_mm' => $air->routes[$i]->length(),
            'pieces_mm' => [$air->routes[$i]->main, ...$air->routes[$i]->stubs],
        ];
    }

    /** @return array<string, mixed> by the tub's key */
    public static function ofTub(TubPlan $tub, Plan $plan): array
    {
        $plans = $plan->get(AirPlans::class);
        $air = $plans->tubs[$tub->tub->id];
        $balance = $air->balance;
        $working = $tub->water->working();
        $sprayed = $tub->tub->system === GrowingSystem::Cloner;
        $outage = $sprayed ? null : $balance?->outageMinutes($working);

        return [
            'oxygen' => [
                'saturation_mg_l' => $air->saturation,
                'demand_mg_h' => $balance?->demand,
                'air_l_min' => $balance === null ? null : $air->flow,
                'steady_mg_l' => $balance?->steady(),
                'outage_min' => $outage,
                'stems_dry_h' => $sprayed ? AirWorkings::STEMS_DRY_H : null,
                'thumb_l_min' => $balance === null ? null : OxygenBalance::thumb($working),
            ],
            'limits' => [
                'oxygen_mg_l' => $tub->tub->planting->density->oxygenFloor(),
                'oxygen_stop_mg_l' => OxygenBalance::STOP_MG_L,
                'oxygen_mind_mg_l' => OxygenBalance::MIND_MG_L,
            ],
            'shape' => self::shape($tub),
            'workings' => AirWorkings::of($air, $plans->pumpsOf($tub->tub->id), $outage, $working, $tub->tub->system, $plan->garden->units),
        ];
    }

    /** @return array<string, mixed> as it is drawn */
    private static function shape(TubPlan $plan): array
    {
        $stones = $plan->tub->water->stones;

        return [
            'stones' => $stones === null ? null : (object) [
                'name' => $stones->stone->name,
                'length_mm' => $stones->stone->length,
                'bubble' => $stones->stone->bubble->value,
                'least_l_min' => $stones->stone->leastFlow,
                'most_l_min' => $stones->stone->mostFlow,
                'height_mm' => $stones->height,
                'at' => Report::points($plan->fittings->stones),
                'by_hand' => $stones->byHand() !== null,
                'sets' => array_map(static fn (StoneSet $set): stdClass => (object) [
                    'name' => $set->stone->name,
                    'length_mm' => $set->stone->length,
                    'bubble' => $set->stone->bubble->value,
                    'least_l_min' => $set->stone->leastFlow,
                    'most_l_min' => $set->stone->mostFlow,
                    'height_mm' => $set->height,
                    'count' => $set->count,
                ], $stones->sets()),
            ],
            'tube_through_lid' => $plan->tub->body->tubeThroughLid,
        ];
    }
}
