<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\Build\Step;
use stdClass;

/** What was done of a build sheet for one copy of a tub: which steps, on which day, and what they were when they were done. */
final readonly class BuildRecord
{
    /**
     * @param  array<string, string>  $ticks  day by step
     * @param  array<string, string>  $prints  what each step was when it was ticked
     * @param  array<string, string>  $notes  by step
     */
    private function __construct(public string $tub, public int $copy, private array $ticks, private array $prints, private array $notes)
    {
    }

    public static function of(stdClass $raw): self
    {
        return new self(
            $raw->tub,
            $raw->copy ?? 1,
            get_object_vars($raw->ticks ?? new stdClass),
            get_object_vars($raw->prints ?? new stdClass),
            get_object_vars($raw->notes ?? new stdClass),
        );
    }

    /** The day on which a step was done; null where it was not, or where the design has changed what is to be done since. */
    public function ticked(Step $step): ?string
    {
        return $this->isChanged($step) ? null : $this->ticks[$step->key] ?? null;
    }

    /** Whether it was done before the design changed it. */
    public function isChanged(Step $step): bool
    {
        $print = $this->prints[$step->key] ?? null;

        return isset($this->ticks[$step->key]) && $print !== null && ! Step::isOldPrint($print) && $print !== $step->print();
    }

    public function note(Step $step): ?string
    {
        return $this->notes[$step->key] ?? null;
    }
}
