<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

/** How the hole for an air tube is made. */
enum TubeHole
{
    /** The tube goes in beside a floating board, or beside the cup that hangs in a mouth. */
    case None;

    /** With the point of a knife, in what is cut by knife anyway. */
    case Cut;

    case Drilled;
}
