<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\File\Library;
use stdClass;

/** What the things of the Library are called, shipped ones and the grower's own, by the keys that stand for them in gardens. */
final readonly class KnownNames
{
    public function __construct(private Library $library, private OwnLibrary $own)
    {
    }

    /** @return array<array-key, string> */
    public function byKey(): array
    {
        $shelves = array_map(
            static fn ($shelf): array => $shelf->documents(),
            [
                $this->library->vessels,
                $this->library->cups,
                $this->library->crops,
                $this->library->pumps,
                $this->library->stones,
                $this->library->tubes,
                $this->library->lamps,
            ],
        );

        return $this->own->names() + array_map(
            static fn (stdClass $item): string => is_string($item->name ?? null) ? $item->name : '',
            array_merge(...$shelves),
        );
    }
}
