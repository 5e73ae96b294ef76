<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchedDocument;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/** Makes a garden of a document that has passed every check. */
final readonly class GardenMaker
{
    /** @param  list<Mark>  $marks */
    public function __construct(private array $marks, private Library $library, private KnownTubs $known = new KnownTubs)
    {
    }

    /** The Library as a document sees it: with the crops that it brings along. */
    public function library(stdClass $document): Library
    {
        return $this->library->withCrops(get_object_vars($document->library->crops ?? new stdClass));
    }

    public function of(stdClass $document): Garden
    {
        return $this->made($document, null);
    }

    /**
     * A garden after a patch that is known to be sound. Tubs that it leaves alone are the same objects as before, and so is what marks
     * read of what it leaves alone.
     *
     * @param  list<stdClass>  $patch
     */
    public function patched(Garden $before, array $patch): Garden
    {
        return $this->made(PatchedDocument::of($before->document, $patch), $before);
    }

    private function made(stdClass $document, ?Garden $before): Garden
    {
        $library = $this->library($document);
        $wishes = [];
        foreach ($this->marks as $mark) {
            $wish = $before !== null && self::isSameIn([...$mark->members(), 'library'], $document, $before->document)
                ? $before->wishOf($mark)
                : $mark->read($document, $library);
            $wishes += $wish === null ? [] : [$mark->key() => $wish];
        }

        return new Garden(
            $document,
            $document->name ?? 'Garden',
            UnitSystem::from($document->units ?? 'metric'),
            Site::fromDocument($document->site ?? new stdClass),
            $before === null
                ? (new TubReader($library))->all($document, $this->known)
                : (new TubReader($library))->again($document, $before),
            isset($document->saws_mm) ? array_values(array_map(floatval(...), $document->saws_mm)) : null,
            $wishes,
        );
    }

    /**
     * Whether two documents have the same in these members; an object that a patch leaves alone is the same object.
     *
     * @param  list<string>  $members
     */
    private static function isSameIn(array $members, stdClass $document, stdClass $before): bool
    {
        foreach ($members as $member) {
            if (($document->{$member} ?? null) !== ($before->{$member} ?? null)) {
                return false;
            }
        }

        return true;
    }
}
