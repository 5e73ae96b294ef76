<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;
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
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\TopUp;
use KelpTub\Core\Season\TopUpStrength;
use KelpTub\Core\Vessel\CoverParts;
use KelpTub\Core\Vessel\Vessel;
use stdClass;
use WeakMap;

/** Reads the tubs of a garden document, defaults filled in, and says what of them the schema cannot. */
final readonly class TubReader
{
    private const DEFAULT_CUP = 'net-cup-50';

    public function __construct(private Library $library)
    {
    }

    /**
     * @param  WeakMap<stdClass, mixed>|null  $sound  tubs that are known to be sound by themselves
     * @return list<Fault>
     */
    public function faults(stdClass $document, ?WeakMap $sound = null): array
    {
        $faults = [];
        $taken = [];
        foreach ($document->tubs ?? [] as $i => $tub) {
            if (isset($taken[$tub->id])) {
                $faults[] = new Fault("/tubs/$i/id", "is \"$tub->id\", which another tub has already; ids are unique");
            }
            $taken[$tub->id] = true;
            if ($sound !== null && isset($sound[$tub])) {
                continue;
            }
            $faults = [
                ...$faults,
                ...$this->partFaults($tub, "/tubs/$i"),
                ...$this->cropFaults($tub, "/tubs/$i"),
                ...self::layoutFaults($tub, "/tubs/$i"),
                ...self::topUpFaults($tub, "/tubs/$i"),
            ];
        }

        return $faults;
    }

    /** @return list<Tub> some of them may be known already */
    public function all(stdClass $document, KnownTubs $known): array
    {
        return PartReader::each(
            $document->tubs ?? [],
            fn (stdClass $raw, int $index): Tub => $known->tub($raw, fn (): Tub => $this->tub($raw, $index)),
        );
    }

    /** @return list<Tub> those that are as they were in a garden before are the same objects */
    public function again(stdClass $document, Garden $before): array
    {
        return PartReader::each(
            $document->tubs ?? [],
            fn (stdClass $raw, int $index): Tub => $raw === ($before->document->tubs[$index] ?? null)
                ? $before->tubs[$index]
                : $this->tub($raw, $index),
        );
    }

    /** @return list<Fault> */
    private function partFaults(stdClass $tub, string $at): array
    {
        $faults = [
            ...PartCheck::part($tub->vessel, $this->library->vessels, "$at/vessel", 'vessel', PartCheck::vessel(...)),
            ...PartCheck::part($tub->cup ?? self::DEFAULT_CUP, $this->library->cups, "$at/cup", 'cup', PartCheck::cup(...)),
        ];
        if (isset($tub->stones)) {
            $faults = [
                ...$faults,
                ...PartCheck::part($tub->stones->kind, $this->library->stones, "$at/stones/kind", 'air stone', PartCheck::stone(...)),
            ];
            foreach ($tub->stones->more ?? [] as $i => $more) {
                $faults = [
                    ...$faults,
                    ...PartCheck::part($more->kind, $this->library->stones, "$at/stones/more/$i/kind", 'air stone', PartCheck::stone(...)),
                ];
            }
        }
        if (isset($tub->cups_2)) {
            $faults = [...$faults, ...PartCheck::part($tub->cups_2, $this->library->cups, "$at/cups_2", 'cup', PartCheck::cup(...))];
        }
        if (isset($tub->under)) {
            $faults = [
                ...$faults,
                ...PartCheck::part($tub->under->vessel, $this->library->vessels, "$at/under/vessel", 'vessel', PartCheck::vessel(...)),
            ];
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function cropFaults(stdClass $tub, string $at): array
    {
        $faults = [];
        foreach (self::cropsNamed($tub) as $pointer => $crop) {
            if (! $this->library->crops->has($crop)) {
                $faults[] = new Fault("$at$pointer", "is \"$crop\", and the Library has no such crop");
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private static function layoutFaults(stdClass $tub, string $at): array
    {
        $faults = [];
        if (($tub->layout->pattern ?? 'best') === 'manual' && ! isset($tub->layout->holes)) {
            $faults[] = new Fault("$at/layout/holes", 'is missing; a manual layout lists its holes');
        }
        foreach ($tub->layout->holes ?? [] as $i => $hole) {
            if (isset($hole->cup) && self::size($tub, $hole->cup) === null) {
                $faults[] = new Fault(
                    "$at/layout/holes/$i/cup",
                    'is '.json_encode($hole->cup).'; it is 1 for the tub\'s cup or 2 for cups_2, or the key of one of them',
                );
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    private static function topUpFaults(stdClass $tub, string $at): array
    {
        $faults = [];
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
    private static function size(stdClass $tub, int|float|string $cup): ?int
    {
        $key = static fn (string|stdClass $given): ?string => is_string($given) ? $given : ($given->key ?? null);

        return match (true) {
            $cup === 1, $cup === 1.0, $cup === $key($tub->cup ?? self::DEFAULT_CUP) => 0,
            isset($tub->cups_2) && (in_array($cup, [2, 2.0], true) || $cup === $key($tub->cups_2)) => 1,
            default => null,
        };
    }

    private function tub(stdClass $raw, int $index): Tub
    {
        $holes = $this->holes($raw);
        $water = $this->water($raw);

        return new Tub(
            $index,
            $raw->id,
            ($raw->name ?? '') !== '' ? $raw->name : $raw->id,
            (int) ($raw->count ?? 1),
            $this->body($raw, $water->system),
            $holes,
            $this->planting($raw, $holes->layout, $water->cloner->collar),
            $water,
            isset($raw->lamp) ? PartReader::lampOf($raw->lamp, $this->library->lamps) : null,
        );
    }

    private function body(stdClass $raw, GrowingSystem $system): TubBody
    {
        $given = is_string($raw->vessel) ? $this->library->vessels->raw($raw->vessel) : $raw->vessel;
        $vessel = $this->vessel($raw->vessel);

        return new TubBody(
            $vessel,
            isset($given->lid) ? PartReader::lid($given->lid, $vessel->measured->mouth()) : Lid::overMouth($vessel->measured->mouth()),
            PartReader::cover($given),
            CoverParts::from($given->cover_parts ?? CoverParts::Both->value),
            PartReader::liner($given),
            (float) ($raw->stand_mm ?? 0),
            isset($raw->under) ? $this->vessel($raw->under->vessel) : null,
            (float) ($raw->under->blocks_mm ?? 0),
            ($raw->tube_entry ?? ($vessel->isJar() || $system === GrowingSystem::Raft ? 'lid' : 'side')) === 'lid',
            array_values(array_map(TubExtra::from(...), $raw->extras ?? [])),
        );
    }

    private function holes(stdClass $raw): TubHoles
    {
        return new TubHoles(
            $this->cup($raw->cup ?? self::DEFAULT_CUP),
            isset($raw->cups_2) ? $this->cup($raw->cups_2) : null,
            isset($raw->hole_mm) ? (float) $raw->hole_mm : null,
            ($raw->cutting ?? 'saw') === 'traced',
            ($raw->cutting ?? 'saw') === 'drilled',
            isset($raw->raise_mm) ? (float) $raw->raise_mm : null,
            $this->layout($raw),
        );
    }

    private function planting(stdClass $raw, LayoutWish $layout, bool $collar): TubPlanting
    {
        return new TubPlanting(
            $this->crops($raw, $layout),
            isset($raw->plants) ? (int) $raw->plants : null,
            Density::from($raw->density ?? 'roomy'),
            $collar || self::started($raw) !== StartedFrom::Plug ? Plug::None : Plug::from($raw->medium->plug ?? 'stone-wool'),
            ! $collar && ($raw->medium->fill ?? 'clay-pebbles') === 'clay-pebbles',
            $raw->trellis ?? false,
            self::started($raw),
        );
    }

    private function water(stdClass $raw): TubWater
    {
        $system = GrowingSystem::from($raw->system);

        return new TubWater(
            $system,
            isset($raw->water_line) ? LineChoice::from($raw->water_line) : null,
            TopUps::from($raw->top_ups ?? TopUps::defaultFor($system)->value),
            PartReader::each($raw->planned_top_ups ?? [], static fn (stdClass $t): TopUp => new TopUp((float) $t->day, (float) $t->litres)),
            isset($raw->stones) ? PartReader::stones($raw->stones, $this->library->stones) : null,
            new RaftWish(
                (float) ($raw->raft->thickness_mm ?? Raft::DEFAULT_THICKNESS_MM),
                (float) ($raw->raft->gap_mm ?? Raft::DEFAULT_GAP_MM),
                (float) ($raw->raft->below_rim_mm ?? WaterLine::RAFT_BELOW_RIM_MM),
            ),
            new ClonerWish(
                (float) ($raw->cloner->stem_below_cup_mm ?? 0),
                $system === GrowingSystem::Cloner && ($raw->cloner->collar ?? false),
            ),
            new DripCycle(
                (float) ($raw->nursery->flow_l_h ?? DripCycle::DEFAULT_FLOW_L_H),
                (float) ($raw->nursery->on_min ?? DripCycle::DEFAULT_ON_MIN),
                (float) ($raw->nursery->off_min ?? DripCycle::DEFAULT_OFF_MIN),
            ),
            isset($raw->lowest_mm) ? (float) $raw->lowest_mm : null,
            ChangeSchool::from($raw->reservoir_change ?? ChangeSchool::defaultFor($system)->value),
            TopUpStrength::from($raw->top_up_strength ?? TopUpStrength::Half->value),
            $raw->feed ?? null,
            $raw->strengthening ?? true,
        );
    }

    private function vessel(string|stdClass $given): Vessel
    {
        return is_string($given) ? $this->library->vessels->get($given) : PartReader::vessel($given, null);
    }

    private function cup(string|stdClass $given): Cup
    {
        return is_string($given) ? $this->library->cups->get($given) : PartReader::cup($given, null);
    }

    private static function started(stdClass $raw): StartedFrom
    {
        return StartedFrom::from($raw->started ?? StartedFrom::Plug->value);
    }

    private function crop(string $key, stdClass $tub): Crop
    {
        return $this->library->crops->get($key)->startedFrom(self::started($tub));
    }

    /**
     * The tub's crops: the list of several, or the one, or those that the holes of a layout by hand name.
     *
     * @return list<CropWish>
     */
    private function crops(stdClass $raw, LayoutWish $layout): array
    {
        if (($raw->crops ?? []) !== []) {
            return PartReader::each(
                $raw->crops,
                fn (stdClass $w): CropWish => new CropWish(
                    $this->crop($w->crop, $raw),
                    isset($w->plants) ? (int) $w->plants : null,
                ),
            );
        }
        if (isset($raw->crop)) {
            return [new CropWish($this->crop($raw->crop, $raw), null)];
        }
        $counts = array_count_values(array_map(static fn (Crop $c): string => $c->key, array_filter($layout->crops())));

        return array_map(
            fn (string|int $key): CropWish => new CropWish($this->crop((string) $key, $raw), $counts[$key]),
            array_keys($counts),
        );
    }

    private function layout(stdClass $tub): LayoutWish
    {
        $raw = $tub->layout ?? new stdClass;
        $asked = $raw->pattern ?? 'best';
        $cups = $raw->cups ?? 'max';

        return new LayoutWish(
            PatternKind::tryFrom($asked) ?? PatternKind::Best,
            is_string($cups) ? null : (int) $cups,
            PartReader::each($asked === 'manual' ? ($raw->holes ?? []) : [], fn (stdClass $h): HoleWish => new HoleWish(
                new Point((float) $h->x_mm, (float) $h->y_mm),
                isset($h->crop) ? $this->crop($h->crop, $tub) : null,
                isset($h->cup) ? self::size($tub, $h->cup) : null,
            )),
        );
    }
}
