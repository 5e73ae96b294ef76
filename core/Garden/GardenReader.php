<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use JsonException;
use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\Branch;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PartCheck;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/**
 * Reads a garden file: the text, its format, its schema, and what the schema cannot say. What fails is refused whole with every fault.
 */
final readonly class GardenReader
{
    /** The largest garden file, bytes. */
    public const MOST_BYTES = 2_000_000;

    private const MOST_DEPTH = 64;

    public const DEFAULT_DISTANCE_MM = 1000.0;

    private SchemaCheck $schema;

    public function __construct(private Library $library, stdClass|SchemaCheck $schema)
    {
        $this->schema = $schema instanceof SchemaCheck ? $schema : new SchemaCheck($schema);
    }

    /** @throws RefusedGarden */
    public function read(string $json): Garden
    {
        return $this->fromDocument(self::decode($json));
    }

    /** @throws RefusedGarden */
    public static function decode(string $json): stdClass
    {
        if (strlen($json) > self::MOST_BYTES) {
            throw RefusedGarden::one('', sprintf('is %.1f MB; a garden file has at most %.0f MB', strlen($json) / 1e6, self::MOST_BYTES / 1e6));
        }
        if (trim($json) === '') {
            throw RefusedGarden::one('', 'is empty; a garden file is JSON');
        }
        try {
            $document = json_decode(preg_replace('/^\xEF\xBB\xBF/', '', $json) ?? $json, false, self::MOST_DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw RefusedGarden::one('', 'is not JSON ('.lcfirst($e->getMessage()).'); a garden file ends in .kelp.json and is written by Kelp Tub');
        }
        if (! $document instanceof stdClass) {
            throw RefusedGarden::one('', 'is not an object; a garden file starts with { "format": "kelp-tub.garden", … }');
        }

        return $document;
    }

    /** The document as text again: `{}` stays `{}`, `1.0` keeps its point. */
    public static function encode(stdClass $document, bool $pretty = false): string
    {
        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | ($pretty ? JSON_PRETTY_PRINT : 0));
    }

    /** @throws RefusedGarden */
    public function fromDocument(stdClass $document): Garden
    {
        $format = $document->format ?? null;
        if ($format !== Garden::FORMAT) {
            throw RefusedGarden::one('/format', (is_string($format) ? 'is "'.mb_substr($format, 0, 40).'"' : 'is missing').'; this is not a garden file, whose format is "'.Garden::FORMAT.'"');
        }
        $version = $document->version ?? null;
        if (is_int($version) && $version > Garden::VERSION) {
            throw RefusedGarden::one('/version', "is $version; this Kelp Tub reads version ".Garden::VERSION.'. Open it with a newer one');
        }
        $faults = $this->schema->faults($document);
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }
        $own = get_object_vars($document->library->crops ?? new stdClass);
        $reader = $own === [] ? $this : $this->knowing($own);
        $faults = [...PartCheck::each($own, '/library/crops', PartCheck::crop(...)), ...$reader->disagreements($document)];
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }

        return $reader->garden($document);
    }

    /**
     * This reader with the crops that a garden brings along.
     *
     * @param  array<string, stdClass>  $crops
     */
    private function knowing(array $crops): self
    {
        return new self($this->library->withCrops(array_map(get_object_vars(...), $crops)), $this->schema);
    }

    /** @return list<Fault> */
    private function disagreements(stdClass $document): array
    {
        $faults = [];
        $tubs = [];
        foreach ($document->tubs ?? [] as $i => $tub) {
            if (isset($tubs[$tub->id])) {
                $faults[] = new Fault("/tubs/$i/id", "is \"$tub->id\", which another tub has already; ids are unique");
            }
            $tubs[$tub->id] = $tub;
            $faults = [...$faults, ...$this->tubFaults($tub, "/tubs/$i")];
        }
        $feeds = array_map(static fn (stdClass $f): string => $f->id, $document->feeds ?? []);
        foreach ($document->tubs ?? [] as $i => $tub) {
            if (isset($tub->feed) && ! in_array($tub->feed, $feeds, true)) {
                $faults[] = new Fault("/tubs/$i/feed", "is \"$tub->feed\", and no feed of this garden has that id");
            }
        }
        $pumps = [];
        foreach ($document->air ?? [] as $i => $air) {
            if (isset($pumps[$air->id])) {
                $faults[] = new Fault("/air/$i/id", "is \"$air->id\", which another pump has already; ids are unique");
            }
            $pumps[$air->id] = true;
            $faults = [
                ...$faults,
                ...$this->part($air->pump, $this->library->pumps, "/air/$i/pump", 'pump', PartCheck::pump(...)),
                ...$this->part($air->tube ?? 'tube-4-6', $this->library->tubes, "/air/$i/tube", 'tube', PartCheck::tube(...)),
            ];
            foreach ($air->branches ?? [] as $b => $branch) {
                if (! isset($tubs[$branch->tub])) {
                    $faults[] = new Fault("/air/$i/branches/$b/tub", "is \"$branch->tub\", and no tub of this garden has that id");
                }
            }
        }
        foreach ($document->plantings ?? [] as $i => $planting) {
            $tub = $tubs[$planting->tub] ?? null;
            if ($tub === null) {
                $faults[] = new Fault("/plantings/$i/tub", "is \"$planting->tub\", and no tub of this garden has that id");
            } elseif (($planting->copy ?? 1) > ($tub->count ?? 1)) {
                $faults[] = new Fault("/plantings/$i/copy", "is $planting->copy, and there are ".($tub->count ?? 1).' of that tub');
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function tubFaults(stdClass $tub, string $at): array
    {
        $faults = [
            ...$this->part($tub->vessel, $this->library->vessels, "$at/vessel", 'vessel', PartCheck::vessel(...)),
            ...$this->part($tub->cup ?? 'net-cup-50', $this->library->cups, "$at/cup", 'cup', PartCheck::cup(...)),
        ];
        if (isset($tub->stones)) {
            $faults = [...$faults, ...$this->part($tub->stones->kind, $this->library->stones, "$at/stones/kind", 'air stone', PartCheck::stone(...))];
        }
        if (isset($tub->cups_2)) {
            $faults = [...$faults, ...$this->part($tub->cups_2, $this->library->cups, "$at/cups_2", 'cup', PartCheck::cup(...))];
        }
        if (isset($tub->under)) {
            $faults = [...$faults, ...$this->part($tub->under->vessel, $this->library->vessels, "$at/under/vessel", 'vessel', PartCheck::vessel(...))];
        }
        foreach (self::cropsNamed($tub) as $pointer => $crop) {
            if (! isset($this->library->crops[$crop])) {
                $faults[] = new Fault("$at$pointer", "is \"$crop\", and the Library has no such crop");
            }
        }
        if (($tub->layout->pattern ?? 'best') === 'manual' && ! isset($tub->layout->holes)) {
            $faults[] = new Fault("$at/layout/holes", 'is missing; a manual layout lists its holes');
        }
        foreach ($tub->layout->holes ?? [] as $i => $hole) {
            if (isset($hole->cup) && self::size($tub, $hole->cup) === null) {
                $faults[] = new Fault("$at/layout/holes/$i/cup", 'is '.json_encode($hole->cup).'; it is 1 for the tub\'s cup or 2 for cups_2, or the key of one of them');
            }
        }
        $days = [];
        foreach ($tub->planned_top_ups ?? [] as $i => $topUp) {
            if (in_array((float) $topUp->day, $days, true)) {
                $faults[] = new Fault("$at/planned_top_ups/$i/day", "is $topUp->day, which has a top-up already; put both in one");
            }
            $days[] = (float) $topUp->day;
        }

        return $faults;
    }

    /** @return array<string, string> crop keys by where in the tub they stand */
    private static function cropsNamed(stdClass $tub): array
    {
        $named = isset($tub->crop) ? ['/crop' => $tub->crop] : [];
        foreach ($tub->crops ?? [] as $i => $wish) {
            $named["/crops/$i/crop"] = $wish->crop;
        }
        foreach ($tub->layout->holes ?? [] as $i => $hole) {
            if (isset($hole->crop)) {
                $named["/layout/holes/$i/crop"] = $hole->crop;
            }
        }

        return $named;
    }

    /** Which of a tub's cups a hole means: 0, 1, or null for none of them. */
    private static function size(stdClass $tub, int|string $cup): ?int
    {
        $key = static fn (string|stdClass $given): ?string => is_string($given) ? $given : ($given->key ?? null);

        return match (true) {
            $cup === 1, $cup === $key($tub->cup ?? 'net-cup-50') => 0,
            isset($tub->cups_2) && ($cup === 2 || $cup === $key($tub->cups_2)) => 1,
            default => null,
        };
    }

    /**
     * @param  array<string, mixed>  $shelf
     * @param  callable(stdClass, string): list<Fault>  $check
     * @return list<Fault>
     */
    private function part(string|stdClass $given, array $shelf, string $at, string $word, callable $check): array
    {
        if ($given instanceof stdClass) {
            return $check($given, $at);
        }

        return isset($shelf[$given]) ? [] : [new Fault($at, "is \"$given\", and the Library has no such $word")];
    }

    private function garden(stdClass $document): Garden
    {
        return new Garden(
            $document,
            $document->name ?? 'Garden',
            UnitSystem::from($document->units ?? 'metric'),
            Site::fromDocument($document->site ?? new stdClass),
            $document->money->currency ?? 'EUR',
            isset($document->money->cap) ? (float) $document->money->cap : null,
            PartReader::each($document->tubs ?? [], $this->tub(...)),
            PartReader::each($document->air ?? [], $this->air(...)),
            isset($document->saws_mm) ? array_values(array_map(floatval(...), $document->saws_mm)) : null,
            array_map(floatval(...), get_object_vars($document->owned ?? new stdClass)),
        );
    }

    private function tub(stdClass $raw, int $index): Tub
    {
        $vessel = $this->vessel($raw->vessel);
        $system = GrowingSystem::from($raw->system);
        $collar = $system === GrowingSystem::Cloner && ($raw->cloner->collar ?? false);
        $layout = $this->layout($raw);

        return new Tub(
            $index,
            $raw->id,
            ($raw->name ?? '') !== '' ? $raw->name : $raw->id,
            (int) ($raw->count ?? 1),
            (float) ($raw->stand_mm ?? 0),
            $system,
            isset($raw->water_line) ? LineChoice::from($raw->water_line) : null,
            Density::from($raw->density ?? 'roomy'),
            $vessel,
            $this->cup($raw->cup ?? 'net-cup-50'),
            isset($raw->cups_2) ? $this->cup($raw->cups_2) : null,
            isset($raw->hole_mm) ? (float) $raw->hole_mm : null,
            ($raw->cutting ?? 'saw') === 'traced',
            isset($raw->raise_mm) ? (float) $raw->raise_mm : null,
            $layout,
            $this->crops($raw, $layout),
            isset($raw->plants) ? (int) $raw->plants : null,
            $collar ? 'none' : ($raw->medium->plug ?? 'stone-wool'),
            ! $collar && ($raw->medium->fill ?? 'clay-pebbles') === 'clay-pebbles',
            isset($raw->stones) ? $this->stones($raw->stones) : null,
            ($raw->tube_entry ?? ($vessel->isJar() || $system === GrowingSystem::Raft ? 'lid' : 'side')) === 'lid',
            TopUps::from($raw->top_ups ?? ($system === GrowingSystem::Passive ? 'none' : 'level')),
            PartReader::each($raw->planned_top_ups ?? [], static fn (stdClass $t): TopUp => new TopUp((float) $t->day, (float) $t->litres)),
            $raw->trellis ?? false,
            self::cover($raw->vessel),
            self::liner($raw->vessel),
            new RaftWish((float) ($raw->raft->thickness_mm ?? Raft::DEFAULT_THICKNESS_MM), (float) ($raw->raft->gap_mm ?? Raft::DEFAULT_GAP_MM), (float) ($raw->raft->below_rim_mm ?? WaterLine::RAFT_BELOW_RIM_MM)),
            new ClonerWish((float) ($raw->cloner->stem_below_cup_mm ?? 0), $collar),
            new DripCycle((float) ($raw->nursery->flow_l_h ?? DripCycle::DEFAULT_FLOW_L_H), (float) ($raw->nursery->on_min ?? DripCycle::DEFAULT_ON_MIN), (float) ($raw->nursery->off_min ?? DripCycle::DEFAULT_OFF_MIN)),
            isset($raw->under) ? $this->vessel($raw->under->vessel) : null,
            (float) ($raw->under->blocks_mm ?? 0),
        );
    }

    private function vessel(string|stdClass $given): Vessel
    {
        return is_string($given) ? PartReader::vessel($this->library->vessels[$given], $given) : PartReader::vessel($given, null);
    }

    private function cup(string|stdClass $given): Cup
    {
        return is_string($given) ? PartReader::cup($this->library->cups[$given], $given) : PartReader::cup($given, null);
    }

    /**
     * The tub's crops: the list of several, or the one, or those that the holes of a layout by hand name.
     *
     * @return list<CropWish>
     */
    private function crops(stdClass $raw, LayoutWish $layout): array
    {
        if (($raw->crops ?? []) !== []) {
            return PartReader::each($raw->crops, fn (stdClass $w): CropWish => new CropWish($this->library->crops[$w->crop], isset($w->plants) ? (int) $w->plants : null));
        }
        if (isset($raw->crop)) {
            return [new CropWish($this->library->crops[$raw->crop], null)];
        }
        $counts = array_count_values(array_map(static fn (Crop $c): string => $c->key, array_filter(array_map(static fn (HoleWish $h): ?Crop => $h->crop, $layout->holes))));

        return array_map(fn (string|int $key): CropWish => new CropWish($this->library->crops[(string) $key], $counts[$key]), array_keys($counts));
    }

    private function stones(stdClass $raw): StoneSet
    {
        $stone = is_string($raw->kind) ? PartReader::stone($this->library->stones[$raw->kind], $raw->kind) : PartReader::stone($raw->kind, null);

        return new StoneSet($stone, (int) ($raw->count ?? 1), (float) ($raw->height_mm ?? Stone::DEFAULT_HEIGHT_MM));
    }

    /** The light cover by its name; a liner bag is "liner". */
    private static function cover(string|stdClass $vessel): string
    {
        $cover = is_string($vessel) ? 'none' : ($vessel->cover ?? 'none');

        return is_string($cover) ? $cover : 'liner';
    }

    private static function liner(string|stdClass $vessel): ?LinerBag
    {
        $bag = is_string($vessel) || ! isset($vessel->cover) || is_string($vessel->cover) ? null : $vessel->cover->liner;

        return $bag === null ? null : new LinerBag((float) $bag->width_mm, (float) $bag->length_mm);
    }

    private function layout(stdClass $tub): LayoutWish
    {
        $raw = $tub->layout ?? new stdClass;
        $asked = $raw->pattern ?? 'best';
        $cups = $raw->cups ?? 'max';

        return new LayoutWish(
            $asked,
            PatternKind::tryFrom($asked) ?? PatternKind::Best,
            is_string($cups) ? null : (int) $cups,
            PartReader::each($asked === 'manual' ? ($raw->holes ?? []) : [], fn (stdClass $h): HoleWish => new HoleWish(
                new Point((float) $h->x_mm, (float) $h->y_mm),
                isset($h->crop) ? $this->library->crops[$h->crop] : null,
                isset($h->cup) ? self::size($tub, $h->cup) : null,
            )),
        );
    }

    private function air(stdClass $raw, int $index): AirSystem
    {
        $tube = $raw->tube ?? 'tube-4-6';

        return new AirSystem(
            $index,
            $raw->id,
            is_string($raw->pump) ? PartReader::pump($this->library->pumps[$raw->pump], $raw->pump) : PartReader::pump($raw->pump, null),
            $raw->above_water ?? false,
            $raw->check_valve ?? false,
            (float) ($raw->height_above_floor_mm ?? 0),
            $raw->joined ?? true,
            is_string($tube) ? PartReader::tube($this->library->tubes[$tube], $tube) : PartReader::tube($tube, null),
            (float) ($raw->trunk_mm ?? 0),
            PartReader::each($raw->branches ?? [], static fn (stdClass $b): Branch => new Branch($b->tub, (float) ($b->distance_mm ?? self::DEFAULT_DISTANCE_MM), (float) ($b->valve ?? 1.0))),
        );
    }
}
