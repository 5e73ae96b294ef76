<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\TubAir;

/** Each pump's network, and the air and oxygen in each tub. */
final readonly class AirPlans
{
    /**
     * @param  list<AirPlan>  $systems
     * @param  array<string, TubAir>  $tubs  by tub id
     */
    public function __construct(public array $systems, public array $tubs)
    {
    }
}
