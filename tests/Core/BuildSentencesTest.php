<?php

declare(strict_types=1);

use KelpTub\Core\Marks\Build\BuildReport;
use Tests\Core\Gardens;

/*
 * Every step of every kind of tub, as it is read: what a tub has not is not spoken of, one of a thing is not called many, and a step
 * that a case asks for is there with its words.
 */

const FED = ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]];
const FED_BY_ONE = ['feeds' => [['id' => 'f', 'product' => 'one-part-liquid']]];

/**
 * All that a sheet says of a tub, and its steps by key.
 *
 * @param  array<string, mixed>  $tub
 * @param  array<string, mixed>  $garden
 * @return array{string, array<string, string>}
 */
function readAloud(array $tub, array $garden = []): array
{
    $garden = Gardens::tub($tub, $garden);
    $sheet = BuildReport::of(Gardens::plan($garden), $garden->tubs[0]);
    $steps = [];
    foreach ($sheet->steps as $step) {
        $figures = implode('; ', array_map(fn (stdClass $f): string => "$f->label $f->value", $step->figures));
        $steps[$step->key] = "$step->title. $step->does $figures. $step->done_when $step->if_not";
    }

    return [implode(' ', $steps).' '.implode('. ', array_column($sheet->days, 'does')), $steps];
}

dataset('tubs', [
    'a bucket' => [['crop' => 'basil', 'feed' => 'f'], FED],
    'fed from one bottle' => [['crop' => 'basil', 'feed' => 'f'], FED_BY_ONE],
    'a tote with meters' => [['vessel' => 'tote-45', 'crop' => 'mizuna', 'feed' => 'f', 'count' => 2], [...FED, 'testing' => 'meter']],
    'one hole' => [['crop' => 'tomato-dwarf', 'layout' => ['pattern' => 'single', 'cups' => 1]], []],
    'passive' => [['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf'], []],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil', 'feed' => 'f'], FED],
    'an adapter' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50', 'crop' => 'basil'], []],
    'a bottle' => [['system' => 'passive', 'vessel' => 'bottle-2', 'cup' => 'net-cup-50', 'crop' => 'basil'], []],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf'], []],
    'cuttings in collars' => [
        ['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cloner' => ['collar' => true]], [],
    ],
    'cuttings in plugs' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings'], []],
    'a nursery' => [['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'rocket', 'stones' => null], []],
    'a pair' => [['vessel' => 'bucket-19', 'under' => ['vessel' => 'bucket-30', 'blocks_mm' => 80], 'crop' => 'basil'], []],
    'sown in the cups' => [['crop' => 'rocket', 'started' => 'seed'], []],
    'bought, in pots of one’s own' => [['crop' => 'basil', 'started' => 'seedling', 'cup' => 'yoghurt-pot', 'cutting' => 'traced'], []],
    'in a tray, no plugs' => [['crop' => 'basil', 'plug' => 'none'], []],
    'drilled already' => [['cutting' => 'drilled', 'hole_mm' => 51, 'crop' => 'basil'], []],
    'a tub with places left' => [['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna', 'plants' => 3]], 'layout' => [
        'pattern' => 'best', 'cups' => 6,
    ]], []],
    'for no crop yet' => [['crop' => null], []],
    'in US units' => [['crop' => 'basil', 'feed' => 'f'], [...FED, 'units' => 'us']],
    'without a check valve' => [['crop' => 'basil'], ['air' => [
        ['id' => 'pump', 'pump' => 'pump-4w-2', 'check_valve' => false, 'height_mm' => 900, 'branches' => [['tub' => 'tub']]],
    ]]],
]);

it('speaks of nothing that the tub has not', function (array $tub, array $garden) {
    [$all, $steps] = readAloud($tub, $garden);
    $plan = Gardens::tubPlan($read = Gardens::tub($tub, $garden));
    $parts = array_column(Gardens::report($read)->parts, 'key');
    $isBoard = ($tub['system'] ?? '') === 'raft';
    $isMouth = $plan->cutting->inMouth;
    foreach (array_keys(array_filter([
        '/\bstones? bubble|\bair on\b|\bsoak the stone|shreds clog/i' => $plan->tub->water->stones === null,
        '/\bEC\b/' => ! in_array('ec-meter', $parts, true),
        '/two parts|one after another, stirred/' => ($garden['feeds'][0]['product'] ?? '') !== 'two-part-dry',
        '/\bplugs?\b/i' => array_filter($parts, fn (string $k): bool => str_starts_with($k, 'plug-')) === [],
        '/\bseeds?\b/i' => array_filter($parts, fn (string $k): bool => str_starts_with($k, 'seed-')) === [],
        '/\bpebbles?\b/i' => ! in_array('clay-pebbles', $parts, true),
        '/\bcollars?\b/i' => ! in_array('foam-collar', $parts, true),
        '/\bboards?\b/i' => ! $isBoard,
        '/\bknife\b/i' => ! in_array('knife', $parts, true),
        '/\bsaw\b/i' => array_filter($parts, fn (string $k): bool => str_starts_with($k, 'saw-')) === [] && ! $isMouth,
        '/\bcheck valve’s arrow|Fit the check valve/' => ! in_array('check-valve', $parts, true),
        '/\bpump\b/' => array_filter($parts, fn (string $k): bool => str_contains($k, 'pump')) === [],
        '/\bglass\b/i' => ! str_starts_with($tub['vessel'] ?? '', 'jar'),
        '/\bharvest\b/i' => $plan->plants->count === 0,
        '/\d.(mm|L|°C)\b(?! net cup)|litre|millimet/ui' => ($garden['units'] ?? '') === 'us',
    ])) as $words) {
        expect($all)->not->toMatch($words);
    }
    foreach ($steps as $key => $says) {
        expect($says)->not->toMatch('/  |\.\.|\.;|: \.|\b1 (plugs|plants|stones|holes|cups|days|tubs)\b|NAN|INF/', $key);
    }
})->with('tubs');

it('does not call one hole many, or several one', function () {
    [$one] = readAloud(['crop' => 'tomato-dwarf', 'layout' => ['pattern' => 'single', 'cups' => 1]]);
    [$many] = readAloud(['vessel' => 'tote-45', 'crop' => 'mizuna']);

    expect($one)->not->toMatch('/every (hole|cup|cross|pilot)|the rest\b|the crosses|each of the|Saw the holes/i')
        ->toContain('Saw the hole.', 'The cross is where the drawing has it.', 'Stand a stake by the plant')
        ->and($many)->toContain('Saw the holes.', 'Every cross is where', 'Then saw the rest.');
});

it('has the step that a case asks for, with its words', function (array $tub, string $step, string $says) {
    expect(readAloud(['crop' => 'basil', ...$tub], FED)[1][$step] ?? 'no such step')->toContain($says);
})->with([
    'cuttings are chosen first' => [
        ['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings'], 'young', 'without flowers',
    ],
    'cups are opened for collars' => [
        ['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cloner' => ['collar' => true]],
        'open-cups', 'floor out of each',
    ],
    'stems end where bubbles wet them' => [
        ['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cloner' => ['stem_below_cup_mm' => 15]],
        'plant', "15\u{202F}mm under",
    ],
    'young plants are looked at' => [['started' => 'seedling'], 'young', 'look under the leaves'],
    'cups of one’s own' => [['cup' => 'yoghurt-pot'], 'make-cups', "Cut slots no wider than 3\u{202F}mm"],
    'a disc for a jar' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50'], 'mark', 'Find the middle of the disc'],
    'a board' => [
        ['system' => 'raft', 'vessel' => 'tote-45', 'layout' => ['pattern' => 'single', 'cups' => 1]], 'mark', 'middle of the board',
    ],
    'glass' => [['system' => 'passive', 'vessel' => 'jar-1'], 'wash', 'rinse the glass with hot water'],
    'a jar alone keeps its batch' => [
        ['system' => 'passive', 'vessel' => 'jar-1', 'feed' => 'f'], 'feed', 'keep what is left for its top-ups',
    ],
    'jars share a batch' => [['system' => 'passive', 'vessel' => 'jar-1', 'feed' => 'f', 'count' => 3], 'feed', 'and share it'],
    'spoons for dry parts' => [['feed' => 'f'], 'feed', 'tsp, level'],
    'stakes' => [['crop' => 'chilli', 'count' => 2], 'support', 'Stakes'],
    'sown in the cups' => [['crop' => 'rocket', 'started' => 'seed'], 'plant', 'Sow in the cups'],
    'one stone, what to look for' => [[], 'wet-test', 'soak the stone longer'],
    'two stones, what to look for' => [['stones' => ['kind' => 'cylinder-50', 'count' => 2]], 'wet-test', 'Then change a stone'],
    'places that stay empty' => [
        ['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna', 'plants' => 3]], 'layout' => ['pattern' => 'best', 'cups' => 6]],
        'light-check', 'over the 3 holes that stay empty',
    ],
    'one place that stays empty' => [
        ['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna', 'plants' => 5]], 'layout' => ['pattern' => 'best', 'cups' => 6]],
        'light-check', 'over the hole that stays empty',
    ],
]);

it('lists a stake for each plant that wants one, and none where a trellis bears them', function (array $tub, ?float $stakes) {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'count' => 2, ...$tub]);
    $need = array_column(Gardens::report($garden)->parts, 'need', 'key')['stake'] ?? null;

    expect($need)->toBe($stakes === null ? null : $stakes * Gardens::tubPlan($garden)->plants->count * 2);
})->with([
    'chilli' => [['crop' => 'chilli'], 1.0],
    'on a trellis' => [['crop' => 'chilli', 'trellis' => true], null],
    'basil' => [['crop' => 'basil'], null],
]);

it('asks for a scale only where a small amount is weighed and no spoon is known', function (float $each, ?float $density, bool $listed) {
    $garden = Gardens::tub(['crop' => 'basil', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => [
        'name' => 'Own', 'parts' => [['name' => 'All', 'g_per_l' => $each, ...($density === null ? [] : ['density_g_ml' => $density])]],
    ]]]]);
    [, $steps] = readAloud(['crop' => 'basil', 'feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => [
        'name' => 'Own', 'parts' => [['name' => 'All', 'g_per_l' => $each, ...($density === null ? [] : ['density_g_ml' => $density])]],
    ]]]]);

    expect(in_array('scale', array_column(Gardens::report($garden)->parts, 'key'), true))->toBe($listed)
        ->and(str_contains($steps['feed'], 'on a pocket scale'))->toBe($listed);
})->with([
    // The bucket's first fill is 18.3 L, so it takes 9.2 g and 11 g.
    'weighed, little' => [0.5, null, true],
    'weighed, much' => [0.6, null, false],
    'by the spoon' => [0.5, 0.9, false],
]);
