<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** What one of a thing costs, before it is bought in packs. */
final class UnitPrice
{
    /**
     * The price of one unit in the pack in which it is cheapest; null where nobody sells it.
     *
     * @param  list<Offer>  $offers
     */
    public static function ofOne(array $offers): ?float
    {
        return $offers === [] ? null : min(array_map(static fn (Offer $offer): float => $offer->price / $offer->pack, $offers));
    }
}
