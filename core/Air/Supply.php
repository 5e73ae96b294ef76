<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** What a pump runs on. */
enum Supply: string
{
    case Mains = 'mains';
    case TwelveVolt = '12v';
    case Battery = 'battery';
    case Solar = 'solar';
}
