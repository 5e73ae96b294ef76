<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** A regular way of laying out holes, complete and stretched evenly over the space. */
interface Pattern
{
    /**
     * The ways of laying out exactly $count holes at least $leastDistance apart, one after the other, so that who needs only one stops
     * there.
     * Keep-outs are not looked at.
     *
     * @return iterable<Arrangement>
     */
    public function arrange(LayoutSpace $space, int $count, float $leastDistance): iterable;
}
