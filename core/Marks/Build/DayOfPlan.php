<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use DateTimeImmutable;
use stdClass;

/** One day of a plan: when it is, what is done or comes then, and the step that tells how. */
final readonly class DayOfPlan
{
    /**
     * @param  int  $day  counted from the day on which the plants go in: −14 is two weeks before it
     * @param  string|null  $step  key of a step of the sheet; null where none tells of it
     * @param  string|null  $planted  the date of day 0, where it is known
     */
    public function __construct(public int $day, public string $does, public ?string $step, private ?string $planted)
    {
    }

    public function toReport(): stdClass
    {
        return (object) [
            'day' => $this->day,
            'date' => $this->planted === null ? null : (new DateTimeImmutable($this->planted))->modify("$this->day days")->format('Y-m-d'),
            'does' => $this->does,
            'step' => $this->step,
        ];
    }
}
