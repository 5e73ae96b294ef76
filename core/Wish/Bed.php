<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\Crop;

/** What is to stand in tubs of one kind: a crop by itself, in as many of them as it takes; or several crops that share one. */
final readonly class Bed
{
    /** @param  non-empty-list<Portion>  $portions */
    public function __construct(public array $portions)
    {
    }

    public function plants(): int
    {
        return array_sum(array_map(static fn (Portion $p): int => $p->plants, $this->portions));
    }

    public function isShared(): bool
    {
        return count($this->portions) > 1;
    }

    /** The crop that wants the largest cup. */
    public function largest(): Crop
    {
        $crops = array_map(static fn (Portion $p): Crop => $p->crop, $this->portions);
        usort($crops, static fn (Crop $a, Crop $b): int => $b->cupMinMm <=> $a->cupMinMm);

        return $crops[0];
    }

    /** How high the highest of them stands over its lid when grown, mm. */
    public function height(): float
    {
        return max(array_map(static fn (Portion $p): float => $p->crop->matureHeightMm, $this->portions));
    }

    /** "leaf lettuce", "basil and chives" */
    public function inWords(): string
    {
        $names = array_values(array_unique(array_map(static fn (Portion $p): string => $p->crop->inSentence(), $this->portions)));
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names)." and $last";
    }
}
