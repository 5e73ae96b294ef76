<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** Where it grows: in a room, under a roof, or in the rain. */
enum Setting: string
{
    case Indoor = 'indoor';
    case Covered = 'covered';
    case Open = 'open';
}
