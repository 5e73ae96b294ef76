<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

/** What each tub is fed, by tub id. */
final readonly class FeedPlans
{
    /** @param  array<string, FeedPlan>  $tubs */
    public function __construct(public FeedWishes $wishes, public array $tubs)
    {
    }
}
