<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** How a crop takes to still water, with nothing but an air gap to breathe by. */
enum StillWater: string
{
    case Good = 'good';
    case Short = 'short';
    case No = 'no';
}
