<?php

declare(strict_types=1);

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Crop\TubWaterUse;
use KelpTub\Core\Crop\WaterUse;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Marks\Feed\SafeTopUps;
use KelpTub\Core\Season\TopUp;
use Tests\Core\Gardens;

/** @return list<CropWish> */
function wishes(?int ...$plants): array
{
    $crops = ['mizuna', 'celery-leaf', 'dill'];

    return array_map(
        fn (int $i, ?int $n): CropWish => new CropWish(Gardens::library()->crops->get($crops[$i]), $n),
        array_keys($plants),
        array_values($plants),
    );
}

/** @return list<int> */
function dealt(CropMix $mix): array
{
    return array_map(fn (CropShare $s): int => $s->plants, $mix->shares);
}

it('deals places out to crops', function (array $wanted, int $places, array $shares) {
    expect(dealt(CropMix::of(wishes(...$wanted), Density::Roomy, $places)))->toBe($shares);
})->with([
    'each its number' => [[4, 3], 9, [4, 3]],
    'what is left to the one without a number' => [[4, null], 9, [4, 5]],
    'evenly, the earlier first' => [[null, null, null], 8, [3, 3, 2]],
    'cut by the same share' => [[6, 3], 6, [4, 2]],
    'largest remainder first' => [[5, 2], 4, [3, 1]],
    'nothing is left out that is not there' => [[2, 0], 9, [2]],
]);

it('sums what a mix of crops wants', function () {
    $mix = CropMix::of(wishes(4, 3), Density::Tight, 7);

    // Mizuna 2 L, 5 mg/h, 240 g, EC 1.5; leaf celery 3 L, 7 mg/h, 280 g, EC 1.7. Tight roots take 0.45.
    expect($mix->litresWanted())->toEqualWithDelta(4 * 2 + 3 * 3, 1e-9)
        ->and($mix->rootOxygen())->toEqualWithDelta(0.45 * (4 * 5 + 3 * 7), 1e-9)
        ->and($mix->matureKg())->toEqualWithDelta(4 * 0.24 + 3 * 0.28, 1e-9)
        ->and($mix->middleEc())->toEqualWithDelta((4 * 1.5 + 3 * 1.7) / 7, 1e-9)
        ->and($mix->widest()?->key)->toBe('celery-leaf');
});

it('adds up what several crops drink, and stops with those that are cleared', function () {
    $short = new WaterUse(4.0, 30, 30);
    $long = new WaterUse(10.0, 50, 90);
    $both = new TubWaterUse([$short, $long]);

    expect($both->toHarvest)->toBe(14.0)
        ->and($both->harvestDay)->toBe(50.0)
        ->and($both->lastDay)->toBe(90.0)
        ->and($both->until(20))->toEqualWithDelta($short->until(20) + $long->until(20), 1e-12)
        // Cleared on day 30, the first drinks no more.
        ->and($both->until(60))->toEqualWithDelta(4.0 + $long->until(60), 1e-9)
        ->and($both->until((float) $both->dayWhenUsed(9.0)))->toEqualWithDelta(9.0, 1e-6)
        ->and($both->dayWhenUsed(1000.0))->toBeNull()
        ->and((new TubWaterUse([$long]))->dayWhenUsed(5.0))->toBe($long->dayWhenUsed(5.0));
});

it('plans one crop the same by either way of asking', function () {
    $one = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']));
    $list = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna']]]));

    expect(json_encode($list->tubs))->toBe(json_encode($one->tubs));
});

it('grows several crops on one lid, the tallest at the back', function () {
    $report = Gardens::report(
        Gardens::tub(['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna', 'plants' => 5], ['crop' => 'celery-leaf', 'plants' => 4]]]),
    );
    $tub = $report->tubs[0];
    $of = fn (string $crop) => array_map(
        fn ($h) => $h->y_mm,
        array_values(array_filter($tub->layout->holes, fn ($h) => $h->crop === $crop)),
    );

    expect($tub->layout->count)->toBe(9)
        ->and(array_column($tub->crops, 'plants', 'crop'))->toBe(array_column($tub->crops, 'plants', 'crop'))
        ->and([count($of('mizuna')), count($of('celery-leaf'))])->toBe([5, 4])
        // Leaf celery stands 380 and mizuna 300.
        ->and(min($of('celery-leaf')))->toBeGreaterThanOrEqual(max($of('mizuna')) - 1e-6)
        // Mizuna goes on drinking after its own harvest until leaf celery has come to its own, on day 45.
        ->and($tub->season->water_to_harvest_l)
        ->toEqualWithDelta((5 * 3.5 * (1 + 2.1004846847503473 * 17 / 28) + 4 * 7.0) * $tub->season->climate, 1e-6)
        ->and(array_column($tub->crops, 'water_to_harvest_l', 'crop')['celery-leaf'])
        ->toEqualWithDelta(4 * 7.0 * $tub->season->climate, 1e-9)
        ->and($tub->season->harvest_day)->toBe(45.0)
        ->and(array_column($report->parts, 'need', 'key'))->toHaveKeys(['seed-mizuna', 'seed-celery-leaf'])
        ->and($tub->media->plugs)->toBe(9);
});

it('holds neighbours to the mean of their spacings', function () {
    // Rocket wants 130, kale 250: between them 190. Two holes 195 apart.
    $holes = fn (string $a, string $b) => Gardens::findings(
        Gardens::tub(
            [
                'vessel' => 'tote-45',
                'layout' => [
                    'pattern' => 'manual',
                    'holes' => [['x_mm' => -97.5, 'y_mm' => 0, 'crop' => $a], ['x_mm' => 97.5, 'y_mm' => 0, 'crop' => $b]],
                ],
            ],
        ),
    );

    expect($holes('rocket', 'kale'))->not->toContain('mind crop.spacing')->not->toContain('mend crop.spacing')
        ->and($holes('rocket', 'rocket'))->not->toContain('mind crop.spacing')
        // 195/250 is under 0.8.
        ->and($holes('kale', 'kale'))->toContain('mend crop.spacing')
        ->and(
            Gardens::report(
                Gardens::tub(
                    [
                        'vessel' => 'tote-45',
                        'layout' => [
                            'pattern' => 'manual',
                            'holes' => [
                                ['x_mm' => -97.5, 'y_mm' => 0, 'crop' => 'rocket'],
                                ['x_mm' => 97.5, 'y_mm' => 0, 'crop' => 'kale'],
                            ],
                        ],
                    ],
                ),
            )->tubs[0]->limits->crop_spacing_mm,
        )->toEqualWithDelta(190, 1e-9);
});

it('fits between as many as the wider and as the narrower crop alone', function () {
    $by = fn (array $crops) => Gardens::report(Gardens::tub(['vessel' => 'tote-90', 'crops' => $crops]))->tubs[0]->capacity;
    $both = $by([['crop' => 'rocket'], ['crop' => 'lettuce-romaine']]);

    expect($both->by_spacing)->toBeGreaterThanOrEqual($by([['crop' => 'lettuce-romaine']])->by_spacing)
        ->and($both->by_spacing)->toBeLessThanOrEqual($by([['crop' => 'rocket']])->by_spacing)
        ->and($both->by_water)->toBe((function (): int {
            // Half rocket at 1.5 L, half romaine at 3: the odd one goes to rocket, which was named first.
            $litres = Gardens::report(
                Gardens::tub(['vessel' => 'tote-90', 'crops' => [['crop' => 'rocket'], ['crop' => 'lettuce-romaine']]]),
            )->tubs[0]->volume->working_l;
            for ($n = 0; 1.5 * ceil(($n + 1) / 2) + 3 * floor(($n + 1) / 2) <= $litres; $n++);

            return $n;
        })());
});

it('keeps crops apart whose windows do not meet', function () {
    // Spinach 10–19 °C and EC 1.4–2.0; okra 21–28 °C and EC 2.0–2.6: EC meets at 2.0, warmth does not.
    $garden = Gardens::tub(['vessel' => 'tote-45', 'crops' => [['crop' => 'spinach', 'plants' => 2], ['crop' => 'okra', 'plants' => 2]]]);
    $finding = array_values(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'crop.windows'))[0];

    expect($finding->severity)->toBe('mend')
        ->and($finding->says)->toContain('Water temperature: spinach wants 10', 'okra 21')
        ->and($finding->says)->not->toContain('EC')
        ->and(
            Gardens::findings(Gardens::tub(['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna'], ['crop' => 'celery-leaf']]])),
        )->not->toContain('mend crop.windows');
});

it('hangs two sizes of cup on one lid', function () {
    $tub = Gardens::report(
        Gardens::tub(
            [
                'vessel' => 'tote-45',
                'cups_2' => 'net-cup-75',
                'crops' => [['crop' => 'chives', 'plants' => 4], ['crop' => 'strawberry', 'plants' => 2]],
            ],
        ),
    );
    $cups = array_map(fn ($h) => [$h->crop, $h->cup], $tub->tubs[0]->layout->holes);
    $parts = array_column($tub->parts, 'need', 'key');

    // Strawberries want 75 mm, chives 50: each has the smaller cup that is large enough.
    expect($cups)->toContain(['chives', 1], ['strawberry', 2])->not->toContain(['strawberry', 1])
        ->and([$tub->tubs[0]->hole->count, $tub->tubs[0]->hole_2->count])->toBe([4, 2])
        ->and([$parts['net-cup-50'], $parts['net-cup-75']])->toBe([4.0, 2.0])
        ->and($tub->tubs[0]->hole_2->seat)->toBe('lip')
        // Both hang by their lips from one lid: the bottoms differ by their heights, 52 and 72.
        ->and($tub->tubs[0]->shape->cups[0]->bottom_mm - $tub->tubs[0]->shape->cups[1]->bottom_mm)->toEqualWithDelta(20, 1e-9)
        // Full inside frustums: 4 × 76.2 mL and 2 × π·72/12·(54² + 54·74 + 74²).
        ->and($tub->tubs[0]->media->pebbles_l)->toEqualWithDelta(
            4 * 0.0762 + 2 * M_PI * 72 / 12 * (54 ** 2 + 54 * 74 + 74 ** 2) / 1e6,
            1e-3,
        )
        // Wide lips need 82 + 3, wide holes their web.
        ->and($tub->tubs[0]->limits->least_distance_mm)->toBeGreaterThanOrEqual(85);
});

it('judges each hole set by hand by its own cup', function () {
    $holes = fn (int $second) => Gardens::tub(
        [
            'vessel' => 'tote-45',
            'cups_2' => 'net-cup-75',
            'layout' => [
                'pattern' => 'manual',
                'holes' => [['x_mm' => -36, 'y_mm' => 0, 'cup' => 1], ['x_mm' => 36, 'y_mm' => 0, 'cup' => $second]],
            ],
        ],
    );

    // 72 apart: two lips of 58 need 61; 58 and 82 need 73.
    expect(Gardens::findings($holes(1)))->not->toContain('stop lid.lips')
        ->and(Gardens::findings($holes(2)))->toContain('stop lid.lips');
});

it('refuses what a hole cannot have', function () {
    $faults = Gardens::faults(
        (string) json_encode(
            [
                'format' => 'kelp-tub.garden',
                'version' => 1,
                'tubs' => [
                    [
                        'id' => 'a',
                        'system' => 'aerated',
                        'vessel' => 'tote-45',
                        'crops' => [['crop' => 'moonleaf']],
                        'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0, 'crop' => 'sunroot', 'cup' => 2]]],
                    ],
                ],
            ],
        ),
    );

    expect($faults)->toBe([
        '/tubs/0/crops/0/crop: is "moonleaf", and the Library has no such crop',
        '/tubs/0/layout/holes/0/crop: is "sunroot", and the Library has no such crop',
        '/tubs/0/layout/holes/0/cup: is 2; it is 1 for the tub\'s cup or 2 for cups_2, or the key of one of them',
    ]);
});

it('grows crops that a garden brings along', function () {
    $row = [
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
    ];
    $garden = [
        'tubs' => [['id' => 'a', 'system' => 'aerated', 'vessel' => 'tote-45', 'crop' => 'sea-kale']],
        'library' => ['crops' => ['sea-kale' => $row]],
    ];
    $wrong = ['ec_low' => 3] + $row;

    expect(Gardens::report(Gardens::of($garden))->tubs[0]->crops[0]->name)->toBe('Sea kale')
        ->and(Gardens::faults(
            (string) json_encode(
                ['format' => 'kelp-tub.garden', 'version' => 1, 'library' => ['crops' => ['sea-kale' => $wrong]]] + $garden,
            ),
        ))
        ->toBe(['/library/crops/sea-kale/ec_low: is 3, above ec_high of 2.2']);
});

it('follows a passive tub through its planned top-ups', function () {
    $jar = fn (array $topUps): array => [
        'system' => 'passive', 'vessel' => 'jar-4', 'cup' => 'net-cup-75', 'crop' => 'sorrel', 'top_ups' => 'none',
        'planned_top_ups' => $topUps,
    ];
    $run = fn (array $topUps) => Gardens::fed(Gardens::tub($jar($topUps)))->run();
    $alone = $run([]);
    $dry = (int) floor($alone->dryDay());

    expect($alone->start->volume - $alone->drunk($alone->dryDay()))->toEqualWithDelta($alone->tub->dryLitres, 1e-9)
        ->and($alone->firstBelowUsable())->toBe($dry)
        // A top-up after it has run low comes too late for that day; one before puts it off.
        ->and($run([['day' => $dry + 1, 'litres' => 0.5]])->firstBelowUsable())->toBe($dry)
        ->and($run([['day' => $dry - 1, 'litres' => 0.5]])->firstBelowUsable())->toBeGreaterThan($dry)
        // What nobody would put in is not in the dry day, whatever is planned.
        ->and($run([['day' => $dry - 1, 'litres' => 0.5]])->dryDay())->toEqualWithDelta($alone->dryDay(), 1e-9);
    $safe = SafeTopUps::toHarvest(Gardens::fed(Gardens::tub($jar([])))) ?? [];
    $planned = $run(array_map(fn (TopUp $t): array => ['day' => $t->day, 'litres' => $t->litres], $safe));
    expect($safe)->not->toBe([])
        ->and(array_unique(array_map(fn (TopUp $t): float => $t->litres, $safe)))->toBe([SafeTopUps::litres($alone->start->volume)])
        ->and($planned->firstBelowUsable() ?? INF)->toBeGreaterThanOrEqual($planned->harvestDay())
        ->and(count($safe) === 1 || $run(array_map(
            fn (TopUp $t): array => ['day' => $t->day, 'litres' => $t->litres],
            array_slice($safe, 0, -1),
        ))->firstBelowUsable() < $planned->harvestDay())->toBeTrue();
});

it('mends a tub that runs dry with top-ups of a size and a date, and objects to those that drown roots', function () {
    $jar = ['system' => 'passive', 'vessel' => 'jar-4', 'cup' => 'net-cup-75', 'crop' => 'sorrel', 'top_ups' => 'none'];
    $dry = array_values(array_filter(Gardens::report(Gardens::tub($jar))->findings, fn ($f) => $f->code === 'passive.dry'))[0];
    $isPlanned = fn ($r): bool => (Gardens::deeds($r->patch)[0]->path ?? '') === '/tubs/0/planned_top_ups';
    $remedy = array_values(array_filter($dry->remedies, $isPlanned))[0];
    $mended = Gardens::findings(Gardens::tub(['planned_top_ups' => Gardens::deeds($remedy->patch)[0]->value] + $jar));
    $drowned = Gardens::findings(Gardens::tub(['planned_top_ups' => [['day' => 30, 'litres' => 0.9]]] + $jar));

    expect($remedy->says)->toMatch('/^Top up .* on days? \d+/')
        ->and($mended)->not->toContain('stop passive.dry')->not->toContain('mend passive.top-up')
        ->and($drowned)->toContain('mend passive.top-up');
});

it('refuses two top-ups on one day', function () {
    expect(Gardens::faults(
        (string) json_encode(
            [
                'format' => 'kelp-tub.garden',
                'version' => 1,
                'tubs' => [
                    [
                        'id' => 'a',
                        'system' => 'passive',
                        'vessel' => 'jar-1',
                        'planned_top_ups' => [['day' => 9, 'litres' => 0.1], ['day' => 9.0, 'litres' => 0.2]],
                    ],
                ],
            ],
        ),
    ))
        ->toBe(['/tubs/0/planned_top_ups/1/day: is 9, which has a top-up already; put both in one']);
});

it('puts one hole in the middle of each panel', function () {
    $ribbed = [
        'stations' => [
            ['height_mm' => 0, 'length_mm' => 520, 'width_mm' => 340],
            ['height_mm' => 300, 'length_mm' => 560, 'width_mm' => 370],
        ],
        'lid' => [
            'length_mm' => 580,
            'width_mm' => 390,
            'keep_outs' => [
                ['x_mm' => 0, 'y_mm' => 0, 'length_mm' => 40, 'width_mm' => 370],
                ['x_mm' => 0, 'y_mm' => 0, 'length_mm' => 560, 'width_mm' => 30],
            ],
        ],
    ];
    $layout = Gardens::report(Gardens::tub(['vessel' => $ribbed, 'layout' => ['pattern' => 'panels']]))->tubs[0]->layout;
    $at = array_map(fn ($h) => [$h->x_mm, $h->y_mm], $layout->holes);

    // Two ribs make four panels: the middles lie half-way from rib to edge, (290 + 20)/2 and (195 + 15)/2.
    expect($layout->pattern)->toBe('panels')
        ->and($at)->toBe([[-155.0, 105.0], [155.0, 105.0], [-155.0, -105.0], [155.0, -105.0]])
        ->and(Gardens::report(Gardens::tub(['layout' => ['pattern' => 'panels']]))->tubs[0]->layout->count)->toBeLessThanOrEqual(1);
});

it('prefers a regular pattern within three hundredths of spread, and spread beyond that', function () {
    foreach ([['tote-45', 5], ['tote-45', 7], ['tote-45', 11], ['bucket-20', 5], ['bucket-20', 7], ['tote-12', 13]] as [$vessel, $cups]) {
        $by = fn (string $pattern) => Gardens::report(
            Gardens::tub(['vessel' => $vessel, 'layout' => ['pattern' => $pattern, 'cups' => $cups]]),
        )->tubs[0]->layout;
        $spread = $by('spread')->spacing_mm;
        $regular = max(
            array_map(
                fn (PatternKind $k) => $by($k->value)->pattern === $k->value && $by($k->value)->complete && $by($k->value)->count === $cups
                    ? $by($k->value)->spacing_mm
                    : 0.0,
                PatternKind::regular(),
            ),
        );

        expect($by('best')->pattern === 'spread')->toBe($regular < 0.97 * $spread)
            ->and($by('best')->spacing_mm)->toEqualWithDelta($regular < 0.97 * $spread ? $spread : $regular, 1e-6);
    }
});

it('traces holes without a saw', function () {
    $report = Gardens::report(Gardens::tub(['cutting' => 'traced', 'layout' => ['cups' => 3]]));
    $parts = array_column($report->parts, 'need', 'key');

    // Half way between a body of 50 and a lip of 58.
    expect([$report->tubs[0]->hole->diameter_mm, $report->tubs[0]->hole->saw, $report->tubs[0]->hole->seat])->toBe([54.0, null, 'lip'])
        ->and($parts)->toHaveKey('knife')
        ->and(array_filter(array_keys($parts), fn ($key) => str_starts_with((string) $key, 'saw-')))->toBe([])
        ->and(
            Gardens::report(Gardens::tub(['cutting' => 'traced', 'raise_mm' => 20]))->tubs[0]->hole->raise_mm,
        )->toEqualWithDelta(20, 1e-9);
});

it('says when what has to stay clear swallows the lid, and when the lid is smaller than its cup', function () {
    $tub = fn (array $lid) => Gardens::report(
        Gardens::tub(
            ['vessel' => [
                'stations' => [['height_mm' => 0, 'diameter_mm' => 250], ['height_mm' => 300, 'diameter_mm' => 280]],
                'lid' => $lid,
            ]],
        ),
    );
    $said = fn (array $lid) => array_values(array_filter($tub($lid)->findings, fn ($f) => $f->code === 'lid.too-many'))[0];

    expect(
        $said(['diameter_mm' => 300, 'keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'diameter_mm' => 290]]])->says,
    )->toContain('leaves no room')
        ->and(
            $said(['diameter_mm' => 300, 'keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'diameter_mm' => 290]]])->at,
        )->toBe('/tubs/0/vessel/lid/keep_outs')
        ->and($said(['diameter_mm' => 40])->says)->toContain('No hole of 51')
        ->and(
            $said(['diameter_mm' => 40, 'keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'diameter_mm' => 20]]])->says,
        )->toContain('No hole of 51');
});

it('says so when it is the second size of cup that the lid does not hold', function () {
    $garden = Gardens::tub(
        [
            'vessel' => 'bucket-10',
            'cups_2' => ['lip_diameter_mm' => 300, 'top_diameter_mm' => 290, 'bottom_diameter_mm' => 200, 'height_mm' => 100],
        ],
    );
    $finding = array_values(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'lid.too-many'))[0];

    expect([$finding->at, $finding->severity])->toBe(['/tubs/0/cups_2', 'stop'])
        ->and($finding->says)->toContain('second size of cup')
        ->and(Gardens::findings(Gardens::tub(['vessel' => 'bucket-10'])))->not->toContain('stop lid.too-many');
});
