<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Offer;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Cost\Supplier;
use KelpTub\Core\File\Library;

/** The grower's money: currency, a cap to stay under, what is there already, offers of their own and where they come from. */
final readonly class MoneyWish
{
    /**
     * @param  array<string, float>  $owned  quantity by part key
     * @param  array<string, float>  $spares  wanted beyond the need, by part key
     * @param  list<Supplier>  $suppliers
     * @param  array<string, float>  $produce  what a kilogram of a crop would cost, by crop key, where the grower says so
     * @param  bool  $byMeter  EC and pH by meters; otherwise by drops
     * @param  bool  $samples  the Library's sample prices count where the grower gives none
     */
    public function __construct(
        public string $currency,
        public ?float $cap,
        public array $owned,
        public array $spares,
        public OfferShelf $offers,
        public array $suppliers,
        public float $electricityPerKwh,
        public float $waterPerLitre,
        public array $produce,
        public bool $byMeter,
        public bool $samples,
    ) {
    }

    /** @return list<Offer> what a part is to be had for */
    public function offersOf(string $part, Library $library): array
    {
        return $this->samples ? $library->offers->with($this->offers, $part) : $this->offers->for($part);
    }
}
