<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Crop\CropStand;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Tub\PlantRemedies;
use KelpTub\Core\Marks\Tub\VesselRemedies;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Vessel\Cover;

/**
 * What is to be said of a tub in time: each finding goes by the season's worst day and names it. In steady weather what the design's own
 * figures say already is not said again. Source: handbook, season (findings).
 */
final class SeasonRules
{
    /** Out of a crop's window for water by so much, for so many days on end, °C. */
    private const OUT_C = 4.0;

    private const ON_END = 3;

    /** Water that is too warm, or too cold, for any crop, °C. */
    private const WARM_MEND_C = 30.0;

    private const WARM_STOP_C = 34.0;

    private const COLD_MEND_C = 8.0;

    /** A first harvest so many days, and by so much again, later than the crop's figure is slow. */
    private const LATE_DAYS = 20.0;

    private const LATE_SHARE = 0.5;

    /** Of a first fill, what spills over in a season before it is worth a word. */
    private const SPILL_SHARE = 0.1;

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function ofTub(FeedPlan $plan, RuleContext $context): array
    {
        $run = $plan->run();

        return $run === null ? [] : array_values(array_filter([
            self::killed($plan, $run, $context),
            self::dry($plan, $run, $context),
            self::air($plan, $run, $context),
            self::warm($plan, $run, $context),
            self::cold($plan, $run, $context),
            self::slow($plan, $run, $context),
            self::visits($plan, $run, $context),
            self::overflow($plan, $run, $context),
            self::jams($plan, $run, $context),
        ]));
    }

    /** Cold, heat, or want of oxygen end a crop. */
    private static function killed(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $day = $run->killedOn();
        if ($day === null) {
            return null;
        }
        $first = array_search($day, $run->before(count($run->days))->died, true);
        $stand = $run->tub->stands[$first];
        $w = $context->write;
        $weather = $plan->weather->on($day);
        $water = $run->days[$day]->water();
        [$of, $why] = match (true) {
            $weather->air < $stand->crop->leastAirC => [
                sprintf('the air is %s, and %s is the least %s', $w->temperature($weather->air), $w->temperature($stand->crop->leastAirC),
                    $stand->crop->doingInSentence('bears', 'bear')),
                'Frost bursts leaves; what it leaves of a tender plant does not grow on. Start later, or stand it where it is warmer.',
            ],
            $water > Season::KILLING_C => [
                sprintf('the water is %s', $w->temperature($water)),
                'Roots cook in water that warm. Shade the tub, give it a light coat, or start in a cooler season.',
            ],
            $water <= 0.0 => [
                'the water has been freezing for three days',
                'Roots freeze with the water they hang in. Start later, or stand it where it is warmer.',
            ],
            default => [
                'the roots have had next to no oxygen for three days',
                'Roots without oxygen are dead within days, and rot.',
            ],
        };
        $left = $stand->use->lastDay - ($run->days[$day]->after->ages[$first] ?? 0.0);

        $says = sprintf('%s on day %d: %s.', $stand->crop->doing('dies', 'die'), $day, $of);

        return new Finding('season.killed', Severity::Stop, $plan->tub->tub->id, $plan->weather->isSteady() ? '/site' : '/site/weather',
            $says,
            $why,
            fn (): array => [
                ...self::milder($plan, $context),
                ...($water > Season::KILLING_C ? self::cooler($plan, $context) : []),
                ...($run->tub->system === GrowingSystem::Aerated ? [$context->addAir('Give it more air', $plan->tub->tub)] : []),
            ],
            max(0.0, $left),
            ofGarden: sprintf('Nothing that is planted here lives. In %s: %s', $plan->tub->tub->name, lcfirst($says)));
    }

    /** Too little water, before the first harvest; afterwards only where nothing is left at all. */
    private static function dry(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $tub = $plan->tub->tub;
        $still = $tub->system === GrowingSystem::Passive && $tub->water->topUps === TopUps::None;
        $harvest = $run->harvestDay() ?? INF;
        $low = $run->firstBelowUsable();
        $dry = $run->dryOn();
        $isBefore = $low !== null && $low < $harvest;
        // Still water in steady weather: passive.dry says it.
        if ($run->tub->usable <= 0.0 || (! $isBefore && $dry === null) || ($isBefore && $still && $plan->weather->isSteady())) {
            return null;
        }
        $w = $context->write;
        $fewer = $isBefore && $plan->tub->plants->count > 1 ? $plan->tub->plants->count - 1 : null;

        return new Finding('season.dry', $isBefore ? Severity::Stop : Severity::Mind, $tub->id, $tub->pointer('/top_ups'),
            match (true) {
                ! $isBefore => sprintf('It runs dry on day %d, after the first harvest: what would be picked later is lost.', $dry),
                $dry !== null && $dry <= $harvest => sprintf(
                    'It runs dry on day %d%s. Top it up more, plant fewer, or take a larger tub.',
                    $dry,
                    $low < $dry ? sprintf(', and is under its lowest useful level from day %d on', $low) : '',
                ),
                default => sprintf(
                    'The water falls under its lowest useful level, %s over the floor, on day %d. Top it up more, or plant fewer.',
                    $w->length($plan->tub->water->lowest()),
                    $low,
                ),
            },
            'Roots without water are dead within hours; what is poured in later does not bring them back.',
            fn (): array => [
                ...($tub->water->topUps === TopUps::None || $tub->water->topUps === TopUps::Half ? [$context->set(
                    $still ? 'Top up a quarter whenever it has fallen' : 'Top up when a third is gone',
                    $tub->pointer('/top_ups'),
                    $still ? TopUps::Quarter->value : TopUps::Level->value,
                )] : []),
                ...($tub->system === GrowingSystem::Passive ? [$context->addAir('Add air and refill freely', $tub)] : []),
                ...($fewer === null ? [] : [self::fewer($plan, $fewer, $context)]),
                ...array_filter([VesselRemedies::larger($plan->tub, $context, $run->thirst($harvest) / max(0.001, $run->tub->usable))]),
            ],
            ($run->tub->stands[0]->use->lastDay) - ($isBefore ? (float) $low : (float) $dry));
    }

    private static function fewer(FeedPlan $plan, int $plants, RuleContext $context): Remedy
    {
        $way = PlantRemedies::plants($plan->tub, $plants, $context);

        return new Remedy(
            $way->says,
            $way->patch,
            $plants > 1 ? static fn (): Remedy => self::fewer($plan, intdiv($plants, 2), $context) : null,
        );
    }

    /** Oxygen on the worst day. */
    private static function air(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $low = $run->oxygenLow();
        if ($low === null) {
            return null;
        }
        [$oxygen, $day] = $low;
        $floor = $plan->tub->tub->planting->density->oxygenFloor();
        $severity = self::bySteadiness($plan, OxygenBalance::judged($oxygen, $floor), $plan->air->balance === null
            ? null
            : OxygenBalance::judged($plan->air->balance->steady(), $floor));
        if ($severity === null) {
            return null;
        }
        $w = $context->write;
        $wanted = $severity === 1 ? OxygenBalance::MIND_MG_L : $floor;
        $short = $run->daysShortOfOxygen($wanted);

        return new Finding('season.air', Severity::ofLevel($severity), $plan->tub->tub->id, $plan->tub->tub->pointer('/stones'),
            sprintf(
                'Oxygen falls to %s on day %d, in water of %s; %s under %s.',
                $w::under($w->number($oxygen, 1, 'mg/L'), $w->number($wanted, 0, 'mg/L')),
                $day,
                $w->temperature($run->days[$day]->water()),
                $w->count($short, '1 day is', '%d days are'),
                $w->number($wanted, 0, 'mg/L'),
            ),
            'Warm water holds less oxygen, and grown roots in it ask for more. More air helps as far as the water can hold it; then only '
                .'cooler water does.',
            fn (): array => [
                $context->addAir('Give it more air', $plan->tub->tub),
                ...self::cooler($plan, $context),
                ...self::milder($plan, $context),
                ...($plan->tub->plants->count > 1 ? [self::fewer($plan, $plan->tub->plants->count - 1, $context)] : []),
            ],
            $short * 100 + OxygenBalance::MIND_MG_L - $oxygen);
    }

    /** The warmest water, by the crop that bears least. */
    private static function warm(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $most = min(array_map(static fn (CropStand $s): float => $s->crop->waterTempHighC, $run->tub->stands));
        [$highest, $on, $days] = self::worst($run, static fn (float $water): float => $water - $most);
        $severity = self::bySteadiness($plan, match (true) {
            $highest > self::WARM_STOP_C => 3,
            $highest > self::WARM_MEND_C => 2,
            $days >= self::ON_END => 1,
            default => null,
        }, self::ofDesign($context->plan->garden->site->waterTemperatureC - $most));
        if ($severity === null) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.warm', Severity::ofLevel($severity), $plan->tub->tub->id,
            $plan->weather->isSteady() ? '/site/air_temperature_c' : '/site/weather',
            sprintf(
                'The water is %s on day %d, and %s is the most these plants like. Shade it, or give it a light coat.',
                $w::over($w->temperature($highest), $w->temperature($most)),
                $on,
                $w->temperature($most),
            ),
            'Warm water holds less oxygen, roots use more of it, and rot likes it. A larger volume follows the air more slowly.',
            fn (): array => [...self::cooler($plan, $context), ...self::milder($plan, $context)],
            $highest - $most);
    }

    private static function cold(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $least = max(array_map(static fn (CropStand $s): float => $s->crop->waterTempLowC, $run->tub->stands));
        [$lowest, $on, $days] = self::worst($run, static fn (float $water): float => $least - $water);
        $severity = self::bySteadiness($plan, match (true) {
            $lowest < self::COLD_MEND_C => 2,
            $days >= self::ON_END => 1,
            default => null,
        }, self::ofDesign($least - $context->plan->garden->site->waterTemperatureC));
        if ($severity === null) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.cold', Severity::ofLevel($severity), $plan->tub->tub->id,
            $plan->weather->isSteady() ? '/site/air_temperature_c' : '/site/weather',
            sprintf(
                'The water is %s on day %d, and %s is the least these plants like. Start later, or stand it where it is warmer.',
                $w::under($w->temperature($lowest), $w->temperature($least)),
                $on,
                $w->temperature($least),
            ),
            'Cold roots take up little, and a plant that waits for warmth is eaten before it grows.',
            fn (): array => self::milder($plan, $context),
            $least - $lowest);
    }

    /**
     * The day that is worst by a measure: its water, its number, and for how many days on end the measure was over 4 °C.
     *
     * @param  callable(float): float  $by
     * @return array{float, int, int}
     */
    private static function worst(SeasonRun $run, callable $by): array
    {
        [$worst, $most, $on, $longest, $now] = [null, -INF, 0, 0, 0];
        foreach ($run->days as $day) {
            $out = $by($day->after->water);
            if ($out > $most) {
                [$worst, $most, $on] = [$day->after->water, $out, $day->day];
            }
            $now = $out > self::OUT_C + self::ROUNDING ? $now + 1 : 0;
            $longest = $now > $longest ? $now : $longest;
        }

        return [$worst ?? $run->start->water, $on, $longest];
    }

    /** How bad the design's own water is by what it is out of the window: 1 mind, 2 mend; null where it is within. */
    private static function ofDesign(float $out): ?int
    {
        return $out <= 0.0 ? null : ($out > self::OUT_C ? 2 : 1);
    }

    /** In steady weather a season's finding is silent unless a day is worse than what the design's figures say. */
    private static function bySteadiness(FeedPlan $plan, ?int $season, ?int $design): ?int
    {
        return $season !== null && $plan->weather->isSteady() && $design !== null && $design >= $season ? null : $season;
    }

    /** A first harvest that comes late, or not in two years. */
    private static function slow(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        if ($run->killedOn() !== null) {
            return null;
        }
        $slowest = null;
        foreach ($run->tub->stands as $i => $stand) {
            $harvest = $run->harvestOf($i);
            $late = ($harvest ?? INF) - $stand->use->harvestDay;
            if ($late > self::LATE_DAYS && $late > self::LATE_SHARE * $stand->use->harvestDay && $late > ($slowest[1] ?? 0.0)) {
                $slowest = [$stand, $late, $harvest];
            }
        }
        if ($slowest === null) {
            return null;
        }
        [$stand, $late, $harvest] = $slowest;

        return new Finding('season.slow', $harvest === null ? Severity::Mend : Severity::Mind, $plan->tub->tub->id,
            $plan->weather->isSteady() ? '/site/light_hours' : '/site/weather',
            $harvest === null
                ? sprintf('%s not come to harvest here in two years: too cold, too warm or too dark.', $stand->crop->doing('does', 'do'))
                : sprintf(
                    'The first harvest comes on day %d, %d days later than in good warmth and light.',
                    (int) floor($harvest),
                    (int) round($late),
                ),
            'Growth goes by warmth and by light: out of comfort a day counts for less than a day.',
            fn (): array => [...self::brighter($plan, $stand, $context), ...self::milder($plan, $context)],
            min($late, (float) Season::MOST_DAYS));
    }

    private static function visits(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $tub = $plan->tub->tub;
        $share = $tub->water->topUps->usedShare() * $run->tub->usable;
        $most = $run->mostDrunk();
        if ($tub->water->topUps === TopUps::None || $share <= 0.0 || $most <= $share + self::ROUNDING) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.visits', Severity::Mind, $tub->id, $tub->pointer('/top_ups'),
            sprintf(
                'Grown plants drink %s a day and it wants topping up after %s: more than once a day. Plant fewer, or take a larger tub.',
                $w->volume($most),
                $w->volume($share),
            ),
            'A tub that cannot be left for a day dries out on the first that is missed.',
            fn (): array => $tub->water->topUps === TopUps::Half ? [] : [
                $context->set('Top up when half is gone', $tub->pointer('/top_ups'), TopUps::Half->value),
            ],
            $most - $share);
    }

    private static function overflow(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        if ($run->tub->lidArea === null || $run->spilled() <= self::SPILL_SHARE * $run->tub->fill) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.overflow', Severity::Mend, $plan->tub->tub->id, '/site/setting',
            sprintf(
                'Rain gets in and %s of feed spills over in the season. Stand it under a roof.',
                $w->volume($run->spilled()),
            ),
            'What spills carries feed with it, and what is left is thinner.',
            [$context->set('Stand it under a roof', '/site/setting', Setting::Covered->value)],
            $run->spilled());
    }

    /** Whether a raft's board comes to hang in the walls on a day. */
    private static function jams(FeedPlan $plan, SeasonRun $run, RuleContext $context): ?Finding
    {
        $raft = $plan->tub->cutting->raft;
        $jammed = $raft === null ? [] : array_values(array_filter(
            $run->days,
            static fn (SeasonDay $d): bool => $d->level < $raft->jamLevel - 1.0e-6,
        ));
        if ($raft === null || $jammed === []) {
            return null;
        }
        $w = $context->write;

        return new Finding('raft.jams', Severity::Mind, $plan->tub->tub->id, $plan->tub->tub->pointer('/raft/gap_mm'),
            sprintf(
                'The board jams in the walls on day %d, when the water has fallen %s. Top up before, or cut it with a wider gap.',
                $jammed[0]->day,
                $w->length($raft->travel()),
            ),
            'From then on it hangs still and the water leaves its cups.');
    }

    /** @return list<Remedy> what keeps a tub's water nearer to the air: a light coat, a roof over it, shade */
    private static function cooler(FeedPlan $plan, RuleContext $context): array
    {
        $site = $context->plan->garden->site;
        $body = $plan->tub->tub->body;

        return array_values(array_filter([
            $site->inSun() && $site->setting === Setting::Open && ! $body->cover->isLight()
                ? $context->set('Cover it with foil', $plan->tub->tub->pointer('/vessel/cover'), Cover::Foil->value)
                : null,
            $site->fullSun && $site->setting !== Setting::Indoor ? $context->set('Stand it in the shade', '/site/full_sun', false) : null,
        ]));
    }

    /** @return list<Remedy> where it is milder than out of doors */
    private static function milder(FeedPlan $plan, RuleContext $context): array
    {
        $site = $context->plan->garden->site;

        return $site->setting === Setting::Indoor || $plan->weather->isSteady() ? [] : [
            new Remedy('Grow it indoors, at the room\'s figures', [
                ...$context->patch->set('/site/setting', Setting::Indoor->value),
                ...$context->patch->set('/site/weather', (object) ['kind' => 'steady']),
            ]),
        ];
    }

    /** @return list<Remedy> more hours of light, where they are what is missing */
    private static function brighter(FeedPlan $plan, CropStand $stand, RuleContext $context): array
    {
        $site = $context->plan->garden->site;

        return $site->setting !== Setting::Indoor || $site->lightHours >= $stand->crop->lightHours ? [] : [
            $context->set(
                sprintf('Light it %s hours a day', $context->write->number($stand->crop->lightHours, 0)),
                '/site/light_hours',
                $stand->crop->lightHours,
            ),
        ];
    }
}
