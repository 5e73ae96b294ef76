<?php

declare(strict_types=1);

use App\Library\LibraryKind;
use App\Library\OwnLibrary;
use App\Models\LibraryItem;

function jar(string $name, float $across = 90, array $more = []): array
{
    return [
        'name' => $name,
        'stations' => [['height_mm' => 0, 'diameter_mm' => $across], ['height_mm' => 150, 'diameter_mm' => $across]],
        ...$more,
    ];
}

it('gives new things free keys, whatever their names come to', function () {
    $keys = array_map(fn (string $name): string => ask('/api/library/vessels', jar($name))->assertCreated()->json('key'), [
        'Jar 1.5 L', 'Jar 15 L', 'バケツ', '桶', '!!!', str_repeat('long ', 23), str_repeat('long ', 23).'x',
    ]);
    expect(array_unique($keys))->toHaveCount(7)
        ->and(array_slice($keys, 0, 2))->toBe(['own-jar-15-l', 'own-jar-15-l-2'])
        ->and(LibraryItem::query()->count())->toBe(7)
        ->and(LibraryItem::query()->where('key', $keys[0])->value('name'))->toBe('Jar 1.5 L');
});

it('takes the same thing twice for the same, and another of its name for another', function () {
    $first = ask('/api/library/vessels', jar('Tin'))->json('key');

    expect(ask('/api/library/vessels', jar('Tin'))->json('key'))->toBe($first)
        ->and(ask('/api/library/vessels', jar('Tin', 120))->json('key'))->toBe("$first-2")
        ->and(ask('/api/library/vessels', ['key' => $first] + jar('Tin can', 95))->json('key'))->toBe($first)
        ->and(LibraryItem::query()->count())->toBe(2);
});

it('never takes an odd key for that of another thing', function () {
    ask('/api/library/vessels', ['key' => 'my-tin'] + jar('One'))->assertCreated();
    $keys = array_map(
        fn (string $key): string => ask(
            '/api/library/vessels',
            ['key' => $key] + jar('Two '.substr(md5($key), 0, 8)),
        )->assertCreated()->json('key'),
        ['My Tin', 'MY-TIN', 'my tin!', str_repeat('k', 120)],
    );
    expect($keys)->toBe(['my-tin-2', 'my-tin-3', 'my-tin-4', str_repeat('k', 120)])
        ->and(LibraryItem::query()->where('key', 'my-tin')->value('name'))->toBe('One');
});

it('knows things by numbers', function () {
    $this->assertSame('15', ask('/api/library/vessels', ['key' => '15'] + jar('Fifteen'))->assertCreated()->json('key'));
    ask('/api/library/vessels', ['key' => '15'] + jar('Fifteen and a bit', 93))->assertCreated();
    $file = send('GET', '/api/library/vessels/file.json', '')->getContent();
    $garden = [
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'tubs' => [['id' => 'a', 'system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'basil']],
    ];

    expect(LibraryItem::query()->count())->toBe(1)
        ->and(json_decode((string) $file)[0]->key)->toBe('15')
        ->and(array_column(ask('/api/vessels?tub=a', $garden)->assertOk()->json('vessels'), 'vessel'))->toContain('15')
        ->and(send('GET', '/api/library/vessels', '')->json('items.0.key'))->toBe('15');
    ask(
        '/api/library/vessels/import',
        ['json' => (string) json_encode(['15' => jar('By number', 94), '16' => jar('Sixteen')])],
    )->assertCreated();
    expect(LibraryItem::query()->orderBy('key')->pluck('name', 'key')->all())->toEqual(['15' => 'By number', '16' => 'Sixteen']);
    test()->deleteJson('/api/library/vessels/15')->assertOk();
});

it('takes from a table what a table says, and keeps of a thing what no table can', function () {
    $whole = jar('Crate', more: [
        'stations' => [
            ['height_mm' => 0, 'length_mm' => 400, 'width_mm' => 300, 'corner_radius_mm' => 30],
            ['height_mm' => 200, 'length_mm' => 430, 'width_mm' => 330, 'corner_radius_mm' => 35],
        ],
        'fills' => [['litres' => 10, 'depth_mm' => 80]],
        'lid' => [
            'length_mm' => 450,
            'width_mm' => 350,
            'make' => 'ribbed',
            'keep_outs' => [['x_mm' => 0, 'y_mm' => 0, 'length_mm' => 40, 'width_mm' => 30]],
        ],
    ]);
    $key = ask('/api/library/vessels', $whole)->assertCreated()->json('key');
    $csv = (string) send('GET', '/api/library/vessels/file.csv', '')->getContent();
    ask('/api/library/vessels/import', ['csv' => str_replace('450x350', '460x360', $csv)])->assertCreated()->assertJson(['keys' => [$key]]);
    $kept = app(OwnLibrary::class)->documents(LibraryKind::Vessels)[$key];

    expect($kept->lid->length_mm)->toBe(460)
        ->and($kept->lid->make)->toBe('ribbed')
        ->and($kept->lid->keep_outs[0]->length_mm)->toBe(40)
        ->and($kept->fills[0]->litres)->toBe(10);
    // Without its keys the same table adds nothing that is there already under its name.
    $bare = static fn (string $csv): string => implode("\n", array_map(
        static fn (string $line): string => (string) preg_replace('/^[^,]*,/', '', $line),
        explode("\n", $csv),
    ));
    $now = (string) send('GET', '/api/library/vessels/file.csv', '')->getContent();
    ask('/api/library/vessels/import', ['csv' => $bare($now)])->assertCreated()->assertJson(['keys' => [$key]]);
    ask('/api/library/vessels/import', ['csv' => $bare($csv)])->assertCreated()->assertJson(['keys' => ["$key-2"]]);
    expect(LibraryItem::query()->count())->toBe(2);
});

it('holds so many things and no more, and hands them out in pages', function () {
    $now = now();
    $rows = array_map(fn (int $n): array => [
        'kind' => 'saws', 'key' => "saw-$n", 'name' => "Saw $n", 'document' => "{\"name\":\"Saw $n\",\"diameter_mm\":50}",
        'created_at' => $now, 'updated_at' => $now,
    ], range(1, OwnLibrary::MOST_ON_SHELF));
    foreach (array_chunk($rows, 1000) as $chunk) {
        LibraryItem::query()->insert($chunk);
    }
    $full = ask('/api/library/saws', ['name' => 'One more', 'diameter_mm' => 51])->assertUnprocessable();
    $pages = [send('GET', '/api/library/saws?page=1', '')->json(), send('GET', '/api/library/saws?page=50', '')->json()];

    expect($full->json('faults.0.message'))->toContain('it holds '.OwnLibrary::MOST_ON_SHELF)
        ->and(LibraryItem::query()->count())->toBe(OwnLibrary::MOST_ON_SHELF)
        ->and(count($pages[0]['items']))->toBe(OwnLibrary::A_PAGE)
        ->and($pages[0]['pages'])->toBe(50)
        ->and(array_intersect(array_column($pages[0]['items'], 'key'), array_column($pages[1]['items'], 'key')))->toBe([]);
    ask('/api/library/saws', ['key' => 'saw-1', 'name' => 'Changed', 'diameter_mm' => 51])->assertCreated();
    test()->get('/library/saws')->assertInertia(fn ($page) => $page->has('library.saws', fn ($saws) => $saws->etc()));
});
