<?php

declare(strict_types=1);

use KelpTub\Core\Units\Unit;
use Tests\Core\Gardens;

/** @return array<string, mixed> a straight box */
function plainBox(float $length, float $width, float $height): array
{
    $section = ['length_mm' => $length, 'width_mm' => $width, 'corner_radius_mm' => 0];

    return ['kind' => 'tote', 'stations' => [['height_mm' => 0, ...$section], ['height_mm' => $height, ...$section]]];
}

// A box of 400 by 300 and 300 high with two cups: 27.36 L aerated (228 mm of water), 30.95 L passive (258 mm, 12 mL of pebbles in it).
it('says what is so, how much and what to do', function (string $finding, string $says, ?string $remedy, array $tub, array $rest = []) {
    $report = Gardens::report(Gardens::tub(
        ['vessel' => plainBox(400, 300, 300), 'layout' => ['pattern' => 'grid', 'cups' => 2], ...$tub],
        $rest['garden'] ?? [],
        $rest['air'] ?? [],
    ));
    $found = array_values(array_filter($report->findings, fn ($f) => "$f->severity $f->code" === $finding))[0] ?? null;

    expect(preg_replace('/\x{202F}/u', ' ', $found->says ?? ''))->toBe($says)
        ->and(preg_replace('/\x{202F}/u', ' ', $found->remedies[0]->says ?? ''))->toBe($remedy ?? '');
})->with([
    'half at a time' => [
        'mend passive.top-up',
        'Half of the first fill at a time (15.5 L) drowns air roots. Give a quarter, 7.7 L.',
        'Top up a quarter at a time',
        ['system' => 'passive', 'crop' => 'lettuce-leaf', 'top_ups' => 'half'],
    ],
    'to the line' => [
        'mend passive.top-up',
        'Refilled to the line, the air roots drown. Give a quarter of the first fill at a time, 7.7 L, or add air.',
        'Top up a quarter at a time',
        ['system' => 'passive', 'crop' => 'lettuce-leaf', 'top_ups' => 'level'],
    ],
    'dry' => [
        'stop passive.dry',
        'It runs dry on day 19, 13 days before harvest, with no top-ups planned. It lacks 9.3 L.',
        'Top up 1.2 L whenever it has fallen',
        ['system' => 'passive', 'vessel' => plainBox(200, 150, 200), 'crop' => 'basil'],
    ],
    'little air in the gap' => [
        'mind passive.gap',
        'The air gap is 2 mm half-way and 61 mm at harvest; 10 mm and 25 mm are wanted. Fill it lower once roots hang in the water.',
        'Plant 4',
        ['system' => 'passive', 'crop' => 'lettuce-leaf'],
    ],
    'too much at a time' => [
        'mend passive.top-up',
        '9 L on day 12 is more than a quarter of the first fill (7.7 L). Give it in two, or add air.',
        'Give 7.7 L',
        ['system' => 'passive', 'crop' => 'lettuce-leaf', 'planned_top_ups' => [['day' => 12, 'litres' => 9]]],
    ],
    'a drip too thin' => [
        'mend nursery.flow',
        'Each cup gets 0.8 L/h while the pump runs and needs 1 L/h. Use a larger water pump.',
        'Use a pump of 2 L/h',
        ['system' => 'nursery', 'nursery' => ['flow_l_h' => 1.5]],
    ],
    'a drip too strong' => [
        'mind nursery.flow',
        'Each cup gets 32 L/h while the pump runs, and above 20 L/h the medium washes out. Throttle it, or let part of it run back.',
        'Throttle it to 40 L/h',
        ['system' => 'nursery', 'nursery' => ['flow_l_h' => 64]],
    ],
    'a rest too long' => [
        'mend nursery.dry',
        'The pump rests 151 min, and a plug without roots in the water is dry after about 120 min. Let it run more often.',
        'Rest 45 minutes',
        ['system' => 'nursery', 'nursery' => ['off_min' => 150.5]],
    ],
    'a line of another system' => [
        'mind tub.line',
        '"gap" is no water line of a passive tub; it is planned with "touch".',
        null,
        ['system' => 'passive', 'crop' => 'lettuce-leaf', 'water_line' => 'gap'],
    ],
    'a line that only still water has' => [
        'mind tub.line',
        '"third" is no water line of an aerated tub; it is planned with "gap".',
        null,
        ['crop' => 'lettuce-leaf', 'water_line' => 'third'],
    ],
    'crops that want unlike strengths' => [
        'mend crop.windows',
        'These crops cannot share a tub. Strength (EC): leaf lettuce wants 0.8 to 1.4 mS/cm, vine tomato 2 to 3.5 mS/cm. Give each a tub '
            .'of its own, or pair it with another.',
        null,
        ['crops' => [['crop' => 'lettuce-leaf', 'plants' => 1], ['crop' => 'tomato-vine', 'plants' => 1]]],
    ],
    'the cup of one of two crops' => [
        'mind crop.cup',
        'Vine tomato wants a cup of 75 mm or more; this one is 50 mm.',
        'Use the 75 mm net cup beside it',
        ['crops' => [['crop' => 'lettuce-leaf', 'plants' => 1], ['crop' => 'tomato-vine', 'plants' => 1]]],
    ],
    'little light' => [
        'mind crop.light',
        '8.5 hours of light, and leaf lettuce wants 16. Add a lamp, or expect thin, slow plants.',
        'Light it 16 hours a day',
        ['crop' => 'lettuce-leaf'],
        ['garden' => ['site' => ['light_hours' => 8.5]]],
    ],
    'a crop that dislikes still water' => [
        'mind crop.passive',
        'Spinach does well in still water to the first harvest, and poorly after it.',
        'Add air',
        ['system' => 'passive', 'crop' => 'spinach'],
    ],
    'a crop that does not grow in it' => [
        'mend crop.passive',
        'Celery grows slowly and rots more often without air. Add an air stone, or grow something else here.',
        'Add air',
        ['system' => 'passive', 'crop' => 'celery'],
    ],
    'little water' => [
        'mend crop.water',
        '2.3 L for each plant, and basil wants 3 L. Plant fewer, or take a larger tub.',
        'Plant 9',
        ['crop' => 'basil', 'layout' => ['pattern' => 'grid', 'cups' => 12]],
    ],
    // Four holes of 55 in 160 by 160: 9503 of 25600 mm².
    'much cut away' => [
        'mind lid.removed',
        '37 % of the lid is cut away. Over 35 % lids start to sag; over 50 % they fail.',
        'Use 2 cups',
        [
            'vessel' => plainBox(160, 160, 300),
            'hole_mm' => 55,
            'layout' => ['pattern' => 'manual', 'holes' => array_map(
                static fn (array $p): array => ['x_mm' => $p[0], 'y_mm' => $p[1]],
                [[-40, -40], [40, -40], [-40, 40], [40, 40]],
            )],
        ],
    ],
    'driven hard' => [
        'mind air.over',
        'Each stone gets 6.2 L/min and is made for up to 3 L/min. Add a stone or throttle the valve.',
        'Throttle the valve to 50 %',
        [],
        ['air' => ['pump' => 'pump-8w-4']],
    ],
    'hardly any air' => [
        'mend air.weak',
        'Each stone gets 0.26 L/min and needs 0.5 L/min. Use fewer stones or a stronger pump.',
        'Open the valve',
        [],
        ['air' => ['branches' => [['tub' => 'tub', 'valve' => 0.05]]]],
    ],
    'a siphon' => [
        'stop air.siphon',
        'When the power fails, water siphons back through the pump and empties the tub. Fit a check valve, or stand the pump above the '
            .'water.',
        'Fit a check valve',
        [],
        ['air' => ['check_valve' => false]],
    ],
    'a weak shelf' => [
        'mend vessel.shelf',
        '29.9 kg on a shelf that bears 30 kg. That is over four fifths of it: use a smaller tub or a stronger shelf.',
        null,
        [],
        ['garden' => ['site' => ['shelf_limit_kg' => 30]]],
    ],
    'on a structure' => [
        'mind vessel.heavy',
        'Filled it weighs 29.9 kg. Fill it where it will stand, and do not lift it. It bears 249 kg/m² on what is under it: ask whoever is '
            .'responsible for the structure.',
        null,
        [],
        ['garden' => ['site' => ['load' => 'roof']]],
    ],
    'on the ground' => [
        'mind vessel.heavy',
        'Filled it weighs 29.9 kg. Fill it where it will stand, and do not lift it.',
        null,
        [],
        ['garden' => ['site' => ['load' => 'ground']]],
    ],
]);

it('judges tubs alike by the one that gets least air', function () {
    // Two lines on one outlet, one on the other: b and the first of a share an outlet.
    $report = Gardens::report(Gardens::of([
        'tubs' => array_map(
            fn (string $id, int $count) => [
                'id' => $id, 'count' => $count, 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => ['kind' => 'disc-100'],
            ],
            ['a', 'b'],
            [2, 1],
        ),
        'air' => [['id' => 'pump', 'pump' => 'pump-4w-2', 'joined' => false, 'branches' => [['tub' => 'a'], ['tub' => 'b']]]],
    ]));

    expect($report->air[0]->branches[0]->flow_l_min)->toEqualWithDelta($report->air[0]->branches[1]->flow_l_min, 1e-9);
});

it('gives no air to a tub without a stone', function () {
    $report = Gardens::report(Gardens::tub(['stones' => null]));

    expect($report->air[0]->branches[0]->flow_l_min)->toBe(0.0)->and($report->tubs[0]->oxygen->air_l_min)->toBe(0.0);
});

it('takes a line for a metre long and fully open where nothing is said', function () {
    $report = fn (array $branch): array => [
        Gardens::report(Gardens::tub([], [], ['branches' => [['tub' => 'tub', ...$branch]]]))->air[0]->branches[0]->flow_l_min,
        Gardens::report(Gardens::tub([], [], ['branches' => [['tub' => 'tub', ...$branch]]]))->air[0]->tubing_mm,
    ];

    expect($report([]))->toBe($report(['valve' => 1.0, 'distance_mm' => 1000]));
});

it('turns its units back', function (string $unit, float $core, float $shown) {
    expect(Unit::named($unit)?->fromCore($core))->toEqualWithDelta($shown, 1e-9)
        ->and(Unit::named($unit)?->toCore($shown))->toEqualWithDelta($core, 1e-9);
})->with([
    ['in', 50.8, 2.0], ['cm', 51.0, 5.1], ['°F', 20.0, 68.0], ['gal', 7.570823568, 2.0],
    ['ppm (500)', 1.2, 600.0], ['ppm (700)', 1.2, 840.0],
]);

it('names what was given, and no more of it than fits a line', function () {
    $faults = fn (string $units): array => Gardens::faults(
        (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'units' => $units]),
    );

    expect($faults(str_repeat('x', 40)))->toBe(['/units: is "'.str_repeat('x', 40).'"; it may be metric, us'])
        ->and($faults(str_repeat('x', 41)))->toBe(['/units: is "'.str_repeat('x', 37).'…"; it may be metric, us']);
});

it('lets corners be as round as the shorter side allows', function () {
    $round = fn (float $radius) => ['stations' => [
        ['height_mm' => 0, 'length_mm' => 100, 'width_mm' => 60, 'corner_radius_mm' => $radius],
        ['height_mm' => 100, 'length_mm' => 100, 'width_mm' => 60, 'corner_radius_mm' => $radius],
    ]];

    expect(Gardens::report(Gardens::tub(['vessel' => $round(30)]))->tubs[0]->volume->brim_l)
        ->toEqualWithDelta(0.1 * (100 * 60 - (4 - M_PI) * 900) / 1000, 1e-9);
});
