<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/**
 * Two vessels one in the other: the upper holds the water, the lower houses the pump, blocks between the two floors. Lengths in mm.
 *
 * The upper stands on the blocks; its outside is its inside and its walls. Heights are above the lower one's inside floor.
 */
final readonly class NestedPair
{
    /** † thickness of a plastic wall. */
    public const WALL_MM = 2.5;

    /** † a small air pump with its feet and a bend of tube wants so much room over the lower floor. */
    public const PUMP_ROOM_MM = 70.0;

    /** Blocks that leave the pump its room, and the hand some. */
    public const DEFAULT_BLOCKS_MM = 80.0;

    /** The cord hole lets a plug pass. */
    public const CORD_HOLE_MM = 32.0;

    private const ROUNDING_MM = 1.0e-9;

    /**
     * @param  float  $room  between the two floors, for the pump
     * @param  float  $above  by which the upper one's rim stands over the lower one's
     * @param  float  $gap  least distance between the walls at any height; negative where the upper does not go in; infinite where they
     *     do not overlap
     * @param  float|null  $narrowestAt  height at which the walls are nearest; null where they do not overlap
     */
    private function __construct(
        public Vessel $lower,
        public float $blocks,
        public float $room,
        public float $above,
        public float $gap,
        public ?float $narrowestAt,
    ) {
    }

    public static function of(Profile $upper, float $upperFloor, Vessel $lower, float $blocks): self
    {
        $foot = $blocks;
        $top = $foot + $upperFloor + $upper->rim();
        $gap = INF;
        $narrowestAt = null;
        foreach (self::heights($upper, $upperFloor, $lower->profile, $blocks) as $height) {
            $inside = $lower->profile->sectionAt($height);
            $outside = $upper->sectionAt(max(0.0, $height - $foot - $upperFloor));
            $side = min($inside->length - $outside->length, $inside->width - $outside->width) / 2 - self::WALL_MM;
            if ($side < $gap - self::ROUNDING_MM) {
                [$gap, $narrowestAt] = [$side, $height];
            }
        }

        return new self($lower, $blocks, $blocks, $top - $lower->profile->rim(), $gap, $narrowestAt);
    }

    public function goesIn(): bool
    {
        return $this->gap >= 0.0;
    }

    /** Height of the cord hole's middle in the lower one's wall: in the pump's room, off its floor. */
    public function cordHole(): float
    {
        return max(self::CORD_HOLE_MM, $this->room / 2);
    }

    /** Height of the upper one's inside floor above the lower one's outside floor. */
    public function lift(): float
    {
        return $this->lower->floor + $this->blocks;
    }

    /**
     * Heights at which the distance between the walls can be least: both run straight between their stations.
     *
     * @return list<float>
     */
    private static function heights(Profile $upper, float $upperFloor, Profile $lower, float $blocks): array
    {
        $foot = $blocks;
        $top = min($lower->rim(), $foot + $upperFloor + $upper->rim());
        $heights = [$foot, $top];
        foreach ($upper->stations as $station) {
            $heights[] = $foot + $upperFloor + $station->height;
        }
        foreach ($lower->stations as $station) {
            $heights[] = $station->height;
        }

        return array_values(array_filter($heights, static fn (float $h): bool => $h >= $foot && $h <= $top));
    }
}
