<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Season\TopUpHabit;
use stdClass;

/** The crop's part of a tub's report: who grows, how many the tub carries and why, when they are ready, what they drink. */
final class CropReport
{
    /** @return array<string, mixed> by the tub's key */
    public static function of(TubPlan $plan, Garden $garden): array
    {
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
            'crops' => self::crops($plan),
            'capacity' => self::capacity($plan),
            'media' => ['pebbles_l' => $plan->plants->pebbles, 'plugs' => $tub->planting->plug === Plug::None ? 0 : $plan->plants->count],
            'season' => self::season($plan),
            'limits' => [
                'crop_spacing_mm' => $plan->plants->closest->wanted ?? ($crop === null ? null : Neighbours::leaning(
                    $plan->holes->arrangement,
                    $plan->cutting->lid,
                ) * $crop->spacingMm),
                'per_plant_l' => self::litresWanted($plan, $crop),
                'air_gap_harvest_mm' => PassiveRules::GAP_HARVEST_MM,
            ],
            'shape' => [
                'crop' => $crop === null ? null : self::drawn($crop, $density),
                'crops' => array_map(static fn (Crop $c): stdClass => self::drawn($c, $density), $plan->plants->mix->crops()),
            ],
            'workings' => CropWorkings::of($plan, $garden),
        ];
    }

    /** @return list<stdClass> what each crop of the tub takes, and when it is ready */
    private static function crops(TubPlan $plan): array
    {
        return array_map(static function (CropShare $share) use ($plan): stdClass {
            $use = Capacity::waterUse($share->crop, $plan->tub->planting->density, $plan->plants->climate, $share->plants);

            return (object) [
                'crop' => $share->crop->key,
                'name' => $share->crop->name,
                'plants' => $share->plants,
                'water_to_harvest_l' => $use->toHarvest,
                'harvest_day' => $use->harvestDay,
                'last_day' => $use->lastDay,
                'days_sow_to_transplant' => $share->crop->daysBefore(),
                'days_within' => $share->crop->daysWithin(),
                'sprouts_day' => $share->crop->sproutsOn(),
            ];
        }, $plan->plants->mix->shares);
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

    /** @return array<string, mixed> */
    private static function season(TubPlan $plan): array
    {
        $use = $plan->water->use;

        return [
            'water_to_harvest_l' => $use?->toHarvest,
            'peak_daily_l' => $use?->peakDaily(),
            'climate' => $plan->plants->climate,
            'dry_day' => $plan->water->dryDay(),
            'harvest_day' => $use?->harvestDay,
            'last_day' => $use?->lastDay,
            'next_top_up' => self::nextTopUp($plan),
            'habit' => self::habit($plan->water->habit()),
            'planned_top_ups' => array_map(self::topUp(...), $plan->tub->water->plannedTopUps),
        ];
    }

    /** The top-ups of a tub that is topped up by a school, as a habit, with the list behind it. */
    private static function habit(?TopUpHabit $habit): ?stdClass
    {
        return $habit === null ? null : (object) [
            'litres' => $habit->litres(),
            'from_day' => $habit->fromDay(),
            'every_days' => $habit->every(),
            'top_ups' => array_map(self::topUp(...), $habit->topUps),
        ];
    }

    private static function nextTopUp(TubPlan $plan): ?stdClass
    {
        $next = $plan->tub->system === GrowingSystem::Passive ? $plan->water->course()?->nextTopUp() : null;

        return $next === null ? null : self::topUp($next);
    }

    private static function topUp(TopUp $topUp): stdClass
    {
        return (object) ['day' => $topUp->day, 'litres' => $topUp->litres];
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
