<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\GardenPlan;
use KelpTub\Core\Garden\Workings;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Marks\Cost\PartsFromDesign;
use KelpTub\Core\Marks\Crop\PassiveRules;
use KelpTub\Core\Marks\Lid\LayoutReport;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Vessel\Weight;
use stdClass;

/** One tub's part of the report: its figures, the limits they are held against, its shape for drawing, and how figures come about. */
final class TubReport
{
    /** Rule of thumb that growers ask for: air per litre of solution, L/min. † */
    private const THUMB_L_MIN_PER_L = [0.13, 0.26];

    public static function of(TubPlan $plan, TubAir $air, GardenPlan $garden): stdClass
    {
        $tub = $plan->tub;
        $vessel = $tub->vessel;
        $passive = $tub->system === GrowingSystem::Passive;
        $harvestDay = $plan->use?->harvestDay;
        $working = $plan->working();
        $outage = $air->balance?->outageMinutes($working);
        $untouched = $passive && $harvestDay !== null && $tub->topUps->passiveShare() === null;

        return (object) [
            'id' => $tub->id,
            'name' => $tub->name,
            'count' => $tub->count,
            'system' => $tub->system->value,
            'volume' => (object) [
                'label_l' => $vessel->labelLitres,
                'brim_l' => $vessel->profile->brim(),
                'working_l' => $working,
                'usable_l' => $plan->usable(),
                'per_plant_l' => $plan->cups() > 0 ? $working / $plan->cups() : null,
                'displaced_l' => $plan->reservoir->displacedAt($plan->line->grown),
                'fill_scale' => $vessel->fit?->scale,
                'fill_residual_pct' => $vessel->fit?->residualPercent(),
            ],
            'levels' => (object) [
                'rim_mm' => $vessel->profile->rim(),
                'lid_top_mm' => $plan->lidTop(),
                'cup_bottom_mm' => $plan->line->cupBottom,
                'water_line_mm' => $plan->line->grown,
                'start_line_mm' => $plan->line->start,
                'held_line_mm' => $plan->line->held,
                'lowest_mm' => $plan->lowest,
                'tube_entry_mm' => $passive ? null : $plan->tubeEntry,
                'overflow_mm' => $garden->garden->site->setting === 'open' ? $plan->line->highest() + 5.0 : null,
                'label_mm' => $vessel->labelLitres === null || $vessel->labelLitres > $vessel->profile->brim() ? null : $vessel->profile->depthFor($vessel->labelLitres),
                'half_way_mm' => $untouched ? $plan->levelOn($harvestDay / 2) : null,
                'harvest_mm' => $untouched ? $plan->levelOn($harvestDay) : null,
                'air_gap_harvest_mm' => $untouched ? $plan->gapOn($harvestDay) : null,
                'choices' => self::lineChoices($plan),
            ],
            'mass_kg' => $plan->weight->kg,
            'load_kg_m2' => $plan->weight->kgPerSquareMetre,
            'cover_m2' => $vessel->opacity->needsCover() ? PartsFromDesign::coverArea($plan) : 0.0,
            'hole' => self::hole($plan, 0),
            'hole_2' => isset($plan->sizes[1]) ? self::hole($plan, 1) : null,
            'layout' => LayoutReport::of($plan),
            'crops' => self::crops($plan),
            ...SystemReport::of($plan),
            'capacity' => (object) [
                'plants' => $plan->capacity->plants,
                'by_lid' => $plan->capacity->byLid,
                'by_spacing' => $plan->capacity->bySpacing,
                'by_water' => $plan->capacity->byWater,
                'limited_by' => $plan->capacity->limitedBy,
                'planted' => $plan->plants,
            ],
            'media' => (object) [
                'pebbles_l' => $plan->pebbles,
                'plugs' => $tub->plug === 'none' ? 0 : $plan->plants,
            ],
            'oxygen' => self::oxygen($plan, $air, $outage),
            'season' => (object) [
                'water_to_harvest_l' => $plan->use?->toHarvest,
                'peak_daily_l' => $plan->use?->peakDaily(),
                'climate' => $plan->climate,
                'dry_day' => $plan->dryDay(),
                'harvest_day' => $harvestDay,
                'last_day' => $plan->use?->lastDay,
                'planned_top_ups' => array_map(static fn (TopUp $t): stdClass => (object) ['day' => $t->day, 'litres' => $t->litres], $tub->plannedTopUps),
                'top_up_l' => null,
                'top_ups' => null,
                'changes' => null,
                'days' => null,
            ],
            'feed' => null,
            'limits' => self::limits($plan),
            'shape' => ShapeReport::of($plan),
            'workings' => Workings::of($plan, $air, $outage, $garden),
        ];
    }

    /** @return list<stdClass> the water lines the tub's system offers */
    private static function lineChoices(TubPlan $plan): array
    {
        return array_map(static function (LineChoice $choice) use ($plan): stdClass {
            $line = WaterLine::of($plan->tub->system, $choice, $plan->line->cupBottom, $plan->tub->vessel->profile->rim());

            return (object) ['choice' => $choice->value, 'chosen' => $choice === $plan->tub->line(), 'water_line_mm' => $line->held ?? $line->grown, 'start_line_mm' => $line->start];
        }, LineChoice::for($plan->tub->system));
    }

    private static function oxygen(TubPlan $plan, TubAir $air, ?float $outage): stdClass
    {
        $balance = $air->balance;

        return (object) [
            'saturation_mg_l' => $air->saturation,
            'demand_mg_h' => $balance?->demand,
            'air_l_min' => $balance === null ? null : $air->flow,
            'steady_mg_l' => $balance?->steady(),
            'outage_min' => $outage,
            'thumb_l_min' => $balance === null ? null : array_map(static fn (float $share): float => $share * $plan->working(), self::THUMB_L_MIN_PER_L),
        ];
    }

    /** What the figures of lid and oxygen are held against. */
    private static function limits(TubPlan $plan): stdClass
    {
        $tub = $plan->tub;
        $lid = $plan->lid;
        $crop = $plan->crop();

        return (object) [
            'pitch_mm' => $plan->space->leastPitch(),
            'crop_pitch_mm' => $plan->closest->wanted ?? ($crop === null ? null : Neighbours::leaning($plan->arrangement, $plan->lid) * $crop->spacingMm),
            'web_mm' => $lid->make->leastWeb(),
            'edge_mm' => $plan->isOneInTheMiddle() ? LayoutSpace::SINGLE_EDGE_MM : $lid->make->leastEdge(),
            'removed_pct' => 100 * LayoutSpace::MOST_REMOVED,
            'per_plant_l' => match (true) {
                $crop === null => null,
                $plan->mix->isEmpty() => $crop->litresPerPlant * $tub->density->litresShare(),
                default => $plan->mix->litresWanted() / $plan->mix->plants() * $tub->density->litresShare(),
            },
            'wall_mm' => LayoutSpace::WALL_CLEAR_MM,
            'keep_out_mm' => KeepOut::CLEAR_MM,
            'oxygen_mg_l' => $tub->density->oxygenFloor(),
            'oxygen_stop_mg_l' => OxygenBalance::STOP_MG_L,
            'oxygen_mind_mg_l' => OxygenBalance::MIND_MG_L,
            'lift_kg' => Weight::LIFT_LIMIT_KG,
            'air_gap_harvest_mm' => PassiveRules::GAP_HARVEST_MM,
        ];
    }

    private static function hole(TubPlan $plan, int $size): stdClass
    {
        $seat = $plan->sizes[$size]->seat;
        $saw = $plan->sizes[$size]->saw;

        return (object) [
            'diameter_mm' => $seat->hole,
            'saw' => $saw?->name(),
            'owned' => $saw !== null && $saw->owned,
            'seat' => $seat->kind->value,
            'raise_mm' => $seat->raise,
            'bearing_mm' => $seat->bearing,
            'play_mm' => $seat->play,
            'count' => $plan->cupsOf($size),
        ];
    }

    /** @return list<stdClass> what each crop of the tub takes, and when it is ready */
    private static function crops(TubPlan $plan): array
    {
        return array_map(static function (CropShare $share) use ($plan): stdClass {
            $use = Capacity::waterUse($share->crop, $plan->tub->density, $plan->climate, $share->plants);

            return (object) [
                'crop' => $share->crop->key,
                'name' => $share->crop->name,
                'plants' => $share->plants,
                'water_to_harvest_l' => $use->toHarvest,
                'harvest_day' => $use->harvestDay,
                'last_day' => $use->lastDay,
                'days_sow_to_transplant' => $share->crop->daysSowToTransplant,
            ];
        }, $plan->mix->shares);
    }
}
