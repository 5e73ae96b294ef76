<?php

declare(strict_types=1);

namespace KelpTub\Core\Units;

/** The grower's way of writing measures. The core computes in SI whichever it is. */
enum UnitSystem: string
{
    case Metric = 'metric';
    case Us = 'us';
}
