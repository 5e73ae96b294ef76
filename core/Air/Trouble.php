<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** What goes wrong with air lines in the course of a season. */
enum Trouble: string
{
    case CloggedStone = 'clogged-stone';
    case WeakDiaphragm = 'weak-diaphragm';
    case SecondCheckValve = 'second-check-valve';
    case ReversedCheckValve = 'reversed-check-valve';
    case ValveShut = 'valve-shut';

    /** † a stone that has not been cleaned for a season resists so many times as a new one; 3 to 8. */
    public const CLOGGED_TIMES = 5.0;

    /** † what a worn diaphragm still gives of its flow, and of its pressure; 0.4 to 0.7 and 0.5 to 0.8. */
    public const DIAPHRAGM_FLOW = 0.55;

    public const DIAPHRAGM_PRESSURE = 0.65;

    /** Check valves one after the other through which no pump blows. */
    public const BLOCKED = 100_000;
}
