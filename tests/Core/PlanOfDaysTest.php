<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildReport;
use KelpTub\Core\Marks\Build\BuildSheet;
use KelpTub\Core\Marks\Feed\FeedPlans;
use Tests\Core\Gardens;

/** @return list<stdClass> days of a tub's plan */
function daysOf(Garden $garden): array
{
    return BuildReport::of(Gardens::plan($garden), $garden->tubs[0])->days;
}

/** @return array<int, list<string>> what is done on each day */
function doneOn(Garden $garden): array
{
    $done = [];
    foreach (daysOf($garden) as $day) {
        $done[$day->day][] = $day->does;
    }

    return $done;
}

it('lays out sowing, building, standing and mixing before the plants go in', function () {
    $garden = Gardens::tub(['crop' => 'lettuce-leaf', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]);
    $done = doneOn($garden);
    $plugs = Gardens::tubPlan($garden)->plants->count;

    // 14 days to raise, 3 to come up; chlorine stands for a day.
    expect($done[-14])->toBe(["Sow leaf lettuce in $plugs ".($plugs === 1 ? 'plug' : 'plugs')])
        ->and($done[-11])->toBe(['Leaf lettuce: up by now, cover off, light at once'])
        ->and($done[-3][0])->toStartWith('The tub is built by now: ')
        ->and($done[-2])->toBe(['Fill, and let the water stand for a day'])
        ->and($done[-1])->toBe(['Mix the feed, set the pH'])
        ->and($done[0])->toBe(['Read the pH again; the plants go in']);
});

it('waits for nothing where nothing has to go off', function (string $disinfectant) {
    $feeds = ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'water' => ['source' => 'tap', 'disinfectant' => $disinfectant]];
    $done = doneOn(Gardens::tub(['crop' => 'basil', 'feed' => 'f'], $feeds));

    expect($done[-1])->toBe(['Fill, mix the feed, set the pH'])->and($done[-2][0])->toStartWith('The tub is built by now');
})->with(['none', 'chloramine']);

it('counts only what is done before the water as building, and all of it in the whole', function () {
    $garden = Gardens::tub(['crop' => 'basil']);
    $sheet = BuildSheet::of(Gardens::plan($garden), $garden->tubs[0]);
    $minutes = array_column($sheet->steps, 'minutes', 'key');
    $after = ['sow', 'raise', 'fill', 'balance', 'stand-water', 'feed', 'ph', 'plant', 'light-check', 'log'];
    $building = array_sum(array_diff_key($minutes, array_flip($after)));
    $says = array_column($sheet->days->toReport(), 'does', 'step')['check'];

    expect($says)->toBe(sprintf("The tub is built by now: %d\u{202F}h\u{202F}%02d of work", intdiv($building, 60), $building % 60))
        ->and($sheet->minutes())->toBe(array_sum($minutes));
});

it('is dated where the day of planting is known, over the end of a month', function () {
    $site = ['site' => ['weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'start' => '2027-03-02']]];
    $dates = array_column(daysOf(Gardens::tub(['crop' => 'lettuce-leaf'], $site)), 'date', 'day');

    expect([$dates[-14], $dates[-1], $dates[0]])->toBe(['2027-02-16', '2027-03-01', '2027-03-02'])
        ->and(array_unique(array_column(daysOf(Gardens::tub(['crop' => 'lettuce-leaf'])), 'date')))->toBe([null]);
});

it('ends with what the season brings first, as it is forecast', function () {
    $garden = Gardens::tub(['crop' => 'basil', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]);
    $run = Gardens::plan($garden)->get(FeedPlans::class)->of('tub')->run();
    $days = daysOf($garden);
    $poured = array_values(array_filter($run->days, fn ($d): bool => $d->topUp > 0.0))[0];
    $changed = array_values(array_filter($run->days, fn ($d): bool => $d->change))[0];
    $on = fn (string $what): array => array_column(array_filter($days, fn ($d): bool => str_starts_with($d->does, $what)), 'day');

    expect($on('First top-up'))->toBe([$poured->day])
        ->and($on('First change'))->toBe([$changed->day])
        ->and($on('First harvest'))->toBe([(int) ceil($run->harvestDay())])
        ->and(array_column($days, 'day'))->toBe(array_values(Illuminate\Support\Arr::sort(array_column($days, 'day'))));
});

it('suits what the tub is started from', function (array $tub, int $day, string $does, array $lacks) {
    $done = doneOn(Gardens::tub($tub));
    $all = implode(' ', array_merge(...array_values($done)));

    expect($done[$day])->toContain($does);
    foreach ($lacks as $words) {
        expect($all)->not->toContain($words);
    }
})->with([
    'bought' => [
        ['crop' => 'basil', 'started' => 'seedling'], -4, 'Fetch the young plants, and keep them apart until they go in', ['Sow', 'sow'],
    ],
    'sown in its cups' => [['crop' => 'rocket', 'started' => 'seed'], 3, 'Rocket: up by now', ['plug', 'the plants go in']],
    'cut' => [
        ['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings'], 0, 'Read the pH again; cut the stems and set them in',
        ['Sow', 'harvest', 'young plants'],
    ],
    'a nursery' => [
        ['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'rocket'], 0, 'Read the pH again; the plants go in', ['harvest'],
    ],
    'for no crop yet' => [['crop' => null], 0, 'Read the pH again; the plants go in', ['harvest', 'Sow']],
]);

it('points to a step that the sheet has, or to none', function (array $tub) {
    $garden = Gardens::tub(['crop' => 'basil', ...$tub]);
    $sheet = BuildReport::of(Gardens::plan($garden), $garden->tubs[0]);

    expect(array_diff(array_filter(array_column($sheet->days, 'step')), array_column($sheet->steps, 'key')))->toBe([]);
})->with([
    'a bucket' => [[]],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1']],
    'bought' => [['started' => 'seedling']],
    'sown in its cups' => [['started' => 'seed']],
    'cuttings' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings']],
    'for no crop yet' => [['crop' => null]],
]);
