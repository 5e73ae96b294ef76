<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * A cup in a hole of a diameter d (mm): how it hangs, what bears it and how far it stands proud.
 *
 * d ≥ lip falls through; body top ≤ d < lip hangs by its lip; bottom < d < body top is wedged, raised by
 * `height·(top − d)/(top − bottom)`; d ≤ bottom does not enter. Held aside it bears `(lip + top)/2 − d` on the other.
 * Source: handbook, rules section 3.
 */
final readonly class Seat
{
    /** Least bearing of the lip on each side, mm. */
    public const LEAST_BEARING_MM = 1.5;

    /** Most play before light leaks and the cup wobbles, mm. */
    public const MOST_PLAY_MM = 4.0;

    /** Least play for a cup to drop in freely, mm. */
    private const LEAST_PLAY_MM = 0.5;

    /** What a cup that is held aside still bears on the other side at least, mm. */
    public const LEAST_HELD_ASIDE_MM = 1.0;

    private const ROUNDING_MM = 1.0e-9;

    private function __construct(
        public SeatKind $kind,
        public float $hole,
        public float $raise,
        public float $bearing,
        public float $play,
        public float $heldAside,
    ) {
    }

    public static function of(Cup $cup, float $hole): self
    {
        $kind = match (true) {
            $hole >= $cup->lip => SeatKind::FallsThrough,
            $hole >= $cup->top => SeatKind::Lip,
            $hole > $cup->bottom => SeatKind::Wedged,
            default => SeatKind::DoesNotEnter,
        };
        $raise = $kind === SeatKind::Wedged ? $cup->height * ($cup->top - $hole) / ($cup->top - $cup->bottom) : 0.0;

        return new self($kind, $hole, $raise, ($cup->lip - $hole) / 2, $hole - $cup->top, ($cup->lip + $cup->top) / 2 - $hole);
    }

    /** Whether its lip bears enough on each side. */
    public function bears(): bool
    {
        return $this->bearing >= self::LEAST_BEARING_MM - self::ROUNDING_MM;
    }

    /** Whether it drops in freely, bears on each side, and bears still when it is held aside. */
    public function isSnug(): bool
    {
        return $this->bears()
            && $this->play >= self::LEAST_PLAY_MM - self::ROUNDING_MM
            && $this->heldAside >= self::LEAST_HELD_ASIDE_MM - self::ROUNDING_MM;
    }

    /** Whether it stands in its hole so loosely that light gets in, or its lip slips off on one side. */
    public function isLoose(): bool
    {
        return $this->play > self::MOST_PLAY_MM + self::ROUNDING_MM
            || $this->heldAside < self::LEAST_HELD_ASIDE_MM - self::ROUNDING_MM;
    }

    /** Whether it hangs by its lip, bears enough, and is not loose. */
    public function sitsWell(): bool
    {
        return $this->kind === SeatKind::Lip && $this->bears() && ! $this->isLoose();
    }

    public function holds(): bool
    {
        return $this->kind === SeatKind::Lip || $this->kind === SeatKind::Wedged;
    }
}
