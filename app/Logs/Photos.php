<?php

declare(strict_types=1);

namespace App\Logs;

use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Log\EntryReader;
use RuntimeException;
use ZipArchive;

/**
 * The photographs of logs: files beside the database, in a folder for each garden, by the ids that the page gave them. Each is written once
 * and never changed, so that a backup can copy them whoever writes meanwhile.
 */
final readonly class Photos
{
    /** So many of one garden. */
    public const MOST = 2000;

    private const SMALL = '.small';

    /** @param  string  $folder  where they are kept */
    public function __construct(private string $folder)
    {
    }

    /**
     * Keeps one.
     *
     * @return bool whether it is new here; sent again it is known
     *
     * @throws RefusedGarden where it is none, or there are too many
     */
    public function put(string $garden, string $id, string $bytes): bool
    {
        if (! EntryReader::isId($id)) {
            throw RefusedGarden::one('/id', 'is no id of a photograph; it has 26 letters and digits');
        }
        if ($this->file($garden, $id) !== null) {
            return false;
        }
        if (count($this->of($garden)) >= self::MOST) {
            throw RefusedGarden::one('/photo', 'is one more than the '.self::MOST.' that a garden may have');
        }
        $photo = Photo::of($bytes);
        $this->write($garden, $id.self::SMALL, $photo->small);
        // With the large one it is there.
        $this->write($garden, $id, $photo->large);

        return true;
    }

    /** Whole or not at all, and on the disk before anyone is told. */
    private function write(string $garden, string $name, string $bytes): void
    {
        $folder = "$this->folder/".strtolower($garden);
        if (! is_dir($folder) && ! @mkdir($folder, 0700, true) && ! is_dir($folder)) {
            throw new RuntimeException("No folder for photographs can be made: $folder");
        }
        $new = (string) @tempnam($folder, 'new');
        $file = @fopen($new, 'wb');
        $isWritten = $file !== false && @fwrite($file, $bytes) === strlen($bytes) && @fsync($file) && fclose($file);
        if (! $isWritten || ! @rename($new, "$folder/$name.jpg")) {
            @unlink($new);
            throw new RuntimeException('No space left for a photograph, or its folder may not be written to.');
        }
    }

    /** Where one is; null where there is none. */
    public function file(string $garden, string $id, bool $small = false): ?string
    {
        $file = "$this->folder/".strtolower($garden)."/$id".($small ? self::SMALL : '').'.jpg';

        return EntryReader::isId($id) && is_file($file) ? $file : null;
    }

    /** @return list<string> ids of a garden's, the first taken first */
    public function of(string $garden): array
    {
        $names = array_map(
            static fn (string $file): string => basename($file, '.jpg'),
            glob("$this->folder/".strtolower($garden).'/*.jpg') ?: [],
        );

        return array_values(array_filter($names, EntryReader::isId(...)));
    }

    /**
     * Takes in those of a folder like this one's: what a backup brings back.
     *
     * @param  array<string, string>|null  $places  where each garden is now, by the id that it had there; each under its own without it
     * @return array{int, list<string>} how many came in, and those that are none
     */
    public function bring(string $folder, ?array $places = null): array
    {
        $there = new self($folder);
        $came = 0;
        $refused = [];
        foreach ($there->gardens() as $garden) {
            $place = $places === null ? $garden : $places[$garden] ?? null;
            if ($place === null) {
                continue;
            }
            foreach ($there->of($garden) as $id) {
                try {
                    $came += $this->put($place, $id, (string) file_get_contents((string) $there->file($garden, $id))) ? 1 : 0;
                } catch (RefusedGarden) {
                    $refused[] = "$garden/$id";
                }
            }
        }

        return [$came, $refused];
    }

    /** Gives a garden the photographs of another, which it is a copy of. */
    public function copy(string $from, string $to): void
    {
        foreach ($this->of($from) as $id) {
            foreach ([$id.self::SMALL => $this->file($from, $id, true), $id => $this->file($from, $id)] as $name => $file) {
                if ($file !== null && $this->file($to, $id, $name !== $id) === null) {
                    $this->write($to, $name, (string) file_get_contents($file));
                }
            }
        }
    }

    /**
     * Packs those of some gardens, with a file of what they are, into one.
     *
     * @param  list<string>  $of  ids of gardens
     */
    public function pack(string $zip, string $gardens, array $of): void
    {
        $archive = new ZipArchive;
        $archive->open($zip, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $archive->addFile($gardens, 'kelp-tub.json');
        $archive->addEmptyDir('photos');
        foreach (array_intersect($this->gardens(), array_map(strtolower(...), $of)) as $garden) {
            foreach ($this->of($garden) as $id) {
                $name = "photos/$garden/$id.jpg";
                $archive->addFile((string) $this->file($garden, $id), $name);
                // A picture is packed already.
                $archive->setCompressionName($name, ZipArchive::CM_STORE);
            }
        }
        if (! $archive->close()) {
            throw new RuntimeException('No space left for everything as one file.');
        }
    }

    /** @return list<string> the gardens that have any */
    public function gardens(): array
    {
        $names = array_map(basename(...), glob("$this->folder/*", GLOB_ONLYDIR) ?: []);

        return array_values(array_filter($names, EntryReader::isId(...)));
    }

    /** Removes a garden's, when it is gone for good. */
    public function forget(string $garden): void
    {
        $folder = "$this->folder/".strtolower($garden);
        array_map(unlink(...), glob("$folder/*") ?: []);
        @rmdir($folder);
    }
}
