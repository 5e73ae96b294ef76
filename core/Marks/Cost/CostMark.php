<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Basket;
use KelpTub\Core\Cost\Budget;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Cost\Supplier;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
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

    public function members(): array
    {
        return ['money', 'owned', 'prices', 'spares', 'suppliers', 'testing'];
    }

    public function read(stdClass $document, Library $library): MoneyWish
    {
        return new MoneyWish(
            $document->money->currency ?? 'EUR',
            isset($document->money->cap) ? (float) $document->money->cap : null,
            array_map(floatval(...), get_object_vars($document->owned ?? new stdClass)),
            array_map(floatval(...), get_object_vars($document->spares ?? new stdClass)),
            OfferShelf::of($document->prices ?? []),
            self::suppliers($document),
            (float) ($document->money->electricity_per_kwh ?? self::ELECTRICITY_PER_KWH),
            (float) ($document->money->water_per_l ?? self::WATER_PER_L),
            array_map(floatval(...), get_object_vars($document->money->produce_per_kg ?? new stdClass)),
            ($document->testing ?? 'drops') === 'meter',
            $document->money->samples ?? true,
        );
    }

    /** @return list<Supplier> those of the list, then those whose offers alone say what a parcel costs: the most that any of them says */
    private static function suppliers(stdClass $document): array
    {
        $suppliers = [];
        foreach ($document->suppliers ?? [] as $raw) {
            $suppliers[$raw->name] = new Supplier(
                $raw->name,
                (float) ($raw->delivery ?? 0),
                isset($raw->free_over) ? (float) $raw->free_over : null,
                (float) ($raw->min_order ?? 0),
            );
        }
        $said = [];
        foreach ($document->prices ?? [] as $offer) {
            if (isset($offer->supplier, $offer->delivery) && ! isset($suppliers[$offer->supplier])) {
                $said[$offer->supplier] = max($said[$offer->supplier] ?? 0.0, (float) $offer->delivery);
            }
        }
        foreach ($said as $name => $delivery) {
            $suppliers[$name] = new Supplier((string) $name, $delivery);
        }

        return array_values($suppliers);
    }

    public function faults(stdClass $document, Library $library): array
    {
        $faults = [];
        $currency = $document->money->currency ?? 'EUR';
        foreach ($document->prices ?? [] as $i => $offer) {
            if (($offer->currency ?? $currency) !== $currency) {
                $faults[] = new Fault(
                    "/prices/$i/currency",
                    "is $offer->currency, and this garden counts in $currency: one currency a garden.",
                );
            }
        }
        $names = [];
        foreach ($document->suppliers ?? [] as $i => $supplier) {
            if (isset($names[$supplier->name])) {
                $faults[] = new Fault("/suppliers/$i/name", "“{$supplier->name}” is on the list already: one entry a supplier.");
            }
            $names[$supplier->name] = true;
        }

        return $faults;
    }

    public function plan(Plan $before, PlanningAids $aids): CostPlan
    {
        $wish = $before->garden->of(MoneyWish::class);
        $needs = $before->needing(['' => self::kit($before, $aids->library)])->needs();
        $missing = $offers = [];
        foreach ($needs as $need) {
            $missing[] = Purchase::missing($need, $wish->owned[$need->key] ?? 0.0, $wish->spares[$need->key] ?? 0.0);
            $offers[] = $wish->offersOf($need->key, $aids->library);
        }
        $basket = Basket::of($missing, $offers, $wish->suppliers);
        $purchases = array_map(static fn (Need $need, ?array $packs): Purchase => Purchase::of(
            $need,
            $wish->owned[$need->key] ?? 0.0,
            $wish->spares[$need->key] ?? 0.0,
            $packs,
        ), $needs, $basket['packs']);
        $tubs = $before->get(TubPlans::class);

        return new CostPlan(
            $purchases,
            $basket['parcels'],
            Budget::of($purchases, array_sum($basket['parcels']), $tubs->count(), $tubs->plants(), $wish->cap),
            $aids->library,
        );
    }

    public function needs(Plan $plan, Library $library): array
    {
        return self::kit($plan, $library);
    }

    public function countsNeeds(): bool
    {
        return true;
    }

    /** @return list<Need> what any garden takes that has a tub in it */
    private static function kit(Plan $before, Library $library): array
    {
        return match (true) {
            $before->garden->tubs === [] => [],
            $before->garden->of(MoneyWish::class)->byMeter => [
                new Need('ec-meter', $library->partName('ec-meter'), NeedKind::Tool, 1, why: 'EC at each reading'),
                new Need('ph-meter', $library->partName('ph-meter'), NeedKind::Tool, 1, why: 'pH at each reading'),
            ],
            default => [new Need('ph-kit', $library->partName('ph-kit'), NeedKind::Consumable, 1, why: 'pH at each reading')],
        };
    }

    public function findings(RuleContext $context): array
    {
        return CostRules::of($context);
    }

    public function isTried(): bool
    {
        return false;
    }

    public function report(Plan $plan, bool $whole): array
    {
        return CostReport::of($plan, $whole);
    }
}
