<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildSheet;
use Tests\Core\Gardens;

/**
 * A bucket that takes leaf lettuce from a nursery; 14 days from seed to the bucket, 3 of them until it is up.
 *
 * @param  array<string, mixed>  $nursery  what differs of the nursery
 * @param  array<string, mixed>  $garden
 */
function handedOver(array $nursery = [], array $bucket = [], array $garden = []): Garden
{
    return Gardens::of([
        'tubs' => [
            ['id' => 'out', 'name' => 'Out', 'system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'started' => 'nursery',
                'layout' => ['pattern' => 'grid', 'cups' => 6], ...$bucket],
            ['id' => 'kin', 'name' => 'Nursery', 'system' => 'nursery', 'vessel' => 'tote-30', 'crop' => 'lettuce-leaf',
                'layout' => ['pattern' => 'grid', 'cups' => 6], ...$nursery],
        ],
        ...$garden,
    ]);
}

/** @return array<string, float> of the parts of a garden that are for one of its tubs, how much is needed */
function neededFor(Garden $garden, string $tub): array
{
    $parts = array_filter(Gardens::report($garden)->parts, fn ($part) => in_array($tub, $part->for, true));

    return array_column($parts, 'need', 'key');
}

/** @return list<string> codes of findings about nurseries */
function nurseryCodes(Garden $garden): array
{
    $codes = array_map(fn ($f) => "$f->severity $f->code $f->tub", Gardens::report($garden)->findings);

    return array_values(preg_grep('/ nursery\.(none|few) /', $codes) ?: []);
}

it('counts seed and plugs where they are raised, and once', function () {
    $garden = handedOver();

    expect(neededFor($garden, 'kin'))->toMatchArray(['plug-stone-wool' => 6, 'seed-lettuce-leaf' => 1])
        ->and(neededFor($garden, 'out'))->not->toHaveKey('plug-stone-wool')->not->toHaveKey('seed-lettuce-leaf')->not->toHaveKey('seedling')
        ->and(neededFor(handedOver(bucket: ['started' => 'plug']), 'out'))->toMatchArray(['plug-stone-wool' => 12]);
});

it('waits for as many days as a plug of its own would, and grows no otherwise', function () {
    $crops = fn (string $started): array => Gardens::report(handedOver(bucket: ['started' => $started]))->tubs[0]->crops;

    expect($crops('nursery'))->toEqual($crops('plug'));
});

it('says who raises how many for whom, and on which day they go over', function () {
    expect(Gardens::report(handedOver())->raised)->toEqual([(object) [
        'tub' => 'kin', 'crop' => 'lettuce-leaf', 'name' => 'Leaf lettuce', 'plants' => 6, 'wanted' => 6, 'for' => ['out'],
        'sown_before_days' => 3, 'hand_over_day' => 11,
    ]])
        ->and(Gardens::report(handedOver(['started' => 'seed']))->raised[0]->hand_over_day)->toBe(14)
        ->and(Gardens::report(handedOver(['started' => 'seedling']))->raised[0]->hand_over_day)->toBeNull()
        ->and(Gardens::report(handedOver(['count' => 2], ['count' => 3]))->raised[0])->toMatchObject(['plants' => 12, 'wanted' => 18])
        ->and(Gardens::report(handedOver(bucket: ['started' => 'plug']))->raised[0])->toMatchObject(['wanted' => 0, 'for' => []]);
});

it('says where a nursery raises too few, or nobody raises what is waited for', function (array $nursery, array $bucket, array $codes) {
    expect(nurseryCodes(handedOver($nursery, $bucket)))->toBe($codes);
})->with([
    'just enough' => [[], [], []],
    'one too few' => [['layout' => ['pattern' => 'grid', 'cups' => 4]], ['layout' => ['pattern' => 'grid', 'cups' => 5]], [
        'mind nursery.few out',
    ]],
    'another crop' => [['crop' => 'basil'], [], ['mend nursery.none out']],
    'one that waits itself' => [['started' => 'nursery'], [], ['mend nursery.none out', 'mend nursery.none kin']],
    'plugs of its own' => [['crop' => 'basil'], ['started' => 'plug'], []],
]);

it('raises them in plugs of their own at a press', function () {
    $garden = handedOver(['crop' => 'basil']);
    $finding = array_values(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'nursery.none'))[0];

    expect(nurseryCodes(Gardens::applied($garden, Gardens::deeds($finding->remedies[0]->patch))))->toBe([]);
});

it('says in how many turns', function () {
    $few = fn (int $cups): string => array_values(array_filter(
        Gardens::report(handedOver(['layout' => ['pattern' => 'grid', 'cups' => $cups]]))->findings,
        fn ($f) => $f->code === 'nursery.few',
    ))[0]->why;

    expect($few(3))->toContain('2 turns')->and($few(2))->toContain('3 turns')->and($few(5))->toContain('2 turns');
});

it('lays out the days of both so that one hands over when the other is planted', function () {
    $garden = handedOver(garden: ['site' => [
        'weather' => ['kind' => 'typical', 'climate' => 'continental', 'start' => '2027-05-20'],
    ]]);
    $days = fn (int $tub): array => array_map(
        fn ($d) => "$d->day $d->date $d->does",
        BuildSheet::of(Gardens::plan($garden), $garden->tubs[$tub])->days->toReport(),
    );

    expect($days(1))->toContain('-3 2027-05-06 Sow leaf lettuce in 6 plugs')
        ->toContain('11 2027-05-20 Leaf lettuce: over to Out when roots hang out')
        ->and($days(0))->toContain('-14 2027-05-06 Sow leaf lettuce for the nursery')
        ->and(implode("\n", $days(0)))->toContain('0 2027-05-20 Read the pH again');
});

it('sends to the nursery before the first screw, and lifts out of it at the last', function () {
    $garden = handedOver();
    $steps = array_column(BuildSheet::of(Gardens::plan($garden), $garden->tubs[0])->steps, null, 'key');
    $kin = array_column(BuildSheet::of(Gardens::plan($garden), $garden->tubs[1])->steps, null, 'key');

    expect($steps)->not->toHaveKey('sow')
        ->and($steps['young']->does)->toContain('They are raised in Nursery')
        ->and($steps['young']->figures)->toBe(['Plants' => '6', 'Sow' => '14 days before the plants go in'])
        ->and($steps['plant']->does)->toStartWith('Lift each plant out of the nursery with its plug')
        ->and($kin['sow']->does)->toStartWith('Begin 3 days before the plants go in.')
        ->and($kin['raise']->does)->toContain('Set them in the nursery as soon as they show')
        ->and($kin['raise']->figures['Ready'])->toBe('seedlings show, some 3 days after sowing');
});
