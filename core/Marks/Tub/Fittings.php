<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Weight;

/** What a tub weighs, what lies on its floor, where its tube goes in, and what it stands in. Lengths in mm. */
final readonly class Fittings
{
    /**
     * @param  list<Point>  $stones  on the floor, under the plants
     * @param  float  $tubeEntry  height of the tube's hole above the inside floor
     */
    public function __construct(public Weight $weight, public array $stones, public float $tubeEntry, public ?NestedPair $pair)
    {
    }
}
