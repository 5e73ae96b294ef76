<?php

declare(strict_types=1);

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Days\Frost;
use KelpTub\Core\Days\Item;
use KelpTub\Core\Diary\Succession;
use KelpTub\Core\Diary\Supply;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Numbers\Dates;
use Tests\Core\Gardens;
use Tests\Core\Grown;

// A head a week: when to sow, in which cups, and from which week on it cannot be.

function succession(Garden $garden, string $crop, ?float $plants, string $from, string $to, ?float $grams = null, int $now = 0): stdClass
{
    $supply = new Supply($plants, $grams, Dates::number($from), Dates::number($to));

    return Succession::of(Grown::diary($garden, [], (float) $now), cropOf($garden, $crop), $supply)->toReport();
}

function cropOf(Garden $garden, string $key): Crop
{
    return Gardens::library()->crops->get($key);
}

/** @return list<array{string, string}> tub and set-in day against its harvest, as the diary forecasts it once it is planted */
function plantedAs(Garden $garden, stdClass $report): array
{
    $document = clone $garden->document;
    $document->plantings = array_map(static function (stdClass $planting, int $i): stdClass {
        $planting->id = "s$i";

        return $planting;
    }, $report->plantings, array_keys($report->plantings));
    $read = Gardens::reader()->fromDocument($document);
    $diary = Grown::diary($read, [], 0.0);
    $harvests = [];
    foreach ($diary->planted() as [$tub, $copy]) {
        $of = $diary->copy($tub, $copy);
        foreach ($of->forecast() as $course) {
            foreach ($course->fates as $i => $fate) {
                $harvests[$of->copy->courses()->growing[$i]->planting->id] = $fate->firstHarvest;
            }
        }
    }

    return $harvests;
}

const ONE_CUP = ['system' => 'aerated', 'vessel' => 'bucket-20', 'layout' => ['pattern' => 'single', 'cups' => 1]];

const TOTE = ['system' => 'aerated', 'vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 6]];

it('sows a head a week so that each week has its own, and no cup two plants at a time', function () {
    $garden = Grown::garden(TOTE, [[]], ['plantings' => []]);
    $report = succession($garden, 'lettuce-leaf', 1, '2027-05-01', '2027-07-31');

    expect($report->sowings)->toHaveCount(14)->and($report->missed)->toBe([]);
    foreach ($report->sowings as $n => $sowing) {
        $week = Dates::number('2027-05-01') + 7 * $n;
        $raised = Dates::number($sowing->set_in) - Dates::number($sowing->sown);
        expect(Dates::number($sowing->harvest))->toBeGreaterThanOrEqual($week)->toBeLessThan($week + 7)
            ->and($sowing->cups)->toHaveCount(1)
            ->and($raised)->toBe(cropOf($garden, 'lettuce-leaf')->daysSowToTransplant);
        foreach (array_slice($report->sowings, $n + 1) as $later) {
            expect($later->cups !== $sowing->cups || $later->set_in > $sowing->last)->toBeTrue();
        }
    }
    expect($report->cups_most)->toBeGreaterThan(2)->toBeLessThanOrEqual(6);
});

it('is forecast as it was promised once it is planted', function () {
    $garden = Grown::garden(TOTE, [[]], ['plantings' => []]);
    $report = succession($garden, 'lettuce-leaf', 1, '2027-05-01', '2027-06-30');
    $harvests = plantedAs($garden, $report);

    expect($harvests)->toHaveCount(count($report->sowings));
    foreach ($report->sowings as $n => $sowing) {
        // What stands beside them drinks with them: a few days lie between.
        expect(abs($harvests["s$n"] - Dates::number($sowing->harvest)))->toBeLessThan(5.0);
    }
});

it('says from which week on cups are too few, and how many plants are missing', function () {
    $one = Grown::garden(ONE_CUP, [[]], ['plantings' => []]);
    $report = succession($one, 'lettuce-leaf', 1, '2027-05-01', '2027-06-30');

    expect($report->missed)->not->toBe([])->and($report->missed[0]->why)->toBe('cups')->and($report->missed[0]->plants)->toBe(1)
        ->and($report->missed[0]->week)->toBe('2027-05-08')
        ->and($report->cups_most)->toBe(1);
    // The cup is used again as soon as it is free.
    expect(count($report->sowings))->toBeGreaterThan(1);
});

it('leaves cups alone in which something stands already', function () {
    $garden = Grown::garden(TOTE, [['cups' => [1, 2, 3, 4, 5]]]);
    $cups = array_merge(...array_column(succession($garden, 'lettuce-leaf', 1, '2027-03-28', '2027-04-18', now: -60)->sowings, 'cups'));
    expect(array_unique($cups))->toBe([6]);
});

it('begins nothing before today, and says that it is too late for the first weeks', function () {
    $garden = Grown::garden(TOTE, [[]], ['plantings' => []]);
    $report = succession($garden, 'lettuce-leaf', 1, '2027-03-01', '2027-06-01', now: 0);

    expect($report->missed[0])->toEqual((object) ['week' => '2027-03-01', 'why' => 'late', 'plants' => 1])
        ->and(min(array_column($report->sowings, 'sown')) >= Grown::START)->toBeTrue();
});

it('takes as many plants as a weight a week asks for', function () {
    $garden = Grown::garden(TOTE, [[]], ['plantings' => []]);
    $head = succession($garden, 'lettuce-leaf', 1, '2027-05-01', '2027-05-07')->sowings[0]->harvest_g;
    $count = static fn (float $grams): int => count(
        succession($garden, 'lettuce-leaf', null, '2027-05-01', '2027-05-07', $grams)->sowings[0]->cups,
    );

    expect($head)->toBeGreaterThan(50.0)->and($count($head * 0.99))->toBe(1)->and($count($head * 1.01))->toBe(2)
        ->and($count($head * 2.99))->toBe(3);
});

it('plants what bears on only when what bore before is over', function () {
    $garden = Grown::garden(['crop' => 'basil'] + TOTE, [[]], ['plantings' => []]);
    $report = succession($garden, 'basil', 1, '2027-05-01', '2027-09-30');
    $crop = cropOf($garden, 'basil');

    expect(count($report->sowings))->toBeLessThan(8)->toBeGreaterThan(1);
    for ($n = 1; $n < count($report->sowings); $n++) {
        expect(Dates::number($report->sowings[$n]->harvest) - Dates::number($report->sowings[$n - 1]->last))
            ->toBeGreaterThanOrEqual(-7)->toBeLessThanOrEqual(14);
    }
    expect($crop->repeats)->toBeTrue();
});

it('fills copies one after another, and several of them for one week where it must', function () {
    $garden = Grown::garden(['count' => 3] + ONE_CUP, [[]], ['plantings' => []]);
    $sowings = succession($garden, 'lettuce-leaf', 2, '2027-05-01', '2027-05-06')->sowings;
    expect(array_column($sowings, 'copy'))->toBe([1, 2]);
});

it('keeps out of frost where tubs stand in the open', function () {
    $site = ['setting' => 'open', 'frost' => ['last' => '05-15', 'first' => '10-10']];
    $garden = Grown::garden(TOTE, [[]], ['plantings' => [], 'site' => $site]);
    $report = succession($garden, 'lettuce-leaf', 1, '2027-05-01', '2027-11-30');
    expect(min(array_column($report->sowings, 'set_in')) >= '2027-05-15')->toBeTrue()
        ->and(max(array_column($report->sowings, 'harvest')) <= '2027-10-10')->toBeTrue()
        ->and(array_values(array_unique(array_column($report->missed, 'why'))))->toBe(['frost']);
    $indoor = Grown::garden(TOTE, [[]], ['plantings' => [], 'site' => ['setting' => 'indoor'] + $site]);
    expect(array_column(succession($indoor, 'lettuce-leaf', 1, '2027-05-01', '2027-05-20')->missed, 'why'))->not->toContain('frost');
});

it('knows the warm season of either half of the earth', function (string $last, string $first, string $from, string $to, bool $free) {
    expect((new Frost($last, $first))->isFree(Dates::number($from), Dates::number($to)))->toBe($free);
})->with([
    ['05-15', '10-10', '2027-05-15', '2027-10-10', true], ['05-15', '10-10', '2027-05-14', '2027-06-01', false],
    ['05-15', '10-10', '2027-10-01', '2027-10-11', false], ['05-15', '10-10', '2027-11-01', '2027-12-01', false],
    ['09-20', '05-10', '2027-12-01', '2028-02-01', true], ['09-20', '05-10', '2027-04-01', '2027-05-10', true],
    ['09-20', '05-10', '2027-04-01', '2027-05-11', false], ['09-20', '05-10', '2027-06-01', '2027-06-02', false],
    ['09-20', '05-10', '2027-09-20', '2028-05-10', true], ['09-20', '05-10', '2027-10-01', '2028-05-11', false],
]);

it('says of what stands in the open when frost is usual', function () {
    $site = ['setting' => 'open', 'frost' => ['last' => '03-10', 'first' => '03-20']];
    $says = static fn (array $site): array => array_filter(
        Grown::diary(Grown::garden([], [[]], ['site' => $site]), [], -20.0)->days(Dates::number('2027-02-01'), Dates::number('2027-12-31')),
        static fn (Item $i): bool => str_contains("$i->says $i->why", 'Frost is usual'),
    );
    expect(array_values(array_map(static fn (Item $i): string => Dates::text($i->date)." $i->kind", $says($site))))
        ->toBe(['2027-03-01 set-in', '2027-03-20 frost'])
        ->and($says(['setting' => 'indoor'] + $site))->toBe([]);
});

it('refuses a frost on no day of the year', function () {
    $read = static fn (string $day): Garden => Gardens::reader()->fromDocument(
        Grown::garden([], [[]], ['site' => ['frost' => ['last' => $day]]])->document,
    );
    expect(fn () => $read('02-30'))->toThrow('/site/frost/last')->and($read('02-29')->name)->toBeString();
});
