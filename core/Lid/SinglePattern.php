<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

use KelpTub\Core\Geometry\Point;

/** One cup in the middle of the lid. */
final class SinglePattern implements Pattern
{
    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable
    {
        return $count === 1 && $space->holdsOneInTheMiddle()
            ? [Arrangement::of(PatternKind::Single, [new Point(0.0, 0.0)])]
            : [];
    }
}
