<?php

declare(strict_types=1);

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\HangingCups;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Vessel\Fill;
use KelpTub\Core\Vessel\FillFit;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Reservoir;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\Weight;
use Tests\Core\Gardens;

function bucket(): Profile
{
    return new Profile([new Station(0, CrossSection::circle(262)), new Station(365, CrossSection::circle(287))]);
}

function tote(): Profile
{
    return new Profile([new Station(0, CrossSection::rectangle(500, 320, 40)), new Station(300, CrossSection::rectangle(560, 370, 50))]);
}

it('holds the worked volumes', function () {
    // The frustum formula π·h/12·(d0² + d0·d1 + d1²), and for the tote a midpoint sum of 20 000 slices, both worked outside.
    expect(bucket()->brim())->toEqualWithDelta(21.615612, 1e-5)
        ->and(bucket()->volumeAt(300))->toEqualWithDelta(17.475494, 1e-5)
        ->and(bucket()->depthFor(15))->toEqualWithDelta(260.135033, 1e-5)
        ->and(tote()->brim())->toEqualWithDelta(54.406372, 1e-5)
        ->and(tote()->volumeAt(200))->toEqualWithDelta(34.712540, 1e-5);
});

it('has the area of a rounded rectangle and of a circle made as one', function () {
    expect(CrossSection::rectangle(100, 100, 50)->area())->toEqualWithDelta(CrossSection::circle(100)->area(), 1e-9)
        ->and(CrossSection::rectangle(100, 100, 50)->perimeter())->toEqualWithDelta(M_PI * 100, 1e-9)
        ->and(CrossSection::rectangle(120, 80, 0)->area())->toBe(9600.0);
});

it('grows with depth and is inverted by depth for volume', function (Profile $profile) {
    $last = -1.0;
    for ($depth = 1.0; $depth < $profile->rim(); $depth += 6.5) {
        $litres = $profile->volumeAt($depth);
        expect($litres)->toBeGreaterThan($last)
            ->and($profile->depthFor($litres))->toEqualWithDelta($depth, 1e-6);
        $last = $litres;
    }
})->with(fn () => [
    'bucket' => bucket(),
    'tote' => tote(),
    'shouldered jar' => PartReader::vessel(Gardens::library()->vessels->raw('jar-4'), null)->profile,
    'stepped tote' => PartReader::vessel(Gardens::library()->vessels->raw('tote-stepped-50'), null)->profile,
]);

it('clamps outside floor and rim', function () {
    expect(bucket()->volumeAt(-5))->toBe(0.0)
        ->and(bucket()->volumeAt(999))->toBe(bucket()->brim())
        ->and(bucket()->depthFor(99))->toBe(365.0)
        ->and(bucket()->depthFor(0))->toBe(0.0);
});

it('adds a step as two stations at one height', function () {
    $stepped = new Profile([
        new Station(0, CrossSection::rectangle(400, 300, 0)),
        new Station(100, CrossSection::rectangle(400, 300, 0)),
        new Station(100, CrossSection::rectangle(500, 400, 0)),
        new Station(200, CrossSection::rectangle(500, 400, 0)),
    ]);

    expect($stepped->brim())->toEqualWithDelta(12 + 20, 1e-9)
        ->and($stepped->depthFor(22))->toEqualWithDelta(150, 1e-6)
        ->and($stepped->sectionAt(100)->length)->toBe(500.0)
        ->and($stepped->sectionAt(99)->length)->toBe(400.0);
});

it('refuses a slice that changes from round to rectangular, and a single station', function () {
    new Profile([new Station(0, CrossSection::circle(100)), new Station(10, CrossSection::rectangle(100, 100, 0))]);
})->throws(InvalidArgumentException::class);

it('has the lateral area of a frustum, and of straight walls their perimeter by height', function () {
    $straight = new Profile(
        [new Station(0, CrossSection::rectangle(400, 300, 50)), new Station(200, CrossSection::rectangle(400, 300, 50))],
    );

    expect(bucket()->lateralArea())->toEqualWithDelta(0.3149485, 1e-6)
        ->and($straight->lateralArea())->toEqualWithDelta((2 * 700 - (8 - 2 * M_PI) * 50) * 200 / 1e6, 1e-9);
});

it('rescales a vessel from known fills by least squares', function () {
    // Volumes 5.6 and 11.4 at these depths; fills 3 % and 5 % over: s = ΣV·L/ΣV².
    $profile = bucket();
    [$v1, $v2] = [$profile->volumeAt(100), $profile->volumeAt(200)];
    $fit = FillFit::of($profile, [new Fill(1.03 * $v1, 100), new Fill(1.05 * $v2, 200)]);
    $scale = ($v1 * 1.03 * $v1 + $v2 * 1.05 * $v2) / ($v1 ** 2 + $v2 ** 2);

    expect($fit?->scale)->toEqualWithDelta($scale, 1e-12)
        ->and($fit?->applied)->toBeTrue()
        ->and($profile->withAreasScaled($scale)->volumeAt(200))->toEqualWithDelta($scale * $v2, 1e-9)
        ->and($profile->withAreasScaled($scale)->rim())->toBe(365.0)
        ->and($fit?->residualPercent())->toEqualWithDelta(100 * max(abs(1.03 / $scale - 1), abs(1.05 / $scale - 1)), 1e-9);
});

it('reports one fill without applying it, and names a fill that is off', function () {
    $vessel = ['stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]]];
    $one = Gardens::report(Gardens::tub(['vessel' => [...$vessel, 'fills' => [['litres' => 12, 'depth_mm' => 200]]]]))->tubs[0]->volume;
    $off = Gardens::tub(
        ['vessel' => [
            ...$vessel,
            'fills' => [['litres' => 5, 'depth_mm' => 90], ['litres' => 10, 'depth_mm' => 178], ['litres' => 13.4, 'depth_mm' => 262]],
        ]],
    );

    expect($one->brim_l)->toEqualWithDelta(21.615612, 1e-5)
        ->and($one->fill_scale)->toEqualWithDelta(12 / bucket()->volumeAt(200), 1e-9)
        ->and(Gardens::findings($off))->toContain('mind vessel.fill');
});

it('says which fill contradicts the others, and leaves it out at a press', function () {
    // A cylinder 200 across: 3.1416 L each 100 mm. The second of four was read at half its depth.
    $fills = [
        ['litres' => 1.571, 'depth_mm' => 50],
        ['litres' => 6.283, 'depth_mm' => 100],
        ['litres' => 6.4, 'depth_mm' => 200],
        ['litres' => 7.854, 'depth_mm' => 250],
    ];
    $garden = Gardens::tub(
        ['vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 200], ['height_mm' => 300, 'diameter_mm' => 200]],
            'fills' => $fills,
        ]],
    );
    $said = array_values(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'vessel.fill'));

    expect(array_column($said, 'at'))->toBe(['/tubs/0/vessel/fills/1'])
        // The others' line by hand: (V1·L1 + V3·L3 + V4·L4) / (V1² + V3² + V4²) with V = 0.031416·depth.
        ->and($said[0]->says)->toStartWith('Fill 2 is 98.')
        ->and(Gardens::deeds($said[0]->remedies[0]->patch))->toEqual([(object) ['op' => 'remove', 'path' => '/tubs/0/vessel/fills/1']]);
    unset($fills[1]);
    $fit = FillFit::of(
        new Profile([new Station(0, CrossSection::circle(200)), new Station(300, CrossSection::circle(200))]),
        array_map(fn ($f) => new Fill($f['litres'], $f['depth_mm']), array_values($fills)),
    );
    expect($fit?->odd)->toBeNull()->and($fit?->residualPercent())->toBeLessThan(5);
});

it('names every fill where no one of them is to blame', function (array $fills, array $named) {
    $garden = Gardens::tub(
        ['vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 200], ['height_mm' => 300, 'diameter_mm' => 200]],
            'fills' => $fills,
        ]],
    );

    expect(
        array_column(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'vessel.fill'), 'at'),
    )->toBe(array_map(fn ($i) => "/tubs/0/vessel/fills/$i", $named));
})->with([
    'two that differ' => [[['litres' => 2, 'depth_mm' => 100], ['litres' => 8, 'depth_mm' => 200]], [0, 1]],
    'three in three directions' => [
        [['litres' => 2, 'depth_mm' => 100], ['litres' => 8, 'depth_mm' => 200], ['litres' => 8.5, 'depth_mm' => 280]],
        [0, 1, 2],
    ],
]);

it('takes what pebbles displace off the water, and inverts that too', function () {
    $cup = new Cup(null, 'Cup', 58, 50, 36, 52, false);
    $reservoir = new Reservoir(bucket(), [new HangingCups($cup, 4, 250)], true);

    // A frustum of 10 mm from 36 wide at the bottom: 0.010959 L, worked outside; 0.55 of it for each of four cups.
    expect($reservoir->displacedAt(260))->toEqualWithDelta(4 * 0.55 * 0.010958969, 1e-8)
        ->and($reservoir->displacedAt(240))->toBe(0.0)
        ->and($reservoir->levelFor($reservoir->litresAt(275)))->toEqualWithDelta(275, 1e-6)
        ->and($reservoir->levelFor($reservoir->litresAt(120)))->toEqualWithDelta(120, 1e-6)
        ->and((new Reservoir(bucket(), [new HangingCups($cup, 4, 250)], false))->displacedAt(300))->toBe(0.0);
});

it('weighs water, wet pebbles and plants over the empty tub', function () {
    $vessel = PartReader::vessel(Gardens::library()->vessels->raw('bucket-20'), 'bucket-20');
    $weight = Weight::of($vessel, 15.0, 0.3, 1.2);

    expect($weight->kg)->toEqualWithDelta(0.9 + 15.0 + 0.65 * 0.3 + 1.2, 1e-9)
        ->and($weight->kgPerSquareMetre)->toEqualWithDelta($weight->kg / (M_PI * 0.262 ** 2 / 4), 1e-9);
});

it('finds what is wrong with a vessel', function (array $tub, array $garden, string $finding) {
    expect(Gardens::findings(Gardens::tub($tub, $garden)))->toContain($finding);
})->with([
    'a label above the brim' => [
        ['vessel' => [
            'label_l' => 25,
            'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        ]],
        [],
        'mind vessel.label',
    ],
    'a brim far above the label' => [
        ['vessel' => [
            'label_l' => 17,
            'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        ]],
        [],
        'mind vessel.label',
    ],
    'a floor wider than the rim' => [
        ['vessel' => ['stations' => [['height_mm' => 0, 'diameter_mm' => 287], ['height_mm' => 365, 'diameter_mm' => 262]]]],
        [],
        'mind vessel.taper',
    ],
    'a heavy tub' => [['vessel' => 'tote-45'], [], 'mind vessel.heavy'],
    'a shelf nearly full' => [[], ['site' => ['shelf_limit_kg' => 21]], 'mend vessel.shelf'],
    'a shelf too weak' => [[], ['site' => ['shelf_limit_kg' => 15]], 'stop vessel.shelf'],
    'two on one shelf' => [['count' => 2], ['site' => ['shelf_limit_kg' => 30]], 'stop vessel.shelf'],
    'long walls' => [['vessel' => 'tote-90', 'water_line' => 'high-start'], [], 'mind vessel.bow'],
    'light' => [['vessel' => 'tote-clear-35'], [], 'mend vessel.light'],
    'full sun' => [[], ['site' => ['full_sun' => true]], 'mind vessel.sun'],
    'a cold floor' => [[], ['site' => ['floor' => 'concrete']], 'mind vessel.cold-floor'],
    'no food plastic' => [
        ['vessel' => [
            'food_safe' => false,
            'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        ]],
        [],
        'stop vessel.food',
    ],
]);

it('cuts a bottle where it is told to, and holds the label against the whole of it', function () {
    $bottle = Gardens::library()->vessels->raw('bottle-5');
    $of = function (?float $cut) use ($bottle) {
        $vessel = (object) [...get_object_vars($bottle), 'cut_mm' => $cut];
        unset($vessel->lid);

        return Gardens::tub(['system' => 'passive', 'vessel' => $vessel]);
    };
    $whole = Gardens::report($of(null))->tubs[0];
    $cut = Gardens::report($of(240))->tubs[0];
    // Frusta by hand, πh/12·(a² + ab + b²): to the cut at 240 4.344399 L, to the neck 5.149940 L.
    expect($whole->volume->brim_l)->toEqualWithDelta(5.149939533, 1e-8)
        ->and($cut->volume->brim_l)->toEqualWithDelta(4.344398525, 1e-8)
        ->and($whole->shape->cut_off)->toBe([])
        ->and(array_map(fn ($s) => [$s->height_mm, $s->length_mm], $cut->shape->cut_off))->toBe(
            [[240.0, 152.0], [250.0, 152.0], [285.0, 110.0], [305.0, 48.0], [330.0, 48.0]],
        )
        ->and($cut->shape->lid->length_mm)->toBe(152.0)
        ->and($cut->levels->rim_mm)->toBe(240.0)
        // 5 L on the label are in the whole bottle, though not in what is left of it.
        ->and(Gardens::findings($of(240)))->not->toContain('mind vessel.label');
});

it('covers walls, lid or both, and calls a lid alone no cover', function (string $parts, string $cover, bool $light) {
    $box = [
        'opacity' => 'clear', 'cover' => $cover, 'cover_parts' => $parts, 'lid' => ['length_mm' => 420, 'width_mm' => 320],
        'stations' => array_map(static fn (int $at): array => ['height_mm' => $at, 'length_mm' => 400, 'width_mm' => 300], [0, 300]),
    ];
    $garden = Gardens::tub(['vessel' => $box]);
    $found = array_column(Gardens::report($garden)->findings, null, 'code');
    $walls = 2 * (0.4 + 0.3) * 0.3;
    $lid = 0.42 * 0.32;

    expect(Gardens::report($garden)->tubs[0]->cover_m2)
        ->toEqualWithDelta(['both' => $walls + $lid, 'walls' => $walls, 'lid' => $lid][$parts], 1e-9)
        ->and(isset($found['vessel.light']))->toBe($light);
    if ($light) {
        expect(Gardens::deeds($found['vessel.light']->remedies[0]->patch)[0]->value)->toBe($cover === 'none' ? 'paint' : 'both');
    }
})->with([
    ['both', 'foil', false], ['walls', 'foil', false], ['lid', 'foil', true], ['lid', 'paint', true], ['both', 'none', true],
]);
