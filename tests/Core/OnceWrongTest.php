<?php

declare(strict_types=1);

use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\WhatIf\PumpRanking;
use KelpTub\Core\WhatIf\Savings;
use KelpTub\Core\WhatIf\TubCosts;
use Tests\Core\Gardens;

// Small gardens that once went wrong.

/** @return array<string, mixed> a square tote with straight walls and its lid */
function square(float $side): array
{
    $section = ['length_mm' => $side, 'width_mm' => $side, 'corner_radius_mm' => 0];

    return ['kind' => 'tote', 'stations' => [['height_mm' => 0, ...$section], ['height_mm' => 300, ...$section]]];
}

it('keeps corner and middle of five cups apart', function (float $side) {
    // Holes of 54 centred 47 from the edge: corner to middle is √2·(side/2 − 47), and lid and lips want 69.
    $report = Gardens::report(
        Gardens::tub(['vessel' => square($side), 'hole_mm' => 54, 'layout' => ['pattern' => 'corners', 'cups' => 5]]),
    );
    $five = sqrt(2) * ($side / 2 - 47) >= 69;

    expect($report->tubs[0]->layout->pattern === 'corners' && $report->tubs[0]->layout->count === 5 && $report->tubs[0]->layout->complete)
        ->toBe($five)
        ->and(array_column($report->findings, 'code'))->not->toContain('lid.lips', 'lid.web');
})->with([170, 185, 191, 192, 200, 240]);

it('takes a cup\'s number with a point, and lengths and valves that are next to nothing for mistakes', function () {
    $hole = ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0, 'cup' => 1.0]]];
    $garden = static fn (array $tub, array $air = []): string => (string) json_encode([
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'tubs' => [['id' => 't', 'system' => 'aerated', 'vessel' => 'bucket-20', ...$tub]],
        'air' => $air,
    ], JSON_PRESERVE_ZERO_FRACTION);
    $valve = static fn (float $open): array => [
        ['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 't', 'valve' => $open]]],
    ];
    $floor = static fn (float $across): array => [
        'vessel' => ['stations' => [['height_mm' => 0, 'diameter_mm' => $across], ['height_mm' => 100, 'diameter_mm' => 100]]],
    ];

    expect(Gardens::faults($garden(['layout' => $hole])))->toBe([])
        ->and(Gardens::report(Gardens::reader()->read($garden(['layout' => $hole])))->tubs[0]->layout->holes[0]->cup)->toBe(1)
        ->and(Gardens::faults($garden([], $valve(0.0))))->toBe([])
        ->and(Gardens::faults($garden([], $valve(0.01))))->toBe([])
        ->and(Gardens::faults($garden([], $valve(0.0099))))
        ->toBe(['/air/0/branches/0/valve: is 0.0099; it is 0 for closed, or from 0.01 to 1'])
        ->and(Gardens::faults($garden($floor(0.01))))->toBe([])
        ->and(Gardens::faults($garden($floor(1.0e-170))))
        ->toBe(['/tubs/0/vessel/stations/0/diameter_mm: is 1.0e-170; the least is 0.01']);
});

it('buys a drill only where something is drilled', function (array $tub, array $air, bool $drilled) {
    $parts = array_column(Gardens::report(Gardens::tub($tub, [], $air))->parts, 'need', 'key');

    expect(isset($parts['drill']))->toBe($drilled);
})->with([
    'a jar that nothing is cut for' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75'], [], false],
    'a lid traced and cut by knife' => [['system' => 'passive', 'cutting' => 'traced'], [], false],
    'a lid cut with a saw' => [['system' => 'passive'], [], true],
    'a hole for the tube' => [['cutting' => 'traced'], [], true],
    'a hole for the cord' => [
        ['system' => 'passive', 'cutting' => 'traced', 'under' => ['vessel' => 'tote-90', 'blocks_mm' => 80]],
        [],
        true,
    ],
]);

it('says by how much a tub of several crops falls short until the last of them is harvested', function () {
    $plan = Gardens::tubPlan($garden = Gardens::tub([
        'system' => 'passive',
        'vessel' => 'bucket-10',
        'crops' => [['crop' => 'rocket', 'plants' => 1], ['crop' => 'thyme', 'plants' => 1]],
    ]));
    $dry = array_column(Gardens::report($garden)->findings, null, 'code')['passive.dry'];
    $short = $plan->water->use->until($plan->water->use->harvestDay) - $plan->water->usable();

    expect($short)->toBeGreaterThan(0.0)
        ->and($plan->water->use->toHarvest)->toBeLessThan($plan->water->usable())
        ->and(str_replace("\u{202F}", ' ', $dry->says))->toContain('It lacks '.round($short, 1).' L.');
});

it('refuses a crop of one\'s own that lacks its figures, and says which', function () {
    $faults = Gardens::faults((string) json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1, 'library' => ['crops' => ['a/b' => ['name' => 'Only a name']]],
    ]));

    expect($faults)->toHaveCount(1)
        ->and($faults[0])->toStartWith('/library/crops/a~1b: needs ')->toContain('spacing_mm', 'root_oxygen_mg_h');
});

it('takes crops by keys of digits, and says where by pointers that lead there', function (string $key, string $pointer) {
    $row = get_object_vars(Gardens::library()->crops->raw('basil'));
    $garden = static fn (array $row): array => [
        'library' => ['crops' => [$key => $row]],
        'tubs' => [
            ['id' => 't', 'system' => 'aerated', 'vessel' => 'tote-45', 'crops' => [['crop' => $key, 'plants' => 2], ['crop' => 'dill']]],
        ],
    ];
    $report = Gardens::report(Gardens::of($garden($row)));
    $faults = Gardens::faults(
        (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, ...$garden(['ec_low' => 9] + $row), 'owned' => [$key => -1]]),
    );
    $unread = Gardens::faults(
        (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, ...$garden(['ec_low' => 9] + $row)]),
    );

    expect($report->tubs[0]->crops[0]->crop)->toBe($key)
        ->and($faults)->toBe(["/owned/$pointer: is -1; the least is 0"])
        ->and($unread)->toBe(["/library/crops/$pointer/ec_low: is 9, above ec_high of {$row['ec_high']}"]);
})->with([['123', '123'], ['007', '007'], ['a/b', 'a~1b'], ['x~y', 'x~0y']]);

it('stops a list of faults at two hundred, and looks at how long a list is before it looks at what is in it', function () {
    $faults = static fn (array $garden): array => Gardens::faults(
        (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, ...$garden]),
    );
    $prices = $faults(['prices' => array_fill(0, 150, ['part' => 'x', 'pack' => 1e-9, 'price' => -1])]);
    $tubs = $faults(['tubs' => array_fill(0, 61, new stdClass)]);
    $holes = $faults(['tubs' => [['id' => 't', 'layout' => ['holes' => array_fill(0, 201, 'no hole')]]]]);

    expect($prices)->toHaveCount(201)
        ->and($prices[0])->toBe('/prices/0/pack: is 1.0e-9; the least is 0.001')
        ->and($prices[200])->toBe('/: and 100 more')
        ->and($tubs)->toBe(['/tubs: has 61 entries; the most is 60'])
        ->and($holes)->toBe(['/tubs/0/layout/holes: has 201 entries; the most is 200']);
});

it('traces the hole of a cup that is wider than any saw, instead of standing it proud', function () {
    $tub = Gardens::report(Gardens::tub(['cup' => 'bucket-insert-200', 'crop' => 'tomato-vine']))->tubs[0];

    expect($tub->hole->saw)->toBeNull()->and($tub->hole->seat)->toBe('lip')->and($tub->hole->raise_mm)->toBe(0.0);
});

it('braces long walls, not round ones, whichever way they are measured', function (array $section, bool $bows) {
    $vessel = ['stations' => [['height_mm' => 0, ...$section], ['height_mm' => 300, ...$section]]];

    expect(in_array('mind vessel.bow', Gardens::findings(Gardens::tub(['vessel' => $vessel])), true))->toBe($bows);
})->with([
    'long' => [['length_mm' => 700, 'width_mm' => 300], true],
    'wide' => [['length_mm' => 300, 'width_mm' => 700], true],
    'round' => [['diameter_mm' => 700], false],
]);

it('holds no cup to a wall that it hangs above', function () {
    // A lid 150 over the rim: cups of 52 hang clear of the vessel, and may stand over its wall.
    $section = ['length_mm' => 200, 'width_mm' => 200];
    $holes = fn (float $above): array => Gardens::findings(Gardens::tub([
        'vessel' => [
            'stations' => [['height_mm' => 0, ...$section], ['height_mm' => 200, ...$section]],
            'lid' => ['length_mm' => 400, 'width_mm' => 400, 'top_above_rim_mm' => $above],
        ],
        'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 100, 'y_mm' => 0]]],
    ]));

    expect($holes(150))->not->toContain('stop lid.wall')->and($holes(20))->toContain('stop lid.wall');
});

it('names the two cups that fail, where sizes differ', function () {
    // Small ones 66 apart have 5 to spare; the large ones stand 84 apart and want 85.
    $garden = Gardens::tub(['vessel' => 'tote-64', 'cup' => 'net-cup-50', 'cups_2' => 'net-cup-75', 'layout' => [
        'pattern' => 'manual',
        'holes' => [
            ['x_mm' => -200, 'y_mm' => 0, 'cup' => 1], ['x_mm' => -134, 'y_mm' => 0, 'cup' => 1],
            ['x_mm' => 60, 'y_mm' => 0, 'cup' => 2], ['x_mm' => 144, 'y_mm' => 0, 'cup' => 2],
        ],
    ]]);
    $lips = array_column(Gardens::report($garden)->findings, null, 'code')['lid.lips'];

    expect(str_replace("\u{202F}", ' ', $lips->says))->toBe('Two cups stand 84 mm apart and their lips need 85 mm. Move them apart.');
});

it('needs as many plugs as it sets', function (array $tub) {
    $report = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'layout' => ['cups' => 6], ...$tub]));
    $need = array_column($report->parts, 'need', 'key')['plug-stone-wool'] ?? 0.0;

    expect((float) $report->tubs[0]->media->plugs)->toBe($need);
})->with([
    'a crop' => [['crop' => 'basil']],
    'no crop' => [[]],
    'some planted' => [['crop' => 'basil', 'plants' => 4]],
    'no crop, some planted' => [['plants' => 3]],
    'several' => [['crops' => [['crop' => 'basil', 'plants' => 2], ['crop' => 'dill', 'plants' => 3]]]],
]);

it('breathes a nursery\'s water as it trickles back', function () {
    $steady = static fn (float $flow, array $rest = []): float => Gardens::report(Gardens::tub(
        ['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'basil', 'stones' => null, 'nursery' => ['flow_l_h' => $flow], ...$rest],
        [],
        ['none' => true],
    ))->tubs[0]->oxygen->steady_mg_l;
    $tub = Gardens::tub(
        ['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'basil', 'stones' => null, 'nursery' => ['flow_l_h' => 60]],
        [],
        ['none' => true],
    );
    $oxygen = Gardens::report($tub)->tubs[0]->oxygen;
    $area = Gardens::tubPlan($tub)->tub->body->vessel->profile->sectionAt(Gardens::tubPlan($tub)->water->line->grown)->area() / 1e6;
    // 60 L/h for 15 of 60 minutes: 15 L/h, half of what they lack.
    $supply = (10 * $area + 0.5 * 15) * ($oxygen->saturation_mg_l - $oxygen->steady_mg_l);

    expect($supply)->toEqualWithDelta($oxygen->demand_mg_h * $oxygen->steady_mg_l / ($oxygen->steady_mg_l + 0.5), 1e-6)
        ->and($steady(120))->toBeGreaterThan($steady(60));
});

it('counts water above the stones as they stand under a shallow line, no water a raft cannot reach, and what the grower says', function () {
    $lowest = static fn (array $tub): float => Gardens::report(Gardens::tub($tub))->tubs[0]->levels->lowest_mm;
    $box = static fn (float $height): array => ['stations' => array_map(
        static fn (float $at): array => ['height_mm' => $at, 'length_mm' => 400, 'width_mm' => 300],
        [0, $height],
    )];

    // The line is 52 + 20 under the rim: 228 in 300, 78 in 150.
    expect($lowest(['vessel' => $box(300)]))->toBe(20.0 + 80)
        ->and($lowest(['vessel' => $box(150)]))->toEqualWithDelta(20 + 0.4 * 78, 1e-9)
        ->and($lowest(['vessel' => $box(300), 'lowest_mm' => 33]))->toBe(33.0)
        ->and($lowest(['vessel' => $box(300), 'stones' => null]))->toBe(30.0);
    $raft = Gardens::report(Gardens::tub(['system' => 'raft', 'vessel' => 'bucket-20', 'raft' => ['gap_mm' => 1], 'lowest_mm' => 10]));
    expect($raft->tubs[0]->levels->lowest_mm)->toBeGreaterThan(100.0);
});

it('says when none of the water can be used', function () {
    $findings = static fn (float $lowest): array => Gardens::findings(Gardens::tub(['lowest_mm' => $lowest]));

    // The line of a 20 L bucket is at 365 − 52 − 20.
    expect($findings(292.9))->not->toContain('mend vessel.no-water')->and($findings(293))->toContain('mend vessel.no-water');
});

it('dries a cloner\'s stems in hours and counts no minutes', function () {
    $oxygen = Gardens::report(Gardens::tub(['system' => 'cloner', 'crop' => 'soft-cuttings', 'vessel' => 'tote-20']))->tubs[0]->oxygen;

    expect([$oxygen->outage_min, $oxygen->stems_dry_h])->toBe([null, 6.0])
        ->and(Gardens::report(Gardens::tub([]))->tubs[0]->oxygen->stems_dry_h)->toBeNull();
});

it('drinks three tenths more outdoors in full sun', function (array $site, float $times) {
    $drinks = static fn (array $site): float => Gardens::report(
        Gardens::tub(['crop' => 'basil', 'layout' => ['cups' => 2]], ['site' => $site]),
    )->tubs[0]->season->water_to_harvest_l;

    expect($drinks($site) / $drinks(['setting' => 'indoor']))->toEqualWithDelta($times, 1e-9);
})->with([
    [['setting' => 'open', 'full_sun' => true], 1.3],
    [['setting' => 'open'], 1.0],
    [['setting' => 'indoor', 'full_sun' => true], 1.0],
]);

it('plans no more than six top-ups, none of more than a quarter, and says another way where they would not do', function () {
    mt_srand(99);
    $vessels = Gardens::library()->vessels->keys();
    $crops = Gardens::library()->crops->keys();
    $planned = 0;
    for ($i = 0; $i < 80; $i++) {
        $plan = Gardens::tubPlan($garden = Gardens::tub([
            'system' => 'passive', 'vessel' => $vessels[mt_rand(0, count($vessels) - 1)], 'cup' => 'net-cup-38',
            'crop' => $crops[mt_rand(0, count($crops) - 1)], 'layout' => ['cups' => mt_rand(1, 6)],
        ]));
        $dry = array_column(Gardens::report($garden)->findings, null, 'code')['passive.dry'] ?? null;
        foreach ($dry->remedies ?? [] as $remedy) {
            if (Gardens::deeds($remedy->patch)[0]->path !== '/tubs/0/planned_top_ups') {
                continue;
            }
            $planned++;
            $days = array_map(fn (stdClass $t): float => $t->day, Gardens::deeds($remedy->patch)[0]->value);
            expect(count($days))->toBeLessThanOrEqual(6)->and($days)->toBe(array_values(array_unique($days)));
            foreach (Gardens::deeds($remedy->patch)[0]->value as $topUp) {
                expect($topUp->litres)->toBeLessThanOrEqual($plan->water->working() / 4 + 1e-9);
            }
        }
        expect($dry === null || $dry->remedies !== [])->toBeTrue();
    }
    expect($planned)->toBeGreaterThan(5);
});

it('plans a garden over its cap with a pump of one\'s own that has no price', function () {
    // Nobody sells a pump of one's own without a price: nothing cheaper is looked for in its place.
    $own = ['pump' => ['free_flow_l_min' => 4, 'max_pressure_kpa' => 20, 'outlets' => 2, 'power_w' => 4], 'check_valve' => true];
    $garden = Gardens::of([
        'money' => ['cap' => 20],
        'tubs' => [['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil', 'stones' => ['kind' => 'disc-100']]],
        'air' => [['id' => 'p', ...$own, 'branches' => [['tub' => 'a']]]],
    ]);
    $report = Gardens::report($garden);
    $over = array_values(array_filter($report->findings, fn (stdClass $f): bool => $f->code === 'cost.over-cap'));
    $savings = (new Savings(Gardens::planner()))->of($garden)->savings;

    expect($over)->toHaveCount(1)
        ->and($over[0]->remedies)->toBe([])
        ->and(array_filter($savings, fn (stdClass $saving): bool => $saving->kind === 'pump'))->toBe([]);
});

it('buys the supply without which a 12 V pump stands still', function (string $pump, bool $wants) {
    $report = Gardens::report(Gardens::tub(['crop' => 'basil'], ['owned' => ['supply-12v' => 0]], ['pump' => $pump]));
    $supply = array_column($report->parts, null, 'key')['supply-12v'] ?? null;

    expect($supply === null)->toBe(! $wants)->and($supply->need ?? 0.0)->toEqual($wants ? 1 : 0);
    // Of two pumps that do, what each costs is told with its supply.
    $garden = Gardens::tub(['crop' => 'basil'], [], ['pump' => 'pump-4w-2']);
    $offered = array_column((new PumpRanking(Gardens::planner(), Gardens::library()))->of($garden, $garden->tubs[0], 0), 'price', 'key');
    $price = fn (string $key): float => UnitPrice::ofOne(Gardens::library()->offers->for($key));
    expect($offered['pump-12v-2'])->toEqual($price('pump-12v-2') + $price('supply-12v'))
        ->and($offered['pump-4w-2'])->toEqual($price('pump-4w-2'));
})->with([['pump-12v-2', true], ['pump-4w-2', false], ['pump-battery-2', false]]);

it('reckons three alike with a pump that serves three', function () {
    $garden = fn (string $pump, int $count = 1): Garden => Gardens::tub(
        ['vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'stones' => ['kind' => 'disc-100'], 'count' => $count],
        [],
        ['pump' => $pump],
    );
    $lacks = fn (string $pump, int $count): array => array_values(array_intersect(
        array_column(Gardens::planner()->findings(Gardens::plan($garden($pump, $count))), 'code'),
        ['air.weak', 'air.starved', 'air.oxygen', 'season.air'],
    ));
    $costs = fn (string $pump): stdClass => (new TubCosts(Gardens::planner()))->of($garden($pump))[0];
    $outlay = fn (string $pump): float => Gardens::report($garden($pump, 3))->budget->outlay;

    // Enough for one of them and too little for three; and enough for three.
    expect($lacks('pump-2w-1', 1))->toBe([])->and($lacks('pump-2w-1', 3))->not->toBe([])->and($lacks('pump-4w-2', 3))->toBe([])
        ->and([$costs('pump-2w-1')->three_air, $costs('pump-2w-1')->three])->toBe(['the 4 W pump, two outlets', $outlay('pump-4w-2')])
        ->and([$costs('pump-4w-2')->three_air, $costs('pump-4w-2')->three])->toBe([null, $outlay('pump-4w-2')]);
});
