<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\Panel;
use KelpTub\Core\Marks\Tub\CupPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use stdClass;

/**
 * The lid's part of a tub's report: hole and saw, the holes as they are laid out with how near each comes to what it must keep off, and
 * their limits.
 */
final class LidReport
{
    /** Distances that differ by less read the same, mm. */
    private const AS_NEAR_MM = 0.25;

    private const ROUNDING_MM = 1.0e-6;

    /** @return array<string, mixed> by the tub's key */
    public static function of(TubPlan $plan, Garden $garden): array
    {
        $make = $plan->cutting->lid->make;

        return [
            'hole' => self::hole($plan, 0),
            'hole_2' => isset($plan->cutting->sizes[1]) ? self::hole($plan, 1) : null,
            'layout' => self::layout($plan),
            'limits' => [
                'least_distance_mm' => $plan->cutting->space->leastDistance(),
                'web_mm' => $make->leastWeb(),
                'edge_mm' => $plan->holes->isOneInTheMiddle() ? LayoutSpace::SINGLE_EDGE_MM : $make->leastEdge(),
                'removed_pct' => 100 * LayoutSpace::MOST_REMOVED,
                'wall_mm' => LayoutSpace::WALL_CLEAR_MM,
                'keep_out_mm' => KeepOut::CLEAR_MM,
                'lid_over_rim_mm' => Lid::OVER_RIM_MM,
            ],
            'shape' => self::shape($plan),
            'workings' => LidWorkings::of($plan, $garden),
        ];
    }

    private static function hole(TubPlan $plan, int $size): stdClass
    {
        $seat = $plan->cutting->sizes[$size]->seat;
        $saw = $plan->cutting->sizes[$size]->saw;

        return (object) [
            'diameter_mm' => $seat->hole,
            'saw' => $saw?->name(),
            'owned' => $saw !== null && $saw->owned,
            'seat' => $seat->kind->value,
            'raise_mm' => $seat->raise,
            'bearing_mm' => $seat->bearing,
            'play_mm' => $seat->play,
            'held_aside_mm' => $seat->heldAside,
            'count' => $plan->holes->cupsOf($size),
        ];
    }

    /** @return array<string, mixed> */
    private static function layout(TubPlan $plan): array
    {
        return [
            'pattern' => $plan->holes->arrangement->pattern->value,
            'count' => $plan->holes->count(),
            'holes' => self::holes($plan),
            'spacing_mm' => $plan->holes->arrangement->holeDistance,
            'held_to' => self::heldTo($plan),
            'between_plants_mm' => $plan->plants->closest?->distance,
            'web_mm' => $plan->holes->web(),
            'edge_mm' => $plan->holes->edge(),
            'removed_pct' => $plan->holes->removedPercent(),
            'complete' => $plan->holes->complete,
            'pending' => $plan->holes->pending,
        ];
    }

    /**
     * What the hole distance is held against: the crops' room where the two nearest holes are those that lack most of it, else lips and
     * lid.
     */
    private static function heldTo(TubPlan $plan): ?stdClass
    {
        $distance = $plan->holes->arrangement->holeDistance;
        $pair = $plan->plants->closest;
        if ($distance === null) {
            return null;
        }

        return $pair !== null && $pair->distance - $distance < self::AS_NEAR_MM
            ? (object) ['by' => 'crop', 'least_mm' => $pair->wanted]
            : (object) ['by' => 'lid', 'least_mm' => $plan->cutting->space->leastDistance()];
    }

    /**
     * Each hole with how near it comes to the next, to edge, wall and keep-outs, and how it is marked out: offsets from the left and the
     * front edge of the lid, or on a round lid radius and angle counter-clockwise from the right.
     *
     * @return list<stdClass>
     */
    private static function holes(TubPlan $plan): array
    {
        $outline = $plan->cutting->lid->outline;
        $space = $plan->cutting->space;
        $inMouth = $plan->cutting->inMouth;
        $oneInTheMiddle = $plan->holes->isOneInTheMiddle();
        $finite = static fn (float $distance): ?float => is_finite($distance) ? $distance : null;
        [$nearest, $slack] = self::nearest($plan);
        $holes = [];
        foreach ($plan->holes->arrangement->points as $i => $p) {
            $cup = $plan->holes->cupAt[$i];
            [$edge, $wall, $keepOut] = [$space->edge($p, $cup), $space->wall($p, $cup), $space->keepOut($p, $cup)];
            $angle = rad2deg(atan2($p->y, $p->x));
            $holes[] = (object) [
                'x_mm' => $p->x,
                'y_mm' => $p->y,
                'nearest_mm' => $finite($nearest[$i]),
                'slack_mm' => $finite($slack[$i]),
                'crop' => $plan->plants->cropAt[$i]?->key,
                'cup' => $cup + 1,
                'breaks_limit' => ! $inMouth
                    && ($slack[$i] < -self::ROUNDING_MM || ! $space->isClear($edge, $wall, $keepOut, $oneInTheMiddle)),
                'edge_mm' => $inMouth ? null : $edge,
                'wall_mm' => $inMouth ? null : $finite($wall),
                'keep_out_mm' => $finite($keepOut),
                'from_left_mm' => $outline->round ? null : $p->x + $outline->length / 2,
                'from_front_mm' => $outline->round ? null : $p->y + $outline->width / 2,
                'radius_mm' => $outline->round ? hypot($p->x, $p->y) : null,
                'angle_deg' => $outline->round ? ($angle < -1.0e-9 ? $angle + 360 : max(0.0, $angle)) : null,
            ];
        }

        return $holes;
    }

    /**
     * Of each hole the distance to the next one, and the least that is over between it and another.
     *
     * @return array{array<int, float>, array<int, float>}
     */
    private static function nearest(TubPlan $plan): array
    {
        $points = $plan->holes->arrangement->points;
        $cupAt = $plan->holes->cupAt;
        $space = $plan->cutting->space;
        $least = $space->leastDistance();
        $leastOf = [];
        foreach (array_unique($cupAt) as $cup) {
            foreach (array_unique($cupAt) as $other) {
                $leastOf[$cup][$other] = $space->leastDistanceOf($cup, $other);
            }
        }
        $nearest = $slack = array_fill(0, max(1, count($points)), INF);
        $order = array_keys($points);
        usort($order, static fn (int $a, int $b): int => $points[$a]->x <=> $points[$b]->x);
        foreach ($order as $n => $i) {
            $p = $points[$i];
            foreach ([-1, 1] as $side) {
                // Outwards from the hole, as long as one so far to the side could still be nearer.
                $reach = max($nearest[$i], $slack[$i] + $least);
                for ($m = $n + $side; isset($order[$m]); $m += $side) {
                    $q = $points[$order[$m]];
                    if (abs($q->x - $p->x) > $reach) {
                        break;
                    }
                    if (abs($q->y - $p->y) > $reach) {
                        continue;
                    }
                    $distance = $p->distanceTo($q);
                    $nearest[$i] = min($nearest[$i], $distance);
                    $slack[$i] = min($slack[$i], $distance - $leastOf[$cupAt[$i]][$cupAt[$order[$m]]]);
                    $reach = max($nearest[$i], $slack[$i] + $least);
                }
            }
        }

        return [$nearest, $slack];
    }

    /** @return array<string, mixed> as it is drawn, with its defaults filled in */
    private static function shape(TubPlan $plan): array
    {
        $lid = $plan->cutting->lid;

        return [
            'lid' => (object) [
                ...Report::section($lid->outline),
                'thickness_mm' => $lid->thickness,
                'make' => $lid->make->value,
                'keep_outs' => array_map(
                    static fn (KeepOut $k): stdClass => (object) ['x_mm' => $k->x, 'y_mm' => $k->y, ...Report::section($k->section)],
                    $lid->keepOuts,
                ),
                'panels' => array_map(static fn (Panel $p): stdClass => (object) [
                    'corners' => array_map(self::point(...), $p->corners),
                    'middle' => self::point($p->middle),
                    'clear_mm' => $p->clearance($p->middle->x, $p->middle->y),
                ], $lid->panels),
            ],
            'cup' => (object) self::cup($plan->cutting->sizes[0]->cup),
            'cups' => array_map(
                static fn (CupPlan $size): stdClass => (object) [...self::cup($size->cup), 'bottom_mm' => $size->bottom],
                $plan->cutting->sizes,
            ),
            'in_mouth' => $plan->cutting->inMouth,
        ];
    }

    private static function point(Point $p): stdClass
    {
        return (object) ['x_mm' => $p->x, 'y_mm' => $p->y];
    }

    /** @return array<string, string|float|null> */
    private static function cup(Cup $cup): array
    {
        return [
            'key' => $cup->key,
            'name' => $cup->name,
            'lip_diameter_mm' => $cup->lip,
            'top_diameter_mm' => $cup->top,
            'bottom_diameter_mm' => $cup->bottom,
            'height_mm' => $cup->height,
        ];
    }
}
