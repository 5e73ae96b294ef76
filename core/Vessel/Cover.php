<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** What keeps the light out of a vessel whose walls do not. */
enum Cover: string
{
    case None = 'none';
    case Paint = 'paint';
    case Sleeve = 'sleeve';
    case Foil = 'foil';
    case Liner = 'liner';
}
