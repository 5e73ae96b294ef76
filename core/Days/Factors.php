<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

/** How the plants of a tub drink and eat against their figures: from a day on as it was learned, before it as given. */
final readonly class Factors
{
    /** A factor so near to one is one: what is left is rounding. */
    private const SAME = 1.0e-6;

    /**
     * @param  int|null  $from  as `Dates` counts; null where nothing was learned
     * @param  array{float, float}  $before  drinking and eating up to then
     */
    public function __construct(
        public float $drinks = 1.0,
        public float $eats = 1.0,
        public ?int $from = null,
        public array $before = [1.0, 1.0],
    ) {
    }

    /** @return array{float, float} how they drink and eat on a day */
    public function on(int $date): array
    {
        return $this->from !== null && $date >= $this->from ? [self::near($this->drinks), self::near($this->eats)] : $this->before;
    }

    private static function near(float $factor): float
    {
        return abs($factor - 1.0) < self::SAME ? 1.0 : $factor;
    }
}
