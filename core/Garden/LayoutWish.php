<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Lid\PatternKind;

/** What the grower asks of a lid: a pattern, and a number of cups or as many as the tub carries; by hand, the holes themselves. */
final readonly class LayoutWish
{
    /**
     * @param  int|null  $cups  null for as many as the tub carries
     * @param  list<HoleWish>  $holes  of a manual layout
     */
    public function __construct(public PatternKind $pattern, public ?int $cups, public array $holes)
    {
    }

    /** @return list<Crop|null> what is to grow in each hole set by hand, where that was said */
    public function crops(): array
    {
        return array_map(static fn (HoleWish $h): ?Crop => $h->crop, $this->holes);
    }

    public function isByHand(): bool
    {
        return $this->pattern === PatternKind::Manual;
    }

    /** The pattern that a number of cups is asked of: the best one where holes are set by hand. */
    public function regular(): PatternKind
    {
        return $this->isByHand() ? PatternKind::Best : $this->pattern;
    }
}
