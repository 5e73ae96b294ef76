<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Garden;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Core\Gardens;

/** @return list<Finding> */
function findingsOf(Garden $garden): array
{
    $planner = Gardens::planner();

    return $planner->mended($planner->plan($garden));
}

/**
 * Applies every remedy of every finding by itself, plans again, and looks whether that finding is gone.
 *
 * @return array{int, list<string>} how many were tried, and those that did not mend
 */
function tryRemedies(Garden $garden): array
{
    $tried = 0;
    $failed = [];
    foreach (findingsOf($garden) as $finding) {
        foreach ($finding->remedies as $remedy) {
            $tried++;
            $document = json_decode((string) json_encode($garden->document));
            JsonPatch::import(json_decode((string) json_encode($remedy->patch)))->apply($document);
            $after = findingsOf(Gardens::reader()->fromDocument($document));
            foreach ($after as $left) {
                if ($left->code === $finding->code && $left->tub === $finding->tub) {
                    $failed[] = "$finding->code: $remedy->says → $left->says";
                }
            }
        }
    }

    return [$tried, $failed];
}

it('mends what it claims to mend', function (array $tub, array $garden, array $air) {
    [$tried, $failed] = tryRemedies(Gardens::tub($tub, $garden, $air));

    expect($failed)->toBe([])->and($tried)->toBeGreaterThan(0);
})->with([
    'light' => [['vessel' => 'tote-clear-35'], [], []],
    'sun and cold floor' => [[], ['site' => ['full_sun' => true, 'floor' => 'stone']], []],
    'bow' => [['vessel' => 'tote-90', 'water_line' => 'high-start'], [], []],
    'falls through' => [['hole_mm' => 58], [], []],
    'does not enter' => [['hole_mm' => 30], [], []],
    'wedged' => [['hole_mm' => 44], [], []],
    'bearing' => [['hole_mm' => 56], [], []],
    'cup too small' => [['crop' => 'tomato-dwarf'], [], []],
    'two sizes of cup, too many' => [
        [
            'vessel' => 'tote-45',
            'crops' => [['crop' => 'strawberry', 'plants' => 12], ['crop' => 'chives', 'plants' => 12]],
            'cups_2' => 'net-cup-75',
        ],
        [],
        [],
    ],
    'two sizes of cup by hand, too close' => [
        [
            'vessel' => 'tote-45',
            'cups_2' => 'net-cup-75',
            'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 65, 'y_mm' => 0, 'cup' => 2]]],
        ],
        [],
        [],
    ],
    'a second size that fits nowhere' => [
        [
            'vessel' => 'tote-45',
            'layout' => ['cups' => 6],
            'cups_2' => ['lip_diameter_mm' => 400, 'top_diameter_mm' => 380, 'bottom_diameter_mm' => 300, 'height_mm' => 100],
        ],
        [],
        [],
    ],
    'a hole that suits neither size' => [
        ['vessel' => 'tote-45', 'hole_mm' => 57.5, 'cups_2' => 'net-cup-75', 'layout' => ['cups' => 4]],
        [],
        [],
    ],
    'one of two crops in too small a cup' => [
        ['vessel' => 'tote-45', 'crops' => [['crop' => 'strawberry', 'plants' => 2], ['crop' => 'chives', 'plants' => 2]]],
        [],
        [],
    ],
    'too many' => [['layout' => ['cups' => 90]], [], []],
    'too many plants' => [['layout' => ['cups' => 4], 'plants' => 6], [], []],
    'over a third cut away' => [['vessel' => 'tote-45', 'layout' => ['cups' => 35]], [], []],
    'by hand, too close' => [
        [
            'vessel' => 'tote-45',
            'layout' => [
                'pattern' => 'manual',
                'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 40, 'y_mm' => 0], ['x_mm' => 284, 'y_mm' => 0]],
            ],
        ],
        [],
        [],
    ],
    'by hand, on a latch' => [
        ['vessel' => 'tote-30', 'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -215, 'y_mm' => 0]]]],
        [],
        [],
    ],
    'thin lid' => [['vessel' => 'bucket-5', 'crop' => 'chilli'], [], []],
    'crowded' => [['crop' => 'lettuce-leaf', 'layout' => ['cups' => 7]], [], []],
    'crowded and tight' => [['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'density' => 'tight', 'layout' => ['cups' => 20]], [], []],
    'little water' => [['vessel' => 'tote-12', 'crop' => 'basil', 'layout' => ['cups' => 6]], [], []],
    'dark' => [['crop' => 'basil'], ['site' => ['light_hours' => 8]], []],
    'passive, no' => [['system' => 'passive', 'crop' => 'celery', 'cup' => 'net-cup-75'], [], []],
    'passive, dry' => [['system' => 'passive', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]], [], []],
    'passive, dry jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'crop' => 'dill'], [], []],
    'passive, drowned' => [['system' => 'passive', 'crop' => 'dill', 'top_ups' => 'half'], [], []],
    'passive, no gap' => [['system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'chives', 'layout' => ['cups' => 1]], [], []],
    'no air' => [['crop' => 'basil'], [], ['none' => true]],
    'no stone' => [['crop' => 'basil', 'stones' => null], [], []],
    'siphon' => [[], [], ['check_valve' => false]],
    'weak' => [['stones' => ['kind' => 'disc-100', 'count' => 6]], [], ['pump' => 'pump-2w-1']],
    'starved' => [['stones' => ['kind' => 'disc-60-fine']], [], ['pump' => ['free_flow_l_min' => 2, 'max_pressure_kpa' => 6]]],
    'driven' => [['stones' => ['kind' => 'cylinder-25']], [], ['pump' => 'pump-8w-4']],
    'little oxygen' => [['crop' => 'cucumber', 'cup' => 'net-cup-75', 'stones' => ['kind' => 'cylinder-25']], [], ['pump' => 'pump-2w-1']],
    'far cup' => [['vessel' => 'tote-90'], [], []],
    'shallow' => [
        [
            'vessel' => 'crate-flat-28',
            'stones' => ['kind' => 'disc-100', 'height_mm' => 30],
            'water_line' => 'touch',
            'cup' => 'net-cup-38',
        ],
        [],
        [],
    ],
    'tube hole' => [['water_line' => 'high-start'], [], []],
]);

it('mends what it claims in many gardens', function () {
    mt_srand(20270301);
    $library = Gardens::library();
    $pick = fn (array $from) => $from[mt_rand(0, count($from) - 1)];
    $tried = 0;
    for ($i = 0; $i < 120; $i++) {
        $system = $pick(['aerated', 'aerated', 'passive', 'passive', 'raft', 'nursery']);
        $tub = [
            'system' => $system,
            'vessel' => $pick($library->vessels->keys()),
            'cup' => $pick($library->cups->keys()),
            'crop' => $pick($library->crops->keys()),
            'density' => $pick(['roomy', 'tight']),
            'layout' => ['pattern' => $pick(['best', 'grid', 'ring', 'staggered']), 'cups' => $pick(['max', 1, 2, 5, 12, 40])],
            'top_ups' => $pick(['none', 'level', 'quarter', 'half']),
        ];
        [$some, $failed] = tryRemedies(
            Gardens::tub(
                $tub,
                ['site' => [
                    'light_hours' => $pick([8, 14, 16]),
                    'floor' => $pick(['wood', 'stone']),
                    'water_temperature_c' => $pick([14, 20, 26]),
                ]],
                ['check_valve' => (bool) mt_rand(0, 1), 'pump' => $pick($library->pumps->keys())],
            ),
        );
        expect($failed)->toBe([], (string) json_encode($tub));
        $tried += $some;
    }
    expect($tried)->toBeGreaterThan(200);
});
