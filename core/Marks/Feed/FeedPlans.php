<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use Closure;

/** What each tub is fed, worked out when it is asked for. */
final class FeedPlans
{
    /** @var array<string, FeedPlan> by tub id, as far as they were asked for */
    private array $made = [];

    /**
     * @param  list<string>  $tubs  ids, in the garden's order
     * @param  Closure(string): FeedPlan  $make  of a tub
     */
    public function __construct(public readonly FeedWishes $wishes, private readonly array $tubs, private readonly Closure $make)
    {
    }

    public function of(string $tub): FeedPlan
    {
        return $this->made[$tub] ??= ($this->make)($tub);
    }

    /** @return array<string, FeedPlan> by tub id */
    public function all(): array
    {
        $all = [];
        foreach ($this->tubs as $tub) {
            $all[$tub] = $this->of($tub);
        }

        return $all;
    }

    public function has(string $tub): bool
    {
        return in_array($tub, $this->tubs, true);
    }
}
