<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use stdClass;

/**
 * A crop of the Library: what one mature plant needs, by the roomy school. Field names and units follow the crop table's columns.
 *
 * The least air and the daily light that a crop of one's own does not give are those of its group; `hardinessGiven` is false then.
 */
final readonly class Crop
{
    /** With less than this share of its light it grows thin and slow. */
    private const LIGHT_SHARE = 0.75;

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
        private bool $own = false,
        public StartedFrom $started = StartedFrom::Plug,
        public float $leastAirC = 0.0,
        public float $lightMolDay = 12.0,
        public bool $hardinessGiven = true,
        public ?Sowing $sowing = null,
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
            (float) $row->mature_mass_g, (float) $row->mature_height_mm, $row->habit, $row->own ?? false,
            leastAirC: (float) ($row->least_air_c ?? CropGroup::from($row->group)->leastAirC()),
            lightMolDay: (float) ($row->light_mol_day ?? CropGroup::from($row->group)->lightMolDay()),
            hardinessGiven: isset($row->least_air_c, $row->light_mol_day),
            sowing: Sowing::fromRow($row, CropGroup::from($row->group)),
        );
    }

    /** The same crop, started otherwise. */
    public function startedFrom(StartedFrom $started): self
    {
        return $started === $this->started ? $this : new self(...[...get_object_vars($this), 'started' => $started]);
    }

    /** Whether it needs a trellis or strings to grow up along. */
    public function climbs(): bool
    {
        return $this->support === 'trellis';
    }

    /** Whether so many hours of light a day are enough for it. */
    public function isLitFor(float $hours): bool
    {
        return $hours >= self::LIGHT_SHARE * $this->lightHours;
    }

    /** Whether so much light in a day is enough for it, mol/m². */
    public function isLitBy(float $mol): bool
    {
        return $mol >= self::LIGHT_SHARE * $this->lightMolDay;
    }

    /** Whether it wants a stake to stand by when it bears. */
    public function isStaked(): bool
    {
        return $this->support === 'stake';
    }

    /** Days of raising before the tub's day 0. */
    public function daysBefore(): int
    {
        return $this->started->isRaised() ? $this->daysSowToTransplant : 0;
    }

    /** Days in the tub in which a seed becomes what is set out otherwise; next to nothing is drunk in them. */
    public function daysWithin(): int
    {
        return $this->started === StartedFrom::Seed ? $this->daysSowToTransplant : 0;
    }

    /** The tub's day on which seeds in it have sprouted and their cover comes off; null where none are sown in it. */
    public function sproutsOn(): ?int
    {
        return $this->started === StartedFrom::Seed ? $this->daysGerminate : null;
    }

    /** Its name inside a sentence: in small letters, but for one that the grower has given. */
    public function inSentence(): string
    {
        return $this->own ? $this->name : mb_strtolower($this->name);
    }

    /** Its name at the start of a sentence with what it does: "Basil does well", "Chives do well". */
    public function doing(string $one, string $many): string
    {
        return "$this->name ".($this->isPlural() ? $many : $one);
    }

    /** The same within a sentence. */
    public function doingInSentence(string $one, string $many): string
    {
        return $this->inSentence().' '.($this->isPlural() ? $many : $one);
    }

    /** Whether its name is of many: "chives", "stem cuttings"; not "watercress". */
    public function isPlural(): bool
    {
        return preg_match('/[^usi]s$/u', $this->name) === 1;
    }

    public function middleEc(): float
    {
        return ($this->ecLow + $this->ecHigh) / 2;
    }
}
