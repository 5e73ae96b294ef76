<?php

declare(strict_types=1);

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Network;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Saturation;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\SubmergedShare;
use KelpTub\Core\Air\Tube;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Feed\DripCycle;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\Raft;
use KelpTub\Core\Units\Unit;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Weight;
use Tests\Core\Gardens;

/** @return array<string, mixed> straight walls, so that volumes are lengths multiplied */
function straightBox(float $length, float $width, float $height): array
{
    $section = ['length_mm' => $length, 'width_mm' => $width, 'corner_radius_mm' => 0];

    return ['kind' => 'tote', 'stations' => [['height_mm' => 0, ...$section], ['height_mm' => $height, ...$section]], 'empty_kg' => 1.2];
}

it('gives bubbles the oxygen and the pressure of their size', function (Bubble $bubble, float $perMetre, float $wetting) {
    $stone = new Stone(null, 'Stone', $bubble, 100, 0.5, 3, 0.0);
    $line = Line::of(new StoneSet($stone, 1, 0.0), 200, new Tube(null, 'Tube', 100, 102), 0, 1.0, 0);
    $opens = 9.81 * 0.2 + $wetting;

    expect(OxygenBalance::standardTransfer($bubble, 1000, 1.0))->toEqualWithDelta($perMetre * 60 * 278.8, 1e-9)
        ->and($line->flowAt($opens - 1e-6))->toBe(0.0)
        ->and($line->flowAt($opens + 1e-6))->toBeGreaterThan(0.0)
        ->and(Line::of(new StoneSet($stone, 1, 0.0), 200, new Tube(null, 'Tube', 100, 102), 0, 1.0, 1)->flowAt($opens + 1 - 1e-6))
        ->toBe(0.0);
})->with([[Bubble::Coarse, 0.025, 1.0], [Bubble::Medium, 0.04, 2.0], [Bubble::Fine, 0.06, 5.0]]);

it('knows what share of the roots takes its oxygen from the water', function (GrowingSystem $system, LineChoice $line, float $share) {
    expect(SubmergedShare::of($system, $line))->toBe($share);
})->with([
    [GrowingSystem::Aerated, LineChoice::Touch, 0.85],
    [GrowingSystem::Aerated, LineChoice::HighStart, 0.85],
    [GrowingSystem::Aerated, LineChoice::Gap, 0.7],
    [GrowingSystem::Aerated, LineChoice::DrawnDown, 0.5],
    [GrowingSystem::Raft, LineChoice::Gap, 0.9],
    [GrowingSystem::Nursery, LineChoice::Gap, 0.3],
    [GrowingSystem::Cloner, LineChoice::Gap, 0.1],
]);

it('reports the demand of the share under water', function (string $system, ?string $line, float $share) {
    $report = Gardens::report(Gardens::tub(
        [
            'system' => $system,
            'water_line' => $line,
            'crop' => 'mizuna',
            'vessel' => 'tote-45',
            'layout' => ['pattern' => 'grid', 'cups' => 4],
        ],
        ['site' => ['water_temperature_c' => 25]],
    ));

    // Mizuna: 5 mg/h each at 20 °C.
    expect($report->tubs[0]->oxygen->demand_mg_h)->toEqualWithDelta(4 * 5 * $share * sqrt(2), 1e-9);
})->with(
    [['aerated', 'gap', 0.7], ['aerated', 'touch', 0.85], ['aerated', 'drawn-down', 0.5], ['raft', null, 0.9], ['nursery', null, 0.3]],
);

it('takes salts off the saturation by the middle of the crop\'s strength', function () {
    $saturation = fn (array $tub): float => Gardens::report(Gardens::tub($tub))->tubs[0]->oxygen->saturation_mg_l;

    // Mizuna 1.2 to 1.8 mS/cm: 0.75 g/L.
    expect($saturation(['crop' => 'mizuna']))->toEqualWithDelta(Saturation::at(20, 0, 0.75), 1e-12)
        ->and($saturation([]))->toEqualWithDelta(9.092, 5e-4)
        ->and($saturation(['crop' => 'mizuna']))->toBeLessThan(9.06);
});

it('runs a pump day and night', function () {
    expect((new Pump(null, 'Pump', Pump::straight(4, 20), 2, 4))->kwhAMonth())->toEqualWithDelta(4 * 730 / 1000, 1e-12)
        // 4 W for 8 h are 32 Wh, of which a battery gives 0.7.
        ->and((new Pump(null, 'Pump', Pump::straight(4, 20), 2, 4))->batteryWh(8))->toEqualWithDelta(45.714, 1e-3);
});

it('thins by the schools of density', function () {
    [$roomy, $tight] = [Density::Roomy, Density::Tight];

    expect([$roomy->spacingShare(), $roomy->litresShare(), $roomy->daysShare(), $roomy->useShare(), $roomy->oxygenFloor()])
        ->toBe([1.0, 1.0, 1.0, 1.0, 5.0])
        ->and([$tight->spacingShare(), $tight->litresShare(), $tight->daysShare(), $tight->useShare(), $tight->oxygenFloor()])
        ->toBe([0.6, 0.35, 0.75, 0.45, 6.0]);
});

it('reports the season of the tight school', function () {
    [$roomy, $tight] = array_map(fn (string $density) => Gardens::report(Gardens::tub([
        'vessel' => 'tote-45', 'crop' => 'mizuna', 'density' => $density, 'layout' => ['pattern' => 'grid', 'cups' => 4],
    ]))->tubs[0], ['roomy', 'tight']);

    // Mizuna: 28 days from transplant.
    expect($roomy->season->harvest_day)->toEqualWithDelta(28, 1e-9)
        ->and($tight->season->harvest_day)->toEqualWithDelta(21, 1e-9)
        ->and($tight->season->water_to_harvest_l)->toEqualWithDelta(0.45 * $roomy->season->water_to_harvest_l, 1e-9)
        ->and($tight->oxygen->demand_mg_h)->toEqualWithDelta(0.45 * $roomy->oxygen->demand_mg_h, 1e-9);
});

it('knows its other estimates by value', function () {
    expect([LidMake::Ribbed->leastWeb(), LidMake::Plain->leastWeb(), LidMake::Thin->leastWeb()])->toBe([10.0, 15.0, 25.0])
        ->and([LidMake::Ribbed->leastEdge(), LidMake::Plain->leastEdge(), LidMake::Thin->leastEdge()])->toBe([20.0, 20.0, 30.0])
        ->and(OxygenBalance::thumb(20))->toEqualWithDelta([2.6, 5.2], 1e-12)
        ->and([Weight::WATER_KG_PER_L, Weight::WET_PEBBLES_KG_PER_L, Weight::LIFT_LIMIT_KG])->toBe([1.0, 0.65, 20.0])
        ->and([NestedPair::WALL_MM, NestedPair::PUMP_ROOM_MM, NestedPair::DEFAULT_BLOCKS_MM, NestedPair::CORD_HOLE_MM])
        ->toBe([2.5, 70.0, 80.0, 32.0])
        ->and([Raft::DEFAULT_THICKNESS_MM, Raft::DEFAULT_GAP_MM])->toBe([50.0, 5.0])
        ->and([DripCycle::LEAST_PER_CUP_L_H, DripCycle::MOST_PER_CUP_L_H, DripCycle::MOST_OFF_MIN])->toBe([1.0, 20.0, 120.0])
        ->and(array_map(fn (TopUps $t) => $t->passiveShare(), [TopUps::None, TopUps::Level, TopUps::Quarter, TopUps::Half]))
        ->toEqual([null, 1 / 3, 1 / 4, 1 / 2]);
});

it('weighs a planted tub', function () {
    // 400 by 300 by (300 − 52 − 20); two cups of 76.18 mL; a mizuna weighs 240 g.
    $tub = Gardens::report(Gardens::tub([
        'vessel' => straightBox(400, 300, 300), 'crop' => 'mizuna', 'layout' => ['pattern' => 'grid', 'cups' => 2],
    ]))->tubs[0];
    // Filled up to the cups: 400 by 300 by 248.
    $kg = 1.2 + 29.76 + 0.65 * 2 * 0.0761815 + 2 * 0.24;

    expect($tub->volume->working_l)->toEqualWithDelta(27.36, 1e-9)
        ->and($tub->mass_kg)->toEqualWithDelta($kg, 1e-6)
        ->and($tub->load_kg_m2)->toEqualWithDelta($kg / 0.12, 1e-5);
});

it('stands the pump of a nested pair on the lower floor, and its line climbs from there', function () {
    $report = fn (float $height, array $more) => Gardens::report(Gardens::tub(
        ['vessel' => straightBox(400, 300, 300), 'layout' => ['pattern' => 'single'], ...$more],
        [],
        ['height_above_floor_mm' => $height],
    ));
    $under = ['under' => ['vessel' => [...straightBox(440, 340, 250), 'floor_mm' => 4], 'blocks_mm' => 90]];
    $tubing = fn (float $height, array $more): float => $report($height, $more)->air[0]->tubing_mm;

    // The upper stands 94 over the ground and its pump 4: whatever height was said, the tube climbs from 4 to the hole in the wall.
    expect($tubing(0, $under))->toEqualWithDelta($tubing(500, $under), 1e-9)
        ->and($tubing(0, $under) - $tubing(0, []))->toEqualWithDelta(94 - 4, 1e-9)
        ->and($tubing(0, ['stand_mm' => 40]) - $tubing(0, []))->toEqualWithDelta(40, 1e-9)
        ->and($tubing(0, [...$under, 'stand_mm' => 40]))->toEqualWithDelta($tubing(0, $under), 1e-9);
});

it('buys a check valve for each outlet that is used by itself, and tees for what is split', function () {
    $need = function (array $air, array $tub = []): array {
        $parts = array_column(Gardens::report(Gardens::tub(['count' => 3, ...$tub], [], $air))->parts, 'need', 'key');

        return [$parts['check-valve'] ?? 0.0, $parts['tee'] ?? 0.0];
    };

    // Three tubs on two outlets: one of them feeds two.
    expect($need(['joined' => false]))->toEqual([2, 1])
        ->and($need(['joined' => true]))->toEqual([1, 3])
        ->and($need(['joined' => false, 'check_valve' => false]))->toEqual([0, 1])
        ->and($need(['joined' => false], ['count' => 1]))->toEqual([1, 0])
        ->and($need(['joined' => true], ['count' => 1, 'stones' => ['kind' => 'disc-100', 'count' => 3]]))->toEqual([1, 3]);
});

it('values what of a pack is used', function () {
    $own = straightBox(400, 300, 300);
    $prices = [['part' => 'vessel:tub', 'pack' => 4, 'price' => 10], ['part' => 'cup:tub', 'pack' => 8, 'price' => 4]];
    $cup = ['lip_diameter_mm' => 58, 'top_diameter_mm' => 50, 'bottom_diameter_mm' => 36, 'height_mm' => 52];
    $used = fn (array $owned): float => Gardens::report(Gardens::tub(
        [
            'system' => 'passive',
            'vessel' => $own,
            'cup' => $cup,
            'layout' => ['pattern' => 'grid', 'cups' => 6],
            'medium' => ['fill' => 'none', 'plug' => 'none'],
        ],
        ['prices' => $prices, 'owned' => ['ph-kit' => 1, ...$owned]],
    ))->budget->used;

    // One vessel of a pack of four, six cups of a pack of eight; what is owned costs nothing.
    expect($used([]))->toEqualWithDelta(10 / 4 + 4 * 6 / 8, 1e-9)
        ->and($used(['cup:tub' => 4]))->toEqualWithDelta(10 / 4 + 4 * 2 / 8, 1e-9)
        ->and($used(['cup:tub' => 6, 'vessel:tub' => 1]))->toBe(0.0);
});

it('leaves at most three places of a pattern uncut', function (int $asked, int $laidOut, bool $complete) {
    // Six ribs make seven panels, with a hole in each.
    $ribs = array_map(
        static fn (int $x): array => ['x_mm' => $x, 'y_mm' => 0, 'length_mm' => 4, 'width_mm' => 300],
        [-325, -195, -65, 65, 195, 325],
    );
    $lid = ['length_mm' => 900, 'width_mm' => 300, 'keep_outs' => $ribs];
    $layout = Gardens::report(Gardens::tub([
        'vessel' => [...straightBox(900, 300, 300), 'lid' => $lid], 'layout' => ['pattern' => 'panels', 'cups' => $asked],
    ]))->tubs[0]->layout;

    expect([$layout->count, $layout->complete])->toBe([$laidOut, $complete]);
})->with([[3, 1, true], [4, 4, false], [5, 5, false], [6, 6, false], [7, 7, true], [8, 7, true]]);

/** @return array<string, string> how the figures of a straight box come about, 400 by 300 and 300 high */
function explained(array $tub, array $air = [], array $garden = []): array
{
    $tub = ['vessel' => straightBox(400, 300, 300), 'crop' => 'mizuna', 'layout' => ['pattern' => 'grid', 'cups' => 2], ...$tub];

    $workings = get_object_vars(Gardens::report(Gardens::tub($tub, $garden, $air))->tubs[0]->workings);

    return (array) preg_replace('/\x{202F}/u', ' ', $workings);
}

it('explains its figures with this garden\'s numbers', function () {
    // Water 300 − 52 = 248 high, of which 100 cannot be used. Climate 2.487·0.45 kPa; 7.83 L by a peak of 2.1005 times the mean of 28 days.
    expect(explained(['water_line' => 'touch']))->toEqual([
        'working_l' => 'The measures hold 29.8 L up to the water line at 248 mm; no cup is under water. Down to the lowest useful level at '
            .'100 mm, 17.8 L can be used.',
        'mass_kg' => 'Empty 1.2 kg, water 29.8 kg, wet pebbles and plants the rest. Over its floor that is 263 kg/m².',
        'hole' => 'Bearing (58 mm − 51 mm) / 2 = 3.5 mm each side; play 51 mm − 50 mm = 1 mm; pushed to one side it bears 3 mm on the '
            .'other. Measure one cup against the saw, cut one hole, try it, then cut the rest.',
        'spacing_mm' => 'The least distance between two hole centres. Lips and lid allow 66 mm. Of the plants the two that lack most, '
            .'or have least to spare, stand 309 mm apart: mizuna wants 150 mm.',
        'plants' => 'The lid holds 20; 150 mm apart, 6; 29.8 L at 2 L a plant carries 14. The least of them counts.',
        'dry_day' => '2 plants drink 7.8 L to the first harvest, most of it at the end: 588 mL on the thirstiest '
            .'day. 17.8 L can be used before the lowest level. It is dry on the day on which that is gone if nobody comes.',
        'steady_mg_l' => 'Grown roots ask for 9 mg/h. 2.74 L/min of air meets that where the oxygen settles at 8.9 mg/L; the water cannot '
            .'hold more than 9.1 mg/L, so more air adds ever less.',
        'thumb_l_min' => 'The rule of thumb says 3.9 to 7.7 L/min. It goes by litres of water; the oxygen goes to roots, and these need '
            .'less. The balance decides.',
        'outage_min' => 'The time in which roots take the oxygen in 29.8 L down to 3 mg/L with the pump off. Roots in the air gap go on '
            .'breathing; to lower the water by 20 mm to 30 mm buys time. Well before it is up lift the lid and stir, or pour a jugful back '
            .'from a height, and go on doing so. A battery of 46 Wh (4 Ah at 12 V) keeps the pump going for 8 h; one on mains needs an '
            .'inverter too.',
    ]);
});

it('explains what differs by what was chosen', function (string $figure, string $says, array $tub, array $air = [], array $garden = []) {
    expect(explained($tub, $air, $garden)[$figure])->toContain($says);
})->with([
    'pebbles under water' => [
        'working_l',
        'hold 32.8 L up to the water line at 273 mm; pebbles under water take 34 mL of it.',
        ['water_line' => 'high-start'],
    ],
    'the tight school' => ['spacing_mm', 'mizuna wants 150 mm, or 0.6 of it harvested young.', ['density' => 'tight']],
    'the tight school\'s water' => ['plants', '90 mm apart, 12; 27.4 L at 700 mL a plant carries 39.', ['density' => 'tight']],
    'neighbours unlike' => [
        'spacing_mm',
        'mizuna and basil want 165 mm.',
        ['crop' => null, 'crops' => [['crop' => 'mizuna', 'plants' => 1], ['crop' => 'basil', 'plants' => 1]]],
    ],
    'crops together' => [
        'plants',
        'neighbours at the mean of their spacings, 4; 27.4 L at 2.5 L a plant, taken over the crops, carries 11.',
        ['crop' => null, 'crops' => [['crop' => 'mizuna', 'plants' => 1], ['crop' => 'basil', 'plants' => 1]]],
    ],
    'no crop' => ['plants', 'The lid holds 20. The least', ['crop' => null]],
    'a cloner without spray' => [
        'outage_min',
        'Mist them by hand until the pump runs again. A battery of 46 Wh (4 Ah at 12 V) keeps the pump going for 8 h;',
        ['system' => 'cloner', 'crop' => 'soft-cuttings'],
    ],
    'no neighbours planted' => ['spacing_mm', 'Lips and lid allow 66 mm.', ['crop' => null]],
    'still water' => ['plants', 'the water carries 6 to harvest.', ['system' => 'passive']],
    'one plant' => ['dry_day', 'One plant drinks 3.9 L', ['layout' => ['pattern' => 'single']]],
    'a jar\'s mouth' => [
        'hole',
        'takes the body of 50 mm and holds the lip of 58 mm. Nothing is cut.',
        [
            'system' => 'passive',
            'vessel' => [
                'kind' => 'jar',
                'stations' => [
                    ['height_mm' => 0, 'diameter_mm' => 100],
                    ['height_mm' => 120, 'diameter_mm' => 100],
                    ['height_mm' => 140, 'diameter_mm' => 52],
                ],
            ],
        ],
    ],
    'air enough by the rule of thumb' => ['thumb_l_min', 'The rule of thumb says 3.6 to 7.1 L/min, and the balance agrees.', [
        'stones' => ['kind' => 'disc-100', 'count' => 2],
    ], ['pump' => 'pump-8w-4']],
    'more air wanted' => [
        'thumb_l_min',
        'and the balance agrees that more is wanted.',
        ['crop' => 'tomato-vine'],
        ['branches' => [['tub' => 'tub', 'valve' => 0.1]]],
    ],
    'too late' => [
        'outage_min',
        'The oxygen is under 3 mg/L already',
        ['crop' => 'tomato-vine'],
        ['branches' => [['tub' => 'tub', 'valve' => 0.1]]],
    ],
    'harmless' => ['outage_min', 'the surface alone keeps the oxygen above 3 mg/L', ['density' => 'tight']],
    'other units' => ['working_l', 'hold 7.23 gal up to the water line at 9 in', [], [], ['units' => 'us']],
]);

it('knows every unit by what it is in the core\'s', function (string $unit, float $core) {
    expect(Unit::named($unit)?->toCore(1.0))->toEqualWithDelta($core, 1e-9 * abs($core));
})->with([
    ['mm', 1.0], ['cm', 10.0], ['m', 1000.0], ['in', 25.4], ['ft', 304.8], ['L', 1.0], ['mL', 0.001], ['gal', 3.785411784],
    ['imp gal', 4.54609], ['qt', 0.946352946], ['tsp', 0.00492892159], ['tbsp', 0.01478676477], ['cup', 0.236588], ['g', 1.0],
    ['kg', 1000.0], ['lb', 453.59237], ['oz', 453.59237 / 16], ['mS/cm', 1.0], ['µS/cm', 0.001], ['ppm (500)', 1 / 500],
    ['ppm (700)', 1 / 700], ['°C', 1.0], ['°F', 5 / 9 - 160 / 9], ['L/min', 1.0], ['L/h', 1 / 60], ['kPa', 1.0], ['MPa', 1000.0],
    ['bar', 100.0], ['mbar', 0.1], ['psi', 6.894757293], ['W', 1.0],
]);

it('keeps the saws that shops keep', function () {
    expect(SawSeries::METRIC_MM)->toBe([
        20, 22, 25, 28, 30, 32, 35, 38, 40, 44, 48, 50, 51, 54, 57, 60, 64, 65, 68, 70, 73, 76, 80, 83, 86, 89, 92, 95, 98, 102, 105, 108,
        114, 121, 127, 140, 152,
    ])
        ->and(count(SawSeries::inchSizes()))->toBe(31)
        ->and(array_map(fn (int $i): float => SawSeries::inchSizes()[$i], [0, 1, 26, 27, 28, 29, 30]))
        ->toEqualWithDelta([19.05, 22.225, 101.6, 114.3, 127.0, 139.7, 152.4], 1e-6);
});

it('is content at the mark itself', function () {
    $lettuce = fn (array $site): array => Gardens::findings(Gardens::tub(['crop' => 'lettuce-leaf'], ['site' => $site]));
    $cup = new Cup(null, 'Cup', 58, 48, 36, 52, false);

    expect($lettuce(['light_hours' => 12]))->not->toContain('mind crop.light')
        ->and($lettuce(['headroom_mm' => 220]))->not->toContain('mind crop.headroom')
        ->and($lettuce(['water_temperature_c' => 16]))->not->toContain('mind crop.temperature')
        ->and($lettuce(['water_temperature_c' => 23]))->not->toContain('mind crop.temperature')
        ->and($lettuce(['water_temperature_c' => 27]))->not->toContain('mend crop.temperature')
        ->and($lettuce(['water_temperature_c' => 24]))->not->toContain('mind air.warm')
        ->and(Gardens::findings(Gardens::tub(['vessel' => straightBox(400, 300, 300)])))->not->toContain('mind vessel.taper')
        ->and(Gardens::findings(Gardens::tub([
            'vessel' => straightBox(600, 400, 300),
            'crop' => 'lettuce-leaf',
            'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -68, 'y_mm' => 0], ['x_mm' => 68, 'y_mm' => 0]]],
        ])))->toContain('mind crop.spacing')
        ->and($cup->suits(50))->toBeTrue()
        ->and($cup->suits(50.001))->toBeFalse();
});

it('gives no air where no line opens, and none over where a stone is wanted but none is there', function () {
    $weak = new Pump(null, 'Pump', Pump::straight(4, 1), 2, 4);
    $stones = new StoneSet(new Stone(null, 'Stone', Bubble::Fine, 100, 0.5, 3, 0.3), 1, 0.0);
    $line = Line::of($stones, 200, new Tube(null, 'Tube', 4, 6), 500, 1.0, 1);
    foreach ([true, false] as $joined) {
        $network = Network::solve($weak, [$line, $line, $line], $joined, 0.1);
        expect($network->flows)->toBe([0.0, 0.0, 0.0])->and($network->total())->toBe(0.0);
    }
    expect(Network::solve($weak, [], true, 0.1)->outletsUsed)->toBe(0)
        ->and(Network::solve($weak, [$line], false, 0.1)->outletsUsed)->toBe(1)
        ->and(Gardens::findings(Gardens::tub(['stones' => null, 'vessel' => 'tote-90'])))->not->toContain('mind air.far-cup');
});

it('measures the room of a box in another along both sides and at the corners', function () {
    $box = new RoundedBox(100, 80, 0);

    expect($box->roomFor(new RoundedBox(90, 60, 0)))->toEqualWithDelta(10, 1e-9)
        ->and($box->roomFor(new RoundedBox(70, 75, 0)))->toEqualWithDelta(5, 1e-9)
        ->and((new RoundedBox(100, 80, 40))->roomFor(new RoundedBox(95, 75, 0)))->toBeLessThan(0.0)
        ->and($box->contains(new RoundedBox(100, 80, 0)))->toBeTrue()
        ->and($box->contains(new RoundedBox(100.001, 80, 0)))->toBeFalse();
});
