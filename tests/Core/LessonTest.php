<?php

declare(strict_types=1);

use KelpTub\Core\Diary\Lesson;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Log\Entry;
use KelpTub\Core\Numbers\Dates;
use KelpTub\Core\Season\Season;
use Tests\Core\Gardens;
use Tests\Core\Grown;

// What a log taught: what it moves, and the figures of a crop of one's own that would say it from the start.

/**
 * What a grower reads every third evening of plants with a thirst of their own.
 *
 * @return list<Entry>
 */
function readEveryThirdDay(Garden $garden, float $drinks, int $until): array
{
    $feed = Gardens::fed($garden);
    $season = new Season($feed->season, $feed->weather, [], $drinks);
    $state = $season->start();
    $entries = [];
    for ($day = 0; $day <= $until; $day++) {
        $row = $season->step($state, $feed->season->policy);
        $state = $row->after;
        $says = $row->topUp > 0.0 ? ['top_up_l' => $row->topUp, 'top_up_ec' => $row->topUpEc] : [];
        if ($day % 3 === 0) {
            $says['level_mm'] = $feed->season->reservoir->levelFor($state->volume - $row->topUp);
        }
        if ($says !== []) {
            $entries[] = Grown::entry($day, '23:59', $says);
        }
    }

    return $entries;
}

/** A garden whose lettuce says so much otherwise, as a crop of the grower's own. */
function ownLettuce(array $figures): Garden
{
    $table = array_map(str_getcsv(...), file(__DIR__.'/../../data/crops.csv', FILE_IGNORE_NEW_LINES) ?: []);
    $row = array_combine($table[0], $table[1]);
    unset($row['key']);
    $row = array_map(static fn (string $v): string|float|int => is_numeric($v) ? $v + 0 : $v, $row);

    return Grown::garden(['crop' => 'mine'], ['crop' => 'mine'], ['library' => ['crops' => ['mine' => [...$row, ...$figures]]]]);
}

it('offers the water that was drunk as the figure of a crop of one’s own; grown by it nothing is left to learn', function (float $drinks) {
    $entries = readEveryThirdDay(Grown::garden(), $drinks, 24);
    $lesson = (new Lesson(Grown::copy(Grown::garden(), $entries)))->toReport();
    $mine = ownLettuce(['water_to_harvest_l' => $lesson->crop->figures[0]->is]);

    expect($lesson->crop)->crop->toBe('lettuce-leaf')->name->toBe('Leaf lettuce')
        ->and($lesson->crop->figures)->toHaveCount(1)
        ->and($lesson->crop->figures[0])->column->toBe('water_to_harvest_l')->was->toBe(3.8)
        ->is->toEqualWithDelta(3.8 * $drinks, 0.005)->from->toBe($lesson->use->intervals)
        ->and(Grown::copy($mine, $entries)->uses()?->factor)->toEqualWithDelta(1.0, 0.003)
        ->and((new Lesson(Grown::copy($mine, $entries)))->toReport())->crop->toBeNull();
})->with([1.3, 0.7]);

it('says when the next top-up is due by what was learned, and when it was by the crop’s own figures', function () {
    $garden = Grown::garden(['vessel' => 'bucket-10']);
    $entries = readEveryThirdDay($garden, 1.5, 15);
    $diary = Grown::copy($garden, $entries);
    $moves = (new Lesson($diary))->toReport()->moves;
    $next = static function (array $courses) use ($diary): string {
        foreach ($courses[0]->days as $day) {
            if ($day->date > $diary->today() && $day->day->topUp > 0.0) {
                return Dates::text($day->date);
            }
        }

        return '';
    };

    expect($moves)->kind->toBe('top-up')->date->toBe($next($diary->forecast()))->was->toBe($next($diary->base()))
        ->and($moves->date < $moves->was)->toBeTrue()
        ->and((new Lesson(Grown::copy($garden, readEveryThirdDay($garden, 1.0, 15))))->toReport()->moves)->toBeNull()
        ->and((new Lesson(Grown::copy($garden, array_slice($entries, 0, 3))))->toReport()->moves)->toBeNull();
});

it('offers nothing that differs by less than a twentieth', function () {
    $of = static fn (float $drinks): ?stdClass => (new Lesson(
        Grown::copy(Grown::garden(), readEveryThirdDay(Grown::garden(), $drinks, 24)),
    ))->toReport()->crop;

    expect($of(1.049))->toBeNull()->and($of(1.051))->not->toBeNull()->and($of(0.951))->toBeNull()->and($of(0.949))->not->toBeNull();
});

it('offers nothing of two crops that share their water', function () {
    $two = Grown::garden(['crops' => [['crop' => 'rocket', 'plants' => 2], ['crop' => 'mizuna', 'plants' => 2]]]);
    $lesson = (new Lesson(Grown::copy($two, readEveryThirdDay($two, 1.4, 24))))->toReport();

    expect($lesson->use->factor)->toBeGreaterThan(1.2)->and($lesson->crop)->toBeNull();
});

it('offers what was weighed as a yield when the harvest is over, and not before, nor what cannot be', function () {
    $forecast = Grown::copy(Grown::garden())->forecast()[0];
    $last = (int) ceil($forecast->fates[0]->lastHarvest) - Grown::day(0);
    $of = static fn (float $part, int $now): ?stdClass => (new Lesson(Grown::copy(Grown::garden(), [
        Grown::entry($last, '10:00', ['planting' => 'p0', 'harvest_g' => $part / 2 * $forecast->fates[0]->harvest]),
        Grown::entry($last, '11:00', ['planting' => 'p0', 'harvest_g' => $part / 2 * $forecast->fates[0]->harvest]),
    ], $now + 0.6)))->toReport()->crop;

    expect($of(0.8, $last)?->figures[0])->column->toBe('yield_g')->was->toBe(150.0)->is->toEqualWithDelta(120.0, 0.51)->from->toBe(2)
        ->and($of(0.8, $last - 2))->toBeNull()
        ->and($of(1.04, $last))->toBeNull()
        ->and($of(0.1, $last))->toBeNull()
        ->and($of(6.0, $last))->toBeNull();
});

it('takes a weight over from a fifth of the forecast on, to three digits', function () {
    $fate = Grown::copy(Grown::garden())->forecast()[0]->fates[0];
    $last = (int) ceil($fate->lastHarvest) - Grown::day(0);
    $of = static fn (float $part): ?stdClass => (new Lesson(Grown::copy(Grown::garden(), [
        Grown::entry($last, '10:00', ['planting' => 'p0', 'harvest_g' => $part * $fate->harvest]),
    ], $last + 0.6)))->toReport()->crop;

    expect($of(0.199))->toBeNull()->and($of(0.201)?->figures[0]->is)->toBe(30.2)->and($of(0.8333)?->figures[0]->is)->toBe(125.0)
        ->and($of(0.72345)?->figures[0]->is)->toBe(109.0);
});
