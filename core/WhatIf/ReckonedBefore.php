<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Units\QuantityWriter;
use stdClass;

/**
 * What of a garden was reckoned otherwise before version 0.9, with both figures: the first fill and what goes into it, and the day of the
 * first harvest. Before, a first fill went to the water line, hard water took away from the feed, one fill was made up to three quarters
 * of the crops' middle, and plants grew by days whatever the warmth and the light.
 */
final class ReckonedBefore
{
    private const YOUNG_SHARE = 0.5;

    private const ONE_FILL_SHARE = 0.75;

    /** Less than this is no other figure, as a share, and of days. */
    private const SAME = 0.02;

    private const SAME_DAYS = 0.5;

    /** @return list<stdClass> {tub, what, now, before}, tub by tub */
    public static function of(Plan $plan): array
    {
        $write = new QuantityWriter($plan->garden->units);
        $lines = [];
        foreach ($plan->get(FeedPlans::class)->all() as $fed) {
            foreach (self::ofTub($fed, $write) as [$what, $now, $before]) {
                $lines[] = (object) ['tub' => $fed->tub->tub->name, 'what' => $what, 'now' => $now, 'before' => $before];
            }
        }

        return $lines;
    }

    /** @return list<array{string, string, string}> what, now, before */
    private static function ofTub(FeedPlan $fed, QuantityWriter $write): array
    {
        $run = $fed->run();
        $use = $fed->tub->water->use;
        if ($run === null || $use === null) {
            return [];
        }
        $lines = [];
        $water = $fed->tub->water;
        if (! self::isSame($water->start(), $water->working())) {
            $lines[] = ['first fill', $write->volume($water->start()), $write->volume($water->working())];
        }
        $ec = $fed->mixing->ecAt($fed->stage());
        $before = self::firstEc($fed);
        if ($ec !== null && $before !== null && ! self::isSame($ec, $before)) {
            $lines[] = ['its strength', $write->number($ec, 2, 'mS/cm'), $write->number($before, 2, 'mS/cm')];
        }
        $harvest = $run->harvestDay();
        if ($harvest === null || abs($harvest - $use->harvestDay) > self::SAME_DAYS) {
            $lines[] = [
                'first harvest',
                $harvest === null ? 'never' : 'day '.$write->number($harvest, 0),
                'day '.$write->number($use->harvestDay, 0),
            ];
        }

        return $lines;
    }

    /** The EC of the first fill as it was reckoned before, mS/cm; null where the feed's is not known, or none is chosen. */
    private static function firstEc(FeedPlan $fed): ?float
    {
        $product = $fed->feed?->product;
        $target = $fed->mixing->target;
        $source = $fed->mixing->source;
        $stage = $fed->stage();
        $label = $product?->labelEc($stage);
        if ($product === null || $target === null || $label === null || $fed->mixing->isSimple()) {
            return null;
        }
        $wanted = match (true) {
            $target->isOnce() => self::ONE_FILL_SHARE * $target->middle(),
            $stage === Stage::Sprouting => $source,
            default => self::YOUNG_SHARE * $target->middle(),
        };

        return $source + max(0.0, min(FeedProduct::MOST_OF_LABEL, ($wanted - $source) / $label)) * $label;
    }

    private static function isSame(float $one, float $other): bool
    {
        return abs($one - $other) <= self::SAME * max(abs($one), abs($other));
    }
}
