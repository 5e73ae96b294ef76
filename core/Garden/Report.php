<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubReport;
use stdClass;

/** Writes a plan out as the report of the file format. Numbers are not rounded; what is not computed or does not apply is null. */
final class Report
{
    public const FORMAT = 'kelp-tub.report';

    public const VERSION = 1;

    /** @param  list<Finding>  $findings */
    public static function of(GardenPlan $plan, array $findings): stdClass
    {
        $budget = $plan->budget;

        return (object) [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'tubs' => array_map(static fn (TubPlan $tub): stdClass => TubReport::of($tub, $plan->oxygen[$tub->tub->id], $plan), array_values($plan->tubs)),
            'air' => array_map(self::air(...), $plan->air),
            'parts' => array_map(self::part(...), $plan->purchases),
            'budget' => (object) [
                'currency' => $plan->garden->currency,
                'outlay' => $budget->outlay,
                'used' => $budget->used,
                'tools' => $budget->tools,
                'per_tub' => $budget->perTub,
                'per_plant' => $budget->perPlant,
                'next_tub' => null,
                'monthly' => null,
                'harvest_value' => null,
                'payback_days' => null,
                'cap' => $budget->cap,
                'over_cap' => $budget->overCap,
            ],
            'findings' => array_map(self::finding(...), $findings),
        ];
    }

    private static function air(AirPlan $air): stdClass
    {
        $branches = [];
        foreach ($air->tubs as $i => $plan) {
            $branches[] = (object) [
                'tub' => $plan->tub->id,
                'flow_l_min' => $air->flows[$i],
                'per_stone_l_min' => $plan->tub->stones === null ? null : $air->perStone($i),
                'valve' => $air->system->branches[$i]->valve,
                'line_mm' => $air->routes[$i]->length(),
                'pieces_mm' => [$air->routes[$i]->main, ...$air->routes[$i]->stubs],
            ];
        }

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
            'kwh_month' => $air->system->pump->watts * 24 * 365 / 12 / 1000,
            'branches' => $branches,
        ];
    }

    private static function part(Purchase $purchase): stdClass
    {
        return (object) [
            'key' => $purchase->need->key,
            'name' => $purchase->need->name,
            'kind' => $purchase->need->kind,
            'need' => $purchase->need->amount,
            'unit' => $purchase->need->unit,
            'owned' => $purchase->owned,
            'buy' => array_map(static function (array $pack): stdClass {
                /** @var array{Offer, int} $pack */
                return (object) ['pack' => $pack[0]->pack, 'count' => $pack[1], 'price' => $pack[0]->price];
            }, $purchase->packs),
            'priced' => $purchase->priced,
            'cost' => $purchase->cost,
            'left' => $purchase->left,
        ];
    }

    private static function finding(Finding $finding): stdClass
    {
        return (object) [
            'code' => $finding->code,
            'severity' => $finding->severity->value,
            'tub' => $finding->tub,
            'at' => $finding->at,
            'says' => $finding->says,
            'why' => $finding->why,
            'remedies' => array_map(static fn (Remedy $r): stdClass => (object) ['says' => $r->says, 'patch' => $r->patch], $finding->remedies),
        ];
    }

    /**
     * @param  list<Point>  $points
     * @return list<stdClass>
     */
    public static function points(array $points): array
    {
        return array_map(static fn (Point $p): stdClass => (object) ['x_mm' => $p->x, 'y_mm' => $p->y], $points);
    }
}
