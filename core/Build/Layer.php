<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

/** What a line of a template is: what is cut, drilled, kept clear, or said. */
enum Layer: string
{
    case Outline = 'outline';
    case Holes = 'holes';
    case Centres = 'centres';
    case KeepOuts = 'keep-outs';
    case Tube = 'tube';
    case Text = 'text';
}
