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

    /**
     * A crop of a row with the crop table's columns, as text or as numbers.
     *
     * @param  array<string, mixed>  $row
     */
    public static function fromRow(string $key, array $row): self
    {
        $number = static fn (string $column): float => (float) (is_scalar($row[$column] ?? null) ? $row[$column] : 0);
        $text = static fn (string $column, string $default): string => is_string($row[$column] ?? null) ? $row[$column] : $default;

        return new self(
            $key, $text('name', $key), $text('group', 'leaf'),
            $number('spacing_mm'), $number('litres_per_plant'), $number('water_to_harvest_l'),
            (int) $number('days_germinate'), (int) $number('days_sow_to_transplant'), (int) $number('days_transplant_to_harvest'),
            $text('harvest', 'once') === 'repeat', (int) $number('days_harvest_lasts'), $text('passive', 'no'),
            $number('ec_low'), $number('ec_high'), $number('ph_low'), $number('ph_high'),
            $number('root_oxygen_mg_h'), $number('water_temp_low_c'), $number('water_temp_high_c'),
            $text('support', 'none'), $number('light_hours'), $number('yield_g'), $number('cup_min_mm'),
            $number('mature_mass_g'), $number('mature_height_mm'), $text('habit', 'herb'),
        );
    }

    /** @return array<string, string|int|float> with the crop table's columns, its key left out */
    public function toRow(): array
    {
        return [
            'name' => $this->name, 'group' => $this->group,
            'spacing_mm' => $this->spacingMm, 'litres_per_plant' => $this->litresPerPlant, 'water_to_harvest_l' => $this->waterToHarvestL,
            'days_germinate' => $this->daysGerminate, 'days_sow_to_transplant' => $this->daysSowToTransplant, 'days_transplant_to_harvest' => $this->daysTransplantToHarvest,
            'harvest' => $this->repeats ? 'repeat' : 'once', 'days_harvest_lasts' => $this->daysHarvestLasts, 'passive' => $this->passive,
            'ec_low' => $this->ecLow, 'ec_high' => $this->ecHigh, 'ph_low' => $this->phLow, 'ph_high' => $this->phHigh,
            'root_oxygen_mg_h' => $this->rootOxygenMgH, 'water_temp_low_c' => $this->waterTempLowC, 'water_temp_high_c' => $this->waterTempHighC,
            'support' => $this->support, 'light_hours' => $this->lightHours, 'yield_g' => $this->yieldG, 'cup_min_mm' => $this->cupMinMm,
            'mature_mass_g' => $this->matureMassG, 'mature_height_mm' => $this->matureHeightMm, 'habit' => $this->habit,
        ];
    }

    public function middleEc(): float
    {
        return ($this->ecLow + $this->ecHigh) / 2;
    }
}
