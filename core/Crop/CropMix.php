<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/**
 * The plants of one tub: one crop, or several that share its water.
 *
 * Amounts are sums over the plants under the tub's school of density. Source: handbook, rules section 6.
 */
final readonly class CropMix
{
    /** @param  list<CropShare>  $shares  none of them empty */
    private function __construct(public array $shares, private Density $density)
    {
    }

    /**
     * So many places dealt out to the crops: first those with a number of their own, what is left evenly to the others. Where the numbers
     * come to more than there is, all are cut by the same share, largest remainders first.
     *
     * Six places for four mizuna and any number of dill: four mizuna, two dill.
     *
     * @param  list<CropWish>  $wishes
     */
    public static function of(array $wishes, Density $density, int $places): self
    {
        return self::ofShares($wishes, self::deal($wishes, $places), $density);
    }

    /**
     * The same proportions for any number of plants: what the water carries is asked of this.
     *
     * @param  list<CropWish>  $wishes
     */
    public static function inProportion(array $wishes, Density $density, int $plants): self
    {
        $given = array_sum(array_map(static fn (CropWish $w): int => $w->plants ?? 0, $wishes));
        $open = count(array_filter($wishes, static fn (CropWish $w): bool => $w->plants === null));
        if ($open === count($wishes) || $given === 0) {
            return self::ofShares($wishes, self::proportional(array_fill(0, count($wishes), 1.0), $plants), $density);
        }
        $each = $given / max(1, count($wishes) - $open);

        return self::ofShares(
            $wishes,
            self::proportional(array_map(static fn (CropWish $w): float => (float) ($w->plants ?? $each), $wishes), $plants),
            $density,
        );
    }

    /**
     * Of crops counted elsewhere.
     *
     * @param  list<Crop>  $crops  one for each plant
     * @param  list<string>  $order  keys of those that come first, in their order
     */
    public static function count(array $crops, Density $density, array $order = []): self
    {
        $byKey = $counts = [];
        foreach ($crops as $crop) {
            $byKey[$crop->key] = $crop;
            $counts[$crop->key] = ($counts[$crop->key] ?? 0) + 1;
        }

        $keys = array_unique(
            [...array_values(array_filter($order, static fn (string $key): bool => isset($byKey[$key]))), ...array_keys($byKey)],
        );

        return new self(
            array_map(static fn (string|int $key): CropShare => new CropShare($byKey[$key], $counts[$key]), array_values($keys)),
            $density,
        );
    }

    /**
     * Of plants that are counted already, each share a stand of its own: two of one crop may have been set in on different days.
     *
     * @param  list<CropShare>  $shares
     */
    public static function stood(array $shares, Density $density): self
    {
        return new self(array_values(array_filter($shares, static fn (CropShare $share): bool => $share->plants > 0)), $density);
    }

    public function isEmpty(): bool
    {
        return $this->shares === [];
    }

    public function plants(): int
    {
        return array_sum(array_map(static fn (CropShare $s): int => $s->plants, $this->shares));
    }

    /** @return list<Crop> */
    public function crops(): array
    {
        return array_map(static fn (CropShare $s): Crop => $s->crop, $this->shares);
    }

    /** The crop by the roomy school's largest figure of its kind, to name one of several. */
    public function widest(): ?Crop
    {
        $widest = null;
        foreach ($this->crops() as $crop) {
            if ($widest === null || $crop->spacingMm > $widest->spacingMm) {
                $widest = $crop;
            }
        }

        return $widest;
    }

    /** Litres that these plants want to stand in, by the roomy school. */
    public function litresWanted(): float
    {
        return $this->sum(static fn (Crop $c): float => $c->litresPerPlant);
    }

    /** Root oxygen of the grown plants at 20 °C and plenty, mg/h. */
    public function rootOxygen(): float
    {
        return $this->density->useShare() * $this->sum(static fn (Crop $c): float => $c->rootOxygenMgH);
    }

    public function matureKg(): float
    {
        return $this->sum(static fn (Crop $c): float => $c->matureMassG) / 1000;
    }

    /** The middle of the EC windows, by plants, mS/cm; 0 without plants. */
    public function middleEc(): float
    {
        return $this->isEmpty() ? 0.0 : $this->sum(static fn (Crop $c): float => $c->middleEc()) / $this->plants();
    }

    /** What all of them drink; null without plants. */
    public function waterUse(float $climate): ?TubWaterUse
    {
        $uses = array_map(fn (CropShare $s): WaterUse => Capacity::waterUse($s->crop, $this->density, $climate, $s->plants), $this->shares);

        return $uses === [] ? null : new TubWaterUse($uses);
    }

    /** @return list<CropStand> what grows of each crop, drinking as at a climate */
    public function stands(float $climate): array
    {
        return array_map(fn (CropShare $s): CropStand => new CropStand(
            $s->crop,
            $s->plants,
            Capacity::waterUse($s->crop, $this->density, $climate, $s->plants),
            $this->density,
        ), $this->shares);
    }

    /**
     * Where the crops' EC windows meet; where they do not, from the lowest to the highest of their middles. Null without plants.
     *
     * @return array{float, float}|null mS/cm, from and to
     */
    public function ecWindow(): ?array
    {
        $crops = $this->crops();
        $meet = self::meet($crops, static fn (Crop $c): array => [$c->ecLow, $c->ecHigh]);
        $middles = array_map(static fn (Crop $c): float => $c->middleEc(), $crops);

        return $middles === [] ? null : ($meet ?? [min($middles), max($middles)]);
    }

    /**
     * Where the crops' pH windows meet; where they do not, from the lowest to the highest of their middles. Null without plants.
     *
     * @return array{float, float}|null from and to
     */
    public function phWindow(): ?array
    {
        $crops = $this->crops();
        $middles = array_map(static fn (Crop $c): float => ($c->phLow + $c->phHigh) / 2, $crops);

        return $middles === []
            ? null
            : (self::meet($crops, static fn (Crop $c): array => [$c->phLow, $c->phHigh]) ?? [min($middles), max($middles)]);
    }

    /**
     * @param  list<Crop>  $crops
     * @param  callable(Crop): array{float, float}  $window
     * @return array{float, float}|null null where they do not meet, or there are none
     */
    private static function meet(array $crops, callable $window): ?array
    {
        [$low, $high] = [-INF, INF];
        foreach ($crops as $crop) {
            [$from, $to] = $window($crop);
            [$low, $high] = [max($low, $from), min($high, $to)];
        }

        return $crops === [] || $low > $high ? null : [$low, $high];
    }

    /** @param  callable(Crop): float  $figure */
    private function sum(callable $figure): float
    {
        $sum = 0.0;
        foreach ($this->shares as $share) {
            $sum += $share->plants * $figure($share->crop);
        }

        return $sum;
    }

    /**
     * @param  list<CropWish>  $wishes
     * @param  list<int>  $numbers
     */
    private static function ofShares(array $wishes, array $numbers, Density $density): self
    {
        $shares = [];
        foreach ($wishes as $i => $wish) {
            if ($numbers[$i] > 0) {
                $shares[] = new CropShare($wish->crop, $numbers[$i]);
            }
        }

        return new self($shares, $density);
    }

    /**
     * @param  list<CropWish>  $wishes
     * @return list<int>
     */
    private static function deal(array $wishes, int $places): array
    {
        $given = array_sum(array_map(static fn (CropWish $w): int => $w->plants ?? 0, $wishes));
        if ($given >= $places) {
            return self::proportional(array_map(static fn (CropWish $w): float => (float) ($w->plants ?? 0), $wishes), $places);
        }
        $open = self::proportional(array_map(static fn (CropWish $w): float => $w->plants === null ? 1.0 : 0.0, $wishes), $places - $given);

        return array_map(static fn (CropWish $w, int $rest): int => $w->plants ?? $rest, $wishes, $open);
    }

    /**
     * Whole numbers in proportion to weights that add up to $total (or to nothing, where all weights are 0); ties to the earlier one.
     *
     * @param  list<float>  $weights
     * @return list<int>
     */
    private static function proportional(array $weights, int $total): array
    {
        $sum = array_sum($weights);
        if ($sum <= 0.0) {
            return array_fill(0, count($weights), 0);
        }
        $exact = array_map(static fn (float $w): float => $w / $sum * $total, $weights);
        $whole = array_map(static fn (float $e): int => (int) floor($e + 1.0e-9), $exact);
        $order = array_keys($exact);
        usort($order, static fn (int $a, int $b): int => [$exact[$b] - $whole[$b], $a] <=> [$exact[$a] - $whole[$a], $b]);
        for ($i = 0, $left = $total - array_sum($whole); $i < $left; $i++) {
            $whole[$order[$i]]++;
        }

        return array_values($whole);
    }
}
