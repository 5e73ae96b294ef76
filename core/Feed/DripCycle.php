<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * A nursery's small water pump on a timer, which wets its cups from the top until roots reach the water. L/h and minutes.
 *
 * Source: handbook, words and rules section 4; the marks † are general practice for plugs of seedlings.
 */
final readonly class DripCycle
{
    public const DEFAULT_FLOW_L_H = 60.0;

    public const DEFAULT_ON_MIN = 15.0;

    public const DEFAULT_OFF_MIN = 45.0;

    /** † less than this to a cup while the pump runs drips unevenly, L/h. */
    public const LEAST_PER_CUP_L_H = 1.0;

    /** † more than this washes medium out of a small cup, L/h. */
    public const MOST_PER_CUP_L_H = 20.0;

    /** † a plug without roots in the water dries in about so long, minutes. */
    public const MOST_OFF_MIN = 120.0;

    public function __construct(public float $flow, public float $on, public float $off)
    {
    }

    /** Share of the time that the pump runs. */
    public function duty(): float
    {
        return $this->on / ($this->on + $this->off);
    }

    /** Litres that go over the cups in a day. */
    public function litresADay(): float
    {
        return $this->flow * 24 * $this->duty();
    }

    /** How many times a day the litres of a tub go over its cups; null for an empty one. */
    public function turnovers(float $litres): ?float
    {
        return $litres > 0.0 ? $this->litresADay() / $litres : null;
    }

    /** Flow to each of so many cups while the pump runs, L/h; null without cups. */
    public function perCup(int $cups): ?float
    {
        return $cups < 1 ? null : $this->flow / $cups;
    }
}
