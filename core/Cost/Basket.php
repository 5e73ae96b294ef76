<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * What is bought, where: packs for every need so that their prices and the parcels together cost least, exactly.
 *
 * On equal cost the one with fewer parcels wins, then the one with less left over by its worth. Source: handbook, build, "Parts and
 * money".
 *
 * For each set of suppliers that may be open, each part has its cheapest cover from those alone; the best set wins. Where a supplier
 * brings a parcel for nothing from some sum on, or takes no order below one, covers that cost more and buy more there are looked at too,
 * as far as the money that they could save.
 *
 * @phpstan-type Way array{packs: list<array{Offer, int}>, cost: float, spent: array<string, float>}
 */
final class Basket
{
    /** So many suppliers with terms a garden may name; of those without, as many more as go in are weighed for the number of parcels. */
    public const MOST_SUPPLIERS = 8;

    private const ROUNDING = 1.0e-9;

    private const MILLION = 1_000_000;

    /** Sums of packs beyond the need that are looked at. */
    private const SUMS = 3_000;

    /** Looks at dearer covers that one basket is worth. */
    private const STEPS = 100_000;

    /** @var list<Supplier> of whom something is offered and who may be left out */
    private array $suppliers = [];

    /** @var list<Supplier> the rest, who deliver for nothing and take any order */
    private array $always = [];

    /** @var list<int> of each part the set of suppliers that offer it */
    private array $offering;

    /** @var array<int, array<int, array{packs: list<array{Offer, int}>, cost: float}|null>> by part and set of suppliers */
    private array $covers = [];

    /** @var array<int, array<int, array{most: float, all: list<Way>}>> covers that cost so much at most, by part and set of suppliers */
    private array $ways = [];

    /** @var array{float, int, float} cost, parcels, worth of what is left over */
    private array $best = [INF, PHP_INT_MAX, INF];

    /** @var list<list<array{Offer, int}>> packs by part */
    private array $packs = [];

    private int $steps = 0;

    /** @var array<int, float> what a parcel of each supplier costs at least, going by all that could be bought there */
    private array $least = [];

    /**
     * @param  list<float>  $missing  what is to be bought of each part
     * @param  list<list<Offer>>  $offers  for each part
     * @param  list<Supplier>  $known
     */
    private function __construct(private readonly array $missing, private array $offers, array $known)
    {
        $names = [];
        foreach ($offers as $i => $ofPart) {
            foreach ($missing[$i] > self::ROUNDING ? $ofPart : [] as $offer) {
                if ($offer->supplier !== null) {
                    $names[$offer->supplier] = true;
                }
            }
        }
        $byName = [];
        foreach ($known as $supplier) {
            $byName[$supplier->name] = $supplier;
        }
        $here = array_map(static fn (string|int $name): Supplier => $byName[$name] ?? new Supplier((string) $name), array_keys($names));
        usort($here, static fn (Supplier $a, Supplier $b): int => [$b->hasTerms(), $a->name] <=> [$a->hasTerms(), $b->name]);
        $this->suppliers = array_slice($here, 0, self::MOST_SUPPLIERS);
        $this->always = array_slice($here, self::MOST_SUPPLIERS);
        $this->least = array_map(static fn (Supplier $supplier): float => $supplier->least(), $this->suppliers);
        $numbers = array_flip(array_map(static fn (Supplier $supplier): string => $supplier->name, $this->suppliers));
        $this->offering = array_map(static function (array $ofPart) use ($numbers): int {
            $set = 0;
            foreach ($ofPart as $offer) {
                $set |= isset($numbers[$offer->supplier]) ? 1 << $numbers[$offer->supplier] : 0;
            }

            return $set;
        }, $offers);
    }

    /**
     * @param  list<float>  $missing  what is to be bought of each part, in its unit
     * @param  list<list<Offer>>  $offers  for each part
     * @param  list<Supplier>  $suppliers  with their terms
     * @return array{packs: list<list<array{Offer, int}>|null>, parcels: array<string, float>} packs of each part, null where nobody offers
     * it; parcels by supplier, with what each costs to bring
     */
    public static function of(array $missing, array $offers, array $suppliers): array
    {
        $basket = new self($missing, $offers, $suppliers);
        $basket->search();
        $packs = [];
        foreach ($missing as $i => $amount) {
            $packs[] = $amount > self::ROUNDING && $offers[$i] === [] ? null : $basket->packs[$i] ?? [];
        }

        $delivery = array_column($basket->suppliers, 'delivery', 'name');
        $parcels = $basket->parcels($basket->packs);
        foreach ($parcels as $name => $cost) {
            $parcels[$name] = $cost === INF ? $delivery[$name] : $cost;
        }

        return ['packs' => $packs, 'parcels' => $parcels];
    }

    private function search(): void
    {
        $all = (1 << count($this->suppliers)) - 1;
        $sets = [];
        foreach (range(0, $all) as $set) {
            $bound = $this->boundOf($set);
            if ($bound !== null) {
                $sets[$set] = $bound;
            }
        }
        // What can come cheapest first: a good one early leaves little to look at.
        asort($sets);
        foreach (array_keys($sets) as $set) {
            $this->within($set);
        }
        if ($this->best[0] === INF) {
            // No order is large enough to be taken: what the goods cost is said all the same.
            $this->packs = array_map(fn (int $i): array => $this->cover($i, $all)['packs'] ?? [], array_keys($this->missing));
        }
    }

    /** No less than this comes of these suppliers alone; null where they do not offer all that is to be had. */
    private function boundOf(int $set): ?float
    {
        $all = (1 << count($this->suppliers)) - 1;
        $bound = 0.0;
        foreach (array_keys($this->missing) as $i) {
            $cover = $this->cover($i, $set);
            if ($cover === null && $this->cover($i, $all) !== null) {
                return null;
            }
            $bound += $cover['cost'] ?? 0.0;
        }
        foreach ($this->suppliers as $s => $supplier) {
            $bound += ($set >> $s & 1) === 1 ? $this->least[$s] : 0.0;
        }

        return $bound;
    }

    /** The best with these suppliers open and no others; parts that nobody offers are left out. */
    private function within(int $set): void
    {
        $goods = 0.0;
        $packs = [];
        foreach (array_keys($this->missing) as $i) {
            $cover = $this->cover($i, $set) ?? ['packs' => [], 'cost' => 0.0];
            $packs[$i] = $cover['packs'];
            $goods += $cover['cost'];
        }
        $least = 0.0;
        $counts = false;
        foreach ($this->suppliers as $s => $supplier) {
            if (($set >> $s & 1) === 1) {
                $least += $this->least[$s];
                $counts = $counts || $supplier->countsGoods();
            }
        }
        if ($goods + $least > $this->best[0] + self::ROUNDING) {
            return;
        }
        $this->keep(array_values($packs));
        if ($counts && $goods + $least < $this->best[0] - self::ROUNDING) {
            foreach ($this->terms($set, $goods) as $terms) {
                $this->deeper($set, $goods, $terms);
            }
        }
    }

    /**
     * How the parcels of a set of suppliers may be brought: of each who counts goods, paid for or for nothing, with the goods that this
     * asks for. Those that cost least in any case come first.
     *
     * @param  float  $goods  of the cheapest covers
     * @return list<array{marks: array<int, float>, paid: float}> marks by supplier; what parcels cost to bring
     */
    private function terms(int $set, float $goods): array
    {
        $all = [['marks' => [], 'paid' => 0.0]];
        foreach ($this->suppliers as $s => $supplier) {
            if (($set >> $s & 1) === 0) {
                continue;
            }
            $next = [];
            foreach ($all as $terms) {
                $marks = $supplier->minOrder > 0.0 ? [$s => $supplier->minOrder] + $terms['marks'] : $terms['marks'];
                $next[] = ['marks' => $marks, 'paid' => $terms['paid'] + $supplier->delivery];
                if ($supplier->delivery > 0.0 && $supplier->freeOver !== null) {
                    $next[] = [
                        'marks' => [$s => max($supplier->minOrder, $supplier->freeOver)] + $terms['marks'],
                        'paid' => $terms['paid'],
                    ];
                }
            }
            $all = $next;
        }
        // Without a mark the cheapest covers are best, and those were looked at already.
        $all = array_filter($all, static fn (array $terms): bool => $terms['marks'] !== []);
        usort($all, static fn (array $a, array $b): int => max($goods, array_sum($a['marks'])) + $a['paid']
            <=> max($goods, array_sum($b['marks'])) + $b['paid']);

        return $all;
    }

    /**
     * Looks at covers that cost more than the cheapest where they buy more at a supplier whose goods are to come to a mark, and at packs
     * beyond the need.
     *
     * Part by part the ways so far are kept of which no other costs as little and buys as much at each of those suppliers; goods beyond
     * the mark count no more.
     *
     * @param  float  $goods  of the cheapest covers
     * @param  array{marks: array<int, float>, paid: float}  $terms
     */
    private function deeper(int $set, float $goods, array $terms): void
    {
        ['marks' => $marks, 'paid' => $paid] = $terms;
        $mayCost = $this->mayCost();
        $spare = $mayCost - $goods - $paid;
        if ($spare < -self::ROUNDING || array_sum($marks) + $paid > $mayCost + self::ROUNDING) {
            return;
        }
        $options = $most = [];
        $counting = array_sum(array_map(static fn (int $s): int => 1 << $s, array_keys($marks)));
        foreach (array_keys($this->missing) as $i) {
            $cheapest = $this->cover($i, $set)['cost'] ?? 0.0;
            $options[$i] = [];
            // Of what nobody with a mark offers, no dearer cover is worth a look.
            foreach ($this->minimal($i, $set, ($this->offering[$i] & $counting) === 0 ? $cheapest : $cheapest + $spare) as $way) {
                $bought = array_map(
                    fn (int $s): float => $way['spent'][$this->suppliers[$s]->name] ?? 0.0,
                    array_combine($k = array_keys($marks), $k),
                );
                $options[$i][] = ['cost' => $way['cost'], 'goods' => $bought, 'packs' => $way['packs']];
            }
            $options[$i] = array_map(static fn (int $n): array => $options[$i][$n], self::worthKeeping($options[$i]));
            foreach (array_keys($marks) as $s) {
                $most[$s] = ($most[$s] ?? 0.0) + self::mostOf($options[$i], $s);
            }
        }
        $ways = [['cost' => 0.0, 'goods' => array_map(static fn (): float => 0.0, $marks), 'picked' => []]];
        $rest = $goods + $paid;
        foreach ($options as $i => $ofPart) {
            $rest -= $this->cover($i, $set)['cost'] ?? 0.0;
            foreach (array_keys($marks) as $s) {
                $most[$s] -= self::mostOf($ofPart, $s);
            }
            $next = [];
            foreach ($ways as $before) {
                foreach ($ofPart as $way) {
                    $cost = $before['cost'] + $way['cost'];
                    // What no cover can buy any more is bought beyond the need, money for money.
                    $beyond = 0.0;
                    $bought = [];
                    foreach ($marks as $s => $mark) {
                        $bought[$s] = min($mark, $before['goods'][$s] + $way['goods'][$s]);
                        $beyond += max(0.0, $mark - $bought[$s] - $most[$s]);
                    }
                    if ($cost + $rest + $beyond > $mayCost + self::ROUNDING || $this->steps++ > self::STEPS) {
                        continue;
                    }
                    $next[] = ['cost' => $cost, 'goods' => $bought, 'picked' => [$before, $way['packs']]];
                }
            }
            $ways = array_map(static fn (int $n): array => $next[$n], self::worthKeeping($next));
        }
        foreach ($ways as $way) {
            $this->keep($this->filledUp(self::picked($way), $marks, $way['goods']));
        }
    }

    /**
     * What a basket may cost to be worth a look: as much as the best so far; without one, what packs beyond the need make of each order.
     */
    private function mayCost(): float
    {
        if ($this->best[0] < INF) {
            return $this->best[0];
        }
        $all = (1 << count($this->suppliers)) - 1;
        $most = 0.0;
        foreach (array_keys($this->missing) as $i) {
            $most += max([
                0.0,
                ...array_map(static fn (Offer $o): float => $o->price, $this->offers[$i]),
            ]) + ($this->cover($i, $all)['cost'] ?? 0.0);
        }

        return $most + array_sum(array_map(static fn (Supplier $s): float => $s->minOrder + $s->delivery, $this->suppliers));
    }

    /** @param  list<array{cost: float, goods: array<int, float>, packs: list<array{Offer, int}>}>  $ways */
    private static function mostOf(array $ways, int $supplier): float
    {
        return max([0.0, ...array_map(static fn (array $way): float => $way['goods'][$supplier], $ways)]);
    }

    /**
     * Numbers of the ways, by cost, without those that cost no less than another and buy no more anywhere.
     *
     * @param  list<array{cost: float, goods: array<int, float>}>  $ways
     * @return list<int>
     */
    private static function worthKeeping(array $ways): array
    {
        uasort($ways, static fn (array $a, array $b): int => $a['cost'] <=> $b['cost']
            ?: array_sum($b['goods']) <=> array_sum($a['goods']));
        $kept = [];
        foreach ($ways as $number => $way) {
            foreach ($kept as $other) {
                foreach ($way['goods'] as $s => $goods) {
                    if ($goods > $ways[$other]['goods'][$s] + self::ROUNDING) {
                        continue 2;
                    }
                }

                continue 2;
            }
            $kept[] = $number;
        }

        return $kept;
    }

    /**
     * The packs of a way, part by part.
     *
     * @param  array<string, mixed>  $way
     * @return list<list<array{Offer, int}>>
     */
    private static function picked(array $way): array
    {
        $packs = [];
        while (is_array($way['picked'] ?? null) && $way['picked'] !== []) {
            /** @var list<array{Offer, int}> $of */
            [$way, $of] = $way['picked'];
            $packs[] = $of;
        }

        return array_reverse($packs);
    }

    /**
     * The same with packs beyond the need where goods do not come to their mark.
     *
     * @param  list<list<array{Offer, int}>>  $packs
     * @param  array<int, float>  $marks  by supplier
     * @param  array<int, float>  $goods
     * @return list<list<array{Offer, int}>>
     */
    private function filledUp(array $packs, array $marks, array $goods): array
    {
        foreach ($marks as $s => $mark) {
            $short = $mark - $goods[$s];
            foreach ($short > self::ROUNDING ? $this->beyond($this->suppliers[$s], $short) : [] as [$i, $offer]) {
                $packs[$i] = self::joined([...$packs[$i], [$offer, 1]]);
            }
        }

        return $packs;
    }

    /**
     * The cheapest packs of one supplier that come to a sum at least: sums upward in millionths of money, each by the pack that it was
     * reached with.
     *
     * @return list<array{int, Offer}> part and pack, as often as it is bought
     */
    private function beyond(Supplier $supplier, float $short): array
    {
        $prices = [];
        foreach ($this->offers as $i => $offers) {
            foreach ($this->missing[$i] > self::ROUNDING ? $offers : [] as $offer) {
                if ($offer->supplier === $supplier->name && $offer->price > self::ROUNDING) {
                    $prices[(int) round($offer->price * self::MILLION)] ??= [$i, $offer];
                }
            }
        }
        if ($prices === []) {
            return [];
        }
        $short = (int) ceil($short * self::MILLION - 0.5);
        $from = [0 => null];
        $open = [0];
        $best = PHP_INT_MAX;
        for ($k = 0; $k < count($open) && $k < self::SUMS; $k++) {
            foreach ($prices as $price => $of) {
                $next = $open[$k] + $price;
                if ($next < $best && ! isset($from[$next])) {
                    $from[$next] = [$open[$k], $of];
                    $next >= $short ? $best = $next : $open[] = $next;
                }
            }
        }
        $packs = [];
        for ($at = $best; $at !== PHP_INT_MAX && $from[$at] !== null; $at = $from[$at][0]) {
            $packs[] = $from[$at][1];
        }

        return $packs;
    }

    /**
     * @param  list<array{Offer, int}>  $packs
     * @return list<array{Offer, int}> each offer once
     */
    private static function joined(array $packs): array
    {
        $joined = [];
        foreach ($packs as [$offer, $count]) {
            $key = spl_object_id($offer);
            $joined[$key] = [$offer, $count + ($joined[$key][1] ?? 0)];
        }

        return array_values($joined);
    }

    /**
     * Covers of a part that would fall short without any of their packs, and cost no more than so much, by cost.
     *
     * @return array<int, Way>
     */
    private function minimal(int $i, int $set, float $most): array
    {
        $of = $set & $this->offering[$i];
        $known = $this->ways[$i][$of] ?? null;
        if ($known === null || $known['most'] < $most) {
            $this->ways[$i][$of] = $known = ['most' => $most, 'all' => $this->minimalOf($i, $of, $most)];
        }

        return $known['most'] === $most ? $known['all'] : array_filter(
            $known['all'],
            static fn (array $way): bool => $way['cost'] <= $most + self::ROUNDING,
        );
    }

    /** @return list<Way> */
    private function minimalOf(int $i, int $set, float $most): array
    {
        $cheapest = $this->cover($i, $set) ?? ['packs' => [], 'cost' => 0.0];
        $all = [[...$cheapest, 'spent' => self::spent($cheapest['packs'])]];
        $offers = $this->missing[$i] > self::ROUNDING ? $this->open($i, $set) : [];
        // The largest pack first: what is short after some of them is not made up for by leaving one of those away.
        usort($offers, static fn (Offer $a, Offer $b): int => $b->pack <=> $a->pack);
        $try = function (int $at, float $missing, float $cost, array $packs) use (&$try, &$all, $offers, $most): void {
            if ($missing <= self::ROUNDING) {
                /** @var list<array{Offer, int}> $packs */
                $all[] = ['packs' => $packs, 'cost' => $cost, 'spent' => self::spent($packs)];

                return;
            }
            $offer = $offers[$at] ?? null;
            for ($n = 0; $offer !== null && $cost + $n * $offer->price <= $most + self::ROUNDING && $this->steps++ < self::STEPS; $n++) {
                $short = $missing - $n * $offer->pack;
                $try($at + 1, $short, $cost + $n * $offer->price, $n > 0 ? [...$packs, [$offer, $n]] : $packs);
                if ($short <= self::ROUNDING) {
                    break;
                }
            }
        };
        if (count($offers) > 1) {
            $try(0, $this->missing[$i], 0.0, []);
        }

        return $all;
    }

    /** @return array{packs: list<array{Offer, int}>, cost: float}|null null where none of them offers it */
    private function cover(int $i, int $set): ?array
    {
        if ($this->missing[$i] <= self::ROUNDING) {
            return ['packs' => [], 'cost' => 0.0];
        }
        $of = $set & $this->offering[$i];
        if (! array_key_exists($of, $this->covers[$i] ?? [])) {
            $packs = PackCover::of($this->missing[$i], $this->open($i, $of));
            $this->covers[$i][$of] = $packs === null ? null : [
                'packs' => $packs,
                'cost' => (float) array_sum(array_map(static fn (array $p): float => $p[0]->price * $p[1], $packs)),
            ];
        }

        return $this->covers[$i][$of];
    }

    /** @return list<Offer> of a part, from these suppliers and from nobody in particular */
    private function open(int $i, int $set): array
    {
        $names = array_column($this->always, 'name');
        foreach ($this->suppliers as $s => $supplier) {
            if (($set >> $s & 1) === 1) {
                $names[] = $supplier->name;
            }
        }

        return array_values(array_filter(
            $this->offers[$i],
            static fn (Offer $o): bool => $o->supplier === null || in_array($o->supplier, $names, true),
        ));
    }

    /** @param  list<list<array{Offer, int}>>  $packs */
    private function keep(array $packs): void
    {
        $parcels = $this->parcels($packs);
        $cost = array_sum($parcels);
        $over = 0.0;
        foreach ($packs as $i => $ofPart) {
            $bought = $paid = 0.0;
            foreach ($ofPart as [$offer, $count]) {
                $bought += $offer->pack * $count;
                $paid += $offer->price * $count;
            }
            $cost += $paid;
            $over += $bought > 0.0 ? $paid * max(0.0, 1.0 - $this->missing[$i] / $bought) : 0.0;
        }
        if ($cost > $this->best[0] + self::ROUNDING) {
            return;
        }
        $now = [$cost, count($parcels), round($over, 6)];
        if ($cost < $this->best[0] - self::ROUNDING || [$now[1], $now[2]] < [$this->best[1], $this->best[2]]) {
            $this->best = $now;
            $this->packs = $packs;
        }
    }

    /**
     * @param  list<list<array{Offer, int}>>  $packs
     * @return array<string, float> what each supplier's parcel costs to bring
     */
    private function parcels(array $packs): array
    {
        $goods = self::spent(array_merge(...$packs));
        $parcels = [];
        foreach ([...$this->suppliers, ...$this->always] as $supplier) {
            if (isset($goods[$supplier->name])) {
                $parcels[$supplier->name] = $supplier->parcel($goods[$supplier->name]);
            }
        }

        return $parcels;
    }

    /**
     * @param  list<array{Offer, int}>  $packs
     * @return array<string, float> money by supplier
     */
    private static function spent(array $packs): array
    {
        $spent = [];
        foreach ($packs as [$offer, $count]) {
            if ($offer->supplier !== null) {
                $spent[$offer->supplier] = ($spent[$offer->supplier] ?? 0.0) + $offer->price * $count;
            }
        }

        return $spent;
    }
}
