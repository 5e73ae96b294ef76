<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/**
 * What was read or done at a copy of a tub at one moment of the grower's clock: only what was observed is there. Made by EntryReader.
 *
 * mm from the inside floor, mS/cm, °C, litres, g. What is put in comes after the readings.
 */
final readonly class Entry
{
    private const NOON = 720;

    /**
     * @param  int  $day  as `Dates` counts
     * @param  int  $minute  of the day
     * @param  float|null  $topUpEc  of what was poured in
     * @param  array<string, array{string, float}>  $doses  unit and amount by what it was
     * @param  list<Sign>  $signs
     * @param  list<string>  $did  keys of what was ticked
     * @param  string  $from  who took it: hand, meter, import
     * @param  string|null  $replaces  id of the entry that it puts right
     * @param  string|null  $strikes  id of the entry that it takes back
     * @param  stdClass  $raw  as it was written
     */
    public function __construct(
        public string $id,
        public string $tub,
        public int $copy,
        public ?string $planting,
        public int $day,
        public int $minute,
        public ?float $level,
        public ?float $ec,
        public ?float $ph,
        public ?float $celsius,
        public float $topUp,
        public ?float $topUpEc,
        public bool $change,
        public array $doses,
        public ?float $harvest,
        public ?int $picked,
        public array $signs,
        public array $did,
        public string $note,
        public ?string $photo,
        public string $from,
        public ?string $replaces,
        public ?string $strikes,
        public stdClass $raw,
    ) {
    }

    /** Its moment in days: noon of day 3 is 3.5. */
    public function time(): float
    {
        return $this->day + $this->minute / Dates::MINUTES_A_DAY;
    }

    public function isMorning(): bool
    {
        return $this->minute < self::NOON;
    }

    /** Whether anything of the water was read. */
    public function isReading(): bool
    {
        return $this->level !== null || $this->ec !== null || $this->ph !== null || $this->celsius !== null;
    }

    /** Whether water or parts were put in. */
    public function isWet(): bool
    {
        return $this->topUp > 0.0 || $this->change || $this->doses !== [];
    }
}
