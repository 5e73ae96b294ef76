<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** Where spreads come from: worked out on the spot, or remembered from before, since one takes longer than a preview may. */
interface SpreadSource
{
    /**
     * The spread of so many holes; an empty list when they do not fit, null when it is not known yet and not to be worked out now.
     *
     * @return list<Point>|null
     */
    public function spread(LayoutSpace $space, int $count): ?array;
}
