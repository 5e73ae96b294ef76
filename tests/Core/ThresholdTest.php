<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use Tests\Core\Gardens;

/**
 * The input at which a finding comes: halves the way between one without it and one with it.
 *
 * @param  callable(float): Garden  $garden
 */
function comesAt(callable $garden, float $without, float $with, string $finding): float
{
    $there = static fn (float $x): bool => in_array($finding, Gardens::findings($garden($x)), true);
    expect($there($without))->toBeFalse("$finding is there at $without")->and($there($with))->toBeTrue("$finding is not there at $with");
    while (abs($with - $without) > 1.0e-6 * abs($with)) {
        $middle = ($without + $with) / 2;
        if ($middle === $without || $middle === $with) {
            break;
        }
        [$without, $with] = $there($middle) ? [$without, $middle] : [$middle, $with];
    }

    return $with;
}

/** @return array<string, mixed> a tote of the given inside, straight, with a lid as wide as its mouth */
function box(float $length, float $width, float $height, array $more = []): array
{
    $section = ['length_mm' => $length, 'width_mm' => $width, 'corner_radius_mm' => 0];

    return ['kind' => 'tote', 'stations' => [['height_mm' => 0, ...$section], ['height_mm' => $height, ...$section]], ...$more];
}

/**
 * @return array<string, mixed> an aerated box with one cup, deep enough that the water stands at a line; pebbles weigh as they will
 */
function filledTo(float $line, array $vessel): array
{
    return [
        'vessel' => $vessel,
        'cup' => [
            'lip_diameter_mm' => 58,
            'top_diameter_mm' => 50,
            'bottom_diameter_mm' => 36,
            'height_mm' => $vessel['stations'][1]['height_mm'] - 20 - $line,
        ],
        'layout' => ['pattern' => 'single'],
    ];
}

/** @return array<string, mixed> a layout by hand */
function byHand(array ...$points): array
{
    return ['pattern' => 'manual', 'holes' => array_map(static fn (array $p): array => ['x_mm' => $p[0], 'y_mm' => $p[1]], $points)];
}

it('speaks up just past the mark, and not before it', function (
    callable $garden,
    float $without,
    float $with,
    string $finding,
    float $threshold,
    ?callable $figure = null,
) {
    $at = comesAt($garden, $without, $with, $finding);
    $value = $figure === null ? $at : $figure($garden($at));

    expect($value)->toEqualWithDelta($threshold, max(abs($threshold), 1.0) * 1.0e-4);
})->with(function () {
    $site = static fn (string $key, array $tub = []): callable => static fn (float $x): Garden => Gardens::tub(
        $tub,
        ['site' => [$key => $x]],
    );
    $report = static fn (string $part, string $key): callable => static fn (Garden $g): float => Gardens::report($g)->tubs[0]->$part->$key;
    $kg = static fn (Garden $g): float => Gardens::report($g)->tubs[0]->mass_kg;

    // Vessel
    yield 'more than a person lifts' => [
        static fn (float $x) => Gardens::tub(filledTo($x, box(400, 300, 300))), 50, 250, 'mind vessel.heavy', 20, $kg,
    ];
    $shelf = static fn (float $x): Garden => Gardens::tub(filledTo(150, box(400, 300, 300)), [
        'site' => ['shelf_limit_kg' => $x],
    ]);
    $kilos = $kg($shelf(50));
    yield 'a shelf loaded over four fifths' => [$shelf, $kilos * 2, $kilos * 1.1, 'mend vessel.shelf', $kilos / 0.8];
    yield 'a shelf overloaded' => [$shelf, $kilos * 1.1, $kilos * 0.9, 'stop vessel.shelf', $kilos];
    yield 'a shelf under several' => [
        static fn (float $x) => Gardens::tub([...filledTo(150, box(400, 300, 300)), 'count' => 3], ['site' => ['shelf_limit_kg' => $x]]),
        $kilos * 6, $kilos * 3.1, 'mend vessel.shelf', 3 * $kilos / 0.8,
    ];
    $long = static fn (float $l, float $h, float $share): Garden => Gardens::tub(filledTo($share * $h, box($l, 300, $h)));
    yield 'long enough to bow' => [static fn (float $x) => $long($x, 300, 0.75), 500, 700, 'mind vessel.bow', 600];
    yield 'deep enough to bow' => [static fn (float $x) => $long(700, $x, 0.75), 200, 300, 'mind vessel.bow', 250];
    yield 'full enough to bow' => [static fn (float $x) => $long(700, 300, $x), 0.5, 0.8, 'mind vessel.bow', 0.7];
    $label = static fn (float $x): Garden => Gardens::tub(['vessel' => box(400, 250, 300, ['label_l' => $x])]);
    yield 'less than the label' => [$label, 29, 31, 'mind vessel.label', 30];
    yield 'a quarter more than the label' => [$label, 29, 20, 'mind vessel.label', 24];
    $bag = static fn (float $width, float $length): Garden => Gardens::tub([
        'vessel' => box(400, 250, 300, ['opacity' => 'clear', 'cover' => ['liner' => ['width_mm' => $width, 'length_mm' => $length]]]),
    ]);
    yield 'a bag too narrow' => [static fn (float $x) => $bag($x, 900), 800, 500, 'mend vessel.liner', (2 * 650 + 40) / 2];
    yield 'a bag too short' => [static fn (float $x) => $bag(900, $x), 800, 500, 'mend vessel.liner', 300 + 125 + 150];

    // Cup
    $hole = static fn (float $x): Garden => Gardens::tub(['vessel' => box(120, 120, 300), 'hole_mm' => $x]);
    yield 'a lip that hardly bears' => [$hole, 54, 56, 'mend cup.bearing', 1.5, $report('hole', 'bearing_mm')];
    $thin = static fn (float $x): Garden => Gardens::tub(['vessel' => 'bucket-5', 'hole_mm' => $x]);
    yield 'a lip that hardly bears on a thin lid' => [$thin, 54, 56, 'stop cup.bearing', 1.5, $report('hole', 'bearing_mm')];
    $loose = ['lip_diameter_mm' => 70, 'top_diameter_mm' => 50, 'bottom_diameter_mm' => 36, 'height_mm' => 52];
    yield 'a cup that wobbles' => [
        static fn (float $x) => Gardens::tub(['vessel' => box(120, 120, 300), 'cup' => $loose, 'hole_mm' => $x]),
        52, 56, 'mind cup.play', 4, $report('hole', 'play_mm'),
    ];
    yield 'a cup through its hole' => [$hole, 56, 60, 'stop cup.falls-through', 58];
    yield 'a cup wedged' => [$hole, 52, 48, 'mind cup.wedged', 50];
    yield 'a cup that does not enter' => [$hole, 40, 30, 'stop cup.does-not-enter', 36];
    $two = static fn (float $height): Garden => Gardens::tub([
        'vessel' => 'tote-45',
        'cups_2' => [...$loose, 'height_mm' => $height],
        'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -120, 'y_mm' => 0], ['x_mm' => 120, 'y_mm' => 0, 'cup' => 2]]],
    ]);
    yield 'a second cup that hangs lower' => [$two, 60, 90, 'mind cup.uneven', 52 + 25];
    yield 'a second cup that hangs higher' => [$two, 40, 20, 'mind cup.uneven', 52 - 25];

    // Lid: straight walls, cups of 58/50/36 in holes of 54
    $lid = static fn (array $points, string $make = 'plain', array $more = []): Garden => Gardens::tub([
        'vessel' => box(500, 300, 300, ['lid' => [
            'length_mm' => 500, 'width_mm' => 300, 'corner_radius_mm' => 0, 'make' => $make, ...$more['lid'] ?? [],
        ]]),
        'hole_mm' => $more['hole'] ?? 54,
        'layout' => byHand(...$points),
    ]);
    $pair = static fn (string $make, float $hole): callable => static fn (float $x): Garden => $lid(
        [[0, 0], [$x, 0]],
        $make,
        ['hole' => $hole],
    );
    yield 'lips that touch' => [$pair('plain', 54), 70, 50, 'stop lid.lips', 58 + 3];
    yield 'a narrow web' => [$pair('plain', 54), 80, 60, 'mend lid.web', 54 + 15];
    yield 'a narrow web on a ribbed lid' => [$pair('ribbed', 54), 80, 60, 'mend lid.web', 54 + 10];
    yield 'a narrow web on a thin lid' => [$pair('thin', 54), 90, 60, 'mend lid.web', 54 + 25];
    yield 'no web' => [$pair('plain', 54), 60, 50, 'stop lid.web', 54];
    yield 'webs narrow against their pitch' => [$pair('plain', 54), 70, 55, 'mend lid.ligament', 54 / 0.85];
    yield 'a hole near the edge' => [static fn (float $x) => $lid([[0, 0], [$x, 0]]), 190, 220, 'mend lid.edge', 250 - 27 - 20];
    yield 'a hole near the edge of a thin lid' => [
        static fn (float $x) => $lid([[0, 0], [$x, 0]], 'thin'), 190, 220, 'mend lid.edge', 250 - 27 - 30,
    ];
    yield 'a hole over the edge' => [static fn (float $x) => $lid([[0, 0], [$x, 0]]), 200, 240, 'stop lid.edge', 250 - 27];
    $wide = ['lid' => ['length_mm' => 700]];
    yield 'a cup near the wall' => [
        static fn (float $x) => $lid([[0, 0], [$x, 0]], 'plain', $wide), 200, 222, 'mend lid.wall', 250 - 25 - 5,
    ];
    yield 'a cup in the wall' => [static fn (float $x) => $lid([[0, 0], [$x, 0]], 'plain', $wide), 200, 250, 'stop lid.wall', 250 - 25];
    $latch = ['lid' => ['keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'length_mm' => 40, 'width_mm' => 40]]]];
    yield 'a cup near a latch' => [static fn (float $x) => $lid([[$x, 0]], 'plain', $latch), 80, 40, 'mend lid.keep-out', 20 + 29 + 5];
    $share = static fn (Garden $g): float => Gardens::report($g)->tubs[0]->layout->removed_pct;
    $holes = static fn (float $x): Garden => Gardens::tub([
        'vessel' => box(160, 160, 300), 'hole_mm' => $x, 'layout' => byHand([-40, -40], [-40, 40], [40, -40], [40, 40]),
    ]);
    yield 'over a third cut away' => [$holes, 40, 60, 'mind lid.removed', 35, $share];
    yield 'over half cut away' => [$holes, 60, 80, 'stop lid.removed', 50, $share];
    yield 'crowded on a lid that leaves no room to lean out' => [
        static fn (float $x) => Gardens::tub([
            'vessel' => [
                'kind' => 'bucket',
                'stations' => [['height_mm' => 0, 'diameter_mm' => 300], ['height_mm' => 300, 'diameter_mm' => 300]],
                'lid' => ['diameter_mm' => $x],
            ],
            'crop' => 'lettuce-leaf',
            'layout' => byHand([-75, 0], [75, 0]),
        ]), 349, 351, 'mind crop.spacing', 350,
    ];

    // Crop
    $apart = static fn (string $density, float $width): callable => static fn (float $x): Garden => Gardens::tub([
        'vessel' => box(600, $width, 300), 'crop' => 'lettuce-leaf', 'density' => $density, 'layout' => byHand([-$x / 2, 0], [$x / 2, 0]),
    ]);
    yield 'a little close' => [$apart('roomy', 400), 180, 150, 'mind crop.spacing', 170];
    yield 'close' => [$apart('roomy', 400), 150, 120, 'mend crop.spacing', 0.8 * 170];
    yield 'a little close for the tight school' => [$apart('tight', 400), 180, 150, 'mind crop.spacing', 170];
    yield 'close for the tight school' => [$apart('tight', 400), 130, 80, 'mend crop.spacing', 0.6 * 170];
    yield 'close on a small lid' => [static fn (float $x) => Gardens::tub([
        'vessel' => box(340, 340, 300), 'crop' => 'lettuce-leaf', 'layout' => byHand([-$x / 2, 0], [$x / 2, 0]),
    ]), 130, 100, 'mend crop.spacing', 0.8 * 0.8 * 170];
    $litres = static fn (string $density): callable => static fn (float $x): Garden => Gardens::tub([
        'vessel' => box(500, 400, $x), 'crop' => 'basil', 'density' => $density,
        'layout' => ['pattern' => 'grid', 'cups' => 6],
    ]);
    $wants = 6 * Gardens::library()->crops->get('basil')->litresPerPlant;
    $perPlant = static fn (Garden $g): float => Gardens::report($g)->tubs[0]->volume->working_l / $wants;
    yield 'a little short of water' => [$litres('roomy'), 300, 155, 'mind crop.water', 1.0, $perPlant];
    yield 'short of water' => [$litres('roomy'), 300, 100, 'mend crop.water', 0.8, $perPlant];
    yield 'a little short of water for the tight school' => [$litres('tight'), 300, 140, 'mind crop.water', 1.0, $perPlant];
    yield 'short of water for the tight school' => [$litres('tight'), 200, 90, 'mend crop.water', 0.35, $perPlant];
    $lettuce = ['crop' => 'lettuce-leaf'];
    yield 'warm water' => [$site('water_temperature_c', $lettuce), 22, 24, 'mind crop.temperature', 23];
    yield 'very warm water' => [$site('water_temperature_c', $lettuce), 24, 29, 'mend crop.temperature', 23 + 4];
    yield 'cold water' => [$site('water_temperature_c', $lettuce), 17, 15, 'mind crop.temperature', 16];
    yield 'very cold water' => [$site('water_temperature_c', $lettuce), 15, 10, 'mend crop.temperature', 16 - 4];
    yield 'little light' => [$site('light_hours', $lettuce), 14, 10, 'mind crop.light', 0.75 * 16];
    yield 'a low ceiling' => [$site('headroom_mm', $lettuce), 300, 200, 'mind crop.headroom', 220];

    // Still water
    $still = static fn (float $width, array $more = []): Garden => Gardens::tub([
        'system' => 'passive', 'vessel' => box(180, $width, 400), 'crop' => 'lettuce-leaf', 'layout' => ['pattern' => 'single'], ...$more,
    ]);
    $gap = static fn (float $share): callable => static function (Garden $g) use ($share): float {
        $run = Gardens::fed($g)->run();

        return $run->tub->gapAt((float) $run->levelAt($share * $run->harvestDay()));
    };
    yield 'too little air half-way' => [$still, 150, 300, 'mind passive.gap', 10, $gap(0.5)];
    yield 'too little air at harvest' => [
        static fn (float $x) => $still(120, ['planned_top_ups' => [['day' => 31, 'litres' => $x]]]),
        1, 4, 'mind passive.gap', 25, $gap(1.0),
    ];
    $poured = static fn (float $day): callable => static fn (float $x): Garden => Gardens::tub([
        'system' => 'passive', 'vessel' => box(400, 300, 300), 'crop' => 'lettuce-leaf', 'top_ups' => 'none',
        'layout' => ['pattern' => 'grid', 'cups' => 2], 'planned_top_ups' => [['day' => $day, 'litres' => $x]],
    ]);
    yield 'more than a quarter at a time' => [
        $poured(5), 6, 10, 'mend passive.top-up', 0.25, static fn (Garden $g): float => $g->tubs[0]->water->plannedTopUps[0]->litres
            / Gardens::tubPlan($g)->water->working(),
    ];

    // Air
    yield 'warm whatever grows' => [$site('water_temperature_c'), 23, 25, 'mind air.warm', 24];
    $steady = $report('oxygen', 'steady_mg_l');
    $breathing = static fn (string $density): callable => static fn (float $x): Garden => Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'tomato-dwarf', 'density' => $density, 'layout' => ['pattern' => 'grid', 'cups' => 4]],
        [],
        ['pump' => 'pump-8w-4', 'branches' => [['tub' => 'tub', 'valve' => $x]]],
    );
    yield 'oxygen to keep an eye on' => [$breathing('roomy'), 1, 0.43, 'mind air.oxygen', 6, $steady];
    yield 'little oxygen' => [$breathing('roomy'), 1, 0.25, 'mend air.oxygen', 5, $steady];
    yield 'little oxygen for the tight school' => [$breathing('tight'), 1, 0.15, 'mend air.oxygen', 6, $steady];
    yield 'no oxygen to speak of' => [$breathing('roomy'), 1, 0.1, 'stop air.oxygen', 3, $steady];
    $valve = static fn (float $x): Garden => Gardens::tub([], [], ['branches' => [['tub' => 'tub', 'valve' => $x]]]);
    $each = static fn (Garden $g): float => Gardens::report($g)->air[0]->branches[0]->per_stone_l_min;
    yield 'a stone that gets little' => [$valve, 1, 0.02, 'mend air.weak', 0.5, $each];
    yield 'a stone driven hard' => [
        static fn (float $x) => Gardens::tub([], [], ['pump' => 'pump-8w-4', 'branches' => [['tub' => 'tub', 'valve' => $x]]]),
        0.1, 1, 'mind air.over', 3, $each,
    ];
    yield 'a far cup' => [
        static fn (float $x) => Gardens::tub(['vessel' => box(900, 300, 300), 'layout' => byHand([-$x, 0], [$x, 0])]),
        150, 300, 'mind air.far-cup', 200,
    ];
    $line = static fn (array $more = []): callable => static fn (float $x): Garden => Gardens::tub([
        ...filledTo($x, box(400, 300, 300)), ...$more,
    ]);
    // Two fifths of a line under 200.
    yield 'little water over the stones' => [$line(), 200, 22, 'mend air.shallow', 20 / 0.6];
    yield 'little water over stones held high' => [
        $line(['stones' => ['kind' => 'disc-100', 'height_mm' => 60]]), 200, 70, 'mend air.shallow', 60 / 0.6,
    ];
    // The water starts at the cups, twenty over the line.
    yield 'a tube hole near the water' => [$line(), 200, 270, 'mend air.entry', 300 - 25 - 15 - 20];

    // Other systems
    $foam = static fn (array $raft): Garden => Gardens::tub([
        'system' => 'raft', 'vessel' => box(600, 400, 250), 'crop' => 'cabbage-mini', 'cup' => 'net-cup-75', 'raft' => $raft,
        'layout' => ['pattern' => 'grid', 'cups' => 2],
    ]);
    $dip = static fn (Garden $g): float => (float) Gardens::tubPlan($g)->dip();
    $thick = static fn (float $x): Garden => $foam(['thickness_mm' => $x]);
    yield 'cups that hang dry' => [$thick, 60, 90, 'mend raft.dip', 0, $dip];
    yield 'cups that stand in the water' => [$thick, 65, 30, 'mind raft.dip', 25, $dip];
    $load = static function (Garden $g): float {
        $plan = Gardens::tubPlan($g);

        return $plan->raftLoad() / $plan->cutting->raft->carries($plan->holes->area());
    };
    yield 'a board that rides wet' => [$thick, 80, 15, 'mend raft.sinks', 0.5, $load];
    yield 'a board that goes under' => [$thick, 80, 8, 'stop raft.sinks', 1.0, $load];
    $stems = static fn (float $x): Garden => Gardens::tub(['system' => 'cloner', 'cloner' => ['stem_below_cup_mm' => $x]]);
    $end = static fn (Garden $g): float => Gardens::report($g)->tubs[0]->levels->cup_bottom_mm - $g->tubs[0]->water->cloner->stemBelowCup;
    yield 'stems too long for the tub' => [$stems, 30, 290, 'stop cloner.shallow', 50, $end];
    $drip = static fn (string $key): callable => static fn (float $x): Garden => Gardens::tub([
        'system' => 'nursery', 'vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 6], 'nursery' => [$key => $x],
    ]);
    yield 'a drip too thin' => [$drip('flow_l_h'), 20, 3, 'mend nursery.flow', 6 * 1];
    yield 'a drip too strong' => [$drip('flow_l_h'), 60, 200, 'mind nursery.flow', 6 * 20];
    yield 'a rest too long' => [$drip('off_min'), 60, 200, 'mend nursery.dry', 120];
    $nested = static fn (float $blocks, float $width, array $air = []): Garden => Gardens::tub([
        'vessel' => box(400, 300, 300), 'under' => ['vessel' => box($width, 400, 300), 'blocks_mm' => $blocks],
    ], [], $air);
    yield 'no room for the pump below' => [static fn (float $x) => $nested($x, 500), 80, 50, 'mend under.room', 70];
    yield 'walls that do not go in' => [static fn (float $x) => $nested(80, $x), 420, 400, 'stop under.too-wide', 400 + 2 * 2.5];
    yield 'a tube pinched between walls' => [
        static fn (float $x) => $nested(80, $x, ['pump' => 'pump-4w-2']), 430, 410, 'mend under.tube', 400 + 2 * 2.5 + 2 * 6,
    ];
});
