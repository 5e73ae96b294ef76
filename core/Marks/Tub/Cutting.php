<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\Raft;

/** What holes are cut in, for which cups, and where they may go. */
final readonly class Cutting
{
    /** The seat of the tub's cup. */
    public Seat $seat;

    /**
     * @param  bool  $inMouth  the cup hangs in a jar's mouth: no saw, no lid
     * @param  Lid  $lid  the vessel's lid, or a raft's board
     * @param  non-empty-list<CupPlan>  $sizes  the tub's cup, then the second size where there is one
     */
    public function __construct(public bool $inMouth, public Lid $lid, public array $sizes, public LayoutSpace $space, public ?Raft $raft)
    {
        $this->seat = $sizes[0]->seat;
    }

    /** Whether every size hangs in its hole. */
    public function holdsCups(): bool
    {
        foreach ($this->sizes as $size) {
            if (! $size->seat->holds()) {
                return false;
            }
        }

        return true;
    }
}
