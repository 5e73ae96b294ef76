<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/**
 * The size of a stone's bubbles: how much of the air's oxygen dissolves on the way up and what it takes to start them.
 *
 * Source: handbook, rules section 7 († estimates from aeration practice).
 */
enum Bubble: string
{
    case Coarse = 'coarse';
    case Medium = 'medium';
    case Fine = 'fine';

    /** Standard oxygen transfer efficiency per metre of water, as a share. */
    public function transferPerMetre(): float
    {
        return match ($this) {
            self::Coarse => 0.025,
            self::Medium => 0.04,
            self::Fine => 0.06,
        };
    }

    /** Pressure that wets the stone through before it bubbles, kPa. */
    public function wettingPressure(): float
    {
        return match ($this) {
            self::Coarse => 1.0,
            self::Medium => 2.0,
            self::Fine => 5.0,
        };
    }
}
