<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/**
 * A cup in a hole of a diameter d (mm): how it hangs, what bears it and how far it stands proud.
 *
 * d ≥ lip falls through; body top ≤ d < lip hangs by its lip; bottom < d < body top is wedged, raised by
 * `height·(top − d)/(top − bottom)`; d ≤ bottom does not enter. Source: handbook, rules section 3.
 */
final readonly class Seat
{
    /** Least bearing of the lip on each side, mm. */
    public const LEAST_BEARING_MM = 1.5;

    /** Most play before light leaks and the cup wobbles, mm. */
    public const MOST_PLAY_MM = 4.0;

    private function __construct(
        public SeatKind $kind,
        public float $hole,
        public float $raise,
        public float $bearing,
        public float $play,
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

        return new self($kind, $hole, $raise, ($cup->lip - $hole) / 2, $hole - $cup->top);
    }

    /** Whether it hangs by its lip with bearing enough and no more play than is good. */
    public function sitsWell(): bool
    {
        return $this->kind === SeatKind::Lip && $this->bearing >= self::LEAST_BEARING_MM && $this->play <= self::MOST_PLAY_MM;
    }

    public function holds(): bool
    {
        return $this->kind === SeatKind::Lip || $this->kind === SeatKind::Wedged;
    }
}
