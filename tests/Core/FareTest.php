<?php

declare(strict_types=1);

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Season\Absence;
use KelpTub\Core\Season\Acidity;
use KelpTub\Core\Season\ChangeSchool;
use KelpTub\Core\Season\Fare;
use KelpTub\Core\Season\Looks;
use KelpTub\Core\Season\Nobody;
use KelpTub\Core\Season\Policy;
use KelpTub\Core\Season\Season;
use KelpTub\Core\Season\SeasonState;
use KelpTub\Core\Season\SteadyWeather;
use KelpTub\Core\Season\TopUpStrength;
use KelpTub\Core\Season\WeatherDay;
use Tests\Core\Gardens;

it('fares by oxygen: all from 5 on, 0.3 at 2, nothing at 1', function (?float $oxygen, float $leaves) {
    expect(Fare::byOxygen($oxygen))->toEqualWithDelta($leaves, 1e-12);
})->with([[null, 1.0], [9.0, 1.0], [5.0, 1.0], [3.5, 0.65], [2.0, 0.3], [1.5, 0.15], [1.0, 0.0], [0.2, 0.0]]);

it('fares by feed: all of it 0.4 about what the crop likes at its stage, 0.4 at 1.5 further', function (
    ?float $ec,
    Stage $stage,
    float $leaves,
) {
    // Basil likes 1.0 to 1.8, young from 0.5 on.
    expect(Fare::byEc($ec, Gardens::library()->crops->get('basil'), $stage))->toEqualWithDelta($leaves, 1e-12);
})->with([
    [null, Stage::Grow, 1.0], [0.6, Stage::Grow, 1.0], [2.2, Stage::Grow, 1.0], [0.3, Stage::Grow, 1 - 0.6 * 0.2],
    [0.1, Stage::Seedling, 1.0], [0.0, Stage::Seedling, 1 - 0.6 * 0.1 / 1.5], [2.95, Stage::Bloom, 0.7], [3.7, Stage::Grow, 0.4],
    [9.0, Stage::Grow, 0.4], [0.0, Stage::Sprouting, 1.0], [5.0, Stage::Sprouting, 1.0],
]);

it('fares by pH: all of it 0.5 about the window, 0.4 at 2 further', function (?float $ph, float $leaves) {
    expect(Fare::byPh($ph, Gardens::library()->crops->get('basil')))->toEqualWithDelta($leaves, 1e-12);
})->with([[null, 1.0], [5.0, 1.0], [7.0, 1.0], [8.0, 0.7], [9.0, 0.4], [12.0, 0.4], [4.0, 0.7]]);

it('fares by the air over still water', function (float $gap, bool $past, bool $drowned, float $leaves) {
    expect(Fare::byGap($gap, $past, $drowned))->toBe($leaves);
})->with([
    [9.9, true, false, 0.5], [10.0, true, false, 1.0], [9.9, false, false, 1.0], [40.0, false, true, 0.7], [9.0, true, true, 0.5],
]);

it('drowns what a refill takes more than half of its air from', function (float $before, float $after, bool $drowns) {
    expect(Fare::drowns($before, $after))->toBe($drowns);
})->with([[40.0, 19.9, true], [40.0, 20.0, false], [0.0, -10.0, false], [-3.0, -10.0, false], [10.0, -10.0, true]]);

it('lets pH drift to that of the water, the faster the harder it is', function (float $source, float $ec, float $after) {
    expect((new Acidity($source, 5.8, $ec))->afterDay(5.8))->toEqualWithDelta($after, 1e-12);
})->with([
    [7.4, 0.4, 5.8 + 0.08 * 1.6], [7.4, 0.2, 5.8 + 0.04 * 1.6], [7.4, 0.8, 5.8 + 0.16 * 1.6], [7.4, 3.0, 5.8 + 0.16 * 1.6], [7.4, 0.0, 5.8],
]);

it('mixes pH by litres, at the target where it is tested and at the water\'s where it is not', function () {
    expect((new Acidity(7.4, 5.8, 0.4))->mixed(6.2, 15.0, 5.0))->toEqualWithDelta((6.2 * 15 + 5.8 * 5) / 20, 1e-12)
        ->and((new Acidity(7.4, null, 0.4))->mixed(6.2, 15.0, 5.0))->toEqualWithDelta((6.2 * 15 + 7.4 * 5) / 20, 1e-12)
        ->and((new Acidity(7.4, null, 0.4))->poured)->toBe(7.4)->and((new Acidity(7.4, 5.65, 0.4))->poured)->toBe(5.65);
});

it('loses a week to a refill that drowned roots, and no more', function () {
    $garden = Gardens::tub([
        'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4], 'feed' => 'f',
        'planned_top_ups' => [['day' => 20, 'litres' => 9]],
    ], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]);
    $run = Gardens::fed($garden)->run();
    $before = $run->tub->reservoir->levelFor($run->days[20]->volume() - $run->days[20]->topUp);
    expect(Fare::drowns($run->tub->gapAt($before), $run->gap(20)))->toBeTrue();
    foreach (range(15, 30) as $day) {
        // By the air alone: half where the cup hangs within 10 mm of the water from half-way on, else 0.7 in that week.
        $air = min($day >= 20 && $day <= 26 ? 0.7 : 1.0, $run->gap($day) < 10.0 && $day + 1 > 16 ? 0.5 : 1.0);
        $rest = Fare::byEc($run->days[$day]->ec(), $run->tub->stands[0]->crop, Stage::Grow)
            * Fare::byPh($run->days[$day]->after->ph, $run->tub->stands[0]->crop);
        expect($run->days[$day]->fare())->toEqualWithDelta($air * $rest, 1e-12);
    }
});

it('dies on the day after three evenings without oxygen, where it is aerated', function (string $system, ?int $days) {
    // Cucumbers in a bucket with no air at all: the surface does not do.
    $garden = Gardens::tub(
        [
            'system' => $system, 'vessel' => 'bucket-10', 'crop' => 'cucumber', 'cup' => 'net-cup-75', 'layout' => ['cups' => 2],
            'stones' => null,
        ],
        ['site' => ['water_temperature_c' => 26]],
        [],
    );
    $run = Gardens::fed($garden)->run();
    $airless = array_keys(array_filter($run->days, fn ($d): bool => ($d->oxygen ?? 9.0) < 1.0));
    expect($airless)->not->toBe([]);
    if ($days === null) {
        expect($run->killedOn())->toBeNull();

        return;
    }
    expect($run->killedOn())->toBe($airless[0] + $days)->and($run->days[$airless[0] + $days - 1]->fare())->toBe(0.0);
})->with([['aerated', 3], ['raft', null]]);

it('keeps what was picked before a crop died, and loses what it never came to', function () {
    // Basil comes to its first harvest on day 32 and would be picked for 60 days more; a hot spell ends it on day 50.
    $garden = Gardens::tub(['crop' => 'basil', 'layout' => ['cups' => 2], 'feed' => 'f'], [
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => ['water_temperature_c' => 21],
    ]);
    $fed = Gardens::fed($garden);
    $of = fn (string $whatIf) => $fed->with([KelpTub\Core\Season\SeasonEvent::read($whatIf, 92.0)])->run();
    [$late, $early] = [$of('heat@50x3+20'), $of('heat@20x3+20')];
    expect($late->killedOn())->toBeGreaterThanOrEqual(50)->and($late->harvestDay())->toBe(32.0)->and($late->lastDay())->toBeNull()
        ->and($late->harvested())->toBeGreaterThan(0.0)
        ->and($early->killedOn())->toBeGreaterThanOrEqual(20)->and($early->harvestDay())->toBeNull()->and($early->harvested())->toBe(0.0)
        ->and($early->looks(count($early->days) - 1))->toBe(Looks::Dead);
});

it('strengthens once after a turn, unless a change comes within three days', function (string $change, int $stronger) {
    $run = Gardens::fed(Gardens::tub(
        ['crop' => 'lettuce-leaf', 'layout' => ['cups' => 3], 'feed' => 'f', 'reservoir_change' => $change, 'top_up_strength' => 'feed'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ))->run();
    $days = array_keys(array_filter($run->days, fn ($d): bool => $d->stronger > 0.0));
    expect(count($days))->toBe($stronger);
    foreach ($days as $day) {
        // Lettuce: young up to 0.15 of 32 days, so its stage turns on the evening of day 4; roots reach the water by then.
        expect($day)->toBe(4)->and($run->days[$day]->ec())->toEqualWithDelta(1.1, 1e-9)
            ->and($run->days[$day]->after->volume)->toEqualWithDelta($run->days[$day - 1]->after->volume - $run->days[$day]->use, 1e-9);
    }
})->with([['never', 1], ['monthly', 1], ['two-weekly', 1], ['weekly', 0]]);

it('strengthens nothing that is filled once, nor where the label counts, nor where nobody wants it', function (array $tub, array $feed) {
    $run = Gardens::fed(Gardens::tub(
        ['crop' => 'lettuce-leaf', 'layout' => ['cups' => 3], 'feed' => 'f', 'reservoir_change' => 'never', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry', ...$feed]]],
    ))->run();
    expect(array_sum(array_map(fn ($d): float => $d->stronger, $run->days)))->toBe(0.0);
})->with([
    [['system' => 'passive'], []], [['top_ups' => 'none'], []], [[], ['strength' => 'simple']], [['strengthening' => false], []],
]);

it('is filled once where nobody puts anything in', function (TopUps $topUps, ChangeSchool $change, array $planned, bool $once) {
    expect((new Policy($topUps, TopUpStrength::Half, $change, $planned))->isOneFill())->toBe($once);
})->with([
    [TopUps::None, ChangeSchool::Never, [], true], [TopUps::Level, ChangeSchool::Never, [], false],
    [TopUps::None, ChangeSchool::Monthly, [], false],
    [TopUps::None, ChangeSchool::Never, [new KelpTub\Core\Season\TopUp(3.0, 1.0)], false],
]);

it('wants air over still water from half-way on, and not before', function () {
    // One lettuce in a large tub: its water hardly falls. On day 15 it has come half-way, on day 16 past it.
    $run = Gardens::fed(Gardens::tub(
        ['system' => 'passive', 'vessel' => 'tote-90', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 1], 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ))->run();
    $air = fn (int $day): float => $run->days[$day]->fare() / Fare::byPh($run->days[$day]->after->ph, $run->tub->stands[0]->crop);
    expect($run->gap(18))->toBeLessThan(10.0)->and($air(15))->toEqualWithDelta(1.0, 1e-9)->and($air(16))->toEqualWithDelta(0.5, 1e-9);
});

it('leaves to a change what it would stir in within three days, and not within four', function (string $crop, array $stirred) {
    // Changes on the evenings of days 13, 27, 41. Chilli turns on that of day 9 and blooms on that of day 38; sweet pepper on 10 and 41.
    $run = Gardens::fed(Gardens::tub(
        ['vessel' => 'tote-45', 'crop' => $crop, 'cup' => 'net-cup-75', 'layout' => ['cups' => 1], 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-fruit-dry']]],
    ))->run();
    expect(array_keys(array_filter($run->days, fn ($d): bool => $d->stronger > 0.0)))->toBe($stirred);
})->with([['chilli', [9]], ['sweet-pepper', []]]);

it('stirs nothing in for a tenth of a millisiemens', function (float $under, bool $stirs) {
    $season = Gardens::fed(Gardens::tub(
        ['crop' => 'lettuce-leaf', 'layout' => ['cups' => 2], 'feed' => 'f', 'reservoir_change' => 'never'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ))->season;
    $day = (new Season($season, new SteadyWeather(new WeatherDay(21, 55, 16))))->run()->days[12];
    $evening = $day->after->asRead(null, 1.1 - $under, null, null);
    $turned = new SeasonState(...[...get_object_vars($evening), 'turned' => true]);
    expect($season->policy->deeds($season, $turned)->stronger > 0.0)->toBe($stirs);
})->with([[0.05, false], [0.15, true]]);

it('is fed for the crop that is named first, of those that come to harvest together', function (array $crops, bool $blooms) {
    // Kale and bush beans both take 45 days; beans bloom.
    $run = Gardens::fed(Gardens::tub([
        'vessel' => 'tote-90', 'cup' => 'net-cup-75', 'crops' => array_map(fn (string $c): array => ['crop' => $c, 'plants' => 1], $crops),
    ]))->run();
    // Until both have come to their harvest.
    $stages = array_map(fn ($d): string => $d->after->stage->value, array_slice($run->days, 0, 44));
    expect(in_array('bloom', $stages, true))->toBe($blooms);
})->with([[['bush-bean', 'kale'], true], [['kale', 'bush-bean'], false]]);

it('has no young stage in still water that is topped up, and one where it is filled once or aired', function (array $tub, Stage $stage) {
    $fed = Gardens::fed(Gardens::tub(
        ['crop' => 'basil', 'layout' => ['cups' => 1], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ));
    expect([$fed->stage(), $fed->season->stage(0, 1.0), $fed->season->stage(0, 20.0)])->toBe([$stage, $stage, Stage::Grow]);
})->with([
    [['system' => 'passive', 'top_ups' => 'quarter'], Stage::Grow], [['system' => 'passive', 'reservoir_change' => 'weekly'], Stage::Grow],
    [['system' => 'passive'], Stage::Seedling], [[], Stage::Seedling],
    [['system' => 'passive', 'planned_top_ups' => [['day' => 9, 'litres' => 0.5]]], Stage::Grow],
]);

it('keeps one at home for oxygen, and for what would die', function () {
    $of = fn (array $tub, array $site): array => [
        $garden = Gardens::tub(['crop' => 'cucumber', 'cup' => 'net-cup-75', 'layout' => ['cups' => 1], ...$tub], ['site' => $site]),
        Gardens::fed($garden),
    ];
    // Oxygen falls as the roots grow: from the first evening on one may be away until it is under five, whatever there is to drink.
    [, $fed] = $of(['vessel' => 'tote-90'], ['water_temperature_c' => 27]);
    $run = $fed->run();
    $away = (new Absence($fed->with([]), $run, null, 5.0))->from(0);
    $alone = $fed->with([])->run(new Nobody, $run->days[0]->after);
    expect($away)->toBeGreaterThan(3)->toBeLessThan(count($run->days) - 1)
        ->and($alone->days[$away - 1]->oxygen)->toBeGreaterThanOrEqual(5.0)
        ->and(min($alone->days[$away]->oxygen, 5.0) < 5.0 || $alone->days[$away]->volume() < $run->tub->dryLitres)->toBeTrue();
    // Frost on day 13 of a winter: nobody may be away over it.
    $winter = ['setting' => 'open', 'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-01-05']];
    $frozen = Gardens::fed(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 6]], ['site' => $winter]));
    $run = $frozen->run();
    expect($run->killedOn())->toBe(13)->and((new Absence($frozen->with([]), $run, null, 5.0))->from(4))->toBe(8);
});

it('fills still water that seeds are sown in at its one strength', function () {
    $run = Gardens::fed(Gardens::tub(
        ['system' => 'passive', 'crop' => 'basil', 'layout' => ['cups' => 2], 'feed' => 'f', 'started' => 'seed'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ))->run();
    expect($run->start->stage)->toBe(Stage::Sprouting)->and($run->start->ec())->toBeGreaterThanOrEqual(1.0);
});

it('finds warm water from three days on end, and not from two', function () {
    $seen = [];
    for ($seed = 0; $seed < 120 && count($seen) < 2; $seed++) {
        $garden = Gardens::tub(['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]], ['site' => [
            'setting' => 'covered',
            'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => $seed, 'start' => '2027-07-01'],
        ]]);
        [$longest, $now, $most] = [0, 0, 0.0];
        foreach (Gardens::fed($garden)->run()->days as $day) {
            $now = $day->water() > 27.0 ? $now + 1 : 0;
            [$longest, $most] = [max($longest, $now), max($most, $day->water())];
        }
        if ($most <= 30.0 && ($longest === 2 || $longest === 3)) {
            $said = array_map(fn ($f): string => $f->code, Gardens::planner()->findings(Gardens::plan($garden)));
            expect(in_array('season.warm', $said, true))->toBe($longest === 3);
            $seen[$longest] = true;
        }
    }
    expect(count($seen))->toBe(2);
});

it('thirsts as it would drink of water without end', function () {
    $short = Gardens::fed(Gardens::tub(['system' => 'passive', 'vessel' => 'jar-2', 'crop' => 'basil', 'top_ups' => 'none']))->run();
    $harvest = $short->harvestDay();
    $full = Gardens::fed(Gardens::tub(['system' => 'passive', 'vessel' => 'jar-2', 'crop' => 'basil', 'top_ups' => 'level']))->run();

    expect($short->drunk($harvest))->toBeLessThan($short->thirst($harvest) - 0.5)
        ->and($short->thirst($harvest))->toEqualWithDelta($full->drunk($harvest), 1e-9)
        ->and($full->thirst($harvest))->toEqualWithDelta($full->drunk($harvest), 1e-9);
});

it('names the first of days that are alike as the lowest and the highest', function () {
    // Changed every week from the day on which it is grown, a tub goes through the same week again and again.
    $run = Gardens::fed(Gardens::tub(['crop' => 'chives', 'reservoir_change' => 'weekly', 'top_ups' => 'none']))->run();
    $range = $run->ecRange();
    $ecs = array_map(fn ($d): float => $d->ec() ?? 0.0, $run->days);
    $lows = array_keys(array_filter($run->days, fn ($d): bool => abs($d->oxygen - $run->oxygenLow()[0]) < 1e-9));

    expect($range['high'])->toBe(max($ecs))->and($range['low'])->toBe(min($run->start->ec(), ...$ecs))
        ->and(count($lows))->toBeGreaterThan(1)
        ->and($run->oxygenLow()[1])->toBe($lows[0])
        ->and($run->oxygenLow()[0])->toBe(min(array_map(fn ($d): float => $d->oxygen, $run->days)));
});

it('tells the lowest gap of all evenings', function () {
    $run = Gardens::fed(Gardens::tub(['system' => 'passive', 'crop' => 'lettuce-leaf']))->run();
    $gaps = array_map(fn ($day): float => $run->tub->gapAt($day->level), $run->days);

    expect($run->lowestGap())->toBe(min($gaps))->and(min($gaps))->toBeLessThan(max($gaps));
});
