<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * The cheapest mix of packs that covers a need, exactly.
 *
 * Branch and bound over the offers in order of price per unit: what is still missing costs at least the best remaining price per unit.
 * On equal cost the mix with less left over wins, then the one with fewer packs. Source: handbook, rules section 9.
 */
final class PackCover
{
    private const ROUNDING = 1.0e-9;

    private float $bestCost = INF;

    private float $bestLeft = INF;

    private int $bestPacks = PHP_INT_MAX;

    /** @var list<int> */
    private array $best = [];

    /** @param  list<Offer>  $offers in order of price per unit */
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
        if ($offers === []) {
            return null;
        }
        usort($offers, static fn (Offer $a, Offer $b): int => [$a->price / $a->pack, -$a->pack] <=> [$b->price / $b->pack, -$b->pack]);
        $search = new self($offers);
        $search->branch(0, $need, 0.0, 0, []);
        $bought = [];
        foreach ($search->best as $i => $count) {
            if ($count > 0) {
                $bought[] = [$offers[$i], $count];
            }
        }
        usort($bought, static fn (array $a, array $b): int => $b[0]->pack <=> $a[0]->pack);

        return $bought;
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
        for ($count = (int) ceil($missing / $offer->pack - self::ROUNDING); $count >= 0; $count--) {
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
