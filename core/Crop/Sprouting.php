<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** Whether seeds come up in light or in the dark. */
enum Sprouting: string
{
    case Light = 'light';
    case Dark = 'dark';
    case Either = 'either';
}
