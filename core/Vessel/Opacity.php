<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** How much light a wall lets through. Light on the solution grows algae. */
enum Opacity: string
{
    case Opaque = 'opaque';
    case Translucent = 'translucent';
    case Clear = 'clear';

    public function needsCover(): bool
    {
        return $this !== self::Opaque;
    }
}
