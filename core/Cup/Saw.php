<?php

declare(strict_types=1);

namespace KelpTub\Core\Cup;

/** A hole saw: its diameter in mm, its name in the grower's units, and whether the grower has it already. */
final readonly class Saw
{
    public function __construct(public float $diameter, public string $name, public bool $owned)
    {
    }
}
