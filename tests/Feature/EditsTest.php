<?php

declare(strict_types=1);

it('answers with the patch that puts a tub on the bench', function () {
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => []];
    $tub = ['name' => 'Bucket', 'system' => 'aerated', 'vessel' => 'bucket-20', 'cup' => 'net-cup-50', 'crop' => 'basil'];
    $answer = send('POST', '/api/edits/add', json_encode(['garden' => $garden, 'tub' => $tub]))->assertOk();

    expect($answer->json('tub'))->toBe('bucket-20')
        ->and(array_column(deedsIn($answer), 'path'))->toBe(['/tubs/-', '/air'])
        ->and(deedsIn($answer)[0]['value']['crop'])->toBe('basil');
});

it('adds a tub with what else is known of it, and a climber with its trellis', function () {
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => []];
    $tub = [
        'name' => 'Bucket', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'tomato-vine', 'started' => 'seedling',
        'cup' => ['name' => 'Mine', 'lip_diameter_mm' => 90, 'top_diameter_mm' => 80, 'bottom_diameter_mm' => 60, 'height_mm' => 70],
        'cutting' => 'drilled', 'hole_mm' => 84, 'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0]]],
    ];
    $added = deedsIn(send('POST', '/api/edits/add', json_encode(['garden' => $garden, 'tub' => $tub]))->assertOk())[0]['value'];

    expect($added)->toMatchArray(['started' => 'seedling', 'cutting' => 'drilled', 'hole_mm' => 84, 'trellis' => true])
        ->and($added['cup']['name'])->toBe('Mine')
        ->and($added['layout']['holes'])->toHaveCount(1);
    send('POST', '/api/edits/add', json_encode(['garden' => $garden, 'tub' => [...$tub, 'hole_mm' => -3]]))->assertStatus(422);
    send('POST', '/api/edits/add', json_encode(['garden' => $garden, 'tub' => [...$tub, 'started' => 'cutting']]))->assertStatus(422);
});

it('puts one\'s own vessel, cup and crop into the garden whole', function () {
    send(
        'POST',
        '/api/library/vessels',
        '{"name":"My keg","stations":[{"height_mm":0,"diameter_mm":240},{"height_mm":300,"diameter_mm":240}]}',
    )->assertCreated();
    $tub = ['name' => 'Keg', 'system' => 'passive', 'vessel' => 'own-my-keg', 'cup' => 'net-cup-50', 'crop' => null];
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1];
    $answer = send('POST', '/api/edits/add', json_encode(['garden' => $garden, 'tub' => $tub]))->assertOk();

    expect(deedsIn($answer)[0]['value'][0]['vessel']['name'])->toBe('My keg')
        ->and(deedsIn($answer)[0]['value'][0]['vessel']['key'])->toBe('own-my-keg')
        ->and($answer->json('tub'))->toBe('own-my-keg');
});

it('switches how a tub is run, and airs one', function () {
    $garden = '{"format":"kelp-tub.garden","version":1,"tubs":[{"id":"a","system":"passive","vessel":"tote-45"}]}';

    expect(array_column(deedsIn(send('POST', '/api/edits/run?tub=a&system=raft', $garden)->assertOk()), 'path'))
        ->toBe(['/tubs/0/system', '/tubs/0/stones', '/air'])
        ->and(array_column(deedsIn(send('POST', '/api/edits/aerate?tub=a', $garden)->assertOk()), 'path'))
        ->toBe(['/tubs/0/stones', '/tubs/0/system', '/tubs/0/water_line', '/tubs/0/top_ups', '/air']);
});

it('stands a tub over its pump and takes it off again, with a line as long as that takes', function () {
    $tub = ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-19', 'stones' => ['kind' => 'disc-100']];
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => [$tub], 'air' => [
        ['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'a', 'distance_mm' => 1000]]],
    ]];
    $nested = deedsIn(send('POST', '/api/edits/nest?tub=a&under=bucket-20', json_encode($garden))->assertOk());

    // Half of the floor of the lower bucket, 262 across.
    expect(array_column($nested, 'value', 'path'))->toEqual([
        '/tubs/0/under' => ['vessel' => 'bucket-20', 'blocks_mm' => 80],
        '/air/0/branches/0/distance_mm' => 131,
    ]);
    $garden['tubs'][0]['under'] = ['vessel' => 'bucket-20', 'blocks_mm' => 80];
    expect(array_column(deedsIn(send('POST', '/api/edits/nest?tub=a', json_encode($garden))->assertOk()), 'path'))
        ->toBe(['/tubs/0/under', '/air/0/branches/0/distance_mm']);
    send('POST', '/api/edits/nest?tub=a&under=bathtub', json_encode($garden))->assertStatus(422);
});

it('advises what a new tub starts with', function (array $asked, array $advice) {
    send('POST', '/api/advice', json_encode($asked))->assertOk()->assertExactJson($advice);
})->with([
    'a jar' => [
        ['vessel' => 'jar-1', 'system' => null, 'crop' => null],
        ['system' => 'passive', 'crop' => null, 'cup' => 'net-cup-75'],
    ],
    'a cut bottle, in which its own neck hangs' => [
        ['vessel' => 'bottle-2', 'system' => null, 'crop' => null],
        ['system' => 'passive', 'crop' => null, 'cup' => 'bottle-neck-2'],
    ],
    'a cloner' => [
        ['vessel' => 'tote-20', 'system' => 'cloner', 'crop' => null],
        ['system' => 'cloner', 'crop' => 'soft-cuttings', 'cup' => 'collar-35'],
    ],
    'a box by tape' => [
        [
            'vessel' => [
                'stations' => [
                    ['height_mm' => 0, 'length_mm' => 400, 'width_mm' => 280],
                    ['height_mm' => 250, 'length_mm' => 430, 'width_mm' => 310],
                ],
            ],
            'system' => 'aerated',
            'crop' => 'tomato-dwarf',
        ],
        ['system' => 'aerated', 'crop' => 'tomato-dwarf', 'cup' => 'net-cup-75'],
    ],
]);

it('refuses what it cannot edit, and says why', function (string $path, string $body, int $status, string $says) {
    expect(send('POST', $path, $body)->assertStatus($status)->content())->toContain($says);
})->with([
    'no such vessel' => [
        '/api/edits/add',
        '{"garden":{"format":"kelp-tub.garden","version":1},'
            .'"tub":{"name":"A","system":"passive","vessel":"bathtub","cup":"net-cup-50","crop":null}}',
        422,
        'bathtub',
    ],
    'no such crop' => [
        '/api/edits/add',
        '{"garden":{"format":"kelp-tub.garden","version":1},'
            .'"tub":{"name":"A","system":"passive","vessel":"bucket-20","cup":"net-cup-50","crop":"moss"}}',
        422,
        'moss',
    ],
    'no garden' => [
        '/api/edits/add',
        '{"garden":{"format":"x"},"tub":{"name":"A","system":"passive","vessel":"bucket-20","cup":"net-cup-50","crop":null}}',
        422,
        'not a garden file',
    ],
    'no tub' => ['/api/edits/run?tub=b&system=raft', '{"format":"kelp-tub.garden","version":1}', 404, 'No tub'],
    'no system' => ['/api/edits/run?tub=a&system=river', '{"format":"kelp-tub.garden","version":1}', 422, 'system'],
    'no vessel to advise on' => ['/api/advice', '{"vessel":"bathtub"}', 422, 'bathtub'],
    'a vessel that is none' => ['/api/advice', '{"vessel":{"stations":[]}}', 422, 'stations'],
]);

it('takes a tub away, copies it and counts it, with what speaks of it', function () {
    $garden = (string) json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => [['id' => 'a', 'system' => 'passive', 'vessel' => 'jar-1', 'count' => 2]],
        'builds' => [['tub' => 'a', 'copy' => 1], ['tub' => 'a', 'copy' => 2]],
    ]);
    $asked = fn (string $edit) => send('POST', "/api/edits/$edit", $garden);
    $does = fn (string $edit): array => array_map(fn (array $o): string => "$o[op] $o[path]", deedsIn($asked($edit)->assertOk()));

    expect($does('remove?tub=a'))->toBe(['remove /builds/1', 'remove /builds/0', 'remove /tubs/0'])
        ->and($does('copy?tub=a'))->toBe(['add /tubs/1'])
        ->and($asked('copy?tub=a')->json('tub'))->toBe('a-2')
        ->and($does('count?tub=a&count=1'))->toBe(['remove /builds/1', 'add /tubs/0/count'])
        ->and($does('count?tub=a&count=50'))->toBe(['add /tubs/0/count'])
        // Each says first what it is for.
        ->and(array_slice($asked('count?tub=a&count=1')->json('patch'), 0, 2))->toEqual([
            ['op' => 'test', 'path' => '/builds/1/tub', 'value' => 'a'], ['op' => 'test', 'path' => '/builds/1/copy', 'value' => 2],
        ]);
    foreach (['count?tub=a&count=0', 'count?tub=a&count=51', 'count?tub=a&count=x', 'count?tub=a'] as $odd) {
        $asked($odd)->assertStatus(422);
    }
    $asked('remove?tub=b')->assertNotFound();
    $asked('copy')->assertNotFound();
});
