<?php

declare(strict_types=1);

use KelpTub\Core\Log\Calibration;
use KelpTub\Core\Marks\Days\MeterReader;

// Two fluids and what a probe shows in them: the line through both puts right what it shows, and its slope says how good it is.

function calibrated(string $what, float $low, float $lowShown, float $high, float $highShown): Calibration|array
{
    return Calibration::of($what, (object) [
        'at' => '2027-04-18T08:00', 'low' => $low, 'low_shown' => $lowShown, 'high' => $high, 'high_shown' => $highShown,
    ]);
}

it('puts both fluids right, and what lies between and beyond them', function () {
    // Shows 0.2 too much at 7 and 90 % of each pH.
    $of = calibrated('ph', 4.0, 4.5, 7.0, 7.2);

    expect($of->slope())->toEqualWithDelta(0.9, 1e-12)
        ->and($of->true(4.5))->toEqualWithDelta(4.0, 1e-12)
        ->and($of->true(7.2))->toEqualWithDelta(7.0, 1e-12)
        ->and($of->true(6.3))->toEqualWithDelta(6.0, 1e-12)
        ->and($of->true(0.0))->toBe(0.0);
});

it('brings back what any straight probe was held into', function () {
    mt_srand(11);
    for ($i = 0; $i < 200; $i++) {
        [$slope, $off, $is] = [0.7 + mt_rand(0, 400) / 1000, mt_rand(-900, 900) / 1000, 3 + mt_rand(0, 700) / 100];
        $shows = static fn (float $ph): float => 7 + $off + $slope * ($ph - 7);
        $of = calibrated('ph', 4.01, $shows(4.01), 7.0, $shows(7.0));
        expect($of->true($shows($is)))->toEqualWithDelta($is, 1e-9)->and($of->slope())->toEqualWithDelta($slope, 1e-9);
    }
});

it('judges the slope, just under and just over', function (string $what, float $slope, string $word) {
    $of = $what === 'ph' ? calibrated('ph', 4.0, 4.0, 7.0, 4.0 + 3.0 * $slope) : calibrated('ec', 0.5, 0.5, 1.5, 0.5 + $slope);
    expect($of->word())->toBe($word)->and($of->says())->toStartWith('Its slope is '.(int) round($slope * 100).' %');
})->with([
    ['ph', 1.051, 'doubtful'], ['ph', 1.049, 'good'], ['ph', 0.921, 'good'], ['ph', 0.919, 'tired'], ['ph', 0.851, 'tired'],
    ['ph', 0.849, 'spent'], ['ec', 1.251, 'doubtful'], ['ec', 1.249, 'good'], ['ec', 0.801, 'good'], ['ec', 0.799, 'tired'],
]);

it('refuses fluids that tell nothing', function (string $what, float $low, float $lowShown, float $high, float $highShown, string $why) {
    $wrong = calibrated($what, $low, $lowShown, $high, $highShown);
    expect($wrong)->toBeArray()->and(implode(' ', $wrong))->toContain($why);
})->with([
    'one fluid twice' => ['ph', 7, 7, 7, 7, 'this one is the higher'],
    'the lower given as the higher' => ['ph', 7, 7, 4, 4, 'this one is the higher'],
    'too near' => ['ph', 6.0, 6, 7.4, 7.4, 'too near to 6'],
    'too near in EC' => ['ec', 1.0, 1, 1.29, 1.29, 'too near to 1'],
    'changed over' => ['ph', 4, 6.9, 7, 4.1, 'changed over'],
    'stands still' => ['ec', 0.5, 1.1, 1.4, 1.1, 'stands still'],
]);

it('takes fluids that lie just far enough apart', function () {
    expect(calibrated('ph', 5.5, 5.5, 7.0, 7.0))->toBeInstanceOf(Calibration::class)
        ->and(calibrated('ec', 1.0, 1.0, 1.3, 1.3))->toBeInstanceOf(Calibration::class);
});

it('takes one meter for each copy of a tub that is there', function () {
    $document = static fn (array $meters): stdClass => json_decode((string) json_encode([
        'tubs' => [['id' => 'a', 'count' => 2]], 'meters' => $meters,
    ]));
    $said = static fn (array $meters): string => implode('; ', array_map(strval(...), MeterReader::faults($document($meters))));
    $fluids = ['at' => '2027-04-18T08:00', 'low' => 4, 'low_shown' => 4.1, 'high' => 7, 'high_shown' => 7.1];

    expect($said([['tub' => 'a', 'probe' => 'x', 'ph' => $fluids], ['tub' => 'a', 'copy' => 2, 'probe' => 'x']]))->toBe('')
        ->and($said([['tub' => 'a', 'probe' => 'x'], ['tub' => 'a', 'copy' => 1, 'probe' => 'y']]))->toContain('another meter stands')
        ->and($said([['tub' => 'a', 'copy' => 3, 'probe' => 'x']]))->toContain('/meters/0/copy')
        ->and($said([['tub' => 'b', 'probe' => 'x']]))->toContain('/meters/0/tub')
        ->and($said([['tub' => 'a', 'probe' => 'x', 'ph' => ['high' => 4.2] + $fluids]]))->toContain('/meters/0/ph/high')
        ->and($said([['tub' => 'a', 'probe' => 'x', 'ph' => ['at' => 'noon'] + $fluids]]))->toContain('/meters/0/ph/at')
        ->and(MeterReader::of($document([['tub' => 'a', 'probe' => 'x', 'ec' => $fluids]]))[0]->ec?->slope())->toEqualWithDelta(1.0, 1e-9);
});
