<?php

declare(strict_types=1);

use KelpTub\Core\Feed\Correction;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\FeedPart;
use KelpTub\Core\Feed\LabelReader;
use KelpTub\Core\Feed\Peroxide;
use KelpTub\Core\Feed\PhSchool;
use KelpTub\Core\Feed\Spoons;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Feed\Target;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Feed\WaterSource;
use KelpTub\Core\Units\UnreadableQuantity;
use Tests\Core\Gardens;

/** A water of so many mS/cm. */
function waterOf(float $ec, ?float $alkalinity = null): Water
{
    return new Water(WaterSource::Tap, $ec, 7.4, $alkalinity);
}

it('doses the worked two-part feed: 17.4 L to 1.2 from water of 0.4', function () {
    $product = Gardens::library()->products->get('two-part-dry');
    $share = $product->shareFor(1.2, 0.4, Stage::Grow);
    [$a, $b] = $product->doses($share, 17.4, Stage::Grow);

    expect($product->labelEc())->toEqualWithDelta(1.2, 1e-12)
        ->and($share)->toEqualWithDelta(2 / 3, 1e-12)
        ->and($a->amount)->toEqualWithDelta(6.96, 1e-9)
        ->and($b->amount)->toEqualWithDelta(4.64, 1e-9)
        ->and($b->part->spoons($b->amount))->toBe(1.0);
});

it('keeps the share of a label between nothing and a quarter over it', function (float $wanted, float $source, float $share) {
    expect(Gardens::library()->products->get('two-part-dry')->shareFor($wanted, $source, Stage::Grow))->toEqualWithDelta($share, 1e-9);
})->with([
    'nothing wanted' => [0.0, 0.9, 0.0],
    'water over the target: half of what pure water would get' => [0.6, 0.9, 0.25],
    'hard water: the worked case' => [0.8, 0.8, 1 / 3],
    'just under' => [1.899, 0.4, 1.2491666667],
    'at it' => [1.9, 0.4, 1.25],
    'over it' => [4.0, 0.4, 1.25],
]);

it('makes up no EC where the packet gives none', function () {
    $plan = Gardens::report(Gardens::tub(
        ['crop' => 'basil', 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'organic-liquid']]],
    ))->tubs[0];

    expect($plan->feed->ec_ms_cm)->toBeNull()
        ->and($plan->feed->share)->toBe(1.0)
        ->and($plan->feed->parts[0]->ml)->toEqualWithDelta(4 * $plan->volume->start_l, 1e-9)
        ->and($plan->season->ec_high)->toBeNull();
});

it('reads doses as they stand on packets', function (string $text, bool $byVolume, float $perLitre) {
    $dose = LabelReader::read($text);
    expect($dose->byVolume)->toBe($byVolume)
        ->and($dose->perLitre)->toEqualWithDelta($perLitre, 1e-9)
        ->and($dose->text)->toBe(trim($text));
})->with([
    ['3/4 tsp per gallon', true, 0.75 * 4.92892159 / 3.785411784],
    ['30 g per 50 L', false, 0.6],
    ['2 scoops of 4 mL for 15 L', true, 8 / 15],
    ['8 mL to 2 US gal', true, 8 / (2 * 3.785411784)],
    ['5ml/L', true, 5.0],
    ['1.5 g / litre', false, 1.5],
    ['1 tbsp per 5 imperial gallons', true, 3 * 4.92892159 / (5 * 4.54609)],
    ['½ tsp in 1 gallon of water', true, 0.5 * 4.92892159 / 3.785411784],
    ['teaspoon per litre', true, 4.92892159],
    ['1:250', true, 4.0],
    ['100 g per 100 L of water', false, 1.0],
]);

it('refuses what is no dose, and says what would be', function (string $text) {
    expect(fn () => LabelReader::read($text))->toThrow(UnreadableQuantity::class);
})->with(['', 'a pinch', '30 g', '30 g per 50 kg', '5 mm per L', '0 mL per L', '5 mL per 0 L', 'per L', '1:0']);

it('says which gallon it took', function () {
    expect(LabelReader::read('8 mL per gallon')->note)->toContain('US gallon');
});

it('takes spoons to the nearest quarter', function (float $millilitres, float $spoons) {
    expect(Spoons::nearest($millilitres))->toBe($spoons);
})->with([[16.0, 3.25], [4.92892159, 1.0], [0.6, 0.0], [0.62, 0.25], [6.16, 1.25]]);

it('blends waters by their volumes', function () {
    $mix = Water::blend([[waterOf(0.6, 120), 2 / 3], [new Water(WaterSource::ReverseOsmosis, 0.0, null, 0.0), 1 / 3]]);
    expect($mix->ec)->toEqualWithDelta(0.4, 1e-12)
        ->and($mix->alkalinity)->toEqualWithDelta(80.0, 1e-9)
        ->and($mix->source)->toBe(WaterSource::Tap)
        ->and(Water::blend([[waterOf(0.6), 0.2], [new Water(WaterSource::Rain, 0.0, null), 0.8]])->source)->toBe(WaterSource::Rain)
        ->and(Water::blend([[waterOf(0.6, 120), 0.5], [waterOf(0.2), 0.5]])->alkalinity)->toBeNull()
        ->and(waterOf(1.6)->dilutionFor(1.2))->toEqualWithDelta(0.625, 1e-12)
        ->and(waterOf(0.6)->dilutionFor(1.2))->toBe(0.0)
        ->and(waterOf(0.6)->isHard())->toBeTrue()->and(waterOf(0.59)->isHard())->toBeFalse();
});

it('feeds by the stage that the plants have come to', function (float $age, Stage $stage, float $ec) {
    // Chilli, sown in the tub: sprouts at 10 days, counts as transplanted at 42 and comes to harvest at 107; window 1.6 to 2.4.
    $season = Gardens::fed(Gardens::tub(['crop' => 'chilli', 'cup' => 'net-cup-75', 'started' => 'seed']))->season;
    expect($season->stage(0, $age))->toBe($stage)->and($season->mixing->target->at($stage))->toEqualWithDelta($ec, 1e-12);
})->with([
    [0.0, Stage::Sprouting, 0.4], [9.99, Stage::Sprouting, 0.4], [10.0, Stage::Seedling, 1.0], [51.7, Stage::Seedling, 1.0],
    [51.8, Stage::Grow, 2.0], [80.9, Stage::Grow, 2.0], [81.1, Stage::Bloom, 2.2], [200.0, Stage::Bloom, 2.2],
]);

it('says from which whole day on each stage is fed, as day by day it would be', function (array $tub) {
    $report = Gardens::planner()->report(Gardens::tub(
        ['feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ), whole: true)->tubs[0];
    $run = Gardens::fed(Gardens::tub(['feed' => 'f', ...$tub], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]))->run();
    $first = [$run->start->stage->value => 0];
    foreach (array_slice($run->days, 0, -1) as $day) {
        $first[$day->after->stage->value] ??= $day->day + 1;
    }
    expect(array_column($report->feed->stages, 'from_day', 'stage'))->toBe($first)->and(count($first))->toBeGreaterThan(1);
    // While young they like half of the least that they like later; seeds want nothing.
    [$low, $high] = $report->limits->ec_ms_cm;
    foreach ($report->feed->stages as $stage) {
        expect($stage->likes_ec_ms_cm)->toBe([['sprouting' => 0.0, 'seedling' => $low / 2][$stage->stage] ?? $low, $high]);
    }
})->with([
    [['crop' => 'aubergine', 'layout' => ['cups' => 1]]],
    [['crop' => 'basil', 'started' => 'seed']],
    [['crop' => 'strawberry', 'density' => 'tight', 'started' => 'seed']],
    [['crop' => 'lettuce-leaf']],
]);

it('fills a tub that is filled once for what will be eaten, and the least that is liked in what remains', function (
    float $eaten,
    float $drunk,
    float $climate,
    float $fill,
    float $ec,
) {
    expect(Target::once(0.8, 1.6, $eaten, $drunk, $climate, $fill))->toEqualWithDelta($ec, 1e-12);
})->with([
    // (1.2·10·√1.21 + 0.8·(20 − 12.1))/20 = (13.2 + 6.32)/20
    'some is left' => [12.0, 10.0, 1.21, 20.0, 0.976],
    'all of it is drunk: 1.2·10·1.1/11' => [12.0, 10.0, 1.21, 11.0, 1.2],
    'never over the window' => [12.0, 10.0, 1.21, 5.0, 1.6],
    'never under it' => [0.0, 0.0, 1.0, 20.0, 0.8],
    'nothing in it' => [1.0, 1.0, 1.0, 0.0, 0.8],
]);

it('aims at one strength all through where a grower wants it', function (string $stage, float $ec) {
    $target = new Target(0.8, 1.6, 0.4, null, 1.1);
    expect($target->at(Stage::from($stage)))->toBe($ec)
        ->and((new Target(0.8, 1.6, 0.4, 0.9))->at(Stage::from($stage)))->toBe(0.9)
        ->and((new Target(0.8, 1.6, 0.4, 0.9, 1.1))->at(Stage::from($stage)))->toBe(1.1);
})->with([['sprouting', 0.4], ['seedling', 1.1], ['grow', 1.1], ['bloom', 1.1]]);

it('likes less of the young', function () {
    $target = new Target(0.8, 1.6, 0.4);
    expect(array_map($target->likes(...), Stage::cases()))->toBe([[0.0, 1.6], [0.4, 1.6], [0.8, 1.6], [0.8, 1.6]]);
});

it('makes as much as can be measured', function (array $amounts, float $litres, ?float $batch) {
    $part = new FeedPart('A', false, 1.0, null, null);
    expect(Dose::batch(array_map(fn (float $a): Dose => new Dose($part, $a), $amounts), $litres))->toBe($batch);
})->with([
    'enough' => [[1.0, 12.0], 0.7, null],
    'too little of one' => [[0.9, 12.0], 0.7, 4.0],
    'far too little: 1/0.05 times' => [[0.05, 0.2], 0.7, 14.0],
    'none of one' => [[0.0, 3.0], 0.7, null],
    'plain water' => [[0.0, 0.0], 0.7, null],
    'nothing' => [[], 0.7, null],
]);

it('brings a reading right', function (array $given, float $out, float $in, float $ec, float $after) {
    $do = Correction::of(...$given);
    expect($do->takeOut)->toEqualWithDelta($out, 1e-9)->and($do->putIn)->toEqualWithDelta($in, 1e-9)
        ->and($do->ec)->toEqualWithDelta($ec, 1e-9)->and($do->after)->toEqualWithDelta($after, 1e-9)
        // Nothing comes from nowhere: what is there after is what was, less what went, and what came.
        ->and(($given[1] * ($given[0] - $do->takeOut) + $do->ec * $do->putIn) / ($given[0] - $do->takeOut + $do->putIn))
        ->toEqualWithDelta($do->after, 1e-9);
})->with([
    // litres, now, wanted, full, source, strongest
    'full and too strong: (2.3 − 1.6)/(2.3 − 0.4) of 40 L' => [[40.0, 2.3, 1.6, 40.0, 0.4, 2.0], 40 * 0.7 / 1.9, 40 * 0.7 / 1.9, 0.4, 1.6],
    'low and too strong: what is missing, of water a little fed' => [[30.0, 2.0, 1.6, 40.0, 0.4, 2.0], 0.0, 10.0, 0.4, 1.6],
    'low and far too strong' => [[30.0, 2.4, 1.6, 40.0, 0.4, 2.0], 6.0, 16.0, 0.4, 1.6],
    'a little too strong for what is missing: it would have to be under the water' => [
        [30.0, 2.05, 1.6, 40.0, 0.4, 2.0], 1.5 / 1.65, 10 + 1.5 / 1.65, 0.4, 1.6,
    ],
    'full and too weak' => [[20.0, 0.8, 1.2, 20.0, 0.4, 2.0], 20 * 0.4 / 1.2, 20 * 0.4 / 1.2, 2.0, 1.2],
    'low and right' => [[10.0, 1.2, 1.2, 20.0, 0.4, 2.0], 0.0, 10.0, 1.2, 1.2],
    'wanted under the water itself: all of it is changed' => [[20.0, 1.0, 0.2, 20.0, 0.4, 2.0], 20.0, 20.0, 0.4, 0.4],
]);

it('gives peroxide up to twelve percent and no dose beyond', function () {
    expect(Peroxide::millilitres(30, 20, 3))->toEqualWithDelta(19.80198, 1e-5)
        ->and(Peroxide::millilitres(30, 20, 12))->toEqualWithDelta(4.950495, 1e-5)
        ->and(Peroxide::millilitres(30, 20, 12.01))->toBeNull();
});

it('aims at a pH by school', function () {
    expect(PhSchool::Window->aim([6.0, 6.8]))->toBe(['low' => 6.0, 'high' => 6.8, 'target' => 6.0])
        ->and(PhSchool::Window->aim(null))->toBe(['low' => 5.5, 'high' => 6.5, 'target' => 5.8])
        ->and(PhSchool::Strict->aim([6.0, 6.8]))->toBe(['low' => 5.5, 'high' => 5.8, 'target' => 5.65])
        ->and(PhSchool::None->aim([6.0, 6.8]))->toBeNull();
});

it('refuses feeds and waters that cannot be, and says where', function (array $garden, string $pointer, string $words) {
    $faults = Gardens::faults((string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => [], ...$garden]));
    expect(implode("\n", $faults))->toMatch('~^'.preg_quote($pointer, '~').': .*'.preg_quote($words, '~').'~m');
})->with([
    'a feed with no dose' => [
        ['feeds' => [['id' => 'f', 'product' => ['parts' => [['name' => 'A']]]]]], '/feeds/0/product/parts/0', 'no dose',
    ],
    'liquid and dry' => [
        ['feeds' => [['id' => 'f', 'product' => ['parts' => [['name' => 'A', 'ml_per_l' => 1, 'g_per_l' => 1]]]]]],
        '/feeds/0/product/parts/0', 'liquid or dry',
    ],
    'an order of parts that are not there' => [
        ['feeds' => [['id' => 'f', 'product' => ['order' => ['B'], 'parts' => [['name' => 'A', 'ml_per_l' => 1]]]]]],
        '/feeds/0/product/order/0', 'no part',
    ],
    'a feed that the Library has not' => [['feeds' => [['id' => 'f', 'product' => 'nectar']]], '/feeds/0/product', 'no such feed'],
    'two feeds of one name' => [
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry'], ['id' => 'f', 'product' => 'two-part-dry']]], '/feeds/1/id', 'unique',
    ],
    'more than all of it blended in' => [
        ['water' => ['blend' => [['source' => 'ro', 'share' => 0.7], ['source' => 'rain', 'share' => 0.4]]]], '/water/blend', '1.1',
    ],
    'weather of nowhere' => [
        ['site' => ['weather' => ['kind' => 'typical', 'climate' => 'lunar', 'start' => '2027-04-10']]], '/site/weather/climate', 'lunar',
    ],
    'weather from no date' => [
        ['site' => ['weather' => ['kind' => 'typical', 'climate' => 'arid', 'start' => '2027-02-30']]], '/site/weather/start', 'no date',
    ],
    'a site at 6000 m' => [['site' => ['altitude_m' => 6000]], '/site/altitude_m', '5000'],
]);

it('buys what brings the pH of all water poured to its aim: down from above, up from below, nothing near it', function (
    array $water,
    string $school,
    ?string $part,
    float $mlPerL,
) {
    $garden = Gardens::tub(['crop' => 'basil', 'feed' => 'f', 'count' => 2], [
        'water' => $water,
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry', 'ph_school' => $school]],
    ]);
    $needs = array_column(Gardens::plan($garden)->needs(), null, 'key');
    $poured = Gardens::fed($garden)->run()?->poured();
    $bought = array_values(array_intersect(['ph-down', 'ph-up'], array_keys($needs)));

    expect($bought)->toBe($part === null ? [] : [$part]);
    if ($part !== null) {
        expect($needs[$part]->amount)->toEqualWithDelta(2 * $mlPerL * $poured, 1e-9)->and($needs[$part]->unit)->toBe('mL');
    }
})->with([
    // The aim of basil is 5.8.
    'tap water' => [['source' => 'tap', 'ec_ms_cm' => 0.4, 'ph' => 7.5], 'window', 'ph-down', 0.3],
    'hard water takes more' => [['source' => 'tap', 'ec_ms_cm' => 0.7, 'ph' => 7.5], 'window', 'ph-down', 0.525],
    'and no more than twice as much' => [['source' => 'tap', 'ec_ms_cm' => 1.2, 'ph' => 7.5], 'window', 'ph-down', 0.6],
    'just off the aim' => [['source' => 'tap', 'ec_ms_cm' => 0.4, 'ph' => 6.01], 'window', 'ph-down', 0.3],
    'near it' => [['source' => 'tap', 'ec_ms_cm' => 0.4, 'ph' => 5.99], 'window', null, 0.0],
    'under it' => [['source' => 'rain', 'ec_ms_cm' => 0.0, 'ph' => 5.3], 'window', 'ph-up', 0.1],
    'nobody looks' => [['source' => 'tap', 'ec_ms_cm' => 0.4, 'ph' => 7.5], 'none', null, 0.0],
]);
