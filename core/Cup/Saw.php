<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

use KelpTub\Core\Units\UnitSystem;

/** A hole saw: the hole it cuts in mm, the size it is sold as in mm, the grower's units, and whether the grower has it already. */
final readonly class Saw
{
    public function __construct(public float $diameter, public float $size, private UnitSystem $system, public bool $owned)
    {
    }

    /** `54 mm` or `2 1/8 in`. */
    public function name(): string
    {
        return SawSeries::name($this->size, $this->system);
    }
}
