<?php

declare(strict_types=1);

use App\Library\LibraryFiles;
use Illuminate\Support\Facades\Route;
use KelpTub\Core\File\SchemaCheck;

// What the routes that compute answer, held to data/schemas/answers, from which the page's types are made.

/**
 * Gardens that bring out much of what may be answered: the demo, a bare one, and one that fares badly.
 *
 * @return list<string>
 */
function answered(): array
{
    $of = static fn (array $garden): string => (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, ...$garden]);

    return [
        demo(),
        $of(['units' => 'us', 'tubs' => [[
            'id' => 't', 'system' => 'raft', 'vessel' => 'tote-45', 'cup' => 'net-cup-50', 'crop' => 'basil',
        ]]]),
        $of(['money' => ['cap' => 12], 'feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'tubs' => [
            [
                'id' => 't', 'system' => 'aerated', 'vessel' => 'bucket-20', 'cup' => 'net-cup-50', 'crop' => 'kale', 'feed' => 'f',
                'stones' => ['kind' => 'disc-100', 'count' => 2],
            ],
            ['id' => 'jar', 'system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'crop' => 'dill', 'count' => 2],
        ], 'air' => [['id' => 'p', 'pump' => 'pump-2w-1', 'check_valve' => true, 'branches' => [['tub' => 't']]]]]),
        $of(['tubs' => [['id' => 't', 'system' => 'cloner', 'vessel' => 'tote-30', 'cup' => 'net-cup-50']]]),
    ];
}

/**
 * What is asked of a route, for a garden and one of its tubs: addresses and bodies.
 *
 * @return array<string, list<array{string, string}>>
 */
function questions(string $garden, string $tub): array
{
    $with = static fn (array $more): string => (string) json_encode([...$more, 'garden' => json_decode($garden)]);
    $days = ['day=0', 'day=30&trouble=clogged-stone&battery_wh=20', 'day=60'];

    return [
        'nothing' => [['nothing', '{}']],
        'layouts' => [["layouts?tub=$tub", $garden]],
        'apart' => [["apart?tub=$tub&mm=150", $garden]],
        'crops' => [["crops?tub=$tub", $garden]],
        'vessels' => [["vessels?tub=$tub", $garden]],
        'season' => [
            ['season', $with(['tub' => $tub, 'runs' => [
                ['policy' => ['top_ups' => 'quarter'], 'what_ifs' => ['heat@6x3+8']],
                ['leave' => ['day' => 5, 'days' => 40]],
            ]])],
            ['season', $with(['tub' => $tub, 'runs' => [new stdClass], 'seeds' => 3])],
        ],
        'season/correct' => [
            ['season/correct', $with(['tub' => $tub, 'now_ms_cm' => 0.5, 'wanted_ms_cm' => 1.4, 'litres' => 0.8])],
            ['season/correct', $with(['tub' => $tub, 'now_ms_cm' => 2.5, 'wanted_ms_cm' => 1.4, 'litres' => null, 'day' => 20])],
        ],
        'air' => array_map(static fn (string $day): array => ["air?tub=$tub&$day", $garden], $days),
        'pumps' => array_map(static fn (string $day): array => ["pumps?tub=$tub&$day", $garden], $days),
        'pumps/curve' => [['pumps/curve', '{"way": "box", "free_flow_l_min": 4, "max_pressure_kpa": 12}']],
        'cost' => [['cost', $garden]],
        'savings' => [['savings', $garden]],
        'prices/read' => [['prices/read', $with(['text' => "part,price\nnet-cup-50,0.35\nwhat,ever"])]],
        'prices/refresh' => [['prices/refresh', $with([])]],
        'parts' => [['parts?as=rows', $garden]],
        'build' => [["build?tub=$tub", $garden]],
        'cups' => [['cups', '{"hole_mm": 51}']],
        'edits/add' => [['edits/add', $with(['tub' => [
            'name' => 'New', 'system' => 'passive', 'vessel' => 'tote-20', 'cup' => 'net-cup-50', 'crop' => 'kale',
        ]])]],
        'edits/run' => [["edits/run?tub=$tub&system=passive", $garden]],
        'edits/nest' => [["edits/nest?tub=$tub&under=tote-90", $garden]],
        'edits/aerate' => [["edits/aerate?tub=$tub", $garden]],
        'edits/remove' => [["edits/remove?tub=$tub", $garden]],
        'edits/copy' => [["edits/copy?tub=$tub", $garden]],
        'edits/count' => [["edits/count?tub=$tub&count=2", $garden]],
        'advice' => [['advice', '{"vessel": "tote-45", "system": null, "crop": null}']],
        'read' => [['read', '{"units": "metric", "texts": [{"text": "2 3/8 in", "dimension": "length"}, {"text": "x", "dimension": "mass"},
            {"text": "5 mL/gal", "dimension": "label"}]}']],
        'meter/judge' => [['meter/judge', '{"what": "ph", "low": 4.01, "low_shown": 4.2, "high": 7.01, "high_shown": 7.0}']],
    ];
}

it('answers as the schema of its answers says', function () {
    $schema = clone app(LibraryFiles::class)->schema('answers');
    // One answer at a time.
    unset($schema->required);
    $check = new SchemaCheck($schema);
    $answered = [];
    foreach (answered() as $garden) {
        foreach (array_column(json_decode($garden)->tubs, 'id') as $tub) {
            foreach (questions($garden, $tub) as $name => $asked) {
                foreach ($asked as [$address, $body]) {
                    $answer = send('POST', "/api/$address", $body);
                    if ($answer->getStatusCode() === 200) {
                        $answered[$name] = ($answered[$name] ?? 0) + 1;
                        $said = (object) [$name => json_decode($answer->getContent())];
                        expect($check->faults($said))->toBe([], "$address: $body");
                    }
                }
            }
        }
    }
    // Nothing was asked in vain.
    expect(array_keys(array_diff_key(questions(demo(), 'x'), $answered)))->toBe([])
        ->and(min($answered))->toBeGreaterThan(5);
});

it('has a schema for every route that computes, found by itself', function () {
    $elsewhere = [
        // Schemas of their own, held to in tests of their own.
        'preview' => 'report', 'plan' => 'report', 'wish' => 'wish-answer', 'odds' => 'odds',
        'dry-runs' => 'dry-run', 'dry-runs/file' => 'dry-run', 'gardens/{garden}/days' => 'days', 'gardens/{garden}/diary' => 'diary',
        // Files.
        'build/print' => 'pdf', 'template' => 'pdf, svg, dxf',
        // An edit of a garden that is kept: as the other edits.
        'wish/into' => 'answers',
    ];
    // What keeps something is told in words where it is asked.
    $keeps = '#^(gardens$|gardens/\{|library/|everything|dry-runs/\{|sign-|join$|let-in$|people/)#';
    $routes = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        $address = str_starts_with($route->uri(), 'api/') ? substr($route->uri(), 4) : null;
        if ($address !== null && in_array('POST', $route->methods(), true) && preg_match($keeps, $address) !== 1) {
            $routes[] = $address;
        }
    }
    $told = array_keys(get_object_vars(app(LibraryFiles::class)->schema('answers')->properties));

    expect(array_values(array_diff($routes, $told, array_keys($elsewhere))))->toBe([])
        ->and(array_values(array_diff($told, $routes)))->toBe([])
        ->and(array_values(array_diff($told, array_keys(questions(demo(), 'x')), ['wish/into'])))->toBe([]);
});
