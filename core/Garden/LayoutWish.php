<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Lid\PatternKind;

/** What the grower asks of a lid: a pattern, and a number of cups or as many as the tub carries; by hand, the holes themselves. */
final readonly class LayoutWish
{
    /**
     * @param  string  $asked  the pattern by its name in the file
     * @param  int|null  $cups  null for as many as the tub carries
     * @param  list<HoleWish>  $holes  of a manual layout
     */
    public function __construct(public string $asked, public PatternKind $pattern, public ?int $cups, public array $holes)
    {
    }
}
