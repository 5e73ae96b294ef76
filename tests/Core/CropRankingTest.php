<?php

declare(strict_types=1);

use KelpTub\Core\WhatIf\CropRanking;
use Tests\Core\Gardens;

/** @return array<string, stdClass> by crop, in order */
function ranking(array $tub, array $garden = []): array
{
    $planned = Gardens::tub($tub, $garden);
    $ranked = (new CropRanking(Gardens::reader(), Gardens::planner(), Gardens::library()))->of($planned, $planned->tubs[0]);

    return array_combine(array_map(fn ($r) => $r->crop, $ranked), $ranked);
}

it('puts what does well before what does not, and says why', function () {
    $ranked = ranking(['system' => 'passive', 'vessel' => 'bucket-20', 'cup' => 'net-cup-50']);
    $order = array_flip(array_keys($ranked));

    // Lettuce is at home in still water; celery rots in it; a vine tomato drinks the bucket dry.
    expect($order['lettuce-leaf'])->toBeLessThan($order['celery'])
        ->and($order['lettuce-leaf'])->toBeLessThan($order['tomato-vine'])
        ->and($ranked['lettuce-leaf']->stops + $ranked['lettuce-leaf']->mends)->toBe(0)
        ->and($ranked['celery']->mends)->toBeGreaterThan(0)
        ->and($ranked['tomato-vine']->severity)->toBe('stop')
        ->and($ranked['tomato-vine']->says)->toContain('runs dry')
        ->and($ranked)->toHaveCount(41)
        ->and($ranked)->not->toHaveKey('soft-cuttings');
});

it('agrees with the plan of each crop by itself', function () {
    foreach (array_slice(ranking(['vessel' => 'tote-45']), 0, 6) as $crop => $ranked) {
        $report = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => $crop]))->tubs[0];
        expect($ranked->plants)->toBe($report->capacity->plants)
            ->and($ranked->harvest_day)->toBe($report->season->harvest_day);
    }
});

it('ranks by the water that is there: warm water first suits those that like it', function () {
    $cool = array_flip(array_keys(ranking([], ['site' => ['water_temperature_c' => 12]])));
    $warm = array_flip(array_keys(ranking([], ['site' => ['water_temperature_c' => 26]])));

    expect($cool['spinach'])->toBeLessThan($cool['basil'])
        ->and($warm['basil'])->toBeLessThan($warm['spinach']);
});

it('roots cuttings in a cloner and nothing else', function () {
    expect(array_keys(ranking(['system' => 'cloner', 'vessel' => 'tray-9', 'cup' => 'collar-35'])))->toBe(['soft-cuttings']);
});
