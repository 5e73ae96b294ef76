<?php

declare(strict_types=1);

use KelpTub\Core\Build\Step;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildReport;
use KelpTub\Core\Marks\Build\BuildSheet;
use Tests\Core\Gardens;

/** @return array<string, Step> by key */
function sheetOf(Garden $garden, int $tub = 0): array
{
    return array_column(array_map(
        fn (Step $s): array => [$s->key, $s],
        BuildSheet::of(Gardens::plan($garden), $garden->tubs[$tub])->steps,
    ), 1, 0);
}

dataset('kinds', [
    'aerated bucket' => [['crop' => 'basil'], []],
    'tote with a feed' => [
        ['vessel' => 'tote-45', 'crop' => 'mizuna', 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ],
    'two stones, throttled' => [['stones' => ['kind' => 'disc-100', 'count' => 2], 'crop' => 'basil'], []],
    'passive' => [['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf'], []],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil'], []],
    'a jar with an adapter' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50', 'crop' => 'basil'], []],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf'], []],
    'a cloner' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cloner' => ['collar' => true]], []],
    'a nursery' => [['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'rocket'], []],
    'a nested pair' => [['vessel' => 'bucket-19', 'under' => ['vessel' => 'bucket-30', 'blocks_mm' => 80], 'crop' => 'basil'], []],
    'traced by knife' => [['cutting' => 'traced', 'crop' => 'basil'], []],
    'drilled already' => [['cutting' => 'drilled', 'hole_mm' => 51, 'crop' => 'basil'], []],
    'tube through the lid' => [['tube_entry' => 'lid', 'crop' => 'basil'], []],
    'painted' => [['vessel' => [
        'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        'opacity' => 'translucent', 'cover' => 'paint',
    ], 'crop' => 'basil', 'system' => 'passive'], []],
    'all extras and a trellis' => [['extras' => ['sight-tube', 'battens', 'drill-guide'], 'trellis' => true, 'crop' => 'tomato-vine'], []],
    'seedlings' => [['started' => 'seedling', 'crop' => 'basil'], []],
    'meters' => [['crop' => 'basil'], ['testing' => 'meter']],
    'through a manifold' => [['crop' => 'basil', 'count' => 3], ['air' => [
        ['id' => 'pump', 'pump' => 'pump-4w-2', 'check_valve' => true, 'manifold' => true, 'branches' => [['tub' => 'tub']]],
    ]]],
]);

it('uses every part and tool at some step, and none that the list lacks', function (array $tub, array $garden) {
    $garden = Gardens::tub($tub, $garden);
    $plan = Gardens::plan($garden);
    $used = [];
    foreach (BuildSheet::of($plan, $garden->tubs[0])->steps as $step) {
        $used = [...$used, ...array_keys($step->tools), ...array_keys($step->parts)];
    }
    $listed = array_column(Gardens::report($garden)->parts, 'key');

    expect(array_diff($listed, $used))->toBe([])
        ->and(array_diff($used, $listed))->toBe([])
        ->and(count($used))->toBeGreaterThan(5);
})->with('kinds');

it('has each step once, named, with something to look at before going on', function (array $tub, array $garden) {
    $garden = Gardens::tub($tub, $garden);
    $steps = BuildSheet::of(Gardens::plan($garden), $garden->tubs[0])->steps;
    $keys = array_map(fn (Step $s) => $s->key, $steps);

    expect(array_unique($keys))->toBe($keys)->and($keys[0])->toBeIn(['sow', 'young', 'check'])->and(end($keys))->toBe('log');
    foreach ($steps as $step) {
        expect($step->minutes)->toBeGreaterThan(0)->and($step->doneWhen)->not->toBe('')
            ->and($step->does.implode(' ', $step->figures))->not->toMatch('/NAN|INF|  |\.\.|\d{4}\d*\.\d{3}/');
    }
})->with('kinds');

it('knows how the tub stands at a step: empty, its stones just covered, filled, planted', function () {
    $stands = fn (array $tub): array => array_map(
        fn (Step $s) => [$s->water, $s->planted],
        sheetOf(Gardens::tub(['crop' => 'basil', ...$tub])),
    );
    $aired = $stands(['stones' => ['kind' => 'disc-100', 'count' => 1, 'height_mm' => 30]]);
    $jar = $stands(['system' => 'passive', 'vessel' => 'jar-1']);
    // The first fill goes up to the cup's foot: a lid 365 mm up, a cup 52 mm deep that hangs by its lip.
    $cup = 313.0;

    expect($aired['pump'])->toBe([0.0, false])->and($aired['wet-test'])->toBe([50.0, false])->and($aired['fill'])->toBe([$cup, false])
        ->and($aired['ph'])->toBe([$cup, false])->and($aired['plant'])->toBe([$cup, true])->and($aired['log'])->toBe([$cup, true])
        ->and($jar['wash'])->toBe([0.0, false])->and($jar['fill'][0])->toBeGreaterThan(50.0);
});

it('shows each caution where it matters', function (array $tub, string $step, string $caution) {
    $sheet = sheetOf(Gardens::tub(['crop' => 'basil', ...$tub]));

    expect(array_map(fn ($c) => $c->value, $sheet[$step]->cautions))->toContain($caution);
})->with([
    'saws' => [[], 'saw', 'saw'],
    'eyes at a saw' => [[], 'saw', 'eyes'],
    'bits' => [[], 'tube-hole', 'saw'],
    'a knife' => [['cutting' => 'traced'], 'cut', 'knife'],
    'a knife at the tube' => [['cutting' => 'traced', 'tube_entry' => 'lid'], 'tube-hole', 'knife'],
    'a board' => [['system' => 'raft', 'vessel' => 'tote-45'], 'board', 'knife'],
    'paint' => [['vessel' => [
        'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        'opacity' => 'translucent', 'cover' => 'paint',
    ]], 'cover', 'paint'],
    'electricity at the pump' => [[], 'pump', 'electricity'],
    'electricity in the wet' => [[], 'wet-test', 'electricity'],
    'electricity at a drip' => [['system' => 'nursery', 'vessel' => 'tote-12'], 'drip', 'electricity'],
    'chemicals at pH' => [[], 'ph', 'chemicals'],
    'weight' => [['vessel' => 'tote-90'], 'fill', 'weight'],
    'standing water' => [[], 'fill', 'standing-water'],
    'glass' => [['system' => 'passive', 'vessel' => 'jar-1'], 'fill', 'glass'],
    'food' => [[], 'wash', 'food'],
    'local rules' => [[], 'check', 'local'],
]);

it('cuts the hole for the tube with the knife that cuts the lid, and drills it in a wall', function () {
    $of = static function (array $tub): array {
        $garden = Gardens::tub(['crop' => 'basil', 'cutting' => 'traced', ...$tub]);
        $step = sheetOf($garden)['tube-hole'];

        $needs = array_column(Gardens::plan($garden)->needs(), 'key');

        return [$step->title, array_keys($step->tools), array_intersect(['drill', 'knife'], $needs)];
    };
    [$title, $tools, $needs] = $of(['tube_entry' => 'lid']);
    expect($title)->toBe('Cut the tube hole')->and($tools)->toBe(['knife'])->and(array_values($needs))->toBe(['knife']);
    [$title, $tools, $needs] = $of(['tube_entry' => 'side']);
    expect($title)->toBe('Drill the tube hole')->and($tools)->toContain('drill')->not->toContain('knife')
        ->and(array_values($needs))->toBe(['drill', 'knife']);
    // A lid that is sawn is drilled too.
    expect($of(['cutting' => 'saw', 'tube_entry' => 'lid'])[0])->toBe('Drill the tube hole');
});

it('fuses a battery where a pump runs on one, and no other', function () {
    $cautions = fn (string $pump): array => array_map(
        fn ($c) => $c->value,
        sheetOf(Gardens::tub(['crop' => 'basil'], [], ['pump' => $pump]))['pump']->cautions,
    );
    $pumps = array_map(fn ($p) => [$p->key, $p->supply?->value], iterator_to_array(Gardens::library()->pumps));
    $twelve = array_values(array_filter($pumps, fn ($p) => $p[1] === '12v'))[0][0];

    expect($cautions($twelve))->toContain('battery')->and($cautions('pump-4w-2'))->not->toContain('battery');
});

it('leaves out what a kind has not, and has what it has', function (array $tub, array $has, array $lacks) {
    $keys = array_keys(sheetOf(Gardens::tub(['crop' => 'basil', ...$tub])));

    expect($keys)->toContain(...$has)->not->toContain(...$lacks);
})->with([
    'passive' => [['system' => 'passive'], ['saw', 'fill'], ['pump', 'stones', 'route', 'wet-test', 'tube-hole', 'balance']],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75'], ['fill'], ['mark', 'saw', 'deburr', 'adapter']],
    'an adapter' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50'], ['adapter'], ['pump']],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45'], ['board', 'stones'], ['tube-hole']],
    'a cloner' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings'], ['spray-test'], ['drip']],
    'a nursery' => [['system' => 'nursery', 'vessel' => 'tote-12'], ['drip'], ['spray-test']],
    'a pair' => [['vessel' => 'bucket-19', 'under' => ['vessel' => 'bucket-30', 'blocks_mm' => 80]], ['pair'], ['adapter']],
    'holes that are there' => [['cutting' => 'drilled', 'hole_mm' => 51], ['wash'], ['mark', 'saw', 'cut', 'deburr']],
    'a knife' => [['cutting' => 'traced'], ['cut'], ['pilot', 'saw']],
]);

it('never lets roots that hang in air be drowned, and says so of passive tubs alone', function () {
    expect(sheetOf(Gardens::tub(['system' => 'passive', 'crop' => 'basil']))['fill']->does)->toContain('air roots drown')
        ->and(sheetOf(Gardens::tub(['crop' => 'basil']))['fill']->does)->not->toContain('air roots drown');
});

it('gives this design’s numbers: the saw, the shallow test, the doses', function () {
    $garden = Gardens::tub(['crop' => 'basil', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]);
    $sheet = sheetOf($garden);
    $report = Gardens::report($garden)->tubs[0];
    $a = $report->feed->parts[0];

    expect(implode(' ', $sheet['saw']->figures))->toContain("saw {$report->hole->saw}")
        ->and($sheet['feed']->figures['A'])->toStartWith((string) round($a->g, $a->g < 10 ? 2 : 1))
        // A stone at 20 mm just covered by 20 more, in a bucket of 262 mm that widens to 287: its floor's area in litres a mm.
        ->and((float) $sheet['wet-test']->figures['Water for it'])->toEqualWithDelta(M_PI * 0.263 ** 2 / 4 * 40, 0.15);
});

it('counts the time of tubs alike together', function () {
    $minutes = fn (int $count): int => array_sum(array_map(
        fn (Step $s) => $s->minutes,
        sheetOf(Gardens::tub(['crop' => 'basil', 'count' => $count])),
    ));

    // By hand: getting ready counts whole for the first and half for each further one, what is done to each hole counts for each.
    $of = fn (int $count, string $key): int => sheetOf(Gardens::tub(['crop' => 'basil', 'count' => $count]))[$key]->minutes;
    $holes = Gardens::tubPlan(Gardens::tub(['crop' => 'basil']))->holes->count();

    expect([$of(1, 'wash'), $of(3, 'wash'), $of(1, 'saw'), $of(3, 'saw')])->toBe([15, 30, 5 + 2 * $holes, 10 + 6 * $holes])
        ->and($minutes(3))->toBeLessThan(3 * $minutes(1))
        ->and(sheetOf(Gardens::tub(['crop' => 'basil', 'count' => 3]))['check']->does)->toContain('the 3 alike together');
});

it('keeps a tick until the design changes its step, and only of that step', function () {
    $at = fn (array $tub, array $builds): stdClass => BuildReport::of(
        Gardens::plan($garden = Gardens::tub(['crop' => 'basil', ...$tub], ['builds' => $builds])),
        $garden->tubs[0],
    );
    $prints = array_column($at([], [])->steps, 'print', 'key');
    $done = [[
        'tub' => 'tub',
        'ticks' => ['saw' => '2027-03-02', 'wash' => '2027-03-03'],
        'prints' => ['saw' => $prints['saw'], 'wash' => $prints['wash']],
    ]];
    $step = fn (stdClass $sheet, string $key): stdClass => array_column($sheet->steps, null, 'key')[$key];
    $same = $at([], $done);
    $wider = $at(['cup' => 'net-cup-75'], $done);

    expect($step($same, 'saw')->ticked)->toBe('2027-03-02')->and($same->done)->toBe(2)
        ->and([$step($wider, 'saw')->ticked, $step($wider, 'saw')->changed])->toBe([null, true])
        ->and($step($wider, 'deburr')->changed)->toBeFalse()
        ->and($step($same, 'saw')->changed)->toBeFalse();
});

it('refuses what was built of no tub, of a copy too many, or twice', function () {
    $faults = Gardens::faults(json_encode([
        'format' => GardenFile::FORMAT, 'version' => 1,
        'tubs' => [['id' => 'a', 'system' => 'passive', 'vessel' => 'bucket-20']],
        'builds' => [['tub' => 'b'], ['tub' => 'a', 'copy' => 2], ['tub' => 'a'], ['tub' => 'a', 'copy' => 1]],
    ], JSON_THROW_ON_ERROR));

    expect($faults)->toBe([
        '/builds/0/tub: is "b", and no tub of this garden has that id',
        '/builds/1/copy: is 2, and there are 1 of that tub',
        '/builds/3: is the second of that copy; each has one',
    ]);
});

it('speaks in the grower’s units', function () {
    $sheet = sheetOf(Gardens::tub(['crop' => 'basil'], ['units' => 'us']));
    $all = implode(' ', array_map(fn (Step $s) => $s->does.' '.implode(' ', $s->figures).implode(' ', $s->parts), $sheet));

    expect($all)->toContain('gal')->not->toMatch('/\d\x{202f}(mm|L|kg)\b/u');
});

it('tries the pH on a little of the water, with the sum for this tub', function (array $tub, string $units, array $says) {
    $garden = Gardens::tub(
        ['crop' => 'basil', 'feed' => 'f', ...$tub],
        ['units' => $units, 'feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    );
    $step = sheetOf($garden)['ph'];

    expect($step->does)->toContain(...$says)->and(array_keys($step->parts))->toContain('ph-down');
    // As many drops to each litre of the tub as to a litre of the trial.
    preg_match('/take out (a litre|a quarter of a litre) .* had it taken (\d+), .* would take ([\d.]+)/su', $step->does, $m);
    if ($m !== []) {
        $litres = Gardens::tubPlan($garden)->water->start();
        expect((float) $m[3])->toEqualWithDelta($m[2] / 20 * $litres / ($m[1] === 'a litre' ? 1 : 0.25), 0.5);
    }
})->with([
    'a bucket' => [[], 'metric', ['take out a litre', 'had it taken 6', 'Give half of yours']],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1'], 'metric', ['take out a quarter of a litre', 'had it taken 2']],
    'in US units' => [[], 'us', ['take out a quart and']],
]);

it('does not ask for a step again because of what it found out, or because it is said in other words', function () {
    $at = fn (array $vessel): array => array_map(
        fn (Step $s): string => $s->print(),
        sheetOf(Gardens::tub(['crop' => 'basil', 'vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]], ...$vessel,
        ]])),
    );
    [$tape, $fills] = [$at([]), $at(['fills' => [['litres' => 7.5, 'depth_mm' => 150], ['litres' => 15.5, 'depth_mm' => 290]]])];
    $step = fn (string $does): Step => new Step(
        'wash', 'Wash', $does, ['Hole' => '51 mm'], [], [], 5, [], 'cup', 'hole', 0.0, false, 'Done.',
    );

    expect([$fills['measure'], $fills['fill'], $fills['saw']])->toBe([$tape['measure'], $tape['fill'], $tape['saw']])
        ->and($fills['wet-test'])->not->toBe($tape['wet-test'])
        ->and($step('Saw 3 holes of 51 mm.')->print())->toBe($step('Cut 3 holes, each 51 mm wide.')->print())
        ->and($step('Saw 3 holes of 51 mm.')->print())->not->toBe($step('Saw 4 holes of 51 mm.')->print());
});

it('takes a tick of an older version as it stands', function () {
    $garden = Gardens::tub(['crop' => 'basil'], ['builds' => [[
        'tub' => 'tub',
        'ticks' => ['saw' => '2027-03-02', 'wash' => '2027-03-03'],
        'prints' => ['saw' => '1f2e3d4c', 'wash' => 's00000000'],
    ]]]);
    $steps = array_column(BuildReport::of(Gardens::plan($garden), $garden->tubs[0])->steps, null, 'key');

    expect([$steps['saw']->ticked, $steps['saw']->changed])->toBe(['2027-03-02', false])
        ->and([$steps['wash']->ticked, $steps['wash']->changed])->toBe([null, true]);
});
