<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Light\Lamp;

/** One tub of a garden as the grower set it, defaults filled in. */
final readonly class Tub
{
    /** A tub stands for so many alike at the most, as the schema has it. */
    public const MOST_ALIKE = 50;

    public GrowingSystem $system;

    public function __construct(
        public int $index,
        public string $id,
        public string $name,
        public int $count,
        public TubBody $body,
        public TubHoles $holes,
        public TubPlanting $planting,
        public TubWater $water,
        public ?Lamp $lamp = null,
    ) {
        $this->system = $water->system;
    }

    public function pointer(string $rest = ''): string
    {
        return "/tubs/$this->index$rest";
    }
}
