<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use Closure;
use Generator;
use KelpTub\Core\Cost\LeastHarm;
use KelpTub\Core\Cost\Saving;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Judgement;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/**
 * Ways under a cap: each saving with its money, its harm and its patch, and the set of least harm that meets the cap, or why none does.
 *
 * Each is planned by itself, and every set of them whole, since packs and shared parts make their money less than, or more than, its
 * sum, and so do findings: fewest *mend* brought, then fewest *mind*, then least yield lost, then nearest under the cap, then fewest of
 * them, and no *stop*. Of more than ten savings only the sets that come first by their sums (LeastHarm) are planned. Source: handbook,
 * build, "Parts and money".
 */
final readonly class Savings
{
    private const ROUNDING = 1.0e-9;

    /** So many sets are planned, every one: those of ten savings. */
    private const SETS = 1023;

    /** Of more savings so many sets are planned. */
    private const TRIES = 60;

    /** The mark whose findings are about money: they are no harm that a saving does. */
    private string $cost;

    public function __construct(private Planner $planner)
    {
        $this->cost = $planner->countingMark();
    }

    /** @return stdClass cap, outlay, savings, the least for as many plants, and the set under the cap or the proof that there is none */
    public function of(Garden $garden): stdClass
    {
        $now = $this->planner->judged($garden);
        $cap = $garden->of(MoneyWish::class)->cap;
        $outlay = self::outlay($now);
        [$savings, $ways, $patches] = $this->tried($now);
        $answer = (object) [
            'currency' => $garden->of(MoneyWish::class)->currency,
            'cap' => $cap,
            'outlay' => $outlay,
            'unpriced' => $now->plan->get(CostPlan::class)->unpriced(),
            'savings' => array_map(static fn (Saving $s, SavingWay $w, array $p): stdClass => (object) [
                'key' => $w->key,
                'kind' => $w->kind,
                'touches' => $w->touches,
                'says' => $w->says,
                'saves' => $s->saves,
                'stops' => $s->stops,
                'mends' => $s->mends,
                'minds' => $s->minds,
                'yield_lost_g' => $s->yieldLost,
                'patch' => GuardedPatch::of($garden->document, $p),
            ], $savings, $ways, $patches),
            'least' => $this->least($now, $savings, $ways),
            'set' => null,
            'proof' => null,
        ];
        if ($cap !== null && $outlay > $cap + self::ROUNDING) {
            [$answer->set, $answer->proof] = $this->under($now, $savings, $ways, $cap);
        }

        return $answer;
    }

    /**
     * Every way by itself: those that save something, most first, with the harm they do.
     *
     * @return array{list<Saving>, list<SavingWay>, list<list<stdClass>>}
     */
    private function tried(Judgement $now): array
    {
        $tried = [];
        foreach ((new SavingWays($now->plan, $this->planner))->all() as $way) {
            $patch = ($way->patch)($now->plan->garden);
            if ($patch === []) {
                continue;
            }
            $saving = $this->measured($way->touches, $now, $this->planner->judgeAgain($now, $patch, $this->cost));
            // Fewer plants of which nothing is harvested are no less of a loss, and have no figure here.
            if ($saving->saves > self::ROUNDING && ($way->kind !== 'fewer' || $saving->yieldLost > 0.0)) {
                $tried[] = [$saving, $way, $patch];
            }
        }
        usort($tried, static fn (array $a, array $b): int => [max(0, $a[0]->stops), -round($a[0]->saves, 6)]
            <=> [max(0, $b[0]->stops), -round($b[0]->saves, 6)]);
        $tried = array_slice($tried, 0, LeastHarm::MOST);

        return [array_column($tried, 0), array_column($tried, 1), array_column($tried, 2)];
    }

    /**
     * Every set of them is planned where there are few enough; else those that come first by what their savings add up to.
     *
     * @param  list<Saving>  $savings
     * @param  list<SavingWay>  $ways
     * @return array{stdClass|null, string|null} the set of least harm, or what the cheapest of all comes to
     */
    private function under(Judgement $now, array $savings, array $ways, float $cap): array
    {
        $cheapest = self::outlay($now);
        $best = null;
        /** @var array{int, int, float, float, int}|null $least */
        $least = null;
        // What touches money alone brings no harm and mends none: it is not looked at on top of what is worse already.
        $worse = function (Judgement $judged) use (&$least, $now): bool {
            $harm = $this->measured('', $now, $judged);

            return $harm->stops > 0
                || ($least !== null && [$harm->mends, $harm->minds, round($harm->yieldLost, 6)] > array_slice($least, 0, 3));
        };
        $sets = LeastHarm::count($savings) <= self::SETS
            ? $this->every($now, $ways, $worse)
            : $this->likely($now, $savings, $ways, self::outlay($now) - $cap);
        foreach ($sets as [$taken, $judged, $patch]) {
            $together = $this->measured('', $now, $judged);
            if ($together->stops > 0) {
                continue;
            }
            $cheapest = min($cheapest, self::outlay($judged));
            $harm = [
                $together->mends,
                $together->minds,
                round($together->yieldLost, 6),
                round($cap - self::outlay($judged), 6),
                count($taken),
            ];
            if (self::outlay($judged) > $cap + self::ROUNDING || ($least !== null && $harm >= $least)) {
                continue;
            }
            $least = $harm;
            $best = self::told($now, $ways, $taken, $together, $judged, $patch);
        }
        $currency = $now->plan->garden->of(MoneyWish::class)->currency;

        return $best !== null ? [$best, null] : [null, sprintf(
            'The cheapest of all, fewer plants counted in, comes to %s %s, and the cap is %s. Raise the cap, or plan less.',
            number_format($cheapest, 2, '.', ''),
            $currency,
            number_format($cap, 2, '.', ''),
        )];
    }

    /**
     * What the garden costs at the least with as many plants and tubs as it has and no *stop* more: of each thing that can be changed the
     * way that saves most, and where they bring a *stop* together, without those that save least, one after the other.
     *
     * @param  list<Saving>  $savings
     * @param  list<SavingWay>  $ways
     */
    private function least(Judgement $now, array $savings, array $ways): ?stdClass
    {
        $taken = array_filter(
            LeastHarm::most(array_map(
                // Fewer plants are no way to grow as many.
                static fn (Saving $s, SavingWay $w): Saving => $w->kind === 'fewer' ? new Saving($s->touches, 0.0) : $s,
                $savings,
                $ways,
            )),
            static fn (int $i): bool => $ways[$i]->kind !== 'fewer',
        );
        // What touches money alone comes last: it is for what is built otherwise by then.
        usort($taken, static fn (int $a, int $b): int => [$ways[$a]->isMoneyAlone(), $a] <=> [$ways[$b]->isMoneyAlone(), $b]);
        while ($taken !== []) {
            [$judged, $patch] = $this->together($now, $ways, $taken);
            $together = $this->measured('', $now, $judged);
            if ($together->stops <= 0) {
                return self::told($now, $ways, $taken, $together, $judged, $patch);
            }
            $saves = array_map(static fn (int $i): float => $savings[$i]->saves, $taken);
            array_splice($taken, (int) array_search(min($saves), $saves, true), 1);
        }

        return null;
    }

    /**
     * Several ways done one after the other.
     *
     * @param  list<SavingWay>  $ways
     * @param  list<int>  $taken
     * @return array{Judgement, list<stdClass>} the garden with them, and the patch
     */
    private function together(Judgement $now, array $ways, array $taken): array
    {
        $judged = $now;
        $patch = [];
        foreach ($taken as $i) {
            $more = ($ways[$i]->patch)($judged->plan->garden);
            $judged = $more === [] ? $judged : $this->planner->judgeAgain($judged, $more, $this->cost);
            $patch = [...$patch, ...$more];
        }

        return [$judged, $patch];
    }

    /**
     * A set of ways as it is answered.
     *
     * @param  list<SavingWay>  $ways
     * @param  list<int>  $taken
     * @param  list<stdClass>  $patch
     */
    private static function told(Judgement $now, array $ways, array $taken, Saving $together, Judgement $then, array $patch): stdClass
    {
        sort($taken);

        return (object) [
            'keys' => array_map(static fn (int $i): string => $ways[$i]->key, $taken),
            'says' => implode('; ', array_map(static fn (int $i): string => $ways[$i]->says, $taken)),
            'saves' => $together->saves,
            'outlay' => self::outlay($then),
            'mends' => $together->mends,
            'minds' => $together->minds,
            'yield_lost_g' => $together->yieldLost,
            'patch' => GuardedPatch::of($now->plan->garden->document, $patch),
        ];
    }

    /**
     * Every set of which no two ways change the same, each planned on top of the one that it grew from. What is planned again for a way
     * that touches money alone is next to nothing, so those come last.
     *
     * @param  list<SavingWay>  $ways
     * @param  Closure(Judgement): bool  $worse  whether no saving of money alone makes it one to take
     * @return Generator<int, array{list<int>, Judgement, list<stdClass>}> numbers of the ways, the garden with them, and the patch
     */
    private function every(Judgement $now, array $ways, Closure $worse): Generator
    {
        $order = array_keys($ways);
        usort($order, static fn (int $a, int $b): int => [$ways[$a]->isMoneyAlone(), $a] <=> [$ways[$b]->isMoneyAlone(), $b]);

        return $this->grown($now, $ways, $worse, $order, [], [], []);
    }

    /**
     * @param  list<SavingWay>  $ways
     * @param  Closure(Judgement): bool  $worse
     * @param  list<int>  $order  those that may be added
     * @param  list<int>  $taken
     * @param  array<string, true>  $touched
     * @param  list<stdClass>  $patch
     * @return Generator<int, array{list<int>, Judgement, list<stdClass>}>
     */
    private function grown(
        Judgement $from,
        array $ways,
        Closure $worse,
        array $order,
        array $taken,
        array $touched,
        array $patch,
    ): Generator {
        foreach ($order as $n => $i) {
            if ($ways[$i]->isMoneyAlone() && $worse($from)) {
                return;
            }
            $more = isset($touched[$ways[$i]->touches]) ? [] : ($ways[$i]->patch)($from->plan->garden);
            if ($more === []) {
                continue;
            }
            $judged = $this->planner->judgeAgain($from, $more, $this->cost);
            $set = [...$taken, $i];
            yield [$set, $judged, [...$patch, ...$more]];
            foreach ($this->grown(
                $judged,
                $ways,
                $worse,
                array_slice($order, $n + 1),
                $set,
                $touched + [$ways[$i]->touches => true],
                [...$patch, ...$more],
            ) as $next) {
                yield $next;
            }
        }
    }

    /**
     * The sets that come first by what their savings add up to, and the one that saves most.
     *
     * @param  list<Saving>  $savings
     * @param  list<SavingWay>  $ways
     * @return Generator<int, array{list<int>, Judgement, list<stdClass>}>
     */
    private function likely(Judgement $now, array $savings, array $ways, float $enough): Generator
    {
        foreach ([...array_slice(LeastHarm::sets($savings, $enough), 0, self::TRIES), LeastHarm::most($savings)] as $set) {
            yield [$set, ...$this->together($now, $ways, $set)];
        }
    }

    private function measured(string $touches, Judgement $now, Judgement $then): Saving
    {
        [$before, $after] = [$this->harm($now), $this->harm($then)];

        return new Saving(
            $touches,
            self::outlay($now) - self::outlay($then),
            $after['stop'] - $before['stop'],
            $after['mend'] - $before['mend'],
            $after['mind'] - $before['mind'],
            self::yield($now) - self::yield($then),
        );
    }

    /** @return array{stop: int, mend: int, mind: int} how many findings of each severity there are, those about money left out */
    private function harm(Judgement $judged): array
    {
        $count = ['stop' => 0, 'mend' => 0, 'mind' => 0];
        foreach ($judged->said as $findings) {
            foreach ($findings as $finding) {
                $count[$finding->severity->value] += $finding->mark === $this->cost ? 0 : 1;
            }
        }

        return $count;
    }

    private static function outlay(Judgement $judged): float
    {
        return $judged->plan->get(CostPlan::class)->budget->outlay;
    }

    /** Grams of a season's harvest, by the crop table. */
    private static function yield(Judgement $judged): float
    {
        return $judged->plan->get(TubPlans::class)->total(static fn (TubPlan $tub): float => array_sum(array_map(
            static fn (CropShare $share): float => $share->plants * $share->crop->yieldG,
            $tub->plants->mix->shares,
        )));
    }
}
