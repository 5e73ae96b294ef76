<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\SafeTopUps;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\VesselRemedies;
use KelpTub\Core\Season\SeasonRun;
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

    /** Plants more that are tried against a gap that stays too small. */
    private const MORE_TRIED = 3;

    private const ROUNDING_L = 1.0e-6;

    /** @return list<Finding> */
    public static function of(FeedPlan $fed, RuleContext $context): array
    {
        $run = $fed->run();
        if ($fed->tub->tub->system !== GrowingSystem::Passive || $run === null) {
            return [];
        }

        return array_values(array_filter([
            self::dry($fed, $run, $context),
            self::gap($fed->tub, $run, $context),
            self::topUp($fed->tub, $context),
            ...self::planned($fed->tub, $run, $context),
        ]));
    }

    /** In steady weather; where days differ, season.dry says it. */
    private static function dry(FeedPlan $fed, SeasonRun $run, RuleContext $context): ?Finding
    {
        $tub = $fed->tub->tub;
        $dry = $run->firstBelowUsable();
        $harvest = $run->harvestDay();
        if (
            $harvest === null || $tub->water->topUps !== TopUps::None || $dry === null || $dry >= $harvest
            || ! $fed->weather->isSteady() || $run->tub->usable <= 0.0
        ) {
            return null;
        }
        $drunk = $run->thirst($harvest);
        $w = $context->write;
        $left = max(1, (int) ceil($harvest - $dry));
        $when = sprintf('It runs dry on day %d, %s before harvest', $dry, $w->count($left, '1 day', '%d days'));

        return new Finding('passive.dry', Severity::Stop, $tub->id, $tub->pointer('/top_ups'),
            $tub->water->plannedTopUps === []
                ? sprintf('%s, with no top-ups planned. It lacks %s.', $when, $w->volume($drunk - $run->tub->usable))
                : "$when, in spite of the top-ups planned. Bring them forward, or add one.",
            sprintf(
                'The plants drink %s to harvest and %s of the water can be used. A quarter of the first fill at a time is safe: air '
                    .'roots stay dry.',
                $w->volume($drunk),
                $w->volume($run->tub->usable),
            ),
            fn (): array => self::waysToLast($fed, $run, $drunk, $context),
            $harvest - $dry);
    }

    /** @return list<Remedy> fewer plants, top-ups on their days or whenever they are due, or air */
    private static function waysToLast(FeedPlan $fed, SeasonRun $run, float $drunk, RuleContext $context): array
    {
        $w = $context->write;
        $plan = $fed->tub;
        $tub = $plan->tub;
        $ways = [];
        $fewer = $drunk > 0.0 ? (int) floor($plan->plants->count * $run->tub->usable / $drunk) : 0;
        if ($fewer >= 1 && $fewer < $plan->plants->count) {
            $ways[] = PlantRemedies::plants($plan, $fewer, $context);
        }
        $topUps = SafeTopUps::toHarvest($fed);
        if ($topUps !== null && $topUps !== []) {
            $days = array_map(static fn (TopUp $t): string => $w->number($t->day, 0), $topUps);
            $last = array_pop($days);
            $ways[] = $context->set(
                sprintf(
                    'Top up %s on %s',
                    $w->volume($topUps[0]->litres),
                    $days === [] ? "day $last" : 'days '.implode(', ', $days)." and $last",
                ),
                $tub->pointer('/planned_top_ups'),
                array_map(static fn (TopUp $t): stdClass => (object) ['day' => $t->day, 'litres' => $t->litres], $topUps),
            );
        }

        return [
            ...$ways,
            $context->set(
                sprintf('Top up %s whenever it has fallen', $w->volume(SafeTopUps::litres($run->tub->start))),
                $tub->pointer('/top_ups'),
                'quarter',
            ),
            $context->addAir('Add air and refill freely', $tub),
            ...array_filter([VesselRemedies::larger($plan, $context, $drunk / max(0.001, $run->tub->usable))]),
        ];
    }

    /**
     * Planned top-ups that drown what has grown in the air: by their size, or by how far they bring the water up once plants are half
     * grown.
     *
     * @return list<Finding>
     */
    private static function planned(TubPlan $plan, SeasonRun $run, RuleContext $context): array
    {
        $findings = [];
        $w = $context->write;
        $safe = SafeTopUps::litres($run->tub->start);
        foreach ($plan->tub->water->plannedTopUps as $i => $topUp) {
            $day = (int) floor($topUp->day);
            $before = isset($run->days[$day]) ? $run->tub->gapAt($run->tub->reservoir->levelFor(self::volumeBefore($run, $day))) : 0.0;
            $after = isset($run->days[$day]) ? $run->gap($day) : 0.0;
            $large = $topUp->litres > SafeTopUps::SAFE_SHARE * $run->tub->start + self::ROUNDING_L;
            $drowns = $topUp->day > ($run->halfWay() ?? INF) && $before > 0.0 && $after < self::GAP_KEPT * $before;
            if (! $large && ! $drowns) {
                continue;
            }
            $findings[] = new Finding('passive.top-up', Severity::Mend, $plan->tub->id, $plan->tub->pointer("/planned_top_ups/$i"),
                $large
                    ? sprintf(
                        '%s on day %s is more than a quarter of the first fill (%s). Give it in two, or add air.',
                        ucfirst($w::over($w->volume($topUp->litres), $w->volume($safe))),
                        $w->number($topUp->day, 0),
                        $w->volume($safe),
                    )
                    : sprintf(
                        'The top-up on day %s cuts the air gap from %s to %s. Give less, and more often.',
                        $w->number($topUp->day, 0),
                        $w->length($before),
                        $w->length(max(0.0, $after)),
                    ),
                'Roots that have grown in the air gap cannot live under water again.',
                fn (): array => [
                    ...self::less($plan, $run, $i, $large ? $safe : null, $before, $context),
                    $context->addAir('Add air and refill freely', $plan->tub),
                ],
                $topUp->litres);
        }

        return $findings;
    }

    /** Litres on the evening of a day before anything is poured in. */
    private static function volumeBefore(SeasonRun $run, int $day): float
    {
        return $run->days[$day]->volume() - $run->days[$day]->topUp;
    }

    /** @return list<Remedy> as much of a planned top-up as is safe, or else as leaves half of the air gap */
    private static function less(TubPlan $plan, SeasonRun $run, int $index, ?float $safe, float $gap, RuleContext $context): array
    {
        $topUp = $plan->tub->water->plannedTopUps[$index];
        $level = $plan->water->line->cupBottom - self::GAP_KEPT * $gap;
        $day = (int) floor($topUp->day);
        $room = isset($run->days[$day]) ? $plan->water->reservoir->litresAt($level) - self::volumeBefore($run, $day) : 0.0;
        $way = null;
        foreach ([floor($room * 20) / 20, $safe] as $litres) {
            if ($litres !== null && $litres > 0.0 && $litres < $topUp->litres) {
                $next = $way;
                $set = $context->set(
                    "Give {$context->write->volume($litres)}",
                    $plan->tub->pointer("/planned_top_ups/$index/litres"),
                    $litres,
                );
                $way = new Remedy($set->says, $set->patch, static fn (): ?Remedy => $next);
            }
        }

        return $way === null ? [] : [$way];
    }

    private static function gap(TubPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $tub = $plan->tub;
        $day = $run->halfWay();
        $harvest = $run->harvestDay();
        if ($tub->water->topUps !== TopUps::None || $day === null || $harvest === null) {
            return null;
        }
        $halfWay = $run->tub->gapAt($run->levelAt($day) ?? 0.0);
        $atHarvest = $run->tub->gapAt($run->levelAt($harvest) ?? 0.0);
        if ($halfWay >= self::GAP_HALF_WAY_MM && $atHarvest >= self::GAP_HARVEST_MM) {
            return null;
        }
        $w = $context->write;

        return new Finding('passive.gap', Severity::Mind, $tub->id, $tub->pointer('/water_line'),
            sprintf(
                'The air gap is %s half-way and %s at harvest; %s and %s are wanted. Fill it lower once roots hang in the water.',
                $halfWay > 0.0 ? $w->length($halfWay) : 'none',
                $atHarvest > 0.0 ? $w->length($atHarvest) : 'none',
                $w->length(self::GAP_HALF_WAY_MM),
                $w->length(self::GAP_HARVEST_MM),
            ),
            'In still water the roots in the air gap breathe for the plant. A tub much larger than the plant needs leaves none.',
            fn (): array => [
                ...array_filter([self::morePlants($plan, $context), VesselRemedies::smaller($plan, $context)]),
                $context->addAir('Add air', $tub),
            ],
            max(0.0, self::GAP_HALF_WAY_MM - $halfWay) + max(0.0, self::GAP_HARVEST_MM - $atHarvest));
    }

    /** One more plant after the other, as many as the lid and the water carry: they drink the gap free. */
    private static function morePlants(TubPlan $plan, RuleContext $context): ?Remedy
    {
        $now = $plan->plants->count;
        $most = min($plan->plants->capacity->plants, $now + self::MORE_TRIED);

        return $most <= $now ? null : Remedy::inTurn(
            range($now + 1, $most),
            static fn (int $plants): Remedy => PlantRemedies::plants($plan, $plants, $context),
        );
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
                    $w->volume($plan->water->start() * SafeTopUps::MOST_SHARE),
                    $w->volume(SafeTopUps::litres($plan->water->start())),
                )
                : sprintf(
                    'Refilled to the line, the air roots drown. Give a quarter of the first fill at a time, %s, or add air.',
                    $w->volume(SafeTopUps::litres($plan->water->start())),
                ),
            'Roots that have grown in the air gap cannot live under water again.',
            fn (): array => [
                $context->set('Top up a quarter at a time', $tub->pointer('/top_ups'), 'quarter'),
                $context->addAir('Add air and refill freely', $tub),
            ]);
    }
}
