<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** Where in the parts list a need stands: of each tub the first four, then what tubs share. */
enum NeedStage: int
{
    case Vessel = 1;
    case Planting = 2;
    case Support = 3;
    case System = 4;
    case Air = 5;
    case Saws = 6;
    case Tools = 7;
    case Feed = 8;
}
