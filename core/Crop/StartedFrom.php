<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** What comes into the cups at the start. */
enum StartedFrom: string
{
    /** Seed raised in a plug elsewhere, set out when its roots show. */
    case Plug = 'plug';

    /** A young plant that was bought or dug up, its roots rinsed: no plug, no seed, no days of raising. */
    case Seedling = 'seedling';

    /** Seed on the pebbles of the cup itself: no plug, and the days of raising pass in the tub. */
    case Seed = 'seed';

    /** Raised in a nursery of the same garden, which has the seed and the plugs: set out with its plug when its roots hang. */
    case Nursery = 'nursery';

    /** Whether it is raised from seed for this tub, by this garden's grower, before its day 0. */
    public function isRaised(): bool
    {
        return $this === self::Plug || $this === self::Nursery;
    }
}
