<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\NestedPair;
use stdClass;

/**
 * What is particular to a raft, a cloner, a nursery, a nested pair, a lined or painted tub, a jar with an adapter; null where a tub is
 * none.
 */
final class SystemReport
{
    /** @return array<string, stdClass|null> by the report's key */
    public static function of(TubPlan $plan): array
    {
        $tub = $plan->tub;
        $vessel = $tub->body->vessel;

        return [
            'raft' => self::raft($plan),
            'cloner' => $tub->system === GrowingSystem::Cloner ? (object) [
                'stem_end_mm' => $plan->water->line->cupBottom - $tub->water->cloner->stemBelowCup,
                'stem_below_cup_mm' => $tub->water->cloner->stemBelowCup,
                'collar' => $tub->water->cloner->collar,
            ] : null,
            'nursery' => self::nursery($plan),
            'under' => self::under($plan),
            'liner' => self::liner($plan),
            'sight_strip' => self::sightStrip($plan),
            'adapter' => $plan->cutting->adapter
                ? (object) ['outer_mm' => $tub->body->lid->across(), 'inner_mm' => $plan->cutting->seat->hole]
                : null,
        ];
    }

    private static function raft(TubPlan $plan): ?stdClass
    {
        $raft = $plan->cutting->raft;
        if ($raft === null) {
            return null;
        }
        $tillJam = $plan->water->above($raft->jamLevel);

        return (object) [
            'board' => (object) Report::section($raft->board),
            'thickness_mm' => $raft->thickness,
            'gap_mm' => $raft->gap,
            'travel_mm' => $raft->travel(),
            'jam_level_mm' => $raft->jamLevel,
            'litres_till_jam' => $tillJam,
            'load_kg' => $plan->raftLoad(),
            'carries_kg' => $raft->carries($plan->holes->area()),
            'safe_share' => SystemRules::RAFT_SHARE,
            'draught_mm' => $plan->draught(),
            'dip_mm' => $plan->dip(),
        ];
    }

    private static function nursery(TubPlan $plan): ?stdClass
    {
        $drip = $plan->tub->water->drip;
        if ($plan->tub->system !== GrowingSystem::Nursery) {
            return null;
        }

        return (object) [
            'flow_l_h' => $drip->flow,
            'on_min' => $drip->on,
            'off_min' => $drip->off,
            'duty' => $drip->duty(),
            'litres_day' => $drip->litresADay(),
            'per_cup_l_h' => $drip->perCup($plan->holes->count()),
            'turnovers_day' => $drip->turnovers($plan->water->working()),
            'head_mm' => $plan->lidTop(),
        ];
    }

    private static function under(TubPlan $plan): ?stdClass
    {
        $pair = $plan->fittings->pair;
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
            'stations' => TubReport::stations($pair->lower->profile->stations),
        ];
    }

    /** The smallest liner bag that fits, beside the one chosen. */
    private static function liner(TubPlan $plan): stdClass
    {
        $least = LinerBag::leastFor($plan->tub->body->vessel->profile);
        $sold = $least->onSale();
        $bag = $plan->tub->body->liner;

        return (object) [
            'least_width_mm' => $least->width,
            'least_length_mm' => $least->length,
            'sold_width_mm' => $sold->width,
            'sold_length_mm' => $sold->length,
            'width_mm' => $bag?->width,
            'length_mm' => $bag?->length,
        ];
    }

    /** Heights between which a painted passive tub keeps a strip bare, to read the level by; null for others. */
    private static function sightStrip(TubPlan $plan): ?stdClass
    {
        $tub = $plan->tub;

        return $tub->system === GrowingSystem::Passive && $tub->body->cover === Cover::Paint && $tub->body->vessel->opacity->needsCover()
            ? (object) ['from_mm' => $plan->water->lowest(), 'to_mm' => $plan->water->line->highest()]
            : null;
    }
}
