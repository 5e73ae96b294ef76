<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Cup\Cup;

/** A kind of cup with the hole it hangs in and the height of its bottom above the inside floor, mm. */
final readonly class CupInHole
{
    public function __construct(public Cup $cup, public float $hole, public float $bottom)
    {
    }
}
