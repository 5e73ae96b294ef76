<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** A need as it is bought: what is owned already, which packs, what they cost and what is left of them. */
final readonly class Purchase
{
    /**
     * @param  list<array{Offer, int}>  $packs
     * @param  bool  $priced  false when something must be bought and nobody offers it
     * @param  float  $spare  so much more than the design takes is wanted
     */
    private function __construct(
        public Need $need,
        public float $owned,
        public array $packs,
        public bool $priced,
        public float $cost,
        public float $left,
        public float $spare,
    ) {
    }

    /**
     * What is to be bought: the need and what is wanted to spare, less what is there already by the grower's list or by the need itself.
     */
    public static function missing(Need $need, float $owned, float $spare): float
    {
        return max(0.0, $need->amount + $spare - max($owned, $need->owned));
    }

    /** @param  list<array{Offer, int}>|null  $packs  as they are bought; null when nobody offers what is missing */
    public static function of(Need $need, float $owned, float $spare, ?array $packs): self
    {
        $owned = max($owned, $need->owned);
        $bought = $cost = 0.0;
        foreach ($packs ?? [] as [$offer, $count]) {
            $bought += $count * $offer->pack;
            $cost += $count * $offer->price;
        }

        return new self(
            $need,
            $owned,
            $packs ?? [],
            $packs !== null,
            $cost,
            $packs === null ? 0.0 : max(0.0, $owned + $bought - $need->amount),
            $spare,
        );
    }

    /** Cost of what the design takes out of the packs bought; what was owned costs nothing. */
    public function used(): float
    {
        $bought = array_sum(array_map(static fn (array $pack): float => $pack[0]->pack * $pack[1], $this->packs));
        $missing = max(0.0, $this->need->amount - $this->owned);

        return $bought > 0.0 ? $this->cost * min(1.0, $missing / $bought) : 0.0;
    }
}
