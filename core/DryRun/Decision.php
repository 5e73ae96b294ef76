<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

/** What a grower decides on a day, in the evening. */
final readonly class Decision
{
    /**
     * @param  int  $day  0 is that of transplanting
     * @param  float|null  $litres  of a top-up
     * @param  float|null  $ec  that is poured in, or that the water is brought to; as the tub's habit has it without
     * @param  float|null  $ph  that it is set to
     * @param  int  $days  that one is away, from the next day on
     * @param  string  $at  what is looked at
     */
    public function __construct(
        public int $day,
        public Act $act,
        public ?float $litres = null,
        public ?float $ec = null,
        public ?float $ph = null,
        public int $days = 0,
        public string $at = '',
    ) {
    }
}
