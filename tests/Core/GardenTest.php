<?php

declare(strict_types=1);

use App\Library\LibraryKind;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\PartCheck;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\File\SchemaFit;
use KelpTub\Core\File\SchemaParts;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Vessel\VesselKind;
use Tests\Core\Gardens;

it('fills in the defaults', function () {
    $garden = Gardens::of(
        ['tubs' => [
            [
                'id' => 'a',
                'system' => 'passive',
                'vessel' => [
                    'stations' => [
                        ['height_mm' => 0, 'length_mm' => 300, 'width_mm' => 200],
                        ['height_mm' => 150, 'length_mm' => 320, 'width_mm' => 220],
                    ],
                ],
            ],
        ]],
    );
    $tub = $garden->tubs[0];

    expect($garden->units->value)->toBe('metric')
        ->and($garden->site->waterTemperatureC)->toBe(20.0)
        ->and($garden->of(MoneyWish::class)->currency)->toBe('EUR')
        ->and($garden->of(MoneyWish::class)->cap)->toBeNull()
        ->and($tub->name)->toBe('a')
        ->and($tub->count)->toBe(1)
        ->and($tub->water->line()->value)->toBe('touch')
        ->and($tub->water->topUps->value)->toBe('none')
        ->and($tub->holes->cup->key)->toBe('net-cup-50')
        ->and($tub->body->vessel->kind)->toBe(VesselKind::Tote)
        ->and($tub->body->lid->outline->length)->toBe(320.0)
        ->and($tub->body->lid->thickness)->toBe(2.5)
        ->and($tub->body->vessel->floor)->toBe(3.0)
        ->and($tub->body->tubeThroughLid)->toBeFalse()
        ->and(Gardens::of([])->tubs)->toBe([]);
});

it('keeps unknown keys, empty objects and the point of a number', function () {
    $json = '{"format":"kelp-tub.garden","version":1,"name":"ä ⅜ </script>","later":{"x":1.0,"e":{},"l":[]},"tubs":[]}';

    expect(GardenFile::encode(Gardens::reader()->read($json)->document))->toBe($json);
});

it('refuses what is no garden, and says why', function (string $json, string $fault) {
    expect(implode("\n", Gardens::faults($json)))->toContain($fault);
})->with([
    'nothing' => ['', 'is empty'],
    'no JSON' => ['{"format": "kelp', 'is not JSON'],
    'a list' => ['[]', 'is not an object'],
    'another format' => ['{"format":"seed-list","version":1}', '/format: is "seed-list"; this is not a garden file'],
    'no format' => ['{}', '/format: is missing'],
    'a newer version' => [
        '{"format":"kelp-tub.garden","version":2}',
        '/version: is 2; this Kelp Tub reads version 1. Open it with a newer one',
    ],
    'too large' => [str_repeat(' ', 2_000_001), 'a garden file has at most 2 MB'],
    'too deep' => [str_repeat('{"a":', 100).'1'.str_repeat('}', 100), 'is not JSON'],
]);

/** @param  array<string, mixed>  $tub */
function faultsOf(array $tub, array $garden = []): string
{
    return implode(
        "\n",
        Gardens::faults(
            (string) json_encode(
                [
                    'format' => 'kelp-tub.garden',
                    'version' => 1,
                    'tubs' => [['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', ...$tub]],
                    ...$garden,
                ],
            ),
        ),
    );
}

$round = fn (float ...$diameters) => [
    'stations' => array_map(fn ($i, $d) => ['height_mm' => 100 * $i, 'diameter_mm' => $d], array_keys($diameters), $diameters),
];

it('refuses absurd measures, each at its place', function (array $tub, string $fault) {
    expect(faultsOf($tub))->toContain($fault);
})->with([
    'no vessel' => [['vessel' => null], '/tubs/0/vessel: is null'],
    'an unknown vessel' => [['vessel' => 'bath'], '/tubs/0/vessel: is "bath", and the Library has no such vessel'],
    'an unknown crop' => [['crop' => 'moss'], '/tubs/0/crop: is "moss"'],
    'an unknown system' => [['system' => 'wet'], '/tubs/0/system: is "wet"; it may be aerated, passive'],
    'no tubs at all' => [['count' => 0], '/tubs/0/count: is 0; the least is 1'],
    'too many alike' => [['count' => 51], '/tubs/0/count: is 51; the most is 50'],
    'half a tub' => [['count' => 1.5], '/tubs/0/count: is 1.5, and a whole number is wanted'],
    'a hole of nothing' => [['hole_mm' => 0], '/tubs/0/hole_mm: is 0; it must be above 0'],
    'a negative hole' => [['hole_mm' => -3], '/tubs/0/hole_mm: is -3'],
    'a hole like a house' => [['hole_mm' => 9000], '/tubs/0/hole_mm: is 9000; the most is 3000'],
    'words for a number' => [['hole_mm' => 'big'], '/tubs/0/hole_mm: is "big"'],
    'a long name' => [['name' => str_repeat('x', 121)], '/tubs/0/name: is 121 characters long'],
    'cups in words' => [['layout' => ['cups' => 'many']], '/tubs/0/layout/cups: is "many"'],
    'ten thousand holes' => [
        ['layout' => ['pattern' => 'manual', 'holes' => array_fill(0, 10_000, ['x_mm' => 0, 'y_mm' => 0])]],
        '/tubs/0/layout/holes: has 10000 entries; the most is 200',
    ],
    'a manual layout without holes' => [['layout' => ['pattern' => 'manual']], '/tubs/0/layout/holes: is missing'],
    'one station' => [['vessel' => $round(100)], '/tubs/0/vessel/stations: has 1 entries; the least is 2'],
    'no floor' => [
        ['vessel' => ['stations' => [['height_mm' => 5, 'diameter_mm' => 100], ['height_mm' => 50, 'diameter_mm' => 100]]]],
        '/stations/0/height_mm: is 5; the first station is the inside floor',
    ],
    'stations that fold back' => [
        ['vessel' => [
            'stations' => [
                ['height_mm' => 0, 'diameter_mm' => 100],
                ['height_mm' => 90, 'diameter_mm' => 100],
                ['height_mm' => 50, 'diameter_mm' => 100],
            ],
        ]],
        '/stations/2/height_mm: is 50, below the station before it at 90',
    ],
    'no height' => [
        ['vessel' => ['stations' => [['height_mm' => 0, 'diameter_mm' => 100], ['height_mm' => 0, 'diameter_mm' => 120]]]],
        'the last station is the rim',
    ],
    'round and square' => [
        ['vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 100], ['height_mm' => 90, 'length_mm' => 100, 'width_mm' => 100]],
        ]],
        'no slice changes from round to rectangular',
    ],
    'both shapes' => [
        ['vessel' => [
            'stations' => [['height_mm' => 0, 'diameter_mm' => 100, 'length_mm' => 5], ['height_mm' => 90, 'diameter_mm' => 100]],
        ]],
        'it is either round or rectangular',
    ],
    'neither shape' => [
        ['vessel' => ['stations' => [['height_mm' => 0], ['height_mm' => 90, 'diameter_mm' => 100]]]],
        '/stations/0: needs diameter_mm, or length_mm and width_mm',
    ],
    'corners too round' => [
        ['vessel' => [
            'stations' => [
                ['height_mm' => 0, 'length_mm' => 100, 'width_mm' => 60, 'corner_radius_mm' => 31],
                ['height_mm' => 90, 'length_mm' => 100, 'width_mm' => 60],
            ],
        ]],
        'corner_radius_mm: is 31, more than half',
    ],
    'fills that fall' => [
        ['vessel' => [...$round(100, 100), 'fills' => [['litres' => 2, 'depth_mm' => 60], ['litres' => 1, 'depth_mm' => 80]]]],
        '/fills/1/litres: is 1 after 2',
    ],
    'fills out of order' => [
        ['vessel' => [...$round(100, 100), 'fills' => [['litres' => 1, 'depth_mm' => 60], ['litres' => 2, 'depth_mm' => 50]]]],
        '/fills/1/depth_mm: is 50 after 60',
    ],
    'a fill over the rim' => [['vessel' => [...$round(100, 100), 'fills' => [['litres' => 1, 'depth_mm' => 160]]]], 'above the rim at 100'],
    'a cup wider than its lip' => [
        ['cup' => ['lip_diameter_mm' => 50, 'top_diameter_mm' => 58, 'bottom_diameter_mm' => 36, 'height_mm' => 52]],
        '/tubs/0/cup/top_diameter_mm: is 58, wider than the lip',
    ],
    'a cup upside down' => [
        ['cup' => ['lip_diameter_mm' => 58, 'top_diameter_mm' => 36, 'bottom_diameter_mm' => 50, 'height_mm' => 52]],
        '/tubs/0/cup/bottom_diameter_mm: is 50, wider than the body',
    ],
    'an unknown feed' => [['feed' => 'x'], '/tubs/0/feed: is "x"'],
]);

it('refuses gardens that do not hang together', function (array $garden, string $fault) {
    expect(faultsOf([], $garden))->toContain($fault);
})->with([
    'two of one id' => [
        ['tubs' => array_fill(0, 2, ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20'])],
        '/tubs/1/id: is "a", which another tub has already',
    ],
    'sixty-one tubs' => [
        ['tubs' => array_map(fn ($i) => ['id' => "t$i", 'system' => 'aerated', 'vessel' => 'bucket-20'], range(0, 60))],
        '/tubs: has 61 entries; the most is 60',
    ],
    'a line to nowhere' => [
        ['air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'b']]]]],
        '/air/0/branches/0/tub: is "b"',
    ],
    'an unknown pump' => [['air' => [['id' => 'p', 'pump' => 'bellows']]], '/air/0/pump: is "bellows"'],
    'a pump with no figures' => [
        ['air' => [['id' => 'p', 'pump' => ['power_w' => 4]]]],
        '/air/0/pump: needs free_flow_l_min and max_pressure_kpa',
    ],
    'a curve that rises' => [['air' => [['id' => 'p', 'pump' => ['curve' => [[0, 10], [2, 12]]]]]], '/air/0/pump/curve: does not fall'],
    'a planting of no tub' => [['plantings' => [['id' => 'p', 'tub' => 'b']]], '/plantings/0/tub: is "b"'],
    'a planting of a third of one' => [['plantings' => [['id' => 'p', 'tub' => 'a', 'copy' => 3]]], '/plantings/0/copy: is 3'],
    'up a mountain too high' => [['site' => ['altitude_m' => 6000]], '/site/altitude_m: is 6000; the most is 5000'],
    'boiling' => [['site' => ['water_temperature_c' => 99]], '/site/water_temperature_c: is 99; the most is 40'],
]);

it('names every fault at once', function () {
    expect(
        Gardens::faults(
            '{"format":"kelp-tub.garden","version":1,"units":"cubits","tubs":[{"id":"a","system":"wet","vessel":"bucket-20","count":0}]}',
        ),
    )->toHaveCount(3);
});

it('plans alike from a Library key and from the object in place', function () {
    $vessel = Gardens::library()->vessels->raw('tote-45');
    $in = (array) json_decode((string) json_encode($vessel), true);
    $one = Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']))->tubs[0];
    $other = Gardens::report(Gardens::tub(['vessel' => $in, 'crop' => 'mizuna']))->tubs[0];

    expect(json_encode($other))->toBe(json_encode($one));
});

it('gives the same report to the last digit', function () {
    $json = fn () => json_encode(Gardens::report(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'basil'])));

    expect($json())->toBe($json());
});

it('ships files that fit their schemas', function (string $schema, Closure $document) {
    $faults = (new SchemaCheck(Gardens::files()->schema($schema)))->faults(json_decode((string) json_encode($document())));

    expect(array_map(strval(...), $faults))->toBe([]);
})->with([
    'the demo garden' => ['garden', fn () => json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'))],
    'its report' => [
        'report',
        fn () => Gardens::report(Gardens::reader()->read((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'))),
    ],
    'the report of an empty garden' => ['report', fn () => Gardens::report(Gardens::of([]))],
]);

it('ships a Library of things that a garden may hold in place', function (string $definition, Closure $items) {
    $check = new SchemaCheck(SchemaParts::item(Gardens::files()->schema('garden'), $definition));
    foreach ($items() as $key => $item) {
        expect(array_map(strval(...), $check->faults($item)))->toBe([], (string) $key)->and((string) $key)->toMatch('/^[a-z0-9-]+$/');
    }
})->with([
    'vessels' => ['vessel', fn () => Gardens::library()->vessels->documents()],
    'cups' => ['cup', fn () => Gardens::library()->cups->documents()],
    'stones' => ['stoneKind', fn () => Gardens::library()->stones->documents()],
    'pumps' => ['pump', fn () => Gardens::library()->pumps->documents()],
    'feeds' => ['product', fn () => Gardens::library()->products->documents()],
    'tubes' => ['tube', fn () => Gardens::library()->tubes->documents()],
    'crops' => ['cropRow', fn () => Gardens::library()->crops->documents()],
    'offers' => [
        'offer',
        fn () => array_map(
            fn ($o) => (object) ['name' => $o->part, ...get_object_vars($o)],
            array_column(json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/offers.json')), null, 'part'),
        ),
    ],
]);

it('starts a new crop as one that a garden takes, and asks for every column of the table', function () {
    $schema = Gardens::files()->schema('garden');
    $columns = get_object_vars($schema->{'$defs'}->cropRow->properties);
    $start = (object) array_map(fn (stdClass $column): mixed => $column->default ?? null, $columns);

    expect((new SchemaCheck(SchemaParts::item($schema, 'cropRow')))->faults($start))->toBe([])
        ->and(PartCheck::crop($start, ''))->toBe([])
        ->and(array_keys(array_filter($columns, fn (stdClass $c): bool => ! isset($c->{'x-form'}))))->toBe(['name'])
        ->and(Gardens::files()->tables()->columns(LibraryKind::Crops))->toBe(['key', ...array_keys($columns)])
        ->and(Gardens::library()->crops->raw('basil'))->toHaveProperties(array_keys($columns));
});

it('joins a schema of its parts, and refuses two that say the same', function () {
    $part = fn (string $json): stdClass => json_decode($json);
    $joined = SchemaParts::joined(
        [
            $part('{"$comment":"a","type":"object","required":["a"],"properties":{"a":{"type":"string"}}}'),
            $part('{"required":["b"],"properties":{"b":{"$ref":"#/$defs/b"}},"$defs":{"b":{"type":"null"}}}'),
        ],
    );

    expect(json_encode($joined))->toBe(
        '{"type":"object","required":["a","b"],'
        .'"properties":{"a":{"type":"string"},"b":{"$ref":"#\\/$defs\\/b"}},"$defs":{"b":{"type":"null"}}}',
    )
        ->and(
            fn () => SchemaParts::joined(
                [$part('{"properties":{"a":{"type":"string"}}}'), $part('{"properties":{"a":{"type":"number"}}}')],
            ),
        )->toThrow(LogicException::class, 'type');
});

it('has a report schema that would catch a wrong report', function () {
    $report = json_decode((string) json_encode(Gardens::report(Gardens::tub(['crop' => 'basil']))));
    $report->tubs[0]->volume->working_l = 'much';
    unset($report->budget->outlay);

    expect((new SchemaCheck(Gardens::files()->schema('report')))->faults($report))->toHaveCount(2);
});

it('carries the faults with it when it refuses', function () {
    Gardens::reader()->read('{"format":"kelp-tub.garden","version":1,"units":"cubits"}');
})->throws(RefusedGarden::class, '/units: is "cubits"; it may be metric, us');

it('fits in a moment just what the full check passes', function () {
    $schema = Gardens::files()->schema('garden');
    $fit = new SchemaFit($schema);
    $full = fn (mixed $document): bool => (new Opis\JsonSchema\Validator)->validate($document, $schema)->isValid();
    $demo = (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json');
    expect($fit->fits(json_decode($demo)))->toBeTrue()->and($full(json_decode($demo)))->toBeTrue();

    // Every value of the demo garden in turn is replaced by each of these.
    $odd = [
        null,
        true,
        0,
        -1,
        1.5,
        1e9,
        51,
        'x',
        '',
        str_repeat('x', 121),
        'tote-45',
        [],
        [1],
        new stdClass,
        (object) ['liner' => 1],
        "trailing\n",
    ];
    $checked = $refused = 0;
    $walk = function (mixed &$value, callable $look) use (&$walk, $odd): void {
        $kept = $value;
        foreach ($odd as $other) {
            $value = $other;
            $look();
        }
        $value = $kept;
        if (is_array($value)) {
            foreach (array_keys(array_slice($value, 0, 2)) as $i) {
                $walk($value[$i], $look);
            }
        } elseif ($value instanceof stdClass) {
            foreach (array_keys(get_object_vars($value)) as $name) {
                $walk($value->{$name}, $look);
            }
        }
    };
    $document = json_decode($demo);
    $walk($document, function () use (&$document, $fit, $full, &$checked, &$refused): void {
        $verdict = $full($document);
        expect($fit->fits($document))->toBe($verdict, (string) json_encode($document));
        $checked++;
        $refused += $verdict ? 0 : 1;
    });
    expect($checked)->toBeGreaterThan(1000)->and($refused)->toBeGreaterThan(500)->toBeLessThan($checked);
});

it('fits nothing to a schema with a keyword it does not know', function () {
    expect((new SchemaFit((object) ['oneOf' => []]))->fits(1))->toBeFalse()
        ->and((new SchemaFit((object) ['type' => 'number', 'title' => 'x']))->fits(1))->toBeTrue();
});

it('reads of a document what a mark’s own part of the schema names, so that a patch elsewhere leaves it as it was', function () {
    $whole = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
    $whole->builds = [(object) ['tub' => 'foredeck', 'ticks' => (object) ['saw' => '2027-03-02']]];
    foreach (Marks::all() as $mark) {
        $file = dirname(__DIR__, 2)."/data/schemas/garden/{$mark->key()}.json";
        $named = is_file($file) ? array_keys((array) (json_decode((string) file_get_contents($file))->properties ?? [])) : [];
        $known = array_values(array_diff($named, ['tubs']));
        $members = $mark->members();
        sort($known);
        sort($members);

        $part = (object) array_intersect_key(get_object_vars($whole), array_flip($members));

        expect($members)->toBe($known, $mark->key())
            ->and($mark->read($part, Gardens::library()))->toEqual($mark->read($whole, Gardens::library()));
    }
});

it('refuses a tube that is as wide inside as outside', function (float $inner, array $pointers) {
    $faults = PartCheck::tube((object) ['inner_mm' => $inner, 'outer_mm' => 6.0], '/air/0/tube');

    expect(array_column($faults, 'pointer'))->toBe($pointers);
})->with([[5.99, []], [6.0, ['/air/0/tube/inner_mm']], [6.01, ['/air/0/tube/inner_mm']]]);
