<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Garden\Plan;
use stdClass;

/** A garden as a list shows it: its tubs in outline, side by side at one scale, each with its water and what grows in it. */
final class Sketch
{
    /** Tubs in a sketch: more do not tell one garden from another. */
    private const MOST_TUBS = 10;

    /** Plants drawn of a tub. */
    private const MOST_PLANTS = 4;

    /**
     * Lengths in mm, heights above the inside floor.
     *
     * @return list<stdClass>
     */
    public static function of(Plan $plan): array
    {
        $tubs = [];
        foreach ($plan->get(TubPlans::class)->tubs as $tub) {
            for ($copy = 0; $copy < $tub->tub->count && count($tubs) < self::MOST_TUBS; $copy++) {
                $tubs[] = self::tub($tub);
            }
        }

        return $tubs;
    }

    private static function tub(TubPlan $plan): stdClass
    {
        $crop = $plan->crop();

        return (object) [
            'stations' => TubReport::stations($plan->tub->body->vessel->profile->stations),
            'water' => $plan->water->line->grown,
            'top' => $plan->lidTop(),
            'plants' => min(self::MOST_PLANTS, $plan->plants->count),
            'crop' => $crop === null ? null : self::crop($crop),
        ];
    }

    private static function crop(Crop $crop): stdClass
    {
        return (object) [
            'key' => $crop->key,
            'habit' => $crop->habit,
            'height' => $crop->matureHeightMm,
            'spacing' => $crop->spacingMm,
        ];
    }
}
