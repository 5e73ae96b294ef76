<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** How stiff a lid is, and with it how much must stay between holes and at the rim. Source: handbook, rules section 5. */
enum LidMake: string
{
    case Ribbed = 'ribbed';
    case Plain = 'plain';
    case Thin = 'thin';

    public function isThin(): bool
    {
        return $this === self::Thin;
    }

    /** Least web between two holes, mm (thin: † general practice). */
    public function leastWeb(): float
    {
        return match ($this) {
            self::Ribbed => 10.0,
            self::Plain => 15.0,
            self::Thin => 25.0,
        };
    }

    /** Least distance from a hole's edge to the lid's outline, mm: the rim carries the load. */
    public function leastEdge(): float
    {
        return $this === self::Thin ? 30.0 : 20.0;
    }
}
