<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * The cheapest mix of packs that covers a need, exactly.
 *
 * On equal cost the mix with less left over wins, then the one with fewer packs. Source: handbook, rules section 9.
 *
 * Worked out amount by amount from nothing up, in the coarsest step that all packs are whole numbers of. Of a large need most is bought in
 * the pack of the lowest price per unit: as many other packs as that one has steps hold some that it can take the place of, for no more
 * money. Packs of so many sizes that this takes too long are searched with the same bound, as far as STEPS go.
 */
final class PackCover
{
    private const ROUNDING = 1.0e-9;

    /** Packs are whole numbers of this at the finest. */
    private const FINEST = 0.001;

    /** Looks that one need is worth. */
    private const STEPS = 150_000;

    private float $bestCost = INF;

    private float $bestLeft = INF;

    private int $bestPacks = PHP_INT_MAX;

    /** @var list<int> */
    private array $best = [];

    private int $steps = 0;

    /** @param  non-empty-list<Offer>  $offers in order of price per unit */
    private function __construct(private readonly array $offers)
    {
    }

    /**
     * How many of each offer to buy, largest pack first.
     *
     * @param  list<Offer>  $offers
     * @return list<array{Offer, int}>|null null when there is something to cover and no offer
     */
    public static function of(float $need, array $offers): ?array
    {
        if ($need <= self::ROUNDING) {
            return [];
        }
        $one = self::onePack($need, $offers);
        if ($one !== null) {
            return [[$one, 1]];
        }
        $offers = self::worthLooking($offers);
        if ($offers === []) {
            return null;
        }
        if (count($offers) === 1) {
            return [[$offers[0], (int) ceil($need / $offers[0]->pack - self::ROUNDING)]];
        }
        $cover = new self($offers);
        $counts = $cover->inSteps($need);
        if ($counts === null) {
            $cover->branch(0, $need, 0.0, 0, []);
            $counts = $cover->best;
        }
        $bought = [];
        foreach ($counts as $i => $count) {
            if ($count > 0) {
                $bought[] = [$offers[$i], $count];
            }
        }
        usort($bought, static fn (array $a, array $b): int => $b[0]->pack <=> $a[0]->pack);

        return $bought;
    }

    /**
     * The pack of the lowest price where it holds all that is needed, the smaller of those alike; null where it does not, or costs nothing.
     * Whatever else covers the need holds a pack that costs as much at least.
     *
     * @param  list<Offer>  $offers
     */
    private static function onePack(float $need, array $offers): ?Offer
    {
        $best = null;
        foreach ($offers as $offer) {
            if ($best === null || $offer->price < $best->price - self::ROUNDING) {
                $best = $offer;
            } elseif ($offer->price <= $best->price + self::ROUNDING && self::holds($offer, $need)) {
                $best = ! self::holds($best, $need) || $offer->pack < $best->pack ? $offer : $best;
            }
        }

        return $best !== null && $best->price > self::ROUNDING && self::holds($best, $need) ? $best : null;
    }

    private static function holds(Offer $offer, float $need): bool
    {
        return $offer->pack >= $need - self::ROUNDING * max(1.0, $offer->pack);
    }

    /**
     * By price per unit, the larger pack first, without those that a pack as large or larger undersells.
     *
     * @param  list<Offer>  $offers
     * @return list<Offer>
     */
    private static function worthLooking(array $offers): array
    {
        if (count($offers) < 2) {
            return $offers;
        }
        usort($offers, static fn (Offer $a, Offer $b): int => [$b->pack, $a->price] <=> [$a->pack, $b->price]);
        $kept = [];
        $cheapest = INF;
        $largest = INF;
        foreach ($offers as $offer) {
            if ($offer->price < $cheapest || ($offer->price === $cheapest && $offer->pack < $largest)) {
                $kept[] = $offer;
                [$cheapest, $largest] = [$offer->price, $offer->pack];
            }
        }
        usort($kept, static fn (Offer $a, Offer $b): int => [$a->price / $a->pack, -$a->pack] <=> [$b->price / $b->pack, -$b->pack]);

        return $kept;
    }

    /** @return list<int>|null how many of each; null where there are too many steps for it */
    private function inSteps(float $need): ?array
    {
        $packs = array_map(static fn (Offer $o): int => (int) round($o->pack / self::FINEST), $this->offers);
        foreach ($packs as $i => $pack) {
            if ($pack < 1 || abs($pack * self::FINEST - $this->offers[$i]->pack) > self::ROUNDING * max(1.0, $this->offers[$i]->pack)) {
                return null;
            }
        }
        $step = array_reduce($packs, self::commonDivisor(...), 0);
        $sizes = array_map(static fn (int $pack): int => intdiv($pack, $step), $packs);
        $amount = (int) ceil($need / ($step * self::FINEST) - self::ROUNDING);
        // More steps than this are all in the pack of the lowest price per unit.
        $rest = ($sizes[0] - 1) * max($sizes) + $sizes[0];
        $first = max(0, intdiv($amount - $rest, $sizes[0]));
        $amount -= $first * $sizes[0];
        if ($amount * count($sizes) > self::STEPS) {
            return null;
        }
        // For each amount: what covers it best, as cost, left over, packs, and the offer to take first.
        $cost = [0 => 0.0];
        $left = $number = [0 => 0];
        $take = [];
        for ($m = 1; $m <= $amount; $m++) {
            [$least, $over, $many, $which] = [INF, PHP_INT_MAX, PHP_INT_MAX, 0];
            foreach ($sizes as $i => $size) {
                $before = $m > $size ? $m - $size : 0;
                $c = $cost[$before] + $this->offers[$i]->price;
                if ($c > $least + self::ROUNDING) {
                    continue;
                }
                $l = $m > $size ? $left[$before] : $size - $m;
                $n = $number[$before] + 1;
                if ($c < $least - self::ROUNDING || $l < $over || ($l === $over && $n < $many)) {
                    [$least, $over, $many, $which] = [$c, $l, $n, $i];
                }
            }
            [$cost[$m], $left[$m], $number[$m], $take[$m]] = [$least, $over, $many, $which];
        }
        $counts = array_fill(0, count($sizes), 0);
        $counts[0] = $first;
        for ($m = $amount; $m > 0; $m -= $sizes[$which]) {
            $which = $take[$m];
            $counts[$which]++;
        }

        return array_values($counts);
    }

    private static function commonDivisor(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }

    /** @param  list<int>  $counts of the offers decided so far */
    private function branch(int $i, float $missing, float $cost, int $packs, array $counts): void
    {
        if ($missing <= self::ROUNDING) {
            $this->keep($counts, $cost, -$missing, $packs);

            return;
        }
        if ($i === count($this->offers)) {
            return;
        }
        $offer = $this->offers[$i];
        $next = $this->offers[$i + 1] ?? null;
        for ($count = (int) ceil($missing / $offer->pack - self::ROUNDING); $count >= 0 && $this->steps++ < self::STEPS; $count--) {
            $rest = $missing - $count * $offer->pack;
            $spent = $cost + $count * $offer->price;
            $bound = $rest <= self::ROUNDING ? $spent : ($next === null ? INF : $spent + $rest * $next->price / $next->pack);
            if ($bound > $this->bestCost + self::ROUNDING) {
                // Fewer of this pack leaves more to the dearer ones, so the bound only rises from here.
                if ($rest > self::ROUNDING) {
                    return;
                }

                continue;
            }
            $this->branch($i + 1, $rest, $spent, $packs + $count, [...$counts, $count]);
        }
    }

    /** @param  list<int>  $counts */
    private function keep(array $counts, float $cost, float $left, int $packs): void
    {
        $cheaper = $cost < $this->bestCost - self::ROUNDING;
        $asCheap = abs($cost - $this->bestCost) <= self::ROUNDING;
        if ($cheaper || ($asCheap && [round($left, 6), $packs] < [round($this->bestLeft, 6), $this->bestPacks])) {
            [$this->bestCost, $this->bestLeft, $this->bestPacks, $this->best] = [$cost, $left, $packs, $counts];
        }
    }
}
