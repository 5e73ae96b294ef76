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

    /** Whether it leaves the outside light, so that sun warms it less: a bag inside leaves it as dark as it was. */
    public function isLight(): bool
    {
        return in_array($this, [self::Paint, self::Sleeve, self::Foil], true);
    }
}
