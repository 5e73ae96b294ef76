<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\Season\SeasonRun;

/** Feed for the season as it is simulated, part by part. Source: handbook, rules section 9. */
final class FeedParts
{
    /** † of a calcium and magnesium concentrate, to soft water */
    private const SOFT_WATER_ML_PER_L = 1.0;

    /** @return list<Need> */
    public static function of(FeedPlan $plan, WaterSource $source): array
    {
        $feed = $plan->feed;
        $run = $feed === null ? null : $plan->run();
        if ($feed === null || $run === null) {
            return [];
        }

        return [...self::softWater($plan, $feed, $run, $source), ...array_map(static fn (Dose $dose): Need => new Need(
            self::key($feed, $dose),
            $feed->product->name.(count($feed->product->parts) > 1 ? ', '.$dose->part->name : ''),
            NeedKind::Consumable,
            $dose->amount * $plan->tub->tub->count,
            $dose->part->unit(),
            NeedStage::Feed,
            why: sprintf('%d days of %s: first fill, top-ups and changes', count($run->days), $plan->tub->tub->name),
        ), $run->doses())];
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

    /** What a part of a feed is bought as: two-part-dry-a. */
    public static function key(FeedWish $feed, Dose $dose): string
    {
        $part = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', mb_strtolower($dose->part->name)), '-');

        return ($feed->product->key ?? "feed:$feed->id")."-$part";
    }
}
