<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/**
 * The plants of one crop in a tub, all set out on one day: how they grow, what they take out of the water, and what they come to.
 *
 * Ages are days of their own from the tub's start on: of seeds sown in the tub the days of raising are in them. A day of good warmth and
 * light is a day of age. Source: handbook, season (growing goes by warmth and light).
 */
final readonly class CropStand
{
    /** A day's mean air may be so far out of the crop's window for water before it slows growth, °C. */
    public const COMFORT_C = 4.0;

    /** † °C out of comfort at which nothing grows. */
    private const STILL_C = 12.0;

    /** From this share of the crop's light on growth is not held up; at this share and under it a little is left of it †. */
    private const LIGHT_ENOUGH = 0.75;

    private const LIGHT_LEAST = 0.25;

    private const DIM = 0.3;

    /** Roots grow so far down in a day, mm †. */
    private const ROOTS_MM_A_DAY = 12.0;

    private const ROUNDING_DAYS = 1.0e-9;

    public float $comfortLow;

    public float $comfortHigh;

    /** Oxygen that its roots ask for as grown, mg/h at 20 °C. */
    private float $rootOxygen;

    /** The age at which seeds come up; 0 of what is set out as plants. */
    private float $sproutsAt;

    public bool $bearsFruit;

    /** @param  WaterUse  $use  of all its plants, at the climate of the site */
    public function __construct(public Crop $crop, public int $plants, public WaterUse $use, private Density $density = Density::Roomy)
    {
        $this->comfortLow = $crop->waterTempLowC - self::COMFORT_C;
        $this->comfortHigh = $crop->waterTempHighC + self::COMFORT_C;
        $this->rootOxygen = $density->useShare() * $plants * $crop->rootOxygenMgH;
        $this->sproutsAt = (float) ($crop->sproutsOn() ?? 0);
        $this->bearsFruit = $crop->group === CropGroup::Fruit;
    }

    /** The same with so many plants fewer: those that there are grow as before. At least one stays. */
    public function without(int $plants): self
    {
        $left = max(1, $this->plants - $plants);
        $use = $this->use;

        return new self(
            $this->crop,
            $left,
            new WaterUse($use->toHarvest * $left / $this->plants, $use->harvestDay, $use->lastDay, $use->firstDay),
            $this->density,
        );
    }

    /** Whether it is sown in the tub, and not set out as plants. */
    public function isSownHere(): bool
    {
        return $this->use->firstDay > 0.0;
    }

    /** Share of its growth that a day of so warm an air leaves: 1 in comfort, straight to nothing 12 °C† out of it. */
    public function growthByAir(float $celsius): float
    {
        $out = max(0.0, $this->comfortLow - $celsius, $celsius - $this->comfortHigh);

        return max(0.0, 1 - $out / self::STILL_C);
    }

    /** Share of its growth that so much of its light leaves: 1 from three quarters on, straight to 0.3† at a quarter. */
    public static function growthByLight(float $share): float
    {
        $dim = max(0.0, min(1.0, ($share - self::LIGHT_LEAST) / (self::LIGHT_ENOUGH - self::LIGHT_LEAST)));

        return self::DIM + (1 - self::DIM) * $dim;
    }

    /** What a day of so warm an air and of such a share of its light is to it. */
    public function day(float $celsius, float $lightShare): StandDay
    {
        $byLight = self::growthByLight($lightShare);
        $growth = $this->growthByAir($celsius) * $byLight;

        return new StandDay($growth, $celsius > $this->comfortHigh ? $byLight : $growth, $celsius < $this->crop->leastAirC);
    }

    /** Litres from the start to an age at the site's climate; a crop past its last harvest drinks no more. */
    public function drunkBy(float $age): float
    {
        return $this->use->until(min($age, $this->use->lastDay));
    }

    /** Oxygen that its roots ask for at an age, mg/h at 20 °C: as grown from the first harvest on. */
    public function oxygenAt(float $age): float
    {
        return $this->rootOxygen * $this->use->grown($age);
    }

    /** Whether it has come to its first harvest. */
    public function isReady(float $age): bool
    {
        return $age >= $this->use->harvestDay - self::ROUNDING_DAYS;
    }

    /** Whether it has come past its last harvest. */
    public function isDone(float $age): bool
    {
        return $age >= $this->use->lastDay - self::ROUNDING_DAYS;
    }

    /** Days since transplanting, or what stands for it: negative while a seed is raised in the tub. */
    public function sinceTransplanting(float $age): float
    {
        return $age - $this->use->firstDay;
    }

    /** x: the part of the way from transplanting to the first harvest; negative before. */
    public function wayTo(float $age): float
    {
        return ($age - $this->use->firstDay) / ($this->use->harvestDay - $this->use->firstDay);
    }

    /** How far down its roots hang, mm. */
    public function roots(float $age): float
    {
        return max(0.0, self::ROOTS_MM_A_DAY * ($age - $this->use->firstDay));
    }

    public function hasSprouted(float $age): bool
    {
        return $age >= $this->sproutsAt;
    }

    /** What all its plants bring in a season on which nothing falls short, g: plants × yield × the density's share. */
    public function yield(): float
    {
        return $this->plants * $this->crop->yieldG * $this->density->yieldShare();
    }
}
