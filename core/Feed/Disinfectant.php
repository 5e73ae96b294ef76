<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** What keeps tap water clean in its pipes: chlorine goes off in the open within a day, chloramine does not. */
enum Disinfectant: string
{
    case None = 'none';
    case Chlorine = 'chlorine';
    case Chloramine = 'chloramine';

    /** Hours in an open vessel after which it is gone; null where standing does not help. */
    public function standingHours(): ?int
    {
        return match ($this) {
            self::None => 0,
            self::Chlorine => 24,
            self::Chloramine => null,
        };
    }
}
