<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** A crop of the Library: what one mature plant needs, by the roomy school. Field names and units follow the crop table's columns. */
final readonly class Crop
{
    public function __construct(
        public string $key,
        public string $name,
        public string $group,
        public float $spacingMm,
        public float $litresPerPlant,
        public float $waterToHarvestL,
        public int $daysGerminate,
        public int $daysSowToTransplant,
        public int $daysTransplantToHarvest,
        public bool $repeats,
        public int $daysHarvestLasts,
        public string $passive,
        public float $ecLow,
        public float $ecHigh,
        public float $phLow,
        public float $phHigh,
        public float $rootOxygenMgH,
        public float $waterTempLowC,
        public float $waterTempHighC,
        public string $support,
        public float $lightHours,
        public float $yieldG,
        public float $cupMinMm,
        public float $matureMassG,
        public float $matureHeightMm,
        public string $habit,
    ) {
    }

    public function middleEc(): float
    {
        return ($this->ecLow + $this->ecHigh) / 2;
    }
}
