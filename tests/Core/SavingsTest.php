<?php

declare(strict_types=1);

use KelpTub\Core\Cost\LeastHarm;
use KelpTub\Core\Cost\Saving;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Judgement;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\WhatIf\Savings;
use KelpTub\Core\WhatIf\SavingWays;
use Tests\Core\Gardens;

/** The least harmful set by looking at every one: mends, minds, yield lost, and what is saved. */
function leastHarm(array $savings, float $enough): ?array
{
    $best = null;
    for ($set = 1; $set < 1 << count($savings); $set++) {
        $in = array_values(array_filter(array_keys($savings), fn ($i) => $set >> $i & 1));
        $of = array_map(fn ($i) => $savings[$i], $in);
        $sum = fn (string $what): float => round(array_sum(array_map(fn (Saving $s) => $s->{$what}, $of)), 6);
        $alone = count(array_unique(array_map(fn (Saving $s) => $s->touches, $of))) === count($of);
        if ($alone && $sum('saves') >= $enough && max(array_map(fn (Saving $s) => $s->stops, $of)) <= 0) {
            $harm = [$sum('mends'), $sum('minds'), $sum('yieldLost'), $sum('saves')];
            $best = $best === null ? $harm : min($best, $harm);
        }
    }

    return $best;
}

it('takes the set of least harm, as looking at every one does', function (int $seed) {
    mt_srand($seed);
    for ($case = 0; $case < 25; $case++) {
        $savings = [];
        foreach (range(1, mt_rand(2, 10)) as $i) {
            $savings[] = new Saving(
                'abcdefg'[mt_rand(0, 6)],
                mt_rand(50, 2000) / 100,
                mt_rand(0, 5) === 0 ? 1 : 0,
                mt_rand(0, 2),
                mt_rand(0, 2),
                mt_rand(0, 3) * 100.0,
            );
        }
        $enough = mt_rand(100, 4000) / 100;
        $sets = LeastHarm::sets($savings, $enough);
        $first = $sets === [] ? null : array_map(fn ($i) => $savings[$i], $sets[0]);
        $sum = fn (string $what): float => round(array_sum(array_map(fn (Saving $s) => $s->{$what}, $first)), 6);

        expect($first === null ? null : [
            $sum('mends'),
            $sum('minds'),
            $sum('yieldLost'),
            $sum('saves'),
        ])->toEqual(leastHarm($savings, $enough));
    }
})->with([1, 2, 3, 4]);

it('knows the most that can be saved', function () {
    $savings = [new Saving('a', 3.0), new Saving('a', 5.0), new Saving('b', 9.0, stops: 1), new Saving('c', 1.0)];

    expect(LeastHarm::most($savings))->toBe([1, 3]);
});

function demoDocument(): stdClass
{
    return json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
}

function savingsOf(stdClass|Garden $garden): stdClass
{
    return (new Savings(Gardens::planner()))->of(
        $garden instanceof Garden ? $garden : Gardens::reader()->read(GardenFile::encode($garden)),
    );
}

/** What a garden costs, and its stops, after a patch. */
function afterPatch(stdClass $document, array $patch): stdClass
{
    return Gardens::report(Gardens::planner()->patched(Gardens::reader()->read(GardenFile::encode($document)), $patch));
}

it('brings the demo under its cap by a patch that does what it says, with no stop more', function () {
    $answer = savingsOf(demoDocument());
    $stops = fn (stdClass $report): int => count(array_filter($report->findings, fn ($f) => $f->severity === 'stop'));
    $before = afterPatch(demoDocument(), []);
    $after = afterPatch(demoDocument(), $answer->set->patch);

    expect($answer->outlay)->toBe($before->budget->outlay)->toBeGreaterThan($answer->cap)
        ->and($after->budget->outlay)->toEqualWithDelta($answer->set->outlay, 1e-9)->toBeLessThanOrEqual($answer->cap)
        ->and($stops($after))->toBeLessThanOrEqual($stops($before))
        ->and(array_column($after->findings, 'code'))->not->toContain('cost.over-cap')
        ->and($answer->proof)->toBeNull();
});

it('says of each saving what its patch saves', function () {
    $answer = savingsOf(demoDocument());
    foreach ($answer->savings as $saving) {
        $saves = $answer->outlay - afterPatch(demoDocument(), $saving->patch)->budget->outlay;

        expect($saves)->toEqualWithDelta($saving->saves, 1e-9, $saving->says);
    }
    expect(count($answer->savings))->toBeGreaterThan(5);
});

/** Tools that a garden has, so that there are fewer ways to save on them. */
const TOOLS = ['saw-51' => 1, 'drill-bit-7' => 1, 'knife' => 1, 'file' => 1, 'marker' => 1, 'rule' => 1];

/** Findings of a severity, those about money left out. */
function harmIn(stdClass $report, string $severity): int
{
    return count(array_filter($report->findings, fn ($f) => $f->severity === $severity && ! str_starts_with($f->code, 'cost.')));
}

/** Grams that are picked in a season, by what the report says of each crop; nothing of what only raises plants. */
function harvestIn(stdClass $report): float
{
    return (float) array_sum(array_map(
        fn ($tub) => in_array($tub->system, ['nursery', 'cloner'], true) ? 0.0
            : $tub->count * array_sum(array_column($tub->crops, 'harvest_g')),
        $report->tubs,
    ));
}

/**
 * Every set of the savings done and the garden planned anew: outlay, and [mends, minds, yield lost], of those that bring no stop.
 *
 * @return list<array{float, array{int, int, float}, list<string>}> with the kinds of its savings
 */
function everySet(Garden $garden, array $savings): array
{
    $before = Gardens::report($garden);
    $ways = array_column(array_map(
        fn ($way) => [$way->key, $way->patch],
        (new SavingWays(Gardens::plan($garden), Gardens::planner()))->all(),
    ), 1, 0);
    $all = [];
    for ($set = 1; $set < 1 << count($savings); $set++) {
        $taken = array_filter($savings, fn ($i) => (bool) ($set >> $i & 1), ARRAY_FILTER_USE_KEY);
        if (count(array_unique(array_column($taken, 'touches'))) < count($taken)) {
            continue;
        }
        $now = $garden;
        foreach ($taken as $saving) {
            $now = Gardens::planner()->patched($now, $ways[$saving->key]($now));
        }
        $after = Gardens::report(Gardens::reader()->read(GardenFile::encode($now->document)));
        $more = fn (string $severity): int => harmIn($after, $severity) - harmIn($before, $severity);
        if ($more('stop') <= 0) {
            $lost = round(harvestIn($before) - harvestIn($after), 6);
            $all[] = [$after->budget->outlay, [$more('mend'), $more('mind'), $lost], array_column($taken, 'kind')];
        }
    }

    return $all;
}

it('takes the set of least harm of all that are planned anew, or shows that none will do', function (
    array $tubs,
    string $pump,
    array $owned,
) {
    $document = [
        'format' => GardenFile::FORMAT, 'version' => 1, 'owned' => ['drill' => 1, ...$owned], 'money' => ['cap' => 1],
        'tubs' => array_map(fn ($tub, $i) => [
            'id' => "t$i", 'system' => 'aerated', 'stones' => ['kind' => 'disc-100', 'count' => 1], ...$tub,
        ], $tubs, array_keys($tubs)),
        'air' => [['id' => 'p', 'pump' => $pump, 'check_valve' => true, 'branches' => array_map(
            fn ($i) => ['tub' => "t$i"],
            array_keys($tubs),
        )]],
    ];
    $read = fn (float $cap): Garden => Gardens::reader()->read((string) json_encode([...$document, 'money' => ['cap' => $cap]]));
    $answer = savingsOf($read(1.0));
    $sets = everySet($read(1.0), $answer->savings);
    $cheapest = min(array_column($sets, 0));
    expect(count($answer->savings))->toBeGreaterThanOrEqual(3)->toBeLessThanOrEqual(12);
    $asMany = array_filter($sets, fn ($set) => ! in_array('fewer', $set[2], true));
    expect($answer->least->outlay)->toEqualWithDelta(min(array_column($asMany, 0)), 1e-9);
    foreach ([1.0, 0.7, 0.4, 0.1, 0.0] as $share) {
        $cap = ceil(100 * ($cheapest + $share * ($answer->outlay - $cheapest))) / 100;
        $within = array_filter($sets, fn ($set) => $set[0] <= $cap + 1e-9);
        $least = min(array_map(fn ($set) => [...$set[1], round($cap - $set[0], 6)], $within));
        $set = savingsOf($read($cap))->set;

        expect($cap >= $answer->outlay ? null : [$set->mends, $set->minds, round($set->yield_lost_g, 6), round($cap - $set->outlay, 6)])
            ->toEqual($cap >= $answer->outlay ? $set : $least, "at a cap of $cap");
    }
    $short = savingsOf($read(floor(100 * $cheapest - 1) / 100));
    expect($short->set)->toBeNull()->and($short->proof)->toContain('to '.number_format($cheapest, 2, '.', '').' EUR');
})->with([
    // Findings that go when both do, a pack that only two save together, a pump that serves when a tub goes.
    'two pairs' => [[
        ['vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'count' => 2],
        ['vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'count' => 2],
    ], 'pump-4w-2', TOOLS],
    'totes on a strong pump' => [[
        ['vessel' => 'tote-45', 'crop' => 'mizuna', 'stones' => ['kind' => 'disc-100', 'count' => 2]],
        ['vessel' => 'tote-30', 'crop' => 'basil', 'count' => 2],
    ], 'pump-8w-4', TOOLS],
    'extras and a trellis' => [[
        ['vessel' => 'tote-30', 'crop' => 'tomato-vine', 'trellis' => true, 'extras' => ['battens']],
    ], 'pump-8w-4', []],
]);

it('shows that nothing does where the cap is too low, and what the cheapest comes to', function () {
    $garden = demoDocument();
    $garden->money->cap = 40;
    $answer = savingsOf($garden);

    $says = '/^The cheapest of all, fewer plants counted in, comes to [\d.]+ EUR, and the cap is 40\.00\./';
    expect($answer->set)->toBeNull()->and($answer->proof)->toMatch($says);
    preg_match('/to ([\d.]+) EUR/', $answer->proof, $m);
    expect((float) $m[1])->toBeLessThan($answer->outlay)->toBeGreaterThan(40.0);
});

it('proposes nothing where there is no cap, or where the garden is under it', function (?float $cap) {
    $garden = demoDocument();
    $garden->money->cap = $cap;
    $answer = savingsOf($garden);

    expect([$answer->set, $answer->proof])->toBe([null, null])->and($answer->savings)->not->toBe([]);
})->with([null, 1000.0]);

it('borrows what the building takes and no more, on top of what is there', function () {
    $answer = savingsOf(Gardens::tub(['crop' => 'basil'], ['owned' => ['bucket-20' => 1], 'testing' => 'meter']));
    $way = array_column($answer->savings, null, 'key')['borrowed'];
    $garden = Gardens::tub(['crop' => 'basil'], ['owned' => ['bucket-20' => 1]]);
    $owned = Gardens::applied($garden, Gardens::deeds($way->patch))->document->owned;

    expect((array) $owned)->toMatchArray(['bucket-20' => 1, 'drill' => 1])->not->toHaveKey('ec-meter')->not->toHaveKey('jug')
        ->and(count((array) $owned))->toBeGreaterThan(2);
});

it('does not cut by knife what no saw would cut', function (array $tub) {
    $answer = savingsOf(Gardens::tub(['crop' => 'basil', ...$tub]));

    expect(array_column($answer->savings, 'kind'))->not->toContain('knife');
})->with(['traced already' => [['cutting' => 'traced']], 'drilled already' => [['cutting' => 'drilled', 'hole_mm' => 54]]]);

it('finds each kind of saving where a garden allows it', function (string $kind, array $tub, array $garden) {
    $answer = savingsOf(Gardens::tub(['crop' => 'basil', ...$tub], $garden));

    expect(array_column($answer->savings, 'kind'))->toContain($kind);
})->with([
    'home-made cups' => ['home-cups', ['cup' => 'net-cup-75', 'vessel' => 'tote-45'], []],
    'a scavenged vessel' => ['scavenged', [], []],
    'a knife' => ['knife', ['owned' => []], []],
    'tools of a friend' => ['borrowed', [], []],
    'one pump for two' => ['shared-pump', [], [
        'tubs' => [
            ['id' => 'tub', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil', 'stones' => ['kind' => 'disc-100']],
            ['id' => 'two', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil', 'stones' => ['kind' => 'disc-100']],
        ],
        'air' => [
            ['id' => 'a', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'tub']]],
            ['id' => 'b', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'two']]],
        ],
    ]],
    'a cheaper pump' => ['pump', [], []],
    'fewer stones' => ['stones', ['stones' => ['kind' => 'disc-100', 'count' => 2]], []],
    'no air' => ['passive', ['crop' => 'lettuce-leaf'], []],
    'drops for meters' => ['testing', [], ['testing' => 'meter']],
    'no sight tube' => ['extras', ['extras' => ['sight-tube', 'battens']], []],
    'foil for paint' => ['cover', ['vessel' => 'bucket-20', 'crop' => 'basil', 'vessel' => [
        'stations' => [['height_mm' => 0, 'diameter_mm' => 262], ['height_mm' => 365, 'diameter_mm' => 287]],
        'opacity' => 'translucent', 'cover' => 'paint',
    ]], []],
    'fewer tubs' => ['fewer', ['count' => 2], []],
    'fewer cups' => ['fewer', ['vessel' => 'tote-45', 'crop' => 'mizuna'], []],
    'another supplier' => ['supplier', [], ['prices' => [['part' => 'bucket-20', 'pack' => 1, 'price' => 30, 'instead' => true]]]],
    'no spares' => ['extras', [], ['spares' => ['net-cup-50' => 40]]],
]);

it('leaves out two extras of one tub together', function () {
    $garden = Gardens::tub(['extras' => ['sight-tube', 'battens']], ['money' => ['cap' => 1]]);
    $outlay = Gardens::report($garden)->budget->outlay;
    $without = Gardens::report(Gardens::tub([]))->budget->outlay;
    $document = $garden->document;
    $document->money->cap = ceil(($without + 0.5) * 100) / 100;
    $document->owned = (object) ['bucket-20' => 1, 'net-cup-50' => 9];
    $answer = savingsOf(Gardens::reader()->read(GardenFile::encode($document)));
    $extras = array_filter($answer->savings, fn ($s) => $s->kind === 'extras');

    expect($extras)->toHaveCount(2)->and($outlay)->toBeGreaterThan($without);
});

it('plans the garden that a saving leaves as it would plan it anew: what is said, its seasons, its money', function () {
    $planner = Gardens::planner();
    $now = $planner->judged(Gardens::reader()->read(GardenFile::encode(demoDocument())));
    $said = fn (Judgement $of): array => array_map(fn ($f) => [$f->code, $f->tub, $f->severity, $f->says], $of->findings());
    $seasons = fn (Judgement $of): array => array_map(
        fn (FeedPlan $feed) => [$feed->run()?->days, $feed->run()?->oxygen(10), $feed->run()?->level(10)],
        $of->plan->get(FeedPlans::class)->all(),
    );
    $ways = (new SavingWays($now->plan, $planner))->all();
    foreach ($ways as $way) {
        $patch = ($way->patch)($now->plan->garden);
        $again = $planner->judgeAgain($now, $patch, 'cost');
        $anew = $planner->judged($planner->patched($now->plan->garden, $patch));

        expect($said($again))->toEqual($said($anew), $way->key)
            ->and($seasons($again))->toEqual($seasons($anew), $way->key)
            ->and($again->plan->get(CostPlan::class)->budget)->toEqual($anew->plan->get(CostPlan::class)->budget, $way->key);
    }
    expect(count($ways))->toBeGreaterThan(8);
});

it('looks at the likeliest sets where there are too many, and is never worse than one or two of them', function () {
    // Six tubs alike but for what is saved on: far over a thousand sets of ways that build something otherwise.
    $tubs = array_map(fn (int $i): array => [
        'id' => "t$i", 'system' => 'aerated', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf',
        'layout' => ['pattern' => 'grid', 'cups' => 6],
        'stones' => ['kind' => 'disc-100', 'count' => 2], 'extras' => ['battens', 'sight-tube'],
    ], range(0, 5));
    $document = ['tubs' => $tubs, 'air' => [['id' => 'p', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => array_map(
        fn (array $tub): array => ['tub' => $tub['id']],
        $tubs,
    )]]];
    $outlay = Gardens::report(Gardens::of($document))->budget->outlay;
    $garden = Gardens::of([...$document, 'money' => ['cap' => floor($outlay - 8)]]);
    $answer = savingsOf($garden);
    $best = [$answer->set->mends, $answer->set->minds, round($answer->set->yield_lost_g, 6)];
    $under = array_filter($answer->savings, fn ($s) => $s->stops <= 0 && $answer->outlay - $s->saves <= $answer->cap);

    expect($answer->set->of_every)->toBeFalse()
        ->and($answer->savings)->toHaveCount(14)
        ->and($answer->set->outlay)->toBeLessThanOrEqual($answer->cap)
        ->and($under)->not->toBe([]);
    foreach ($under as $saving) {
        expect($best <= [$saving->mends, $saving->minds, round($saving->yield_lost_g, 6)])->toBeTrue($saving->says);
    }
});

it('counts what is lost of the harvest as the seasons have it, of all alike, and none of a nursery', function () {
    $garden = Gardens::of([
        'site' => ['water_temperature_c' => 12],
        'tubs' => [
            [
                'id' => 'leaf', 'system' => 'aerated', 'count' => 2, 'vessel' => 'tote-45', 'crop' => 'basil', 'density' => 'tight',
                'layout' => ['cups' => 4], 'stones' => ['kind' => 'disc-100'],
            ],
            [
                'id' => 'young', 'system' => 'nursery', 'vessel' => 'tote-30', 'crop' => 'basil',
                'layout' => ['pattern' => 'grid', 'cups' => 6],
            ],
        ],
        'air' => [['id' => 'p', 'pump' => 'pump-8w-4', 'check_valve' => true, 'branches' => [['tub' => 'leaf']]]],
    ]);
    $now = harvestIn(Gardens::report($garden));
    $seen = 0;
    foreach ((new Savings(Gardens::planner()))->of($garden)->savings as $saving) {
        $then = harvestIn(Gardens::report(Gardens::applied($garden, $saving->patch)));
        expect($saving->yield_lost_g)->toEqualWithDelta($now - $then, 1e-6, $saving->says);
        $seen += abs($now - $then) > 1.0 ? 1 : 0;
    }
    expect($seen)->toBeGreaterThan(0)->and($now)->toBeGreaterThan(0.0);
});
