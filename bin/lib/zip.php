<?php

declare(strict_types=1);

// Packs files into one and takes them out again: zip.php pack ZIP FILE…  ·  zip.php take ZIP NAME TO

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
[$name, $to] = $files + ['', ''];
$archive->open($zip, ZipArchive::RDONLY) === true || stop("$zip is not a backup: it cannot be opened.");
$from = $archive->getStream($name);
$from !== false || stop("$zip is not a backup of Kelp Tub: there is no $name in it.");
$into = fopen($to, 'w') ?: stop("Cannot write $to.");
$size = stream_copy_to_stream($from, $into);
$size === $archive->statName($name)['size'] || stop("$zip is damaged: $name ends early.");
