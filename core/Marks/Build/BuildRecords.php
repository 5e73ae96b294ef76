<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

/** What was done at the bench, of each copy of each tub. */
final readonly class BuildRecords
{
    /** @param  list<BuildRecord>  $records */
    public function __construct(private array $records)
    {
    }

    public function of(string $tub, int $copy): ?BuildRecord
    {
        foreach ($this->records as $record) {
            if ($record->tub === $tub && $record->copy === $copy) {
                return $record;
            }
        }

        return null;
    }
}
