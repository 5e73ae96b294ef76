<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

use KelpTub\Core\Cup\HangingCups;
use KelpTub\Core\Numbers\Crossing;

/**
 * The solution in a vessel with cups hanging in it: litres for a level and level for litres, what the pebbles displace taken off.
 *
 * Displaced = 0.55† of the submerged inside of every cup filled with pebbles. Source: handbook, rules section 2.
 */
final readonly class Reservoir
{
    /** † share of a pebble-filled cup that is solid; clay pebbles pack to between 0.5 and 0.6. */
    public const SOLID_SHARE = 0.55;

    private const LEVEL_TOLERANCE_MM = 1.0e-10;

    private float $lowestBottom;

    /** Level up to which no cup is under water, and the litres there. */
    private float $free;

    private float $freeLitres;

    /** @param  list<HangingCups>  $cups */
    public function __construct(private Profile $profile, private array $cups, private bool $pebbles)
    {
        $this->lowestBottom = min([INF, ...array_map(static fn (HangingCups $c): float => $c->bottom, $cups)]);
        $this->free = min($this->lowestBottom, $profile->rim());
        $this->freeLitres = $profile->volumeAt($this->free);
    }

    /** Litres displaced at a level, mm above the inside floor. */
    public function displacedAt(float $level): float
    {
        if (! $this->pebbles || $level <= $this->lowestBottom) {
            return 0.0;
        }

        return self::SOLID_SHARE * array_sum(
            array_map(static fn (HangingCups $c): float => $c->count * $c->cup->litresBelow($level - $c->bottom), $this->cups),
        );
    }

    /** Litres of solution at a level; never below 0. */
    public function litresAt(float $level): float
    {
        return max(0.0, $this->profile->volumeAt($level) - $this->displacedAt($level));
    }

    /** Level in mm at which $litres of solution stand, up to the rim. */
    public function levelFor(float $litres): float
    {
        if ($litres <= $this->freeLitres) {
            return $this->profile->depthFor($litres);
        }

        // It stands no lower than without any pebbles, and no higher than with all of them under water.
        return Crossing::of(
            fn (float $level): float => $litres - $this->litresAt($level),
            max(0.0, $this->free, $this->profile->depthFor($litres)),
            $this->profile->depthFor($litres + $this->displacedAt($this->profile->rim())),
            self::LEVEL_TOLERANCE_MM,
        );
    }
}
