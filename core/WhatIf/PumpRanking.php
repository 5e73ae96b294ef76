<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirParts;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlans;
use stdClass;

/**
 * Which pump, which stones and which valve settings: every pump of the Library in the place of the one that feeds a tub, with the stones
 * that are there or, where these will not do, the cheapest of one kind that do; each with what it does to every tub on the line, for the
 * plants of a day and for grown ones. Power, money and noise are given with each; those that meet every tub come first, the least power
 * before more.
 */
final readonly class PumpRanking
{
    /** A tub longer than this wants two stones, mm. */
    private const LONG_MM = 450.0;

    public function __construct(private Planner $planner, private Library $library)
    {
    }

    /**
     * @param  array<array-key, stdClass>  $own  pumps of one's own, by key
     * @return list<stdClass>
     */
    public function of(Garden $garden, Tub $tub, int $day, array $own = []): array
    {
        $plan = $this->planner->plan($garden);
        $here = self::systemOf($plan, $tub);
        if ($here === null) {
            return [];
        }
        $options = [];
        foreach ($this->library->pumps as $key => $pump) {
            $options[] = $this->best($plan, $here->system->index, (string) $key, $pump, $day);
        }
        foreach ($own as $key => $raw) {
            $whole = (object) ['key' => (string) $key, ...get_object_vars($raw)];
            $options[] = $this->best($plan, $here->system->index, $whole, PartReader::pump($whole, null), $day);
        }
        usort($options, static fn (stdClass $a, stdClass $b): int => [! $a->meets, $a->power_w, $a->price ?? INF]
            <=> [! $b->meets, $b->power_w, $b->price ?? INF]);

        return $options;
    }

    private static function systemOf(Plan $plan, Tub $tub): ?AirPlan
    {
        foreach ($plan->get(AirPlans::class)->systems as $air) {
            if (in_array($tub->id, array_column($air->system->branches, 'tub'), true)) {
                return $air;
            }
        }

        return null;
    }

    /** A pump with the stones there are; where these will not do, with the cheapest of one kind that do; else as near as it comes. */
    private function best(Plan $plan, int $index, string|stdClass $given, Pump $pump, int $day): stdClass
    {
        $patch = (new PatchMaker($plan->garden->document, $this->library))->set("/air/$index/pump", $given);
        $first = $this->tried($plan, $index, $patch, null, $pump);
        $cheapest = null;
        foreach ($first->meets ? [] : $this->library->stones as $kind => $stone) {
            if ($stone->bubble === Bubble::Fine) {
                continue;
            }
            $option = $this->tried($plan, $index, [...$patch, ...$this->stones($plan, $index, (string) $kind)], $stone, $pump);
            if ($option->meets && ($cheapest === null || ($option->price ?? INF) < ($cheapest->price ?? INF))) {
                $cheapest = $option;
            }
        }

        $best = $cheapest ?? $first;
        foreach ($best->tubs as $fed) {
            $fed->today_mg_l = $best->plan->get(FeedPlans::class)->of($fed->tub)->oxygenOn($day);
        }
        unset($best->plan);
        $best->patch = GuardedPatch::of($plan->garden->document, $best->patch);

        return $best;
    }

    /** @return list<stdClass> all tubs on the line with stones of one kind */
    private function stones(Plan $plan, int $index, string $kind): array
    {
        $patch = [];
        foreach ($plan->get(AirPlans::class)->systems[$index]->tubs as $fed) {
            $count = $fed->tub->body->vessel->profile->longest() > self::LONG_MM ? 2 : 1;
            $patch[$fed->tub->id] = (new PatchMaker($plan->garden->document, $this->library))->set($fed->tub->pointer('/stones'), (object) [
                'kind' => $kind,
                'count' => $count,
                'height_mm' => $fed->tub->water->stones->height ?? Stone::DEFAULT_HEIGHT_MM,
            ]);
        }

        return array_merge(...array_values($patch));
    }

    /**
     * With the valves as they are, and where that will not do with valves that share by demand, or give each stone the same.
     *
     * @param  list<stdClass>  $patch
     */
    private function tried(Plan $plan, int $index, array $patch, ?Stone $stone, Pump $pump): stdClass
    {
        $then = $this->planner->begun($plan->garden, $patch, $plan);
        $option = $this->option($then, $index, $patch, null, $stone, $pump);
        $air = $then->get(AirPlans::class);
        foreach ($option->meets ? [] : [
            'demand' => ValveWays::byDemand($air->systems[$index], $air),
            'same' => ValveWays::same($air->systems[$index]),
        ] as $way => $valves) {
            $turned = ValveWays::patch($air->systems[$index], $valves, $then->garden);
            if ($turned === null || $turned === []) {
                continue;
            }
            $all = [...$patch, ...$turned];
            $other = $this->option($this->planner->begun($plan->garden, $all, $plan), $index, $all, $way, $stone, $pump);
            $option = $other->meets || ($other->short < $option->short && ! $option->meets) ? $other : $option;
            if ($option->meets) {
                break;
            }
        }

        return $option;
    }

    /** @param  list<stdClass>  $patch */
    private function option(Plan $plan, int $index, array $patch, ?string $valves, ?Stone $stone, Pump $pump): stdClass
    {
        $plans = $plan->get(AirPlans::class);
        $air = $plans->systems[$index];
        $tubs = [];
        $short = 0.0;
        foreach ($air->tubs as $b => $fed) {
            $balance = $plans->tubs[$fed->tub->id]->balance;
            $floor = $fed->tub->planting->density->oxygenFloor();
            $each = $air->perStone($b);
            $lacks = 0.0;
            foreach ($fed->tub->water->stones?->sets() ?? [] as $s => $set) {
                $lacks += max(0.0, 1 - ($each[$s] ?? 0.0) / max(1.0e-9, $set->stone->leastFlow));
            }
            $least = $plans->leastOxygen($fed->tub->id, $plan->garden->site->sunHours, $fed->water->working());
            $lacks += $least === null || $fed->plants->mix->isEmpty() ? 0.0 : max(0.0, 1 - $least / $floor);
            $short += $lacks;
            $tubs[] = (object) [
                'tub' => $fed->tub->id,
                'air_l_min' => $air->flows[$b],
                'per_stone_l_min' => $each[0] ?? null,
                'grown_mg_l' => $balance?->steady(),
                'today_mg_l' => null,
                'floor_mg_l' => $floor,
                'wanted_mg_l' => OxygenBalance::MIND_MG_L,
                'valve' => $air->system->branches[$b]->valve,
                'meets' => $lacks <= 0.0,
            ];
        }
        $money = $plan->garden->of(MoneyWish::class);

        return (object) [
            'key' => $pump->key,
            'name' => $pump->name,
            'power_w' => $pump->watts,
            'noise_db' => $pump->noise,
            'supply' => $pump->supply?->value,
            'outlets' => $pump->outlets,
            'price' => $this->price($plan, $index, $stone !== null),
            'money_month' => $pump->kwhAMonth() * $money->electricityPerKwh,
            'stones' => $stone?->name,
            'valves' => $valves,
            'meets' => $short <= 0.0,
            'short' => $short,
            'tubs' => $tubs,
            'plan' => $plan,
            'patch' => $patch,
        ];
    }

    /** What the pump costs with its supply, and the stones where they are other ones; null where one of them has no price. */
    private function price(Plan $plan, int $index, bool $withStones): ?float
    {
        $air = $plan->get(AirPlans::class)->systems[$index];
        $money = $plan->garden->of(MoneyWish::class);
        $one = fn (string $key): ?float => UnitPrice::ofOne($money->offersOf($key, $this->library));
        $pumping = array_map($one, AirParts::pumping($air->system->pump));
        $price = in_array(null, $pumping, true) ? null : array_sum($pumping);
        foreach ($withStones ? $air->tubs : [] as $fed) {
            foreach ($fed->tub->water->stones?->sets() ?? [] as $set) {
                $each = $one((string) $set->stone->key);
                $price = $price === null || $each === null ? null : $price + $each * $set->count * $fed->tub->count;
            }
        }

        return $price;
    }
}
