<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use Closure;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\PatchMaker;
use stdClass;

/** A list of a document whose entries each speak of one copy of a tub, by `tub` and `copy` (1 where it is not written). */
final readonly class OfTubs
{
    /** @param  string  $member  of the document: `builds` */
    public function __construct(private string $member)
    {
    }

    /** @return list<Fault> entries of tubs and copies that are not there */
    public function faults(stdClass $document): array
    {
        $faults = [];
        $counts = array_map(static fn (stdClass $tub): int => $tub->count ?? 1, array_column($document->tubs ?? [], null, 'id'));
        foreach ($document->{$this->member} ?? [] as $i => $entry) {
            $count = $counts[$entry->tub] ?? null;
            $copy = $entry->copy ?? 1;
            if ($count === null) {
                $faults[] = new Fault("/$this->member/$i/tub", "is \"$entry->tub\", and no tub of this garden has that id");
            } elseif ($copy > $count) {
                $faults[] = new Fault("/$this->member/$i/copy", "is $copy, and there are $count of that tub");
            }
        }

        return $faults;
    }

    /** @return list<stdClass> the patch that takes out what speaks of a tub */
    public function withoutTub(string $tub, stdClass $document, PatchMaker $patch): array
    {
        return $this->without($document, $patch, static fn (stdClass $entry): bool => $entry->tub === $tub);
    }

    /** @return list<stdClass> the patch that takes out what speaks of more copies of a tub than there are */
    public function withCount(string $tub, int $count, stdClass $document, PatchMaker $patch): array
    {
        return $this->without($document, $patch, static fn (stdClass $entry): bool => $entry->tub === $tub && ($entry->copy ?? 1) > $count);
    }

    /**
     * @param  Closure(stdClass): bool  $goes
     * @return list<stdClass> the last entry first, so that those before it keep their places
     */
    private function without(stdClass $document, PatchMaker $patch, Closure $goes): array
    {
        return array_merge(...array_map(
            fn (int $i): array => $patch->remove("/$this->member/$i"),
            array_reverse(array_keys(array_filter($document->{$this->member} ?? [], $goes))),
        ));
    }
}
