<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** A regular way of laying out holes, complete and stretched evenly over the space. */
interface Pattern
{
    /**
     * The ways of laying out exactly $count holes whose least distance may reach $pitch, widest first or not; keep-outs are not looked at.
     *
     * @return list<Arrangement>
     */
    public function arrange(LayoutSpace $space, int $count, float $pitch): array;
}
