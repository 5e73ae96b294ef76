<?php

declare(strict_types=1);

use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\File\SchemaCheck;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Core\Gardens;

/** The keys of the report that others build on. */
it('gives every agreed figure under its agreed name', function () {
    $report = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']));
    $tub = $report->tubs[0];
    $has = fn (object $part, string ...$keys) => expect(array_diff($keys, array_keys(get_object_vars($part))))->toBe([]);

    $has($report, 'format', 'version', 'tubs', 'air', 'parts', 'budget', 'findings');
    $has(
        $tub,
        'id',
        'volume',
        'levels',
        'mass_kg',
        'load_kg_m2',
        'cover_m2',
        'hole',
        'layout',
        'capacity',
        'media',
        'oxygen',
        'season',
        'feed',
    );
    $has($tub->volume, 'label_l', 'brim_l', 'working_l', 'usable_l', 'per_plant_l', 'displaced_l', 'fill_scale', 'fill_residual_pct');
    $has($tub->levels, 'lid_top_mm', 'cup_bottom_mm', 'water_line_mm', 'lowest_mm', 'tube_entry_mm', 'overflow_mm', 'air_gap_harvest_mm');
    $has($tub->hole, 'diameter_mm', 'saw', 'seat', 'raise_mm', 'bearing_mm', 'play_mm');
    $has($tub->layout, 'pattern', 'count', 'holes', 'spacing_mm', 'web_mm', 'edge_mm', 'removed_pct');
    $has($tub->capacity, 'plants', 'by_lid', 'by_spacing', 'by_water', 'limited_by');
    $has($tub->oxygen, 'saturation_mg_l', 'demand_mg_h', 'air_l_min', 'steady_mg_l', 'outage_min');
    $has($tub->season, 'water_to_harvest_l', 'dry_day', 'harvest_day', 'top_up_l', 'top_ups', 'changes', 'days');
    $has($report->air[0], 'id', 'pressure_kpa', 'flow_l_min', 'outlets_used', 'tubing_mm', 'branches');
    $has($report->air[0]->branches[0], 'tub', 'flow_l_min', 'per_stone_l_min', 'valve');
    $has($report->parts[0], 'key', 'name', 'kind', 'need', 'unit', 'owned', 'buy', 'cost', 'left');
    $has(
        $report->budget,
        'outlay',
        'used',
        'tools',
        'per_tub',
        'per_plant',
        'next_tub',
        'monthly',
        'harvest_value',
        'payback_days',
        'cap',
        'over_cap',
    );
});

it('works one tub out by hand', function () {
    // The worked tote, eight cups by hand in a grid, gap line: cup bottom 300 − 52, line 20 under it. Volumes by a midpoint sum, outside.
    $holes = [];
    foreach ([-243, -81, 81, 243] as $x) {
        foreach ([-148, 148] as $y) {
            $holes[] = ['x_mm' => $x, 'y_mm' => $y];
        }
    }
    $report = Gardens::report(Gardens::tub(
        [
            'vessel' => 'tote-45',
            'crop' => 'mizuna',
            'layout' => ['pattern' => 'manual', 'holes' => $holes],
            'stones' => ['kind' => 'disc-100', 'count' => 2],
        ],
        ['site' => ['water_temperature_c' => 20]],
    ));
    $tub = $report->tubs[0];

    expect($tub->levels->cup_bottom_mm)->toBe(248.0)
        ->and($tub->levels->water_line_mm)->toBe(228.0)
        ->and($tub->levels->lowest_mm)->toBe(100.0)
        ->and($tub->levels->tube_entry_mm)->toBe(275.0)
        ->and($tub->volume->working_l)->toEqualWithDelta(40.064768, 1e-5)
        ->and($tub->volume->usable_l)->toEqualWithDelta(40.064768 - 16.598669, 1e-5)
        ->and($tub->volume->per_plant_l)->toEqualWithDelta(40.064768 / 8, 1e-6)
        ->and($tub->volume->displaced_l)->toBe(0.0)
        // Empty 2.1, water up to the cups, eight cups of wet pebbles, eight plants of 240 g.
        ->and($tub->mass_kg)->toEqualWithDelta(2.1 + 43.964413 + 0.65 * 8 * 0.07618153 + 8 * 0.24, 1e-4)
        ->and($tub->load_kg_m2)->toEqualWithDelta($tub->mass_kg / ((500 * 320 - (4 - M_PI) * 1600) / 1e6), 1e-6)
        ->and($tub->layout->spacing_mm)->toBe(162.0)
        // The corner holes stand 3 and 3 past the middle of the corner's rounding of 50.
        ->and($tub->layout->edge_mm)->toEqualWithDelta(50 - hypot(3, 3) - 25.5, 1e-9)
        // 3.5 L for each of eight, at 1.11915 of the reference climate.
        ->and($tub->season->water_to_harvest_l)->toEqualWithDelta(8 * 3.5 * 1.1191524, 1e-5)
        // 8 plants of 5 mg/h, 0.7 of their roots in the water at 20 °C.
        ->and($tub->oxygen->demand_mg_h)->toEqualWithDelta(28.0, 1e-9)
        ->and($tub->capacity->by_water)->toBe(20);
});

it('opens an overflow in the rain only, 5 mm over the highest water', function () {
    $open = Gardens::report(Gardens::tub([], ['site' => ['setting' => 'open']]))->tubs[0]->levels;

    expect($open->overflow_mm)->toBe(365.0 - 52 + 5)
        ->and(Gardens::report(Gardens::tub([]))->tubs[0]->levels->overflow_mm)->toBeNull();
});

it('gives figures for one of several alike, and counts them all in parts and air', function () {
    $one = Gardens::report(Gardens::tub(['system' => 'passive', 'crop' => 'lettuce-leaf']));
    $three = Gardens::report(Gardens::tub(['system' => 'passive', 'crop' => 'lettuce-leaf', 'count' => 3]));
    $need = fn ($report, $key) => array_values(array_filter($report->parts, fn ($p) => $p->key === $key))[0]->need;

    expect($three->tubs[0]->volume)->toEqual($one->tubs[0]->volume)
        ->and($three->tubs[0]->mass_kg)->toBe($one->tubs[0]->mass_kg)
        ->and($need($three, 'bucket-20'))->toBe(3.0)
        ->and($need($three, 'net-cup-50'))->toBe(3 * $need($one, 'net-cup-50'))
        ->and($need($three, 'drill'))->toBe(1.0);
});

it('plans only so many plants as are planted', function () {
    $all = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna', 'layout' => ['cups' => 8]]))->tubs[0];
    $half = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna', 'layout' => ['cups' => 8], 'plants' => 4]))->tubs[0];

    expect($half->season->water_to_harvest_l)->toEqualWithDelta($all->season->water_to_harvest_l / 2, 1e-9)
        ->and($half->oxygen->demand_mg_h)->toEqualWithDelta($all->oxygen->demand_mg_h / 2, 1e-9)
        ->and($half->media->plugs)->toBe(4)
        ->and($half->layout->count)->toBe(8);
});

it('writes measures in the grower\'s units', function () {
    $says = fn (string $units) => implode(
        ' ',
        array_map(fn ($f) => $f->says, Gardens::report(Gardens::tub(['vessel' => 'tote-45'], ['units' => $units]))->findings),
    );

    expect($says('metric'))->toContain("\u{202F}kg")->not->toContain('lb')
        ->and($says('us'))->toContain("\u{202F}lb")
        ->and(Gardens::report(Gardens::tub([], ['units' => 'us']))->tubs[0]->hole->saw)->toBe('2 in')
        ->and(Gardens::report(Gardens::tub([], ['units' => 'us']))->tubs[0]->hole->diameter_mm)->toBe(50.8);
});

it('holds together in many gardens: what follows from what never disagrees', function () {
    mt_srand(365);
    $library = Gardens::library();
    $pick = fn (array $from) => $from[mt_rand(0, count($from) - 1)];
    $schema = new SchemaCheck(Gardens::files()->schema('report'));
    for ($i = 0; $i < 60; $i++) {
        $tub = [
            'system' => $pick(['aerated', 'aerated', 'passive', 'raft', 'cloner', 'nursery']),
            'vessel' => $pick($library->vessels->keys()),
            'cup' => $pick($library->cups->keys()),
            'crop' => $pick([null, ...$library->crops->keys()]),
            'density' => $pick(['roomy', 'tight']),
            'count' => mt_rand(1, 3),
            'layout' => ['pattern' => $pick(['best', 'grid', 'ring', 'staggered', 'corners', 'single']), 'cups' => $pick(['max', 1, 3, 8])],
        ];
        $report = Gardens::report(
            Gardens::tub($tub, ['site' => ['altitude_m' => mt_rand(0, 2000), 'water_temperature_c' => mt_rand(10, 30)]]),
        );
        $t = $report->tubs[0];
        $case = (string) json_encode($tub);

        expect($schema->faults(json_decode((string) json_encode($report))))->toBe([], $case)
            ->and($t->volume->usable_l)->toBeLessThanOrEqual($t->volume->working_l + 1e-9)
            ->and($t->volume->working_l)->toBeLessThanOrEqual($t->volume->brim_l + 1e-9)
            ->and($t->levels->water_line_mm)->toBeLessThanOrEqual($t->levels->rim_mm)
            ->and($t->capacity->by_spacing)->toBeLessThanOrEqual($t->capacity->by_lid)
            ->and($t->capacity->plants)->toBeLessThanOrEqual(max(1, $t->capacity->by_lid))
            ->and(count($t->layout->holes))->toBe($t->layout->count)
            ->and($t->hole->bearing_mm * 2 + $t->hole->diameter_mm)->toEqualWithDelta($t->shape->cup->lip_diameter_mm, 1e-9);
        if ($t->oxygen->steady_mg_l !== null) {
            expect($t->oxygen->steady_mg_l)->toBeLessThanOrEqual($t->oxygen->saturation_mg_l + 1e-9);
        }
        $costs = array_sum(array_map(fn ($p) => $p->cost, $report->parts));
        expect($report->budget->outlay)->toEqualWithDelta($costs, 1e-9);
        $ranks = array_map(fn ($f) => ['stop' => 0, 'mend' => 1, 'mind' => 2][$f->severity], $report->findings);
        $sorted = $ranks;
        sort($sorted);
        expect($ranks)->toBe($sorted);
    }
});

it(
    'makes patches that set values whether or not the way to them is there',
    function (string $json, string $pointer, mixed $value, string $after) {
        $document = json_decode($json);
        JsonPatch::import((new PatchMaker($document, Gardens::library()))->set($pointer, $value))->apply($document);

        expect(json_encode($document))->toBe($after);
    })->with([
        'there already' => ['{"a":1}', '/a', 2, '{"a":2}'],
        'missing' => ['{}', '/a', 2, '{"a":2}'],
        'missing with its parents' => ['{}', '/site/light/hours', 2, '{"site":{"light":{"hours":2}}}'],
        'in a list' => ['{"tubs":[{"x":1}]}', '/tubs/0/x', 2, '{"tubs":[{"x":2}]}'],
        'where null stands' => ['{"site":null}', '/site/x', 2, '{"site":{"x":2}}'],
    ]);

it('puts the Library\'s object in place where its key stands, and keeps the key', function () {
    $document = json_decode('{"tubs":[{"vessel":"bucket-20"}]}');
    JsonPatch::import((new PatchMaker($document, Gardens::library()))->set('/tubs/0/vessel/cover', 'paint'))->apply($document);

    expect($document->tubs[0]->vessel->cover)->toBe('paint')
        ->and($document->tubs[0]->vessel->key)->toBe('bucket-20')
        ->and($document->tubs[0]->vessel->stations)->toHaveCount(2)
        ->and(Gardens::library()->vessels->raw('bucket-20'))->not->toHaveProperty('cover');
});
