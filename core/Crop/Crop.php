<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use stdClass;

/** A crop of the Library: what one mature plant needs, by the roomy school. Field names and units follow the crop table's columns. */
final readonly class Crop
{
    public function __construct(
        public string $key,
        public string $name,
        public CropGroup $group,
        public float $spacingMm,
        public float $litresPerPlant,
        public float $waterToHarvestL,
        public int $daysGerminate,
        public int $daysSowToTransplant,
        public int $daysTransplantToHarvest,
        public bool $repeats,
        public int $daysHarvestLasts,
        public StillWater $stillWater,
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

    /** A crop of a row with the crop table's columns. */
    public static function fromRow(stdClass $row, string $key): self
    {
        return new self(
            $key, $row->name ?? $key, CropGroup::from($row->group),
            (float) $row->spacing_mm, (float) $row->litres_per_plant, (float) $row->water_to_harvest_l,
            (int) $row->days_germinate, (int) $row->days_sow_to_transplant, (int) $row->days_transplant_to_harvest,
            $row->harvest === 'repeat', (int) $row->days_harvest_lasts, StillWater::from($row->passive),
            (float) $row->ec_low, (float) $row->ec_high, (float) $row->ph_low, (float) $row->ph_high,
            (float) $row->root_oxygen_mg_h, (float) $row->water_temp_low_c, (float) $row->water_temp_high_c,
            $row->support, (float) $row->light_hours, (float) $row->yield_g, (float) $row->cup_min_mm,
            (float) $row->mature_mass_g, (float) $row->mature_height_mm, $row->habit,
        );
    }

    public function middleEc(): float
    {
        return ($this->ecLow + $this->ecHigh) / 2;
    }
}
