<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\CropStand;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Feed\Peroxide;
use KelpTub\Core\Feed\PhSchool;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Feed\Strength;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Tub\VesselRemedies;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\SeasonRun;

/** What is to be said of feed and of how strong the water gets. Source: handbook, season (findings) and rules section 8. */
final class FeedRules
{
    /** Over or under what plants like by so much works badly, mS/cm. */
    private const MEND_BY = 0.8;

    /** So many days out of the window are let pass. */
    private const DAYS_OUT = 5;

    private const ROUNDING = 1.0e-9;

    /** @return list<Finding> */
    public static function ofTub(FeedPlan $plan, RuleContext $context): array
    {
        return array_values(array_filter([
            self::none($plan, $context),
            self::salty($plan, $context),
            self::tooWeak($plan, $context),
            self::unknown($plan),
            self::soft($plan, $context),
            self::organic($plan),
            self::strong($plan, $context),
            self::salt($plan, $context),
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

    /** Cuttings have no roots yet that could feed: they do with water alone. */
    private static function none(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $eats = array_filter($plan->season->stands ?? [], static fn (CropStand $s): bool => $s->crop->group !== CropGroup::Cutting);
        if ($plan->feed !== null || $eats === []) {
            return null;
        }
        $feeds = $context->plan->get(FeedPlans::class)->wishes->feeds;
        $tub = $plan->tub->tub;

        return new Finding('feed.none', Severity::Mend, $tub->id, $tub->pointer('/feed'),
            'Plants grow here and no feed is chosen. Choose one, and doses follow.',
            'Water alone holds next to nothing that plants live on. Until a feed is chosen the strength is reckoned as if it were met.',
            fn (): array => [$feeds === []
                ? new Remedy('Feed it with the two-part dry feed', [
                    ...$context->patch->set('/feeds', [(object) ['id' => 'feed-1', 'product' => 'two-part-dry']]),
                    ...$context->patch->set($tub->pointer('/feed'), 'feed-1'),
                ])
                : $context->set('Feed it with '.$feeds[0]->product->name, $tub->pointer('/feed'), $feeds[0]->id)],
            1.0);
    }

    /** Where a fill comes out over what plants like by the water's own salt, at the stage at which it does most. */
    private static function salty(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $wishes = $context->plan->get(FeedPlans::class)->wishes;
        $target = $plan->mixing->target;
        $run = $plan->run();
        if ($target === null || $run === null || $plan->mixing->isSimple()) {
            return null;
        }
        $source = $wishes->water->ec;
        [$over, $aim] = [self::ROUNDING, null];
        foreach (self::stages($run) as $stage) {
            $wanted = $target->at($stage);
            $fill = $plan->mixing->ecAt($stage) ?? 0.0;
            if ($source > $wanted / 2 && $fill - $target->likes($stage)[1] > $over) {
                [$over, $aim] = [$fill - $target->likes($stage)[1], $wanted];
            }
        }
        if ($aim === null) {
            return null;
        }
        $w = $context->write;
        // Rounded up to a whole percent, so that it is under the mark and not on it.
        $share = min(1.0, ceil(100 * $wishes->source->dilutionFor($aim) - self::ROUNDING) / 100);

        return new Finding('feed.water-salty', Severity::Mend, $plan->tub->tub->id, '/water/ec_ms_cm',
            sprintf(
                'The water alone reads %s; fed with what plants need, a fill comes to %s over what they like. Mix in %s of pure water.',
                $w->number($source, 2, 'mS/cm'),
                $w->number($over, 2, 'mS/cm'),
                $w->number(100 * $share, 0, '%'),
            ),
            'What hard or salted water reads is lime and salt, not food: half of what pure water would be given has to go in all the same.',
            $share <= 0.0 ? [] : [$context->set(
                'Mix in '.$w->number(100 * $share, 0, '%').' of pure water',
                '/water/blend',
                [(object) ['source' => WaterSource::ReverseOsmosis->value, 'ec_ms_cm' => 0, 'share' => $share]],
            )],
            $over);
    }

    /** A target that needs more of the feed than a quarter over its label. */
    private static function tooWeak(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $product = $plan->feed?->product;
        $target = $plan->mixing->target;
        $run = $plan->run();
        if ($plan->feed === null || $product === null || $target === null || $run === null || $plan->mixing->isSimple()) {
            return null;
        }
        $source = $plan->mixing->source;
        $needed = static fn (FeedProduct $of, Stage $stage): float => $of->shareNeeded($target->at($stage), $source, $stage);
        $stages = array_values(array_filter(
            self::stages($run),
            static fn (Stage $s): bool => $s !== Stage::Sprouting || $target->isOnce(),
        ));
        $most = 0.0;
        foreach ($stages as $stage) {
            $most = max($most, $needed($product, $stage));
        }
        if ($most <= FeedProduct::MOST_OF_LABEL + self::ROUNDING) {
            return null;
        }
        $w = $context->write;
        $aims = [0.0, ...array_map(static fn (Stage $s): float => $target->at($s), $stages)];

        return new Finding('feed.too-weak-product', Severity::Mend, $plan->tub->tub->id, $plan->feed->pointer('/product'),
            sprintf(
                '%s does not bring the water to %s: it would take %s of its label, and %s is the most. Take a stronger one.',
                $product->name,
                $w->number(max($aims), 2, 'mS/cm'),
                $w->number($most, 2, 'times'),
                $w->number(FeedProduct::MOST_OF_LABEL, 2),
            ),
            'Over a quarter more than the label a dose is taken for a mistake: what is in a feed besides adds up too.',
            fn (): array => self::strongerProducts($plan, $stages, $needed, $context),
            $most);
    }

    /**
     * @param  list<Stage>  $stages
     * @param  callable(FeedProduct, Stage): float  $needed
     * @return list<Remedy> the feed of the Library that reaches the target and is nearest to its label
     */
    private static function strongerProducts(FeedPlan $plan, array $stages, callable $needed, RuleContext $context): array
    {
        $reach = [];
        foreach ($context->library->products as $key => $product) {
            $most = max([0.0, ...array_map(static fn (Stage $s): float => $needed($product, $s), $stages)]);
            if ($product->labelEc() !== null && $most <= FeedProduct::MOST_OF_LABEL) {
                $reach[(string) $key] = $most;
            }
        }
        arsort($reach);
        $way = Remedy::inTurn(array_keys($reach), static fn (string $key): Remedy => $context->set(
            'Use '.lcfirst($context->library->products->get($key)->name),
            $plan->feed?->pointer('/product') ?? '',
            $key,
        ));

        return $way === null ? [] : [$way];
    }

    /** @return list<Stage> that the plants of a tub come through */
    private static function stages(SeasonRun $run): array
    {
        $stages = [$run->start->stage->value => $run->start->stage];
        foreach ($run->days as $day) {
            $stages[$day->after->stage->value] = $day->after->stage;
        }

        return array_values($stages);
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
        if ($plan->feed === null || $plan->season === null || $plan->feed->strength !== Strength::Simple) {
            return null;
        }

        return new Finding('feed.strong', Severity::Mind, $plan->tub->tub->id, $plan->feed->pointer('/strength'),
            'The label\'s dose from the start is strong for seedlings. Give half of it until they grow.',
            'Young roots burn where older ones feed.',
            [$context->set('Feed by stage', $plan->feed->pointer('/strength'), Strength::ByStage->value)]);
    }

    /** The EC out of what plants like, over or under or both, in one sentence. */
    private static function salt(FeedPlan $plan, RuleContext $context): ?Finding
    {
        $run = $plan->feed === null ? null : $plan->run();
        $out = $run?->outOfEc() ?? [];
        if ($plan->window === null || $run === null || count($out) <= self::DAYS_OUT) {
            return null;
        }
        $over = array_filter($out, static fn (float $by): bool => $by > 0.0);
        $under = array_filter($out, static fn (float $by): bool => $by < 0.0);
        $worst = max(array_map(abs(...), $out));
        $w = $context->write;
        $parts = [];
        foreach ([['too strong', $over], ['too weak', $under]] as [$how, $days]) {
            if ($days !== []) {
                $on = array_keys($days, $how === 'too strong' ? max($days) : min($days), true)[0];
                $parts[] = sprintf(
                    '%s on %s (day %d to day %d), at worst %s on day %d',
                    $how,
                    $w->count(count($days), '1 day', '%d days'),
                    array_key_first($days),
                    array_key_last($days),
                    $w->number($run->days[$on]->ec() ?? 0.0, 1, 'mS/cm'),
                    $on,
                );
            }
        }

        return new Finding('season.salt', $worst >= self::MEND_BY - self::ROUNDING ? Severity::Mend : Severity::Mind,
            $plan->tub->tub->id, $plan->tub->tub->pointer('/reservoir_change'),
            sprintf(
                'The water gets %s; these plants like %s.',
                implode(', and ', $parts),
                $w->number($plan->window[0], 1).'–'.$w->number($plan->window[1], 1, 'mS/cm'),
            ),
            $over === []
                ? 'Here they eat more than they drink: what is put back is weaker than what they took.'
                : 'Where plants drink more than they eat, what is left grows stronger from day to day.',
            fn (): array => [
                ...($over === [] ? [] : self::weaker($plan, $context)),
                ...($under === [] ? [] : self::stronger($plan, $context)),
            ],
            array_sum(array_map(abs(...), $out)));
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
            $tub->system === GrowingSystem::Passive ? VesselRemedies::larger($plan->tub, $context) : null,
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
