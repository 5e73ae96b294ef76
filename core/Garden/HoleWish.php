<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Geometry\Point;

/** A hole set by hand: where, and what is to grow in it and in which of the tub's two cups, where that was said. */
final readonly class HoleWish
{
    /** @param  int|null  $cup  0 for the tub's cup, 1 for the second size */
    public function __construct(public Point $point, public ?Crop $crop, public ?int $cup)
    {
    }
}
