<?php

declare(strict_types=1);

use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Cost\CostFigures;
use Tests\Core\Gardens;

/** A part of a report by its key. */
function partNamed(stdClass $report, string $key): stdClass
{
    return array_values(array_filter($report->parts, fn ($p) => $p->key === $key))[0];
}

/** The whole budget of a garden. */
function budget(Garden $garden): stdClass
{
    return Gardens::planner()->report($garden, whole: true)->budget;
}

/** The same garden with one more of a tub, everything that was bought before being there. */
function oneMore(Garden $garden, int $tub): Garden
{
    $document = json_decode(GardenFile::encode($garden->document));
    foreach (Gardens::report($garden)->parts as $part) {
        $bought = array_sum(array_map(fn ($b) => $b->pack * $b->count, $part->buy));
        $document->owned ??= new stdClass;
        $document->owned->{$part->key} = $part->owned + $bought;
    }
    $document->tubs[$tub]->count = ($document->tubs[$tub]->count ?? 1) + 1;

    return Gardens::reader()->read(GardenFile::encode($document));
}

it('costs the next tub as planning one more of it does, with what was bought before at hand', function (
    array $tub,
    array $garden,
    array $air,
) {
    $garden = Gardens::tub(['crop' => 'basil', ...$tub], $garden, $air);
    $next = (new CostFigures(Gardens::plan($garden)))->nextTub($garden->tubs[0]);

    expect($next)->toEqualWithDelta(Gardens::report(oneMore($garden, 0))->budget->outlay, 1e-9)->toBeGreaterThan(0.0);
})->with([
    'one bucket, outlets joined' => [['count' => 1], [], []],
    'two, an outlet each' => [['count' => 2], [], ['joined' => false, 'pump' => 'pump-8w-4']],
    'two on two outlets' => [['count' => 2, 'stones' => ['kind' => 'disc-100', 'count' => 2]], [], ['joined' => false]],
    'through a manifold that is full' => [['count' => 2], [], ['manifold' => true]],
    'through one with a place' => [['count' => 3], [], ['manifold' => true]],
    'throttled' => [['count' => 2], [], ['branches' => [['tub' => 'tub', 'valve' => 0.5]]]],
    'with feed' => [['count' => 2, 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]], []],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'count' => 3], [], []],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45'], [], []],
    'a cloner' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cloner' => ['collar' => true]], [], []],
    'a nursery' => [['system' => 'nursery', 'vessel' => 'tote-12'], [], []],
    'cups of home' => [['cup' => 'yoghurt-pot', 'vessel' => 'tote-20'], [], []],
    'delivered' => [[], [
        'prices' => [['part' => 'bucket-20', 'pack' => 1, 'price' => 4, 'supplier' => 'Quay stall']],
        'suppliers' => [['name' => 'Quay stall', 'delivery' => 2]],
    ], []],
]);

it('counts a month by hand: power, feed, water and plugs', function () {
    $garden = Gardens::tub(['crop' => 'basil', 'feed' => 'f', 'count' => 2], [
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
        'money' => ['electricity_per_kwh' => 0.5, 'water_per_l' => 0.01],
        'prices' => [
            ['part' => 'two-part-dry-a', 'pack' => 100, 'price' => 2, 'instead' => true],
            ['part' => 'two-part-dry-b', 'pack' => 100, 'price' => 4, 'instead' => true],
            ['part' => 'plug-stone-wool', 'pack' => 10, 'price' => 3, 'instead' => true],
            ['part' => 'ph-down', 'pack' => 100, 'price' => 5, 'instead' => true],
        ],
    ]);
    $report = Gardens::planner()->report($garden, whole: true);
    $parts = array_column(array_map(fn ($p) => [$p->key, $p->need], $report->parts), 1, 0);
    $days = count($report->tubs[0]->season->days);
    $month = 365 / 12;
    $poured = 2 * ($report->tubs[0]->season->start->volume_l + array_sum(array_column($report->tubs[0]->season->days, 'top_up_l')));

    // A pump of 4 W: 4 · 24 · 30.42 / 1000 kWh at 0.50.
    expect($report->budget->month->power)->toEqualWithDelta(4 * 24 * $month / 1000 * 0.5, 1e-9)
        ->and($report->budget->month->feed)->toEqualWithDelta(
            ($parts['two-part-dry-a'] * 0.02 + $parts['two-part-dry-b'] * 0.04 + $parts['ph-down'] * 0.05) / $days * $month,
            1e-9,
        )
        ->and($report->budget->month->plugs)->toEqualWithDelta($parts['plug-stone-wool'] * 0.3 / $days * $month, 1e-9)
        ->and($report->budget->month->water)->toBeGreaterThanOrEqual($poured * 0.01 / $days * $month - 1e-9)
        ->and($report->budget->monthly)->toEqualWithDelta(array_sum(get_object_vars($report->budget->month)), 1e-9);
});

it('counts a month and one more tub by one season, however often it is planted again', function () {
    $sown = array_map(static fn (int $i): array => [
        'id' => "p$i",
        'tub' => 'tub',
        'crop' => 'lettuce-leaf',
        'transplanted' => '2027-0'.(3 + $i).'-01',
        'cleared' => '2027-0'.(4 + $i).'-01',
    ], [0, 1, 2, 3]);
    $of = fn (array $plantings): stdClass => Gardens::planner()->report(Gardens::tub(
        ['crop' => 'lettuce-leaf', 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'plantings' => $plantings],
    ), whole: true);
    [$once, $again] = [$of([]), $of($sown)];
    $plugs = fn (stdClass $report): float => array_column($report->parts, 'need', 'key')['plug-stone-wool'];

    expect($plugs($again))->toBeGreaterThan(2 * $plugs($once))
        ->and($again->budget->month)->toEqual($once->budget->month)
        ->and($again->budget->monthly)->toBeGreaterThan(0.0);
});

it('values the harvest by the kilogram, and says when it pays, if ever', function () {
    $priced = fn (float $perKg): stdClass => budget(
        Gardens::tub(['crop' => 'basil', 'layout' => ['cups' => 2]], ['money' => ['produce_per_kg' => ['basil' => $perKg]]]),
    );
    $dear = $priced(100.0);

    // Two plants of 250 g at 100 a kilogram, by how well they fared: the pH of nobody's testing takes some of it.
    $grams = Gardens::report(Gardens::tub(['crop' => 'basil', 'layout' => ['cups' => 2]]))->tubs[0]->season->harvest_g;
    expect($dear->harvest_value)->toEqualWithDelta(100.0 * $grams / 1000, 1e-9)
        ->and($grams)->toBeGreaterThan(400.0)->toBeLessThan(500.0)
        ->and($dear->harvest_range)->toEqualWithDelta([0.6 * $dear->harvest_value, 1.2 * $dear->harvest_value], 1e-9)
        ->and($dear->payback_range[0])->toBeLessThan($dear->payback_days)
        ->and($dear->payback_range[1])->toBeGreaterThan($dear->payback_days)
        ->and($priced(0.1)->payback_days)->toBeNull()
        ->and($priced(0.0)->harvest_value)->toBeNull();
});

it('never pays back before the first harvest', function () {
    $report = Gardens::planner()->report(
        Gardens::tub(['crop' => 'basil'], ['money' => ['produce_per_kg' => ['basil' => 100_000]]]),
        whole: true,
    );

    expect($report->budget->payback_days)->toEqual($report->tubs[0]->season->harvest_day);
});

it('says none of it in a preview', function () {
    $report = Gardens::report(Gardens::tub(['crop' => 'basil']));

    expect([$report->budget->next_tub, $report->budget->monthly, $report->budget->payback_days])->toBe([null, null, null]);
});

it('counts no sample price where they are put away, at any figure', function () {
    $own = ['prices' => [['part' => 'bucket-20', 'pack' => 1, 'price' => 9.5]], 'money' => ['samples' => false]];
    $report = Gardens::report(Gardens::tub(['crop' => 'basil'], $own));
    $parts = array_column($report->parts, null, 'key');
    $priced = array_keys(array_filter($parts, fn ($part) => $part->priced && $part->cost > 0.0));

    expect($priced)->toBe(['bucket-20'])
        ->and($report->budget->outlay)->toBe(9.5)
        ->and($report->budget->unpriced)->toContain($parts['pump-4w-2']->name)
        ->and(Gardens::report(Gardens::tub(['crop' => 'basil'], ['money' => ['samples' => true]]))->budget->unpriced)->toBe([]);
});

it('lets a price of one’s own stand instead of the samples, and says where from', function () {
    $part = fn (array $offer): stdClass => partNamed(Gardens::report(Gardens::tub([], ['prices' => [$offer]])), 'bucket-20');
    $dear = ['part' => 'bucket-20', 'pack' => 1, 'price' => 99, 'supplier' => 'Quay stall'];

    expect($part($dear)->cost)->toBe(6.5)
        ->and($part($dear + ['instead' => true])->cost)->toBe(99.0)
        ->and($part($dear + ['instead' => true])->buy[0]->supplier)->toBe('Quay stall');
});

it('pays for parcels, on the list or by what an offer says', function (array $garden, float $delivery) {
    $offer = ['part' => 'bucket-20', 'pack' => 1, 'price' => 2, 'supplier' => 'Quay stall'];
    $report = Gardens::report(Gardens::tub([], ['prices' => [$offer + ($garden['offer'] ?? [])], ...($garden['garden'] ?? [])]));
    $costs = array_sum(array_map(fn ($p) => $p->cost, $report->parts));

    expect($report->budget->delivery)->toBe($delivery)->and($report->budget->outlay)->toEqualWithDelta($costs + $delivery, 1e-9);
})->with([
    'nothing said' => [[], 0.0],
    'by the list' => [['garden' => ['suppliers' => [['name' => 'Quay stall', 'delivery' => 3]]]], 3.0],
    'by the offer' => [['offer' => ['delivery' => 4]], 4.0],
    'too dear: the sample is cheaper' => [['offer' => ['delivery' => 5]], 0.0],
    'the list goes before the offer' => [['offer' => ['delivery' => 9], 'garden' => ['suppliers' => [['name' => 'Quay stall']]]], 0.0],
]);

it('buys to spare where more is wanted', function () {
    $part = partNamed(Gardens::report(Gardens::tub(['cup' => 'net-cup-50'], ['spares' => ['net-cup-50' => 7]])), 'net-cup-50');
    $bought = array_sum(array_map(fn ($b) => $b->pack * $b->count, $part->buy));

    expect($part->spare)->toBe(7.0)->and($bought)->toBeGreaterThanOrEqual($part->need + 7)->and($part->left)->toBe($bought - $part->need);
});

it('refuses two currencies and a supplier twice, each where it stands', function () {
    $faults = Gardens::faults(json_encode([
        'format' => GardenFile::FORMAT, 'version' => 1, 'tubs' => [],
        'prices' => [['part' => 'tee', 'pack' => 1, 'price' => 1, 'currency' => 'USD']],
        'suppliers' => [['name' => 'Quay stall'], ['name' => 'Quay stall']],
    ], JSON_THROW_ON_ERROR));

    expect($faults)->toBe([
        '/prices/0/currency: is USD, and this garden counts in EUR: one currency a garden.',
        '/suppliers/1/name: “Quay stall” is on the list already: one entry a supplier.',
    ]);
});

it('takes meters in place of drops, salts where water is soft, and extras as they are asked for', function () {
    $keys = fn (array $tub, array $garden): array => array_column(Gardens::report(Gardens::tub($tub, $garden))->parts, 'key');
    $meters = $keys([], ['testing' => 'meter']);
    $soft = fn (string $product, string $source): array => $keys(['crop' => 'basil', 'feed' => 'f'], [
        'feeds' => [['id' => 'f', 'product' => $product]],
        'water' => ['source' => $source, 'ec_ms_cm' => 0.02],
    ]);

    expect($meters)->toContain('ec-meter', 'ph-meter')->not->toContain('ph-kit')
        ->and($keys([], []))->toContain('ph-kit')->not->toContain('sight-tube')
        ->and($soft('one-part-liquid', 'rain'))->toContain('soft-water-salts')
        ->and($soft('one-part-liquid', 'tap'))->not->toContain('soft-water-salts')
        ->and($soft('two-part-dry', 'rain'))->not->toContain('soft-water-salts')
        ->and($keys(['extras' => ['sight-tube', 'battens', 'drill-guide']], []))
        ->toContain('sight-tube', 'bulkhead', 'elbow', 'drill-bit-13', 'batten', 'drill-guide');
});

it('says of every part what it is for and why so many', function () {
    foreach (Gardens::report(Gardens::reader()->read(file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json')))->parts as $part) {
        expect($part->why)->not->toBe('', $part->key);
    }
});

it('counts no harvest of a nursery, which hands its plants over while they are young', function (string $system, bool $counts) {
    $budget = budget(Gardens::tub(['system' => $system, 'vessel' => 'tote-12', 'crop' => 'basil']));

    expect($budget->harvest_value !== null)->toBe($counts);
})->with([['nursery', false], ['aerated', true]]);
