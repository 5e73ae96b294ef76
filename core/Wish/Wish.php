<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\File\Library;
use stdClass;

/** What a grower would like, before anything is worked out: what to eat, where, with how much work and money. Everything has a default. */
final readonly class Wish
{
    /** † what is in every household, and so is taken to be there. */
    private const HOUSEHOLD = ['knife', 'marker', 'rule', 'jug'];

    /**
     * @param  list<Eat>  $eats
     * @param  array<string, float>  $owned  by part, the household's things with them
     * @param  list<float>|null  $saws
     * @param  list<string|stdClass>  $vessels  those that are there, each with a key
     */
    private function __construct(
        public stdClass $document,
        public string $units,
        public array $eats,
        public Room $room,
        public Tending $tending,
        public string $currency,
        public ?float $cap,
        public array $owned,
        public ?array $saws,
        public array $vessels,
    ) {
    }

    /** Of a document that has passed every check. */
    public static function fromDocument(stdClass $raw, Library $library): self
    {
        $tending = Tending::fromDocument($raw->tend ?? new stdClass);
        $owned = array_map(floatval(...), get_object_vars($raw->owned ?? new stdClass));
        $vessels = [];
        foreach ($raw->vessels ?? [] as $i => $vessel) {
            $vessels[] = $vessel = is_string($vessel) ? $vessel : (object) ['key' => "own-$i", ...get_object_vars($vessel)];
            $owned += [is_string($vessel) ? $vessel : $vessel->key => 1.0];
        }
        foreach ([...self::HOUSEHOLD, ...($tending->drill ? ['drill'] : [])] as $thing) {
            $owned += [$thing => 1.0];
        }

        return new self(
            $raw,
            $raw->units ?? 'metric',
            array_values(array_map(static fn (stdClass $eat): Eat => Eat::fromDocument(
                $eat,
                isset($eat->crop) ? $library->crops->get($eat->crop)->group : CropGroup::from($eat->group),
            ), $raw->eat)),
            Room::fromDocument($raw->place ?? new stdClass),
            $tending,
            $raw->money->currency ?? 'EUR',
            isset($raw->money->cap) ? (float) $raw->money->cap : null,
            $owned,
            isset($raw->saws_mm) ? array_values(array_map(floatval(...), $raw->saws_mm)) : null,
            $vessels,
        );
    }

    public function with(Room $room, Tending $tending): self
    {
        return new self(...[...get_object_vars($this), 'room' => $room, 'tending' => $tending]);
    }
}
