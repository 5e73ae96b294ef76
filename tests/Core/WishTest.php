<?php

declare(strict_types=1);

use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\WhatIf\NewTubAdvice;
use KelpTub\Core\Wish\Beds;
use KelpTub\Core\Wish\DesignFigures;
use KelpTub\Core\Wish\Eat;
use KelpTub\Core\Wish\FloorPlan;
use KelpTub\Core\Wish\Front;
use KelpTub\Core\Wish\Portion;
use KelpTub\Core\Wish\Search;
use KelpTub\Core\Wish\Steps;
use KelpTub\Core\Wish\Tried;
use KelpTub\Core\Wish\TubChoice;
use Tests\Core\Gardens;
use Tests\Core\Wishes;

/** Figures as an answer gives them, of a garden that is read and planned by itself, lids laid out to the end. */
function figuresAnew(stdClass $garden): stdClass
{
    return (new DesignFigures(Gardens::planner()->plan(Gardens::reader()->read(GardenFile::encode($garden)))))->toAnswer();
}

/** @return list<Finding> worse than to be minded, but for money, which the wish is held against itself */
function worse(stdClass $garden): array
{
    $planner = Gardens::planner();
    $plan = $planner->plan(Gardens::reader()->read(GardenFile::encode($garden)));

    return array_values(array_filter(
        $planner->findings($plan),
        static fn (Finding $f): bool => $f->severity !== Severity::Mind && ! in_array($f->code, ['cost.over-cap', 'vessel.shelf'], true),
    ));
}

dataset('wishes', [
    'a head of lettuce a week' => [[['group' => 'leaf']], []],
    'herbs on a sill without power' => [[['group' => 'herb']], ['place' => ['mains' => false], 'tend' => ['systems' => ['passive']]]],
    'a chilli under a lamp' => [[['crop' => 'chilli']], ['place' => ['lamp' => true, 'height_mm' => 1500]]],
    'salad outside, sown again and again' => [
        [['crop' => 'lettuce-leaf', 'heads_a_week' => 1]],
        ['place' => ['setting' => 'covered', 'from' => '2027-04-20', 'to' => '2027-07-31']],
    ],
    'two things in inches' => [
        [['group' => 'leaf', 'plants' => 4], ['crop' => 'tomato-dwarf']],
        ['units' => 'us', 'place' => ['length_mm' => 1500]],
    ],
]);

it('offers whole gardens that come to what their cards say, to the last digit, and are sound', function (array $eat, array $more) {
    $wish = Wishes::of($eat, $more);
    $answer = Wishes::answer($wish);

    expect(count($answer->designs))->toBeGreaterThanOrEqual(1)->toBeLessThanOrEqual(6)
        ->and($answer->loosen)->toBe([]);
    foreach ($answer->designs as $design) {
        expect(figuresAnew($design->garden))->toEqual($design->figures)
            ->and(worse($design->garden))->toBe([])
            ->and($design->breaks)->toBe([]);
        $plan = Gardens::plan(Gardens::reader()->read(GardenFile::encode($design->garden)));
        expect($plan->get(TubPlans::class)->isPending())->toBeFalse()
            ->and($design->figures->outlay)->toEqualWithDelta(Gardens::planner()->report($plan->garden)->budget->outlay, 1e-9);
    }
})->with('wishes');

it('says what is so: the cheapest costs least, the least work takes fewest visits', function () {
    $answer = Wishes::answer(Wishes::of([['group' => 'leaf', 'heads_a_week' => 2]]));
    $merits = [
        'cheapest' => fn (stdClass $d): float => $d->figures->outlay,
        'least work' => fn (stdClass $d): float => $d->figures->visits_a_week,
        'most to eat' => fn (stdClass $d): float => -$d->figures->g_a_week[1],
        'can be left longest' => fn (stdClass $d): float => -$d->figures->away_days,
    ];
    $said = 0;
    foreach ($merits as $word => $of) {
        foreach ($answer->designs as $design) {
            if (str_contains(lcfirst($design->says), $word)) {
                $said++;
                expect($of($design))->toBe(min(array_map($of, $answer->designs)));
            }
        }
    }
    expect($said)->toBeGreaterThanOrEqual(3);
    foreach ($answer->designs as $design) {
        expect(str_contains($design->says, 'no power'))->toBe(str_contains($design->says, 'no power') && $design->garden->air === []);
    }
});

it('finds nothing worse than whoever looks at everything on a small Library', function (array $eat, array $more) {
    $library = Wishes::small(['bucket-10', 'bucket-20', 'tote-20', 'tote-45', 'jar-1', 'pail-3'], ['pump-2w-1', 'pump-4w-2', 'pump-8w-4']);
    $wish = Wishes::of($eat, $more);
    $planner = Wishes::planner($library);
    $search = new Search($planner, $wish, new Steps(10_000));
    $kept = array_values(array_filter(
        $search->designs(),
        fn (Tried $t): bool => $t->isSound() && $search->shortfalls->of($t) === [],
    ));
    expect($search->isComplete)->toBeTrue();
    [$crop, $plants] = [$search->portions[0]->crop, $search->portions[0]->plants];
    $seen = 0;
    foreach ($library->vessels as $key => $vessel) {
        foreach (['aerated', 'passive'] as $system) {
            foreach ($system === 'aerated' ? ['level'] : ['none', 'quarter', 'half'] as $topUps) {
                // The fewest of them that hold all plants, counted by trying, with the cheapest pump that will do.
                for ($count = 1; $count <= min(12, $plants); $count++) {
                    foreach ($system === 'aerated' ? ['pump-2w-1', 'pump-4w-2', 'pump-8w-4'] : [null] as $pump) {
                        $garden = Gardens::of([
                            'site' => ['headroom_mm' => 2000],
                            'testing' => 'drops',
                            'owned' => ['knife' => 1, 'marker' => 1, 'rule' => 1, 'jug' => 1, 'drill' => 1],
                            'feeds' => [['id' => 'f', 'product' => $search->feed(), 'strength' => 'by-stage', 'ph_school' => 'window']],
                            'tubs' => [array_filter([
                                'id' => 'tub', 'system' => $system, 'count' => $count, 'crop' => $crop->key,
                                'vessel' => $vessel->opacity->needsCover() ? [
                                    'key' => $key, ...get_object_vars($library->vessels->raw($key)),
                                    'cover' => $vessel->isOpenMouthed() ? 'sleeve' : 'foil',
                                ] : $key,
                                'cup' => NewTubAdvice::cup($vessel, \KelpTub\Core\Cup\GrowingSystem::from($system), $crop, $library),
                                'plants' => (int) ceil($plants / $count), 'feed' => 'f', 'top_ups' => $topUps,
                                'layout' => $vessel->isOpenMouthed() ? null : ['pattern' => 'best', 'cups' => (int) ceil($plants / $count)],
                                'stones' => $system === 'passive' ? null : [
                                    'kind' => $vessel->profile->brim() < 4 ? 'cylinder-50' : 'disc-100',
                                    'count' => $vessel->profile->longest() > 450 ? 2 : 1,
                                    'height_mm' => 20,
                                ],
                            ], fn (mixed $v): bool => $v !== null)],
                            'air' => $pump === null ? [] : [[
                                'id' => 'p', 'pump' => $pump, 'above_water' => true, 'check_valve' => true, 'joined' => true,
                                'branches' => [['tub' => 'tub', 'distance_mm' => 1000, 'valve' => 1.0]],
                            ]],
                        ]);
                        $plan = $planner->plan($garden);
                        $bad = array_filter($planner->findings($plan), fn (Finding $f): bool => $f->severity !== Severity::Mind);
                        $carries = $plan->get(TubPlans::class)->tubs['tub']->plants->capacity->plants;
                        if ($carries < (int) ceil($plants / $count)) {
                            break;
                        }
                        if ($bad !== []) {
                            continue;
                        }
                        $sides = TubChoice::sides($vessel);
                        $figures = (new DesignFigures($plan))->toAnswer();
                        $isWished = FloorPlan::of([['tub', $count, ...$sides]], $wish->room->length, $wish->room->depth) !== null
                            && $figures->visits_a_week <= $wish->tending->visits && $figures->away_days >= $wish->tending->awayDays
                            && $figures->outlay <= ($wish->cap ?? INF);
                        if (! $isWished) {
                            break 2;
                        }
                        $seen++;
                        $burden = [
                            round($figures->outlay, 2), (float) $figures->visits_a_week, -round($figures->g_a_week[1]),
                            -(float) $figures->away_days, -round($figures->outage_min ?? 1e6),
                            round($count * $sides[0] * $sides[1] / 100),
                        ];
                        $beaten = array_filter($kept, fn (Tried $t): bool => Front::beats($burden, $t->burden()));
                        // Where it beats one that was found, another that was found is as good as it.
                        $equals = array_filter($kept, fn (Tried $t): bool => Front::beats($t->burden(), $burden, true));
                        expect($beaten === [] || $equals !== [])->toBeTrue("$count × $key, $system, $topUps, $pump");

                        break 2;
                    }
                }
            }
        }
    }
    expect($seen)->toBeGreaterThanOrEqual(3);
})->with([
    'lettuce' => [[['crop' => 'lettuce-leaf', 'plants' => 5]], []],
    'basil with little time' => [[['crop' => 'basil', 'plants' => 2]], ['tend' => ['visits_a_week' => 2]]],
    'one chilli' => [[['crop' => 'chilli', 'plants' => 1]], ['money' => ['cap' => 120]]],
]);

it('leaves out before planning only what no design may come of', function () {
    $library = Gardens::library();
    foreach (['lettuce-leaf', 'chilli', 'celery'] as $key) {
        $crop = $library->crops->get($key);
        foreach (['bucket-20', 'tote-45', 'jar-1'] as $vessel) {
            if ($crop->stillWater === StillWater::No) {
                $planner = Wishes::planner();
                $plan = $planner->plan(Gardens::of(['tubs' => [[
                    'id' => 'tub', 'system' => 'passive', 'vessel' => $vessel, 'crop' => $key, 'cup' => 'net-cup-75',
                    'layout' => ['pattern' => 'single', 'cups' => 1],
                ]]]));
                expect(array_filter($planner->findings($plan), fn (Finding $f): bool => $f->severity !== Severity::Mind))->not->toBe([]);
            }
        }
    }
});

it('stands tubs where there is room, in reach, with nothing over one another', function () {
    mt_srand(27);
    for ($i = 0; $i < 300; $i++) {
        $tubs = [];
        for ($n = mt_rand(1, 4); $n > 0; $n--) {
            $sides = [mt_rand(100, 700), mt_rand(100, 700)];
            $tubs[] = ["t$n", mt_rand(1, 3), (float) max($sides), (float) min($sides)];
        }
        [$length, $depth] = [mt_rand(300, 3000), mt_rand(200, 1500)];
        $plan = FloorPlan::of($tubs, $length, $depth);
        foreach ($plan->stands ?? [] as $a => $stand) {
            expect($stand->x_mm)->toBeGreaterThanOrEqual(0)->and($stand->x_mm + $stand->length_mm)->toBeLessThanOrEqual($length)
                ->and($stand->y_mm + $stand->depth_mm)->toBeLessThanOrEqual($depth)
                ->and($stand->y_mm)->toBeLessThanOrEqual(FloorPlan::REACH_MM);
            foreach (array_slice($plan->stands, $a + 1) as $other) {
                $apart = max(
                    $other->x_mm - $stand->x_mm - $stand->length_mm, $stand->x_mm - $other->x_mm - $other->length_mm,
                    $other->y_mm - $stand->y_mm - $stand->depth_mm, $stand->y_mm - $other->y_mm - $other->depth_mm,
                );
                expect($apart)->toBeGreaterThanOrEqual(FloorPlan::GAP_MM - 1e-9);
            }
        }
    }
});

it('takes a place that fits to the millimetre, and none that is shorter', function (array $tubs, float $length, float $depth) {
    expect(FloorPlan::of($tubs, $length, $depth))->not->toBeNull()
        ->and(FloorPlan::of($tubs, $length - 1, $depth))->toBeNull()
        ->and(FloorPlan::of($tubs, $length, $depth - 1))->toBeNull();
})->with([
    'two along' => [[['a', 2, 500.0, 300.0]], 1020, 300],
    'two turned' => [[['a', 2, 500.0, 300.0]], 620, 500],
    'two behind one another' => [[['a', 2, 500.0, 300.0]], 500, 620],
    'a large one behind a small one' => [[['a', 1, 300.0, 200.0], ['b', 1, 600.0, 400.0]], 600, 620],
]);

it('reaches over no row that is too deep', function () {
    expect(FloorPlan::of([['a', 2, 590.0, 580.0]], 600, 2000))->not->toBeNull()
        ->and(FloorPlan::of([['a', 2, 590.0, 581.0]], 600, 2000))->toBeNull();
});

it('puts crops into one tub only where they get on', function () {
    $crops = Gardens::library()->crops;
    $eat = Eat::fromDocument((object) ['crop' => 'basil'], $crops->get('basil')->group);
    $of = static fn (string ...$keys): array => array_map(static fn (string $k): Portion => new Portion($crops->get($k), 1, $eat), $keys);

    // Basil likes 19 to 26 °C; spinach at most 19, viola at most 20, watercress from pH 6.0.
    expect(Beds::getOn($of('basil', 'parsley', 'chives')))->toBeTrue()
        ->and(Beds::getOn($of('lettuce-leaf', 'spinach')))->toBeTrue()
        ->and(Beds::getOn($of('okra', 'spinach')))->toBeFalse()
        ->and(count(Beds::ways($of('basil', 'parsley'))))->toBe(2)
        ->and(count(Beds::ways($of('basil'))))->toBe(1)
        // What fruits is fed by itself.
        ->and(array_map(count(...), Beds::ways($of('basil', 'parsley', 'chilli'))))->toBe([2, 3]);
});

it('lets nothing stay that is beaten in everything, and of equals the first', function () {
    expect(Front::beats([1.0, 2.0], [1.0, 3.0]))->toBeTrue()
        ->and(Front::beats([1.0, 2.0], [1.0, 2.0]))->toBeFalse()
        ->and(Front::beats([1.0, 2.0], [1.0, 2.0], true))->toBeTrue()
        ->and(Front::beats([1.0, 4.0], [1.0, 3.0], true))->toBeFalse();
});

it('never gives a worse best for a looser wish', function () {
    $best = static function (array $more): array {
        $designs = Wishes::answer(Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 4]], $more))->designs;

        return $designs === [] ? [INF, INF, INF] : [
            min(array_map(fn (stdClass $d): float => $d->figures->outlay, $designs)),
            min(array_map(fn (stdClass $d): float => $d->figures->visits_a_week, $designs)),
            -max(array_map(fn (stdClass $d): float => $d->figures->g_a_week[1], $designs)),
        ];
    };
    foreach ([
        [['money' => ['cap' => 55]], ['money' => ['cap' => 80]], []],
        [['place' => ['length_mm' => 350]], ['place' => ['length_mm' => 500]], ['place' => ['length_mm' => 1500]]],
        [['tend' => ['visits_a_week' => 0]], ['tend' => ['visits_a_week' => 1]], ['tend' => ['visits_a_week' => 7]]],
        [['tend' => ['away_days' => 20]], ['tend' => ['away_days' => 5]], ['tend' => ['away_days' => 0]]],
        [['place' => ['limit_kg' => 20]], ['place' => ['limit_kg' => 60]], []],
    ] as $wishes) {
        $all = array_map($best, $wishes);
        foreach ([0, 1] as $i) {
            foreach ($all[$i] as $of => $figure) {
                expect($all[$i + 1][$of])->toBeLessThanOrEqual($figure + 1e-9);
            }
        }
    }
});

it('says what to wish otherwise where nothing is what was wished, and that is enough', function (array $eat, array $more, string $says) {
    $wish = Wishes::of($eat, $more);
    $answer = Wishes::answer($wish);
    expect(array_filter($answer->designs, fn (stdClass $d): bool => $d->breaks === []))->toBe([])
        ->and(implode('; ', array_column($answer->loosen, 'says')))->toContain($says);
    foreach ($answer->loosen as $way) {
        $then = Wishes::answer(Wishes::loosened($wish, $way->patch));
        expect($then->designs)->not->toBe([])->and($then->designs[0]->breaks)->toBe([]);
    }
})->with([
    'tomatoes under a shelf' => [[['crop' => 'tomato-dwarf']], ['place' => ['height_mm' => 300]], 'more height'],
    'little money' => [[['group' => 'leaf']], ['money' => ['cap' => 20]], 'more to spend'],
    'a narrow sill' => [[['crop' => 'lettuce-leaf', 'plants' => 6]], ['place' => ['depth_mm' => 120, 'length_mm' => 900]], 'more depth'],
    'a weak shelf' => [[['group' => 'leaf']], ['place' => ['limit_kg' => 5]], 'bears'],
    'what fruits, without power' => [[['crop' => 'chilli']], ['tend' => ['systems' => ['passive']]], 'an air pump'],
    'in winter outside' => [[['group' => 'leaf']], ['place' => ['setting' => 'open', 'from' => '2026-12-01']], 'begin on'],
    'far too much' => [
        [['crop' => 'lettuce-leaf', 'heads_a_week' => 40]],
        ['place' => ['length_mm' => 9000, 'depth_mm' => 900], 'tend' => ['visits_a_week' => 7, 'away_days' => 0]],
        'as much',
    ],
]);

it('answers any wish: with sound designs, or with a reason', function () {
    mt_srand((int) (getenv('KELP_SEED') ?: 27));
    for ($i = 0, $many = (int) (getenv('KELP_WISHES') ?: 60); $i < $many; $i++) {
        $wish = Wishes::random();
        $answer = Wishes::answer($wish, 100);
        $told = json_encode($wish->document);
        expect($answer->designs !== [] || $answer->loosen !== [] || $answer->left_out !== [])->toBeTrue($told)
            // What goes beyond the wish is told with what to wish instead.
            ->and($answer->designs !== [] || $answer->loosen !== [] || $answer->looked_at === 0)->toBeTrue($told);
        foreach ($answer->designs as $design) {
            $bad = array_map(fn (Finding $f): string => $f->says, worse($design->garden));
            expect($bad)->toBe($design->breaks, $told)
                ->and($design->figures->visits_a_week)->toBeLessThanOrEqual($wish->tending->visits, $told)
                ->and($design->figures->outlay)->toBeLessThanOrEqual(($wish->cap ?? INF) + 1e-9, $told);
        }
    }
});

it('looks at the most promising first: the cheapest of a first answer is next to the cheapest of all', function (array $eat) {
    $cheapest = static fn (int $steps): float => min(array_map(
        static fn (stdClass $d): float => $d->figures->outlay,
        Wishes::answer(Wishes::of([$eat]), $steps)->designs,
    ));
    expect($cheapest(Steps::FIRST))->toBeLessThanOrEqual(1.12 * $cheapest(Steps::WHOLE));
})->with(['lettuce' => [['group' => 'leaf']], 'basil' => [['crop' => 'basil', 'plants' => 2]], 'a chilli' => [['crop' => 'chilli']]]);

it('shows nothing that brings less than half of what it could, where something brings more', function () {
    // In winter at a window, still water brings herbs next to nothing where nobody tops it up.
    $herbs = array_map(static fn (string $key): array => ['crop' => $key, 'plants' => 1], ['basil', 'parsley', 'chives', 'mint']);
    $place = ['window' => 'south', 'length_mm' => 1400, 'depth_mm' => 300, 'height_mm' => 900, 'from' => '2027-01-10'];
    $answer = Wishes::answer(Wishes::of($herbs, ['place' => $place]), 1500);
    $grams = array_map(static fn (stdClass $d): float => $d->figures->g_a_week[1], $answer->designs);

    expect(min($grams))->toBeGreaterThan(0.4 * max($grams))
        ->and(array_column($answer->left_out, 'says'))->toContain('brings less than half of what it could');
});

it('says once of each crop why it is left out', function () {
    $answer = Wishes::answer(Wishes::of([['group' => 'fruit']], ['place' => ['height_mm' => 200]]));
    expect($answer->portions)->toBe([])
        ->and(array_unique(array_column($answer->left_out, 'count')))->toBe([1])
        ->and(array_column($answer->left_out, 'says'))->toContain('dwarf tomato grows higher than there is room for');
});

it('is refused with every fault, each in its place', function () {
    $wish = static fn (array $more): array => ['format' => 'kelp-tub.wish', 'version' => 1, 'eat' => [['crop' => 'basil']], ...$more];

    expect(Wishes::faults($wish([])))->toBe([])
        ->and(implode(' ', Wishes::faults(['format' => 'kelp-tub.wish', 'version' => 1])))->toContain('eat')
        ->and(Wishes::faults($wish(['eat' => [['crop' => 'mandrake'], ['crop' => 'basil', 'group' => 'herb'], new stdClass]])))->toBe([
            '/eat/0/crop: is "mandrake", which is no crop of the Library',
            '/eat/1: names a crop or a group, and one of them',
            '/eat/2: names a crop or a group, and one of them',
        ])
        ->and(Wishes::faults($wish(['eat' => [['crop' => 'basil', 'plants' => 2, 'g_a_week' => 50]]])))->toBe([
            '/eat/0: says how much in more than one way; heads_a_week, g_a_week or plants',
        ])
        ->and(Wishes::faults($wish(['eat' => [['crop' => 'soft-cuttings']]]))[0])->toContain('nothing to eat')
        ->and(Wishes::faults($wish(['place' => ['climate' => 'the moon']]))[0])
        ->toContain('/place/climate: is "the moon"; there are cool-maritime')
        ->and(Wishes::faults($wish(['place' => ['from' => '2027-02-30']]))[0])->toContain('no day of the calendar')
        ->and(Wishes::faults($wish(['place' => ['from' => '2027-05-01', 'to' => '2027-04-01']]))[0])->toContain('/place/to')
        ->and(Wishes::faults($wish(['place' => ['to' => '2027-04-01']]))[0])->toContain('/place/from: is missing')
        ->and(Wishes::faults($wish(['vessels' => ['cauldron']]))[0])->toContain('/vessels/0')
        ->and(implode(' ', Wishes::faults($wish(['place' => ['length_mm' => -3], 'tend' => ['visits_a_week' => 9]]))))
        ->toContain('/place/length_mm')->toContain('/tend/visits_a_week');
});

it('takes a vessel that was measured by tape as one that is there', function () {
    $own = [
        'name' => 'Old crock', 'kind' => 'other', 'opacity' => 'opaque', 'empty_kg' => 4,
        'stations' => [['height_mm' => 0, 'diameter_mm' => 280], ['height_mm' => 320, 'diameter_mm' => 300]],
    ];
    $answer = Wishes::answer(Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 2]], ['vessels' => [$own]]));
    $mine = array_values(array_filter($answer->designs, fn (stdClass $d): bool => str_contains($d->says, 'Old crock')));

    expect($mine)->not->toBe([])->and($mine[0]->says)->toContain('what you own')
        ->and($mine[0]->garden->owned->{'own-0'})->toBe(1.0);
});

it('waters a design with the season that Feed forecasts', function () {
    $answer = Wishes::answer(Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 4]]));
    $garden = Gardens::reader()->read(GardenFile::encode($answer->designs[0]->garden));
    $run = Gardens::planner()->plan($garden)->get(FeedPlans::class)->of('lettuce-leaf')->run();
    $visited = array_values(array_map(fn ($d): int => $d->day, array_filter($run->days, fn ($d): bool => $d->isVisited())));
    $busiest = 0;
    foreach ($visited as $from) {
        $busiest = max($busiest, count(array_filter($visited, fn (int $d): bool => $d >= $from && $d < $from + 7)));
    }
    expect($answer->designs[0]->figures->visits_a_week)->toBe($busiest)
        // 14 days in a plug, and the tub's own.
        ->and($answer->designs[0]->figures->first_harvest_day)->toBe(14 + (int) ceil($run->harvestDay()))
        ->and($answer->designs[0]->figures->g_a_week[1])->toEqualWithDelta(
            1.2 * $run->harvested() * $garden->tubs[0]->count * 7 / ($run->harvestDay() + 1), 1e-9,
        );
});
