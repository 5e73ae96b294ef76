<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * How warm the water of a tub is: it goes after the air, the faster the less of it there is.
 *
 * `T ← T + (T_air + gain − T)·(1 − e^(−86400·h·A/(4.19e6·V/1000)))`, h = 10 W/m²K†. Where the water was measured and the weather is steady,
 * it stays as measured; what a heat wave brings comes on top. Source: handbook, season (a day of the simulation, 2).
 */
final readonly class Warmth
{
    /** † heat through walls and lid, W/m²K; 7 to 15. */
    private const TRANSFER = 10.0;

    private const SECONDS_A_DAY = 86_400.0;

    private const JOULE_PER_LITRE_KELVIN = 4190.0;

    /**
     * @param  float  $start  of the water on day 0, °C
     * @param  float|null  $held  the water as it was measured, in steady weather; null where it goes after the air
     * @param  float  $gain  °C over the air that sun on the tub brings
     * @param  float  $skin  area of walls and lid, m²
     * @param  float  $inside  watts of a water pump inside, mean of its cycle
     */
    public function __construct(
        public float $start,
        private ?float $held,
        private float $gain,
        private float $skin,
        private float $inside = 0.0,
    ) {
    }

    /** Water at the end of a day, °C, from what it was at its start, in so many litres; $warmer of the air by what a what-if brings. */
    public function after(float $water, float $air, float $litres, float $warmer): float
    {
        if ($this->held !== null && $warmer === 0.0 && $water === $this->held) {
            return $water;
        }
        $rest = $this->held !== null
            ? $this->held + $warmer
            : $air + $this->gain + ($this->skin > 0.0 ? $this->inside / (self::TRANSFER * $this->skin) : 0.0);
        if ($litres <= 0.0) {
            return $rest;
        }

        return $water + ($rest - $water)
            * (1 - exp(-self::SECONDS_A_DAY * self::TRANSFER * $this->skin / (self::JOULE_PER_LITRE_KELVIN * $litres)));
    }
}
