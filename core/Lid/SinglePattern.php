<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/** One cup in the middle of the lid, or as near to it as keep-outs let it. */
final class SinglePattern implements Pattern
{
    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        if ($count !== 1) {
            return [];
        }
        $place = $space->holdsOneInTheMiddle() ? new Point(0.0, 0.0) : $space->places->nearestToMiddle();

        return $place === null ? [] : [Arrangement::of(PatternKind::Single, [$place])];
    }
}
