<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use stdClass;
use Swaggest\JsonDiff\JsonPatch;

/** A document after a JSON Patch (RFC 6902). What the patch does not reach is shared with the one before: the same object still. */
final class PatchedDocument
{
    /** @param  list<stdClass>  $patch */
    public static function of(stdClass $document, array $patch): stdClass
    {
        $copy = clone $document;
        $operations = GardenFile::decode(GardenFile::encode((object) ['patch' => $patch]))->patch;
        foreach ($operations as $operation) {
            self::openUp($copy, $operation->path);
        }
        JsonPatch::import($operations)->apply($copy);

        return $copy;
    }

    /** Copies every object on the way to a place, so that what is done there is not done to the document before. */
    private static function openUp(stdClass $copy, string $pointer): void
    {
        $at = &$copy;
        foreach (PatchMaker::steps($pointer) as $step) {
            if (is_array($at)) {
                if (! isset($at[(int) $step])) {
                    return;
                }
                $at = &$at[(int) $step];
            } elseif (is_object($at)) {
                if (! isset($at->{$step})) {
                    return;
                }
                $at = &$at->{$step};
            }
            if (is_object($at)) {
                $at = clone $at;
            }
        }
    }
}
