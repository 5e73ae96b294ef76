<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Feed;

use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Light\Lamp;
use KelpTub\Core\Light\Window;

/** The lamp of a site and the window that its tubs stand at. */
final readonly class Lights
{
    public function __construct(public ?Lamp $site, public ?Window $window, public bool $south)
    {
    }

    /** The lamp that lights a tub: its own, or that of the site. */
    public function over(Tub $tub): ?Lamp
    {
        return $tub->lamp ?? $this->site;
    }
}
