<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks;

use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Marks\Air\AirMark;
use KelpTub\Core\Marks\Build\BuildMark;
use KelpTub\Core\Marks\Cost\CostMark;
use KelpTub\Core\Marks\Crop\CropMark;
use KelpTub\Core\Marks\Days\DaysMark;
use KelpTub\Core\Marks\Feed\FeedMark;
use KelpTub\Core\Marks\Lid\LidMark;
use KelpTub\Core\Marks\Tub\TubMark;

/** The list of marks, in the order in which they plan and speak. A new one is its folder and its line here. */
final class Marks
{
    /** @return list<Mark> */
    public static function all(): array
    {
        return [new TubMark, new LidMark, new CropMark, new AirMark, new FeedMark, new DaysMark, new CostMark, new BuildMark];
    }
}
