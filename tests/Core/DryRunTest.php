<?php

declare(strict_types=1);

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\DryRun\Act;
use KelpTub\Core\DryRun\Decision;
use KelpTub\Core\DryRun\DecisionReader;
use KelpTub\Core\DryRun\DryRun;
use KelpTub\Core\DryRun\DryRunReport;
use KelpTub\Core\DryRun\Luck;
use KelpTub\Core\DryRun\Mishap;
use KelpTub\Core\DryRun\MishapKind;
use KelpTub\Core\DryRun\Odds;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Marks\Cost\CostFigures;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\WhatIf\SeasonOdds;
use Tests\Core\Gardens;
use Tests\Core\Grown;

// A season lived through: by the forecast's own step, with what a seed hides and brings, and what is decided.

/** The tub of a garden lived through with some luck, none where none is given. */
function dryRun(array $tub = [], ?Luck $luck = null): DryRun
{
    $plan = Gardens::fed(Grown::garden($tub));

    return new DryRun($plan->season, $plan->weather, $luck ?? new Luck);
}

function toldOf(DryRun $dry, ?array $decisions = null, bool $meter = false): stdClass
{
    return DryRunReport::of($dry, $decisions, $meter, new QuantityWriter(UnitSystem::Metric));
}

/** @return list<float|null> */
function eachDay(SeasonRun $run, callable $what): array
{
    return array_map($what, $run->days);
}

it('is the season as it is planned where nothing is hidden and nothing goes wrong, to the last digit', function (array $tub) {
    $plan = Gardens::fed(Grown::garden($tub));
    $dry = new DryRun($plan->season, $plan->weather, new Luck);

    expect(serialize($dry->byHabit()->days))->toBe(serialize($plan->run()->days));
})->with(array_map(static fn (array $tub): array => [$tub], Grown::kinds()));

it('is the same again for the same seed, and another for another', function () {
    $of = static fn (int $seed): string => (string) json_encode(
        toldOf(dryRun([], Luck::of($seed, dryRun()->tub, 40.0)), [new Decision(9, Act::TopUp, 2.0)]),
    );
    expect($of(7))->toBe($of(7))->not->toBe($of(8));
});

it('hides thirst and appetite within their bounds, and brings one to three mishaps that may come to the tub, in time', function (
    GrowingSystem $system,
    array $tub,
    bool $isSown = false,
) {
    $kinds = [];
    $season = dryRun($tub)->tub;
    foreach (range(0, 299) as $seed) {
        $luck = Luck::of($seed, $season, 50.0);
        expect($luck->thirst)->toBeGreaterThanOrEqual(0.8)->toBeLessThanOrEqual(1.25)
            ->and($luck->appetite)->toBeGreaterThanOrEqual(0.8)->toBeLessThanOrEqual(1.25)
            ->and(count($luck->mishaps))->toBeGreaterThanOrEqual(1)->toBeLessThanOrEqual(3)
            ->and(array_unique(array_column($luck->mishaps, 'day')))->not->toBe([]);
        foreach ($luck->mishaps as $mishap) {
            $kinds[$mishap->kind->value] = true;
            expect($mishap->day)->toBeLessThanOrEqual(47)->toBeGreaterThanOrEqual(
                in_array($mishap->kind, [MishapKind::Unrinsed, MishapKind::NotUp], true) ? 0 : 4,
            );
        }
    }
    $may = array_map(static fn (MishapKind $kind): string => $kind->value, MishapKind::of($system, $season->breath !== null, $isSown));
    expect(array_keys($kinds))->toEqualCanonicalizing($may)
        ->and(in_array('valve-shut', $may, true))->toBe($season->breath !== null)
        ->and(in_array('filled-to-brim', $may, true))->toBe($system === GrowingSystem::Passive);
})->with([
    [GrowingSystem::Aerated, []], [GrowingSystem::Passive, Grown::kinds()['passive jar']],
    [GrowingSystem::Aerated, Grown::kinds()['sown in its cups'], true],
]);

it('has fewer plants where seeds did not come up, which are missed once it is plain, and drinks and brings less', function () {
    $tub = Grown::kinds()['sown in its cups'];
    $dry = dryRun($tub, new Luck(mishaps: [new Mishap(MishapKind::NotUp, 0, 1000, 2.0)]));
    $all = dryRun($tub);
    $plants = $all->tub->stands[0]->plants;
    $share = ($plants - 2) / $plants;
    expect($plants)->toBeGreaterThan(3)
        ->and($dry->byHabit()->harvested())->toEqualWithDelta($share * $all->byHabit()->harvested(), 1.0)
        ->and($dry->decided([])->days[20]->use)->toEqualWithDelta($share * $all->decided([])->days[20]->use, 1e-9);
    $missing = array_column(array_column(toldOf($dry)->days, 'seen'), 'missing');
    expect([$missing[11], $missing[12], end($missing)])->toBe([0, 2, 2]);
    // One stays, whatever the seed.
    expect($all->tub->stands[0]->without(99)->plants)->toBe(1);
});

it('shows no bubbles for as long as the power is off, over midnight too', function () {
    $with = static fn (int $seed): array => array_values(array_filter(
        Luck::of($seed, dryRun()->tub, 50.0)->mishaps,
        static fn (Mishap $m): bool => $m->kind === MishapKind::PowerCut,
    ));
    foreach (range(0, 400) as $seed) {
        foreach ($with($seed) as $cut) {
            expect($cut->days)->toBe($cut->amount > 24 ? 2 : 1);
        }
    }
    $told = toldOf(dryRun([], new Luck(mishaps: [new Mishap(MishapKind::PowerCut, 9, 2, 30.0)])));
    $bubbles = array_column(array_column($told->days, 'seen'), 'bubbles');
    expect(array_slice($bubbles, 8, 4))->toBe(['many', 'none', 'none', 'many']);
});

it('brings what is sound in still water to its harvest with nothing done, and loses what must be topped up', function () {
    // A jar that is filled once for its whole life, and a bucket of chilli.
    $still = dryRun(['vessel' => 'bucket-20', 'system' => 'passive', 'crop' => 'basil', 'top_ups' => 'none', 'reservoir_change' => 'never',
        'layout' => ['pattern' => 'grid', 'cups' => 2]]);
    $thirsty = dryRun(['crop' => 'chilli', 'cup' => 'net-cup-75', 'layout' => ['pattern' => 'single', 'cups' => 1]]);

    expect($still->decided([])->harvested())->toBeGreaterThan(0.9 * $still->byHabit()->harvested())
        ->and($still->byHabit()->harvested())->toBeGreaterThan(0.0)
        ->and($thirsty->decided([])->harvested())->toBeLessThan(0.1 * $thirsty->byHabit()->harvested());
});

it('lets a mishap act on the tub from its day on, and as long as it lasts', function (
    Mishap $mishap,
    callable $figure,
    int $from,
    ?int $to,
    bool $isMore,
    array $tub = [],
) {
    $with = eachDay(dryRun($tub, new Luck(mishaps: [$mishap]))->decided([]), $figure);
    $without = eachDay(dryRun($tub)->decided([]), $figure);
    $differs = static fn (int $day): int => ($with[$day] ?? 0.0) <=> ($without[$day] ?? 0.0);

    expect($differs($mishap->day - 1))->toBe(0)->and($differs($from))->toBe($isMore ? 1 : -1);
    if ($to !== null) {
        expect($differs($to - 1))->toBe($isMore ? 1 : -1)->and($differs($to))->not->toBe($isMore ? 1 : -1);
    }
})->with([
    'heat' => [new Mishap(MishapKind::HeatWave, 5, 3, 8.0), fn ($d) => $d->thirst, 5, 8, true],
    'a power cut' => [new Mishap(MishapKind::PowerCut, 5, 1, 6.0), fn ($d) => $d->oxygen, 5, 6, false],
    'a valve' => [new Mishap(MishapKind::ValveShut, 5), fn ($d) => $d->oxygen, 5, null, false],
    'a diaphragm' => [new Mishap(MishapKind::Diaphragm, 5, 0, 0.3), fn ($d) => $d->oxygen, 5, null, false],
    'a stone' => [new Mishap(MishapKind::CloggedStone, 5, 0, 0.3), fn ($d) => $d->oxygen, 5, null, false],
    'light: less feed' => [new Mishap(MishapKind::LightLeak, 5), fn ($d) => $d->ec(), 5, null, false],
    'light: a higher pH' => [new Mishap(MishapKind::LightLeak, 5), fn ($d) => $d->after->ph, 5, null, true],
    'a visitor' => [new Mishap(MishapKind::Visitor, 5, 1, 0.9), fn ($d) => $d->ec(), 5, null, true],
    'filled to the brim' => [new Mishap(MishapKind::Brim, 5, 1), fn ($d) => $d->volume(), 5, null, true, ['system' => 'passive']],
]);

it('feeds by the visitor’s hand what it says, and fills to the very brim', function () {
    $visit = dryRun([], new Luck(mishaps: [new Mishap(MishapKind::Visitor, 5, 1, 0.9)]))->decided([]);
    $none = dryRun()->decided([]);
    $brim = dryRun(['system' => 'passive'], new Luck(mishaps: [new Mishap(MishapKind::Brim, 5, 1)]))->decided([]);

    expect($visit->days[5]->ec() - $none->days[5]->ec())->toEqualWithDelta(0.9, 1e-9)
        ->and($brim->days[5]->volume())->toEqualWithDelta($brim->tub->brim, 1e-9);
});

it('lifts the pH over unrinsed pebbles, less each day, for three weeks', function () {
    $ph = static fn (array $mishaps): array => eachDay(dryRun([], new Luck(mishaps: $mishaps))->decided([]), fn ($d) => $d->after->ph);
    [$with, $without] = [$ph([new Mishap(MishapKind::Unrinsed, 0, 21)]), $ph([])];
    $lifted = static fn (int $day): float => $with[$day] - $without[$day];

    expect($lifted(0))->toEqualWithDelta(0.08, 1e-9)->and($lifted(10))->toBeGreaterThan($lifted(5))
        ->and($lifted(20))->toBeGreaterThan($lifted(21));
});

it('keeps everybody away in a missed week, who keeps it by habit and who decides', function () {
    $luck = new Luck(mishaps: [new Mishap(MishapKind::MissedWeek, 10, 7)]);
    $habit = dryRun(['reservoir_change' => 'weekly'], $luck)->byHabit();
    $visited = array_keys(array_filter($habit->days, fn ($d) => $d->isVisited()));
    expect(array_filter($visited, fn (int $d) => $d >= 10 && $d < 17))->toBe([])->and($visited)->toContain(17);

    $decided = dryRun([], $luck)->decided([new Decision(9, Act::Change), new Decision(12, Act::Change), new Decision(17, Act::Change)]);
    expect(array_keys(array_filter($decided->days, fn ($d) => $d->change)))->toBe([9, 17]);
});

it('puts right what is wrong on the evening on which somebody does so, by the act that does it and no other', function () {
    $luck = new Luck(mishaps: [new Mishap(MishapKind::ValveShut, 5)]);
    $oxygen = static fn (array $decisions): array => eachDay(dryRun([], $luck)->decided($decisions), fn ($d) => $d->oxygen);
    $well = eachDay(dryRun()->decided([]), fn ($d) => $d->oxygen);

    expect($oxygen([new Decision(8, Act::Valve)])[7])->toBeLessThan($well[7] - 0.1)
        ->and($oxygen([new Decision(8, Act::Valve)])[8])->toEqualWithDelta($well[8], 1e-9)
        ->and($oxygen([new Decision(8, Act::CleanStone)])[8])->toBeLessThan($well[8] - 0.1)
        // Seen to before it went wrong it helps nothing.
        ->and($oxygen([new Decision(4, Act::Valve)])[8])->toBeLessThan($well[8] - 0.1)
        // By habit somebody looks every fourth day.
        ->and(dryRun([], $luck)->mended(null))->toBe(['valve-shut' => 8]);
});

it('does what is decided: litres at their strength, a change, feed stirred in, pH, bottles of ice', function () {
    $dry = dryRun();
    $one = static fn (Decision ...$decisions): SeasonRun => $dry->decided($decisions);
    $none = $dry->decided([]);
    $before = $none->days[6]->after;
    $topped = $one(new Decision(6, Act::TopUp, 1.5, 0.6), new Decision(6, Act::TopUp, 0.5, 1.0))->days[6];
    expect($topped->topUp)->toEqualWithDelta(2.0, 1e-9)->and($topped->topUpEc)->toEqualWithDelta(0.7, 1e-9)
        ->and($topped->volume())->toEqualWithDelta(min($before->volume + 2.0, $dry->tub->brim), 1e-9)
        ->and($one(new Decision(6, Act::Change))->days[6]->change)->toBeTrue()
        ->and($one(new Decision(6, Act::Strengthen, ec: 1.9))->days[6]->ec())->toEqualWithDelta(1.9, 1e-9)
        ->and($one(new Decision(6, Act::Strengthen, ec: 0.1))->days[6]->ec())->toBe($none->days[6]->ec())
        ->and($one(new Decision(6, Act::Ph, ph: 5.8))->days[6]->after->ph)->toEqualWithDelta(5.8, 1e-9)
        ->and($one(new Decision(6, Act::Cool))->days[6]->water())->toEqualWithDelta($none->days[6]->water() - 3.0, 1e-9)
        ->and(serialize($one(new Decision(6, Act::Look, at: 'roots'))->days))->toBe(serialize($none->days));
});

it('tells what each decision was worth against the run without it, and what the habit would have done', function () {
    $dry = dryRun([
        'reservoir_change' => 'never', 'crop' => 'chilli', 'cup' => 'net-cup-75', 'layout' => ['pattern' => 'single', 'cups' => 1],
    ]);
    $decisions = array_map(static fn (int $day): Decision => new Decision($day, Act::TopUp, 3.0), range(20, 160, 8));
    $told = toldOf($dry, $decisions);
    $without = $decisions;
    unset($without[4]);
    $less = $dry->decided(array_values($without))->harvested();

    expect($told->decisions)->toHaveCount(count($decisions))
        ->and($told->decisions[4]->worth_g)->toBe($dry->decided($decisions)->harvested() - $less)
        ->and($told->harvest_g)->toBe($dry->decided($decisions)->harvested())->and($told->best_g)->toBeGreaterThanOrEqual($told->harvest_g)
        ->and(array_unique(array_column($told->decisions, 'advised')))->toContain('top-up')
        ->and($told->minutes)->toBe(5 * count($decisions));
});

it('says when a mishap shows, and what would have brought more', function () {
    $luck = new Luck(mishaps: [new Mishap(MishapKind::ValveShut, 20), new Mishap(MishapKind::LightLeak, 3)]);
    $told = toldOf(dryRun([], $luck), []);
    expect(array_column($told->mishaps, 'seen_on'))->toBe([20, 8])
        ->and($told->days[20]->seen->bubbles)->toBe('none')->and($told->days[19]->seen->bubbles)->toBe('many')
        ->and($told->days[7]->seen->green)->toBeFalse()->and($told->days[8]->seen->green)->toBeTrue();

    $shut = dryRun([], new Luck(mishaps: [new Mishap(MishapKind::ValveShut, 6)]));
    $told = toldOf($shut, [new Decision(7, Act::Change), new Decision(20, Act::Change)]);
    expect($told->harvest_g)->toBe(0.0)->and($told->killed_day)->not->toBeNull()
        ->and($told->otherwise[0]->says)->toContain('On day 6 you could see a valve knocked shut');
    $clogged = dryRun([], new Luck(mishaps: [new Mishap(MishapKind::CloggedStone, 6, 0, 0.4)]));
    expect(toldOf($clogged)->days[6]->seen->bubbles)->toBe('few');
});

it('reads no more than what the grower owns, within its error, and nothing that is hidden', function (bool $meter) {
    $luck = Luck::of(5, dryRun()->tub, 40.0);
    $told = toldOf(dryRun([], new Luck($luck->thirst, $luck->appetite, [], 5)), null, $meter);
    $off = [];
    foreach ($told->days as $day) {
        expect(implode(' ', array_keys((array) $day->seen)))
            ->toBe('level_mm bubbles leaves green tips missing ph ec_ms_cm water_c dead')
            ->and(abs($day->seen->level_mm - $day->level_mm))->toBeLessThanOrEqual(3.5)
            ->and($day->seen->ec_ms_cm === null)->toBe(! $meter)
            ->and(abs($day->seen->ph - $day->ph))->toBeLessThanOrEqual($meter ? 0.06 : 0.5)
            ->and(fmod($day->seen->ph * 2, 1.0) === 0.0 || $meter)->toBeTrue();
        $off[] = $day->seen->level_mm - $day->level_mm;
    }
    // A stick is read a little high as often as a little low.
    expect(abs(array_sum($off) / count($off)))->toBeLessThan(1.2)->and(max($off))->toBeGreaterThan(1.0)->and(min($off))->toBeLessThan(-1.0);
})->with([true, false]);

it('refuses decisions that cannot be read, with the place and what would do', function (mixed $given, string $why) {
    $read = (new DecisionReader(20.0))->read(json_decode((string) json_encode($given)));
    expect(implode('; ', array_filter($read, is_string(...))))->toContain($why);
})->with([
    'no list' => [['day' => 3], 'a list is wanted'],
    'no object' => [[3], 'decisions/0: an object is wanted'],
    'out of order' => [[['day' => 5, 'do' => 'look'], ['day' => 4, 'do' => 'look']], 'decisions/1: day is 4, after one of day 5'],
    'while away' => [[['day' => 5, 'do' => 'away', 'days' => 3], ['day' => 8, 'do' => 'look']], 'one is away until day 9'],
    'no such act' => [[['day' => 5, 'do' => 'sing']], 'do is "sing"; it may be top-up'],
    'no day' => [[['do' => 'look']], 'day is null'],
    'half a day' => [[['day' => 1.5, 'do' => 'look']], 'day is 1.5'],
    'too many litres' => [[['day' => 5, 'do' => 'top-up', 'litres' => 20.5]], 'litres is 20.5; the tub holds 20 at most'],
    'litres in words' => [[['day' => 5, 'do' => 'top-up', 'litres' => 'some']], 'litres is "some"'],
    'a pH of stone' => [[['day' => 5, 'do' => 'ph', 'ph' => 63]], 'ph is 63; it is a number from 4 to 9'],
    'half days away' => [[['day' => 5, 'do' => 'away', 'days' => 1.5]], 'days is 1.5'],
    'something more' => [[['day' => 5, 'do' => 'change', 'litres' => 3]], 'litres is not known of change'],
    'too many' => [array_fill(0, 2001, ['day' => 1, 'do' => 'look']), 'there are 2001; the most is 2000'],
]);

it('reads decisions as they are written', function () {
    $read = (new DecisionReader(20.0))->read(json_decode('[
        {"day": 2, "do": "top-up", "litres": 20, "ec_ms_cm": 0.6}, {"day": 2, "do": "away", "days": 3},
        {"day": 6, "do": "look", "at": "roots"}
    ]'));
    expect($read)->toEqual([
        new Decision(2, Act::TopUp, 20.0, 0.6), new Decision(2, Act::Away, days: 3), new Decision(6, Act::Look, at: 'roots'),
    ]);
});

it('counts how a design comes through many seasons, what it brings and what loses it', function () {
    $plan = Gardens::fed(Grown::garden());
    $lastDay = (float) count($plan->run()->days);
    $odds = (new Odds($plan->season, $plan->weather))->over(120);
    $grams = array_map(
        static fn (int $seed): float => (new DryRun($plan->season, $plan->weather, Luck::of($seed, $plan->season, $lastDay)))
            ->byHabit()->harvested(),
        range(1, 120),
    );
    sort($grams);

    expect($odds->runs)->toBe(120)->and($odds->came_through + array_sum((array) $odds->killed_by))->toBe(120)
        ->and($odds->came_through)->toBe(count(array_filter($grams, static fn (float $g): bool => $g >= 0.5 * $odds->planned_g)))
        ->and($odds->harvest_g)->toBe([$grams[12], $grams[60], $grams[107]])
        ->and($odds->planned_g)->toBe($plan->run()->harvested())
        ->and((new Odds($plan->season, $plan->weather))->through(120, 1, $odds->planned_g))->toBe($odds->came_through)
        ->and(serialize((new Odds($plan->season, $plan->weather))->over(120)))->toBe(serialize($odds));
});

it('says of a design that brings nothing that it is lost by itself, and which habit would bring it through', function () {
    $garden = Grown::garden([...Grown::kinds()['passive jar'], 'top_ups' => 'none', 'reservoir_change' => 'never', 'crop' => 'mint']);
    $planner = Gardens::planner();
    $odds = (new SeasonOdds($planner, $planner->aids->library))->of($garden, $garden->tubs[0], 40);
    expect($odds->planned_g)->toBe(0.0)->and((array) $odds->killed_by)->toBe(['the-design' => 40])
        ->and($odds->helps_most->came_through)->toBeGreaterThan(20);

    // What it offers does what it says.
    $mended = Gardens::fed(Gardens::applied($garden, $odds->helps_most->patch));
    expect((new Odds($mended->season, $mended->weather))->through(40, 1, 0.0))->toBe($odds->helps_most->came_through);

    // Where every season is brought through there is nothing to do otherwise.
    $sound = Grown::garden();
    $all = (new SeasonOdds($planner, $planner->aids->library))->of($sound, $sound->tubs[0], 1, 2);
    expect($all->came_through)->toBe(1)->and($all->helps_most)->toBeNull();
});

it('counts the feed that was really put in, as the season does where all goes as planned, and what it costs', function (array $tub) {
    $garden = Grown::garden($tub);
    $whole = Gardens::plan($garden);
    $plan = Gardens::fed($garden);
    $dry = new DryRun($plan->season, $plan->weather, new Luck);
    $money = static fn (array $doses, float $litres): float => (new CostFigures($whole))->season($plan, $doses, $litres);
    $told = DryRunReport::of($dry, null, false, new QuantityWriter(UnitSystem::Metric), $money);
    foreach ($plan->run()->doses() as $n => $dose) {
        expect($told->feed[$n]->g ?? $told->feed[$n]->ml)->toEqualWithDelta($dose->amount, 1e-6);
    }
    expect($told->water_l)->toBe($plan->run()->poured());

    $twice = array_map(static fn (Dose $d): Dose => new Dose($d->part, 2 * $d->amount), $plan->run()->doses());
    expect($money($plan->run()->doses(), 0.0))->toEqualWithDelta($money($twice, 0.0) / 2, 1e-9)->toBeGreaterThan(0.0)
        ->and($told->money)->toEqualWithDelta($money($plan->run()->doses(), $plan->run()->poured()), 1e-6)
        ->and($money([], 1000.0))->toEqualWithDelta(1000 * $money([], 1.0), 1e-9);
})->with([
    [[]], [Grown::kinds()['fruit by volume']], [['reservoir_change' => 'never', 'top_ups' => 'quarter']],
    [Grown::kinds()['passive, topped up']],
]);

it('draws from a seed what it has drawn from it ever since: a run that was kept is the same run', function () {
    $told = static fn (int $seed, array $tub): string => (string) json_encode(Luck::of($seed, dryRun($tub)->tub, 60.4));
    $all = '';
    foreach ([[], Grown::kinds()['passive jar'], Grown::kinds()['sown in its cups']] as $tub) {
        foreach (range(0, 199) as $seed) {
            $all .= $told($seed, $tub);
        }
    }
    expect(md5($all))->toBe('f05a630d6a759c2594ac479a0e69f86f');
});

it('counts the minutes of what is done, and reads litres and words to their bounds', function () {
    expect(array_map(static fn (Act $act): int => $act->minutes(), Act::cases()))->toBe([5, 25, 5, 4, 1, 15, 15, 5, 4, 2, 5, 5, 1, 0]);
    $faults = static fn (array $one): array => array_filter(
        (new DecisionReader(20.0))->read(json_decode((string) json_encode([['day' => 1, ...$one]]))),
        is_string(...),
    );
    expect($faults(['do' => 'top-up', 'litres' => 0.01]))->toBe([])->and($faults(['do' => 'top-up', 'litres' => 0.009]))->toHaveCount(1)
        ->and($faults(['do' => 'look', 'at' => str_repeat('x', 120)]))->toBe([])
        ->and($faults(['do' => 'look', 'at' => str_repeat('x', 121)]))->toHaveCount(1)
        ->and($faults(['do' => 'look', 'at' => 3]))->toHaveCount(1);
});

it('reads days from the first to the last, and strengths to their bounds', function () {
    $faults = static fn (array $one): array => array_filter(
        (new DecisionReader(20.0))->read(json_decode((string) json_encode([['day' => 0, 'do' => 'look', ...$one]]))),
        is_string(...),
    );
    expect($faults([]))->toBe([])->and($faults(['day' => -1]))->toHaveCount(1)->and($faults(['day' => 729]))->toBe([])
        ->and($faults(['day' => 730]))->toHaveCount(1)->and($faults(['day' => 1.5]))->toHaveCount(1)
        ->and($faults(['day' => 'x']))->toHaveCount(1)
        ->and($faults(['do' => 'strengthen', 'ec_ms_cm' => 0.1]))->toBe([])
        ->and($faults(['do' => 'strengthen', 'ec_ms_cm' => 0.09]))->toHaveCount(1);
});

it('is looked at every fourth day by habit, still water once a week', function () {
    $leak = new Luck(mishaps: [new Mishap(MishapKind::LightLeak, 3)]);
    expect(dryRun([], $leak)->mended(null))->toBe(['light-leak' => 12])
        ->and(dryRun(Grown::kinds()['passive, topped up'], $leak)->mended(null))->toBe(['light-leak' => 14]);
});

it('mends on the very day, and hears of a visitor’s feed by a meter, or by leaves where it is far too much', function () {
    $dry = dryRun([], new Luck(mishaps: [new Mishap(MishapKind::ValveShut, 5)]));
    expect($dry->mended([new Decision(5, Act::Valve)]))->toBe(['valve-shut' => 5])
        ->and(serialize($dry->decided([new Decision(5, Act::Valve)])->days))->toBe(serialize(dryRun()->decided([])->days));

    // A little too much shows on a meter alone; far too much on the leaves too.
    $fed = static fn (float $by): DryRun => dryRun([], new Luck(mishaps: [new Mishap(MishapKind::Visitor, 8, 1, $by)]));
    $seen = static fn (float $by, bool $meter): ?int => toldOf($fed($by), null, $meter)->mishaps[0]->seen_on;
    expect([$seen(0.1, true), $seen(0.1, false), $seen(1.5, false)])->toBe([8, null, 8]);
});
