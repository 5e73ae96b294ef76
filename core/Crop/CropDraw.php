<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** What the plants of one crop take out of a tub: litres, salts with them, and oxygen. */
final readonly class CropDraw
{
    /**
     * @param  float  $middleEc  of the crop's window, mS/cm: what it eats with each litre at the reference climate
     * @param  float  $rootOxygen  of all its plants when grown, at 20 °C and plenty, mg/h
     */
    public function __construct(public WaterUse $use, public float $middleEc, public float $rootOxygen)
    {
    }

    /** Litres from the start to a day; a crop that is cleared drinks no more. */
    public function until(float $day): float
    {
        return $this->use->until(min($day, $this->use->lastDay));
    }

    /** Oxygen that its roots ask for on a day, mg/h at 20 °C: as grown from the first harvest on, and nothing when they are cleared. */
    public function oxygenOn(float $day): float
    {
        return $day > $this->use->lastDay ? 0.0 : $this->rootOxygen * $this->use->grown($day);
    }
}
