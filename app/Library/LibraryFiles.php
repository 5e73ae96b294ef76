<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\File\SchemaParts;
use KelpTub\Core\File\Shelf;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\KnownTubs;
use KelpTub\Core\Marks\Marks;
use RuntimeException;
use stdClass;

/** Loads the shipped Library and the schemas from their files and hands them to the core. */
final class LibraryFiles
{
    /** @var array<string, stdClass> schemas that were put together already */
    private array $schemas = [];

    public function __construct(private readonly string $folder, private readonly KeptFiles $kept = new KeptFiles)
    {
    }

    public function library(): Library
    {
        return new Library(
            new Shelf($this->items('vessels'), PartReader::vessel(...)),
            new Shelf($this->items('cups'), PartReader::cup(...)),
            new Shelf($this->crops(), Crop::fromRow(...)),
            new Shelf($this->items('stones'), PartReader::stone(...)),
            new Shelf($this->items('pumps'), PartReader::pump(...)),
            new Shelf($this->items('tubes'), PartReader::tube(...)),
            new Shelf($this->items('products'), PartReader::product(...)),
            new Shelf($this->items('climates'), PartReader::climate(...)),
            OfferShelf::of((array) $this->json('offers.json')),
            (array) $this->json('parts.json'),
            array_map(floatval(...), (array) $this->json('produce.json')),
        );
    }

    /** The schema of a garden or of a report, put together from the files of its marks. */
    public function schema(string $name): stdClass
    {
        return $this->schemas[$name] ??= $this->joined($name);
    }

    /** Shelves of the Library as tables. */
    public function tables(): LibraryTable
    {
        return new LibraryTable($this->schema('garden')->{'$defs'});
    }

    private function joined(string $name): stdClass
    {
        $parts = $this->parts($name);

        return $this->kept->of($parts, static fn (): stdClass => SchemaParts::joined(array_map(self::parsed(...), $parts)));
    }

    /** @return list<string> the files that a schema is put together from */
    private function parts(string $name): array
    {
        return glob("$this->folder/schemas/$name/*.json") ?: throw new RuntimeException("There is no schema $name in $this->folder.");
    }

    public function reader(?Library $library = null, KnownTubs $known = new KnownTubs): GardenReader
    {
        return new GardenReader(Marks::all(), $library ?? $this->library(), new SchemaCheck($this->schema('garden')), $known);
    }

    /** What changes when a file of the Library does. */
    public function stamp(): string
    {
        return KeptFiles::stamp(glob("$this->folder/*.{json,csv}", GLOB_BRACE) ?: []);
    }

    /** @return array<string, stdClass> */
    private function items(string $name): array
    {
        return (array) $this->json("$name.json");
    }

    /** @return array<string, stdClass> by key */
    private function crops(): array
    {
        $csv = $this->path('crops.csv');

        return $this->kept->of([$csv, ...$this->parts('garden')], function () use ($csv): array {
            $crops = [];
            foreach ($this->tables()->read(LibraryKind::Crops, (string) file_get_contents($csv)) as $row) {
                $crops[(string) $row->key] = $row;
            }

            return $crops;
        });
    }

    private function json(string $file): mixed
    {
        $path = $this->path($file);

        return $this->kept->of([$path], static fn (): mixed => self::parsed($path));
    }

    private static function parsed(string $path): mixed
    {
        return json_decode((string) file_get_contents($path), false, 64, JSON_THROW_ON_ERROR);
    }

    private function path(string $file): string
    {
        $path = "$this->folder/$file";

        return is_readable($path) ? $path : throw new RuntimeException("The Library file $file is missing from $this->folder.");
    }
}
