<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartCheck;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use stdClass;

/** Makes a garden of a document: its site and tubs here, and each mark reads its own part. What fails is refused whole with every fault. */
final readonly class GardenReader
{
    private GardenFile $file;

    private GardenMaker $maker;

    /** @param  list<Mark>  $marks */
    public function __construct(private array $marks, Library $library, SchemaCheck $schema, private KnownTubs $known = new KnownTubs)
    {
        $this->file = new GardenFile($schema);
        $this->maker = new GardenMaker($marks, $library, $known);
    }

    /** @throws RefusedGarden */
    public function read(string $json): Garden
    {
        return $this->fromDocument(GardenFile::decodeWhole($json));
    }

    /** @throws RefusedGarden */
    public function fromDocument(stdClass $document): Garden
    {
        $sound = $this->known->look($document);
        $this->file->check($document, $sound);
        $library = $this->maker->library($document);
        $tubs = new TubReader($library);
        $faults = [
            ...PartCheck::each(get_object_vars($document->library->crops ?? new stdClass), '/library/crops', PartCheck::crop(...)),
            ...$tubs->faults($document, $sound),
        ];
        foreach ($this->marks as $mark) {
            $faults = [...$faults, ...$mark->faults($document, $library)];
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }

        return $this->maker->of($document);
    }
}
