<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\Cost\OfferShelf;
use KelpTub\Core\Crop\CropShelf;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\GardenReader;
use RuntimeException;
use stdClass;

/** Loads the shipped Library and the schemas from their files and hands them to the core. */
final readonly class LibraryFiles
{
    public function __construct(private string $folder)
    {
    }

    public function library(): Library
    {
        return new Library(
            $this->shelf('vessels'),
            $this->shelf('cups'),
            CropShelf::fromCsv($this->text('crops.csv')),
            $this->shelf('stones'),
            $this->shelf('pumps'),
            $this->shelf('tubes'),
            $this->shelf('products'),
            OfferShelf::of((array) $this->json('offers.json')),
            (array) $this->json('parts.json'),
        );
    }

    public function schema(string $name): stdClass
    {
        $schema = $this->json("schemas/$name.schema.json");

        return $schema instanceof stdClass ? $schema : throw new RuntimeException("The schema $name is not an object.");
    }

    public function reader(?Library $library = null): GardenReader
    {
        return new GardenReader($library ?? $this->library(), $this->schema('garden'));
    }

    /** @return array<string, stdClass> */
    private function shelf(string $name): array
    {
        return (array) $this->json("$name.json");
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
