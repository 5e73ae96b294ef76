<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

use KelpTub\Core\Numbers\Dates;
use stdClass;

/** How much plants drink, or eat, against their figures, with its range: learned from so many intervals. */
final readonly class Learned
{
    /**
     * @param  float  $factor  k, kept within 0.3 to 3
     * @param  float  $spread  s, its standard error
     * @param  int  $intervals  that it was learned from
     * @param  list<array{from: float, to: float, why: string}>  $leftOut  intervals that were not used, by their moments
     */
    public function __construct(
        public float $factor,
        public float $spread,
        public float $low,
        public float $high,
        public int $intervals,
        public array $leftOut,
    ) {
    }

    /** Whether there are enough intervals for the forecast to go by it. */
    public function isUsed(): bool
    {
        return $this->intervals >= Learning::LEAST;
    }

    public function toReport(): stdClass
    {
        return (object) [
            'factor' => $this->factor,
            'spread' => $this->spread,
            'low' => $this->low,
            'high' => $this->high,
            'intervals' => $this->intervals,
            'left_out' => array_map(static fn (array $out): stdClass => (object) [
                'from' => Dates::moment($out['from']),
                'to' => Dates::moment($out['to']),
                'why' => $out['why'],
            ], $this->leftOut),
        ];
    }
}
