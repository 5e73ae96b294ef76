<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Tub\TubParts;
use KelpTub\Core\Marks\Tub\TubPlan;

/** The saws that a lid's holes are cut with, where no knife does; one serves the whole garden. */
final class LidParts
{
    /** @return list<Need> */
    public static function of(TubPlan $plan, Garden $garden, Library $library): array
    {
        $needs = [];
        foreach ($plan->cutting->isCutByKnife() ? [] : $plan->cutting->sizes as $i => $size) {
            if ($size->saw !== null && $plan->holes->cupsOf($i) > 0) {
                $needs[] = new Need(
                    SawSeries::key($size->seat->hole),
                    "Hole saw {$size->saw->name()}",
                    NeedKind::Tool,
                    1,
                    stage: NeedStage::Saws,
                    shared: true,
                    owned: $size->saw->owned ? 1.0 : 0.0,
                    why: "cuts the holes for the {$size->cup->name}",
                    for: [$plan->tub->id],
                );
                $needs[] = TubParts::drill($library, [$plan->tub->id]);
            }
        }

        return $needs;
    }
}
