<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\Saw;
use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Garden\TubHoles;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Units\UnitSystem;

/** Which saw cuts the holes, how high the cups hang in them and the water with them, and what they are cut in. */
final readonly class CuttingPlanner
{
    /** @var list<Saw> */
    private array $ownedSaws;

    /** @var list<Saw> */
    private array $stockSaws;

    private UnitSystem $units;

    public function __construct(Garden $garden)
    {
        $this->units = $garden->units;
        $this->ownedSaws = SawSeries::owned($garden->saws ?? [], $garden->units);
        $this->stockSaws = SawSeries::stock($garden->units);
    }

    /** @return array{Cutting, WaterLine} */
    public function plan(Tub $tub): array
    {
        $vessel = $tub->body->vessel;
        $inMouth = self::hangsInMouth($tub);
        $rim = $vessel->profile->rim();
        $lidTop = $rim + ($inMouth ? 0.0 : $tub->body->lid->topAboveRim);
        $first = $inMouth
            ? self::hung($tub->holes->cup, null, $vessel->profile->mouth()->length, $lidTop)
            : $this->size($tub->holes, $tub->holes->cup, $tub->holes->diameter, $lidTop);
        $line = WaterLine::of(
            $tub->system,
            $tub->water->line(),
            $first->bottom,
            $rim,
            $tub->water->raft->belowRim,
            $tub->water->cloner->stemBelowCup,
            $tub->planting->started === StartedFrom::Seed,
        );
        $raft = $tub->system === GrowingSystem::Raft ? Raft::cut(
            $vessel->profile,
            $line->grown,
            $tub->water->raft->thickness,
            $tub->water->raft->gap,
        ) : null;
        $lid = $raft === null ? $tub->body->lid : new Lid($raft->board, $raft->thickness, LidMake::Plain, 0.0, []);
        // A raft's cups float: they hang where its water line says.
        $sizes = [new CupPlan($first->cup, $first->seat, $first->saw, $line->cupBottom)];
        if ($tub->holes->secondCup !== null) {
            $sizes[] = $this->size($tub->holes, $tub->holes->secondCup, null, $line->cupBottom + $first->cup->height - $first->seat->raise);
        }
        $cups = array_map(static fn (CupPlan $c): CupInHole => new CupInHole($c->cup, $c->seat->hole, $c->bottom), $sizes);

        $adapter = ! $inMouth && $raft === null && $vessel->isOpenMouthed();

        return [new Cutting($inMouth, $lid, $sizes, new LayoutSpace($lid, $cups, $vessel->profile), $raft, $adapter), $line];
    }

    /** Whether the cup hangs in the mouth of a jar or a cut bottle, by its lip, with nothing cut. */
    private static function hangsInMouth(Tub $tub): bool
    {
        $mouth = $tub->body->vessel->profile->mouth();
        $holes = $tub->holes;

        return $tub->body->vessel->isOpenMouthed()
            && $mouth->round
            && $holes->diameter === null
            && $holes->secondCup === null
            && $tub->system !== GrowingSystem::Raft
            && $holes->cup->hangsIn($mouth->length);
    }

    /** One size of cup with its hole, its lip on a lid whose upper face is so high. */
    private function size(TubHoles $holes, Cup $cup, ?float $diameter, float $lidTop): CupPlan
    {
        $saw = $holes->traced || $holes->drilled ? null : $this->saw($cup, $diameter, $holes->raise);

        return self::hung($cup, $saw, $saw->diameter ?? $diameter ?? self::tracedHole($cup, $holes->raise), $lidTop);
    }

    private static function hung(Cup $cup, ?Saw $saw, float $hole, float $lidTop): CupPlan
    {
        $seat = Seat::of($cup, $hole);

        return new CupPlan($cup, $seat, $saw, $lidTop - $cup->height + $seat->raise);
    }

    /** The saw for the hole that was asked for, or for the cup; null when none cuts it. */
    private function saw(Cup $cup, ?float $hole, ?float $raise): ?Saw
    {
        $chosen = $hole === null
            ? SawChoice::for($cup, $this->ownedSaws, $this->stockSaws, $raise)
            : new Saw($hole, $hole, $this->units, false);
        if ($chosen === null) {
            return null;
        }
        $own = SawSeries::ownedFor($chosen->diameter, $this->ownedSaws);

        return $own === null ? $chosen : new Saw($chosen->diameter, $own->size, $this->units, true);
    }

    /** A hole traced and cut by knife: half way between body and lip, or where the body is as wide as a wanted raise asks for. */
    private static function tracedHole(Cup $cup, ?float $raise): float
    {
        return $raise === null || $raise <= 0.0 ? ($cup->top + $cup->lip) / 2 : $cup->diameterAt($cup->height - $raise);
    }
}
