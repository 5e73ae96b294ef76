<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * Where the water stands, in mm above the inside floor: for grown plants, at the first fill, and the highest it may ever have.
 *
 * An aerated tub with a gap is filled up to its cups for plants that come with short roots; they drink it down to the line.
 * Source: handbook, rules section 4 and season (the first fill).
 *
 * For `third` the line is that of the first fill (a passive tub lives on it); the third of the cup-bottom height at which it is held later
 * is `held`.
 */
final readonly class WaterLine
{
    /** Air between a grown plant's cup and the water in an aerated or nursery tub, mm. */
    public const GAP_MM = 20.0;

    /** How far a passive cup stands in the water at planting, mm. */
    public const PASSIVE_DIP_MM = 10.0;

    /** How far a high start stands above the cup's bottom, mm. */
    public const HIGH_START_MM = 25.0;

    /** A raft floats this far below the rim unless a gap is given, mm. */
    public const RAFT_BELOW_RIM_MM = 50.0;

    /** How far cups dip below a raft's water, mm. */
    public const RAFT_DIP_MM = 7.5;

    /** A cloner's water stands this far under the stem ends, mm. */
    public const CLONER_BELOW_STEMS_MM = 50.0;

    /** An overflow hole is drilled this far above the highest line, mm. */
    public const OVERFLOW_MM = 5.0;

    private function __construct(
        public float $cupBottom,
        public float $grown,
        public float $start,
        public ?float $held,
    ) {
    }

    /**
     * @param  float  $hangingBottom  height of the cup's bottom as it hangs in the lid, mm; a raft's cups float instead
     * @param  float  $raftBelowRim  how far below the rim a raft's water stands, mm
     * @param  float  $stemBelowCup  how far a cloner's stems hang out of the cup's bottom, mm
     * @param  bool  $fromSeed  seeds are sown in the tub: it is filled to its line, and they are wetted from above
     */
    public static function of(
        GrowingSystem $system,
        LineChoice $choice,
        float $hangingBottom,
        float $rim,
        float $raftBelowRim = self::RAFT_BELOW_RIM_MM,
        float $stemBelowCup = 0.0,
        bool $fromSeed = false,
    ): self {
        if ($system === GrowingSystem::Raft) {
            $line = max(0.0, $rim - $raftBelowRim);

            return new self(max(0.0, $line - self::RAFT_DIP_MM), $line, $line, null);
        }
        $bottom = $hangingBottom;
        [$grown, $start, $held] = match ($system) {
            GrowingSystem::Passive => [
                $bottom + self::PASSIVE_DIP_MM,
                $bottom + self::PASSIVE_DIP_MM,
                $choice === LineChoice::Third ? $bottom / 3 : null,
            ],
            GrowingSystem::Cloner => [
                $bottom - $stemBelowCup - self::CLONER_BELOW_STEMS_MM,
                $bottom - $stemBelowCup - self::CLONER_BELOW_STEMS_MM,
                null,
            ],
            GrowingSystem::Nursery => [$bottom - self::GAP_MM, $bottom - self::GAP_MM, null],
            default => match ($choice) {
                LineChoice::Touch => [$bottom, $bottom, null],
                LineChoice::HighStart => [$bottom + self::HIGH_START_MM, $bottom + self::HIGH_START_MM, null],
                LineChoice::DrawnDown => [$bottom * 2 / 3, $fromSeed ? $bottom * 2 / 3 : $bottom, null],
                default => [$bottom - self::GAP_MM, $fromSeed ? $bottom - self::GAP_MM : $bottom, null],
            },
        };
        $inside = static fn (float $level): float => max(0.0, min($rim, $level));

        return new self($bottom, $inside($grown), $inside($start), $held === null ? null : $inside($held));
    }

    /** The highest line the tub ever has, mm. */
    public function highest(): float
    {
        return max($this->grown, $this->start);
    }

    /** Height of the overflow hole of a tub that stands in the rain, mm. */
    public function overflow(): float
    {
        return $this->highest() + self::OVERFLOW_MM;
    }
}
