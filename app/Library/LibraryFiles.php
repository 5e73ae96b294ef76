<?php

declare(strict_types=1);

namespace App\Library;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Library;
use KelpTub\Core\Garden\PartReader;
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
            $this->crops(),
            $this->shelf('stones'),
            $this->shelf('pumps'),
            $this->shelf('tubes'),
            $this->shelf('products'),
            PartReader::each($this->json('offers.json'), PartReader::offer(...)),
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

    /** @return array<string, Crop> */
    private function crops(): array
    {
        $lines = explode("\n", trim($this->text('crops.csv')));
        $columns = array_map(strval(...), str_getcsv(array_shift($lines)));
        $crops = [];
        foreach ($lines as $line) {
            /** @var array<string, string> $row */
            $row = array_combine($columns, str_getcsv($line));
            $crops[$row['key']] = self::crop($row);
        }

        return $crops;
    }

    /** @param  array<string, string>  $r */
    private static function crop(array $r): Crop
    {
        return new Crop(
            $r['key'], $r['name'], $r['group'],
            (float) $r['spacing_mm'], (float) $r['litres_per_plant'], (float) $r['water_to_harvest_l'],
            (int) $r['days_germinate'], (int) $r['days_sow_to_transplant'], (int) $r['days_transplant_to_harvest'],
            $r['harvest'] === 'repeat', (int) $r['days_harvest_lasts'], $r['passive'],
            (float) $r['ec_low'], (float) $r['ec_high'], (float) $r['ph_low'], (float) $r['ph_high'],
            (float) $r['root_oxygen_mg_h'], (float) $r['water_temp_low_c'], (float) $r['water_temp_high_c'],
            $r['support'], (float) $r['light_hours'], (float) $r['yield_g'], (float) $r['cup_min_mm'],
            (float) $r['mature_mass_g'], (float) $r['mature_height_mm'], $r['habit'],
        );
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
