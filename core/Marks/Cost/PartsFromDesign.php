<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Air\AirPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\NestedPair;

/**
 * Everything a garden's design takes to build, counted from the design itself.
 *
 * Feed for the season comes with the season; it is not counted here. Source: handbook, rules section 9.
 */
final class PartsFromDesign
{
    /** A tube hole is drilled this much over the tube, mm. */
    public const TUBE_HOLE_OVER_MM = 1.0;

    /** Suction cups that hold a stone to the floor. */
    private const FIXINGS_PER_STONE = 2;

    /** Blocks under the upper one of a nested pair. */
    private const BLOCKS = 2;

    /** Thin tube from the ring to a cup, mm. */
    private const DRIP_STUB_MM = 80.0;

    /** @var array<string, Need> */
    private array $needs = [];

    private function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  array<string, TubPlan>  $tubs
     * @param  list<AirPlan>  $air
     * @return list<Need>
     */
    public static function of(Library $library, array $tubs, array $air): array
    {
        $parts = new self($library);
        foreach ($tubs as $plan) {
            $parts->vessel($plan);
            $parts->planting($plan);
            $parts->system($plan);
        }
        foreach ($air as $system) {
            $parts->air($system);
        }
        foreach ($tubs as $plan) {
            $parts->saw($plan);
        }
        if ($tubs !== []) {
            $parts->add('ph-kit', $library->partName('ph-kit'), 'consumable', 1);
            $parts->add('drill', $library->partName('drill'), 'tool', 1, largest: true);
        }

        return array_values($parts->needs);
    }

    private function vessel(TubPlan $plan): void
    {
        $tub = $plan->tub;
        $vessel = $tub->vessel;
        $this->add($vessel->key ?? "vessel:$tub->id", $vessel->name, 'part', $tub->count);
        foreach ($plan->sizes as $i => $size) {
            $this->add($size->cup->key ?? ($i === 0 ? "cup:$tub->id" : "cup-2:$tub->id"), $size->cup->name, 'part', $plan->cupsOf($i) * $tub->count);
        }
        $cover = $vessel->opacity->needsCover() || $tub->cover !== 'none' ? self::coverArea($plan) * $tub->count : 0.0;
        if ($tub->cover === 'paint') {
            $this->add('paint-dark', $this->library->partName('paint-dark'), 'consumable', $cover, 'm²');
            $this->add('paint-light', $this->library->partName('paint-light'), 'consumable', $cover, 'm²');
        } elseif ($tub->cover === 'foil' || $tub->cover === 'sleeve') {
            $this->add($tub->cover, $this->library->partName($tub->cover), 'consumable', $cover, 'm²');
        } elseif ($tub->cover === 'liner') {
            $this->add('liner-bag', $this->library->partName('liner-bag'), 'part', $tub->count);
        }
    }

    /** Walls and lid, m². */
    public static function coverArea(TubPlan $plan): float
    {
        return $plan->tub->vessel->profile->lateralArea() + $plan->tub->vessel->lid->outline->area() / 1.0e6;
    }

    private function planting(TubPlan $plan): void
    {
        $tub = $plan->tub;
        $this->add('clay-pebbles', $this->library->partName('clay-pebbles'), 'consumable', $plan->pebbles * $tub->count, 'L');
        if ($tub->plug !== 'none') {
            $this->add("plug-$tub->plug", $this->library->partName("plug-$tub->plug"), 'consumable', $plan->mix->plants() * $tub->count);
        }
        foreach ($plan->mix->crops() as $crop) {
            if ($crop->group !== 'cutting') {
                $this->add("seed-$crop->key", "$crop->name seed", 'consumable', 1, 'packet', largest: true);
            }
        }
        if ($tub->stones !== null) {
            $stone = $tub->stones->stone;
            $this->add($stone->key ?? "stone:$tub->id", $stone->name, 'part', $tub->stones->count * $tub->count);
            $this->add('suction-cup', $this->library->partName('suction-cup'), 'part', self::FIXINGS_PER_STONE * $tub->stones->count * $tub->count);
        }
        if ($tub->trellis) {
            $this->add('trellis', $this->library->partName('trellis'), 'extra', $tub->count);
        }
    }

    /** What a raft, a cloner, a nursery, a nested pair or a jar's adapter takes besides. */
    private function system(TubPlan $plan): void
    {
        $tub = $plan->tub;
        if ($plan->raft !== null) {
            $this->add('foam-board', $this->library->partName('foam-board'), 'part', $plan->raft->board->length * $plan->raft->board->width / 1.0e6 * $tub->count, 'm²');
            $this->add('knife', $this->library->partName('knife'), 'tool', 1, largest: true);
        }
        if ($tub->cloner->collar) {
            $this->add('foam-collar', $this->library->partName('foam-collar'), 'part', $plan->cups() * $tub->count);
        }
        if ($tub->system === GrowingSystem::Nursery) {
            $this->add('water-pump', $this->library->partName('water-pump'), 'part', $tub->count);
            $this->add('timer', $this->library->partName('timer'), 'part', $tub->count);
            $this->add('drip-tube', $this->library->partName('drip-tube'), 'part', self::dripTube($plan) * $tub->count, 'mm');
        }
        if ($plan->pair !== null) {
            $this->add($plan->pair->lower->key ?? "under:$tub->id", $plan->pair->lower->name, 'part', $tub->count);
            $this->add('block', $this->library->partName('block'), 'part', self::BLOCKS * $tub->count);
            $this->add('saw-'.QuantityWriter::plain(NestedPair::CORD_HOLE_MM, 0), 'Hole saw '.QuantityWriter::plain(NestedPair::CORD_HOLE_MM, 0).' mm, for the cord', 'tool', 1, largest: true);
        }
        if ($tub->vessel->isJar() && ! $plan->inMouth && $plan->raft === null) {
            $this->add('adapter-disc', $this->library->partName('adapter-disc'), 'part', $tub->count);
        }
        if ($tub->traced && ! $plan->inMouth) {
            $this->add('knife', $this->library->partName('knife'), 'tool', 1, largest: true);
        }
    }

    /** A nursery's tube in mm: up from its pump on the floor, and round the lid by the outermost cups with a stub to each. */
    private static function dripTube(TubPlan $plan): float
    {
        return $plan->tub->vessel->profile->rim() + $plan->lid->outline->perimeter() + self::DRIP_STUB_MM * $plan->cups();
    }

    private function air(AirPlan $air): void
    {
        $system = $air->system;
        $this->add($system->pump->key ?? "pump:$system->id", $system->pump->name, 'part', 1);
        if ($air->lineCount() === 0) {
            return;
        }
        $this->add($system->tube->key ?? "tube:$system->id", $system->tube->name, 'part', $air->tubing(), 'mm');
        if ($system->checkValve) {
            $this->add('check-valve', $this->library->partName('check-valve'), 'part', $system->joined ? 1 : $air->network->outletsUsed);
        }
        $this->add('tee', $this->library->partName('tee'), 'part', self::tees($air));
        $bit = QuantityWriter::plain(ceil($system->tube->outer + self::TUBE_HOLE_OVER_MM), 0);
        $this->add("drill-bit-$bit", "Drill bit $bit mm, for the tube", 'tool', 1, largest: true);
    }

    /** Outlets joined and lines split take one tee less than there are, and so do the stones of each tub. */
    private static function tees(AirPlan $air): int
    {
        $outlets = $air->system->joined ? min($air->system->pump->outlets, $air->network->outletsUsed) : 1;
        $manifolds = $air->system->joined ? 1 : max(1, $air->network->outletsUsed);
        $tees = max(0, $outlets - 1) + max(0, $air->lineCount() - $manifolds);
        foreach ($air->tubs as $plan) {
            $tees += max(0, ($plan->tub->stones->count ?? 1) - 1) * $plan->tub->count;
        }

        return $tees;
    }

    private function saw(TubPlan $plan): void
    {
        foreach ($plan->sizes as $i => $size) {
            if ($size->saw !== null && $plan->cupsOf($i) > 0) {
                $this->add('saw-'.QuantityWriter::plain(round($size->seat->hole), 0), "Hole saw {$size->saw->name()}", 'tool', 1, largest: true);
            }
        }
    }

    /**
     * @param  'part'|'tool'|'consumable'|'extra'  $kind
     * @param  bool  $largest  one serves the whole garden: needs are not added up
     */
    private function add(string $key, string $name, string $kind, float $amount, string $unit = 'piece', bool $largest = false): void
    {
        if ($amount <= 0.0) {
            return;
        }
        $before = $this->needs[$key]->amount ?? 0.0;
        $this->needs[$key] = new Need($key, $name, $kind, $largest ? max($before, $amount) : $before + $amount, $unit);
    }

    /** What the grower has: the list of owned parts, the saws, and cups made at home. */
    public static function owned(Garden $garden, Need $need): float
    {
        $owned = $garden->owned[$need->key] ?? 0.0;
        foreach ($garden->saws ?? [] as $saw) {
            if (str_starts_with($need->key, 'saw-') && abs($saw - (float) substr($need->key, 4)) <= 2 * SawSeries::SAME_MM) {
                $owned = max($owned, 1.0);
            }
        }
        foreach ($garden->tubs as $tub) {
            $homeMade = ($tub->cup->homeMade && ($tub->cup->key ?? "cup:$tub->id") === $need->key)
                || ($tub->secondCup !== null && $tub->secondCup->homeMade && ($tub->secondCup->key ?? "cup-2:$tub->id") === $need->key);
            $owned = $homeMade ? max($owned, $need->amount) : $owned;
        }

        return $owned;
    }
}
