<?php

declare(strict_types=1);

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Network;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Saturation;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\Tube;
use KelpTub\Core\Air\TubeRoute;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use Tests\Core\Gardens;

function pump(int $outlets = 1): Pump
{
    return new Pump(null, 'Pump', Pump::straight(4, 20), $outlets, 4);
}

function tube(): Tube
{
    return new Tube(null, 'Tube', 4, 6);
}

function line(
    Bubble $bubble = Bubble::Medium,
    float $resistance = 0.3,
    float $depth = 273,
    float $valve = 1.0,
    int $stones = 1,
    float $length = 1500,
): Line {
    $set = new StoneSet(new Stone(null, 'Stone', $bubble, 100, 0.5, 3, $resistance), $stones, 0.0);

    return Line::of($set, $depth, tube(), $length, $valve, 1);
}

it('saturates as the published tables say', function (float $celsius, float $altitude, float $salt, float $mgL) {
    expect(Saturation::at($celsius, $altitude, $salt))->toEqualWithDelta($mgL, 0.0011);
})->with([
    // Standard Methods 4500-O, table of oxygen saturation at 1 atm.
    [0, 0, 0, 14.621], [5, 0, 0, 12.770], [10, 0, 0, 11.288], [15, 0, 0, 10.084], [20, 0, 0, 9.092],
    [25, 0, 0, 8.263], [30, 0, 0, 7.559], [35, 0, 0, 6.949], [40, 0, 0, 6.412],
    [20, 1500, 0, 7.553], [20, 0, 1, 9.039],
]);

it('holds less when warmer, higher or saltier', function () {
    for ($t = 1; $t <= 40; $t++) {
        expect(Saturation::at($t))->toBeLessThan(Saturation::at($t - 1))
            ->and(Saturation::at($t, 500))->toBeLessThan(Saturation::at($t, 0))
            ->and(Saturation::at($t, 0, 2))->toBeLessThan(Saturation::at($t, 0, 1));
    }
});

it('resists flow as Poiseuille says', function () {
    expect(tube()->resistance(2000))->toEqualWithDelta(0.0960, 5e-5)
        ->and((new Tube(null, 'Tube', 8, 10))->resistance(2000))->toEqualWithDelta(0.0960235 / 16, 1e-6);
});

it('solves the worked branch, and starves a fine stone beside it', function () {
    $one = Network::solve(pump(), [line()], true, 0);
    $beside = Network::solve(pump(), [line(), line(Bubble::Fine, 0.3, 350)], true, 0);

    expect($one->flows[0])->toEqualWithDelta(2.666, 5e-4)
        ->and($one->pressure)->toEqualWithDelta(6.670, 5e-4)
        ->and($beside->flows[0])->toEqualWithDelta(2.666, 5e-4)
        ->and($beside->flows[1])->toBe(0.0);
});

it('shares air between two lines by what each takes', function () {
    // Worked outside by bisection: thresholds 5.678 and 3.472 kPa, slopes 0.372 and 0.972.
    $network = Network::solve(pump(), [line(), line(Bubble::Coarse, 0.9, 150)], true, 0);

    expect($network->flows[0])->toEqualWithDelta(0.407801, 1e-5)
        ->and($network->flows[1])->toEqualWithDelta(2.426231, 1e-5)
        ->and($network->pressure)->toEqualWithDelta(5.829839, 1e-5);
});

it('throttles by its valves', function () {
    $half = Network::solve(pump(), [line(valve: 0.5)], true, 0);
    $closed = Network::solve(pump(), [line(valve: 0.0), line()], true, 0);

    expect($half->flows[0])->toEqualWithDelta(1.780661, 1e-5)
        ->and($half->pressure)->toEqualWithDelta(11.096696, 1e-5)
        ->and($closed->flows[0])->toBe(0.0)
        ->and($closed->flows[1])->toEqualWithDelta(2.666, 5e-4);
});

it('sums its flows to the pump\'s at the manifold', function (array $lines) {
    $network = Network::solve(pump(), $lines, true, 0.05);

    expect($network->total())->toEqualWithDelta(4 * (1 - ($network->pressure + 0.05 * $network->total()) / 20), 1e-6);
    foreach ($network->flows as $flow) {
        expect($flow)->toBeGreaterThanOrEqual(0.0);
    }
})->with(fn () => [
    [[line()]],
    [[line(), line(), line(Bubble::Coarse)]],
    [[line(depth: 100, stones: 4), line(depth: 300), line(Bubble::Fine, 1.2, 200, 0.3)]],
]);

it('deals lines to outlets that are not joined', function () {
    // Each outlet gives up to 2 L/min at the full 20 kPa: q = 14.322/(10 + 0.372).
    $network = Network::solve(pump(2), [line(), line()], false, 0);
    $three = Network::solve(pump(2), [line(), line(Bubble::Fine), line()], false, 0);

    expect($network->flows[0])->toEqualWithDelta((20 - 5.67813) / 10.372018, 1e-5)
        ->and($network->flows[1])->toBe($network->flows[0])
        ->and($network->outletsUsed)->toBe(2)
        ->and($three->flows[0])->toBe($three->flows[2])
        ->and($three->flows[0])->toBeLessThan($network->flows[0])
        ->and($three->flows[1])->toBeGreaterThan(0.0);
});

it('follows a pump curve of points', function () {
    $curve = new Pump(null, 'Pump', [[0.0, 20.0], [2.0, 18.0], [4.0, 0.0]], 1, 4);

    expect($curve->pressureAt(1))->toEqualWithDelta(19, 1e-12)
        ->and($curve->pressureAt(3))->toEqualWithDelta(9, 1e-12)
        ->and($curve->pressureAt(5))->toBeLessThan(0)
        ->and(Network::solve($curve, [line()], true, 0)->total())->toBeGreaterThan(2.666);
});

it('transfers the worked oxygen and settles where supply meets uptake', function () {
    $transfer = OxygenBalance::standardTransfer(Bubble::Medium, 273, 2.666);
    $balance = OxygenBalance::of(Saturation::at(22), 100, $transfer, 0.0595, 22);

    // Worked outside: SOTR 486.998 mg/h, k = 48.3354, C* = 8.7437; bisection, and the outage by steps of 0.36 s.
    expect($transfer)->toEqualWithDelta(486.99758, 1e-4)
        ->and($balance->steady())->toEqualWithDelta(6.816226, 1e-5)
        ->and($balance->outageMinutes(15))->toEqualWithDelta(39.042, 0.01);
});

it('never goes above saturation or below nothing', function () {
    foreach ([0, 1, 20, 300, 5000] as $demand) {
        foreach ([0, 10, 1000, 1e6] as $transfer) {
            $balance = OxygenBalance::of(8.26, $demand, $transfer, 0.06, 25);
            expect($balance->steady())->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(8.26 + 1e-9);
        }
    }
    expect(OxygenBalance::of(9, 0, 0, 0.1, 20)->steady())->toBe(9.0)
        ->and(OxygenBalance::of(9, 10, 0, 0.0, 20)->steady())->toBe(0.0);
});

it('knows when a power cut does no harm, and when it is too late', function () {
    expect(OxygenBalance::of(9.09, 2, 500, 0.2, 20)->outageMinutes(20))->toBeNull()
        ->and(OxygenBalance::of(9.09, 900, 20, 0.05, 20)->outageMinutes(20))->toBe(0.0)
        ->and(OxygenBalance::of(9.09, 100, 500, 0.05, 20)->outageMinutes(40))
        ->toBeGreaterThan(OxygenBalance::of(9.09, 100, 500, 0.05, 20)->outageMinutes(20));
});

it('doubles the demand every ten degrees', function () {
    expect(OxygenBalance::demand(4 * 5, 0.7, 20))->toEqualWithDelta(14, 1e-12)
        ->and(OxygenBalance::demand(4 * 5, 0.7, 30))->toEqualWithDelta(28, 1e-12);
});

it('lays stones under the plants', function () {
    $cups = [new Point(-150, 50), new Point(-150, -50), new Point(150, 50), new Point(150, -50)];
    $stones = StonePlacement::of($cups, 2, new RoundedBox(250, 160, 40));

    expect(array_map(fn (Point $p) => [abs(round($p->x)), round($p->y)], $stones))->toBe([[150.0, 0.0], [150.0, 0.0]])
        ->and(StonePlacement::farthestCup($cups, $stones))->toEqualWithDelta(50, 1e-9)
        ->and(StonePlacement::of($cups, 1, new RoundedBox(250, 160, 40)))->toEqual([new Point(0.0, 0.0)])
        ->and(abs(StonePlacement::of([new Point(-240, 0)], 1, new RoundedBox(150, 100, 0))[0]->x))->toEqualWithDelta(125.0, 1e-6)
        ->and(abs(StonePlacement::of([new Point(-240, 0)], 1, new RoundedBox(150, 100, 0), 100)[0]->x))->toEqualWithDelta(100.0, 1e-6);
});

it('measures tube from pump to stones', function () {
    // 900 along, 275 up, 250 down the wall, 100 along the floor, 120 slack; a stub of 300 to the second stone.
    $route = TubeRoute::of(900, 275, 250, new Point(-250, 0), [new Point(150, 0), new Point(-150, 0)]);

    expect($route->main)->toEqualWithDelta(900 + 275 + 250 + 100 + 120, 1e-9)
        ->and($route->stubs)->toEqual([300.0])
        ->and($route->length())->toEqualWithDelta(1945, 1e-9);
});

it('counts a tub of several on one entry as so many lines', function () {
    $two = Gardens::report(Gardens::tub(['count' => 2], [], ['branches' => [['tub' => 'tub', 'distance_mm' => 1000]]]));
    $apart = Gardens::report(Gardens::of([
        'tubs' => array_map(
            fn ($id) => ['id' => $id, 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => ['kind' => 'disc-100']],
            ['a', 'b'],
        ),
        'air' => [['id' => 'pump', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a'], ['tub' => 'b']]]],
    ]));

    expect($two->air[0]->branches[0]->flow_l_min)->toEqualWithDelta($apart->air[0]->branches[0]->flow_l_min, 1e-9)
        ->and($two->air[0]->flow_l_min)->toEqualWithDelta($apart->air[0]->flow_l_min, 1e-9)
        ->and($two->air[0]->tubing_mm)->toEqualWithDelta($apart->air[0]->tubing_mm, 1e-9)
        ->and($two->tubs[0]->oxygen->air_l_min)->toEqualWithDelta($apart->tubs[0]->oxygen->air_l_min, 1e-9);
});

it('finds what is wrong with the air', function (array $tub, array $garden, array $air, string $finding) {
    expect(Gardens::findings(Gardens::tub(['crop' => 'lettuce-leaf', ...$tub], $garden, $air)))->toContain($finding);
})->with([
    'no line' => [[], [], ['none' => true], 'stop air.none'],
    'no stone' => [['stones' => null], [], [], 'stop air.none'],
    'siphon' => [[], [], ['check_valve' => false], 'stop air.siphon'],
    'a weak pump' => [['stones' => ['kind' => 'disc-100', 'count' => 6]], [], ['pump' => 'pump-2w-1'], 'mend air.weak'],
    'a starved stone' => [
        ['stones' => ['kind' => 'disc-60-fine']],
        [],
        ['pump' => ['free_flow_l_min' => 2, 'max_pressure_kpa' => 6]],
        'stop air.starved',
    ],
    'a driven stone' => [['stones' => ['kind' => 'cylinder-25']], [], ['pump' => 'pump-8w-4'], 'mind air.over'],
    'little oxygen' => [
        ['crop' => 'cucumber', 'cup' => 'net-cup-75', 'stones' => ['kind' => 'cylinder-25']],
        [],
        ['pump' => 'pump-2w-1'],
        'mend air.oxygen',
    ],
    'suffocating' => [
        ['crop' => 'tomato-vine', 'cup' => 'net-cup-75'],
        [],
        ['branches' => [['tub' => 'tub', 'valve' => 0]]],
        'stop air.oxygen',
    ],
    'warm' => [[], ['site' => ['water_temperature_c' => 25]], [], 'mind air.warm'],
    'a far cup' => [['vessel' => 'tote-90'], [], [], 'mind air.far-cup'],
    'shallow' => [['vessel' => 'crate-flat-28', 'stones' => ['kind' => 'disc-100', 'height_mm' => 90]], [], [], 'mend air.shallow'],
    'a tube hole near the water' => [['water_line' => 'high-start'], [], [], 'mend air.entry'],
]);

it('asks for neither a check valve nor height where there is one of them', function (array $air) {
    expect(Gardens::findings(Gardens::tub([], [], $air)))->not->toContain('stop air.siphon');
})->with([
    [['check_valve' => true]],
    [['check_valve' => false, 'above_water' => true]],
    [['check_valve' => false, 'height_above_floor_mm' => 400]],
]);

it('counts stand and floor when it asks whether the pump is above the water', function () {
    // Water at 313 + 3 of floor + 100 of stand = 416.
    expect(
        Gardens::findings(Gardens::tub(['stand_mm' => 100], [], ['check_valve' => false, 'height_above_floor_mm' => 410])),
    )->toContain('stop air.siphon')
        ->and(
            Gardens::findings(Gardens::tub(['stand_mm' => 100], [], ['check_valve' => false, 'height_above_floor_mm' => 420])),
        )->not->toContain('stop air.siphon');
});

it('solves equal lines once as it solves each of them', function (bool $joined) {
    $kinds = [line(), line(Bubble::Fine, 0.3, 300), line(Bubble::Coarse, 0.9, 150), line(valve: 0.4)];
    foreach ([[5, 1, 0, 3], [1, 1, 1, 1], [2, 7, 4, 50], [0, 0, 3, 0]] as $counts) {
        $pump = new Pump(null, 'Pump', Pump::straight(40, 30), 4, 20);
        $each = [];
        foreach ($counts as $i => $count) {
            $each = [...$each, ...array_fill(0, $count, $kinds[$i])];
        }
        $counted = Network::solve($pump, $kinds, $joined, 0.02, $counts);
        $single = Network::solve($pump, $each, $joined, 0.02);
        $at = 0;
        foreach ($counts as $i => $count) {
            if ($count > 0) {
                expect($counted->flows[$i])->toEqualWithDelta(min(array_slice($single->flows, $at, $count)), 1e-8);
            }
            $at += $count;
        }
        expect($counted->total())->toEqualWithDelta(array_sum($single->flows), 1e-7)
            ->and($counted->pressure)->toEqualWithDelta($single->pressure, 1e-8)
            ->and($counted->outletsUsed)->toBe($single->outletsUsed);
    }
})->with(['joined' => [true], 'not joined' => [false]]);

it('ends a pump\'s curve where it ends', function () {
    // Points up to 3 L/min at 12 kPa: however easy the line, no more comes out.
    $pump = new Pump(null, 'Pump', [[0.0, 20.0], [1.0, 18.0], [3.0, 12.0]], 1, 4);
    $set = new StoneSet(new Stone(null, 'Stone', Bubble::Coarse, 100, 0.5, 3, 0.0), 1, 0.0);
    $easy = Line::of($set, 50, new Tube(null, 'Tube', 9, 12), 100, 1.0, 0);

    expect(Network::solve($pump, [$easy], true, 0.0)->total())->toEqualWithDelta(3.0, 1e-6)
        ->and($pump->pressureAt(3.0))->toBe(12.0)
        ->and($pump->pressureAt(3.001))->toBeLessThan(0.0);
});

it('says how long oxygen lasts, however near it comes to rest to 3 mg/L', function (float $demand, float $area) {
    $balance = OxygenBalance::of(9.0, $demand, 500.0, $area, 20.0);
    [$oxygen, $minutes, $surface] = [$balance->steady(), 0.0, 10 * $area];
    // By steps of a two hundredth of what is left, short where it falls slowly.
    while ($oxygen > 3.0) {
        $step = min($oxygen - 3.0, ($oxygen - 3.0) / 200 + 1e-8);
        $slope = static fn (float $c): float => ($demand * $c / ($c + 0.5) - $surface * (9.0 - $c)) / 25 / 60;
        $minutes += $step / 6 * (1 / $slope($oxygen) + 4 / $slope($oxygen - $step / 2) + 1 / $slope($oxygen - $step));
        $oxygen -= $step;
    }

    expect($balance->outageMinutes(25.0))->toEqualWithDelta($minutes, 1e-4 * $minutes);
})->with([
    'a common case' => [80.0, 0.06],
    'nearly held by the surface' => [80.0, 1.1423],
    'a hair from it' => [80.0, 1.142856],
    'hardly any surface' => [80.0, 1.0e-7],
    'none' => [80.0, 0.0],
]);
