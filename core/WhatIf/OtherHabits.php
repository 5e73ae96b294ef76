<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Season\ChangeSchool;
use stdClass;

/** Ways to look after a tub otherwise, each in words and as a patch: its top-ups, its changes, and both. */
final class OtherHabits
{
    /** @return list<array{string, list<stdClass>}> */
    public static function of(Garden $garden, Tub $tub, Library $library): array
    {
        $maker = new PatchMaker($garden->document, $library);

        return array_map(
            static fn (array $way): array => [$way[0], (new SeasonAsk($way[1]))->patch($tub, $maker)],
            self::policies(),
        );
    }

    /** @return list<array{string, array<string, string>}> */
    private static function policies(): array
    {
        $topUps = [
            TopUps::Level->value => 'Top up to the line at a third gone',
            TopUps::Quarter->value => 'Top up by quarters',
            TopUps::Half->value => 'Top up by halves',
        ];
        $changes = [
            ChangeSchool::Weekly->value => 'Change the water weekly',
            ChangeSchool::TwoWeekly->value => 'Change the water every two weeks',
        ];
        $ways = [];
        foreach ($topUps as $way => $says) {
            $ways[] = [$says, ['top_ups' => $way]];
            foreach ($changes as $school => $too) {
                $ways[] = ["$says, and ".lcfirst($too), ['top_ups' => $way, 'change' => $school]];
            }
        }
        foreach ($changes as $school => $says) {
            $ways[] = [$says, ['change' => $school]];
        }

        return $ways;
    }
}
