<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** An air stone: its bubbles, its length (mm), the air it works with (L/min) and its resistance (kPa per L/min). */
final readonly class Stone
{
    /** Height of a stone's top above the inside floor unless given, mm. */
    public const DEFAULT_HEIGHT_MM = 20.0;

    /** Water that stands over a stone at least, mm; in a shallow tub a share of its water line will do. */
    private const LEAST_COVER_MM = 80.0;

    private const LEAST_COVER_SHARE = 0.4;

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

    /** Least water over a stone under such a water line, mm: 80, or two fifths of it. Source: handbook, rules sections 2 and 7. */
    public static function leastCover(float $line): float
    {
        return min(self::LEAST_COVER_MM, self::LEAST_COVER_SHARE * $line);
    }
}
