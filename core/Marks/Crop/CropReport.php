<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedWishes;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\TopUp;
use stdClass;

/** The crop's part of a tub's report: who grows, how many the tub carries and why, when they are ready, what they drink. */
final class CropReport
{
    /** @return array<string, mixed> by the tub's key */
    public static function of(FeedPlan $fed, Garden $garden): array
    {
        $plan = $fed->tub;
        $tub = $plan->tub;
        $crop = $plan->crop();
        $density = $tub->planting->density;

        return [
            'chosen' => [
                'density' => $density->value,
                'plug' => $tub->planting->plug->value,
                'fill' => $tub->planting->pebbles ? 'clay-pebbles' : 'none',
                'trellis' => $tub->planting->trellis,
                'started' => $tub->planting->started->value,
            ],
            'capacity' => self::capacity($plan),
            'media' => ['pebbles_l' => $plan->plants->pebbles, 'plugs' => $tub->planting->plug === Plug::None ? 0 : $plan->plants->count],
            'season' => [
                'climate' => $plan->plants->climate,
                'planned_top_ups' => array_map(
                    static fn (TopUp $t): stdClass => (object) ['day' => $t->day, 'litres' => $t->litres],
                    $tub->water->plannedTopUps,
                ),
            ],
            'limits' => [
                'crop_spacing_mm' => $plan->plants->closest->wanted ?? ($crop === null ? null : Neighbours::leaning(
                    $plan->holes->arrangement,
                    $plan->cutting->lid,
                ) * $crop->spacingMm),
                'per_plant_l' => self::litresWanted($plan, $crop),
                'air_gap_harvest_mm' => PassiveRules::GAP_HARVEST_MM,
            ],
            'light' => self::light($fed, $garden),
            'shape' => [
                'crop' => $crop === null ? null : self::drawn($crop, $density),
                'crops' => array_map(static fn (Crop $c): stdClass => self::drawn($c, $density), $plan->plants->mix->crops()),
            ],
            'workings' => CropWorkings::of($fed, $garden),
        ];
    }

    /** @return array<string, int|string|null> */
    private static function capacity(TubPlan $plan): array
    {
        $capacity = $plan->plants->capacity;

        return [
            'plants' => $capacity->plants,
            'by_lid' => $capacity->byLid,
            'by_spacing' => $capacity->bySpacing,
            'by_water' => $capacity->byWater,
            'limited_by' => $capacity->limitedBy,
            'planted' => $plan->plants->count,
        ];
    }

    /** What lights the tub; null where light is told by hours alone. */
    private static function light(FeedPlan $fed, Garden $garden): ?stdClass
    {
        $mol = $fed->meanLight();
        if ($mol === null) {
            return null;
        }
        $lamp = $garden->of(FeedWishes::class)->lights->over($fed->tub->tub);
        $lid = $fed->tub->cutting->lid->outline->area() / 1.0e6;

        return (object) [
            'mol_day' => $mol,
            'wanted_mol_day' => max([0.0, ...array_map(static fn (Crop $c): float => $c->lightMolDay, $fed->tub->plants->mix->crops())]),
            'lamp' => $lamp === null ? null : (object) [
                'name' => $lamp->name,
                'power_w' => $lamp->watts,
                'height_mm' => $lamp->height,
                'ppfd' => $lamp->ppfd(),
                'mol_day' => $lamp->mol($garden->site->lightHours),
                'field_m2' => $lamp->field(),
                'beside_pct' => 100 * max(0.0, 1 - $lid / $lamp->field()),
                'kwh_month' => $lamp->kwhAMonth($garden->site->lightHours),
            ],
        ];
    }

    /** Litres that each plant wants under the tub's school, the mean of several crops. */
    private static function litresWanted(TubPlan $plan, ?Crop $crop): ?float
    {
        $share = $plan->tub->planting->density->litresShare();

        return match (true) {
            $crop === null => null,
            $plan->plants->mix->isEmpty() => $crop->litresPerPlant * $share,
            default => $plan->plants->mix->litresWanted() / $plan->plants->mix->plants() * $share,
        };
    }

    private static function drawn(Crop $crop, Density $density): stdClass
    {
        return (object) [
            'key' => $crop->key,
            'name' => $crop->name,
            'group' => $crop->group->value,
            'habit' => $crop->habit,
            'spacing_mm' => $crop->spacingMm * $density->spacingShare(),
            'mature_height_mm' => $crop->matureHeightMm,
            'days_sow_to_transplant' => $crop->daysBefore(),
        ];
    }
}
