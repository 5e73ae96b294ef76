<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Feed\Dose;

/** Feed for the season as it is simulated, part by part. Source: handbook, rules section 9. */
final class FeedParts
{
    /** @return list<Need> */
    public static function of(FeedPlan $plan): array
    {
        $feed = $plan->feed;
        $run = $feed === null ? null : $plan->run();
        if ($feed === null || $run === null) {
            return [];
        }

        return array_map(static fn (Dose $dose): Need => new Need(
            self::key($feed, $dose),
            $feed->product->name.(count($feed->product->parts) > 1 ? ', '.$dose->part->name : ''),
            NeedKind::Consumable,
            $dose->amount * $plan->tub->tub->count,
            $dose->part->unit(),
            NeedStage::Feed,
        ), $run->doses);
    }

    /** What a part of a feed is bought as: two-part-dry-a. */
    public static function key(FeedWish $feed, Dose $dose): string
    {
        $part = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', mb_strtolower($dose->part->name)), '-');

        return ($feed->product->key ?? "feed:$feed->id")."-$part";
    }
}
