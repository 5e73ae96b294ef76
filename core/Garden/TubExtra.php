<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** What a tub may have and does well without. */
enum TubExtra: string
{
    case SightTube = 'sight-tube';
    case Battens = 'battens';
    case DrillGuide = 'drill-guide';

    /** † hole of a bulkhead for a sight tube, mm */
    public const BULKHEAD_HOLE_MM = 13;

    /** † battens under one tub */
    public const BATTENS = 2;
}
