<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Crop\CropShelf;
use stdClass;

/**
 * The shelves a garden takes its things from, by key. Vessels, cups, stones, pumps and tubes are kept in the form a garden file
 * would hold them in place, so both are read by the same code.
 */
final readonly class Library
{
    /**
     * @param  array<string, stdClass>  $vessels
     * @param  array<string, stdClass>  $cups
     * @param  array<string, stdClass>  $stones
     * @param  array<string, stdClass>  $pumps
     * @param  array<string, stdClass>  $tubes
     * @param  array<string, stdClass>  $products
     * @param  array<string, string>  $partNames  of parts that are on no other shelf
     */
    public function __construct(
        public array $vessels,
        public array $cups,
        public CropShelf $crops,
        public array $stones,
        public array $pumps,
        public array $tubes,
        public array $products,
        public OfferShelf $offers,
        public array $partNames,
    ) {
    }

    /**
     * The same shelves with crops of one's own beside the shipped ones.
     *
     * @param  array<string, array<string, mixed>>  $rows  by key
     */
    public function withCrops(array $rows): self
    {
        return $rows === [] ? $this : new self($this->vessels, $this->cups, $this->crops->with($rows), $this->stones, $this->pumps, $this->tubes, $this->products, $this->offers, $this->partNames);
    }

    public function partName(string $key): string
    {
        return $this->partNames[$key] ?? $key;
    }
}
