<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/** What a day's air and light are to the plants of one crop. */
final readonly class StandDay
{
    /**
     * @param  float  $growth  days of their own that they grow on it
     * @param  float  $thirst  days of their own by which they drink on it: in heat growth slows and thirst does not
     * @param  bool  $kills  whether its air is too cold to live in
     */
    public function __construct(public float $growth, public float $thirst, public bool $kills)
    {
    }
}
