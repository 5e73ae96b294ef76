<?php

declare(strict_types=1);

// Packs files into one and takes them out again: zip.php pack ZIP FILE…  ·  zip.php take ZIP NAME TO  ·  zip.php has ZIP NAME
// A packed file that would unpack to much more than a backup does, or than the disk has room for, is refused.

[, $act, $zip] = $argv + [null, '', ''];
$files = array_slice($argv, 3);
$archive = new ZipArchive;

function stop(string $why): never
{
    fwrite(STDERR, $why."\n");
    exit(1);
}

if ($act === 'pack') {
    $archive->open($zip, ZipArchive::CREATE | ZipArchive::OVERWRITE) === true || stop("Cannot write $zip.");
    foreach ($files as $file) {
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
$limit = min(max(LEAST_LIMIT, MOST_TIMES * (int) filesize($zip)), (int) (disk_free_space(dirname($to)) / 2));
$from = $archive->getStream($name);
$from !== false || stop("$zip is not a backup of Kelp Tub: there is no $name in it.");
$into = fopen($to, 'w') ?: stop("Cannot write $to.");
// One byte more is asked for than may come: what the archive says of itself is not believed.
$size = stream_copy_to_stream($from, $into, $limit + 1);
$size <= $limit || stop(sprintf('%s unpacks to more than %d MB, which is no backup of this size or more than the disk has room for.', $zip, $limit / 1e6));
$size === $archive->statName($name)['size'] || stop("$zip is damaged: $name ends early.");
