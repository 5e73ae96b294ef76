<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\NestedPair;

/** What a tub itself is built from, its cups with it. Source: handbook, rules section 9. */
final readonly class TubParts
{
    /** Blocks under the upper one of a nested pair. */
    private const BLOCKS = 2;

    /** Thin tube from the ring to a cup, mm. */
    private const DRIP_STUB_MM = 80.0;

    private function __construct(private TubPlan $plan, private Garden $garden, private Library $library)
    {
    }

    /** @return list<Need> */
    public static function of(TubPlan $plan, Garden $garden, Library $library): array
    {
        $parts = new self($plan, $garden, $library);

        return [
            ...$parts->vessel(),
            ...$parts->cups(),
            ...$parts->cover(),
            ...$parts->raft(),
            ...$parts->nursery(),
            ...$parts->pair(),
            ...$parts->lid(),
        ];
    }

    /** @return list<Need> */
    private function vessel(): array
    {
        $tub = $this->plan->tub;

        return [new Need(
            $tub->body->vessel->key ?? "vessel:$tub->id",
            $tub->body->vessel->name,
            NeedKind::Part,
            $tub->count,
            stage: NeedStage::Vessel,
        )];
    }

    /** @return list<Need> cups made at home are there already */
    private function cups(): array
    {
        $tub = $this->plan->tub;
        $needs = [];
        foreach ($this->plan->cutting->sizes as $i => $size) {
            $count = $this->plan->holes->cupsOf($i) * $tub->count;
            $needs[] = new Need(
                $size->cup->key ?? ($i === 0 ? "cup:$tub->id" : "cup-2:$tub->id"),
                $size->cup->name,
                NeedKind::Part,
                $count,
                stage: NeedStage::Vessel,
                owned: $size->cup->homeMade ? $count : 0.0,
            );
        }

        return $needs;
    }

    /** @return list<Need> */
    private function cover(): array
    {
        $tub = $this->plan->tub;
        $area = self::coverArea($this->plan) * $tub->count;

        return match ($tub->body->cover) {
            Cover::None => [],
            Cover::Paint => [
                $this->named('paint-dark', NeedKind::Consumable, $area, 'm²', NeedStage::Vessel),
                $this->named('paint-light', NeedKind::Consumable, $area, 'm²', NeedStage::Vessel),
            ],
            Cover::Foil, Cover::Sleeve => [$this->named($tub->body->cover->value, NeedKind::Consumable, $area, 'm²', NeedStage::Vessel)],
            Cover::Liner => [$this->named('liner-bag', NeedKind::Part, $tub->count, 'piece', NeedStage::Vessel)],
        };
    }

    /** Walls and lid, or what of them is to be covered, m². */
    public static function coverArea(TubPlan $plan): float
    {
        $body = $plan->tub->body;

        return ($body->coverParts->hasWalls() ? $body->vessel->profile->lateralArea() : 0.0)
            + ($body->coverParts->hasLid() ? $body->lid->outline->area() / 1.0e6 : 0.0);
    }

    /** @return list<Need> */
    private function raft(): array
    {
        $board = $this->plan->cutting->raft?->board;
        $count = $this->plan->tub->count;

        return [
            ...($board === null ? [] : [
                $this->named('foam-board', NeedKind::Part, $board->length * $board->width / 1.0e6 * $count, 'm²'),
                $this->knife(),
            ]),
            ...($this->plan->tub->water->cloner->collar ? [
                $this->named('foam-collar', NeedKind::Part, $this->plan->holes->count() * $count),
            ] : []),
        ];
    }

    /** @return list<Need> */
    private function nursery(): array
    {
        $count = $this->plan->tub->count;

        return $this->plan->tub->system !== GrowingSystem::Nursery ? [] : [
            $this->named('water-pump', NeedKind::Part, $count),
            $this->named('timer', NeedKind::Part, $count),
            $this->named('drip-tube', NeedKind::Part, $this->dripTube() * $count, 'mm'),
        ];
    }

    /** A nursery's tube in mm: up from its pump on the floor, and round the lid by the outermost cups with a stub to each. */
    private function dripTube(): float
    {
        return $this->plan->tub->body->vessel->profile->rim()
            + $this->plan->cutting->lid->outline->perimeter()
            + self::DRIP_STUB_MM * $this->plan->holes->count();
    }

    /** @return list<Need> */
    private function pair(): array
    {
        $lower = $this->plan->fittings->pair?->lower;
        $tub = $this->plan->tub;
        $cordHole = QuantityWriter::plain(NestedPair::CORD_HOLE_MM, 0);
        $ownSaw = SawSeries::ownedFor(NestedPair::CORD_HOLE_MM, SawSeries::owned($this->garden->saws ?? [], $this->garden->units));

        return $lower === null ? [] : [
            new Need($lower->key ?? "under:$tub->id", $lower->name, NeedKind::Part, $tub->count, stage: NeedStage::System),
            $this->named('block', NeedKind::Part, self::BLOCKS * $tub->count),
            new Need(
                "saw-$cordHole",
                "Hole saw $cordHole mm, for the cord",
                NeedKind::Tool,
                1,
                stage: NeedStage::System,
                shared: true,
                owned: $ownSaw === null ? 0.0 : 1.0,
            ),
            self::drill($this->library),
        ];
    }

    /** @return list<Need> what a lid takes that is not cut by a saw */
    private function lid(): array
    {
        $cutting = $this->plan->cutting;
        $tub = $this->plan->tub;

        return [
            ...($tub->body->vessel->isOpenMouthed() && ! $cutting->inMouth && $cutting->raft === null ? [$this->named(
                'adapter-disc',
                NeedKind::Part,
                $tub->count,
            )] : []),
            ...($tub->holes->traced && ! $cutting->inMouth ? [$this->knife()] : []),
        ];
    }

    /** What turns saws and bits; one serves the whole garden, and none is needed where nothing is drilled. */
    public static function drill(Library $library): Need
    {
        return new Need('drill', $library->partName('drill'), NeedKind::Tool, 1, shared: true);
    }

    private function knife(): Need
    {
        return new Need('knife', $this->library->partName('knife'), NeedKind::Tool, 1, stage: NeedStage::System, shared: true);
    }

    private function named(string $key, NeedKind $kind, float $amount, string $unit = 'piece', NeedStage $stage = NeedStage::System): Need
    {
        return new Need($key, $this->library->partName($key), $kind, $amount, $unit, $stage);
    }
}
