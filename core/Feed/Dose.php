<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** So much of one part of a feed: mL of a liquid, g of a dry one. */
final readonly class Dose
{
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
}
