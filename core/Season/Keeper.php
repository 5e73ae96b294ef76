<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** Who looks after a tub: a policy, somebody who decides, a log, or nobody. */
interface Keeper
{
    /**
     * What is done on an evening, as the tub stands then.
     *
     * @param  bool  $misses  whether a change of the water that is due is forgotten
     */
    public function deeds(SeasonTub $tub, SeasonState $evening, bool $misses = false): Deeds;
}
