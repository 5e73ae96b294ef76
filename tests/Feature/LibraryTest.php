<?php

declare(strict_types=1);

use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use App\Models\LibraryItem;
use Tests\Core\Gardens;

const OWN_CUP = [
    'name' => 'Tin cup',
    'lip_diameter_mm' => 70,
    'top_diameter_mm' => 63,
    'bottom_diameter_mm' => 48,
    'height_mm' => 60,
    'made' => 'home',
];

it('keeps a cup of one\'s own, changes it and takes it away', function () {
    $key = ask('/api/library/cups', OWN_CUP)->assertCreated()->json('key');
    ask('/api/library/cups', ['key' => $key, 'height_mm' => 65] + OWN_CUP)->assertCreated();
    $kept = app(OwnLibrary::class)->documents(LibraryKind::Cups);

    expect($key)->toBe('own-tin-cup')
        ->and(array_keys($kept))->toBe(['own-tin-cup'])
        ->and($kept['own-tin-cup']->height_mm)->toBe(65);
    test()->deleteJson("/api/library/cups/$key")->assertOk();
    test()->deleteJson("/api/library/cups/$key")->assertNotFound();
    expect(LibraryItem::query()->count())->toBe(0);
});

it('refuses an item with every fault, and what comes with Kelp Tub', function () {
    expect(
        ask('/api/library/cups', ['lip_diameter_mm' => -3, 'made' => 'found'] + OWN_CUP)->assertUnprocessable()->json('faults.*.pointer'),
    )->toBe(['/lip_diameter_mm', '/made'])
        ->and(ask('/api/library/cups', ['top_diameter_mm' => 80] + OWN_CUP)->json('faults.0.message'))->toContain('wider than the lip')
        ->and(ask('/api/library/cups', ['key' => 'net-cup-50'] + OWN_CUP)->json('faults.0.message'))->toContain('comes with Kelp Tub')
        ->and(
            ask(
                '/api/library/vessels',
                [
                    'name' => 'Fold',
                    'stations' => [
                        ['height_mm' => 0, 'diameter_mm' => 200],
                        ['height_mm' => 150, 'diameter_mm' => 220],
                        ['height_mm' => 90, 'diameter_mm' => 230],
                    ],
                ],
            )->json('faults.0.message'),
        )->toContain('list stations from the floor up')
        ->and(ask('/api/library/spoons', OWN_CUP)->status())->toBe(404)
        ->and(LibraryItem::query()->count())->toBe(0);
});

it('takes ten thousand rows or none, and names each of three faults', function () {
    $lines = ['key,name,lip_diameter_mm,top_diameter_mm,bottom_diameter_mm,height_mm,made'];
    for ($i = 1; $i <= 10_000; $i++) {
        $lines[] = "mine-$i,Cup $i,60,".(50 + $i % 9).',36,52,bought';
    }
    $wrong = $lines;
    $wrong[17] = 'mine-17,Cup 17,60,66,36,52,bought';
    $wrong[4012] = 'mine-4012,,60,54,36,52,bought';
    $wrong[9999] = 'mine-5,Cup again,60,54,36,52,bought';
    $faults = ask('/api/library/cups/import', ['csv' => implode("\n", $wrong)])->assertUnprocessable()->json('faults');

    expect(array_column($faults, 'pointer'))->toBe(['line 18/top_diameter_mm', 'line 4013', 'line 10000/key'])
        ->and(LibraryItem::query()->count())->toBe(0);
    expect(ask('/api/library/cups/import', ['csv' => implode("\n", $lines)])->assertCreated()->json('keys'))->toHaveCount(10_000)
        ->and(LibraryItem::query()->count())->toBe(10_000)
        ->and(
            ask(
                '/api/library/cups/import',
                ['csv' => implode("\n", [...$lines, 'one-more,Cup,60,54,36,52,bought'])],
            )->json('faults.0.message'),
        )->toContain('at most 10000');
});

it('writes a shelf as CSV and as JSON and reads both back the same', function (string $kind, array $item) {
    ask("/api/library/$kind", $item)->assertCreated();
    $before = json_encode(app(OwnLibrary::class)->documents(LibraryKind::from($kind)));
    foreach (['csv', 'json'] as $form) {
        $file = test()->get("/api/library/$kind/file.$form")->assertOk()->getContent();
        LibraryItem::query()->delete();
        ask("/api/library/$kind/import", [$form => $file])->assertCreated();
        $after = json_decode((string) json_encode(app(OwnLibrary::class)->documents(LibraryKind::from($kind))), true);
        expect($after)->toEqualCanonicalizing(json_decode((string) $before, true));
    }
})->with([
    'cups' => ['cups', OWN_CUP],
    'saws' => ['saws', ['name' => 'Old saw, blunt', 'diameter_mm' => 53.5]],
    'a bucket' => [
        'vessels',
        [
            'name' => 'Bait "bucket"',
            'kind' => 'bucket',
            'label_l' => 12.5,
            'opacity' => 'translucent',
            'food_safe' => true,
            'braced' => false,
            'stations' => [['height_mm' => 0, 'diameter_mm' => 220], ['height_mm' => 250.5, 'diameter_mm' => 270]],
            'lid' => ['diameter_mm' => 290, 'thickness_mm' => 2, 'make' => 'plain', 'top_above_rim_mm' => -4],
        ],
    ],
    'a tote' => [
        'vessels',
        [
            'name' => 'Toy box',
            'kind' => 'tote',
            'stations' => [
                ['height_mm' => 0, 'length_mm' => 400, 'width_mm' => 300, 'corner_radius_mm' => 30],
                ['height_mm' => 200, 'length_mm' => 430, 'width_mm' => 330, 'corner_radius_mm' => 35],
            ],
            'lid' => ['length_mm' => 450, 'width_mm' => 350, 'corner_radius_mm' => 40, 'make' => 'ribbed'],
        ],
    ],
    'a crop' => [
        'crops',
        [
            'name' => 'Sea kale',
            'group' => 'leaf',
            'spacing_mm' => 300,
            'litres_per_plant' => 4,
            'water_to_harvest_l' => 8,
            'days_germinate' => 10,
            'days_sow_to_transplant' => 30,
            'days_transplant_to_harvest' => 60,
            'harvest' => 'once',
            'days_harvest_lasts' => 0,
            'passive' => 'short',
            'ec_low' => 1.4,
            'ec_high' => 2.2,
            'ph_low' => 6,
            'ph_high' => 7,
            'root_oxygen_mg_h' => 9,
            'water_temp_low_c' => 10,
            'water_temp_high_c' => 20,
            'support' => 'none',
            'light_hours' => 12,
            'yield_g' => 300,
            'cup_min_mm' => 50,
            'mature_mass_g' => 500,
            'mature_height_mm' => 400,
            'habit' => 'rosette',
        ],
    ],
]);

it('says what a table lacks or cannot be read as', function (string $kind, string $csv, string $pointer, string $message) {
    $fault = ask("/api/library/$kind/import", ['csv' => $csv])->assertUnprocessable()->json('faults.0');

    expect($fault['pointer'])->toBe($pointer)->and($fault['message'])->toContain($message);
})->with([
    'no columns' => ['cups', "a,b\n1,2", 'line 1', 'lacks the column name'],
    'a cell short' => ['saws', "name,diameter_mm\nSaw", 'line 2', 'has 1 cells and there are 2 columns'],
    'a word for a measure' => ['saws', "name,diameter_mm\nSaw,wide", 'line 2/diameter_mm', 'number'],
    'a station' => ['vessels', "name,stations\nTin,0 Ø200; 150 round", 'line 2, stations', 'reads "0 Ø260"'],
]);

it('refuses what is no list', function () {
    expect(ask('/api/library/cups/import', ['json' => '7'])->json('faults.0.message'))->toContain('is not a list')
        ->and(ask('/api/library/cups/import', ['json' => '[1]'])->json('faults.0'))->toBe([
            'pointer' => '/0',
            'message' => 'is not an object',
        ])
        ->and(ask('/api/library/cups/import', ['json' => '{'])->json('faults.0.message'))->toContain('is not JSON');
});

it('gives a new garden the saws that its grower has', function () {
    ask('/api/library/saws', ['name' => 'Two inches', 'diameter_mm' => 50.8])->assertCreated();
    $garden = ask('/api/gardens', ['name' => 'Shed'])->json('document');

    expect(json_decode((string) $garden)->saws_mm)->toBe([50.8]);
});

it('ranks vessels for what is to grow, one\'s own among them', function () {
    ask(
        '/api/library/vessels',
        ['name' => 'Thimble', 'stations' => [['height_mm' => 0, 'diameter_mm' => 30], ['height_mm' => 40, 'diameter_mm' => 40]]],
    )->assertCreated();
    $garden = [
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'tubs' => [['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'kale', 'stones' => ['kind' => 'disc-100']]],
        'air' => [['id' => 'p', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
    ];
    $vessels = ask('/api/vessels?tub=a', $garden)->assertOk()->json('vessels');
    $ranks = array_map(fn ($v) => [$v['stops'], $v['mends']], $vessels);
    $sorted = $ranks;
    sort($sorted);
    $last = array_values(array_filter($vessels, fn ($v) => $v['vessel'] === 'own-thimble'))[0];

    expect($ranks)->toBe($sorted)
        ->and(count($vessels))->toBe(count(Gardens::library()->vessels) + 1)
        ->and($last['stops'])->toBeGreaterThan(0)
        ->and($last['says'])->not->toBeNull()
        ->and(ask('/api/vessels?tub=b', $garden)->status())->toBe(404);
});

it('says which cups fit a hole that is there', function () {
    $cups = ask('/api/cups', ['hole_mm' => 62])->assertOk()->json('cups');
    ask('/api/cups', ['hole_mm' => 0])->assertUnprocessable();
    $by = array_column($cups, null, 'cup');

    // 60 mm cup: lip 68, body 60: bears 3 mm each side with 2 mm of play. 68 mm cup: 75/67 jams. 50 mm cup: its lip of 58 falls through.
    expect($by['net-cup-60'])->toMatchArray(['seat' => 'lip', 'bearing_mm' => 3, 'play_mm' => 2, 'good' => true])
        ->and($by['net-cup-68']['seat'])->toBe('wedged')
        ->and($by)->not->toHaveKey('net-cup-50')
        ->and($cups[0]['good'])->toBeTrue();
});

it('reads what a tape says from outside and from the bench', function (array $item, float|string $expected) {
    $reading = ask('/api/read', ['units' => 'metric', 'texts' => [['dimension' => 'length', ...$item]]])->assertOk()->json('readings.0');

    is_string($expected) ? expect($reading['error'])->toContain($expected) : expect($reading['value'])->toEqualWithDelta($expected, 1e-6);
})->with([
    'a girth' => [['text' => '94.2 cm', 'way' => 'girth', 'wall_mm' => 2], 942 / M_PI - 4],
    'across outside, in inches' => [['text' => '12 in', 'way' => 'outside', 'wall_mm' => 2.5], 304.8 - 5],
    'down from the rim' => [['text' => '40', 'way' => 'from-rim', 'rim_mm' => 300], 260.0],
    'up from the bench' => [['text' => '120', 'way' => 'from-bench', 'floor_mm' => 4], 116.0],
    'nothing left' => [['text' => '4', 'way' => 'outside', 'wall_mm' => 2.5], 'leaves nothing inside'],
]);
