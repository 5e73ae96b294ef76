<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\Tube;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Light\Lamp;
use KelpTub\Core\Season\WeatherClimate;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/** The shelves a garden takes its things from, by key. */
final readonly class Library
{
    /**
     * @param  Shelf<Vessel>  $vessels
     * @param  Shelf<Cup>  $cups
     * @param  Shelf<Crop>  $crops
     * @param  Shelf<Stone>  $stones
     * @param  Shelf<Pump>  $pumps
     * @param  Shelf<Tube>  $tubes
     * @param  Shelf<Lamp>  $lamps
     * @param  Shelf<FeedProduct>  $products
     * @param  Shelf<WeatherClimate>  $climates
     * @param  array<string, string>  $partNames  of parts that are on no other shelf
     * @param  array<string, float>  $produce  what a kilogram of a crop costs in a shop, by crop key
     */
    public function __construct(
        public Shelf $vessels,
        public Shelf $cups,
        public Shelf $crops,
        public Shelf $stones,
        public Shelf $pumps,
        public Shelf $tubes,
        public Shelf $lamps,
        public Shelf $products,
        public Shelf $climates,
        public OfferShelf $offers,
        public array $partNames,
        public array $produce = [],
    ) {
    }

    /**
     * The same shelves with crops of one's own beside the shipped ones.
     *
     * @param  array<string, stdClass>  $rows  by key
     */
    public function withCrops(array $rows): self
    {
        return $rows === [] ? $this : new self(
            $this->vessels,
            $this->cups,
            $this->crops->with(array_map(static fn (stdClass $row): stdClass => (object) [...get_object_vars($row), 'own' => true], $rows)),
            $this->stones,
            $this->pumps,
            $this->tubes,
            $this->lamps,
            $this->products,
            $this->climates,
            $this->offers,
            $this->partNames,
            $this->produce,
        );
    }

    /**
     * The shelf that a member of a garden file takes its keys from; null where it takes none.
     *
     * @return Shelf<Vessel>|Shelf<Cup>|Shelf<Stone>|Shelf<Pump>|Shelf<Tube>|Shelf<Lamp>|Shelf<FeedProduct>|null
     */
    public function shelfFor(string $member): ?Shelf
    {
        return match ($member) {
            'vessel' => $this->vessels,
            'cup', 'cups_2' => $this->cups,
            'kind' => $this->stones,
            'pump' => $this->pumps,
            'tube' => $this->tubes,
            'lamp' => $this->lamps,
            'product' => $this->products,
            default => null,
        };
    }

    public function partName(string $key): string
    {
        return $this->partNames[$key] ?? $key;
    }
}
