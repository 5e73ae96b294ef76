<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\File\Fault;
use KelpTub\Core\Log\Entries;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Log\EntryReader;
use stdClass;

/** The entries that a garden file brings along, each with its tub and copy, or its planting. Those of a tub that is gone wait for it. */
final class EntriesOfFile
{
    /** So many of one tub, and of a garden. */
    public const MOST_OF_TUB = 20_000;

    public const MOST = 200_000;

    private const MOST_FAULTS = 20;

    /** @return list<Fault> */
    public static function faults(stdClass $document): array
    {
        $entries = $document->entries ?? [];
        if (count($entries) > self::MOST) {
            return [new Fault('/entries', sprintf('has %d entries; the most is %d', count($entries), self::MOST))];
        }
        $faults = [];
        $of = $ids = [];
        $reader = self::reader($document);
        foreach ($entries as $i => $raw) {
            $entry = $raw instanceof stdClass ? $reader->read($raw) : ['' => 'is not an object'];
            if ($entry instanceof Entry) {
                $of["$entry->tub $entry->copy"] = ($of["$entry->tub $entry->copy"] ?? 0) + 1;
                $isTwice = isset($ids[$entry->id]);
                $ids[$entry->id] = true;
                $entry = $isTwice ? ['id' => "is \"$entry->id\", which another entry has already; ids are unique"] : [];
            }
            foreach ($entry as $member => $message) {
                $faults[] = new Fault("/entries/$i".($member === '' ? '' : "/$member"), $message);
            }
            if (count($faults) >= self::MOST_FAULTS) {
                return $faults;
            }
        }
        foreach ($of as $copy => $many) {
            if ($many > self::MOST_OF_TUB) {
                $faults[] = new Fault('/entries', sprintf('has %d of "%s"; the most of one tub is %d', $many, $copy, self::MOST_OF_TUB));
            }
        }

        return $faults;
    }

    /** Expects what faults() has passed. */
    public static function of(stdClass $document): Entries
    {
        $reader = self::reader($document);

        return Entries::of(array_values(array_filter(
            array_map(static fn (stdClass $raw): Entry|array => $reader->read($raw), $document->entries ?? []),
            static fn (Entry|array $entry): bool => $entry instanceof Entry,
        )));
    }

    /** One who knows in which tub each of a garden's plantings stands. */
    public static function reader(stdClass $document): EntryReader
    {
        $plantings = [];
        foreach ($document->plantings ?? [] as $planting) {
            $plantings[$planting->id] = [$planting->tub, $planting->copy ?? 1];
        }

        return new EntryReader($plantings);
    }
}
