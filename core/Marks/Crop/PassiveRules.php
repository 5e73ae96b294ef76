<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Season\PassiveCourse;
use KelpTub\Core\Season\TopUp;
use stdClass;

/** Still water: whether it lasts, and whether roots get their air gap. Source: handbook, rules section 6. */
final class PassiveRules
{
    /** Air wanted under the cup half-way to harvest and at harvest, mm. */
    private const GAP_HALF_WAY_MM = 10.0;

    public const GAP_HARVEST_MM = 25.0;

    /** Share of the air gap that a top-up leaves once plants are half grown. */
    private const GAP_KEPT = 0.5;

    private const ROUNDING_L = 1.0e-6;

    /** @return list<Finding> */
    public static function of(TubPlan $plan, RuleContext $context): array
    {
        if ($plan->tub->system !== GrowingSystem::Passive || $plan->water->use === null || $plan->plants->count === 0) {
            return [];
        }

        return array_values(array_filter([
            self::dry($plan, $context),
            self::gap($plan, $context),
            self::topUp($plan, $context),
            ...self::planned($plan, $context),
        ]));
    }

    private static function dry(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $use = $plan->water->use;
        $dry = $plan->water->dryDay();
        if ($use === null || $tub->water->topUps !== TopUps::None || $dry === null || $dry >= $use->harvestDay) {
            return null;
        }
        // Not the sum to each crop's own harvest: those that repeat go on drinking while the others grow.
        $drunk = $use->until($use->harvestDay);
        $w = $context->write;
        $remedies = [];
        $fewer = (int) floor($plan->plants->count * $plan->water->usable() / $drunk);
        if ($fewer >= 1 && $fewer < $plan->plants->count) {
            $remedies[] = PlantRemedies::plants($plan, $fewer, $context);
        }
        $topUps = PassiveCourse::safeTopUps($use, $plan->water->working(), $plan->water->usable(), $use->harvestDay);
        if ($topUps !== null) {
            $days = array_map(static fn (TopUp $t): string => $w->number($t->day, 0), $topUps);
            $last = array_pop($days);
            $remedies[] = $context->set(
                sprintf('Top up %s on day %s', $w->volume($topUps[0]->litres), $days === [] ? $last : implode(', ', $days)." and $last"),
                $tub->pointer('/planned_top_ups'),
                array_map(static fn (TopUp $t): stdClass => (object) ['day' => $t->day, 'litres' => round($t->litres, 3)], $topUps),
            );
        }

        return new Finding('passive.dry', Severity::Stop, $tub->id, $tub->pointer('/top_ups'),
            $tub->water->plannedTopUps === []
                ? sprintf(
                    'It runs dry on day %s, %s days before harvest, with no top-ups planned. It lacks %s.',
                    $w->number(floor($dry), 0),
                    $w->number(ceil($use->harvestDay - $dry), 0),
                    $w->volume($drunk - $plan->water->usable()),
                )
                : sprintf(
                    'It runs dry on day %s, %s days before harvest, in spite of the top-ups planned. Bring them forward, or add one.',
                    $w->number(floor($dry), 0),
                    $w->number(ceil($use->harvestDay - $dry), 0),
                ),
            sprintf(
                'The plants drink %s to harvest and %s of the water can be used. A quarter of the first fill at a time is safe: air '
                    .'roots stay dry.',
                $w->volume($drunk),
                $w->volume($plan->water->usable()),
            ),
            [
                ...$remedies,
                $context->set(
                    sprintf('Top up %s whenever it has fallen', $w->volume($plan->water->working() * PassiveCourse::SAFE_SHARE)),
                    $tub->pointer('/top_ups'),
                    'quarter',
                ),
                $context->addAir('Add air and refill freely', $plan->tub),
            ]);
    }

    /**
     * Planned top-ups that drown what has grown in the air: by their size, or by how far they bring the water up once plants are half
     * grown.
     *
     * @return list<Finding>
     */
    private static function planned(TubPlan $plan, RuleContext $context): array
    {
        $course = $plan->water->course();
        $findings = [];
        $w = $context->write;
        foreach ($plan->tub->water->plannedTopUps as $i => $topUp) {
            if ($course === null || $plan->water->use === null) {
                continue;
            }
            $before = $plan->water->line->cupBottom - $plan->water->reservoir->levelFor($course->litresBefore($topUp));
            $after = $plan->water->line->cupBottom - $plan->water->reservoir->levelFor($course->litresOn($topUp->day));
            $large = $topUp->litres > PassiveCourse::SAFE_SHARE * $course->start + self::ROUNDING_L;
            $drowns = $topUp->day > $plan->water->use->harvestDay / 2 && $before > 0.0 && $after < self::GAP_KEPT * $before;
            if (! $large && ! $drowns) {
                continue;
            }
            $safe = $w->volume($course->start * PassiveCourse::SAFE_SHARE);
            $findings[] = new Finding('passive.top-up', Severity::Mend, $plan->tub->id, $plan->tub->pointer("/planned_top_ups/$i"),
                $large
                    ? sprintf(
                        '%s on day %s is more than a quarter of the first fill (%s). Give it in two, or add air.',
                        $w->volume($topUp->litres),
                        $w->number($topUp->day, 0),
                        $safe,
                    )
                    : sprintf(
                        'The top-up on day %s cuts the air gap from %s to %s. Give less, and more often.',
                        $w->number($topUp->day, 0),
                        $w->length($before),
                        $w->length(max(0.0, $after)),
                    ),
                'Roots that have grown in the air gap cannot live under water again.',
                [
                    ...($large ? [
                        $context->set(
                            "Give $safe",
                            $plan->tub->pointer("/planned_top_ups/$i/litres"),
                            round($course->start * PassiveCourse::SAFE_SHARE, 3),
                        ),
                    ] : []),
                    $context->addAir('Add air and refill freely', $plan->tub),
                ]);
        }

        return $findings;
    }

    private static function gap(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $harvest = $plan->water->use->harvestDay ?? 0.0;
        if ($tub->water->topUps !== TopUps::None) {
            return null;
        }
        $halfWay = $plan->water->gapOn($harvest / 2) ?? 0.0;
        $atHarvest = $plan->water->gapOn($harvest) ?? 0.0;
        if ($halfWay >= self::GAP_HALF_WAY_MM && $atHarvest >= self::GAP_HARVEST_MM) {
            return null;
        }
        $w = $context->write;

        return new Finding('passive.gap', Severity::Mind, $tub->id, $tub->pointer('/water_line'),
            sprintf(
                'The air gap is %s half-way and %s at harvest; %s and %s are wanted. Fill it lower once roots hang in the water.',
                $w->length($halfWay),
                $w->length($atHarvest),
                $w->length(self::GAP_HALF_WAY_MM),
                $w->length(self::GAP_HARVEST_MM),
            ),
            'In still water the roots in the air gap breathe for the plant. A tub much larger than the plant needs leaves none.',
            [$context->addAir('Add air', $tub)]);
    }

    private static function topUp(TubPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        if ($tub->water->topUps === TopUps::None || $tub->water->topUps === TopUps::Quarter) {
            return null;
        }
        $w = $context->write;

        return new Finding('passive.top-up', Severity::Mend, $tub->id, $tub->pointer('/top_ups'),
            $tub->water->topUps === TopUps::Half
                ? sprintf(
                    'Half of the first fill at a time (%s) drowns air roots. Give a quarter, %s.',
                    $w->volume($plan->water->working() * PassiveCourse::MOST_SHARE),
                    $w->volume($plan->water->working() * PassiveCourse::SAFE_SHARE),
                )
                : sprintf(
                    'Refilled to the line, the air roots drown. Give a quarter of the first fill at a time, %s, or add air.',
                    $w->volume($plan->water->working() * PassiveCourse::SAFE_SHARE),
                ),
            'Roots that have grown in the air gap cannot live under water again.',
            [
                new Remedy('Top up a quarter at a time', $context->patch->set($tub->pointer('/top_ups'), 'quarter')),
                $context->addAir('Add air and refill freely', $plan->tub),
            ]);
    }
}
