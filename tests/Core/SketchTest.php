<?php

declare(strict_types=1);

use KelpTub\Core\Marks\Tub\Sketch;
use Tests\Core\Gardens;

it('draws every copy of every tub with its water and what grows in it', function () {
    $garden = Gardens::of(['tubs' => [
        ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil', 'count' => 2],
        ['id' => 'b', 'system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'dill'],
    ]]);
    $plan = Gardens::plan($garden);
    $sketch = Sketch::of($plan);
    $report = Gardens::report($garden)->tubs;

    expect(array_column(array_column($sketch, 'crop'), 'key'))->toBe(['basil', 'basil', 'dill'])
        ->and($sketch[0]->water)->toBe($report[0]->levels->water_line_mm)->and($sketch[2]->water)->toBe($report[1]->levels->water_line_mm)
        ->and($sketch[0]->stations)->toEqual($report[0]->shape->stations)
        ->and([$sketch[0]->plants, $sketch[2]->plants])->toBe([3, 1])
        ->and($sketch[0]->crop->habit)->toBe('herb')->and($sketch[0]->crop->spacing)->toBe(180.0);
});

it('draws no more than tell a garden from another', function () {
    $sketch = Sketch::of(Gardens::plan(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna', 'count' => 11])));

    expect($sketch)->toHaveCount(10)->and($sketch[0]->plants)->toBe(4);
});
