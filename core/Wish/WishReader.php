<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Numbers\Dates;
use stdClass;

/** Makes a wish of a document. What fails is refused whole with every fault. */
final readonly class WishReader
{
    /** The largest wish, bytes. */
    private const MOST_BYTES = 200_000;

    /** The longest time in which something is wanted every week, days. */
    private const MOST_DAYS = 420;

    /** @param  GardenReader  $gardens  vessels in place are read as a garden's are */
    public function __construct(private SchemaCheck $schema, private Library $library, private GardenReader $gardens)
    {
    }

    /** @throws RefusedGarden */
    public function read(string $json): Wish
    {
        return $this->fromDocument(GardenFile::decode($json, self::MOST_BYTES));
    }

    /** @throws RefusedGarden */
    public function fromDocument(stdClass $document): Wish
    {
        $faults = $this->schema->faults($document);
        $faults = $faults !== [] ? $faults : [
            ...$this->eatFaults($document),
            ...$this->placeFaults($document),
            ...$this->vesselFaults($document),
        ];
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }

        return Wish::fromDocument($document, $this->library);
    }

    /** @return list<Fault> */
    private function eatFaults(stdClass $document): array
    {
        $faults = [];
        foreach ($document->eat as $i => $eat) {
            $at = "/eat/$i";
            $said = array_filter(Amount::cases(), static fn (Amount $as): bool => isset($eat->{$as->value}));
            $crop = $eat->crop ?? null;
            $faults = array_values(array_filter([
                ...$faults,
                ($crop === null) === ! isset($eat->group) ? new Fault($at, 'names a crop or a group, and one of them') : null,
                $crop !== null && ! $this->library->crops->has($crop)
                    ? new Fault("$at/crop", "is \"$crop\", which is no crop of the Library") : null,
                $crop !== null && $this->library->crops->has($crop) && $this->library->crops->get($crop)->group === CropGroup::Cutting
                    ? new Fault("$at/crop", 'is a cutting to be rooted, and nothing to eat; choose another crop') : null,
                count($said) > 1 ? new Fault($at, 'says how much in more than one way; heads_a_week, g_a_week or plants') : null,
            ]));
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function placeFaults(stdClass $document): array
    {
        $place = $document->place ?? new stdClass;
        $faults = [];
        if (isset($place->climate) && ! $this->library->climates->has($place->climate)) {
            $all = implode(', ', array_keys(iterator_to_array($this->library->climates)));
            $faults[] = new Fault('/place/climate', "is \"$place->climate\"; there are $all");
        }
        $dates = [];
        foreach (['from', 'to'] as $end) {
            if (isset($place->{$end})) {
                $dates[$end] = Dates::are($place->{$end}) ? Dates::number($place->{$end}) : null;
                if ($dates[$end] === null) {
                    $faults[] = new Fault("/place/$end", "is \"{$place->{$end}}\", which is no day of the calendar");
                }
            }
        }
        if (isset($dates['to']) && ! isset($dates['from']) && $faults === []) {
            $faults[] = new Fault('/place/from', 'is missing; where it is said until when, say from when');
        }
        if (isset($dates['from'], $dates['to']) && ($dates['to'] < $dates['from'] || $dates['to'] - $dates['from'] > self::MOST_DAYS)) {
            $faults[] = new Fault('/place/to', "is $place->to; it lies after $place->from, by at most ".self::MOST_DAYS.' days');
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function vesselFaults(stdClass $document): array
    {
        $vessels = $document->vessels ?? [];
        if ($vessels === []) {
            return [];
        }
        $tubs = array_map(fn (string|stdClass $v, int|string $i): stdClass => (object) [
            'id' => "v$i",
            'system' => 'passive',
            'vessel' => $v,
            'cup' => (string) array_key_first(iterator_to_array($this->library->cups)),
        ], $vessels, array_keys($vessels));
        try {
            $this->gardens->fromDocument((object) ['format' => GardenFile::FORMAT, 'version' => GardenFile::VERSION, 'tubs' => $tubs]);
        } catch (RefusedGarden $refused) {
            return array_map(static fn (Fault $f): Fault => new Fault(
                (string) preg_replace('#^/tubs/(\d+)(/vessel)?#', '/vessels/$1', $f->pointer),
                $f->message,
            ), $refused->faults);
        }

        return [];
    }
}
