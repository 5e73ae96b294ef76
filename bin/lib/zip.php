<?php

declare(strict_types=1);

// Packs files into one and takes them out again: zip.php pack ZIP FILE…  ·  zip.php take ZIP NAME TO  ·  zip.php has ZIP NAME
// A folder of photographs is packed with its folders, and taken out with zip.php photos ZIP TO.
// A packed file that would unpack to much more than a backup does, or than the disk has room for, is refused.

[, $act, $zip] = $argv + [null, '', ''];
$files = array_slice($argv, 3);
$archive = new ZipArchive;

function stop(string $why): never
{
    fwrite(STDERR, $why."\n");
    exit(1);
}

/** Where a photograph lies in a backup: garden and id. */
const PHOTO = '~^photos/[0-9a-hjkmnp-tv-z]{26}/[0-9a-hjkmnp-tv-z]{26}\.jpg$~Di';

/** No photograph is larger, bytes. */
const MOST_OF_PHOTO = 12_000_000;

if ($act === 'pack') {
    $archive->open($zip, ZipArchive::CREATE | ZipArchive::OVERWRITE) === true || stop("Cannot write $zip.");
    foreach ($files as $file) {
        if (is_dir($file)) {
            // Pictures are packed already; small ones are made of the large.
            foreach (glob("$file/*/*.jpg") ?: [] as $photo) {
                $name = implode('/', array_slice(explode('/', $photo), -3));
                if (preg_match(PHOTO, $name) === 1) {
                    $archive->addFile($photo, $name) && $archive->setCompressionName($name, ZipArchive::CM_STORE) || stop("Cannot read $photo.");
                }
            }

            continue;
        }
        $archive->addFile($file, basename($file)) || stop("Cannot read $file.");
    }
    $archive->close() || stop("Cannot write $zip.");
    exit(0);
}
/** What a backup unpacks to, bytes: so much at any rate, and so many times its own size; gardens of one kind pack to a fiftieth. */
const LEAST_LIMIT = 256_000_000;
const MOST_TIMES = 100;

[$name, $to] = $files + ['', ''];
$archive->open($zip, ZipArchive::RDONLY) === true || stop("$zip is not a backup: it cannot be opened.");
if ($act === 'has') {
    exit($archive->locateName($name) === false ? 1 : 0);
}
if ($act === 'photos') {
    $to = $name;
    $room = (int) (disk_free_space(dirname($to)) / 2);
    for ($i = 0; $i < $archive->numFiles; $i++) {
        $photo = (string) $archive->getNameIndex($i);
        if (preg_match(PHOTO, $photo) !== 1) {
            continue;
        }
        $bytes = $archive->getFromIndex($i, MOST_OF_PHOTO);
        $room -= strlen((string) $bytes);
        $bytes !== false && $room > 0 || stop("$zip is damaged, or the disk has no room for its photographs.");
        $into = "$to/".dirname($photo);
        is_dir($into) || mkdir($into, 0700, true);
        file_put_contents("$to/$photo", $bytes) === strlen($bytes) || stop("Cannot write $to/$photo.");
    }
    exit(0);
}
$limit = min(max(LEAST_LIMIT, MOST_TIMES * (int) filesize($zip)), (int) (disk_free_space(dirname($to)) / 2));
$from = $archive->getStream($name);
$from !== false || stop("$zip is not a backup of Kelp Tub: there is no $name in it.");
$into = fopen($to, 'w') ?: stop("Cannot write $to.");
// One byte more is asked for than may come: what the archive says of itself is not believed.
$size = stream_copy_to_stream($from, $into, $limit + 1);
$size <= $limit || stop(sprintf('%s unpacks to more than %d MB, which is no backup of this size or more than the disk has room for.', $zip, $limit / 1e6));
$size === $archive->statName($name)['size'] || stop("$zip is damaged: $name ends early.");
