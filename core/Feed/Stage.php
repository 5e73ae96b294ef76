<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** How far the plants of a tub have come, as feeding goes by it. Source: handbook, season (target by stage). */
enum Stage: string
{
    case Sprouting = 'sprouting';
    case Seedling = 'seedling';
    case Grow = 'grow';
    case Bloom = 'bloom';

    /** Share of the days to harvest until which plants are young. */
    public const SEEDLING_TO = 0.15;

    /** Share of the days to harvest from which fruiting crops bear. */
    public const BLOOM_FROM = 0.6;

    /** The stage of plants so far on their way to the first harvest; seeds that have not sprouted are told apart. */
    public static function of(float $x, bool $bearsFruit, bool $sprouted): self
    {
        return match (true) {
            ! $sprouted => self::Sprouting,
            $x < self::SEEDLING_TO => self::Seedling,
            $bearsFruit && $x >= self::BLOOM_FROM => self::Bloom,
            default => self::Grow,
        };
    }
}
