<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * Where things are bought, and what a parcel from there costs, in the garden's currency.
 *
 * A parcel costs `delivery`, and nothing once the goods in it come to `freeOver`; an order of less than `minOrder` is not taken. Who is
 * not on a garden's list delivers for nothing and takes any order.
 */
final readonly class Supplier
{
    private const ROUNDING = 1.0e-9;

    public function __construct(
        public string $name,
        public float $delivery = 0.0,
        public ?float $freeOver = null,
        public float $minOrder = 0.0,
    ) {
    }

    /** What a parcel with goods of so much costs to bring; infinite where the order is too small to be taken. */
    public function parcel(float $goods): float
    {
        return match (true) {
            $goods < $this->minOrder - self::ROUNDING => INF,
            $this->freeOver !== null && $goods >= $this->freeOver - self::ROUNDING => 0.0,
            default => $this->delivery,
        };
    }

    /** The least that any parcel from here costs to bring. */
    public function least(): float
    {
        return $this->freeOver === null ? $this->delivery : 0.0;
    }

    /** Goods for which a parcel is as good as it gets: more of them change nothing. */
    public function enough(): float
    {
        return max($this->minOrder, $this->delivery > 0.0 ? $this->freeOver ?? 0.0 : 0.0);
    }

    public function hasTerms(): bool
    {
        return $this->delivery > 0.0 || $this->minOrder > 0.0;
    }

    /** Whether it matters how much is bought here, and not only that something is. */
    public function countsGoods(): bool
    {
        return $this->minOrder > 0.0 || ($this->freeOver !== null && $this->delivery > 0.0);
    }
}
