<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use Generator;
use KelpTub\Core\Cost\LeastHarm;
use KelpTub\Core\Cost\Saving;
use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Judgement;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use stdClass;

/**
 * Ways under a cap: each saving with its money, its harm and its patch, and the set of least harm that meets the cap, or why none does.
 *
 * Each is planned by itself, and every set of them whole, since packs and shared parts make their money less than, or more than, its
 * sum, and so do findings: fewest *mend* brought, then fewest *mind*, then least yield lost, then nearest under the cap, then fewest of
 * them, and no *stop*. Where the ways that build something otherwise make too many sets, only those that come first by their sums
 * (LeastHarm) are planned, and that is said. Source: handbook, build, "Parts and money".
 */
final readonly class Savings
{
    private const ROUNDING = 1.0e-9;

    /** So many sets of ways that build something otherwise are planned, every one. */
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
        // Two tubs of one kind of vessel have one way to find it second-hand.
        foreach (array_column((new SavingWays($now->plan, $this->planner))->all(), null, 'key') as $way) {
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
     * The set of least harm of all of them where there are few enough to plan; else of those that come first by what their savings add up
     * to, and of every one and every two.
     *
     * What touches money alone does no harm and mends none. So the ways that build something otherwise are put together in every way, each
     * set is planned once, and they are gone through from the least harm on: money is looked at for the least harm that meets the cap,
     * and for no worse.
     *
     * @param  list<Saving>  $savings
     * @param  list<SavingWay>  $ways
     * @return array{stdClass|null, string|null} the set of least harm, or what the cheapest of all comes to
     */
    private function under(Judgement $now, array $savings, array $ways, float $cap): array
    {
        $cheapest = self::outlay($now);
        $built = array_values(array_filter(array_keys($ways), static fn (int $i): bool => ! $ways[$i]->isMoneyAlone()));
        $money = array_values(array_diff(array_keys($ways), $built));
        $isEvery = LeastHarm::count(array_map(static fn (int $i): Saving => $savings[$i], $built)) <= self::SETS;
        $sets = $isEvery
            ? [[[], $now, [], []], ...iterator_to_array($this->grown($now, $ways, $built, [], [], []), false)]
            : $this->likely($now, $savings, $ways, self::outlay($now) - $cap);
        $best = $least = null;
        foreach ($this->byHarm($now, $sets) as [$harm, $taken, $judged, $patch, $touched]) {
            if ($least !== null && $harm > array_slice($least, 0, 3)) {
                break;
            }
            foreach ($this->withMoney($judged, $ways, $isEvery ? $money : [], $touched, $cap, $cheapest) as [$more, $then, $also]) {
                $set = [...$taken, ...$more];
                $rank = [...$harm, round($cap - self::outlay($then), 6), count($set)];
                if ($set === [] || self::outlay($then) > $cap + self::ROUNDING || ($least !== null && $rank >= $least)) {
                    continue;
                }
                $least = $rank;
                $best = self::told($now, $ways, $set, $this->measured('', $now, $then), $then, [...$patch, ...$also]);
            }
        }
        if ($best !== null) {
            $best->of_every = $isEvery;

            return [$best, null];
        }

        return [null, sprintf(
            'The cheapest %s, fewer plants counted in, comes to %s %s, and the cap is %s. Raise the cap, or plan less.',
            $isEvery ? 'of all' : 'that was found',
            number_format($cheapest, 2, '.', ''),
            $now->plan->garden->of(MoneyWish::class)->currency,
            number_format($cap, 2, '.', ''),
        )];
    }

    /**
     * Those that bring no *stop*, from the least harm on.
     *
     * @param  list<array{list<int>, Judgement, list<stdClass>, array<string, true>}>  $sets
     * @return list<array{array{int, int, float}, list<int>, Judgement, list<stdClass>, array<string, true>}>
     */
    private function byHarm(Judgement $now, array $sets): array
    {
        $ranked = [];
        foreach ($sets as $set) {
            $of = $this->measured('', $now, $set[1]);
            if ($of->stops <= 0) {
                $ranked[] = [[$of->mends, $of->minds, round($of->yieldLost, 6)], ...$set];
            }
        }
        usort($ranked, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $ranked;
    }

    /**
     * A garden with every choice of ways that touch money alone on top; none of them where all together do not bring it under the cap.
     *
     * @param  list<SavingWay>  $ways
     * @param  list<int>  $money  those that touch money alone
     * @param  array<string, true>  $touched
     * @param  float  $cheapest  the least that was met so far
     * @return iterable<array{list<int>, Judgement, list<stdClass>}>
     */
    private function withMoney(Judgement $from, array $ways, array $money, array $touched, float $cap, float &$cheapest): iterable
    {
        $open = array_values(array_filter($money, static fn (int $i): bool => ! isset($touched[$ways[$i]->touches])));
        $changes = array_map(static fn (int $i): string => $ways[$i]->touches, $open);
        if (count(array_unique($changes)) === count($changes)) {
            $least = self::outlay($this->together($from, $ways, $open)[0]);
            $cheapest = min($cheapest, $least);
            if ($least > $cap + self::ROUNDING) {
                return [];
            }
        }
        $all = [[[], $from, []], ...iterator_to_array($this->grown($from, $ways, $open, [], $touched, []), false)];
        foreach ($all as [, $judged]) {
            $cheapest = min($cheapest, self::outlay($judged));
        }

        return $all;
    }

    /**
     * Every set of some ways of which no two change the same, each planned on top of the one that it grew from.
     *
     * @param  list<SavingWay>  $ways
     * @param  list<int>  $order  those that may be added
     * @param  list<int>  $taken
     * @param  array<string, true>  $touched
     * @param  list<stdClass>  $patch
     * @return Generator<int, array{list<int>, Judgement, list<stdClass>, array<string, true>}> numbers of the ways, the garden with them,
     *                                                                                         the patch, and what they change
     */
    private function grown(Judgement $from, array $ways, array $order, array $taken, array $touched, array $patch): Generator
    {
        foreach ($order as $n => $i) {
            $more = isset($touched[$ways[$i]->touches]) ? [] : ($ways[$i]->patch)($from->plan->garden);
            if ($more === []) {
                continue;
            }
            $judged = $this->planner->judgeAgain($from, $more, $this->cost);
            $set = [[...$taken, $i], $judged, [...$patch, ...$more], $touched + [$ways[$i]->touches => true]];
            yield $set;
            yield from $this->grown($judged, $ways, array_slice($order, $n + 1), $set[0], $set[3], $set[2]);
        }
    }

    /**
     * The sets that come first by what their savings add up to, the one that saves most, and every one and every two.
     *
     * @param  list<Saving>  $savings
     * @param  list<SavingWay>  $ways
     * @return list<array{list<int>, Judgement, list<stdClass>, array<string, true>}>
     */
    private function likely(Judgement $now, array $savings, array $ways, float $enough): array
    {
        $sets = [...array_slice(LeastHarm::sets($savings, $enough), 0, self::TRIES), LeastHarm::most($savings)];
        foreach (array_keys($ways) as $i) {
            $sets[] = [$i];
            foreach (array_slice(array_keys($ways), $i + 1) as $other) {
                if ($ways[$i]->touches !== $ways[$other]->touches) {
                    $sets[] = [$i, $other];
                }
            }
        }

        return array_map(fn (array $set): array => [$set, ...$this->together($now, $ways, $set), []], $sets);
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

    /** What is picked of all its tubs in their seasons, g: nothing of what only raises plants for others. */
    private static function yield(Judgement $judged): float
    {
        return (float) array_sum(array_map(static function (FeedPlan $feed): float {
            $tub = $feed->tub->tub;

            return $tub->system->isPicked() ? $tub->count * ($feed->run()?->harvested() ?? 0.0) : 0.0;
        }, $judged->plan->get(FeedPlans::class)->all()));
    }
}
