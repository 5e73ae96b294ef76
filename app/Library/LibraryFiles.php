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
use KelpTub\Core\Wish\WishReader;
use RuntimeException;
use stdClass;

/** Loads the shipped Library and the schemas from their files and hands them to the core. */
final class LibraryFiles
{
    /** What the routes that compute answer. */
    private const ANSWERS = 'answers';

    /** Shelves, and with them names and prices, each in a file of its own; crops are a table. */
    private const SHELVES = [
        'vessels', 'cups', 'stones', 'pumps', 'tubes', 'lamps', 'products', 'climates', 'offers', 'parts', 'produce',
    ];

    /** @var array<string, stdClass> schemas that were put together already */
    private array $schemas = [];

    private ?string $stamp = null;

    public function __construct(private readonly string $folder, private readonly KeptFiles $kept = new KeptFiles)
    {
    }

    public function library(): Library
    {
        // Of all that is on the shelves a garden needs a little: things are kept as text, and taken apart when they are asked for.
        $shelves = $this->kept->of($this->stamp(), function (): array {
            $shelves = ['crops' => $this->crops()];
            foreach (self::SHELVES as $shelf) {
                $shelves[$shelf] = (array) self::parsed($this->file("$shelf.json"));
            }
            $offers = array_map(
                static fn (array $ofPart): array => array_map(get_object_vars(...), $ofPart),
                OfferShelf::byPart($shelves['offers']),
            );

            return ['offers' => $offers] + array_map(static fn (array $things): array => array_map(self::asText(...), $things), $shelves);
        });

        return new Library(
            new Shelf($shelves['vessels'], PartReader::vessel(...)),
            new Shelf($shelves['cups'], PartReader::cup(...)),
            new Shelf($shelves['crops'], Crop::fromRow(...)),
            new Shelf($shelves['stones'], PartReader::stone(...)),
            new Shelf($shelves['pumps'], PartReader::pump(...)),
            new Shelf($shelves['tubes'], PartReader::tube(...)),
            new Shelf($shelves['lamps'], PartReader::lamp(...)),
            new Shelf($shelves['products'], PartReader::product(...)),
            new Shelf($shelves['climates'], PartReader::climate(...)),
            new OfferShelf($shelves['offers']),
            $shelves['parts'],
            array_map(floatval(...), $shelves['produce']),
        );
    }

    /** What changes when a file of the Library does, or the schema that its things are read by. */
    public function stamp(): string
    {
        return $this->stamp ??= KeptFiles::stamp([
            ...array_map(fn (string $shelf): string => $this->file("$shelf.json"), self::SHELVES),
            $this->file('crops.csv'),
            ...$this->parts('garden'),
        ]);
    }

    private function file(string $name): string
    {
        return "$this->folder/$name";
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
        $answers = $name === self::ANSWERS;
        $stamp = $name === 'garden' ? $this->stamp()
            : KeptFiles::stamp([...$this->parts($name), ...($answers ? $this->parts('report') : [])]);

        return $this->kept->of("$name-$stamp", fn (): stdClass => SchemaParts::joined([
            ...array_map(self::parsed(...), $this->parts($name)),
            // Much of what is answered stands in the report too, and is told there.
            ...($answers ? [(object) ['$defs' => $this->schema('report')->{'$defs'}]] : []),
        ]));
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

    public function wishes(Library $library): WishReader
    {
        return new WishReader(new SchemaCheck($this->schema('wish')), $library, $this->reader($library));
    }

    /** @return array<string, stdClass> by key */
    private function crops(): array
    {
        $crops = [];
        foreach ($this->tables()->read(LibraryKind::Crops, self::text($this->file('crops.csv'))) as $row) {
            $crops[(string) $row->key] = $row;
        }

        return $crops;
    }

    private static function asText(mixed $thing): mixed
    {
        return is_scalar($thing) ? $thing : json_encode($thing, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    private static function parsed(string $path): mixed
    {
        return json_decode(self::text($path), false, 64, JSON_THROW_ON_ERROR);
    }

    private static function text(string $path): string
    {
        return is_readable($path) ? (string) file_get_contents($path) : throw new RuntimeException("The Library file $path is missing.");
    }
}
