<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\OfferShelf;

/** The grower's money: currency, a cap to stay under, what is there already, and offers of their own. */
final readonly class MoneyWish
{
    /** @param  array<string, float>  $owned  quantity by part key */
    public function __construct(
        public string $currency,
        public ?float $cap,
        public array $owned,
        public OfferShelf $offers,
        public float $electricityPerKwh,
        public float $waterPerLitre,
    ) {
    }
}
