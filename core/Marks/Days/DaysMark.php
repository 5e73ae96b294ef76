<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\OfTubs;
use stdClass;

/** What was really sown, in which copy of which tub. */
final class DaysMark extends Mark
{
    public function key(): string
    {
        return 'days';
    }

    public function faults(stdClass $document, Library $library): array
    {
        return self::plantings()->faults($document);
    }

    public function members(): array
    {
        return ['plantings'];
    }

    public function membersByTub(): array
    {
        return $this->members();
    }

    public function withoutTub(string $tub, Garden $garden, PatchMaker $patch): array
    {
        return self::plantings()->withoutTub($tub, $garden->document, $patch);
    }

    public function withCount(string $tub, int $count, Garden $garden, PatchMaker $patch): array
    {
        return self::plantings()->withCount($tub, $count, $garden->document, $patch);
    }

    private static function plantings(): OfTubs
    {
        return new OfTubs('plantings');
    }
}
