<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

use KelpTub\Core\Cup\Cup;

/**
 * The solution in a vessel with cups hanging in it: litres for a level and level for litres, what the pebbles displace taken off.
 *
 * Displaced = 0.55† of the submerged inside of every cup filled with pebbles. Source: handbook, rules section 2.
 */
final readonly class Reservoir
{
    /** † share of a pebble-filled cup that is solid; clay pebbles pack to between 0.5 and 0.6. */
    public const SOLID_SHARE = 0.55;

    private const LEVEL_TOLERANCE_MM = 1.0e-7;

    public function __construct(
        private Profile $profile,
        private Cup $cup,
        private int $cups,
        private float $cupBottom,
        private bool $pebbles,
    ) {
    }

    /** Litres displaced at a level, mm above the inside floor. */
    public function displacedAt(float $level): float
    {
        return $this->pebbles ? self::SOLID_SHARE * $this->cups * $this->cup->litresBelow($level - $this->cupBottom) : 0.0;
    }

    /** Litres of solution at a level; never below 0. */
    public function litresAt(float $level): float
    {
        return max(0.0, $this->profile->volumeAt($level) - $this->displacedAt($level));
    }

    /** Level in mm at which $litres of solution stand, up to the rim. */
    public function levelFor(float $litres): float
    {
        if ($litres <= $this->litresAt($this->cupBottom)) {
            return $this->profile->depthFor($litres);
        }
        [$low, $high] = [max(0.0, $this->cupBottom), $this->profile->rim()];
        while ($high - $low > self::LEVEL_TOLERANCE_MM) {
            $middle = ($low + $high) / 2;
            if ($this->litresAt($middle) < $litres) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }
}
