<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Feed\Water;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** Steps of a build sheet that belong together. */
abstract class StepGroup
{
    protected readonly TubPlan $tub;

    protected readonly Raising $raising;

    protected readonly QuantityWriter $write;

    protected readonly Templates $marks;

    protected readonly FeedPlan $feed;

    protected readonly ?AirPlan $air;

    protected readonly Water $source;

    public function __construct(protected readonly Bench $bench)
    {
        $this->tub = $bench->tub;
        $this->raising = $bench->raising;
        $this->write = $bench->write;
        $this->marks = $bench->marks;
        $this->feed = $bench->feed;
        $this->air = $bench->air;
        $this->source = $bench->source;
    }

    /** Adds the steps of this group that this tub has. */
    abstract public function add(): void;

    /** How far below its cup a cutting ends. */
    protected function stemEnd(): string
    {
        $below = $this->tub->tub->water->cloner->stemBelowCup;

        return $below > 0.0 ? $this->write->length($below).' under the cup' : 'level with the cup’s foot';
    }

    /** Whether this tub takes a part or tool: it is listed, bought or had. */
    protected function takes(string $part): bool
    {
        return in_array($part, $this->bench->parts->keys(), true);
    }
}
