<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/**
 * How the pH of a tub goes: set where it is tested, it drifts towards that of the water it was made of, the faster the harder that is.
 *
 * `p ← p + 0.08†·min(2, s/0.4)·(p_source − p)` a day; a top-up mixes by litres. Source: handbook, season (a day of the simulation, 4).
 */
final readonly class Acidity
{
    /** † of the way back to the source's in a day, at water of 0.4 mS/cm. */
    private const DRIFT = 0.08;

    private const USUAL_EC = 0.4;

    private const MOST = 2.0;

    private float $share;

    /** Of water that is poured in: the school's target where it is tested, else that of the source. */
    public float $poured;

    /**
     * @param  float  $source  pH of the water
     * @param  float|null  $aim  to which fills, changes and top-ups are set; null where nobody tests
     * @param  float  $ec  of the water, mS/cm
     */
    public function __construct(private float $source, ?float $aim, float $ec)
    {
        $this->poured = $aim ?? $source;
        $this->share = self::DRIFT * min(self::MOST, $ec / self::USUAL_EC);
    }

    public function afterDay(float $ph): float
    {
        return $ph + $this->share * ($this->source - $ph);
    }

    /** After so many litres were poured into others. */
    public function mixed(float $ph, float $litres, float $poured): float
    {
        return ($ph * $litres + $this->poured * $poured) / ($litres + $poured);
    }
}
