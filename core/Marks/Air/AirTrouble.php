<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\Trouble;

/** What goes wrong on the air line, tried before it happens: on one tub's line, or on the pump that feeds it. */
final readonly class AirTrouble
{
    /** @param  string|null  $tub  whose line it is, or whose pump's */
    public function __construct(private ?Trouble $what = null, private ?string $tub = null)
    {
    }

    /** The system with its pump as weak as it has become. */
    public function pumped(AirSystem $system): AirSystem
    {
        return $this->what !== Trouble::WeakDiaphragm || ! $this->feeds($system)
            ? $system
            : $system->withPump($system->pump->weakened(Trouble::DIAPHRAGM_FLOW, Trouble::DIAPHRAGM_PRESSURE));
    }

    public function valve(Branch $branch): float
    {
        return match (true) {
            $branch->tub !== $this->tub => $branch->valve,
            $this->what === Trouble::ValveShut => 0.0,
            default => $branch->valve,
        };
    }

    /** Check valves beside the one that is fitted; one that is the wrong way round lets nothing through. */
    public function checkValves(AirSystem $system): int
    {
        return match (true) {
            ! $this->feeds($system) => 0,
            $this->what === Trouble::SecondCheckValve => 1,
            $this->what === Trouble::ReversedCheckValve => Trouble::BLOCKED,
            default => 0,
        };
    }

    /** Times a stone's resistance as new. */
    public function clogging(Branch $branch): float
    {
        return $this->what === Trouble::CloggedStone && $branch->tub === $this->tub ? Trouble::CLOGGED_TIMES : 1.0;
    }

    private function feeds(AirSystem $system): bool
    {
        return array_filter($system->branches, fn (Branch $b): bool => $b->tub === $this->tub) !== [];
    }
}
