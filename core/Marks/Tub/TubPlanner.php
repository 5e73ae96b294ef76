<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropPlaces;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\HangingCups;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\HoleWish;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Weight;

/** Works out one tub by itself: hole, levels, lid, capacity, weight, stones. */
final readonly class TubPlanner
{
    /** Share of the brim height below which a tub without stones is of no use. */
    private const LOWEST_SHARE = 0.1;

    /** How many places of a larger pattern may stay uncut to get the number asked for. */
    private const MOST_UNCUT = 3;

    private const ROUNDING_MM = 1.0e-9;

    private float $climate;

    /** @var list<Saw> */
    private array $ownedSaws;

    /** @var list<Saw> */
    private array $stockSaws;

    public function __construct(private Garden $garden, private LayoutMemory $memory)
    {
        $this->climate = $garden->site->climate();
        $this->ownedSaws = SawSeries::owned($garden->saws ?? [], $garden->units);
        $this->stockSaws = SawSeries::stock($garden->units);
    }

    public function plan(Tub $tub): TubPlan
    {
        $vessel = $tub->vessel;
        $rim = $vessel->profile->rim();
        $mouth = $vessel->profile->mouth();
        $inMouth = $vessel->isJar() && $mouth->round && $tub->hole === null && $tub->secondCup === null && $tub->system !== GrowingSystem::Raft
            && $tub->cup->top <= $mouth->length && $mouth->length < $tub->cup->lip;
        $saw = $inMouth ? null : $this->saw($tub, $tub->cup, $tub->hole);
        $seat = Seat::of($tub->cup, $inMouth ? $mouth->length : ($saw->diameter ?? $tub->hole ?? self::tracedHole($tub->cup, $tub->raise)));
        $lidTop = $rim + ($inMouth ? 0.0 : $vessel->lid->topAboveRim);
        $line = WaterLine::of($tub->system, $tub->line(), $lidTop - $tub->cup->height + $seat->raise, $rim, $tub->raft->belowRim, $tub->cloner->stemBelowCup);
        $raft = $tub->system === GrowingSystem::Raft ? Raft::cut($vessel->profile, $line->grown, $tub->raft->thickness, $tub->raft->gap) : null;
        $lid = $raft === null ? $vessel->lid : new Lid($raft->board, $raft->thickness, LidMake::Plain, 0.0, []);
        $sizes = [new CupPlan($tub->cup, $seat, $saw, $line->cupBottom)];
        if ($tub->secondCup !== null) {
            $sizes[] = $this->secondSize($tub, $tub->secondCup, $line->cupBottom + $tub->cup->height - $seat->raise);
        }
        $space = new LayoutSpace($lid, array_map(static fn (CupPlan $c): CupInHole => new CupInHole($c->cup, $c->seat->hole, $c->bottom), $sizes), $vessel->profile);
        $solver = new LayoutSolver($space, $this->memory);
        $reservoir = static fn (array $cupAt): Reservoir => new Reservoir($vessel->profile, self::hanging($sizes, $cupAt), $tub->pebbles);
        $lowest = $tub->stones === null ? self::LOWEST_SHARE * $rim : $tub->stones->height + Stone::LEAST_COVER_MM;
        $byWater = fn (int $cups): ?int => $this->byWater($tub, $reservoir(array_fill(0, $cups, 0)), $line->grown, $lowest);

        [$byLid, $bySpacing] = $this->mostCups($tub, $inMouth, $sizes, $space, $solver);
        [$arrangement, $asked, $complete] = $inMouth
            ? [Arrangement::of(PatternKind::Single, [new Point(0.0, 0.0)]), $tub->layout->cups ?? 1, true]
            : $this->layOut($tub, $space, $solver, $byLid, $bySpacing, $byWater);
        $cropAt = CropPlaces::of($tub->crops, $tub->plants, $tub->layout->holes, $tub->density, $arrangement);
        $cupAt = self::cupAt($tub, $cropAt);
        $mix = CropMix::count(array_values(array_filter($cropAt)), $tub->density, array_map(static fn (CropWish $w): string => $w->crop->key, $tub->crops));
        $solution = $reservoir($cupAt);
        $pebbles = $tub->pebbles ? array_sum(array_map(static fn (HangingCups $c): float => $c->count * $c->cup->litres(), self::hanging($sizes, $cupAt))) : 0.0;
        $floor = RoundedBox::of($vessel->profile->sectionAt(0.0));

        return new TubPlan(
            $tub,
            $inMouth,
            $lid,
            $sizes,
            $line,
            $space,
            $solver,
            $arrangement,
            $cupAt,
            $cropAt,
            $asked,
            $complete,
            Capacity::of($byLid, $bySpacing, $this->byWater($tub, $solution, $line->grown, $lowest)),
            $mix,
            $this->climate,
            $solution,
            $lowest,
            $mix->waterUse($this->climate),
            $pebbles,
            Weight::of($vessel, $solution->litresAt($line->grown), $pebbles, $mix->matureKg(), $tub->under),
            $tub->stones === null ? [] : StonePlacement::of($arrangement->points, $tub->stones->count, $floor, $tub->stones->stone->length),
            $tub->tubeThroughLid ? $rim + $vessel->lid->topAboveRim : $rim - TubeRoute::BELOW_RIM_MM,
            $raft,
            $tub->under === null ? null : NestedPair::of($vessel->profile, $vessel->floor, $tub->under, $tub->blocks),
        );
    }

    /** The second size of cup, its lip on the same lid as the first. */
    private function secondSize(Tub $tub, Cup $cup, float $lidTop): CupPlan
    {
        $saw = $this->saw($tub, $cup, null);
        $seat = Seat::of($cup, $saw->diameter ?? self::tracedHole($cup, $tub->raise));

        return new CupPlan($cup, $seat, $saw, $lidTop - $cup->height + $seat->raise);
    }

    /**
     * The cups as they hang in the water.
     *
     * @param  list<CupPlan>  $sizes
     * @param  array<int, int>  $cupAt
     * @return list<HangingCups>
     */
    private static function hanging(array $sizes, array $cupAt): array
    {
        $counts = array_count_values($cupAt);

        return array_map(static fn (CupPlan $size, int $i): HangingCups => new HangingCups($size->cup, $counts[$i] ?? 0, $size->bottom), $sizes, array_keys($sizes));
    }

    /**
     * Which size of cup each hole has: what was said of it, else the smaller one that is large enough for its crop.
     *
     * @param  list<Crop|null>  $cropAt
     * @return list<int>
     */
    private static function cupAt(Tub $tub, array $cropAt): array
    {
        if ($tub->secondCup === null) {
            return array_fill(0, count($cropAt), 0);
        }
        $sizes = [$tub->cup, $tub->secondCup];
        $smaller = $tub->cup->top <= $tub->secondCup->top ? 0 : 1;

        return array_map(static fn (int $i, ?Crop $crop): int => $tub->layout->holes[$i]->cup
            ?? ($crop === null ? 0 : ($sizes[$smaller]->suits($crop->cupMinMm) ? $smaller : 1 - $smaller)), array_keys($cropAt), $cropAt);
    }

    /** The saw for the hole that was asked for, or for the cup; null when no saw cuts it or none is to. */
    private function saw(Tub $tub, Cup $cup, ?float $hole): ?Saw
    {
        if ($tub->traced) {
            return null;
        }
        if ($hole === null) {
            return SawChoice::for($cup, $this->ownedSaws, $this->stockSaws, $tub->raise);
        }
        foreach ($this->ownedSaws as $saw) {
            if (abs($saw->diameter - $hole) <= SawSeries::SAME_MM) {
                return new Saw($hole, $saw->size, $this->garden->units, true);
            }
        }

        return new Saw($hole, $hole, $this->garden->units, false);
    }

    /** A hole traced and cut by knife: half way between body and lip, or where the body is as wide as a wanted raise asks for. */
    private static function tracedHole(Cup $cup, ?float $raise): float
    {
        return $raise === null || $raise <= 0.0 ? ($cup->top + $cup->lip) / 2 : $cup->diameterAt($cup->height - $raise);
    }

    private function byWater(Tub $tub, Reservoir $reservoir, float $line, float $lowest): ?int
    {
        if ($tub->crops === []) {
            return null;
        }
        $working = $reservoir->litresAt($line);
        $usable = max(0.0, $working - $reservoir->litresAt($lowest));

        return count($tub->crops) === 1
            ? Capacity::byWater($tub->crops[0]->crop, $tub->density, $tub->system, $tub->topUps, $this->climate, $working, $usable)
            : Capacity::mixByWater($tub->crops, $tub->density, $tub->system, $tub->topUps, $this->climate, $working, $usable);
    }

    /**
     * The most cups by the lid alone and with the crop's spacing.
     *
     * @param  list<CupPlan>  $sizes
     * @return array{int, int}
     */
    private function mostCups(Tub $tub, bool $inMouth, array $sizes, LayoutSpace $space, LayoutSolver $solver): array
    {
        if ($inMouth) {
            return [1, 1];
        }
        foreach ($sizes as $size) {
            if (! $size->seat->holds()) {
                return [0, 0];
            }
        }
        $kind = self::kind($tub);
        $byLid = $solver->most($kind, $space->leastFullPitch(), $space->mostByArea());
        $spacings = array_map(static fn (CropWish $w): float => $w->crop->spacingMm * $tub->density->spacingShare(), $tub->crops);
        if ($spacings === [] || max($spacings) <= $space->leastFullPitch()) {
            return [$byLid, $byLid];
        }
        $apart = $solver->most($kind, max($spacings), $byLid);

        if (min($spacings) === max($spacings)) {
            return [$byLid, $apart];
        }
        $pitch = max($space->leastFullPitch(), min($spacings));
        $within = $solver->most($kind, $pitch, $byLid);
        $question = serialize(['mixed', $kind, $pitch, $apart, $within, $spacings, array_map(static fn (CropWish $w): array => [$w->crop->key, $w->crop->matureHeightMm, $w->plants], $tub->crops)]);

        return [$byLid, $solver->remembered($question, fn (): int => $this->mostMixed($tub, $solver, $pitch, $apart, $within))];
    }

    /**
     * The most plants of several crops whose neighbours keep the mean of their spacings: more than at the widest of them ($apart), no more than
     * at the narrowest ($within), as laid out by the regular pattern of so many cups.
     */
    private function mostMixed(Tub $tub, LayoutSolver $solver, float $pitch, int $apart, int $within): int
    {
        for ($cups = $within; $cups > $apart; $cups--) {
            $arrangement = self::kind($tub) === PatternKind::Best ? $solver->regular($cups, $pitch) : $solver->arrange(self::kind($tub), $cups, $pitch);
            if ($arrangement === null) {
                continue;
            }
            $wishes = array_map(static fn (CropShare $s): CropWish => new CropWish($s->crop, $s->plants), CropMix::inProportion($tub->crops, $tub->density, $cups)->shares);
            $crops = CropPlaces::of($wishes, null, [], $tub->density, $arrangement);
            $slack = $arrangement->least(static fn (float $distance, int $i, int $j): float => $distance - ($crops[$i] === null || $crops[$j] === null ? 0.0 : $tub->density->spacing($crops[$i], $crops[$j])));
            if ($slack === null || $slack >= -self::ROUNDING_MM) {
                return $cups;
            }
        }

        return $apart;
    }

    /**
     * The holes, how many were asked for, and whether the pattern is complete.
     *
     * @param  callable(int): ?int  $byWater
     * @return array{Arrangement, int, bool}
     */
    private function layOut(Tub $tub, LayoutSpace $space, LayoutSolver $solver, int $byLid, int $bySpacing, callable $byWater): array
    {
        if ($tub->layout->pattern === PatternKind::Manual) {
            $holes = $tub->layout->holes;

            return [Arrangement::of(PatternKind::Manual, array_map(static fn (HoleWish $h): Point => $h->point, $holes)), count($holes), true];
        }
        $kind = self::kind($tub);
        $asked = $tub->layout->cups ?? self::plantsSaid($tub);
        if ($asked === null) {
            $cups = min($byLid, $bySpacing);
            while ($cups > 1 && ($byWater($cups) ?? $cups) < $cups) {
                $cups--;
            }

            $pitch = max($space->leastFullPitch(), $this->spacing($tub));

            return self::place($solver, $kind, $cups, $pitch) ?? self::place($solver, $kind, $cups, $space->leastFullPitch()) ?? [self::none(), $cups, true];
        }
        $most = $solver->most($kind, $space->leastPitch(), $asked);
        [$arrangement, , $complete] = self::place($solver, $kind, $asked, $space->leastPitch())
            ?? self::place($solver, $kind, $most, $space->leastPitch())
            ?? [self::none(), $most, true];

        return [$arrangement, $asked, $complete];
    }

    /**
     * Exactly $cups holes at least $pitch apart: a complete pattern, or one with a few places that stay uncut.
     *
     * @return array{Arrangement, int, bool}|null
     */
    private static function place(LayoutSolver $solver, PatternKind $kind, int $cups, float $pitch): ?array
    {
        for ($uncut = 0; $cups > 0 && $uncut <= self::MOST_UNCUT; $uncut++) {
            $arrangement = $solver->arrange($kind, $cups + $uncut, $pitch);
            if ($arrangement !== null) {
                return [$uncut === 0 ? $arrangement : $arrangement->first($cups), $cups, $uncut === 0];
            }
        }

        return null;
    }

    private static function none(): Arrangement
    {
        return Arrangement::of(PatternKind::Manual, []);
    }

    /** How many plants several crops come to, where each has its number; null otherwise. */
    private static function plantsSaid(Tub $tub): ?int
    {
        $numbers = array_map(static fn (CropWish $w): ?int => $w->plants, $tub->crops);

        return $numbers === [] || in_array(null, $numbers, true) || array_sum($numbers) === 0 ? null : array_sum($numbers);
    }

    /** The widest distance that two neighbours of the tub's crops want under its school of density; 0 without a crop. */
    private function spacing(Tub $tub): float
    {
        return max([0.0, ...array_map(static fn (CropWish $w): float => $w->crop->spacingMm * $tub->density->spacingShare(), $tub->crops)]);
    }

    private static function kind(Tub $tub): PatternKind
    {
        return $tub->layout->pattern === PatternKind::Manual ? PatternKind::Best : $tub->layout->pattern;
    }
}
