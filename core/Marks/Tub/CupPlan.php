<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\Seat;

/** One size of cup on a lid: its hole, what cuts it, and how high its bottom hangs above the inside floor, mm. */
final readonly class CupPlan
{
    /** @param  Saw|null  $saw  null where none cuts the hole, or nothing is cut */
    public function __construct(public Cup $cup, public Seat $seat, public ?Saw $saw, public float $bottom)
    {
    }
}
