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
     * @param  bool  $adapter  a disc between a jar's mouth, or a cut bottle's, and a smaller cup
     */
    public function __construct(
        public bool $inMouth,
        public Lid $lid,
        public array $sizes,
        public LayoutSpace $space,
        public ?Raft $raft,
        public bool $adapter = false,
    ) {
        $this->seat = $sizes[0]->seat;
    }

    /**
     * Whether holes are cut with the knife that cuts a foam board or an adapter disc to its outline anyway: a saw is not bought for them,
     * and one that is there is used.
     */
    public function isCutByKnife(): bool
    {
        foreach ($this->sizes as $size) {
            if ($size->saw === null || ! $size->saw->owned) {
                return $this->adapter || $this->raft !== null;
            }
        }

        return false;
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
