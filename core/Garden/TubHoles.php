<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cup\Cup;

/** What the grower asks of the lid: which cups, in what holes, where. Lengths in mm. */
final readonly class TubHoles
{
    /**
     * @param  Cup|null  $secondCup  a second size of cup on the same lid
     * @param  float|null  $diameter  of the hole, where it was given
     * @param  bool  $traced  holes are traced and cut without a saw
     * @param  bool  $drilled  the holes are there already: nothing is cut, and cups suit themselves to them
     * @param  float|null  $raise  how far the cup is to stand proud
     */
    public function __construct(
        public Cup $cup,
        public ?Cup $secondCup,
        public ?float $diameter,
        public bool $traced,
        public bool $drilled,
        public ?float $raise,
        public LayoutWish $layout,
    ) {
    }
}
