<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchedDocument;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** Wishes that ask for less: of room, money and work first, then of power, a drill, still water and sun too. */
final class Looser
{
    private const ROOM_MM = 20_000.0;

    private const MONTHS = 12;

    private const DAYS_A_MONTH = 365 / 12;

    /** @return list<Wish> */
    public static function of(Wish $wish): array
    {
        $roomy = $wish->with(
            room: $wish->room->with(['length' => self::ROOM_MM, 'depth' => self::ROOM_MM, 'height' => self::ROOM_MM, 'limitKg' => null]),
            tending: $wish->tending->with(['visits' => 7, 'awayDays' => 0]),
        );
        $tending = $wish->tending;
        $isBound = ! $wish->room->mains || $wish->room->isInSun() || ! $tending->drill || count($tending->systems) < 2;

        return ! $isBound ? [$roomy] : [$roomy, $roomy->with(
            room: $roomy->room->with(['mains' => true, 'sun' => false]),
            tending: $roomy->tending->with(['drill' => true, 'systems' => [GrowingSystem::Aerated, GrowingSystem::Passive]]),
        )];
    }

    /**
     * The same begun a month later, two months later, and so on through the year; where weather counts.
     *
     * @return iterable<array{string, list<stdClass>, Wish}> in words, as a patch, and the wish
     */
    public static function later(Wish $wish, Library $library): iterable
    {
        $room = $wish->room;
        for ($month = 1; $room->setting !== 'indoor' && $month < self::MONTHS; $month++) {
            $by = (int) round($month * self::DAYS_A_MONTH);
            $from = Dates::number($room->from ?? Draft::FROM) + $by;
            $patch = [self::add('/place/from', Dates::text($from))];
            if ($room->to !== null) {
                $patch[] = self::add('/place/to', Dates::text(Dates::number($room->to) + $by));
            }
            yield ['begin on '.Dates::dayAndMonth($from), $patch, self::patched($wish, $patch, $library)];
        }
    }

    /**
     * Half of it, a quarter of it, and so on.
     *
     * @return iterable<array{string, list<stdClass>, Wish}>
     */
    public static function less(Wish $wish, Library $library): iterable
    {
        foreach (['half as much' => 2, 'a quarter as much' => 4, 'an eighth as much' => 8] as $says => $part) {
            $patch = [];
            foreach ($wish->eats as $i => $eat) {
                $less = $eat->as === Amount::Plants ? max(1, intdiv((int) $eat->amount, $part)) : $eat->amount / $part;
                $patch[] = self::add("/eat/$i/{$eat->as->value}", $less);
            }
            yield [$says, $patch, self::patched($wish, $patch, $library)];
        }
    }

    private static function add(string $path, mixed $value): stdClass
    {
        return (object) ['op' => 'add', 'path' => $path, 'value' => $value];
    }

    /** @param  list<stdClass>  $patch */
    private static function patched(Wish $wish, array $patch, Library $library): Wish
    {
        $document = $wish->document;
        $document = isset($document->place) ? $document : (object) [...get_object_vars($document), 'place' => new stdClass];

        return Wish::fromDocument(PatchedDocument::of($document, $patch), $library);
    }
}
