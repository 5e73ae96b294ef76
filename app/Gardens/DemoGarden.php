<?php

declare(strict_types=1);

namespace App\Gardens;

use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** The demo garden with what grows in it: sown, read and picked on days before the one on which it is first started. */
final class DemoGarden
{
    private const DATES = ['sown', 'transplanted', 'cleared'];

    /** @param  string  $today  2027-05-20 */
    public static function document(string $today): string
    {
        $day = Dates::number($today);
        $garden = self::read('demo.kelp.json');
        $log = self::read('demo-log.json');
        $garden->plantings = array_map(static function (stdClass $planting) use ($day): stdClass {
            foreach (self::DATES as $date) {
                if (isset($planting->{$date})) {
                    $planting->{$date} = Dates::text($day + $planting->{$date});
                }
            }

            return $planting;
        }, $log->plantings);
        $garden->entries = array_map(static function (stdClass $entry) use ($day): stdClass {
            $entry->at = Dates::text($day + $entry->day)."T$entry->time";
            unset($entry->day, $entry->time);

            return $entry;
        }, $log->entries);

        return GardenFile::encode($garden);
    }

    /** @return array<string, string> the files of its photographs, by their ids */
    public static function photos(): array
    {
        $files = glob(base_path('data/demo-photos/*.jpg')) ?: [];

        return array_combine(array_map(static fn (string $file): string => basename($file, '.jpg'), $files), $files);
    }

    private static function read(string $file): stdClass
    {
        return GardenFile::decode((string) file_get_contents(base_path("data/$file")));
    }
}
