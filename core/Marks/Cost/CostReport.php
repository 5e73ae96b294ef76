<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Garden\Plan;
use stdClass;

/** The parts list and the budget of the report. */
final class CostReport
{
    /** What takes longer than a preview may, and is of no garden without a tub. */
    private const NOT_RUN = [
        'next_tub' => null,
        'monthly' => null,
        'month' => null,
        'harvest_value' => null,
        'harvest_range' => null,
        'payback_days' => null,
        'payback_range' => null,
    ];

    /**
     * @param  bool  $whole  with what takes whole seasons to tell; null otherwise
     * @return array<string, mixed> by the report's key
     */
    public static function of(Plan $plan, bool $whole): array
    {
        $cost = $plan->get(CostPlan::class);
        $wish = $plan->garden->of(MoneyWish::class);
        $budget = $cost->budget;

        return [
            'parts' => array_map(self::part(...), $cost->purchases),
            'budget' => [
                'currency' => $wish->currency,
                'outlay' => $budget->outlay,
                'delivery' => $budget->delivery,
                'parcels' => array_map(
                    static fn (string|int $name, float $cost): stdClass => (object) ['supplier' => (string) $name, 'cost' => $cost],
                    array_keys($cost->parcels),
                    array_values($cost->parcels),
                ),
                'unpriced' => $cost->unpriced(),
                'used' => $budget->used,
                'tools' => $budget->tools,
                'per_tub' => $budget->perTub,
                'per_plant' => $budget->perPlant,
                'cap' => $budget->cap,
                'over_cap' => $budget->overCap,
                ...($whole && $plan->garden->tubs !== [] ? self::running($plan) : self::NOT_RUN),
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function running(Plan $plan): array
    {
        $figures = new CostFigures($plan);
        $month = $figures->month();
        $harvest = $figures->harvest();
        $payback = $figures->payback();

        return [
            'next_tub' => $figures->nextTub($plan->garden->tubs[0]),
            'monthly' => array_sum($month),
            'month' => (object) $month,
            'harvest_value' => $harvest['value'] ?? null,
            'harvest_range' => $harvest === null ? null : [$harvest['low'], $harvest['high']],
            'payback_days' => $payback['days'],
            'payback_range' => [$payback['soonest'], $payback['latest']],
        ];
    }

    private static function part(Purchase $purchase): stdClass
    {
        return (object) [
            'key' => $purchase->need->key,
            'name' => $purchase->need->name,
            'kind' => $purchase->need->kind->value,
            'for' => $purchase->need->for,
            'why' => $purchase->need->why,
            'need' => $purchase->need->amount,
            'unit' => $purchase->need->unit,
            'owned' => $purchase->owned,
            'spare' => $purchase->spare,
            'buy' => array_map(static function (array $pack): stdClass {
                /** @var array{Offer, int} $pack */
                return (object) [
                    'pack' => $pack[0]->pack,
                    'count' => $pack[1],
                    'price' => $pack[0]->price,
                    'supplier' => $pack[0]->supplier,
                ];
            }, $purchase->packs),
            'priced' => $purchase->priced,
            'cost' => $purchase->cost,
            'left' => $purchase->left,
        ];
    }
}
