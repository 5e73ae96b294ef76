<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Garden;
use Tests\Core\Corpus;
use Tests\Core\Gardens;

/** @return array<string, Garden> small gardens for what no garden of the corpus has cause to say */
function talkative(): array
{
    $hand = static fn (array ...$at): array => ['pattern' => 'manual', 'holes' => array_map(
        static fn (array $p): array => ['x_mm' => $p[0], 'y_mm' => $p[1], 'cup' => $p[2] ?? null],
        $at,
    )];
    $box = static fn (float $length, float $width, float $height, array $rest = []): array => [
        'kind' => 'tote',
        'stations' => array_map(
            static fn (float $at): array => ['height_mm' => $at, 'length_mm' => $length, 'width_mm' => $width],
            [0, $height],
        ),
        ...$rest,
    ];
    $moulded = $box(400, 300, 300, ['lid' => ['length_mm' => 420, 'width_mm' => 320, 'panels' => [array_map(
        static fn (array $p): array => ['x_mm' => $p[0], 'y_mm' => $p[1]],
        [[-200, -150], [200, -150], [-200, 150]],
    )]]]);
    $wide = ['lip_diameter_mm' => 300, 'top_diameter_mm' => 290, 'bottom_diameter_mm' => 200, 'height_mm' => 100];

    return [
        'far and short of oxygen' => Gardens::tub(
            ['vessel' => $box(580, 300, 250), 'crop' => 'basil', 'layout' => ['cups' => 8]],
            [],
            ['pump' => ['free_flow_l_min' => 0.3, 'max_pressure_kpa' => 12]],
        ),
        'crops short of water' => Gardens::tub([
            'vessel' => 'tote-12', 'crops' => [['crop' => 'basil', 'plants' => 4], ['crop' => 'dill', 'plants' => 4]],
        ]),
        'one with room' => Gardens::tub(['crop' => 'kale', 'layout' => ['cups' => 3]]),
        'windows apart' => Gardens::tub(
            ['vessel' => 'tote-45', 'crops' => [['crop' => 'spinach', 'plants' => 2], ['crop' => 'okra', 'plants' => 2]]],
        ),
        'a top-up that drowns' => Gardens::tub([
            'system' => 'passive', 'vessel' => $box(400, 300, 300), 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 6],
            'planned_top_ups' => [['day' => 21, 'litres' => 7]],
        ]),
        'too deep' => Gardens::tub(['vessel' => 'pail-3', 'cup' => [...$wide, 'lip_diameter_mm' => 58, 'top_diameter_mm' => 50,
            'bottom_diameter_mm' => 36, 'height_mm' => 280]]),
        'a second cup too deep and too wide' => Gardens::tub(['vessel' => 'bucket-10', 'cups_2' => $wide]),
        'a second cup higher' => Gardens::tub([
            'vessel' => 'tote-45', 'cup' => 'net-cup-100', 'cups_2' => 'net-cup-38', 'layout' => $hand([-150, 0, 1], [150, 0, 2]),
        ]),
        'one fits' => Gardens::tub(['vessel' => 'pail-3', 'layout' => ['cups' => 9]]),
        'one fits, two planted' => Gardens::tub(['vessel' => 'pail-3', 'crop' => 'basil', 'plants' => 2]),
        'fewer than asked' => Gardens::tub(['layout' => ['cups' => 90]]),
        'places uncut' => Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 11]]),
        'webs and edges' => Gardens::tub(
            ['vessel' => $box(400, 300, 300), 'hole_mm' => 54, 'layout' => $hand([0, 0], [65, 0], [199, 100])],
        ),
        'into the wall' => Gardens::tub(['vessel' => [...$box(300, 300, 300), 'lid' => ['length_mm' => 500, 'width_mm' => 500]],
            'layout' => $hand([160, 0])]),
        'near the wall' => Gardens::tub(['vessel' => [...$box(300, 300, 300), 'lid' => ['length_mm' => 500, 'width_mm' => 500]],
            'layout' => $hand([123, 0])]),
        'near a latch' => Gardens::tub(['vessel' => [...$box(400, 300, 300), 'lid' => [
            'length_mm' => 400, 'width_mm' => 300, 'keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'diameter_mm' => 40]],
        ]], 'layout' => $hand([52, 0])]),
        'the one by hand off the lid' => Gardens::tub(['vessel' => $box(400, 300, 300), 'layout' => $hand([190, 0])]),
        'a small lid cut away' => Gardens::tub(
            ['vessel' => $box(100, 100, 200), 'hole_mm' => 54, 'layout' => $hand([-20, 20], [20, -20])],
        ),
        'a board too thick' => Gardens::tub(
            ['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'rocket', 'raft' => ['thickness_mm' => 80]],
        ),
        'low blocks' => Gardens::tub(['under' => ['vessel' => $box(500, 500, 400), 'blocks_mm' => 40]]),
        'a tube pinched' => Gardens::tub(
            ['vessel' => $box(300, 300, 300), 'under' => ['vessel' => $box(313, 313, 380), 'blocks_mm' => 80]],
        ),
        'no water by hand' => Gardens::tub(['lowest_mm' => 340]),
        'no water by stones' => Gardens::tub(['vessel' => 'tray-9', 'stones' => ['kind' => 'disc-100', 'height_mm' => 200]]),
        'a fill that contradicts' => Gardens::tub(['vessel' => [...$box(400, 300, 300), 'fills' => array_map(
            static fn (array $f): array => ['litres' => $f[0], 'depth_mm' => $f[1]],
            [[6, 50], [12, 100], [24, 150], [24.1, 200]],
        )]]),
        'a shelf nearly full' => Gardens::tub([], ['site' => ['shelf_limit_kg' => 20]]),
        'much air and many roots' => Gardens::tub(
            ['vessel' => $box(200, 200, 180), 'crop' => 'cucumber', 'layout' => $hand([-50, -50], [50, -50], [-50, 50], [50, 50])],
            ['site' => ['water_temperature_c' => 30]],
            ['pump' => ['free_flow_l_min' => 3, 'max_pressure_kpa' => 30]],
        ),
        'air for a second' => Gardens::of([
            'tubs' => [
                ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'cup' => 'net-cup-75', 'crop' => 'cucumber',
                    'stones' => ['kind' => 'disc-100']],
                ['id' => 'b', 'system' => 'passive', 'vessel' => 'tote-20', 'cup' => 'net-cup-75', 'crop' => 'strawberry'],
            ],
            'air' => [['id' => 'p', 'pump' => 'pump-2w-1', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
        ]),
        // Opened all the way it would leave the other one short.
        'a valve closed beside another' => Gardens::of([
            'tubs' => array_map(static fn (string $id): array => [
                'id' => $id, 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => ['kind' => 'disc-100'], 'crop' => 'basil',
            ], ['a', 'b']),
            'air' => [['id' => 'p', 'pump' => ['free_flow_l_min' => 1.2, 'max_pressure_kpa' => 8], 'check_valve' => true, 'branches' => [
                ['tub' => 'a', 'valve' => 0], ['tub' => 'b', 'valve' => 0.4],
            ]]],
        ]),
        'a deep tub beside a shallow one' => Gardens::of([
            'tubs' => array_map(static fn (array $t): array => [
                'id' => $t[0], 'system' => 'aerated', 'vessel' => $t[0], 'stones' => ['kind' => $t[1]], 'crop' => 'basil',
            ], [['jar-2', 'hose-soft-200'], ['bucket-25', 'cylinder-50']]),
            'air' => [['id' => 'p', 'pump' => ['free_flow_l_min' => 6, 'max_pressure_kpa' => 19.9], 'check_valve' => true, 'branches' => [
                ['tub' => 'jar-2', 'distance_mm' => 300],
            ]]],
        ]),
        'a line that only still water has' => Gardens::tub(['crop' => 'lettuce-leaf', 'water_line' => 'third']),
        'drilled too wide' => Gardens::tub(['crop' => 'basil', 'cutting' => 'drilled', 'hole_mm' => 64, 'layout' => $hand([0, 0])]),
        'only the lid covered' => Gardens::tub(
            ['vessel' => $box(400, 300, 300, ['opacity' => 'clear', 'cover' => 'foil', 'cover_parts' => 'lid'])],
        ),
        'no hole yet' => Gardens::tub(['layout' => $hand()]),
        'a hole over a ridge' => Gardens::tub(['vessel' => $moulded, 'layout' => $hand([0, 0])]),
        'two holes over ridges' => Gardens::tub(['vessel' => $moulded, 'layout' => $hand([0, 60], [90, 60])]),
        'a little less water' => Gardens::tub(['vessel' => 'tote-20', 'crop' => 'kohlrabi', 'layout' => ['cups' => 4]]),
        'nothing lives' => Gardens::of(['site' => ['air_temperature_c' => -9], 'tubs' => array_map(static fn (string $id) => [
            'id' => $id, 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'basil',
        ], ['a', 'b'])]),
        'four lean out' => Gardens::tub(['crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]]),
        'a trickle' => Gardens::tub([], [], ['pump' => ['free_flow_l_min' => 1, 'max_pressure_kpa' => 5.691]]),
        'a nursery fed twice' => Gardens::tub(['system' => 'nursery', 'crop' => 'basil', 'stones' => ['kind' => 'cylinder-25']]),
        'a nursery with nothing else' => Gardens::tub(['system' => 'nursery', 'crop' => 'basil', 'stones' => null]),
        ...feedGardens(),
        'a pump by the sun' => Gardens::tub(
            ['vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 6], 'stones' => ['kind' => 'disc-100', 'count' => 2]],
            [],
            ['pump' => 'pump-solar-2'],
        ),
        'dim under a lamp' => Gardens::tub(['vessel' => 'tote-45', 'crop' => 'basil', 'layout' => ['cups' => 3]], ['site' => [
            'light_hours' => 8,
            'lamp' => ['power_w' => 120, 'umol_j' => 2.4, 'height_mm' => 300, 'length_mm' => 300, 'width_mm' => 300],
        ]]),
        'own crop that says little' => Gardens::tub(
            ['crop' => '008'],
            ['library' => ['crops' => ['008' => [
                ...array_diff_key(get_object_vars(Gardens::library()->crops->raw('basil')), ['least_air_c' => 1, 'light_mol_day' => 1]),
                'name' => 'Bo\'s basil',
            ]]]],
        ),
        'own crop' => Gardens::tub(
            ['crop' => '007', 'vessel' => 'tote-12', 'layout' => ['cups' => 6]],
            ['library' => ['crops' => ['007' => [...get_object_vars(Gardens::library()->crops->raw('basil')), 'name' => 'Ada\'s Basil']]]],
        ),
    ];
}

/** @return array<string, KelpTub\Core\Garden\Garden> in which feed and season have something to say */
function feedGardens(): array
{
    $fed = static fn (array $tub, array $feed = [], array $garden = []): KelpTub\Core\Garden\Garden => Gardens::tub(
        ['crop' => 'basil', 'layout' => ['cups' => 3], 'feed' => 'f', ...$tub],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry', ...$feed]], ...$garden],
    );
    $dry = ['site' => ['air_temperature_c' => 30, 'humidity_pct' => 25]];
    $dull = ['site' => ['air_temperature_c' => 16, 'humidity_pct' => 80]];
    $out = ['site' => [
        'setting' => 'open', 'full_sun' => true,
        'weather' => ['kind' => 'typical', 'climate' => 'subtropical-humid', 'seed' => 3, 'start' => '2027-06-01'],
    ]];

    return [
        'salty water' => $fed([], [], ['water' => ['ec_ms_cm' => 1.9]]),
        'no EC on the packet, and a stone it clogs' => $fed(['stones' => ['kind' => 'disc-60-fine']], ['product' => 'organic-liquid']),
        'organic in still water' => $fed(['system' => 'passive', 'vessel' => 'jar-2'], ['product' => 'organic-liquid']),
        'soft water' => $fed([], ['product' => 'one-part-liquid'], ['water' => ['source' => 'ro']]),
        'the label from the start' => $fed([], ['strength' => 'simple', 'product' => 'one-part-dry']),
        'strong' => $fed(['reservoir_change' => 'never', 'top_up_strength' => 'feed'], [], $dry),
        'strong, monthly' => $fed(['reservoir_change' => 'monthly', 'top_up_strength' => 'water', 'crop' => 'chard'], [], $dry),
        'strong, two-weekly' => $fed(['top_up_strength' => 'water', 'crop' => 'chard', 'vessel' => 'pail-3'], [], $dry),
        'strong in still water' => $fed(
            ['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 4]],
            ['strength' => 'simple'],
            ['site' => ['air_temperature_c' => 34, 'humidity_pct' => 20]],
        ),
        'weak' => $fed(['reservoir_change' => 'never', 'crop' => 'kale'], [], $dull),
        'weak, monthly' => $fed(['reservoir_change' => 'monthly', 'crop' => 'kale', 'top_up_strength' => 'feed'], [], $dull),
        'dry' => $fed(['vessel' => 'pail-3', 'top_ups' => 'none', 'reservoir_change' => 'never', 'crop' => 'kale']),
        'nobody raises what it waits for' => $fed(['started' => 'nursery']),
        'a nursery that raises too few' => Gardens::of(['tubs' => [
            ['id' => 'out', 'system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'basil', 'started' => 'nursery'],
            ['id' => 'kin', 'system' => 'nursery', 'vessel' => 'tote-30', 'crop' => 'basil', 'layout' => ['cups' => 2]],
        ]]),
        'thirsty' => $fed(['vessel' => 'pail-3', 'crop' => 'courgette', 'layout' => ['cups' => 1]]),
        'out in the weather' => $fed(['crop' => 'lettuce-leaf', 'top_ups' => 'none', 'reservoir_change' => 'never'], [], $out),
        'weak, mended by a month' => $fed(
            ['crop' => 'rocket', 'layout' => ['cups' => 2], 'reservoir_change' => 'never', 'top_up_strength' => 'water'],
            [],
            ['site' => ['air_temperature_c' => 30, 'humidity_pct' => 25]],
        ),
        'rained in' => $fed([
            'crop' => 'thyme', 'layout' => ['cups' => 2], 'top_ups' => 'none', 'reservoir_change' => 'never',
            'vessel' => [
                'stations' => array_map(
                    static fn (int $h): array => ['height_mm' => $h, 'length_mm' => 900, 'width_mm' => 600],
                    [0, 160],
                ),
                'lid' => ['length_mm' => 920, 'width_mm' => 620],
            ],
        ], [], ['site' => [
            'setting' => 'open',
            'weather' => ['kind' => 'typical', 'climate' => 'tropical', 'seed' => 3, 'start' => '2027-06-01'],
        ]]),
        'frost' => $fed(['crop' => 'lettuce-leaf'], [], ['site' => [
            'setting' => 'open', 'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-01-05'],
        ]]),
        'freezing water' => $fed([], [], ['site' => ['water_temperature_c' => 0]]),
        'too cool to grow' => $fed(['crop' => 'okra'], [], ['site' => ['air_temperature_c' => 5.1, 'water_temperature_c' => 22]]),
        'cool' => $fed(['crop' => 'okra'], [], ['site' => ['air_temperature_c' => 14]]),
        'low and not dry' => $fed([
            'vessel' => 'tote-45', 'crop' => 'kale', 'layout' => ['cups' => 3], 'top_ups' => 'none', 'reservoir_change' => 'never',
            'lowest_mm' => 190,
        ]),
        'dark in the sun' => $fed(['crop' => 'lettuce-leaf', 'vessel' => [
            'opacity' => 'opaque', 'stations' => [['height_mm' => 0, 'diameter_mm' => 260], ['height_mm' => 300, 'diameter_mm' => 280]],
        ]], [], ['site' => ['setting' => 'open', 'full_sun' => true, 'air_temperature_c' => 29]]),
        'stones in still water' => Gardens::tub(['system' => 'passive', 'crop' => 'basil', 'stones' => ['kind' => 'disc-100']]),
        'into the empty tub' => $fed([], ['empty_tub' => true]),
        'strong peroxide' => $fed([], ['peroxide_mg_l' => 30, 'peroxide_pct' => 35]),
        'peroxide with what lives' => $fed([], ['peroxide_mg_l' => 30, 'product' => 'organic-liquid']),
        'no pH, hard water' => $fed([], ['ph_school' => 'none'], ['water' => ['ec_ms_cm' => 0.7]]),
    ];
}

/** @return list<string> all that is said of these gardens, each once; thin spaces as plain ones */
function saidOf(array $gardens): array
{
    $said = [];
    foreach ($gardens as $garden) {
        $report = Gardens::report($garden);
        foreach ($report->findings as $finding) {
            $said = [...$said, $finding->says, $finding->why, ...array_map(fn ($r) => $r->says, $finding->remedies)];
        }
        foreach ($report->tubs as $tub) {
            $said = [...$said, ...array_values(get_object_vars($tub->workings))];
        }
    }

    return array_map(fn (string $text) => str_replace("\u{202F}", ' ', $text), array_values(array_unique($said)));
}

/** @return array<string, string> pieces of sentences as they stand in the code, by file and line */
function piecesInCode(): array
{
    $pieces = [];
    $core = dirname(__DIR__, 2).'/core';
    foreach ([...glob("$core/Marks/*/*{Rules,Workings,Remedies}.php", GLOB_BRACE) ?: [], "$core/Garden/AirEdits.php"] as $file) {
        foreach (PhpToken::tokenize((string) file_get_contents($file)) as $token) {
            $text = match ($token->id) {
                T_CONSTANT_ENCAPSED_STRING => stripslashes(substr($token->text, 1, -1)),
                T_ENCAPSED_AND_WHITESPACE => $token->text,
                default => '',
            };
            if (strlen($text) > 8 && str_contains(trim($text), ' ')) {
                $pieces[basename($file).":$token->line"] = str_replace(['u{202F}', '\\$'], [' ', '$'], $text);
            }
        }
    }

    return $pieces;
}

it('says each of its sentences somewhere, and says them well', function () {
    $said = saidOf([...Corpus::gardens(), ...talkative()]);
    $all = implode("\n", $said);
    $unsaid = [];
    foreach (piecesInCode() as $where => $piece) {
        $parts = preg_split('/%(?:\d\$)?[sd]/', str_replace('%%', '%', $piece)) ?: [];
        if (preg_match('/'.implode('.*?', array_map(fn (string $p): string => preg_quote($p, '/'), $parts)).'/iu', $all) !== 1) {
            $unsaid[] = "$where $piece";
        }
    }
    expect($unsaid)->toBe([])->and(count(piecesInCode()))->toBeGreaterThan(250);
    $odd = [
        'a number below zero that is no warmth' => '/(?<![\w.])[-−]\d(?![\d.]* °)/u',
        'one of many' => '/(?<![\d.,])1 (days|cups|holes|plants|stones|hours|minutes|gardens)\b/u',
        'many of one' => '/\b(?:[2-9]|\d{2,}) (day|cup|hole|stone|hour|minute)\b/u',
        'a flow that is none' => '/(?<![\d.,])0 (L\/min|L\/h|L an hour)/u',
        'the same twice' => '/(?<!just )(?<![\d.,\/])(\d+(?:\.\d+)? (?:mm|L|mL|kg|L\/min|mg\/L))(?:;| and \w+ wants?) \1/u',
        'a per cent apart' => '/\d%/u',
        'not a number' => '/\b(NAN|INF|nan|inf)\b/u',
        'two spaces' => '/  |\s[.,;]/u',
        'no beginning' => '/^[a-zà-ý]/u',
        'no end' => '/[a-z]\.\.|,\.|;\./u',
    ];
    foreach ($odd as $what => $pattern) {
        expect(preg_grep($pattern, $said))->toBe([], $what);
    }
});

it('leaves the names that a grower gave as they are, and puts those of the Library into the sentence', function () {
    $said = implode(' ', saidOf([talkative()['own crop'], talkative()['crops short of water'], talkative()['a board too thick']]));

    expect($said)->toContain('Ada\'s Basil wants')->not->toContain('ada\'s basil');
});

it('writes pounds and feet for those who measure in inches, and nothing else beside them', function () {
    $us = array_map(
        static fn (array $tub): Garden => Gardens::tub($tub, ['units' => 'us', 'site' => ['load' => 'roof']]),
        [[], ['vessel' => 'tote-45', 'crop' => 'mizuna'], ['system' => 'passive', 'crop' => 'lettuce-leaf', 'layout' => ['cups' => 5]]],
    );
    $said = implode(' ', saidOf($us));

    expect($said)->toContain('lb/ft²')->not->toMatch('/\d (kg|kg\/m²|mm|°C)\b/u');
});
