<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\Peroxide;
use KelpTub\Core\Feed\PhSchool;
use KelpTub\Core\Feed\Strength;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\SeasonRun;

/** What is to be said of feed and of the season. Source: handbook, season (findings) and rules section 8. */
final class FeedRules
{
    /** Over or under the window by so much, mS/cm: worth knowing, and works badly. */
    private const MIND_BY = SeasonRun::STRONG_BY;

    private const MEND_BY = 0.8;

    /** So many days out of the window are let pass. */
    private const DAYS_OUT = 5;

    /** Of a first fill, what spills over in a season before it is worth a word. */
    private const SPILL_SHARE = 0.1;

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function ofTub(FeedPlan $plan, RuleContext $context): array
    {
        return array_values(array_filter([
            self::salty($plan, $context),
            self::unknown($plan),
            self::soft($plan, $context),
            self::organic($plan),
            self::strong($plan, $context),
            self::weak($plan, $context),
            self::salt($plan, $context),
            self::dry($plan, $context),
            self::visits($plan, $context),
            self::overflow($plan, $context),
            self::warm($plan, $context),
        ]));
    }

    /** @return list<Finding> */
    public static function ofGarden(FeedWishes $wishes, RuleContext $context): array
    {
        $findings = [];
        foreach ($wishes->feeds as $feed) {
            $findings = [...$findings, self::undiluted($feed, $context), self::peroxide($feed, $context), self::untested($feed, $context)];
        }

        return array_values(array_filter([...$findings, $wishes->feeds === [] ? null : self::hard($wishes, $context)]));
    }

    private static function salty(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $wishes = $context->plan->get(FeedPlans::class)->wishes;
        if ($plan->window === null) {
            return null;
        }
        $middle = ($plan->window[0] + $plan->window[1]) / 2;
        if ($wishes->water->ec <= $middle + self::ROUNDING) {
            return null;
        }
        $w = $context->write;
        // Rounded up to a whole percent, so that it is under the mark and not on it.
        $share = min(1.0, ceil(100 * $wishes->source->dilutionFor($middle) - self::ROUNDING) / 100);

        return new Finding('feed.water-salty', Severity::Mend, $plan->tub->tub->id, '/water/ec_ms_cm',
            sprintf(
                'The water alone reads %s and these plants want %s. Mix in %s of pure water, by reverse osmosis or rain.',
                $w::over($w->number($wishes->water->ec, 2, 'mS/cm'), $w->number($middle, 2)),
                $w->number($middle, 2),
                $w->number(100 * $share, 0, '%'),
            ),
            'Feed can only add to what is in the water already, and what is in hard or salted water is not what plants eat.',
            $share <= 0.0 ? [] : [$context->set(
                'Mix in '.$w->number(100 * $share, 0, '%').' of pure water',
                '/water/blend',
                [(object) ['source' => WaterSource::ReverseOsmosis->value, 'ec_ms_cm' => 0, 'share' => $share]],
            )],
            $wishes->water->ec - $middle);
    }

    private static function unknown(FeedPlan $plan): ?Finding
    {
        if ($plan->feed === null || $plan->feed->product->labelEc() !== null) {
            return null;
        }

        return new Finding('feed.unknown-ec', Severity::Mind, $plan->tub->tub->id, $plan->feed->pointer('/product'),
            'The packet gives no EC: doses go by the label, and the strength of the water is not forecast. Mix a litre and measure it.',
            'A meter in one litre of the label\'s dose, less what the water reads alone, is the EC that is missing.');
    }

    private static function soft(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $water = $context->plan->get(FeedPlans::class)->wishes->water;
        if ($plan->feed === null || ! $water->source->isSoft() || $plan->feed->product->calciumMagnesium) {
            return null;
        }

        return new Finding('feed.soft-water', Severity::Mind, $plan->tub->tub->id, $plan->feed->pointer('/product'),
            'Soft water lacks calcium and magnesium, and this feed does not bring them. Add them first, or take a feed that has them.',
            'Tap water mostly brings enough of both; rain and reverse osmosis bring none, and leaf edges burn for the want of calcium.',
            [$context->set('Use the feed with calcium and magnesium', $plan->feed->pointer('/product'), 'calcium-magnesium')]);
    }

    private static function organic(FeedPlan $plan): ?Finding
    {
        if ($plan->feed === null || ! $plan->feed->product->organic) {
            return null;
        }
        $still = $plan->tub->tub->system === GrowingSystem::Passive;
        $fine = $plan->tub->tub->water->stones?->stone->bubble === Bubble::Fine;

        return ! $still && ! $fine ? null : new Finding(
            'feed.organic', Severity::Mind, $plan->tub->tub->id, $plan->feed->pointer('/product'),
            $still
                ? 'Organic feed spoils in still water. Mix little, often, or take a mineral one here.'
                : 'Organic feed clogs fine stones. Take coarser ones, or clean them every week.',
            'Microbes live on it: they take oxygen from still water and grow into fine pores.',
        );
    }

    private static function strong(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $range = $plan->feed === null ? null : $plan->run()?->ecRange();
        if ($plan->feed === null || $plan->window === null) {
            return null;
        }
        $over = $range === null ? 0.0 : $range['high'] - $plan->window[1];
        $simple = $plan->feed->strength === Strength::Simple;
        if ($over < self::MIND_BY - self::ROUNDING && ! $simple) {
            return null;
        }
        $w = $context->write;
        $isOver = $range !== null && $over >= self::MIND_BY - self::ROUNDING;

        return new Finding(
            'feed.strong',
            $over >= self::MEND_BY - self::ROUNDING ? Severity::Mend : Severity::Mind,
            $plan->tub->tub->id,
            $plan->feed->pointer('/strength'),
            $isOver
                ? sprintf(
                    'The EC comes to %s on day %d, and %s is the most these plants like.',
                    $w::over($w->number($range['high'], 1, 'mS/cm'), $w->number($plan->window[1], 1)),
                    $range['high_day'],
                    $w->number($plan->window[1], 1),
                )
                : 'The label\'s dose from the start is strong for seedlings. Give half of it until they grow.',
            $isOver
                ? 'Strong feed draws water out of roots, and burns the edges of leaves.'
                : 'Young roots burn where older ones feed.',
            fn (): array => array_values(array_filter([
                $simple ? $context->set('Feed by stage', $plan->feed->pointer('/strength'), Strength::ByStage->value) : null,
                ...self::weaker($plan, $context),
            ])),
            max(0.0, $over) + ($simple ? self::MIND_BY : 0.0),
        );
    }

    private static function weak(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $run = $plan->feed === null ? null : $plan->run();
        if ($run === null || $plan->window === null || $plan->mixing->target === null) {
            return null;
        }
        $from = $plan->mixing->target->grownFrom();
        $weak = $run->daysUnder($plan->window[0] - self::MIND_BY + self::ROUNDING, $from);
        if (count($weak) <= self::DAYS_OUT) {
            return null;
        }
        [$low, $on] = [INF, 0];
        foreach ($weak as $day) {
            $ec = $run->days[$day]->ec() ?? INF;
            [$low, $on] = $ec < $low ? [$ec, $day] : [$low, $on];
        }
        $w = $context->write;

        return new Finding(
            'feed.weak',
            self::MEND_BY - self::ROUNDING <= $plan->window[0] - $low ? Severity::Mend : Severity::Mind,
            $plan->tub->tub->id,
            $plan->tub->tub->pointer('/top_up_strength'),
            sprintf(
                'The EC falls to %s by day %d, and %s is the least these plants like. Feed stronger, or change sooner.',
                $w::under($w->number($low, 1, 'mS/cm'), $w->number($plan->window[0], 1)),
                $on,
                $w->number($plan->window[0], 1),
            ),
            'Here they eat more than they drink: what is put back is weaker than what they took.',
            fn (): array => self::stronger($plan, $context),
            $plan->window[0] - $low + count($weak),
        );
    }

    private static function salt(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $run = $plan->feed === null ? null : $plan->run();
        if ($run === null || $plan->window === null) {
            return null;
        }
        $out = $run->daysOver($plan->window[1] + self::ROUNDING);
        if (count($out) <= self::DAYS_OUT) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.salt', Severity::Mend, $plan->tub->tub->id, $plan->tub->tub->pointer('/reservoir_change'),
            sprintf(
                'Salts climb over the window of %s on %d days, from day %d to day %d. Top up weaker, or change the water sooner.',
                $w->number($plan->window[0], 1).'–'.$w->number($plan->window[1], 1, 'mS/cm'),
                count($out),
                $out[0],
                $out[count($out) - 1],
            ),
            'Here the plants drink more than they eat, so that what is left grows stronger from day to day.',
            fn (): array => self::weaker($plan, $context),
            count($out));
    }

    /** @return list<Remedy> */
    private static function weaker(FeedPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub->tub;
        $water = $context->set('Top up with water alone', $tub->pointer('/top_up_strength'), 'water');

        return array_values(array_filter([
            $tub->water->strength->share() > 0.0 && $tub->water->topUps !== TopUps::None ? $water : null,
            self::sooner($plan, $context),
            $tub->water->topUps === TopUps::None && $tub->system === GrowingSystem::Passive
                ? new Remedy('Top up a quarter with water alone whenever it has fallen', [
                    ...$context->patch->set($tub->pointer('/top_ups'), TopUps::Quarter->value),
                    ...$context->patch->set($tub->pointer('/top_up_strength'), 'water'),
                ])
                : null,
        ]));
    }

    /** @return list<Remedy> */
    private static function stronger(FeedPlan $plan, RuleContext $context): array
    {
        $tub = $plan->tub->tub;
        $feed = $context->set('Top up with feed', $tub->pointer('/top_up_strength'), 'feed');

        return array_values(array_filter([
            $tub->water->strength->share() < 1.0 && $tub->water->topUps !== TopUps::None ? $feed : null,
            self::sooner($plan, $context),
        ]));
    }

    /** A change more often, no more so than it takes; null where it is weekly already, or nothing is changed in still water. */
    private static function sooner(FeedPlan $plan, RuleContext $context): ?Remedy
    {
        $tub = $plan->tub->tub;
        if ($tub->system === GrowingSystem::Passive) {
            return null;
        }
        $now = $tub->water->change->days() ?? INF;
        $ways = array_filter(
            [ChangeSchool::Monthly, ChangeSchool::TwoWeekly, ChangeSchool::Weekly],
            static fn (ChangeSchool $s): bool => ($s->days() ?? INF) < $now,
        );

        return Remedy::inTurn(array_values($ways), static fn (ChangeSchool $s): Remedy => $context->set(
            match ($s) {
                ChangeSchool::Monthly => 'Change the water every month',
                ChangeSchool::TwoWeekly => 'Change the water every two weeks',
                default => 'Change the water every week',
            },
            $tub->pointer('/reservoir_change'),
            $s->value,
        ));
    }

    private static function dry(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub->tub;
        $use = $plan->tub->water->use;
        $policy = $tub->water->policy();
        // What is topped up before a day's drinking could empty it does not run dry: it need not be simulated for that.
        $gone = $policy->topUps->usedShare() * $plan->tub->water->usable() + 2 * ($use?->peakDaily() ?? 0.0);
        $kept = $gone < $plan->tub->water->working();
        if ($tub->system === GrowingSystem::Passive || ($policy->topUps !== TopUps::None && $kept && $plan->weather->isSteady())) {
            return null;
        }
        $run = $plan->run();
        $dry = $run?->dryOn();
        if ($run === null || $dry === null || $run->tub->fill <= 0.0) {
            return null;
        }

        return new Finding('season.dry', Severity::Stop, $tub->id, $tub->pointer('/top_ups'),
            sprintf('It runs dry on day %d. Top it up, or plant fewer.', $dry),
            'Roots without water are dead within hours; what is poured in later does not bring them back.',
            fn (): array => [
                $context->set('Top up when a third is gone', $tub->pointer('/top_ups'), TopUps::Level->value),
            ],
            $run->tub->lastDay - $dry);
    }

    private static function visits(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $tub = $plan->tub->tub;
        $use = $plan->tub->water->use;
        $share = $tub->water->topUps->usedShare() * $plan->tub->water->usable();
        if ($use === null || $tub->water->topUps === TopUps::None || $share <= 0.0 || $use->peakDaily() <= $share + self::ROUNDING) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.visits', Severity::Mind, $tub->id, $tub->pointer('/top_ups'),
            sprintf(
                'Grown plants drink %s a day and it wants topping up after %s: more than once a day. Plant fewer, or take a larger tub.',
                $w->volume($use->peakDaily()),
                $w->volume($share),
            ),
            'A tub that cannot be left for a day dries out on the first that is missed.',
            fn (): array => $tub->water->topUps === TopUps::Half ? [] : [
                $context->set('Top up when half is gone', $tub->pointer('/top_ups'), TopUps::Half->value),
            ],
            $use->peakDaily() - $share);
    }

    private static function overflow(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $run = $plan->season?->lidArea === null ? null : $plan->run();
        if ($run === null || $run->spilled() <= self::SPILL_SHARE * $run->tub->fill) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.overflow', Severity::Mend, $plan->tub->tub->id, '/site/setting',
            sprintf(
                'Rain gets in and %s of feed spills over in the season. Stand it under a roof.',
                $w->volume($run->spilled()),
            ),
            'What spills carries feed with it, and what is left is thinner.',
            [$context->set('Stand it under a roof', '/site/setting', 'covered')],
            $run->spilled());
    }

    private static function warm(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $crops = $plan->tub->plants->mix->crops();
        if ($crops === [] || $plan->weather->isSteady() || $plan->run() === null) {
            return null;
        }
        $most = INF;
        foreach ($crops as $crop) {
            $most = min($most, $crop->waterTempHighC);
        }
        [$warm, $highest, $on] = [0, -INF, 0];
        foreach ($plan->run()->days as $day) {
            $warm += $day->water > $most + self::ROUNDING ? 1 : 0;
            [$highest, $on] = $day->water > $highest ? [$day->water, $day->day] : [$highest, $on];
        }
        if ($warm <= self::DAYS_OUT) {
            return null;
        }
        $w = $context->write;

        return new Finding('season.warm', Severity::Mind, $plan->tub->tub->id, '/site/weather',
            sprintf(
                'The water is warmer than %s on %d days, %s on day %d. Shade it, or give it a light coat.',
                $w->temperature($most),
                $warm,
                $w->temperature($highest),
                $on,
            ),
            'Warm water holds less oxygen, and roots use more of it.');
    }

    private static function undiluted(FeedWish $feed, RuleContext $context): ?Finding
    {
        return ! $feed->emptyTub || ! $feed->product->isMultiPart() ? null : new Finding(
            'feed.undiluted', Severity::Stop, null, $feed->pointer('/empty_tub'),
            'Parts of this feed would meet undiluted in the empty tub, and fall out as sludge. Pour the water first.',
            'Calcium of one part and sulphate or phosphate of the other make gypsum and the like, which no root takes up.',
            [$context->set('Pour the water first', $feed->pointer('/empty_tub'), false)],
        );
    }

    private static function peroxide(FeedWish $feed, RuleContext $context): ?Finding
    {
        if ($feed->peroxide <= 0.0) {
            return null;
        }
        $tooStrong = $feed->peroxidePercent > Peroxide::MOST_PERCENT;
        if (! $tooStrong && ! $feed->product->living) {
            return null;
        }
        $w = $context->write;

        return new Finding('feed.peroxide', $tooStrong ? Severity::Stop : Severity::Mend, null, $feed->pointer('/peroxide_pct'),
            $tooStrong
                ? sprintf(
                    'No dose is given for peroxide of %s: over %s it burns skin and eyes and may not be sold in many places. Use 3%s.',
                    $w->number($feed->peroxidePercent, 1, '%'),
                    $w->number(Peroxide::MOST_PERCENT, 0, '%'),
                    "\u{202F}%",
                )
                : 'Peroxide kills the helpful microbes in this feed. Use one or the other.',
            $tooStrong
                ? 'Local rules come first. The thin one from the pharmacy does the same work.'
                : 'It tells no friend from foe, and is gone again in about two days.',
            [
                ...($tooStrong ? [$context->set('Take the 3 % kind', $feed->pointer('/peroxide_pct'), Peroxide::USUAL_PERCENT)] : []),
                $context->set('Leave it out', $feed->pointer('/peroxide_mg_l'), 0),
            ]);
    }

    private static function untested(FeedWish $feed, RuleContext $context): ?Finding
    {
        return $feed->ph !== PhSchool::None ? null : new Finding(
            'feed.ph', Severity::Mind, null, $feed->pointer('/ph_school'),
            'Nobody looks at the pH. It drifts, and out of its window plants starve beside a full table.',
            'Drops for a season cost little.',
            [$context->set('Keep it in the window', $feed->pointer('/ph_school'), PhSchool::Window->value)],
        );
    }

    private static function hard(FeedWishes $wishes, RuleContext $context): ?Finding
    {
        $w = $context->write;

        return ! $wishes->water->isHard() ? null : new Finding(
            'feed.hard-water', Severity::Mind, null, '/water/ec_ms_cm',
            sprintf(
                'Water of %s is hard: its lime brings the pH up again over days. Look at it twice a week.',
                $w->number($wishes->water->ec, 2, 'mS/cm'),
            ),
            'What acid takes away of the lime in the water, the lime that is left works against.',
        );
    }
}
