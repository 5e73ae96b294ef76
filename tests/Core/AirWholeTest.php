<?php

declare(strict_types=1);

use KelpTub\Core\Air\Bubble;
use KelpTub\Core\Air\Line;
use KelpTub\Core\Air\Network;
use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\PumpCurve;
use KelpTub\Core\Air\Saturation;
use KelpTub\Core\Air\Stone;
use KelpTub\Core\Air\StonePlacement;
use KelpTub\Core\Air\StoneSet;
use KelpTub\Core\Air\Trouble;
use KelpTub\Core\Air\Tube;
use KelpTub\Core\Air\Valves;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Geometry\EnclosingCircle;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Geometry\RoundedBox;
use KelpTub\Core\WhatIf\AirLook;
use KelpTub\Core\WhatIf\PumpRanking;
use Tests\Core\Gardens;

function pumpOf(float $free, float $most, int $outlets = 1): Pump
{
    return new Pump('p', 'Pump', Pump::straight($free, $most), $outlets, 4.0);
}

function stonesOf(float $resistance, Bubble $bubble = Bubble::Medium, int $count = 1, float $height = 0.0, array $others = []): StoneSet
{
    return new StoneSet(new Stone(null, 'Stone', $bubble, 100, 0.2, 3, $resistance), $count, $height, $others);
}

function lineTo(StoneSet $stones, float $depth, float $valve = 1.0, float $length = 1500): Line
{
    return Line::of($stones, $depth, new Tube(null, 'Tube', 4, 6), $length, $valve, 1);
}

it('solves one, two and three unlike lines as they come out by hand', function () {
    // One: 20 − 5q = 9.81·0.273 + 2 + 0.3q + 0.07199q + 1, so q = (20 − 5.67813)/(5 + 0.37199) = 2.6660, the worked case.
    $one = Network::solve(pumpOf(4, 20), [lineTo(stonesOf(0.3), 273)], true, 0.0);
    expect($one->flows[0])->toEqualWithDelta(2.666, 5e-4)->and($one->pressure)->toEqualWithDelta(6.670, 5e-4);

    // Two with R 1 and 3 at the same threshold of 4.962 (0.2 m): tube 0.07199 each. P = 20 − 5·Q, Q = (P − 4.962)(1/1.07199 + 1/3.07199).
    $tube = (new Tube(null, 'Tube', 4, 6))->resistance(1500);
    $conductance = 1 / (1 + $tube) + 1 / (3 + $tube);
    $pressure = (20 + 5 * 4.962 * $conductance) / (1 + 5 * $conductance);
    $two = Network::solve(pumpOf(4, 20), [lineTo(stonesOf(1.0), 200), lineTo(stonesOf(3.0), 200)], true, 0.0);
    expect($two->pressure)->toEqualWithDelta($pressure, 1e-9)
        ->and($two->flows[0] / $two->flows[1])->toEqualWithDelta((3 + $tube) / (1 + $tube), 1e-9);

    // Three, the last so deep that nothing comes: the first two as if it were not there.
    $lines = [lineTo(stonesOf(1.0), 200), lineTo(stonesOf(3.0), 200), lineTo(stonesOf(1.0, Bubble::Fine), 900)];
    $three = Network::solve(pumpOf(4, 20), $lines, true, 0.0);
    expect($three->flows[2])->toBe(0.0)->and($three->flows[0])->toEqualWithDelta($two->flows[0], 1e-9);
});

it('lets unlike stones at one end share its pressure', function () {
    // Coarse at 150 mm under water (threshold 2.4715) and medium at 250 (4.4525), R 0.5 and 0.4: both at the same pressure at the end.
    $stones = stonesOf(0.5, Bubble::Coarse, 1, 100.0, [stonesOf(0.4, Bubble::Medium, 2, 0.0)]);
    $line = lineTo($stones, 250);
    foreach ([4.0, 6.0, 9.0, 14.0] as $pressure) {
        $flow = $line->flowAt($pressure);
        $end = $pressure - 1.0 - (new Tube(null, 'Tube', 4, 6))->resistance(1500) * $flow;
        [$coarse, $medium] = $line->dealt($flow);
        expect($coarse + $medium)->toEqualWithDelta($flow, 1e-6)
            ->and($coarse)->toEqualWithDelta(max(0.0, ($end - 9.81 * 0.15 - 1) / 0.5), 1e-6)
            ->and($medium)->toEqualWithDelta(max(0.0, ($end - 9.81 * 0.25 - 2) / 0.2), 1e-6)
            ->and($line->pressureFor($flow))->toEqualWithDelta($pressure, 1e-6);
    }
    expect($line->flowAt(3.0))->toBe(0.0)->and($line->dealt(0.0))->toBe([0.0, 0.0]);
});

it('takes as much through a valve that is all but open as through an open one', function () {
    $flow = fn (float $valve): float => lineTo(stonesOf(0.3), 200, $valve)->flowAt(8.0);
    expect($flow(1 - 1e-15))->toEqualWithDelta($flow(1.0), 1e-12)->and($flow(1 - 1e-9))->toEqualWithDelta($flow(1.0), 1e-6);
});

it('keeps to the pump in random networks, and no valve that closes lowers another line', function () {
    mt_srand(11);
    $some = fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
    for ($case = 0; $case < 120; $case++) {
        $pump = pumpOf($some(1, 20), $some(8, 30), mt_rand(1, 4));
        $joined = (bool) mt_rand(0, 1);
        $lines = [];
        for ($n = mt_rand(2, 5); $n > 0; $n--) {
            $others = mt_rand(0, 2) === 0 ? [stonesOf($some(0.1, 2), Bubble::cases()[mt_rand(0, 2)], mt_rand(1, 3), $some(0, 80))] : [];
            $lines[] = lineTo(
                stonesOf($some(0.1, 2), Bubble::cases()[mt_rand(0, 2)], mt_rand(1, 3), $some(0, 80), $others),
                $some(100, 400), $some(0.1, 1), $some(300, 4000),
            );
        }
        $trunk = $some(0, 0.3);
        $solved = Network::solve($pump, $lines, $joined, $trunk);
        if ($joined) {
            $total = array_sum($solved->flows);
            expect($pump->pressureAt($total) - $trunk * $total)->toEqualWithDelta($solved->pressure, 1e-6)
                ->and($solved->total())->toEqualWithDelta($total, 1e-6);
            $shut = array_map(fn (Line $line, int $i): Line => $i === 0 ? $line->withValve(0.0) : $line, $lines, array_keys($lines));
            foreach (array_slice(Network::solve($pump, $shut, true, $trunk)->flows, 1) as $i => $flow) {
                expect($flow)->toBeGreaterThanOrEqual($solved->flows[$i + 1] - 1e-9);
            }
            $equal = Network::solve($pump, [$lines[0], ...$lines, $lines[0]], true, $trunk);
            expect($equal->flows[0])->toBe($equal->flows[1])->toBe($equal->flows[count($lines) + 1]);
        }
        expect(min($solved->flows))->toBeGreaterThanOrEqual(0.0);
    }
});

it('finds valves that share air in the proportions asked for, the worst of them open', function () {
    mt_srand(12);
    $some = fn (float $from, float $to): float => $from + ($to - $from) * mt_rand() / mt_getrandmax();
    $found = 0;
    for ($case = 0; $case < 80; $case++) {
        $pump = pumpOf($some(3, 20), $some(12, 30));
        $lines = $weights = $counts = [];
        for ($n = mt_rand(2, 4); $n > 0; $n--) {
            $lines[] = lineTo(stonesOf($some(0.1, 1), Bubble::cases()[mt_rand(0, 1)], mt_rand(1, 2)), $some(120, 350));
            $weights[] = $some(0.5, 3);
            $counts[] = mt_rand(1, 2);
        }
        $valves = Valves::sharing($pump, $lines, $counts, $weights, 0.05);
        if ($valves === null) {
            continue;
        }
        $found++;
        $turned = array_map(fn (Line $line, float $valve): Line => $line->withValve($valve), $lines, $valves);
        $flows = Network::solve($pump, $turned, true, 0.05, $counts)->flows;
        $ratios = array_map(fn (float $flow, float $weight): float => $flow / $weight, $flows, $weights);
        if (min($valves) > Valves::LEAST) {
            expect(max($ratios) / min($ratios))->toEqualWithDelta(1.0, 1e-6);
        }
        expect(max($valves))->toEqualWithDelta(1.0, 1e-3);
    }
    expect($found)->toBeGreaterThan(60)
        ->and(Valves::sharing(pumpOf(4, 3), [lineTo(stonesOf(0.3), 300), lineTo(stonesOf(0.3), 300)], [1, 1], [1.0, 1.0], 0.0))->toBeNull();
});

it('lays stones where the farthest cup is nearest, evenly where the cups are even', function () {
    $grid = [];
    foreach ([-170, 0, 170] as $x) {
        foreach ([-110, 0, 110] as $y) {
            $grid[] = new Point($x, $y);
        }
    }
    $floor = new RoundedBox(250, 160, 40);
    // Two under nine: each half-way along its side, 85 from the middle; √(85² + 110²) to the corners.
    $two = StonePlacement::of($grid, 2, $floor, 100);
    expect(array_map(fn (Point $p): array => [round($p->x, 3), round($p->y, 3)], $two))->toEqual([[-85.0, 0.0], [85.0, 0.0]])
        ->and(StonePlacement::farthestCup($grid, $two))->toEqualWithDelta(hypot(85, 110), 1e-6);
    $one = StonePlacement::of($grid, 1, $floor, 100);
    expect(hypot($one[0]->x, $one[0]->y))->toBeLessThan(1e-6);
    $four = StonePlacement::of($grid, 4, $floor, 50);
    foreach ($four as $p) {
        $mirror = min(array_map(fn (Point $q): float => hypot($p->x + $q->x, $p->y - $q->y), $four));
        expect($mirror)->toBeLessThan(1e-6);
    }
});

it('lays no stone from which a small move would bring the farthest cup nearer', function () {
    mt_srand(5);
    $floor = new RoundedBox(250, 160, 40);
    $worse = 0;
    for ($case = 0; $case < 60; $case++) {
        $cups = array_map(fn (): Point => new Point(mt_rand(-220, 220), mt_rand(-130, 130)), range(1, mt_rand(4, 20)));
        $stones = StonePlacement::of($cups, mt_rand(1, 3), $floor, 50);
        $far = StonePlacement::farthestCup($cups, $stones);
        $inside = $floor->inset(25);
        foreach ($stones as $i => $p) {
            expect($inside->clearance($p->x, $p->y))->toBeGreaterThan(-1e-6);
            foreach (array_slice($stones, $i + 1) as $q) {
                expect($p->distanceTo($q))->toBeGreaterThan(59.0);
            }
        }
        for ($try = 0; $try < 300; $try++) {
            $moved = array_map(
                fn (Point $p): Point => new Point(...$inside->nearest($p->x + mt_rand(-300, 300) / 10, $p->y + mt_rand(-300, 300) / 10)),
                $stones,
            );
            $apart = true;
            foreach ($moved as $i => $p) {
                foreach (array_slice($moved, $i + 1) as $q) {
                    $apart = $apart && $p->distanceTo($q) >= 60;
                }
            }
            $worse += $apart && StonePlacement::farthestCup($cups, $moved) < 0.98 * $far ? 1 : 0;
        }
    }
    expect($worse)->toBe(0);
});

it('keeps stones where they were laid by hand, and cuts the line anew', function () {
    $garden = fn (array $at): Garden => Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => 'basil', 'stones' => ['kind' => 'cylinder-50', 'count' => 2, 'at' => $at]],
    );
    $laid = Gardens::report($garden([['x_mm' => -150, 'y_mm' => 60], ['x_mm' => 180, 'y_mm' => -40]]));
    expect(array_map(fn ($p): array => [$p->x_mm, $p->y_mm], $laid->tubs[0]->shape->stones->at))->toBe([[-150.0, 60.0], [180.0, -40.0]])
        ->and($laid->tubs[0]->shape->stones->by_hand)->toBeTrue()
        ->and($laid->air[0]->branches[0]->pieces_mm[1])->toEqualWithDelta(hypot(330, 100), 1e-9)
        // One place for two stones is none: the planner lays them.
        ->and(Gardens::report($garden([['x_mm' => -150, 'y_mm' => 60]]))->tubs[0]->shape->stones->by_hand)->toBeFalse();
});

it('counts every kind of stone in a tub: flow, oxygen and parts', function () {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'crop' => 'basil', 'stones' => [
        'kind' => 'disc-100', 'count' => 1, 'height_mm' => 20, 'more' => [['kind' => 'cylinder-25', 'count' => 2, 'height_mm' => 60]],
    ]]);
    $report = Gardens::report($garden);
    $branch = $report->air[0]->branches[0];
    expect($branch->stones_l_min)->toHaveCount(2)
        ->and($branch->stones_l_min[0] + 2 * $branch->stones_l_min[1])->toEqualWithDelta($branch->flow_l_min, 1e-6)
        ->and($report->tubs[0]->shape->stones->at)->toHaveCount(3);
    $need = fn (string $key): float => (float) array_column($report->parts, 'need', 'key')[$key];
    expect([$need('disc-100'), $need('cylinder-25'), $need('suction-cup'), $need('tee')])->toBe([1.0, 2.0, 6.0, 3.0]);
});

it('buys valves where lines are throttled, or a manifold that has them', function () {
    $of = fn (array $air): array => array_filter(
        array_column(Gardens::report(threeTubs($air))->parts, 'need', 'key'),
        fn (string $key): bool => preg_match('/^(tee|air-valve|manifold-)/', $key) === 1,
        ARRAY_FILTER_USE_KEY,
    );
    $throttled = ['branches' => [['tub' => 'a', 'valve' => 0.5], ['tub' => 'b'], ['tub' => 'c', 'valve' => 0.2]]];
    // Four outlets joined by three tees, three lines parted by two more.
    expect($of([]))->toEqual(['tee' => 5])
        ->and($of($throttled))->toEqual(['tee' => 5, 'air-valve' => 2])
        ->and($of([...$throttled, 'splitter' => 'manifold']))->toEqual(['tee' => 3, 'manifold-4' => 1]);
});

it('says of each kind of stone what it gets', function () {
    $findings = Gardens::findings(Gardens::tub(['crop' => 'basil', 'stones' => [
        'kind' => 'cylinder-25', 'count' => 1, 'more' => [['kind' => 'disc-60-fine', 'count' => 1]],
    ]], [], ['pump' => ['free_flow_l_min' => 3, 'max_pressure_kpa' => 8]]));
    expect($findings)->toContain('stop air.starved')->toContain('mind air.over');
});

it('holds saturation to the published table from 0 to 35 °C', function (float $celsius, float $mgPerLitre) {
    expect(Saturation::at($celsius))->toEqualWithDelta($mgPerLitre, 0.01);
})->with([
    // Benson and Krause as tabled in Standard Methods 4500-O, fresh water at sea level.
    [0, 14.621], [5, 12.770], [10, 11.288], [15, 10.084], [20, 9.092], [25, 8.263], [30, 7.559], [35, 6.949],
]);

it('falls without air as an integration step by step does', function () {
    $balance = OxygenBalance::of(9.1, 120.0, 3000.0, 0.15, 20.0);
    [$oxygen, $litres] = [$balance->steady(), 30.0];
    for ($minute = 0; $minute <= 240; $minute++) {
        if ($minute % 30 === 0) {
            expect($balance->afterMinutes((float) $minute, $litres))->toEqualWithDelta($oxygen, 2e-4);
        }
        for ($step = 0; $step < 200; $step++) {
            $rate = fn (float $c): float => (10 * 0.15 * (9.1 - $c) - 120 * $c / ($c + 0.5)) / $litres / 60 / 200;
            $half = $oxygen + $rate($oxygen) / 2;
            $oxygen += $rate($half);
        }
    }
    expect($balance->withAir(2.0)->steady())->toBeGreaterThan($balance->steady())
        ->and($balance->withAir(1.0)->steady())->toBe($balance->steady())
        ->and($balance->withAir(0.0)->steady())->toEqualWithDelta($balance->afterMinutes(1e7, $litres), 1e-5);
});

it('reads a pump from its box, its rating, or a jar and a stopwatch', function () {
    // 1 L in 20 s at 100 mm: 3 L/min at 0.981 kPa; 1 L in 30 s at 1100 mm: 2 L/min at 10.791 kPa. A straight through both.
    $curve = PumpCurve::bucket([[1.0, 30.0, 1100.0], [1.0, 20.0, 100.0]], null);
    $slope = 1.0 / 9.81;
    expect($curve[1][0])->toEqualWithDelta(3 + 0.981 * $slope, 1e-9)->and($curve[0][1])->toEqualWithDelta(0.981 + 3 / $slope, 1e-9)
        ->and(PumpCurve::box(4.0, 20.0))->toBe([[0.0, 20.0], [4.0, 0.0]])
        ->and(PumpCurve::box(4.0, null)[0][1])->toBe(PumpCurve::USUAL_KPA)
        ->and(PumpCurve::rated(100.0)[1][0])->toEqualWithDelta(8.0, 1e-12);
    $once = PumpCurve::bucket([[1.0, 20.0, 100.0]], 15.0);
    $pump = new Pump(null, 'Mine', $once, 1, 3.0);
    expect($pump->pressureAt(3.0))->toEqualWithDelta(0.981, 1e-9);
});

it('refuses measurements of a pump that cannot be', function (Closure $try, string $says) {
    expect($try)->toThrow(InvalidArgumentException::class, $says);
})->with([
    [fn () => PumpCurve::box(0.0, 10.0), 'free flow'],
    [fn () => PumpCurve::rated(0.0), 'litres'],
    [fn () => PumpCurve::bucket([], null), 'measured'],
    [fn () => PumpCurve::bucket([[1.0, 0.0, 100.0]], null), 'seconds'], [fn () => PumpCurve::bucket([[1.0, 5.0, -3.0]], null), 'depth'],
    [fn () => PumpCurve::bucket([[1.0, 30.0, 100.0], [1.0, 20.0, 900.0]], null), 'deep down'],
    [fn () => PumpCurve::bucket([[1.0, 30.0, 2500.0]], 15.0), 'pressure on its box'],
]);

/** Two pails and a deep one on one pump. */
function threeTubs(array $air = []): Garden
{
    return Gardens::of([
        'tubs' => array_map(static fn (array $t): array => [
            'id' => $t[0], 'system' => 'aerated', 'vessel' => $t[1], 'crop' => 'basil', 'stones' => ['kind' => 'disc-100'],
        ], [['a', 'pail-15'], ['b', 'bucket-20'], ['c', 'bucket-30']]),
        'air' => [[
            'id' => 'p', 'pump' => 'pump-8w-4', 'check_valve' => true,
            'branches' => [['tub' => 'a'], ['tub' => 'b'], ['tub' => 'c']], ...$air,
        ]],
    ]);
}

it('shows what goes wrong as the network would feel it', function () {
    $garden = threeTubs();
    $look = fn (?Trouble $trouble) => (new AirLook(Gardens::planner()))->of($garden, $garden->tubs[0], 10, $trouble, 0.0);
    $flow = fn (object $look, int $b): float => $look->air[0]->branches[$b]->flow_l_min;
    $well = $look(null);
    expect($flow($look(Trouble::CloggedStone), 0))->toBeLessThan(0.8 * $flow($well, 0))
        ->and($flow($look(Trouble::CloggedStone), 1))->toBeGreaterThan($flow($well, 1))
        ->and($flow($look(Trouble::WeakDiaphragm), 2))->toBeLessThan($flow($well, 2))
        ->and($flow($look(Trouble::SecondCheckValve), 1))->toBeLessThan($flow($well, 1))
        ->and($flow($look(Trouble::ReversedCheckValve), 1))->toBe(0.0)
        ->and($flow($look(Trouble::ValveShut), 0))->toBe(0.0)
        ->and($flow($look(Trouble::ValveShut), 1))->toBeGreaterThan($flow($well, 1))
        ->and($look(Trouble::ValveShut)->oxygen[0]->steady_mg_l)->toBeLessThan($well->oxygen[0]->steady_mg_l);
});

it('crosses the pump with its lines where the pump runs, and draws oxygen through where it is', function () {
    $garden = threeTubs(['trunk_mm' => 800]);
    $look = (new AirLook(Gardens::planner()))->of($garden, $garden->tubs[1], 10, null, 144.0);
    $report = Gardens::report($garden);
    $pump = Gardens::library()->pumps->get('pump-8w-4');
    expect($look->curves->at[0])->toEqualWithDelta($report->air[0]->flow_l_min, 1e-9)
        ->and($look->curves->at[1])->toEqualWithDelta($pump->pressureAt($report->air[0]->flow_l_min), 1e-6)
        ->and($look->oxygen_by_air->now)->toEqual([$report->tubs[1]->oxygen->air_l_min, $report->tubs[1]->oxygen->steady_mg_l])
        ->and($look->outage->grown[0][1])->toEqualWithDelta($report->tubs[1]->oxygen->steady_mg_l, 1e-9)
        ->and($look->outage->grown_min)->toBe($report->tubs[1]->oxygen->outage_min)
        // 144 Wh, of which seven tenths come to 8 W: 12.6 h.
        ->and($look->outage->battery_min)->toEqualWithDelta(60 * 144 * 0.7 / 8, 1e-9)
        ->and($look->energy->kwh_month)->toEqualWithDelta(5.84, 1e-9)
        ->and($look->energy->panel_wp)->toEqualWithDelta(8 * 24 / (4 * 0.7), 1e-9)
        ->and($look->energy->battery_wh_day)->toEqualWithDelta(8 * 24 / 0.7, 1e-9);
});

it('sets valves at a press so that each stone gets the same, or by what roots ask for', function () {
    $garden = threeTubs();
    $look = (new AirLook(Gardens::planner()))->of($garden, $garden->tubs[0], 10, null, 0.0);
    $after = fn (array $patch): stdClass => Gardens::report(Gardens::reader()->fromDocument(
        KelpTub\Core\File\PatchedDocument::of($garden->document, $patch),
    ));
    $same = array_map(fn ($b): float => $b->per_stone_l_min, $after($look->valves->same)->air[0]->branches);
    expect(max($same) / min($same))->toBeLessThan(1.02);
    $demand = $after($look->valves->demand);
    $steady = array_map(fn ($t): float => $t->oxygen->steady_mg_l, $demand->tubs);
    $before = array_map(fn ($t): float => $t->oxygen->steady_mg_l, Gardens::report($garden)->tubs);
    expect(min($steady))->toBeGreaterThanOrEqual(min($before) - 1e-9);
});

it('ranks pumps that meet every tub before those that do not, each as its patch makes it', function () {
    $garden = threeTubs();
    $ranked = (new PumpRanking(Gardens::planner(), Gardens::library()))->of($garden, $garden->tubs[0], 10);
    $meets = array_map(fn ($o): bool => $o->meets, $ranked);
    expect(count($ranked))->toBeGreaterThanOrEqual(10)
        ->and($meets)->toBe([...array_filter($meets), ...array_filter($meets, fn (bool $m): bool => ! $m)])
        ->and(array_unique(array_column($ranked, 'supply')))->toHaveCount(4);
    foreach ($ranked as $option) {
        $planned = Gardens::reader()->fromDocument(KelpTub\Core\File\PatchedDocument::of($garden->document, $option->patch));
        $report = Gardens::report($planned);
        foreach ($option->tubs as $i => $tub) {
            expect($report->tubs[$i]->oxygen->steady_mg_l)->toEqualWithDelta($tub->grown_mg_l, 1e-9)
                ->and($report->air[0]->branches[$i]->flow_l_min)->toEqualWithDelta($tub->air_l_min, 1e-9);
        }
        if ($option->meets) {
            $bad = array_filter(Gardens::findings($planned), fn (string $f): bool => preg_match('/(stop|mend) air\./', $f) === 1);
            expect($bad)->toBe([]);
        }
    }
});

it('finds the smallest circle round points, as trying every two and three of them does', function (int $seed) {
    mt_srand($seed);
    for ($case = 0; $case < 60; $case++) {
        $grid = $case % 3 === 0;
        $points = array_map(fn () => $grid
            ? new Point(72.0 * mt_rand(-3, 3), 72.0 * mt_rand(-2, 2))
            : new Point(mt_rand(-3000, 3000) / 10, mt_rand(-2000, 2000) / 10), range(1, mt_rand(1, 9)));
        $circles = array_map(fn (Point $p) => [$p->x, $p->y, 0.0], $points);
        foreach ($points as $i => $a) {
            foreach (array_slice($points, $i + 1) as $k => $b) {
                $circles[] = [($a->x + $b->x) / 2, ($a->y + $b->y) / 2, hypot($a->x - $b->x, $a->y - $b->y) / 2];
                foreach (array_slice($points, $i + $k + 2) as $c) {
                    $d = 2 * ($a->x * ($b->y - $c->y) + $b->x * ($c->y - $a->y) + $c->x * ($a->y - $b->y));
                    if (abs($d) > 1e-6) {
                        [$qa, $qb, $qc] = array_map(fn (Point $p) => $p->x ** 2 + $p->y ** 2, [$a, $b, $c]);
                        $x = ($qa * ($b->y - $c->y) + $qb * ($c->y - $a->y) + $qc * ($a->y - $b->y)) / $d;
                        $y = ($qa * ($c->x - $b->x) + $qb * ($a->x - $c->x) + $qc * ($b->x - $a->x)) / $d;
                        $circles[] = [$x, $y, hypot($a->x - $x, $a->y - $y)];
                    }
                }
            }
        }
        $round = array_filter($circles, fn ($c) => max(array_map(
            fn (Point $p) => hypot($p->x - $c[0], $p->y - $c[1]),
            $points,
        )) <= $c[2] + 1e-7);
        $found = EnclosingCircle::of($points);

        expect($found->radius)->toEqualWithDelta(min(array_column($round, 2)), 1e-6)
            ->and(max(array_map(fn (Point $p) => $p->distanceTo($found->centre), $points)))->toBeLessThanOrEqual($found->radius + 1e-6);
    }
})->with([1, 2, 3]);
