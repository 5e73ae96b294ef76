<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Lid;

use KelpTub\Core\Marks\Tub\TubPlan;
use stdClass;

/** A tub's holes as they are laid out, with how near each comes to what it must keep off. */
final class LayoutReport
{
    public static function of(TubPlan $plan): stdClass
    {
        return (object) [
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
}
