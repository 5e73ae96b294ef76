<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Rules\PassiveRules;
use KelpTub\Core\Garden\Rules\SystemRules;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Vessel\CrossSection;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\Vessel;
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
                'lid_top_mm' => self::lidTop($plan),
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
            'layout' => (object) [
                'pattern' => $plan->arrangement->pattern->value,
                'count' => $plan->cups(),
                'holes' => self::holes($plan),
                'spacing_mm' => $plan->arrangement->spacing,
                'between_plants_mm' => $plan->closest?->distance,
                'web_mm' => $plan->web(),
                'edge_mm' => $plan->edge(),
                'removed_pct' => $plan->removedPercent(),
                'complete' => $plan->complete,
                'pending' => $plan->solver->isWaiting(),
            ],
            'crops' => self::crops($plan),
            'raft' => self::raft($plan),
            'cloner' => $tub->system === GrowingSystem::Cloner ? (object) ['stem_end_mm' => $plan->line->cupBottom - $tub->cloner->stemBelowCup, 'stem_below_cup_mm' => $tub->cloner->stemBelowCup, 'collar' => $tub->cloner->collar] : null,
            'nursery' => self::nursery($plan),
            'under' => self::under($plan),
            'liner' => self::liner($plan),
            'sight_strip' => self::sightStrip($plan),
            'adapter' => $vessel->isJar() && ! $plan->inMouth && $plan->raft === null ? (object) ['outer_mm' => $vessel->lid->across(), 'inner_mm' => $plan->seat->hole] : null,
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
            'shape' => self::shape($plan),
            'workings' => Workings::of($plan, $air, $outage, $garden),
        ];
    }

    /**
     * Each hole with how near it comes to the next, to edge, wall and keep-outs, and how it is marked out: offsets from the left and the
     * front edge of the lid, or on a round lid radius and angle counter-clockwise from the right.
     *
     * @return list<stdClass>
     */
    private static function holes(TubPlan $plan): array
    {
        $outline = $plan->lid->outline;
        $finite = static fn (float $distance): ?float => is_finite($distance) ? $distance : null;
        $holes = [];
        $points = $plan->arrangement->points;
        $nearest = $slack = array_fill(0, max(1, count($points)), INF);
        foreach ($points as $i => $p) {
            for ($j = 0; $j < $i; $j++) {
                $distance = $p->distanceTo($points[$j]);
                $nearest[$i] = min($nearest[$i], $distance);
                $nearest[$j] = min($nearest[$j], $distance);
                $spare = $distance - $plan->space->pitch($plan->cupAt[$i], $plan->cupAt[$j]);
                $slack[$i] = min($slack[$i], $spare);
                $slack[$j] = min($slack[$j], $spare);
            }
        }
        foreach ($points as $i => $p) {
            $angle = rad2deg(atan2($p->y, $p->x));
            $holes[] = (object) [
                'x_mm' => $p->x,
                'y_mm' => $p->y,
                'nearest_mm' => $finite($nearest[$i]),
                'slack_mm' => $finite($slack[$i]),
                'crop' => $plan->cropAt[$i]?->key,
                'cup' => $plan->cupAt[$i] + 1,
                'edge_mm' => $plan->inMouth ? null : $plan->space->edge($p, $plan->cupAt[$i]),
                'wall_mm' => $plan->inMouth ? null : $finite($plan->space->wall($p, $plan->cupAt[$i])),
                'keep_out_mm' => $finite($plan->space->keepOut($p, $plan->cupAt[$i])),
                'from_left_mm' => $outline->round ? null : $p->x + $outline->length / 2,
                'from_front_mm' => $outline->round ? null : $p->y + $outline->width / 2,
                'radius_mm' => $outline->round ? hypot($p->x, $p->y) : null,
                'angle_deg' => $outline->round ? ($angle < -1.0e-9 ? $angle + 360 : max(0.0, $angle)) : null,
            ];
        }

        return $holes;
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

    private static function shape(TubPlan $plan): stdClass
    {
        $tub = $plan->tub;
        $vessel = $tub->vessel;
        $crop = $plan->crop();

        return (object) [
            'kind' => $vessel->kind,
            'name' => $vessel->name,
            'opacity' => $vessel->opacity->value,
            'cover' => $tub->cover,
            'floor_mm' => $vessel->floor,
            'stand_mm' => $tub->stand,
            'stations' => self::stations($vessel->profile->stations),
            'cut_off' => self::cutOff($vessel),
            'lid' => (object) [
                ...self::section($plan->lid->outline),
                'thickness_mm' => $plan->lid->thickness,
                'make' => $plan->lid->make->value,
                'keep_outs' => array_map(static fn (KeepOut $k): stdClass => (object) ['x_mm' => $k->x, 'y_mm' => $k->y, ...self::section($k->section)], $plan->lid->keepOuts),
            ],
            'cup' => self::cup($plan->sizes[0]->cup),
            'cups' => array_map(static fn (CupPlan $size): stdClass => (object) [...get_object_vars(self::cup($size->cup)), 'bottom_mm' => $size->bottom], $plan->sizes),
            'in_mouth' => $plan->inMouth,
            'crop' => $crop === null ? null : self::crop($crop, $tub->density),
            'crops' => array_map(static fn (Crop $c): stdClass => self::crop($c, $tub->density), $plan->mix->crops()),
            'stones' => $tub->stones === null ? null : (object) [
                'name' => $tub->stones->stone->name,
                'length_mm' => $tub->stones->stone->length,
                'bubble' => $tub->stones->stone->bubble->value,
                'least_l_min' => $tub->stones->stone->leastFlow,
                'most_l_min' => $tub->stones->stone->mostFlow,
                'height_mm' => $tub->stones->height,
                'at' => Report::points($plan->stones),
            ],
            'tube_through_lid' => $tub->tubeThroughLid,
        ];
    }

    /** Height of the upper face that lips lie on: the lid's, a jar's rim, or the top of a floating board. */
    private static function lidTop(TubPlan $plan): float
    {
        return match (true) {
            $plan->raft !== null => $plan->line->cupBottom + $plan->tub->cup->height - $plan->seat->raise,
            $plan->inMouth => $plan->tub->vessel->profile->rim(),
            default => $plan->tub->vessel->profile->rim() + $plan->tub->vessel->lid->topAboveRim,
        };
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

    private static function cup(Cup $cup): stdClass
    {
        return (object) [
            'name' => $cup->name,
            'lip_diameter_mm' => $cup->lip,
            'top_diameter_mm' => $cup->top,
            'bottom_diameter_mm' => $cup->bottom,
            'height_mm' => $cup->height,
        ];
    }

    private static function crop(Crop $crop, Density $density): stdClass
    {
        return (object) [
            'key' => $crop->key,
            'name' => $crop->name,
            'group' => $crop->group,
            'habit' => $crop->habit,
            'spacing_mm' => $crop->spacingMm * $density->spacingShare(),
            'mature_height_mm' => $crop->matureHeightMm,
            'days_sow_to_transplant' => $crop->daysSowToTransplant,
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

    private static function raft(TubPlan $plan): ?stdClass
    {
        $raft = $plan->raft;
        if ($raft === null) {
            return null;
        }
        $tillJam = max(0.0, $plan->working() - $plan->reservoir->litresAt($raft->jamLevel));

        return (object) [
            'board' => (object) self::section($raft->board),
            'thickness_mm' => $raft->thickness,
            'gap_mm' => $raft->gap,
            'travel_mm' => $raft->travel(),
            'jam_level_mm' => $raft->jamLevel,
            'litres_till_jam' => $tillJam,
            'jam_day' => $plan->use?->dayWhenUsed($tillJam),
            'load_kg' => $plan->raftLoad(),
            'carries_kg' => $raft->carries($plan->holesArea()),
            'draught_mm' => SystemRules::draught($plan),
            'dip_mm' => SystemRules::dip($plan),
        ];
    }

    private static function nursery(TubPlan $plan): ?stdClass
    {
        $drip = $plan->tub->drip;
        if ($plan->tub->system !== GrowingSystem::Nursery) {
            return null;
        }

        return (object) [
            'flow_l_h' => $drip->flow,
            'on_min' => $drip->on,
            'off_min' => $drip->off,
            'duty' => $drip->duty(),
            'litres_day' => $drip->litresADay(),
            'per_cup_l_h' => $drip->perCup($plan->cups()),
            'turnovers_day' => $plan->working() > 0.0 ? $drip->litresADay() / $plan->working() : null,
            'head_mm' => self::lidTop($plan),
        ];
    }

    private static function under(TubPlan $plan): ?stdClass
    {
        $pair = $plan->pair;
        if ($pair === null) {
            return null;
        }

        return (object) [
            'name' => $pair->lower->name,
            'floor_mm' => $pair->lower->floor,
            'blocks_mm' => $pair->blocks,
            'room_mm' => $pair->room,
            'above_mm' => $pair->above,
            'gap_mm' => is_finite($pair->gap) ? $pair->gap : null,
            'cord_hole_mm' => $pair->cordHole(),
            'cord_hole_diameter_mm' => NestedPair::CORD_HOLE_MM,
            'wall_mm' => NestedPair::WALL_MM,
            'stations' => self::stations($pair->lower->profile->stations),
        ];
    }

    /** The smallest liner bag that fits, beside the one chosen. */
    private static function liner(TubPlan $plan): stdClass
    {
        $least = LinerBag::leastFor($plan->tub->vessel->profile);
        $bag = $plan->tub->liner;

        return (object) ['least_width_mm' => $least->width, 'least_length_mm' => $least->length, 'width_mm' => $bag?->width, 'length_mm' => $bag?->length];
    }

    /** Heights between which a painted passive tub keeps a strip bare, to read the level by; null for others. */
    private static function sightStrip(TubPlan $plan): ?stdClass
    {
        $tub = $plan->tub;

        return $tub->system === GrowingSystem::Passive && $tub->cover === 'paint' && $tub->vessel->opacity->needsCover()
            ? (object) ['from_mm' => $plan->lowest, 'to_mm' => $plan->line->highest()]
            : null;
    }

    /**
     * The top that is cut off, from the cut up; nothing where the vessel is whole.
     *
     * @return list<stdClass>
     */
    private static function cutOff(Vessel $vessel): array
    {
        $rim = $vessel->profile->rim();
        $above = array_values(array_filter($vessel->whole->stations, static fn (Station $s): bool => $s->height > $rim));

        return $above === [] ? [] : self::stations([new Station($rim, $vessel->whole->sectionAt($rim)), ...$above]);
    }

    /**
     * @param  list<Station>  $stations
     * @return list<stdClass>
     */
    private static function stations(array $stations): array
    {
        return array_map(static fn (Station $s): stdClass => (object) ['height_mm' => $s->height, ...self::section($s->section)], $stations);
    }

    /** @return array<string, bool|float> */
    private static function section(CrossSection $section): array
    {
        return ['round' => $section->round, 'length_mm' => $section->length, 'width_mm' => $section->width, 'corner_radius_mm' => $section->cornerRadius];
    }
}
