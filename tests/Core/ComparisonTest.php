<?php

declare(strict_types=1);

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\WhatIf\Comparison;
use KelpTub\Core\WhatIf\SingleTub;
use KelpTub\Core\WhatIf\VesselRanking;
use Tests\Core\Gardens;

/** @return array<string, mixed> */
function twoTubs(): array
{
    return ['tubs' => [
        ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'count' => 2, 'crop' => 'kale', 'stones' => ['kind' => 'disc-100']],
        ['id' => 'b', 'system' => 'passive', 'vessel' => 'tote-12', 'crop' => 'rocket', 'top_ups' => 'quarter'],
    ], 'air' => [['id' => 'p', 'pump' => 'pump-8w-4', 'check_valve' => true, 'branches' => [['tub' => 'a']]]]];
}

it('adds up what is compared, and takes the least of what has to be watched', function () {
    $plan = Gardens::plan(Gardens::of(twoTubs()));
    $findings = Gardens::planner()->findings($plan);
    $figures = Comparison::of($plan, $findings);
    [$a, $b] = array_values($plan->get(TubPlans::class)->tubs);

    expect($figures->tubs)->toBe(3)
        ->and($figures->plants)->toBe(2 * $a->plants->count + $b->plants->count)
        ->and($figures->working_l)->toEqualWithDelta(2 * $a->water->working() + $b->water->working(), 1e-9)
        ->and($figures->litres_per_plant)->toEqualWithDelta($figures->working_l / $figures->plants, 1e-9)
        ->and($figures->mass_kg)->toEqualWithDelta(2 * $a->fittings->weight->kg + $b->fittings->weight->kg, 1e-9)
        ->and($figures->label_l)->toBe(2 * 20.0 + 12.0)
        ->and($figures->plants_per_m2)->toEqualWithDelta(
            $figures->plants / (2 * M_PI * ($a->cutting->lid->outline->length / 1000) ** 2 / 4 + $b->cutting->lid->outline->area() / 1e6),
            1e-9,
        )
        ->and($figures->harvest_day)->toBe(max($a->water->use?->harvestDay, $b->water->use?->harvestDay))
        ->and($figures->oxygen_mg_l)->toBe($plan->get(AirPlans::class)->tubs['a']->balance?->steady())
        ->and($figures->days_between_fills)->toBe(min($a->water->daysBetweenFills(), $b->water->daysBetweenFills()))
        ->and([$figures->outlay, $figures->per_plant])->toBe(
            [$plan->get(CostPlan::class)->budget->outlay, $plan->get(CostPlan::class)->budget->perPlant],
        )
        ->and($figures->stops + $figures->mends + $figures->minds)->toBe(count($findings));
});

it('counts days between fills by the share after which a school tops up', function () {
    $days = fn (string $topUps) => Gardens::tubPlan(
        Gardens::tub(['system' => 'passive', 'vessel' => 'tote-12', 'crop' => 'rocket', 'top_ups' => $topUps, 'layout' => ['cups' => 4]]),
    )->water->daysBetweenFills();
    $plan = Gardens::tubPlan(Gardens::tub(['system' => 'passive', 'vessel' => 'tote-12', 'crop' => 'rocket', 'layout' => ['cups' => 4]]));

    expect($days('none'))->toEqualWithDelta($plan->water->usable() / $plan->water->use?->peakDaily(), 1e-9)
        ->and($days('level'))->toEqualWithDelta($days('none') / 3, 1e-9)
        ->and($days('half'))->toEqualWithDelta($days('none') / 2, 1e-9)
        ->and(TopUps::Quarter->usedShare())->toBe(TopUps::Level->usedShare());
});

it('takes a tub out of its garden as it is, with its air', function () {
    $garden = Gardens::of(twoTubs());
    $alone = Gardens::reader()->fromDocument(SingleTub::alone($garden, $garden->tubs[0]));
    $passive = SingleTub::alone($garden, $garden->tubs[1]);

    expect(json_encode(Gardens::report($alone)->tubs[0]))->toBe(json_encode(Gardens::report($garden)->tubs[0]))
        ->and(Gardens::report($alone)->air)->toHaveCount(1)
        ->and($passive->air)->toBe([])
        // The garden itself is as it was.
        ->and($garden->document->tubs)->toHaveCount(2);
});

it('ranks vessels as each would be planned by itself', function () {
    $garden = Gardens::of(twoTubs());
    $vessels = array_intersect_key(Gardens::library()->vessels->documents(), array_flip(['bucket-10', 'tote-45', 'jar-1', 'tub-70-round']));
    $ranked = (new VesselRanking(Gardens::reader(), Gardens::planner()))->of($garden, $garden->tubs[0], $vessels);

    expect(array_column($ranked, 'vessel'))->toEqualCanonicalizing(array_keys($vessels));
    foreach ($ranked as $item) {
        $tub = Gardens::report(
            Gardens::of(
                [
                    'tubs' => [
                        [
                            'id' => 'a',
                            'system' => 'aerated',
                            'count' => 2,
                            'vessel' => $item->vessel,
                            'crop' => 'kale',
                            'stones' => ['kind' => 'disc-100'],
                        ],
                    ],
                    'air' => twoTubs()['air'],
                ],
            ),
        )->tubs[0];
        expect($item->plants)->toBe($tub->capacity->planted)->and($item->working_l)->toEqualWithDelta($tub->volume->working_l, 1e-9);
    }
});

it('divides nothing among no plants', function () {
    $plan = Gardens::plan(Gardens::of(['tubs' => []]));

    expect(Comparison::of($plan, [])->litres_per_plant)->toBeNull();
});
