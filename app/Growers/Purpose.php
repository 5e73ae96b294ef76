<?php

declare(strict_types=1);

namespace App\Growers;

/** What a one-time code lets somebody do, and for how long. */
enum Purpose: string
{
    /** Be the first grower, to whom belongs what is here. */
    case First = 'first';

    /** Become a grower. */
    case Invitation = 'invitation';

    /** Choose a new password. */
    case Reset = 'reset';

    /** Sign a device in without a password. */
    case Device = 'device';

    public function minutes(): int
    {
        return match ($this) {
            self::First, self::Invitation => 7 * 24 * 60,
            self::Reset => 24 * 60,
            self::Device => 5,
        };
    }

    /** Letters and digits: one that is typed by thumb in five minutes is short, one that lies about for a week is not. */
    public function length(): int
    {
        return $this === self::Device ? 8 : 26;
    }
}
