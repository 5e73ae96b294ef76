<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Build;

use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\OfTubs;
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
        foreach ($document->builds ?? [] as $i => $build) {
            $copy = $build->copy ?? 1;
            if (isset($seen["$copy $build->tub"])) {
                $faults[] = new Fault("/builds/$i", 'is the second of that copy; each has one');
            }
            $seen["$copy $build->tub"] = true;
        }

        return [...self::builds()->faults($document), ...$faults];
    }

    public function withoutTub(string $tub, Garden $garden, PatchMaker $patch): array
    {
        return self::builds()->withoutTub($tub, $garden->document, $patch);
    }

    public function withCount(string $tub, int $count, Garden $garden, PatchMaker $patch): array
    {
        return self::builds()->withCount($tub, $count, $garden->document, $patch);
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

    private static function builds(): OfTubs
    {
        return new OfTubs('builds');
    }
}
