<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Mark;
use stdClass;

/** How it is built, and what of that is done. The sheet is made for those who ask for it: no plan carries it. */
final class BuildMark extends Mark
{
    public function key(): string
    {
        return 'build';
    }

    public function faults(stdClass $document, Library $library): array
    {
        $faults = $seen = [];
        $counts = [];
        foreach ($document->tubs ?? [] as $tub) {
            $counts[$tub->id] = $tub->count ?? 1;
        }
        foreach ($document->builds ?? [] as $i => $build) {
            $copy = $build->copy ?? 1;
            if (! isset($counts[$build->tub])) {
                $faults[] = new Fault("/builds/$i/tub", "is \"$build->tub\", and no tub of this garden has that id");
            } elseif ($copy > $counts[$build->tub]) {
                $faults[] = new Fault("/builds/$i/copy", "is $copy, and there are {$counts[$build->tub]} of that tub");
            } elseif (isset($seen["$copy $build->tub"])) {
                $faults[] = new Fault("/builds/$i", 'is the second of that copy; each has one');
            }
            $seen["$copy $build->tub"] = true;
        }

        return $faults;
    }

    public function members(): array
    {
        return ['builds'];
    }

    public function read(stdClass $document, Library $library): BuildRecords
    {
        return new BuildRecords(array_values(array_map(BuildRecord::of(...), $document->builds ?? [])));
    }

    public function isTried(): bool
    {
        return false;
    }
}
