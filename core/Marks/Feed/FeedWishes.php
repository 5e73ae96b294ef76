<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Feed\Water;

/** The water of a garden, the feeds that are mixed into it, and the light that it all grows in. */
final readonly class FeedWishes
{
    /**
     * @param  Water  $source  the main one
     * @param  Water  $water  as it is used: the same, or blended with others
     * @param  list<FeedWish>  $feeds
     */
    public function __construct(public Water $source, public Water $water, public array $feeds, public Lights $lights)
    {
    }

    public function feed(?string $id): ?FeedWish
    {
        foreach ($this->feeds as $feed) {
            if ($feed->id === $id) {
                return $feed;
            }
        }

        return null;
    }
}
