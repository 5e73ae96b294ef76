<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** Whether a feed's dose follows the plants, or is the label's from the start. */
enum Strength: string
{
    case ByStage = 'by-stage';
    case Simple = 'simple';
}
