<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Crop\Capacity;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropPlaces;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Cup\HangingCups;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Weight;

/** Works out one tub by itself, a step at a time: what is cut, how the water stands, which holes, which plants, and what it all weighs. */
final readonly class TubPlanner
{
    /** Share of the brim height below which a tub without stones is of no use. */
    private const LOWEST_SHARE = 0.1;

    private float $climate;

    private CuttingPlanner $cutting;

    public function __construct(Garden $garden, private LayoutMemory $memory)
    {
        $this->climate = $garden->site->climate();
        $this->cutting = new CuttingPlanner($garden);
    }

    public function plan(Tub $tub): TubPlan
    {
        [$cutting, $line] = $this->cutting->plan($tub);
        $planner = new HolesPlanner($tub, $cutting, $this->memory);
        [$byLid, $bySpacing] = $planner->most();
        $byWater = fn (int $cups): ?int => $this->byWater($tub, self::water($tub, $cutting, $line, array_fill(0, $cups, 0)));
        [$arrangement, $asked, $complete] = $planner->layOut($byLid, $bySpacing, $byWater);
        $cropAt = CropPlaces::of(
            $tub->planting->crops,
            $tub->planting->plants,
            $tub->holes->layout->crops(),
            $tub->planting->density,
            $arrangement,
        );
        $holes = new HolesPlan($cutting, $arrangement, self::cupAt($tub, $cropAt), $asked, $complete, $planner->isWaiting());
        $mix = CropMix::count(
            array_values(array_filter($cropAt)),
            $tub->planting->density,
            array_map(static fn (CropWish $w): string => $w->crop->key, $tub->planting->crops),
        );
        $water = self::water($tub, $cutting, $line, $holes->cupAt, $mix, $this->climate);
        $capacity = Capacity::of($byLid, $bySpacing, $this->byWater($tub, $water));
        $plants = $this->plants($tub, $cutting, $holes, $cropAt, $mix, $capacity);

        return new TubPlan($tub, $cutting, $holes, $plants, $water, $this->fittings($tub, $cutting->space, $arrangement, $plants, $water));
    }

    /**
     * The water with cups of these sizes hanging in it, and how the plants drink it where they are known.
     *
     * @param  array<int, int>  $cupAt
     */
    private static function water(
        Tub $tub,
        Cutting $cutting,
        WaterLine $line,
        array $cupAt,
        ?CropMix $mix = null,
        float $climate = 1.0,
    ): WaterPlan {
        $profile = $tub->body->vessel->profile;
        $stones = $tub->water->stones;

        return new WaterPlan(
            $tub->water,
            $line,
            new Reservoir($profile, self::hanging($cutting, $cupAt), $tub->planting->pebbles),
            $tub->water->lowest
                ?? ($stones === null ? self::LOWEST_SHARE * $profile->rim() : $stones->highest() + Stone::leastCover($line->grown)),
            $cutting->raft->jamLevel ?? 0.0,
            $mix?->waterUse($climate),
        );
    }

    /**
     * The cups as they hang in the water.
     *
     * @param  array<int, int>  $cupAt
     * @return list<HangingCups>
     */
    private static function hanging(Cutting $cutting, array $cupAt): array
    {
        $counts = array_count_values($cupAt);

        return array_map(
            static fn (CupPlan $size, int $i): HangingCups => new HangingCups($size->cup, $counts[$i] ?? 0, $size->bottom),
            $cutting->sizes,
            array_keys($cutting->sizes),
        );
    }

    /**
     * Which size of cup each hole has: what was said of it, else the smaller one that is large enough for its crop.
     *
     * @param  list<Crop|null>  $cropAt
     * @return list<int>
     */
    private static function cupAt(Tub $tub, array $cropAt): array
    {
        if ($tub->holes->secondCup === null) {
            return array_fill(0, count($cropAt), 0);
        }
        $sizes = [$tub->holes->cup, $tub->holes->secondCup];
        $smaller = $sizes[0]->top <= $sizes[1]->top ? 0 : 1;

        return array_map(static fn (int $i, ?Crop $crop): int => $tub->holes->layout->holes[$i]->cup
            ?? ($crop === null ? 0 : ($sizes[$smaller]->suits($crop->cupMinMm) ? $smaller : 1 - $smaller)), array_keys($cropAt), $cropAt);
    }

    /** How many plants the water carries; null where it does not limit. */
    private function byWater(Tub $tub, WaterPlan $water): ?int
    {
        $planting = $tub->planting;
        if ($planting->crops === []) {
            return null;
        }

        return count($planting->crops) === 1
            ? Capacity::byWater(
                $planting->crops[0]->crop,
                $planting->density,
                $tub->system,
                $tub->water->topUps,
                $this->climate,
                $water->working(),
                $water->usable(),
            )
            : Capacity::mixByWater(
                $planting->crops,
                $planting->density,
                $tub->system,
                $tub->water->topUps,
                $this->climate,
                $water->working(),
                $water->usable(),
            );
    }

    /** @param  list<Crop|null>  $cropAt */
    private function plants(Tub $tub, Cutting $cutting, HolesPlan $holes, array $cropAt, CropMix $mix, Capacity $capacity): PlantsPlan
    {
        $bare = $tub->planting->crops === [] && $mix->isEmpty();

        return new PlantsPlan(
            $cropAt,
            $mix,
            $capacity,
            $bare ? min($tub->planting->plants ?? $holes->count(), $holes->count()) : $mix->plants(),
            Neighbours::closest($holes->arrangement, $cropAt, $cutting->lid),
            $this->climate,
            $tub->planting->pebbles ? array_sum(
                array_map(static fn (HangingCups $c): float => $c->count * $c->cup->litres(), self::hanging($cutting, $holes->cupAt)),
            ) : 0.0,
        );
    }

    private function fittings(Tub $tub, LayoutSpace $space, Arrangement $arrangement, PlantsPlan $plants, WaterPlan $water): Fittings
    {
        $body = $tub->body;
        $profile = $body->vessel->profile;
        $stones = $tub->water->stones;

        return new Fittings(
            Weight::of($body->vessel, $water->start(), $plants->pebbles, $plants->mix->matureKg(), $body->under),
            $stones === null ? [] : $stones->byHand() ?? $this->stones($tub, $space, $arrangement, $stones),
            $body->tubeThroughLid ? $profile->rim() + $body->lid->topAboveRim : $profile->rim() - TubeRoute::BELOW_RIM_MM,
            $body->under === null ? null : NestedPair::of($profile, $body->vessel->floor, $body->under, $body->blocks),
        );
    }

    /**
     * Where the stones lie: worked out once for a layout that the planner has laid; one by hand may be on the move.
     *
     * @return list<Point>
     */
    private function stones(Tub $tub, LayoutSpace $space, Arrangement $arrangement, StoneSet $stones): array
    {
        $floor = RoundedBox::of($tub->body->vessel->profile->sectionAt(0.0));
        $lay = static fn (): array => StonePlacement::of($arrangement->points, $stones->inAll(), $floor, $stones->longest());
        if ($tub->holes->layout->isByHand()) {
            return $lay();
        }
        $question = LayoutQuestion::mixed($space, ['stones', $stones->inAll(), $stones->longest(), $floor, $arrangement->points]);
        $known = $this->memory->recall($question);
        if (is_string($known)) {
            $numbers = array_values((array) unpack('e*', (string) base64_decode($known, true)));

            return array_map(static fn (array $p): Point => new Point((float) $p[0], (float) $p[1]), array_chunk($numbers, 2));
        }
        $laid = $lay();
        $numbers = array_merge(...array_map(static fn (Point $p): array => [$p->x, $p->y], $laid));
        $this->memory->keep($question, base64_encode(pack('e*', ...$numbers)));

        return $laid;
    }
}
