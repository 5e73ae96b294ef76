<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\File\Library;
use KelpTub\Core\Season\SeasonRun;

/** Feed for the season as it is simulated, part by part. Source: handbook, rules section 9. */
final class FeedParts
{
    /** † of a calcium and magnesium concentrate, to soft water */
    private const SOFT_WATER_ML_PER_L = 1.0;

    /** † of a dilute pH-down, to a litre of tap water of 0.4 mS/cm: the harder the water, the more. */
    private const DOWN_ML_PER_L = 0.3;

    private const USUAL_EC = 0.4;

    private const MOST_HARD = 2.0;

    /** † of a dilute pH-up, to a litre of water that stands under the aim. */
    private const UP_ML_PER_L = 0.1;

    /** What the pH of water may be off its aim and need nothing. */
    private const PH_SLACK = 0.2;

    /** † The least that a kitchen scale of whole grams tells well enough, g. */
    private const KITCHEN_SCALE_G = 10.0;

    /** @return list<Need> */
    public static function of(FeedPlan $plan, Water $water, Library $library): array
    {
        $feed = $plan->feed;
        $run = $feed === null ? null : $plan->run();
        if ($feed === null || $run === null) {
            return [];
        }

        $parts = array_map(static fn (Dose $dose): Need => new Need(
            self::key($feed, $dose),
            $feed->product->name.(count($feed->product->parts) > 1 ? ', '.$dose->part->name : ''),
            NeedKind::Consumable,
            $dose->amount * $plan->tub->tub->count,
            $dose->part->unit(),
            NeedStage::Feed,
            why: sprintf('%d days of %s: first fill, top-ups and changes', count($run->days), $plan->tub->tub->name),
        ), $run->doses());

        return [
            ...self::softWater($plan, $feed, $run, $water->source),
            ...self::ph($plan, $feed, $run, $water, $library),
            ...self::scale($plan, $library),
            ...$parts,
        ];
    }

    /**
     * What soft water lacks, where the feed does not bring it.
     *
     * @return list<Need>
     */
    private static function softWater(FeedPlan $plan, FeedWish $feed, SeasonRun $run, WaterSource $source): array
    {
        return $feed->product->calciumMagnesium || ! $source->isSoft() ? [] : [new Need(
            'soft-water-salts',
            'Calcium and magnesium, for soft water',
            NeedKind::Consumable,
            self::SOFT_WATER_ML_PER_L * $run->poured() * $plan->tub->tub->count,
            'mL',
            NeedStage::Feed,
            why: 'a millilitre to each litre of soft water poured',
        )];
    }

    /**
     * What brings the pH of all water that is poured to its aim: down where the water stands above it, up where it stands below.
     *
     * @return list<Need>
     */
    private static function ph(FeedPlan $plan, FeedWish $feed, SeasonRun $run, Water $water, Library $library): array
    {
        $aim = $feed->ph->aim($plan->tub->plants->mix->phWindow())['target'] ?? null;
        if ($aim === null || $water->ph === null || abs($water->ph - $aim) <= self::PH_SLACK) {
            return [];
        }
        $isDown = $water->ph > $aim;
        $key = $isDown ? 'ph-down' : 'ph-up';
        $each = $isDown ? self::DOWN_ML_PER_L * min(self::MOST_HARD, $water->ec / self::USUAL_EC) : self::UP_ML_PER_L;

        return $each <= 0.0 ? [] : [new Need(
            $key,
            $library->partName($key),
            NeedKind::Consumable,
            $each * $run->poured() * $plan->tub->tub->count,
            'mL',
            NeedStage::Feed,
            why: sprintf(
                'some %.2g mL to each litre poured, from pH %.1f to %.1f; the trial at the bench says how much',
                $each,
                $water->ph,
                $aim,
            ),
        )];
    }

    /** @return list<Need> a scale where the first fill takes so little of a dry part that a kitchen scale does not tell it */
    private static function scale(FeedPlan $plan, Library $library): array
    {
        return array_filter($plan->firstFill()[0], self::isWeighedFinely(...)) === [] ? [] : [new Need(
            'scale',
            $library->partName('scale'),
            NeedKind::Tool,
            1,
            shared: true,
            why: 'to weigh small amounts of a dry feed of which no spoon is known',
        )];
    }

    /** Whether an amount is too small for a kitchen scale, and no spoon measures it. */
    public static function isWeighedFinely(Dose $dose): bool
    {
        return ! $dose->part->liquid && $dose->amount > 0.0 && $dose->amount < self::KITCHEN_SCALE_G
            && ($dose->part->spoons($dose->amount) ?? 0.0) <= 0.0;
    }

    /** What a part of a feed is bought as: two-part-dry-a. */
    public static function key(FeedWish $feed, Dose $dose): string
    {
        $part = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', mb_strtolower($dose->part->name)), '-');

        return ($feed->product->key ?? "feed:$feed->id")."-$part";
    }
}
