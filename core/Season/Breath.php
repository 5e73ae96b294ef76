<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Saturation;

/**
 * The oxygen in an aerated tub on a day: the steady state for that day's demand, temperature and EC, with its stones as deep as the water
 * then stands over them. The air itself is that of the design's level; how it changes with the level is left out.
 *
 * Source: handbook, season (a day of the simulation, 8) and rules section 7.
 */
final readonly class Breath
{
    /**
     * @param  list<array{float, float}>  $stones  of each set: standard transfer for a metre of water over it, mg/h, and its height, mm
     * @param  float  $area  of the water at its line, m²
     * @param  float  $submerged  share of the roots that breathe in the water
     * @param  float  $trickle  over the cups and back, L/h
     * @param  float  $batteryHours  that the pumps go on for by themselves when the power is cut
     */
    public function __construct(
        private array $stones,
        private float $area,
        private float $submerged,
        private float $altitude,
        private float $trickle = 0.0,
        private float $batteryHours = 0.0,
    ) {
    }

    /** Hours without air where there is no power for so many. */
    public function hoursStill(float $withoutPower): float
    {
        return max(0.0, $withoutPower - $this->batteryHours);
    }

    /**
     * @param  float  $rootDemand  of the plants as they are, at 20 °C, mg/h
     * @param  float  $air  share of the air that comes
     */
    public function balance(float $rootDemand, float $celsius, float $ec, float $level, float $air = 1.0): OxygenBalance
    {
        $transfer = 0.0;
        foreach ($this->stones as [$perMetre, $height]) {
            $transfer += $perMetre * max(0.0, $level - $height) / 1000 * $air;
        }

        return OxygenBalance::of(
            Saturation::at($celsius, $this->altitude, Saturation::SALT_G_L_PER_MS_CM * $ec),
            OxygenBalance::demand($rootDemand, $this->submerged, $celsius),
            $transfer,
            $this->area,
            $celsius,
            $this->trickle,
        );
    }
}
