<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** The air into one tub (L/min) and the oxygen balance it makes; a passive tub has no balance, only a saturation (mg/L). */
final readonly class TubAir
{
    /**
     * @param  float  $trickle  water that trickles over the cups and falls back, L/h, mean of the pump's cycle
     * @param  list<array{float, float}>  $stones  of each set that gets air: standard transfer for a metre of water over it, mg/h, and
     *                                             the height of its top, mm
     * @param  float  $batteryHours  that its pumps go on for by themselves when the power is cut
     */
    public function __construct(
        public float $flow,
        public float $saturation,
        public ?OxygenBalance $balance,
        public float $trickle = 0.0,
        public array $stones = [],
        public float $batteryHours = 0.0,
    ) {
    }
}
