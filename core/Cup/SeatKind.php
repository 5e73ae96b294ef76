<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/** How a cup sits in its hole. */
enum SeatKind: string
{
    case FallsThrough = 'falls-through';
    case Lip = 'lip';
    case Wedged = 'wedged';
    case DoesNotEnter = 'does-not-enter';
}
