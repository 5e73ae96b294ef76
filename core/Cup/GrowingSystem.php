<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/** How roots get water and air. */
enum GrowingSystem: string
{
    case Aerated = 'aerated';
    case Passive = 'passive';
    case Raft = 'raft';
    case Cloner = 'cloner';
    case Nursery = 'nursery';

    /** Whether a pump bubbles air into it by stones; a nursery is wetted from the top, still water is not. */
    public function hasStones(): bool
    {
        return $this !== self::Passive && $this !== self::Nursery;
    }

    /** Whether plants come to their harvest in it: a nursery hands them over while they are young. */
    public function isPicked(): bool
    {
        return $this !== self::Nursery;
    }

    /** Whether its oxygen comes from bubbles and is judged by the balance of section 7. */
    public function isAerated(): bool
    {
        return $this !== self::Passive;
    }
}
