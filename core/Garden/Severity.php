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

    /** Of how bad something is judged: 3 to stop for, 2 to mend, 1 to mind. */
    public static function ofLevel(int $level): self
    {
        return match ($level) {
            3 => self::Stop,
            2 => self::Mend,
            default => self::Mind,
        };
    }
}
