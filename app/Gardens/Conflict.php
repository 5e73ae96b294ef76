<?php

declare(strict_types=1);

namespace App\Gardens;

use KelpTub\Core\File\Difference;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Merge;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\GardenReader;

/** What a page is told whose write came too late: how the garden stands, in what it differs, and both brought together where that can be. */
final readonly class Conflict
{
    public function __construct(private GardenReader $reader)
    {
    }

    /** @return array<string, mixed> */
    public function of(StaleRevision $stale): array
    {
        $theirs = GardenFile::decode($stale->current->document);
        $mine = GardenFile::decode($stale->mine);

        return [
            'message' => 'This garden was changed in another window meanwhile. Nothing was overwritten.',
            'revision' => $stale->current->revision,
            'document' => $stale->current->document,
            'differences' => array_map(static fn (Difference $d): array => [
                'where' => $d->where,
                'what' => $d->what,
                'mine' => $d->before,
                'theirs' => $d->after,
            ], Differences::between($mine, $theirs)),
            'merged' => $stale->base === null ? null : $this->merged($stale->base, $stale),
        ];
    }

    private function merged(string $base, StaleRevision $stale): ?string
    {
        $merged = Merge::of(GardenFile::decode($base), GardenFile::decode($stale->mine), GardenFile::decode($stale->current->document));
        if ($merged === null) {
            return null;
        }
        $text = GardenFile::encode($merged);
        try {
            $this->reader->read($text);
        } catch (RefusedGarden) {
            // Each change was sound, and both together are not: a tub that is gone in the one and on the air in the other.
            return null;
        }

        return $text;
    }
}
