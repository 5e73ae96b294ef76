<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** What a grower would call a vessel. */
enum VesselKind: string
{
    case Bucket = 'bucket';
    case Tote = 'tote';
    case Jar = 'jar';
    case Bottle = 'bottle';
    case Tray = 'tray';
    case Other = 'other';
}
