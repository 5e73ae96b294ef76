<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Cost\Need;

/** What a preview has to do with one tub beyond its plan: what it needs, what is found on it, and its report. */
final readonly class KnownOfTub
{
    /**
     * @param  array<string, array<string, list<Need>>>  $needs  by the mark's key, then as Mark::needsOnTub() gives them
     * @param  list<ListedFinding>  $findings
     * @param  string  $report  the tub as it stands in the report
     */
    public function __construct(public array $needs, public array $findings, public string $report)
    {
    }
}
