<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Garden\WaysWanted;
use KelpTub\Core\Marks\Marks;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Core\Gardens;
use Tests\Core\PreviewMemory;
use Tests\Core\Waters;

/** @return list<Finding> */
function findingsOf(Garden $garden): array
{
    $planner = Gardens::planner();

    return $planner->mended($planner->plan($garden));
}

/**
 * Applies every remedy of every finding by itself, plans the garden anew, and looks whether the finding is gone or less, and whether each
 * stop that came of it was named.
 *
 * @return array{int, list<string>, array<string, int>} how many were tried, what was wrong with them, and how often each code was mended
 */
function tryRemedies(Garden $garden): array
{
    $tried = 0;
    $wrong = $codes = [];
    // By tub, though what all tubs say is told once for the garden.
    $before = Gardens::planner()->findings(Gardens::plan($garden));
    $of = static fn (array $findings, string $code, ?string $tub): array => array_values(
        array_filter($findings, static fn (Finding $f): bool => $f->code === $code && ($tub === null || $f->tub === $tub)),
    );
    // Worst first, then how much is amiss in all.
    $amiss = static fn (array $findings): array => [
        ...array_map(
            static fn (Severity $s): int => count(array_filter($findings, static fn (Finding $f): bool => $f->severity === $s)),
            Severity::cases(),
        ),
        round(array_sum(array_map(static fn (Finding $f): float => $f->by, $findings)), 9),
    ];
    $stops = static fn (array $findings): array => array_map(
        static fn (Finding $f): string => "$f->code $f->tub",
        array_filter($findings, static fn (Finding $f): bool => $f->severity === Severity::Stop),
    );
    foreach (findingsOf($garden) as $finding) {
        foreach ($finding->remedies as $remedy) {
            $tried++;
            $codes[$finding->code] = ($codes[$finding->code] ?? 0) + 1;
            $document = json_decode((string) json_encode($garden->document, JSON_PRESERVE_ZERO_FRACTION));
            JsonPatch::import(json_decode((string) json_encode($remedy->patch)))->apply($document);
            $planner = Gardens::planner();
            $after = $planner->findings($planner->plan(Gardens::reader()->fromDocument($document)));
            $named = "$finding->code: $remedy->says";
            $then = $amiss($of($after, $finding->code, $finding->tub));
            $now = $amiss($of($before, $finding->code, $finding->tub));
            if ($then >= $now) {
                $wrong[] = "$named does not help: ".($of($after, $finding->code, $finding->tub)[0]->says ?? '');
            } elseif (array_slice($then, 0, -1) === array_slice($now, 0, -1) && end($then) > 0.9 * end($now) + 1e-6) {
                $wrong[] = "$named changes next to nothing: ".end($now).' to '.end($then);
            }
            $new = array_values(array_diff($stops($after), $stops($before)));
            $codesOfNew = array_values(array_unique(array_map(static fn (string $stop): string => explode(' ', $stop)[0], $new)));
            if ($codesOfNew !== $remedy->then || ($remedy->then !== []) !== str_contains($remedy->says, '. Then: ')) {
                $wrong[] = "$named brings ".implode(', ', $new).' and names '.implode(', ', $remedy->then);
            }
        }
    }

    return [$tried, $wrong, $codes];
}

it('mends what it claims to mend', function (array $tub, array $garden, array $air) {
    [$tried, $failed] = tryRemedies(Gardens::tub($tub, $garden, $air));

    expect($failed)->toBe([])->and($tried)->toBeGreaterThan(0);
})->with([
    'light' => [['vessel' => 'tote-clear-35'], [], []],
    'sun and cold floor' => [[], ['site' => ['full_sun' => true, 'floor' => 'stone']], []],
    'bow' => [['vessel' => 'tote-90', 'water_line' => 'high-start'], [], []],
    'falls through' => [['hole_mm' => 58], [], []],
    'does not enter' => [['hole_mm' => 30], [], []],
    'wedged' => [['hole_mm' => 44], [], []],
    'bearing' => [['hole_mm' => 56], [], []],
    'cup too small' => [['crop' => 'tomato-dwarf'], [], []],
    'two sizes of cup, too many' => [
        [
            'vessel' => 'tote-45',
            'crops' => [['crop' => 'strawberry', 'plants' => 12], ['crop' => 'chives', 'plants' => 12]],
            'cups_2' => 'net-cup-75',
        ],
        [],
        [],
    ],
    'two sizes of cup by hand, too close' => [
        [
            'vessel' => 'tote-45',
            'cups_2' => 'net-cup-75',
            'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 65, 'y_mm' => 0, 'cup' => 2]]],
        ],
        [],
        [],
    ],
    'a second size that fits nowhere' => [
        [
            'vessel' => 'tote-45',
            'layout' => ['cups' => 6],
            'cups_2' => ['lip_diameter_mm' => 400, 'top_diameter_mm' => 380, 'bottom_diameter_mm' => 300, 'height_mm' => 100],
        ],
        [],
        [],
    ],
    'a hole that suits neither size' => [
        ['vessel' => 'tote-45', 'hole_mm' => 57.5, 'cups_2' => 'net-cup-75', 'layout' => ['cups' => 4]],
        [],
        [],
    ],
    'one of two crops in too small a cup' => [
        ['vessel' => 'tote-45', 'crops' => [['crop' => 'strawberry', 'plants' => 2], ['crop' => 'chives', 'plants' => 2]]],
        [],
        [],
    ],
    'too many' => [['layout' => ['cups' => 90]], [], []],
    'too many plants' => [['layout' => ['cups' => 4], 'plants' => 6], [], []],
    'over a third cut away' => [['vessel' => 'tote-45', 'hole_mm' => 54, 'layout' => ['cups' => 35]], [], []],
    'by hand, too close' => [
        [
            'vessel' => 'tote-45',
            'layout' => [
                'pattern' => 'manual',
                'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 40, 'y_mm' => 0], ['x_mm' => 284, 'y_mm' => 0]],
            ],
        ],
        [],
        [],
    ],
    'by hand, on a latch' => [
        ['vessel' => 'tote-30', 'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -215, 'y_mm' => 0]]]],
        [],
        [],
    ],
    'thin lid' => [['vessel' => 'bucket-5', 'crop' => 'chilli'], [], []],
    'crowded' => [['crop' => 'lettuce-leaf', 'layout' => ['cups' => 7]], [], []],
    'crowded and tight' => [['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'density' => 'tight', 'layout' => ['cups' => 20]], [], []],
    'little water' => [['vessel' => 'tote-12', 'crop' => 'basil', 'layout' => ['cups' => 6]], [], []],
    'dark' => [['crop' => 'basil'], ['site' => ['light_hours' => 8]], []],
    'passive, no' => [['system' => 'passive', 'crop' => 'celery', 'cup' => 'net-cup-75'], [], []],
    'passive, dry' => [['system' => 'passive', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]], [], []],
    'passive, dry jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'crop' => 'dill'], [], []],
    'passive, drowned' => [['system' => 'passive', 'crop' => 'dill', 'top_ups' => 'half'], [], []],
    'passive, no gap' => [['system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'chives', 'layout' => ['cups' => 1]], [], []],
    'no air' => [['crop' => 'basil'], [], ['none' => true]],
    'no stone' => [['crop' => 'basil', 'stones' => null], [], []],
    'siphon' => [[], [], ['check_valve' => false]],
    'weak' => [['stones' => ['kind' => 'disc-100', 'count' => 6]], [], ['pump' => 'pump-2w-1']],
    'starved' => [['stones' => ['kind' => 'disc-60-fine']], [], ['pump' => ['free_flow_l_min' => 2, 'max_pressure_kpa' => 6]]],
    'driven' => [['stones' => ['kind' => 'cylinder-25']], [], ['pump' => 'pump-8w-4']],
    'little oxygen' => [['crop' => 'cucumber', 'cup' => 'net-cup-75', 'stones' => ['kind' => 'cylinder-25']], [], ['pump' => 'pump-2w-1']],
    'far cup' => [['vessel' => 'tote-90'], [], []],
    'shallow' => [
        [
            'vessel' => 'crate-flat-28',
            'stones' => ['kind' => 'disc-100', 'height_mm' => 30],
            'water_line' => 'touch',
            'cup' => 'net-cup-38',
        ],
        [],
        [],
    ],
    'tube hole' => [['water_line' => 'high-start'], [], []],
    'nothing to climb' => [['crop' => 'tomato-vine', 'cup' => 'net-cup-75', 'layout' => ['cups' => 1]], [], []],
    'no water of use' => [['vessel' => 'pail-3', 'lowest_mm' => 150], [], []],
    'over the cap' => [['crop' => 'basil'], ['money' => ['cap' => 20]], ['pump' => 'pump-20w-6']],
]);

/** @return list<string> the ways out of a finding, each after what else was to be tried */
function waysOut(Garden $garden, string $code): array
{
    $found = array_values(array_filter(findingsOf($garden), static fn (Finding $f): bool => $f->code === $code));

    return array_map(static fn ($r): string => str_replace("\u{202F}", ' ', $r->says), $found[0]->remedies);
}

it('offers what a grower would think of first', function (Garden $garden, string $code, array $ways) {
    expect(waysOut($garden, $code))->toBe($ways);
})->with([
    // Balance, then a coarser or a shallower stone, then a larger pump; what does not help is left out.
    'a starved stone' => [fn () => Gardens::of([
        'tubs' => [
            ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => ['kind' => 'disc-100']],
            ['id' => 'b', 'system' => 'aerated', 'vessel' => 'bucket-30', 'stones' => ['kind' => 'disc-60-fine']],
        ],
        'air' => [['id' => 'p', 'pump' => ['free_flow_l_min' => 4, 'max_pressure_kpa' => 14], 'check_valve' => true, 'branches' => [
            ['tub' => 'a'], ['tub' => 'b'],
        ]]],
    ]), 'air.starved', [
        'Throttle the other valves of that pump to 40 %', 'Use the 40 mm disc stone', 'Use the 12 W pump, four outlets',
    ]],
    'a stone too deep for its pump' => [
        fn () => Gardens::tub([], [], ['pump' => ['free_flow_l_min' => 4, 'max_pressure_kpa' => 4.8]]),
        'air.starved',
        ['Use the 25 mm cylinder stone', 'Hang the stones at 120 mm', 'Use the 2 W pump, one outlet'],
    ],
    'over the cap' => [
        fn () => Gardens::tub(
            ['crop' => 'lettuce-leaf', 'layout' => ['cups' => 2]],
            ['money' => ['cap' => 20]],
            ['pump' => 'pump-20w-6'],
        ),
        'cost.over-cap',
        ['Use the 2 W pump, one outlet'],
    ],
    'over the cap with two pumps, the dear one first' => [
        fn () => Gardens::of([
            'money' => ['cap' => 20],
            'tubs' => array_map(static fn (string $id): array => [
                'id' => $id, 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => ['kind' => 'disc-100'],
            ], ['a', 'b']),
            'air' => array_map(static fn (array $p): array => [
                'id' => $p[0], 'pump' => $p[1], 'check_valve' => true, 'branches' => [['tub' => $p[0]]],
            ], [['a', 'pump-8w-4'], ['b', 'pump-20w-6']]),
        ]),
        'cost.over-cap',
        ['For b use the 2 W pump, one outlet', 'For a use the 2 W pump, one outlet'],
    ],
    'no water of use' => [
        fn () => Gardens::tub(['vessel' => 'pail-3', 'lowest_mm' => 150]),
        'vessel.no-water',
        ['Let the lowest level follow', 'Use the 10 L bucket'],
    ],
]);

it('mends or lessens what it claims in many gardens, and names every stop that it brings', function () {
    // KELP_GARDENS=400 for many more, KELP_SEED for others.
    mt_srand((int) (getenv('KELP_SEED') ?: 20270301));
    $library = Gardens::library();
    $pick = fn (array $from) => $from[mt_rand(0, count($from) - 1)];
    $tried = 0;
    $codes = [];
    for ($i = 0, $gardens = (int) (getenv('KELP_GARDENS') ?: 40); $i < $gardens; $i++) {
        $tubs = [];
        for ($n = mt_rand(1, 3); $n > 0; $n--) {
            $system = $pick(['aerated', 'aerated', 'passive', 'passive', 'raft', 'nursery', 'cloner']);
            $cups = $pick(['max', 1, 2, 5, 12, 40]);
            $tubs[] = [
                'id' => "tub$n",
                'system' => $system,
                'vessel' => $pick($library->vessels->keys()),
                'cup' => $pick($library->cups->keys()),
                ...$pick([
                    [], [], [],
                    ['cups_2' => $pick($library->cups->keys())],
                    ['hole_mm' => mt_rand(20, 110)],
                    ['raise_mm' => mt_rand(1, 30)],
                ]),
                ...$pick([['crop' => $pick($library->crops->keys())], ['crops' => array_map(
                    fn (string $crop): array => ['crop' => $crop, 'plants' => $pick([null, 1, 3])],
                    array_unique([$pick($library->crops->keys()), $pick($library->crops->keys())]),
                )]]),
                'plants' => $pick([null, null, 1, 6]),
                'density' => $pick(['roomy', 'tight']),
                'layout' => $pick([
                    ['pattern' => $pick(['best', 'grid', 'ring', 'staggered', 'spread']), 'cups' => $cups],
                    ['pattern' => 'manual', 'holes' => array_map(
                        fn (): array => ['x_mm' => mt_rand(-200, 200), 'y_mm' => mt_rand(-150, 150)],
                        range(1, mt_rand(1, 6)),
                    )],
                ]),
                'top_ups' => $pick(['none', 'level', 'quarter', 'half']),
                'feed' => $pick([null, 'f']),
                'top_up_strength' => $pick(['water', 'half', 'feed']),
                ...$pick([[], ['reservoir_change' => $pick(['weekly', 'monthly', 'never'])]]),
                'planned_top_ups' => $system === 'passive' ? $pick([[], [], [['day' => mt_rand(3, 40), 'litres' => mt_rand(1, 9)]]]) : [],
                'stones' => $system === 'passive' || mt_rand(0, 5) === 0 ? null : [
                    'kind' => $pick($library->stones->keys()), 'count' => mt_rand(1, 4), 'height_mm' => $pick([20, 20, 60]),
                ],
                ...$pick([[], [], [], ['under' => ['vessel' => $pick($library->vessels->keys()), 'blocks_mm' => $pick([40, 120])]]]),
            ];
        }
        $fed = array_values(array_filter($tubs, fn (array $t): bool => $t['system'] !== 'passive' && mt_rand(0, 7) > 0));
        $garden = Gardens::of([
            'tubs' => $tubs,
            'water' => ['ec_ms_cm' => $pick([0, 0.4, 2.2])],
            'feeds' => [['id' => 'f', 'product' => $pick($library->products->keys()), 'strength' => $pick(['by-stage', 'simple'])]],
            'site' => [
                'air_temperature_c' => $pick([16, 21, 31]),
                'humidity_pct' => $pick([30, 55]),
                'light_hours' => $pick([8, 14, 16]),
                'floor' => $pick(['wood', 'stone']),
                'water_temperature_c' => $pick([14, 20, 26]),
                'full_sun' => $pick([false, true]),
                'setting' => $pick(['indoor', 'open']),
            ],
            'air' => $fed === [] ? [] : [[
                'id' => 'pump',
                'pump' => $pick($library->pumps->keys()),
                'check_valve' => (bool) mt_rand(0, 1),
                'joined' => (bool) mt_rand(0, 3),
                'branches' => array_map(fn (array $t): array => ['tub' => $t['id'], 'valve' => $pick([1, 1, 0.3, 0])], $fed),
            ]],
        ]);
        [$some, $wrong, $mended] = tryRemedies($garden);
        expect($wrong)->toBe([], (string) json_encode($garden->document));
        $tried += $some;
        foreach ($mended as $code => $times) {
            $codes[$code] = ($codes[$code] ?? 0) + $times;
        }
    }
    expect($tried)->toBeGreaterThan(5 * $gardens)
        ->and(array_keys($codes))->toContain('feed.none', 'season.salt', 'season.dry', 'feed.water-salty', 'air.starved')
        ->toContain('air.siphon', 'air.oxygen')
        ->toContain('passive.dry', 'lid.too-many', 'crop.spacing');
});

it('mends or lessens what it claims in every climate', function () {
    $tried = 0;
    $codes = [];
    $gardens = (int) (getenv('KELP_GARDENS') ?: 40);
    foreach (Waters::of($gardens, (int) (getenv('KELP_SEED') ?: 20261202)) as $garden) {
        [$some, $wrong, $mended] = tryRemedies($garden);
        expect($wrong)->toBe([], (string) json_encode($garden->document));
        $tried += $some;
        foreach ($mended as $code => $times) {
            $codes[$code] = ($codes[$code] ?? 0) + $times;
        }
    }
    expect($tried)->toBeGreaterThan(3 * $gardens)
        ->and(array_keys($codes))->toContain('season.dry', 'season.air', 'season.warm');
});

it('picks the way to bring air that kills nothing else on the pump', function () {
    $garden = Gardens::of([
        'tubs' => [
            [
                'id' => 'cuc', 'system' => 'aerated', 'vessel' => 'bucket-20', 'cup' => 'net-cup-75', 'crop' => 'cucumber',
                'stones' => ['kind' => 'disc-100'],
            ],
            ['id' => 'str', 'system' => 'passive', 'vessel' => 'tote-20', 'cup' => 'net-cup-75', 'crop' => 'strawberry'],
        ],
        'air' => [['id' => 'p', 'pump' => 'pump-2w-1', 'check_valve' => true, 'branches' => [['tub' => 'cuc']]]],
    ]);
    $ways = array_merge(...array_map(
        fn (Finding $f): array => $f->tub === 'str' ? array_filter($f->remedies, fn ($r) => str_starts_with($r->says, 'Add air')) : [],
        findingsOf($garden),
    ));
    $air = array_values($ways)[0];

    // A second line on the small pump would leave the cucumber without: another way is taken, and nothing is stopped.
    expect($air->says)->toStartWith('Add air')->not->toBe('Add air')
        ->and($air->then)->toBe([])
        ->and(tryRemedies($garden)[1])->toBe([]);
});

it('takes the plants along when it changes the cups', function () {
    $garden = Gardens::tub(['crop' => 'kale', 'plants' => 6, 'layout' => ['cups' => 6]]);
    $spacing = array_values(array_filter(findingsOf($garden), fn (Finding $f) => $f->code === 'crop.spacing'))[0];

    expect($spacing->remedies[0]->says)->toBe('Plant one')
        ->and(array_column(Gardens::deeds($spacing->remedies[0]->patch), 'value', 'path'))
        ->toEqual(['/tubs/0/layout/cups' => 1, '/tubs/0/plants' => 1])
        ->and($spacing->remedies[0]->then)->toBe([]);
});

it('calls a closed valve closed, and opens it', function () {
    $garden = Gardens::tub(['crop' => 'basil'], [], ['branches' => [['tub' => 'tub', 'valve' => 0]]]);
    $starved = array_values(array_filter(findingsOf($garden), fn (Finding $f) => $f->code === 'air.starved'))[0];

    expect($starved->says)->toContain('valve')->toContain('closed')
        ->and($starved->remedies[0]->says)->toBe('Open the valve')
        ->and(Gardens::deeds($starved->remedies[0]->patch)[0]->path)->toBe('/air/0/branches/0/valve');
});

it('does not stand a pump above the water that is housed below it', function () {
    $garden = Gardens::tub(['under' => ['vessel' => 'tote-90', 'blocks_mm' => 120]], [], ['check_valve' => false]);
    $siphon = array_values(array_filter(findingsOf($garden), fn (Finding $f) => $f->code === 'air.siphon'))[0];

    expect(array_map(fn ($r) => $r->says, $siphon->remedies))->toBe(['Fit a check valve']);
});

it('offers a way that brings a stop only against a stop, and says which', function () {
    // The right saw is wider than the hole that was said, and fewer of such holes fit.
    $garden = Gardens::tub([
        'vessel' => 'tote-12', 'cup' => 'net-cup-100', 'hole_mm' => 60, 'layout' => ['pattern' => 'grid', 'cups' => 4],
    ]);
    foreach (findingsOf($garden) as $finding) {
        foreach ($finding->remedies as $remedy) {
            expect($remedy->then === [] || $finding->severity === Severity::Stop)->toBeTrue();
        }
    }
    $untried = array_map(
        fn (Finding $f): array => array_map(fn ($r): bool => $r->pending, $f->remedies),
        (new Planner(Marks::all(), Gardens::library(), new PreviewMemory))->mended(Gardens::plan($garden)),
    );

    expect(array_merge(...$untried))->not->toBe([])->not->toContain(false);
});

it('tries the ways of the first findings at each mark, of all where they are asked for, and lists the rest', function () {
    $garden = Gardens::of(['tubs' => array_map(static fn (string $id): array => [
        'id' => $id, 'system' => 'aerated', 'vessel' => 'tote-clear-35', 'hole_mm' => 58, 'crop' => 'tomato-dwarf', 'plants' => 6,
        'layout' => ['pattern' => 'grid', 'cups' => 4],
    ], ['a', 'b'])]);
    $planner = Gardens::planner();
    $plan = $planner->plan($garden);
    $whole = $planner->mended($plan);
    $says = static fn (Finding $f): array => array_map(static fn ($way): array => [$way->says, $way->pending], $f->remedies);
    $tried = static function (WaysWanted $wanted) use ($planner, $plan, $whole, $says): array {
        $counts = [];
        foreach ($planner->mended($plan, $wanted) as $i => $finding) {
            $place = "$finding->tub $finding->mark";
            $counts[$place] ??= 0;
            if (array_filter($finding->remedies, static fn ($way): bool => $way->pending) !== []) {
                continue;
            }
            // What is tried is what is offered where all are.
            expect($says($finding))->toBe($says($whole[$i]));
            $counts[$place] += (int) ($finding->ways() !== []);
        }

        return $counts;
    };
    $all = $tried(new WaysWanted);
    $open = $tried(new WaysWanted('b', 0, 'crop'));

    expect($all['b crop'])->toBeGreaterThan(1)
        ->and(max($tried(new WaysWanted('b', 1))))->toBe(1)
        ->and($tried(new WaysWanted('b', 0)))->toEqual(array_map(static fn (): int => 0, $all))
        ->and($open['b crop'])->toBe($all['b crop'])
        ->and($open['a crop'])->toBe(0)
        ->and($open['b lid'])->toBe(0);
});

it('tries the ways of the tub that is looked at first', function () {
    $finding = static fn (?string $tub, string $mark): Finding => new Finding("$mark.x", Severity::Mend, $tub, '', '', '', mark: $mark);
    $findings = [
        $finding('a', 'air'), $finding('b', 'air'), $finding('a', 'air'),
        $finding('b', 'crop'), $finding('b', 'air'), $finding(null, 'air'),
    ];

    expect((new WaysWanted)->inOrder($findings))->toBe([5, 0, 1, 2, 3, 4])
        ->and((new WaysWanted('b'))->inOrder($findings))->toBe([1, 3, 4, 0, 2, 5])
        ->and((new WaysWanted('b', 1))->inOrder($findings))->toBe([1, 3, 0, 5])
        ->and((new WaysWanted('b', 0, 'air'))->inOrder($findings))->toBe([1, 4, 5])
        // Of others none, or those that are named.
        ->and((new WaysWanted('b', 2, '', []))->inOrder($findings))->toBe([1, 3, 4, 5])
        ->and((new WaysWanted('b', 1, 'air', ['a']))->inOrder($findings))->toBe([1, 3, 4, 0, 2, 5]);
});
