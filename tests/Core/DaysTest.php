<?php

declare(strict_types=1);

use KelpTub\Core\Days\FreeDays;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Marks\Days\Plantings;
use KelpTub\Core\Marks\Days\Standing;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Numbers\Dates;
use Tests\Core\Gardens;
use Tests\Core\Grown;

/** @return list<string> faults of a garden with these plantings in a tub "deck" of lettuce, two alike */
function plantingFaults(array ...$plantings): array
{
    return Gardens::faults(json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1,
        'tubs' => [['id' => 'deck', 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'count' => 2]],
        'plantings' => array_map(
            static fn (array $p, int $i): array => ['id' => "p$i", 'tub' => 'deck', ...$p],
            $plantings,
            array_keys($plantings),
        ),
    ], JSON_THROW_ON_ERROR));
}

it('counts days as the calendar does', function () {
    expect(Dates::number('1970-01-02'))->toBe(1)
        ->and(Dates::number('2028-03-01') - Dates::number('2028-02-28'))->toBe(2)
        ->and(Dates::text(Dates::number('2027-12-31') + 1))->toBe('2028-01-01')
        ->and(Dates::weekday(Dates::number('2026-11-30')))->toBe(0)
        ->and(Dates::are('2027-02-29'))->toBeFalse()->and(Dates::are('2027-2-2'))->toBeFalse()->and(Dates::are('1850-01-01'))->toBeFalse();
});

it('refuses plantings that cannot be', function (array $plantings, string $fault) {
    expect(plantingFaults(...$plantings))->toHaveCount(1)->and(plantingFaults(...$plantings)[0])->toContain($fault);
})->with([
    'a crop that there is not' => [[['crop' => 'moonwort', 'sown' => '2027-03-01']], '/plantings/0/crop: is "moonwort"'],
    'a day that there is not' => [[['sown' => '2027-02-30']], '/plantings/0/sown: is "2027-02-30", no date'],
    'set in before it was sown' => [
        [['sown' => '2027-03-10', 'transplanted' => '2027-03-01']],
        '/plantings/0/transplanted: is 2027-03-01, before',
    ],
    'cleared before it was set in' => [
        [['transplanted' => '2027-03-10', 'cleared' => '2027-03-09']],
        '/plantings/0/cleared: is 2027-03-09',
    ],
    'cleared and never begun' => [[['cleared' => '2027-03-09']], 'it never began'],
    'one name twice' => [[['sown' => '2027-03-01'], ['id' => 'p0', 'sown' => '2027-09-01']], '/plantings/1/id: is "p0"'],
    'one cup at one time' => [
        [['sown' => '2027-03-01', 'cups' => [1, 2], 'cleared' => '2027-08-01'], ['sown' => '2027-04-01', 'cups' => [2, 3]]],
        '/plantings/1/cups: claims cup 2, where planting "p0"',
    ],
    'all cups on one day' => [[['sown' => '2027-03-01'], ['sown' => '2027-03-01']], 'claims all cups of one crop'],
]);

it('takes plantings that do not get into each other’s way', function (array ...$plantings) {
    expect(plantingFaults(...$plantings))->toBe([]);
})->with([
    'after one was cleared' => [
        ['sown' => '2027-03-01', 'cups' => [1, 2], 'cleared' => '2027-05-01'],
        ['transplanted' => '2027-05-01', 'cups' => [2, 3]],
    ],
    'later, in its cups, which gives them up' => [['sown' => '2027-03-01', 'cups' => [1, 2]], ['sown' => '2027-06-01', 'cups' => [1, 2]]],
    'other cups on the same day' => [['sown' => '2027-03-01', 'cups' => [1]], ['sown' => '2027-03-01', 'cups' => [2]]],
    'the other of two alike' => [['sown' => '2027-03-01'], ['sown' => '2027-03-01', 'copy' => 2]],
    'without a date yet' => [[], ['crop' => 'basil']],
]);

it('sets in what is sown when it is raised, and what is bought at once', function (array $planting, ?string $sown, string $setIn) {
    // Loose-leaf lettuce is raised in 14 days in a plug.
    $garden = Gardens::of([
        'tubs' => [['id' => 'deck', 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf']],
        'plantings' => [['id' => 'p', 'tub' => 'deck', ...$planting]],
    ]);
    $of = $garden->of(Plantings::class)->byId('p');
    $days = Gardens::library()->crops->get('lettuce-leaf')->daysSowToTransplant;

    expect($of->sown === null ? null : Dates::text($of->sown))->toBe(
        $sown === 'raised' ? Dates::text(Dates::number($setIn) - $days) : $sown
    )
        ->and(Dates::text($of->setIn))->toBe($setIn === 'raised' ? Dates::text(Dates::number((string) $sown) + $days) : $setIn);
})->with([
    'sown in a plug' => [['sown' => '2027-03-01'], '2027-03-01', 'raised'],
    'set in from a plug' => [['transplanted' => '2027-03-20'], 'raised', '2027-03-20'],
    'both given' => [['sown' => '2027-03-01', 'transplanted' => '2027-03-20'], '2027-03-01', '2027-03-20'],
    'in the cup itself' => [['sown' => '2027-03-01', 'stage' => 'seed'], '2027-03-01', '2027-03-01'],
    'bought' => [['transplanted' => '2027-03-01', 'stage' => 'seedling'], null, '2027-03-01'],
]);

it('gives each planting its cups, and the rest to the one that names none', function () {
    $garden = Grown::garden(['vessel' => 'tote-45'], [
        ['cups' => [1, 2]],
        [],
        ['cups' => [2], 'transplanted' => '2027-05-01', 'sown' => '2027-04-20'],
    ]);
    $plan = Gardens::plan($garden)->get(TubPlans::class)->tubs['tub'];
    $growing = Standing::of($plan, $garden->of(Plantings::class)->all);
    $cups = array_map(
        static fn (Growing $g): array => [$g->planting->id, $g->cups, $g->to === null ? null : Dates::text($g->to)],
        $growing,
    );

    // The first gives up cup 2 when the third is set into it, and keeps cup 1.
    expect($cups)->toContain(['p0', [2], '2027-05-01'])->toContain(['p0', [1], null])->toContain(['p2', [2], null])
        ->and(array_values(array_filter($cups, static fn (array $c): bool => $c[0] === 'p1'))[0][1])
        ->toBe(range(3, $plan->plants->count));
});

it('is the season of the design, at its date, where all of it is planted', function (array $tub) {
    $garden = Grown::garden($tub);
    $run = Gardens::plan($garden)->get(FeedPlans::class)->of('tub')->run();
    [$course] = Grown::copy($garden)->forecast();
    $last = count($course->days);

    foreach ($course->days as $i => $day) {
        expect($day->after->volume)->toBe($run->days[$i]->after->volume)->and($day->after->salt)->toBe($run->days[$i]->after->salt);
    }
    // A nursery gives its plants away before they are grown.
    expect($tub['system'] === 'nursery' ? $last < count($run->days) : $last === count($run->days))->toBeTrue()
        ->and($course->start)->toBe(Grown::day(0));
})->with(array_map(static fn (array $tub): array => [$tub], Grown::kinds()));

it('goes on from the water as it is when another is set in, each at its own age', function () {
    $garden = Grown::garden(['vessel' => 'tote-45'], [
        ['cups' => [1, 2, 3]],
        ['cups' => [4, 5], 'transplanted' => '2027-03-21', 'sown' => '2027-03-07'],
    ]);
    $alone = Grown::garden(['vessel' => 'tote-45'], [['cups' => [1, 2, 3]]]);
    [$course] = Grown::copy($garden)->forecast();
    [$before] = Grown::copy($alone)->forecast();

    for ($day = 0; $day < 20; $day++) {
        expect($course->days[$day]->after->volume)->toBe($before->days[$day]->after->volume);
    }
    $at = $course->days[30]->after->ages;
    expect($at)->toHaveCount(2)->and($at[0] - $at[1])->toEqualWithDelta(20.0, 1e-9)
        ->and($course->days[19]->after->ages)->toHaveCount(1)
        ->and($course->fates[1]->firstHarvest - $course->fates[0]->firstHarvest)->toEqualWithDelta(20.0, 1e-9)
        // What drinks on that day is both.
        ->and($course->days[40]->day->thirst)->toBeGreaterThan($before->days[40]->day->thirst ?? 0.0);
});

it('takes out what is cleared, and fills anew for what comes after all of it', function () {
    $garden = Grown::garden(['vessel' => 'bucket-20'], [
        ['cleared' => '2027-03-20'],
        ['transplanted' => '2027-04-01', 'sown' => '2027-03-18'],
    ]);
    $courses = Grown::copy($garden)->forecast();

    expect($courses)->toHaveCount(2)
        ->and(Dates::text($courses[0]->end()))->toBe('2027-03-19')
        ->and(Dates::text($courses[1]->start))->toBe('2027-04-01')
        ->and($courses[1]->fill->ages)->toBe([0.0])
        ->and($courses[0]->fates[0]->firstHarvest)->toBeNull();
});

it('feeds a tub of several dates by those that drink most', function () {
    // Chilli in bloom beside lettuce just set in: the chilli drinks more, and the water is made for it.
    $garden = Grown::garden(['vessel' => 'tote-45', 'crops' => [['crop' => 'lettuce-leaf'], ['crop' => 'chilli', 'plants' => 2]]], [
        ['crop' => 'chilli', 'transplanted' => '2027-01-01', 'sown' => '2026-11-01'],
        ['crop' => 'lettuce-leaf'],
    ]);
    [$course] = Grown::copy($garden, now: 1.0)->forecast();
    $on = $course->on(Grown::day(1));

    expect($on->tub()->stands)->toHaveCount(2)
        ->and($on->tub()->leader($on->after->ages, $on->after->died))->toBe(0)
        ->and($on->after->stage->value)->toBe('bloom');
});

it('meets the weather of its own date', function () {
    $weather = [
        'site' => [
            'setting' => 'open',
            'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-07-01'],
        ],
    ];
    $spring = Grown::copy(Grown::garden(garden: $weather))->forecast()[0];
    $summer = Grown::copy(Grown::garden([], ['transplanted' => '2027-07-01', 'sown' => '2027-06-10'], $weather))->forecast()[0];
    $run = Gardens::fed(Grown::garden(garden: $weather))->run();

    expect($summer->days[10]->after->water)->toBe($run->days[10]->after->water)
        ->and($spring->days[10]->after->water)->not->toBe($run->days[10]->after->water)
        ->and($spring->days[5]->day->thirst)->toBeLessThan($summer->days[5]->day->thirst);
});

it('lays out the days from sowing to clearing, in their order', function () {
    $garden = Grown::garden([], ['sown' => '2027-02-15', 'transplanted' => '2027-03-01'], ['site' => ['setting' => 'covered']]);
    $lettuce = Gardens::library()->crops->get('lettuce-leaf');
    $told = Grown::told(Grown::diary($garden, now: -20.0)->days(Grown::day(-30), Grown::day(120)));
    $harvest = (int) ceil(Grown::copy($garden)->forecast()[0]->fates[0]->firstHarvest) - Grown::day(0);

    expect($told)->toContain('-14 sow')->toContain((-14 + $lettuce->daysGerminate).' sprout')->toContain('-8 harden')
        ->toContain('0 set-in')->toContain('0 fill')->toContain('13 change')->toContain("$harvest pick")
        ->and($told)->toContain(($harvest + ($lettuce->repeats ? 7 : 0)).' pick')
        ->and(count(preg_grep('/ check$/', $told)))->toBeGreaterThan(6);
});

it('tells of a top-up its litres, its parts and by when it still does', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $items = Grown::diary($garden, now: 0.0)->days(Grown::day(0), Grown::day(60));
    $topUp = array_values(array_filter($items, static fn (Item $i): bool => $i->kind === 'top-up'))[0];
    $run = Gardens::fed($garden)->run();
    $day = $topUp->date - Grown::day(0);
    $report = $topUp->toReport(Grown::day(0));

    expect($topUp->litres)->toBe($run->days[$day]->topUp)
        ->and(array_column($topUp->parts, 'amount'))->toBe(array_map(static fn ($d): float => $d->amount, $run->dosesOn($day)))
        ->and($topUp->by)->toBeGreaterThanOrEqual($topUp->date)
        ->and($report->parts->A->g)->toBe($topUp->parts[0]['amount'])
        ->and($report->late)->toBeFalse()->and($topUp->toReport($topUp->date + 1)->late)->toBeTrue();
});

it('puts what was done in place of what was planned', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $planned = array_values(array_filter(
        Grown::diary($garden, now: 0.0)->days(Grown::day(0), Grown::day(60)),
        static fn (Item $i): bool => $i->kind === 'top-up',
    ))[0];
    $day = $planned->date - Grown::day(0);
    $entries = [Grown::entry($day, '19:00', ['top_up_l' => $planned->litres, 'top_up_ec' => $planned->ec, 'did' => [$planned->key]])];
    $told = Grown::told(Grown::diary($garden, $entries, $day + 1.0)->days(Grown::day(0), Grown::day(60)));

    expect($told)->toContain("$day top-up done")->and($told)->not->toContain("$day top-up");
});

it('has each top-up to come in its list, however soon after one that was written down', function (string $time) {
    $garden = Grown::garden(['vessel' => 'bucket-10', 'crop' => 'mizuna', 'top_ups' => 'quarter']);
    $toppedUp = static fn (array $days, int $from): array => array_values(array_map(
        static fn ($day): int => $day->date - Grown::day(0),
        array_filter($days, static fn ($day): bool => $day->day->topUp > 0.0 && $day->date > Grown::day($from)),
    ));
    $on = $toppedUp(Grown::copy($garden)->forecast()[0]->days, 20)[0];
    $entries = [Grown::entry($on, $time, ['top_up_l' => 1.5])];
    $coming = $toppedUp(Grown::copy($garden, $entries, $on + 0.9)->forecast()[0]->days, $on);
    $items = Grown::diary($garden, $entries, $on + 0.9)->days(Grown::day(0), Grown::day(90));
    $topUps = array_values(array_filter($items, static fn (Item $i): bool => $i->kind === 'top-up'));
    $due = array_values(array_filter($topUps, static fn (Item $i): bool => $i->done === null));

    expect(array_map(static fn (Item $i): int => $i->date - Grown::day(0), $due))->toBe($coming)->not->toBe([])
        ->and($coming[0] - $on)->toBeLessThanOrEqual(4)
        ->and(count(array_unique(array_column($topUps, 'key'))))->toBe(count($topUps));
})->with(['08:00', '18:00']);

it('says what is late until it is done, with what it takes today', function () {
    $garden = Grown::garden(['reservoir_change' => 'never', 'top_ups' => 'level']);
    $first = array_values(preg_grep('/top-up$/', Grown::told(Grown::diary($garden)->days(Grown::day(0), Grown::day(60)))))[0];
    $due = (int) $first;
    // Somebody keeps a log, and has not been there for four days.
    $entries = [Grown::entry(1, '08:00', ['top_up_l' => 0.1])];
    $items = Grown::diary($garden, $entries, $due + 4.4)->days(Grown::day(0), Grown::day(60));
    $topUp = array_values(array_filter($items, static fn (Item $i): bool => $i->kind === 'top-up' && $i->done === null))[0];
    $usual = Gardens::fed($garden)->run()->days[$due]->topUp;

    expect($topUp->date - Grown::day(0))->toBe($due + 4)->and($topUp->litres)->toBeGreaterThan($usual);
});

it('puts together what can wait, and never before its time', function () {
    expect(FreeDays::together(10, [12 => true], 0))->toBe(12)
        ->and(FreeDays::together(10, [8 => true, 12 => true], 0))->toBe(8)
        ->and(FreeDays::together(10, [8 => true], 9))->toBe(10)
        ->and(FreeDays::together(10, [13 => true], 0))->toBe(10);
});

it('keeps days free on which nobody can come', function () {
    $monday = Dates::number('2027-03-01');
    $free = new FreeDays([[$monday, $monday + 6]], [0, 2]);

    expect($free->isFree($monday))->toBeFalse()->and($free->isFree($monday + 7))->toBeTrue()->and($free->isFree($monday + 8))->toBeFalse()
        ->and($free->near($monday, $monday + 9, $monday - 5))->toBe($monday + 7)
        ->and($free->near($monday, $monday + 6, $monday - 5))->toBe($monday - 5)
        ->and($free->near($monday, $monday + 6, $monday - 4))->toBeNull()
        ->and((new FreeDays)->isFree($monday))->toBeTrue();
});

it('brings a top-up forward that falls into days away, with what it takes then', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $of = static fn (array $site): Item => array_values(array_filter(
        Grown::diary(
            Grown::garden(['reservoir_change' => 'never'], garden: ['site' => ['setting' => 'indoor', ...$site]]),
            now: 0.0,
        )->days(Grown::day(0), Grown::day(60)),
        static fn (Item $i): bool => $i->kind === 'top-up',
    ))[0];
    $due = $of([])->date;
    $away = $of(['away' => [['from' => Dates::text($due - 2), 'to' => Dates::text($due + 20)]]]);

    expect($away->date)->toBe($due - 3)->and($away->litres)->toBeLessThan($of([])->litres)->and($away->litres)->toBeGreaterThan(0.0)
        ->and($away->note)->toContain('Before you go')
        ->and($of(['away' => [['from' => Dates::text($due), 'to' => Dates::text($due)]]])->date)->toBe($due + 1)
        ->and($garden->name)->toBeString();
});

it('keeps the name of an item when its day moves', function () {
    $keys = static fn (string $on): array => array_column(
        Grown::diary(Grown::garden([], ['sown' => $on, 'stage' => 'plug']), now: 0.0)->days(Grown::day(0), Grown::day(200)),
        'key',
    );

    expect(array_values(array_filter($keys('2027-03-05'), static fn (string $k): bool => ! str_contains($k, 'check'))))
        ->toEqualCanonicalizing(array_values(array_filter($keys('2027-03-12'), static fn (string $k): bool => ! str_contains($k, 'check'))))
        ->and(array_unique($keys('2027-03-05')))->toHaveCount(count($keys('2027-03-05')));
});

it('asks for seed, plugs and feed of what is planted beyond the first', function () {
    $once = Grown::garden(['vessel' => 'tote-45']);
    $twice = Grown::garden(['vessel' => 'tote-45'], [[], ['crop' => 'basil', 'sown' => '2027-08-01']]);
    $needs = static fn ($garden): array => array_column(array_map(
        static fn ($n): array => [$n->key, $n->amount],
        Gardens::plan($garden)->needs(),
    ), 1, 0);
    $plants = Gardens::tubPlan($once)->plants->count;

    expect($needs($twice)['plug-stone-wool'] - $needs($once)['plug-stone-wool'])->toEqual($plants)
        ->and($needs($twice))->toHaveKey('seed-basil')->and($needs($once))->not->toHaveKey('seed-basil')
        ->and($needs($twice)['two-part-dry-a'])->toEqualWithDelta(2 * $needs($once)['two-part-dry-a'], 1e-9);
});

it('gives plants over from a nursery when their roots hang, and is no harvest', function () {
    $garden = Grown::garden(Grown::kinds()['nursery'], ['sown' => '2027-03-01']);
    $rocket = Gardens::library()->crops->get('rocket');
    $told = Grown::told(Grown::diary($garden, now: 0.0)->days(Grown::day(0), Grown::day(200)));
    $over = $rocket->daysSowToTransplant;

    expect(preg_grep('/ pick/', $told))->toBe([])
        ->and(max(array_map(intval(...), $told)))->toBeLessThanOrEqual($over)
        ->and(Grown::copy($garden)->forecast()[0]->end())->toBe(Grown::day($over) - 1);
});

it('says when a tub that nobody tops up falls dry under its plants, and promises no harvest of it', function () {
    $jar = ['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil', 'top_ups' => 'none'];
    $garden = Grown::garden($jar);
    $copy = Grown::copy($garden, [], 1.0);
    $course = $copy->forecast()[0];
    $dry = (int) $course->driesFrom($course->start);
    expect($course->fates[0]->firstHarvest)->toBeNull()->and($course->fates[0]->harvest)->toBe(0.0);

    $days = Grown::diary($garden, [], 1.0)->days(Grown::day(0), Grown::day(400));
    $kinds = array_count_values(array_column($days, 'kind'));
    [$item] = array_values(array_filter($days, static fn (Item $i): bool => str_ends_with($i->key, '/dry/1')));
    $before = $course->on($item->date);
    $missing = $before->tub()->fill - $before->after->volume;
    expect(isset($kinds['pick']) || isset($kinds['clear']))->toBeFalse()
        ->and($item->kind)->toBe('top-up')
        // Half of what is missing, while there is use in what is left, and looks go on until it is dry.
        ->and($item->litres)->toEqualWithDelta($missing / 2, 1e-9)
        ->and($before->after->volume)->toBeGreaterThanOrEqual($before->tub()->dryLitres)
        ->and($course->on($item->date + 1)->after->volume)->toBeLessThan($before->tub()->dryLitres)
        ->and($item->by)->toBe($item->date + 1)->and($item->by)->toBeLessThanOrEqual($dry)
        ->and(max(array_map(static fn (Item $i): int => $i->date, $days)))->toBeLessThanOrEqual($dry);

    // Topped up it stands longer, and the next one has a name of its own.
    $told = Grown::entry(5, '19:00', ['top_up_l' => 0.2]);
    $later = Grown::diary($garden, [$told], 6.0)->days(Grown::day(6), Grown::day(400));
    $next = array_values(array_filter($later, static fn (Item $i): bool => str_contains($i->key, '/dry/')));
    expect($next[0]->key)->toEndWith('/dry/2')->and($next[0]->date)->toBeGreaterThan($item->date);
});

it('lists as done what was done before noon, by the name that it was due under, and what comes next by the next', function () {
    $garden = Grown::garden(['reservoir_change' => 'never']);
    $of = static fn (array $entries, float $now): array => array_values(array_filter(
        Grown::diary($garden, $entries, $now)->days(Grown::day(0), Grown::day(40)),
        static fn (Item $i): bool => $i->kind === 'top-up',
    ));
    [$first] = $of([], 0.0);
    $day = $first->date - Grown::day(0);
    foreach (['08:00', '18:00'] as $time) {
        $entry = Grown::entry($day, $time, ['top_up_l' => $first->litres, 'did' => [$first->key]]);
        $items = $of([$entry], $day + 0.9);
        expect([$items[0]->key, $items[0]->done, $items[0]->date])->toBe([$first->key, $entry->id, $first->date])
            ->and($items[0]->litres)->toBe($first->litres)
            ->and($items[1]->done)->toBeNull()->and($items[1]->key)->toBe('tub.1/top-up/2')
            ->and($items[1]->date)->toBeGreaterThan($first->date);
    }
    // One that was late and is done the next morning stands for itself, and is not counted twice.
    $late = Grown::entry($day + 1, '08:00', ['top_up_l' => 2, 'did' => [$first->key]]);
    $items = $of([$late], $day + 1.9);
    expect([$items[0]->key, $items[0]->done])->toBe([$first->key, $late->id])->and($items[1]->key)->toBe('tub.1/top-up/2')
        ->and($items[1]->done)->toBeNull();
    // Two of one morning are two.
    $two = [Grown::entry($day, '07:00', ['top_up_l' => 1]), Grown::entry($day, '09:00', ['change' => true])];
    $all = Grown::diary($garden, $two, $day + 0.9)->days(Grown::day(0), Grown::day($day));
    expect(array_column($all, 'done'))->toContain($two[0]->id)->toContain($two[1]->id);
});
