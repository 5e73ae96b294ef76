<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** What a seed is started in. */
enum Plug: string
{
    case StoneWool = 'stone-wool';
    case Peat = 'peat';
    case Coir = 'coir';
    case Foam = 'foam';
    case None = 'none';
}
