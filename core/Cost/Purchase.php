<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** A need as it is bought: what is owned already, which packs, what they cost and what is left of them. */
final readonly class Purchase
{
    /**
     * @param  list<array{Offer, int}>  $packs
     * @param  bool  $priced  false when something must be bought and nobody offers it
     */
    private function __construct(
        public Need $need,
        public float $owned,
        public array $packs,
        public bool $priced,
        public float $cost,
        public float $left,
    ) {
    }

    /**
     * @param  float  $owned  so much is there already by the grower's list; what the need itself says counts too
     * @param  list<Offer>  $offers  for this part
     */
    public static function of(Need $need, float $owned, array $offers): self
    {
        $owned = max($owned, $need->owned);
        $missing = max(0.0, $need->amount - $owned);
        $packs = PackCover::of($missing, $offers);
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
