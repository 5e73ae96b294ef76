<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** An air stone: its bubbles, its length (mm), the air it works with (L/min) and its resistance (kPa per L/min). */
final readonly class Stone
{
    /** Height of a stone's top above the inside floor unless given, mm. */
    public const DEFAULT_HEIGHT_MM = 20.0;

    /** Least water above a stone at the lowest level, mm. */
    public const LEAST_COVER_MM = 80.0;

    public function __construct(
        public ?string $key,
        public string $name,
        public Bubble $bubble,
        public float $length,
        public float $leastFlow,
        public float $mostFlow,
        public float $resistance,
    ) {
    }
}
