<?php

declare(strict_types=1);

namespace App\Gardens;

use App\Library\KnownNames;
use KelpTub\Core\File\Difference;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Merge;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;
use stdClass;

/**
 * What a page is told whose write came too late: how the garden stands, both changes brought together where they do not touch, and where
 * they do, in what the choices differ.
 */
final readonly class Conflict
{
    public function __construct(private GardenReader $reader, private KnownNames $names)
    {
    }

    /** @return array<string, mixed> */
    public function of(StaleRevision $stale): array
    {
        [$mine, $theirs] = [GardenFile::decode($stale->mine), GardenFile::decode($stale->current->document)];
        $merge = $stale->base === null ? null : Merge::of(GardenFile::decode($stale->base), $mine, $theirs);
        $sound = $merge !== null && $this->isSound($merge->withMine) && $this->isSound($merge->withTheirs);
        if ($merge !== null && $sound) {
            [$mine, $theirs] = [$merge->withMine, $merge->withTheirs];
        }

        return [
            'message' => 'This garden was changed in another window meanwhile. Nothing was overwritten.',
            'revision' => $stale->current->revision,
            'document' => $stale->current->document,
            'merged' => $sound && $merge->isClean() ? GardenFile::encode($theirs) : null,
            'with_mine' => GardenFile::encode($mine),
            'with_theirs' => GardenFile::encode($theirs),
            'differences' => array_map(static fn (Difference $d): array => [
                'where' => $d->where,
                'what' => $d->what,
                'mine' => $d->before,
                'theirs' => $d->after,
            ], Differences::between($mine, $theirs, $this->names->byKey())),
        ];
    }

    /** Each change may be sound, and both together not: a tub that is gone in the one and on the air in the other. */
    private function isSound(stdClass $document): bool
    {
        try {
            $this->reader->fromDocument($document);
        } catch (RefusedGarden) {
            return false;
        }

        return true;
    }
}
