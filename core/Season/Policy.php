<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\TopUps;

/** How a tub is looked after: when and how it is topped up, and when its water is changed. */
final readonly class Policy
{
    /** @param  list<TopUp>  $planned  besides what the school brings */
    public function __construct(
        public TopUps $topUps,
        public TopUpStrength $strength,
        public ChangeSchool $change,
        public array $planned = [],
    ) {
    }

    /** Whether the first fill is the last: nothing is put in but what is planned. */
    public function isOneFill(): bool
    {
        return $this->topUps === TopUps::None && $this->change === ChangeSchool::Never;
    }
}
