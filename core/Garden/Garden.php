<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/** One plan: a site, its tubs, its air pumps, its money. Made by GardenReader, never changed. */
final readonly class Garden
{
    public const FORMAT = 'kelp-tub.garden';

    public const VERSION = 1;

    /**
     * @param  stdClass  $document  the file as it was read, unknown keys and all
     * @param  list<Tub>  $tubs
     * @param  list<AirSystem>  $air
     * @param  list<float>|null  $saws  the grower's hole saws, mm; null when never said
     * @param  array<string, float>  $owned  quantity by part key
     */
    public function __construct(
        public stdClass $document,
        public string $name,
        public UnitSystem $units,
        public Site $site,
        public string $currency,
        public ?float $cap,
        public array $tubs,
        public array $air,
        public ?array $saws,
        public array $owned,
    ) {
    }

    public function tub(string $id): ?Tub
    {
        foreach ($this->tubs as $tub) {
            if ($tub->id === $id) {
                return $tub;
            }
        }

        return null;
    }
}
