<?php

declare(strict_types=1);

namespace Tests\Core;

/** The plan of the core: its rooms, and which may open a door into which. */
final class House
{
    /**
     * Each room with the rooms it may know. Below are those that everything may use; above them the subjects; then what makes a garden
     * of them.
     */
    public const PLAN = [
        'Numbers' => [],
        'Units' => [],
        'Geometry' => [],

        'Cup' => ['Units'],
        'Vessel' => ['Geometry', 'Numbers', 'Cup'],
        'Lid' => ['Geometry', 'Numbers', 'Cup', 'Vessel'],
        'Crop' => ['Geometry', 'Numbers', 'Cup', 'Lid'],
        'Air' => ['Geometry', 'Numbers', 'Cup'],
        'Feed' => ['Units'],
        'Light' => [],
        'Season' => ['Cup', 'Vessel', 'Crop', 'Air', 'Feed'],
        'Cost' => [],
        'Build' => ['Geometry'],
        'Days' => ['Numbers', 'Crop', 'Season'],
        'Log' => ['Numbers', 'Units', 'Vessel', 'Cup', 'Crop', 'Feed', 'Season'],

        'File' => ['Geometry', 'Units', 'Vessel', 'Cup', 'Lid', 'Crop', 'Air', 'Feed', 'Light', 'Season', 'Cost'],
        'Garden' => ['Geometry', 'Units', 'Vessel', 'Cup', 'Lid', 'Crop', 'Air', 'Feed', 'Light', 'Season', 'Cost', 'File'],

        'Marks/Tub' => ['Geometry', 'Units', 'Vessel', 'Cup', 'Lid', 'Crop', 'Air', 'Feed', 'Cost', 'File', 'Garden'],
        'Marks/Lid' => ['Geometry', 'Units', 'Cup', 'Lid', 'Crop', 'Cost', 'File', 'Garden', 'Marks/Tub'],
        'Marks/Crop' => ['Units', 'Cup', 'Crop', 'Light', 'Season', 'Cost', 'File', 'Garden', 'Marks/Tub', 'Marks/Feed'],
        'Marks/Air' => ['Geometry', 'Units', 'Cup', 'Air', 'Cost', 'File', 'Garden', 'Marks/Tub'],
        'Marks/Feed' => ['Vessel', 'Cup', 'Crop', 'Air', 'Feed', 'Light', 'Season', 'Cost', 'File', 'Garden', 'Marks/Tub', 'Marks/Air'],
        'Marks/Days' => [
            'Numbers', 'Cup', 'Crop', 'Feed', 'Cost', 'Days', 'Log', 'File', 'Garden', 'Marks/Tub', 'Marks/Crop', 'Marks/Feed',
        ],
        'Marks/Cost' => ['Air', 'Feed', 'Cost', 'File', 'Garden', 'Marks/Tub', 'Marks/Air', 'Marks/Feed'],
        'Marks/Build' => [
            'Units', 'Geometry', 'Vessel', 'Cup', 'Crop', 'Air', 'Feed', 'Season', 'Cost', 'Build', 'File', 'Garden',
            'Marks/Tub', 'Marks/Crop', 'Marks/Air', 'Marks/Feed',
        ],
        'Marks' => ['Garden', 'Marks/Build', 'Marks/Tub', 'Marks/Lid', 'Marks/Crop', 'Marks/Air', 'Marks/Feed', 'Marks/Days', 'Marks/Cost'],

        'Diary' => [
            'Numbers', 'Units', 'Cup', 'Crop', 'Feed', 'Season', 'Days', 'Log', 'Garden', 'Marks/Air', 'Marks/Feed', 'Marks/Days',
        ],

        'DryRun' => ['Numbers', 'Units', 'Cup', 'Feed', 'Season', 'Log', 'Marks/Feed'],

        'WhatIf' => [
            'Numbers', 'Units', 'Vessel', 'Cup', 'Lid', 'Crop', 'Air', 'Feed', 'Season', 'Cost', 'Log', 'File', 'Garden',
            'Marks/Tub', 'Marks/Air', 'Marks/Feed', 'Marks/Cost', 'Diary', 'DryRun',
        ],

        'Wish' => [
            'Numbers', 'Units', 'Geometry', 'Vessel', 'Cup', 'Lid', 'Crop', 'Air', 'Season', 'Cost', 'Log', 'File', 'Garden',
            'Marks/Tub', 'Marks/Air', 'Marks/Feed', 'Marks/Cost', 'Diary', 'WhatIf',
        ],
    ];

    /** @return list<string> every file of the core */
    public static function files(): array
    {
        return self::in(self::folder());
    }

    /** @return list<string> every file of the code, the pages and the tests, what is made from the schemas left out */
    public static function allFiles(): array
    {
        $root = dirname(self::folder());
        $files = [...self::files(), ...self::in("$root/app"), ...self::in("$root/resources/js"), ...self::in("$root/tests")];

        return array_values(preg_grep('/\.(php|ts|vue)$/', preg_grep('#/js/types/#', $files, PREG_GREP_INVERT)));
    }

    /** @return list<string> */
    private static function in(string $folder): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[] = (string) $file;
        }
        sort($files);

        return $files;
    }

    /** @return list<string> the folders that hold code, as they are found */
    public static function rooms(): array
    {
        return array_keys(self::doors());
    }

    /** @return array<string, list<string>> the rooms that each room knows, as its files say */
    public static function doors(): array
    {
        $doors = [];
        foreach (self::files() as $file) {
            $room = substr(dirname($file), strlen(self::folder()) + 1);
            $doors[$room] = array_values(
                array_unique(
                    [
                        ...($doors[$room] ?? []),
                        ...self::namedIn('KelpTub\Core\\'.str_replace('/', '\\', $room), (string) file_get_contents($file)),
                    ],
                ),
            );
        }
        ksort($doors);

        return $doors;
    }

    /** @return list<string> the other rooms that are named in a text */
    public static function namedIn(string $namespace, string $code): array
    {
        preg_match_all('/(?<!namespace )KelpTub\\\\Core\\\\((?:[A-Z]\w*\\\\)+)[A-Z]\w*/', $code, $matches);
        $here = str_replace(['KelpTub\Core\\', '\\'], ['', '/'], $namespace);

        return array_values(
            array_diff(
                array_unique(array_map(static fn (string $path): string => str_replace('\\', '/', rtrim($path, '\\')), $matches[1])),
                [$here],
            ),
        );
    }

    /**
     * @param  array<string, list<string>>  $doors
     * @return list<string> doors that the plan does not have
     */
    public static function undrawn(array $doors): array
    {
        $undrawn = [];
        foreach ($doors as $room => $into) {
            foreach (array_diff($into, self::PLAN[$room] ?? []) as $other) {
                $undrawn[] = "$room → $other";
            }
        }

        return $undrawn;
    }

    /**
     * Rooms from which one comes back to where one set out.
     *
     * @param  array<string, list<string>>  $plan
     * @return list<string>
     */
    public static function circles(array $plan): array
    {
        $reach = static function (string $from, array $seen) use (&$reach, $plan): array {
            foreach ($plan[$from] ?? [] as $to) {
                if (! isset($seen[$to])) {
                    $seen = $reach($to, [...$seen, $to => true]);
                }
            }

            return $seen;
        };

        return array_values(array_filter(array_keys($plan), static fn (string $room): bool => isset($reach($room, [])[$room])));
    }

    private static function folder(): string
    {
        return dirname(__DIR__, 2).'/core';
    }
}
