<?php

declare(strict_types=1);

namespace App\Http;

use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Log\EntryReader;
use KelpTub\Core\Numbers\Dates;

/** The grower's wall clock, which the page sends: this machine may stand elsewhere. */
final class GrowersClock
{
    /**
     * @return float days as `Dates` counts; noon is a half
     *
     * @throws RefusedGarden when it is no moment
     */
    public static function time(string $now): float
    {
        $moment = EntryReader::moment($now) ?? throw RefusedGarden::one('/now', "is \"$now\", no moment; it reads 2027-04-18T07:40");

        return $moment[0] + $moment[1] / Dates::MINUTES_A_DAY;
    }
}
