<?php

declare(strict_types=1);

namespace KelpTub\Core\Diary;

/** What is wanted of a crop: so many plants or grams a week, to be picked from one day to another. */
final readonly class Supply
{
    /** So many weeks are looked at. */
    public const MOST_WEEKS = 60;

    /**
     * @param  float|null  $plants  heads a week, or of what bears on, plants that bear at a time
     * @param  float|null  $grams  a week, where that is wanted in place of plants
     * @param  int  $from  as `Dates` counts
     */
    public function __construct(public ?float $plants, public ?float $grams, public int $from, public int $to)
    {
    }
}
