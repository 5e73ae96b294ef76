<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Lid\Point;
use KelpTub\Core\Lid\RoundedBox;
use KelpTub\Core\Lid\SpreadSource;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Weight;

/** Works out one tub by itself: hole, levels, lid, capacity, weight, stones. */
final readonly class TubPlanner
{
    /** Share of the brim height below which a tub without stones is of no use. */
    private const LOWEST_SHARE = 0.1;

    /** How many places of a larger pattern may stay uncut to get the number asked for. */
    private const MOST_UNCUT = 3;

    private float $climate;

    /** @var list<Saw> */
    private array $ownedSaws;

    /** @var list<Saw> */
    private array $stockSaws;

    public function __construct(private Garden $garden, private SpreadSource $spreads)
    {
        $this->climate = $garden->site->climate();
        $this->ownedSaws = SawSeries::owned($garden->saws ?? [], $garden->units);
        $this->stockSaws = SawSeries::stock($garden->units);
    }

    public function plan(Tub $tub): TubPlan
    {
        $vessel = $tub->vessel;
        $mouth = $vessel->profile->stations[count($vessel->profile->stations) - 1]->section;
        $inMouth = $vessel->isJar() && $mouth->round && $tub->hole === null && $tub->cup->top <= $mouth->length && $mouth->length < $tub->cup->lip;
        $saw = $inMouth ? null : $this->saw($tub);
        $seat = Seat::of($tub->cup, $inMouth ? $mouth->length : ($saw->diameter ?? self::tracedHole($tub)));
        $hanging = $vessel->profile->rim() + ($inMouth ? 0.0 : $vessel->lid->topAboveRim) - $tub->cup->height + $seat->raise;
        $line = WaterLine::of($tub->system, $tub->line(), $hanging, $vessel->profile->rim());
        $space = new LayoutSpace($vessel->lid, $tub->cup, $seat->hole, $vessel->profile, $hanging);
        $solver = new LayoutSolver($space, $this->spreads);
        $reservoir = static fn (int $cups): Reservoir => new Reservoir($vessel->profile, $tub->cup, $cups, $line->cupBottom, $tub->pebbles);
        $lowest = $tub->stones === null ? self::LOWEST_SHARE * $vessel->profile->rim() : $tub->stones->height + Stone::LEAST_COVER_MM;
        $byWater = fn (int $cups): ?int => $this->byWater($tub, $reservoir($cups), $line->grown, $lowest);

        [$byLid, $bySpacing] = $this->mostCups($tub, $inMouth, $seat, $space, $solver);
        [$arrangement, $asked, $complete] = $inMouth
            ? [Arrangement::of(PatternKind::Single, [new Point(0.0, 0.0)]), $tub->layout->cups ?? 1, true]
            : $this->layOut($tub, $space, $solver, $byLid, $bySpacing, $byWater);
        $cups = $arrangement->count();
        $plants = min($tub->plants ?? $cups, $cups);
        $solution = $reservoir($cups);
        $pebbles = $tub->pebbles ? $cups * $tub->cup->litres() : 0.0;
        $floor = RoundedBox::of($vessel->profile->sectionAt(0.0));

        return new TubPlan(
            $tub,
            $inMouth,
            $saw?->name,
            $saw !== null && $saw->owned,
            $seat,
            $line,
            $space,
            $solver,
            $arrangement,
            $asked,
            $complete,
            Capacity::of($byLid, $bySpacing, $byWater($cups)),
            $plants,
            $this->climate,
            $solution,
            $lowest,
            $tub->crop === null ? null : Capacity::waterUse($tub->crop, $tub->density, $this->climate, $plants),
            $pebbles,
            Weight::of($vessel, $solution->litresAt($line->grown), $pebbles, $plants * ($tub->crop->matureMassG ?? 0.0) / 1000),
            $tub->stones === null ? [] : StonePlacement::of($arrangement->points, $tub->stones->count, $floor, $tub->stones->stone->length),
            $tub->tubeThroughLid ? $vessel->profile->rim() + $vessel->lid->topAboveRim : $vessel->profile->rim() - TubeRoute::BELOW_RIM_MM,
        );
    }

    /** The saw for the hole that was asked for, or for the cup; null when no saw cuts it. */
    private function saw(Tub $tub): ?Saw
    {
        if ($tub->hole === null) {
            return SawChoice::for($tub->cup, $this->ownedSaws, $this->stockSaws, $tub->raise);
        }
        foreach ($this->ownedSaws as $saw) {
            if (abs($saw->diameter - $tub->hole) <= SawSeries::SAME_MM) {
                return new Saw($tub->hole, $saw->name, true);
            }
        }

        return new Saw($tub->hole, SawSeries::name($tub->hole, $this->garden->units), false);
    }

    /** A hole traced and cut by knife where no saw is large enough: half way between body and lip. */
    private static function tracedHole(Tub $tub): float
    {
        return ($tub->cup->top + $tub->cup->lip) / 2;
    }

    private function byWater(Tub $tub, Reservoir $reservoir, float $line, float $lowest): ?int
    {
        if ($tub->crop === null) {
            return null;
        }
        $working = $reservoir->litresAt($line);
        $usable = max(0.0, $working - $reservoir->litresAt($lowest));

        return Capacity::byWater($tub->crop, $tub->density, $tub->system, $tub->topUps, $this->climate, $working, $usable);
    }

    /**
     * The most cups by the lid alone and with the crop's spacing.
     *
     * @return array{int, int}
     */
    private function mostCups(Tub $tub, bool $inMouth, Seat $seat, LayoutSpace $space, LayoutSolver $solver): array
    {
        if ($inMouth) {
            return [1, 1];
        }
        if (! $seat->holds()) {
            return [0, 0];
        }
        $kind = self::kind($tub);
        $byLid = $solver->most($kind, $space->leastFullPitch(), $space->mostByArea());
        $spacing = $this->spacing($tub);

        return [$byLid, $spacing <= $space->leastFullPitch() ? $byLid : $solver->most($kind, $spacing, $byLid)];
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
            return [Arrangement::of(PatternKind::Manual, $tub->layout->holes), count($tub->layout->holes), true];
        }
        $kind = self::kind($tub);
        if ($tub->layout->cups === null) {
            $cups = min($byLid, $bySpacing);
            while ($cups > 1 && ($byWater($cups) ?? $cups) < $cups) {
                $cups--;
            }

            $pitch = max($space->leastFullPitch(), $this->spacing($tub));

            return self::place($solver, $kind, $cups, $pitch) ?? [self::none(), $cups, true];
        }
        $asked = $tub->layout->cups;
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

    /** The distance between plants that the crop wants under the tub's school of density; 0 without a crop. */
    private function spacing(Tub $tub): float
    {
        return $tub->crop === null ? 0.0 : $tub->crop->spacingMm * $tub->density->spacingShare();
    }

    private static function kind(Tub $tub): PatternKind
    {
        return $tub->layout->pattern === PatternKind::Manual ? PatternKind::Best : $tub->layout->pattern;
    }
}
