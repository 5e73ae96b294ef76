<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** So much of one part of a feed: mL of a liquid, g of a dry one. */
final readonly class Dose
{
    /** Less than this is hard to measure, g or mL. */
    private const LEAST = 1.0;

    private const BATCH_L = 4.0;

    private const ROUNDING = 1.0e-9;

    public function __construct(public FeedPart $part, public float $amount)
    {
    }

    /**
     * Two lists of doses of one product, part by part.
     *
     * @param  list<self>  $doses
     * @param  list<self>  $more
     * @return list<self>
     */
    public static function sum(array $doses, array $more): array
    {
        return $doses === [] ? $more : array_map(
            static fn (self $dose, self $other): self => new self($dose->part, $dose->amount + $other->amount),
            $doses,
            $more,
        );
    }

    /** So many times as much of it. */
    public function times(float $times): self
    {
        return new self($this->part, $times * $this->amount);
    }

    /**
     * How many litres to mix and share out where a part for so many is too little to measure: 4 L, or as many as bring the smallest part
     * to a gram or a millilitre; null where each can be measured. Source: handbook, season (dose).
     *
     * @param  list<self>  $doses
     */
    public static function batch(array $doses, float $litres): ?float
    {
        $amounts = array_filter(array_map(static fn (self $d): float => $d->amount, $doses), static fn (float $a): bool => $a > 0.0);
        $least = $amounts === [] ? INF : min($amounts);

        return $litres <= 0.0 || $least >= self::LEAST - self::ROUNDING
            ? null
            : max(self::BATCH_L, ceil($litres * self::LEAST / $least - self::ROUNDING));
    }
}
