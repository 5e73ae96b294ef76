<?php

declare(strict_types=1);

namespace App\Library;

use Closure;
use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\File\SchemaParts;
use KelpTub\Core\File\Shelf;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Marks\Marks;
use RuntimeException;
use stdClass;

/** Loads the shipped Library and the schemas from their files and hands them to the core. */
final class LibraryFiles
{
    /** @var array<string, stdClass> schemas that were put together already */
    private array $schemas = [];

    public function __construct(private readonly string $folder)
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
            $this->items('products'),
            OfferShelf::of((array) $this->json('offers.json')),
            (array) $this->json('parts.json'),
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
        $files = glob("$this->folder/schemas/$name/*.json") ?: throw new RuntimeException("There is no schema $name in $this->folder.");

        return SchemaParts::joined(array_map(fn (string $file): mixed => $this->json("schemas/$name/".basename($file)), $files));
    }

    public function reader(?Library $library = null): GardenReader
    {
        return new GardenReader(Marks::all(), $library ?? $this->library(), new SchemaCheck($this->schema('garden')));
    }

    /** @return array<string, stdClass> */
    private function items(string $name): array
    {
        return (array) $this->json("$name.json");
    }

    /** @return array<string, Closure(): stdClass> what reads a crop's line, by its key, which stands first in it */
    private function crops(): array
    {
        [$columns, $lines] = explode("\n", $this->text('crops.csv'), 2);
        $crops = [];
        foreach (explode("\n", rtrim($lines)) as $line) {
            $crops[(string) strstr($line, ',', true)] = fn (): stdClass => $this->tables()->read(LibraryKind::Crops, "$columns\n$line")[0];
        }

        return $crops;
    }

    private function json(string $file): mixed
    {
        return json_decode($this->text($file), false, 64, JSON_THROW_ON_ERROR);
    }

    private function text(string $file): string
    {
        $text = is_file("$this->folder/$file") ? file_get_contents("$this->folder/$file") : false;

        return $text !== false ? $text : throw new RuntimeException("The Library file $file is missing from $this->folder.");
    }
}
