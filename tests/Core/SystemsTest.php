<?php

declare(strict_types=1);

use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Vessel\LinerBag;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\TapeMeasure;
use Tests\Core\Gardens;

/** A cone from 200 across at the floor to 260 at 300 high: it narrows by 0.2 mm for each mm down. */
function cone(): Profile
{
    return new Profile([new Station(0, CrossSection::circle(200)), new Station(300, CrossSection::circle(260))]);
}

it('lets a raft down until the walls are as narrow as the board', function () {
    // At 250 the cone is 250 across; the board 240; the cone is 240 across at 200.
    $raft = Raft::cut(cone(), 250, 50, 5);

    expect($raft?->board->length)->toEqualWithDelta(240, 1e-9)
        ->and($raft?->jamLevel)->toEqualWithDelta(200, 1e-5)
        ->and($raft?->travel())->toEqualWithDelta(50, 1e-5)
        // 1 L of water more for every litre pushed aside: π/4·240² mm² · 50 mm · (1 − 0.03).
        ->and($raft?->carries(0))->toEqualWithDelta(M_PI / 4 * 0.24 ** 2 * 50 * 0.97, 1e-9)
        // 1 kg on 0.04524 m² sits 22.10 mm deep, and the board itself 1.5.
        ->and($raft?->draught(1.0, 0))->toEqualWithDelta(22.1048 + 1.5, 1e-3)
        ->and(Raft::cut(cone(), 250, 50, 130))->toBeNull();
});

it('never jams in straight walls, and at a step jams on it', function () {
    $straight = new Profile([new Station(0, CrossSection::circle(250)), new Station(300, CrossSection::circle(250))]);
    $stepped = new Profile(
        [
            new Station(0, CrossSection::rectangle(300, 200, 0)),
            new Station(120, CrossSection::rectangle(300, 200, 0)),
            new Station(120, CrossSection::rectangle(360, 260, 0)),
            new Station(300, CrossSection::rectangle(360, 260, 0)),
        ],
    );

    expect(Raft::cut($straight, 250, 40, 5)?->jamLevel)->toBe(0.0)
        ->and(Raft::cut($stepped, 250, 40, 5)?->jamLevel)->toEqualWithDelta(120, 1e-4);
});

it('floats a raft fifty under the rim, its cups seven and a half in the water', function () {
    $tub = Gardens::report(Gardens::tub(['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf']))->tubs[0];
    $given = Gardens::report(
        Gardens::tub(['system' => 'raft', 'vessel' => 'tote-45', 'raft' => ['below_rim_mm' => 80, 'gap_mm' => 8]]),
    )->tubs[0];
    $stations = $tub->shape->stations;
    $rim = $stations[1]->height_mm;
    $wide = $stations[0]->length_mm + ($stations[1]->length_mm - $stations[0]->length_mm) * ($rim - 50) / $rim;

    expect($tub->levels->water_line_mm)->toEqualWithDelta($rim - 50, 1e-9)
        ->and($tub->levels->cup_bottom_mm)->toEqualWithDelta($rim - 57.5, 1e-9)
        ->and($tub->shape->lid->length_mm)->toEqualWithDelta($wide - 10, 1e-6)
        ->and($tub->raft->board->length_mm)->toBe($tub->shape->lid->length_mm)
        ->and($given->levels->water_line_mm)->toEqualWithDelta($rim - 80, 1e-9)
        // A wider gap goes down farther.
        ->and($given->raft->travel_mm)->toBeGreaterThan($tub->raft->travel_mm)
        ->and($tub->raft->litres_till_jam)->toBeGreaterThan(0)
        ->and($tub->season->jam_day)->toEqualWithDelta($tub->season->dry_day, 1e-6);
});

it('finds what is wrong with a raft', function (array $raft, string $finding, array $tub = []) {
    expect(
        Gardens::findings(Gardens::tub(['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'raft' => $raft, ...$tub])),
    )->toContain($finding);
})->with([
    'no board left' => [['gap_mm' => 190], 'stop raft.gap'],
    'cups clear of the water' => [['thickness_mm' => 80], 'mend raft.dip'],
    'cups sodden' => [['thickness_mm' => 20], 'mind raft.dip'],
    'jams when nobody tops up' => [['gap_mm' => 1], 'mind raft.jams', ['top_ups' => 'none', 'reservoir_change' => 'never']],
]);

it('sinks a raft under fruit', function () {
    $heavy = fn (string $crop) => Gardens::findings(
        Gardens::tub(
            ['system' => 'raft', 'vessel' => 'tote-20', 'crop' => $crop, 'raft' => ['thickness_mm' => 20], 'layout' => ['cups' => 4]],
        ),
    );

    expect($heavy('sweet-pepper'))->toContain('stop raft.sinks')
        ->and(array_filter($heavy('rocket'), fn (string $f) => str_contains($f, 'sinks')))->toBe([]);
});

it('keeps a cloner\'s water fifty under the stems', function () {
    $tub = fn (array $cloner, string $vessel = 'tray-16') => Gardens::report(
        Gardens::tub(
            ['system' => 'cloner', 'vessel' => $vessel, 'cup' => 'collar-35', 'crop' => 'soft-cuttings', 'cloner' => (object) $cloner],
        ),
    );
    $plain = $tub([])->tubs[0];
    $hanging = $tub(['stem_below_cup_mm' => 25, 'collar' => true]);
    $parts = array_column($hanging->parts, 'need', 'key');

    expect($plain->levels->water_line_mm)->toEqualWithDelta($plain->levels->cup_bottom_mm - 50, 1e-9)
        ->and($hanging->tubs[0]->levels->water_line_mm)->toEqualWithDelta($plain->levels->water_line_mm - 25, 1e-9)
        ->and($hanging->tubs[0]->cloner->stem_end_mm)->toEqualWithDelta($plain->levels->cup_bottom_mm - 25, 1e-9)
        ->and($plain->media->pebbles_l)->toBeGreaterThan(0)
        ->and($hanging->tubs[0]->media->pebbles_l)->toBe(0.0)
        ->and($hanging->tubs[0]->media->plugs)->toBe(0)
        ->and($parts['foam-collar'])->toBe((float) $hanging->tubs[0]->layout->count)
        ->and($parts)->not->toHaveKey('clay-pebbles')
        ->and($plain->capacity->by_water)->toBeNull()
        ->and(
            array_map(fn ($f) => "$f->severity $f->code", $tub(['stem_below_cup_mm' => 120])->findings),
        )->toContain('stop cloner.shallow');
});

it('reckons a nursery\'s pump, its cycle and its flow', function () {
    // 60 L/h for a quarter of the time: 360 L a day; to eight cups 7.5 L/h each while it runs.
    $drip = new DripCycle(60, 15, 45);
    $report = Gardens::report(
        Gardens::tub(
            [
                'system' => 'nursery',
                'vessel' => 'tote-12',
                'crop' => 'lettuce-leaf',
                'layout' => ['cups' => 8],
                'nursery' => ['flow_l_h' => 60, 'on_min' => 15, 'off_min' => 45],
            ],
        ),
    );
    $nursery = $report->tubs[0]->nursery;

    expect([$drip->duty(), $drip->litresADay(), $drip->perCup(8), $drip->perCup(0)])->toBe([0.25, 360.0, 7.5, null])
        ->and([$nursery->litres_day, $nursery->per_cup_l_h])->toBe([360.0, 7.5])
        ->and($nursery->turnovers_day)->toEqualWithDelta(360 / $report->tubs[0]->volume->working_l, 1e-9)
        ->and(array_column($report->parts, 'need', 'key'))->toHaveKeys(['water-pump', 'timer', 'drip-tube'])
        ->and($report->tubs[0]->levels->water_line_mm)->toEqualWithDelta($report->tubs[0]->levels->cup_bottom_mm - 20, 1e-9);
});

it('finds what is wrong with a nursery', function (array $nursery, string $finding) {
    expect(
        Gardens::findings(Gardens::tub(['system' => 'nursery', 'vessel' => 'tote-12', 'layout' => ['cups' => 8], 'nursery' => $nursery])),
    )->toContain($finding);
})->with([
    'too little' => [['flow_l_h' => 6], 'mend nursery.flow'],
    'too much' => [['flow_l_h' => 400], 'mind nursery.flow'],
    'too long dry' => [['on_min' => 10, 'off_min' => 240], 'mend nursery.dry'],
]);

it('stands one vessel in another', function () {
    $vessel = Gardens::tubPlan(
        Gardens::tub(
            ['vessel' => [
                'stations' => [
                    ['height_mm' => 0, 'length_mm' => 500, 'width_mm' => 300],
                    ['height_mm' => 300, 'length_mm' => 500, 'width_mm' => 300],
                ],
            ]],
        ),
    )->tub->body->vessel;
    $upper = new Profile([new Station(0, CrossSection::rectangle(400, 200, 0)), new Station(200, CrossSection::rectangle(460, 260, 0))]);
    $pair = NestedPair::of($upper, 3, $vessel, 80);

    // The rim, at 283, lies under the lower one's at 300: (500 − 460)/2 − 2.5 mm of wall are left there, the narrowest.
    expect($pair->gap)->toEqualWithDelta(17.5, 1e-9)
        ->and($pair->narrowestAt)->toEqualWithDelta(283, 1e-9)
        ->and($pair->above)->toEqualWithDelta(-17, 1e-9)
        ->and($pair->goesIn())->toBeTrue()
        ->and(NestedPair::of($upper, 3, $vessel, 200)->above)->toEqualWithDelta(103, 1e-9)
        // Only the lowest 97 mm overlap then: at 300 it is 400 + 60·97/200 = 429.1 across.
        ->and(NestedPair::of($upper, 3, $vessel, 200)->gap)->toEqualWithDelta((500 - 429.1) / 2 - 2.5, 1e-9)
        ->and(
            NestedPair::of(
                new Profile([new Station(0, CrossSection::rectangle(520, 200, 0)), new Station(200, CrossSection::rectangle(520, 200, 0))]),
                3,
                $vessel,
                80,
            )->goesIn(),
        )->toBeFalse();
});

it('lifts what stands in another, houses its pump below the water, and buys both', function () {
    $under = ['vessel' => 'tote-64', 'blocks_mm' => 90];
    $alone = Gardens::tub(['vessel' => 'tote-30', 'crop' => 'rocket'], [], ['check_valve' => false, 'above_water' => true]);
    $pair = Gardens::tub(
        ['vessel' => 'tote-30', 'crop' => 'rocket', 'under' => $under],
        [],
        ['check_valve' => false, 'above_water' => true],
    );
    $report = Gardens::report($pair);
    $parts = array_column($report->parts, 'need', 'key');

    expect(Gardens::findings($alone))->not->toContain('stop air.siphon')
        ->and(Gardens::findings($pair))->toContain('stop air.siphon')
        ->and($parts)->toHaveKeys(['tote-30', 'tote-64', 'block'])
        ->and($report->tubs[0]->under->room_mm)->toBe(90.0)
        ->and($report->tubs[0]->mass_kg)->toBeGreaterThan(Gardens::report($alone)->tubs[0]->mass_kg)
        ->and(Gardens::tubPlan($pair)->tub->body->floorHeight())->toEqualWithDelta(
            90 + 3 + Gardens::tubPlan($pair)->fittings->pair->lower->floor,
            1e-9,
        )
        ->and(
            Gardens::findings(Gardens::tub(['vessel' => 'tote-30', 'under' => ['vessel' => 'tote-64', 'blocks_mm' => 30]])),
        )->toContain('mend under.room')
        ->and(
            Gardens::findings(Gardens::tub(['vessel' => 'tote-90', 'under' => ['vessel' => 'tote-20', 'blocks_mm' => 80]])),
        )->toContain('stop under.too-wide');
});

it('says when the tube would be pinched between the walls', function () {
    $vessel = fn (float $width) => [
        'stations' => [
            ['height_mm' => 0, 'length_mm' => $width, 'width_mm' => 300],
            ['height_mm' => 250, 'length_mm' => $width, 'width_mm' => 300],
        ],
    ];
    $lower = [
        'stations' => [
            ['height_mm' => 0, 'length_mm' => 500, 'width_mm' => 400],
            ['height_mm' => 350, 'length_mm' => 500, 'width_mm' => 400],
        ],
    ];
    $findings = fn (float $width) => Gardens::findings(
        Gardens::tub(['vessel' => $vessel($width), 'under' => ['vessel' => $lower, 'blocks_mm' => 80]]),
    );

    // (500 − 484)/2 − 2.5 = 5.5 mm for a tube of 6; with 480 there are 7.5.
    expect($findings(484))->toContain('mend under.tube')->and($findings(480))->not->toContain('mend under.tube');
});

it('cuts a bottle and keeps what is below', function () {
    $whole = new Profile(
        [
            new Station(0, CrossSection::circle(100)),
            new Station(200, CrossSection::circle(100)),
            new Station(280, CrossSection::circle(28)),
        ],
    );
    $cut = $whole->cutAt(150);
    $bottle = [
        'kind' => 'bottle',
        'stations' => [
            ['height_mm' => 0, 'diameter_mm' => 100],
            ['height_mm' => 200, 'diameter_mm' => 100],
            ['height_mm' => 280, 'diameter_mm' => 28],
        ],
        'cut_mm' => 150,
    ];

    expect($cut->rim())->toBe(150.0)
        ->and($cut->brim())->toEqualWithDelta($whole->volumeAt(150), 1e-12)
        ->and($whole->cutAt(240)->mouth()->length)->toEqualWithDelta(64, 1e-9)
        ->and($whole->cutAt(400)->rim())->toBe(280.0)
        ->and(
            Gardens::report(Gardens::tub(['vessel' => $bottle, 'system' => 'passive', 'cup' => 'net-cup-38']))->tubs[0]->levels->rim_mm,
        )->toBe(150.0)
        ->and(Gardens::faults(
            (string) json_encode(
                [
                    'format' => 'kelp-tub.garden',
                    'version' => 1,
                    'tubs' => [['id' => 'b', 'system' => 'passive', 'vessel' => ['cut_mm' => 300] + $bottle]],
                ],
            ),
        ))
        ->toBe(['/tubs/0/vessel/cut_mm: is 300, above the rim at 280; cut lower, or leave it out']);
});

it('knows which liner bag fits', function () {
    // A straight square box 300 × 200, 250 deep: (1000 + 40)/2 flat and 250 + 100 + 150 long.
    $box = new Profile([new Station(0, CrossSection::rectangle(300, 200, 0)), new Station(250, CrossSection::rectangle(300, 200, 0))]);
    $least = LinerBag::leastFor($box);
    $tub = fn (int $width) => Gardens::findings(
        Gardens::tub(
            ['vessel' => [
                'opacity' => 'clear',
                'stations' => [
                    ['height_mm' => 0, 'length_mm' => 300, 'width_mm' => 200],
                    ['height_mm' => 250, 'length_mm' => 300, 'width_mm' => 200],
                ],
                'cover' => ['liner' => ['width_mm' => $width, 'length_mm' => 500]],
            ]],
        ),
    );

    expect([$least->width, $least->length])->toBe([520.0, 500.0])
        ->and((new LinerBag(520, 500))->fits($box))->toBeTrue()
        ->and((new LinerBag(519, 500))->fits($box))->toBeFalse()
        ->and((new LinerBag(520, 499))->fits($box))->toBeFalse()
        ->and($tub(519))->toContain('mend vessel.liner')
        ->and($tub(520))->not->toContain('mend vessel.liner')
        ->and($tub(520))->not->toContain('mend vessel.light');
});

it('turns what a tape says into inside measures', function (TapeMeasure $way, float $measured, float $inside) {
    expect($way->inside($measured, wall: 2.5, rim: 300, floor: 4))->toEqualWithDelta($inside, 1e-9);
})->with([
    'a girth' => [TapeMeasure::Girth, 300 * M_PI, 295],
    'across outside' => [TapeMeasure::Outside, 300, 295],
    'across inside' => [TapeMeasure::Inside, 300, 300],
    'down from the rim' => [TapeMeasure::FromRim, 40, 260],
    'up from the bench' => [TapeMeasure::FromBench, 120, 116],
]);

it('keeps a sight strip on a painted passive tub, and cuts an adapter for a jar whose mouth does not fit', function () {
    $passive = Gardens::report(
        Gardens::tub(
            [
                'system' => 'passive',
                'vessel' => [
                    'opacity' => 'clear',
                    'cover' => 'paint',
                    'stations' => [['height_mm' => 0, 'diameter_mm' => 200], ['height_mm' => 250, 'diameter_mm' => 220]],
                ],
            ],
        ),
    )->tubs[0];
    $jar = fn (string $cup) => Gardens::report(Gardens::tub(['system' => 'passive', 'vessel' => 'jar-1', 'cup' => $cup]));

    expect($passive->sight_strip->to_mm)->toBe($passive->levels->start_line_mm)
        ->and($passive->sight_strip->from_mm)->toBe($passive->levels->lowest_mm)
        ->and(Gardens::report(Gardens::tub())->tubs[0]->sight_strip)->toBeNull()
        ->and($jar('net-cup-75')->tubs[0]->adapter === null || $jar('net-cup-75')->tubs[0]->shape->in_mouth === false)->toBeTrue()
        ->and($jar('net-cup-38')->tubs[0]->adapter->inner_mm)->toBe($jar('net-cup-38')->tubs[0]->hole->diameter_mm)
        ->and($jar('net-cup-38')->tubs[0]->adapter->outer_mm)->toBe($jar('net-cup-38')->tubs[0]->shape->lid->length_mm)
        ->and(array_column($jar('net-cup-38')->parts, 'need', 'key'))->toHaveKey('adapter-disc');
});

it('turns down a board that does not pass the neck', function () {
    // The jar is 110 mm inside and 78 in the neck; a board under the shoulder is wider than that. A bucket only widens.
    expect(
        Gardens::findings(Gardens::tub(['system' => 'raft', 'vessel' => 'jar-15', 'raft' => ['below_rim_mm' => 60]])),
    )->toContain('stop raft.mouth')
        ->and(Gardens::findings(Gardens::tub(['system' => 'raft', 'vessel' => 'bucket-20'])))->not->toContain('stop raft.mouth')
        // Afloat within the neck it comes from above.
        ->and(
            Gardens::findings(Gardens::tub(['system' => 'raft', 'vessel' => 'jar-15', 'raft' => ['below_rim_mm' => 8, 'gap_mm' => 2]])),
        )->not->toContain('stop raft.mouth');
});

it('does not tell a pump that is housed under the water to stand over it', function () {
    $nested = array_column(Gardens::report(Gardens::tub(
        ['under' => ['vessel' => 'tote-90', 'blocks_mm' => 80]],
        [],
        ['check_valve' => false],
    ))->findings, null, 'code')['air.siphon'];
    $beside = array_column(Gardens::report(Gardens::tub([], [], ['check_valve' => false]))->findings, null, 'code')['air.siphon'];

    expect($nested->says)->not->toContain('stand the pump')->and($beside->says)->toContain('stand the pump above the water');
});
