<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/** What becomes of a thing that is bought: it is built in, kept as a tool, used up, or may be left out. */
enum NeedKind: string
{
    case Part = 'part';
    case Tool = 'tool';
    case Consumable = 'consumable';
    case Extra = 'extra';
}
