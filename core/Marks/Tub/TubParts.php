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
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Vessel\Cover;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\VesselKind;

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
            ...$parts->bottle(),
            ...$parts->bench(),
            ...$parts->extras(),
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
            why: $tub->count === 1 ? "the vessel of $tub->name" : "$tub->count alike for $tub->name",
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
                why: self::times($this->plan->holes->cupsOf($i), $tub->count)." in $tub->name",
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
                $this->named('paint-dark', NeedKind::Consumable, $area, 'm²', NeedStage::Vessel, 'a first coat, dark against light'),
                $this->named(
                    'paint-light',
                    NeedKind::Consumable,
                    $area,
                    'm²',
                    NeedStage::Vessel,
                    'a second coat, pale against the sun’s heat',
                ),
                $this->tape(),
            ],
            Cover::Foil, Cover::Sleeve => [
                $this->named($tub->body->cover->value, NeedKind::Consumable, $area, 'm²', NeedStage::Vessel, 'round what lets light in'),
                ...($tub->body->cover === Cover::Foil ? [$this->tape()] : []),
            ],
            Cover::Liner => [$this->named(
                'liner-bag',
                NeedKind::Part,
                $tub->count,
                'piece',
                NeedStage::Vessel,
                'one inside each vessel, against light',
            )],
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
                $this->named(
                    'foam-board',
                    NeedKind::Part,
                    $board->length * $board->width / 1.0e6 * $count,
                    'm²',
                    why: 'a board to float in each',
                ),
                $this->knife(),
                $this->tool('compass', 'to draw holes in the board'),
            ]),
            ...($this->plan->tub->water->cloner->collar ? [
                $this->named('foam-collar', NeedKind::Part, $this->plan->holes->count() * $count, why: 'a collar to a cup'),
                $this->knife(),
            ] : []),
            ...($this->plan->homeMadeCups() > 0 ? [$this->knife()] : []),
        ];
    }

    /** @return list<Need> */
    private function nursery(): array
    {
        $count = $this->plan->tub->count;

        return $this->plan->tub->system !== GrowingSystem::Nursery ? [] : [
            $this->named('water-pump', NeedKind::Part, $count, why: 'lifts water over the cups'),
            $this->named('timer', NeedKind::Part, $count, why: 'switches the water pump'),
            $this->named('drip-tube', NeedKind::Part, $this->dripTube() * $count, 'mm', why: sprintf(
                '%s up, round the lid and to each cup',
                (new QuantityWriter($this->garden->units))->run($this->dripTube()),
            )),
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
            new Need(
                $lower->key ?? "under:$tub->id",
                $lower->name,
                NeedKind::Part,
                $tub->count,
                stage: NeedStage::System,
                why: 'the lower vessel of the pair',
            ),
            $this->named('block', NeedKind::Part, self::BLOCKS * $tub->count, why: self::BLOCKS.' under each upper vessel'),
            $this->named('grommet', NeedKind::Part, $tub->count, why: 'where the cord goes through the wall'),
            new Need(
                SawSeries::key(NestedPair::CORD_HOLE_MM),
                "Hole saw $cordHole mm, for the cord",
                NeedKind::Tool,
                1,
                stage: NeedStage::System,
                shared: true,
                owned: $ownSaw === null ? 0.0 : 1.0,
                why: 'for the cord of the pump under the pair',
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
            ...($cutting->adapter ? [$this->named(
                'adapter-disc',
                NeedKind::Part,
                $tub->count,
                why: 'between the mouth and its smaller cup',
            ), $this->knife(), $this->tool('compass', 'to draw the adapter’s circles')] : []),
            ...($tub->holes->traced && ! $cutting->inMouth ? [$this->knife()] : []),
        ];
    }

    /** @return list<Need> what a bottle that is cut open takes: a knife, and tape for its edge */
    private function bottle(): array
    {
        $vessel = $this->plan->tub->body->vessel;
        $edge = $vessel->profile->mouth()->perimeter();

        return $vessel->kind !== VesselKind::Bottle ? [] : [
            $this->knife(),
            $this->named(
                'masking-tape',
                NeedKind::Consumable,
                $edge * $this->plan->tub->count,
                'mm',
                NeedStage::Vessel,
                'round the cut edge of each',
            ),
        ];
    }

    /** @return list<Need> what is on any bench where a tub is built: to mark out, to measure the fill, to smooth what was cut */
    private function bench(): array
    {
        $cut = ! $this->plan->cutting->inMouth && ! $this->plan->tub->holes->drilled;

        return [
            $this->tool('jug', 'to measure the fill by'),
            $this->tool('thermometer', 'water in the tub and the mix'),
            ...($cut ? [
                $this->tool('marker', 'to mark holes'),
                $this->tool('rule', 'to mark out by'),
                $this->tool('file', 'to smooth what was cut'),
            ] : []),
        ];
    }

    /** @return list<Need> what may be left out, as the garden asks for it */
    private function extras(): array
    {
        $tub = $this->plan->tub;
        $write = new QuantityWriter($this->garden->units);
        $rim = $tub->body->vessel->profile->rim();
        $needs = [];
        foreach ($tub->body->extras as $extra) {
            $needs = [...$needs, ...match ($extra) {
                TubExtra::SightTube => [
                    $this->named(
                        'sight-tube',
                        NeedKind::Extra,
                        $rim * $tub->count,
                        'mm',
                        why: "{$write->run($rim)} up the outside of each",
                    ),
                    $this->named('bulkhead', NeedKind::Extra, $tub->count, why: 'through the wall at the foot of a sight tube'),
                    $this->named('elbow', NeedKind::Extra, $tub->count, why: 'turns a sight tube upward'),
                    new Need(
                        'drill-bit-'.TubExtra::BULKHEAD_HOLE_MM,
                        'Drill bit '.TubExtra::BULKHEAD_HOLE_MM.' mm',
                        NeedKind::Tool,
                        1,
                        stage: NeedStage::Air,
                        shared: true,
                        why: 'for the bulkhead of a sight tube',
                    ),
                    self::drill($this->library),
                ],
                TubExtra::Battens => [
                    $this->named(
                        'batten',
                        NeedKind::Extra,
                        TubExtra::BATTENS * $tub->count,
                        why: TubExtra::BATTENS.' under each, off a cold floor',
                    ),
                ],
                TubExtra::DrillGuide => [
                    new Need(
                        'drill-guide',
                        $this->library->partName('drill-guide'),
                        NeedKind::Extra,
                        1,
                        shared: true,
                        why: 'holds saw and bit upright',
                    ),
                ],
            }];
        }

        return $needs;
    }

    /** What masks the sight strip, and holds edges. */
    private function tape(): Need
    {
        $write = new QuantityWriter($this->garden->units);
        $rim = $this->plan->tub->body->vessel->profile->rim();

        return $this->named(
            'masking-tape',
            NeedKind::Consumable,
            2 * $rim * $this->plan->tub->count,
            'mm',
            NeedStage::Vessel,
            "two strips of {$write->run($rim)} beside the sight strip of each",
        );
    }

    private function tool(string $key, string $why): Need
    {
        return new Need($key, $this->library->partName($key), NeedKind::Tool, 1, shared: true, why: $why);
    }

    /** "9", or "2 × 9" of two tubs alike. */
    private static function times(int $each, int $tubs): string
    {
        return $tubs === 1 ? (string) $each : "$tubs × $each";
    }

    /**
     * What turns saws and bits; one serves the whole garden, and none is needed where nothing is drilled.
     *
     * @param  list<string>  $for  ids of the tubs that it serves, where the need is not a tub's own
     */
    public static function drill(Library $library, array $for = []): Need
    {
        return new Need('drill', $library->partName('drill'), NeedKind::Tool, 1, shared: true, why: 'turns saws and bits', for: $for);
    }

    private function knife(): Need
    {
        return new Need(
            'knife',
            $this->library->partName('knife'),
            NeedKind::Tool,
            1,
            stage: NeedStage::System,
            shared: true,
            why: 'cuts what no saw does',
        );
    }

    private function named(
        string $key,
        NeedKind $kind,
        float $amount,
        string $unit = 'piece',
        NeedStage $stage = NeedStage::System,
        string $why = '',
    ): Need {
        return new Need($key, $this->library->partName($key), $kind, $amount, $unit, $stage, why: $why);
    }
}
