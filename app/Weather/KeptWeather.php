<?php

declare(strict_types=1);

namespace App\Weather;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The last good forecasts, a file for each climate, chance and first day that was asked for: the newest are kept. */
final class KeptWeather
{
    /** One takes some 70 kB. */
    public const MOST = 20;

    /** Removes all but the newest. */
    public static function tidy(string $folder): void
    {
        if (! is_dir($folder)) {
            return;
        }
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
            assert($file instanceof SplFileInfo);
            $files[$file->getPathname()] = $file->getMTime();
        }
        arsort($files);
        array_map(unlink(...), array_keys(array_slice($files, self::MOST)));
    }
}
