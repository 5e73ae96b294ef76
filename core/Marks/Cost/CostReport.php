<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\Purchase;
use stdClass;

/** The parts list and the budget of the report. */
final class CostReport
{
    /** @return array<string, mixed> by the report's key */
    public static function of(CostPlan $plan, MoneyWish $wish): array
    {
        $budget = $plan->budget;

        return [
            'parts' => array_map(self::part(...), $plan->purchases),
            'budget' => [
                'currency' => $wish->currency,
                'outlay' => $budget->outlay,
                'used' => $budget->used,
                'tools' => $budget->tools,
                'per_tub' => $budget->perTub,
                'per_plant' => $budget->perPlant,
                'cap' => $budget->cap,
                'over_cap' => $budget->overCap,
            ],
        ];
    }

    private static function part(Purchase $purchase): stdClass
    {
        return (object) [
            'key' => $purchase->need->key,
            'name' => $purchase->need->name,
            'kind' => $purchase->need->kind->value,
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
}
