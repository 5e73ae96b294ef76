<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** How bad a finding is: do not build this, works badly, worth knowing. */
enum Severity: string
{
    case Stop = 'stop';
    case Mend = 'mend';
    case Mind = 'mind';

    /** 0 is the worst. */
    public function rank(): int
    {
        return match ($this) {
            self::Stop => 0,
            self::Mend => 1,
            self::Mind => 2,
        };
    }
}
