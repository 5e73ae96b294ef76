<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** Stones alike in one depth of water, as the end of a tube feels them. kPa, L/min. */
final readonly class Outflow
{
    /** † a clogged stone wants so much more to bubble, kPa for each time its resistance has risen. */
    private const CLOGGED_KPA = 0.5;

    /**
     * @param  float  $threshold  what must be overcome before any air flows: water and the wetting of the stone
     * @param  float  $resistance  of all of them together, kPa per L/min
     */
    public function __construct(public StoneSet $set, public float $submergence, public float $threshold, public float $resistance)
    {
    }

    /**
     * @param  float  $submergence  water over the stones, mm
     * @param  float  $clogging  times its resistance as new
     */
    public static function of(StoneSet $set, float $submergence, float $clogging = 1.0): self
    {
        return new self(
            $set,
            $submergence,
            Line::KPA_PER_METRE_OF_WATER * $submergence / 1000 + $set->stone->bubble->wettingPressure()
                + self::CLOGGED_KPA * ($clogging - 1),
            $clogging * $set->stone->resistance / $set->count,
        );
    }

    public function flowAt(float $pressure): float
    {
        $drive = $pressure - $this->threshold;

        return match (true) {
            $drive <= 0.0 => 0.0,
            $this->resistance <= 0.0 => INF,
            default => $drive / $this->resistance,
        };
    }
}
