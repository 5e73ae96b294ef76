<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Basket;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Air\AirParts;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Feed\FeedParts;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;

/**
 * What a garden costs beyond what is bought now, and what comes of it, in its currency. Source: handbook, build, "Parts and money".
 *
 * Looks at whole seasons: for those who ask for it, not for a preview.
 */
final readonly class CostFigures
{
    /** † from a poor harvest to a good one, as shares of what the crop table gives */
    public const HARVEST_RANGE = [0.6, 1.0, 1.2];

    private const DAYS_A_MONTH = 365 / 12;

    private MoneyWish $wish;

    private CostPlan $cost;

    public function __construct(private Plan $plan)
    {
        $this->wish = $plan->garden->of(MoneyWish::class);
        $this->cost = $plan->get(CostPlan::class);
    }

    /**
     * One more tub like this one: what is left over is used first, tools are there, and its line goes to the pumps that are.
     */
    public function nextTub(Tub $tub): float
    {
        $needs = [];
        foreach ([...$this->plan->needsOfOne($tub), ...$this->moreAir($tub)] as $need) {
            if ($need->later) {
                continue;
            }
            $needs[$need->key] = isset($needs[$need->key]) ? $needs[$need->key]->and($need) : $need;
        }
        $left = $there = [];
        foreach ($this->cost->purchases as $purchase) {
            $left[$purchase->need->key] = $purchase->left;
            $there[$purchase->need->key] = true;
        }
        $missing = $offers = [];
        foreach ($needs as $need) {
            $missing[] = match (true) {
                $need->shared && isset($there[$need->key]) => 0.0,
                default => max(0.0, $need->amount - max($left[$need->key] ?? 0.0, $need->owned)),
            };
            $offers[] = $this->offers($need->key);
        }
        $basket = Basket::of($missing, $offers, $this->wish->suppliers);
        $cost = array_sum($basket['parcels']);
        foreach ($basket['packs'] as $packs) {
            $cost += array_sum(array_map(static fn (array $pack): float => $pack[0]->price * $pack[1], $packs ?? []));
        }

        return $cost;
    }

    /** @return list<Need> */
    private function moreAir(Tub $tub): array
    {
        $needs = [];
        foreach ($this->plan->get(AirPlans::class)->systems as $air) {
            foreach ($air->tubs as $branch => $plan) {
                if ($plan->tub->id === $tub->id) {
                    $needs = [...$needs, ...AirParts::ofOneMore($air, $branch, $this->cost->library)];
                }
            }
        }

        return $needs;
    }

    /**
     * A month as it is on the mean of the seasons: power of the air pumps day and night and of lamps for their hours, feed and water
     * poured, plugs.
     *
     * @return array{power: float, feed: float, water: float, plugs: float}
     */
    public function month(): array
    {
        $month = ['power' => 0.0, 'feed' => 0.0, 'water' => 0.0, 'plugs' => 0.0];
        foreach ($this->plan->get(AirPlans::class)->systems as $air) {
            $month['power'] += $air->system->pump->kwhAMonth() * $this->wish->electricityPerKwh;
        }
        $month['power'] += $this->lampsKwh() * $this->wish->electricityPerKwh;
        foreach ($this->plan->get(FeedPlans::class)->all() as $feed) {
            $run = $feed->run();
            if ($run === null || $run->days === []) {
                continue;
            }
            $share = self::DAYS_A_MONTH / count($run->days);
            $month['water'] += $run->poured() * $feed->tub->tub->count * $this->wish->waterPerLitre * $share;
            foreach ($this->plan->needsOfOne($feed->tub->tub) as $need) {
                $kind = match (true) {
                    $need->later => null,
                    $need->stage === NeedStage::Feed => 'feed',
                    str_starts_with($need->key, 'plug-') => 'plugs',
                    default => null,
                };
                if ($kind !== null) {
                    $each = UnitPrice::ofOne($this->offers($need->key)) ?? 0.0;
                    $month[$kind] += $need->amount * $feed->tub->tub->count * $each * $share;
                }
            }
        }

        return $month;
    }

    /**
     * What feed and water of one tub's season cost, as much of them as was really used.
     *
     * @param  array<Dose>  $doses
     */
    public function season(FeedPlan $feed, array $doses, float $litres): float
    {
        $money = $litres * $this->wish->waterPerLitre;
        $wish = $feed->feed;
        if ($wish === null) {
            return $money;
        }
        foreach ($doses as $dose) {
            $money += $dose->amount * (UnitPrice::ofOne($this->offers(FeedParts::key($wish, $dose))) ?? 0.0);
        }

        return $money;
    }

    /** What the lamps draw in a month, kWh: that of the site once, those of tubs over each. */
    private function lampsKwh(): float
    {
        $lights = $this->plan->get(FeedPlans::class)->wishes->lights;
        $hours = $this->plan->garden->site->lightHours;
        $kwh = $lights->site?->kwhAMonth($hours) ?? 0.0;
        foreach ($this->plan->garden->tubs as $tub) {
            $kwh += $tub->count * ($tub->lamp?->kwhAMonth($hours) ?? 0.0);
        }

        return $kwh;
    }

    /**
     * What a season's harvest would cost in a shop: poor, as the crop table has it, and good; null where nothing with a price grows.
     *
     * @return array{low: float, value: float, high: float}|null
     */
    public function harvest(): ?array
    {
        $value = $this->overTubs(fn (FeedPlan $feed): float => $this->worth($feed));

        return $value <= 0.0 ? null : [
            'low' => self::HARVEST_RANGE[0] * $value,
            'value' => self::HARVEST_RANGE[1] * $value,
            'high' => self::HARVEST_RANGE[2] * $value,
        ];
    }

    /**
     * Days from planting until the harvest has brought in what was laid out, with a good harvest and with a poor one; null where it never
     * does. Each month's costs are taken off first; before the first harvest nothing comes in.
     *
     * @return array{soonest: float|null, days: float|null, latest: float|null}
     */
    public function payback(): array
    {
        $costs = array_sum($this->month()) / self::DAYS_A_MONTH;
        $daily = $this->overTubs(fn (FeedPlan $feed): float => $this->worth($feed) / max(1, count($feed->run()->days ?? [])));
        $harvests = array_filter(
            array_map(
                static fn (FeedPlan $feed): ?float => $feed->tub->tub->system->isPicked() ? $feed->run()?->harvestDay() : null,
                $this->plan->get(FeedPlans::class)->all(),
            ),
            static fn (?float $day): bool => $day !== null,
        );
        $first = $harvests === [] ? INF : min($harvests);
        $outlay = $this->cost->budget->outlay;
        $days = static fn (float $share): ?float => $daily * $share <= $costs || is_infinite($first)
            ? null
            : max($first, $outlay / ($daily * $share - $costs));

        [$poor, $usual, $good] = self::HARVEST_RANGE;

        return ['soonest' => $days($good), 'days' => $days($usual), 'latest' => $days($poor)];
    }

    /** A season's harvest of one of the tubs. */
    private function worth(FeedPlan $feed): float
    {
        $value = 0.0;
        $run = $feed->tub->tub->system->isPicked() ? $feed->run() : null;
        foreach ($run->tub->stands ?? [] as $i => $stand) {
            $perKg = $this->wish->produce[$stand->crop->key] ?? $this->cost->library->produce[$stand->crop->key] ?? 0.0;
            $value += ($run?->harvest($i) ?? 0.0) / 1000 * $perKg;
        }

        return $value;
    }

    /** @param  callable(FeedPlan): float  $of */
    private function overTubs(callable $of): float
    {
        return (float) array_sum(array_map(
            static fn (FeedPlan $feed): float => $feed->run() === null ? 0.0 : $feed->tub->tub->count * $of($feed),
            $this->plan->get(FeedPlans::class)->all(),
        ));
    }

    /** @return list<Offer> */
    private function offers(string $part): array
    {
        return $this->wish->offersOf($part, $this->cost->library);
    }
}
