<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

/** One mark's part of the report: what it adds to the report itself, and to each tub. */
final readonly class MarkReport
{
    /**
     * @param  array<string, mixed>  $garden  by the report's key
     * @param  array<string, array<string, mixed>>  $tubs  by tub id, then by the tub's key
     */
    public function __construct(public array $garden = [], public array $tubs = [])
    {
    }
}
