<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What keeps a grower at home: the limit that a tub comes over by itself. */
enum Limit: string
{
    /** The water is down to its lowest useful level. */
    case Low = 'low';

    /** The EC is too far over what the plants like. */
    case Strong = 'strong';

    /** Oxygen falls short. */
    case Airless = 'airless';

    /** Something dies. */
    case Dead = 'dead';
}
