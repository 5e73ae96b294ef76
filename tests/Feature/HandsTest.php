<?php

declare(strict_types=1);

use App\Gardens\GardenStore;
use App\Http\Failures;
use App\Models\Garden;
use App\Models\LibraryItem;
use App\Weather\KeptWeather;
use Illuminate\Support\Facades\Log;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;

/** @param  array<string, string>  $headers */
function from(array $headers, string $method = 'POST', string $uri = '/api/gardens', string $body = '{"name":"x"}'): TestResponse
{
    return send($method, $uri, $body, $headers);
}

it('answers nobody else\'s pages', function (array $headers, int $status) {
    expect(from($headers)->status())->toBe($status)
        ->and(Garden::count())->toBe($status === 201 ? 1 : 0)
        ->and(from($headers, 'GET', body: '')->headers->get('Access-Control-Allow-Origin'))->toBeNull();
})->with([
    'no page at all' => [[], 201],
    'its own' => [['Origin' => 'http://127.0.0.1:8000', 'Sec-Fetch-Site' => 'same-origin'], 201],
    'another site' => [['Origin' => 'https://elsewhere.example'], 403],
    'another port here' => [['Origin' => 'http://127.0.0.1:9999'], 403],
    'a hidden origin' => [['Origin' => 'null'], 403],
    'as the browser says' => [['Sec-Fetch-Site' => 'cross-site'], 403],
    'a neighbour' => [['Sec-Fetch-Site' => 'same-site'], 403],
]);

it('lets a link from elsewhere be followed, and nothing read', function () {
    from(['Sec-Fetch-Site' => 'cross-site', 'Sec-Fetch-Mode' => 'navigate'], 'GET', '/', '')->assertOk();
    from(['Sec-Fetch-Site' => 'cross-site', 'Sec-Fetch-Mode' => 'no-cors'], 'GET', '/', '')->assertForbidden();
    from(['Sec-Fetch-Site' => 'cross-site', 'Sec-Fetch-Mode' => 'navigate'], 'GET', '/api/gardens', '')->assertForbidden();
    from(['Origin' => 'https://elsewhere.example'], 'OPTIONS')->assertStatus(405);
});

it('is not served under another name', function () {
    $this->get('http://rebound.example/')->assertStatus(421);
    $this->get('http://127.0.0.1:8123/')->assertOk();
    $this->get('http://localhost.elsewhere.example/')->assertStatus(421);
});

it('takes a request for what it is', function () {
    $id = send('POST', '/api/gardens', '{"name":"x"}')->json('id');
    from(['X-HTTP-Method-Override' => 'DELETE', 'If-Match' => '1'], 'POST', "/api/gardens/$id/copy")->assertStatus(400);
    from(['If-Match' => '1'], 'POST', "/api/gardens/$id?_method=DELETE")->assertStatus(400);
    expect(Garden::count())->toBe(1);
});

it('takes JSON and nothing like it', function (string $type, bool $taken) {
    $answer = test()->call('POST', '/api/gardens', server: ['CONTENT_TYPE' => $type], content: '{"name":"x"}');
    expect($answer->status())->toBe($taken ? 201 : 415)->and($answer->json('message') ?? '')->toBeString();
})->with([
    ['application/json', true], ['application/json; charset=utf-8', true], ['application/json;charset="UTF-8"', true],
    [
        'application/json; charset=latin1',
        false,
    ], ['text/json', false], ['application/vnd.api+json', false], ['text/plain; application/json', false],
    ['application/jsonx', false], ['application/x-www-form-urlencoded', false], ['', false],
]);

it('guards its pages and says no version', function () {
    $page = $this->get('/')->assertOk();
    $policy = (string) $page->headers->get('Content-Security-Policy');
    preg_match("/script-src 'self' 'nonce-([^']+)'/", $policy, $nonce);

    expect($policy)->toContain("frame-ancestors 'none'")->toContain("default-src 'none'")->not->toContain('unsafe')
        ->and($page->getContent())->toContain('nonce="'.$nonce[1].'"')
        ->and(preg_match_all('/<script(?![^>]*(?:src=|type="application\/json"))/', (string) $page->getContent()))->toBe(0)
        ->and($page->headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and($page->headers->get('Cross-Origin-Opener-Policy'))->toBe('same-origin')
        ->and($page->headers->get('Referrer-Policy'))->toBe('no-referrer')
        ->and($page->headers->get('Permissions-Policy'))->toContain('camera=()')
        ->and($page->headers->has('X-Powered-By'))->toBeFalse()
        ->and($this->get('/')->headers->get('Content-Security-Policy'))->not->toBe($policy)
        ->and(send('GET', '/api/gardens', '')->headers->get('Cache-Control'))->toContain('no-store')
        ->and($this->get('/nowhere')->headers->get('Content-Security-Policy'))->toContain("frame-ancestors 'none'");
});

it('gives a request a name, and writes no document into its log', function () {
    $given = str_repeat('a1', 16);
    expect(from(['X-Request-Id' => $given], 'GET', '/up', '')->headers->get('X-Request-Id'))->toBe($given)
        ->and(from(['X-Request-Id' => "a\nb"], 'GET', '/up', '')->headers->get('X-Request-Id'))->toMatch('/^[a-f0-9]{32}$/');
    Log::spy();
    $this->app->bind(GardenStore::class, fn () => throw new Illuminate\Database\QueryException(
        'mariadb',
        'insert into gardens (document) values (?)',
        ['the secret garden'],
        new PDOException('SQLSTATE[22001]: String data, right truncated: 1406 Data too long for column'),
    ));
    send('POST', '/api/gardens', '{"name":"x"}')->assertStatus(500)->assertJsonStructure(['message']);

    Log::shouldHaveReceived('error')->once()->withArgs(
        fn (string $said, array $context): bool => str_contains($said, '1406') && ! str_contains($said.json_encode($context), 'secret'),
    );
});

it('says what a database says, and not what a document does', function (string $said, int $status) {
    $this->app->bind(GardenStore::class, fn () => throw new Illuminate\Database\QueryException(
        'mariadb',
        'update gardens set document = ?',
        ['No space left, server has gone away [2006] 1114'],
        new PDOException($said),
    ));
    Log::spy();
    $answer = send('POST', '/api/gardens', '{"name":"x"}')->assertStatus($status);
    expect($answer->json('message'))->toBe(match ($status) {
        507 => Failures::FULL, 503 => Failures::AWAY, default => $answer->json('message')
    });
})->with([
    'full' => ['SQLSTATE[HY000]: General error: 1114 The table \'gardens\' is full', 507],
    'no space' => ['SQLSTATE[HY000]: General error: 1026 Error writing file (Errcode: 28 "No space left on device")', 507],
    'away' => ['SQLSTATE[HY000] [2002] Connection refused', 503],
    'gone' => ['SQLSTATE[HY000]: General error: 2006 MySQL server has gone away', 503],
    'anything else' => ['SQLSTATE[42S22]: Column not found: 1054 Unknown column', 500],
]);

it('says whether all is well', function () {
    $this->get('/up')->assertOk()->assertJson(['status' => 'up', 'database' => 'answers', 'version' => App\Version::NUMBER]);
});

it('says whether the database is away', function () {
    $this->app['db']->purge('mariadb');
    config(['database.connections.mariadb.port' => 1]);
    $this->get('/up')->assertStatus(503)->assertJson(['status' => 'ailing', 'database' => 'does not answer']);
});

it('makes no mistake of odd input', function (string $method, string $uri, string $body, array $headers = []) {
    $answer = send($method, $uri, $body, $headers);

    expect($answer->status())->toBeLessThan(500, (string) $answer->exception?->getMessage());
    if (str_starts_with($uri, '/api/')) {
        expect((string) $answer->headers->get('Content-Type'))->toContain('json')->and(
            json_decode((string) $answer->getContent(), true),
        )->toBeArray();
    }
})->with([
    'a list for a page' => ['GET', '/?page[]=1', ''],
    'a huge page' => ['GET', '/api/gardens?page=99999999999999999999', ''],
    'lists for what to compare' => ['GET', '/compare?of[]=a&page[]=b', ''],
    'very many to compare' => ['GET', '/compare?of='.str_repeat('a,', 3000), ''],
    'a list for a tub' => ['POST', '/api/layouts?tub[]=a', '{"format":"kelp-tub.garden","version":1,"tubs":[]}'],
    'a list for how far apart' => ['POST', '/api/apart?tub=a&mm[]=3', '{"format":"kelp-tub.garden","version":1,"tubs":[]}'],
    'a list for a system' => ['POST', '/api/edits/add?system[]=x', '{"format":"kelp-tub.garden","version":1,"tubs":[]}'],
    'a list for under' => ['POST', '/api/edits/nest?tub[]=a&under[]=x', '{"format":"kelp-tub.garden","version":1,"tubs":[]}'],
    'more than a number holds' => [
        'POST',
        '/api/preview',
        '{"format":"kelp-tub.garden","version":1,"tubs":[{"id":"a","system":"passive","vessel":"jar-1","hole_mm":1e400}]}',
    ],
    'an outlay wider than its column' => [
        'POST',
        '/api/gardens',
        '{"format":"kelp-tub.garden","version":1,"tubs":[],"extras":[{"name":"Gold","price":1e300}],"money":{"currency":"EUR"}}',
    ],
    'deep nesting' => ['POST', '/api/gardens', str_repeat('{"a":', 600).'1'.str_repeat('}', 600)],
    'deep nesting in a batch' => ['POST', '/api/read', str_repeat('[', 700).str_repeat(']', 700)],
    'a batch of lists' => ['POST', '/api/read', '{"units":["metric"],"texts":[{"text":["x"],"dimension":["length"]}]}'],
    'a batch of texts' => ['POST', '/api/read', '{"units":"metric","texts":["x",7,null]}'],
    'no text at all' => ['POST', '/api/read', '"x"'],
    'half a letter' => ['POST', '/api/gardens', "{\"name\":\"\xC3\x28\"}"],
    'a name of control marks' => ['POST', '/api/gardens', '{"name":"\u0000\u202e"}'],
    'a list for a name' => ['POST', '/api/gardens', '{"name":["x"]}'],
    'a shelf that is not there' => ['POST', '/api/library/pots', '{}'],
    'a key that is none' => ['DELETE', '/api/library/cups/%00%ff', '{}'],
    'a list for a file' => ['POST', '/api/library/cups/import', '{"csv":["a"]}'],
    'a file of nothing' => ['POST', '/api/library/cups/import', 'null'],
    'a hole of words' => ['POST', '/api/cups', '{"hole_mm":["x"]}'],
    'an id of half a letter' => ['GET', '/gardens/%C3%28', ''],
    'a revision beyond all' => ['GET', '/api/gardens/x/revisions/99999999999999999999', ''],
    'a method nobody knows' => ['PATCH', '/api/gardens', '{}'],
    'no method for that' => ['DELETE', '/api/gardens', '{}'],
    'everything of nothing' => ['POST', '/api/everything', '{"format":"kelp-tub.everything","version":1,"gardens":{"a":1},"library":[]}'],
]);

it('begins with two designs to compare, and with none where none is asked for', function () {
    $of = function (string $path): array {
        $chosen = [];
        test()->get($path)->assertInertia(function ($page) use (&$chosen) {
            $chosen = array_column($page->toArray()['props']['chosen'], 'of');

            return $page;
        });

        return $chosen;
    };
    expect($of('/compare'))->toBe([]);
    send('POST', '/api/gardens', '{"name":"Empty"}');
    $one = send('POST', '/api/gardens', demo())->json('id');
    expect($of('/compare'))->toBe(["$one:foredeck", "$one:well-deck"]);
    $this->travel(1)->minutes();
    $two = send('POST', '/api/gardens', demo())->json('id');

    expect($of('/compare'))->toBe([$two, $one])->and($of('/compare?of=none'))->toBe([])->and($of("/compare?of=$one"))->toBe([$one]);
});

it('lists very many to compare in pages', function () {
    foreach (range(1, 35) as $n) {
        ask('/api/gardens', ['name' => "Garden $n"]);
    }
    $this->get('/compare')->assertInertia(fn ($page) => $page->has('all', 30)->where('pages', 2));
    $this->get('/compare?page=2')->assertInertia(fn ($page) => $page->has('all', 5));
});

it('refuses numbers beyond all numbers, wherever they stand', function () {
    $id = send('POST', '/api/gardens', '{"name":"x"}')->json('id');
    $garden = '{"format":"kelp-tub.garden","version":1,';
    $price = '"prices":[{"part":"net-cup-50","pack":1,"price":1e999}]}';
    send('POST', '/api/preview', $garden.$price)->assertStatus(422);
    send('POST', '/api/preview', $garden.'"money":{"cap":1e999}}')->assertStatus(422);
    $weather = '"weather":{"kind":"typical","climate":"arid","seed":-9223372036854775808}';
    send('POST', '/api/preview', "$garden\"site\":{{$weather}}}")->assertStatus(422);
    send('POST', '/api/prices/read', '{"garden":'.$garden.'"name":"x"},"text":"part;price\nnet-cup-50;1e999\n"}')
        ->assertOk()->assertJsonPath('offers', [])->assertJsonCount(1, 'faults');
    send('POST', '/api/read', '{"units":"metric","texts":[{"text":"1e999","dimension":"money","currency":"EUR"}]}')
        ->assertOk()->assertJsonMissingPath('readings.0.value');
    foreach (['99999999999999999999', '-1', '1e3'] as $revision) {
        send('GET', "/api/gardens/$id/revisions/$revision", '')->assertNotFound();
        send('POST', "/api/gardens/$id/revisions/$revision/restore", '{}', ['If-Match' => '"1"'])->assertNotFound();
        send('PUT', "/api/gardens/$id", '{"name":"y"}', ['If-Match' => "\"$revision\""])->assertStatus(400);
    }
});

it('keeps the newest forecasts and no others', function () {
    $folder = sys_get_temp_dir().'/kelp-weather-'.bin2hex(random_bytes(4));
    foreach (range(1, KeptWeather::MOST + 5) as $i) {
        @mkdir("$folder/$i", 0755, true);
        file_put_contents("$folder/$i/days", (string) $i);
        touch("$folder/$i/days", 1_000_000 + $i);
    }
    KeptWeather::tidy($folder);
    KeptWeather::tidy("$folder-none");
    $left = array_map(fn (string $file): int => (int) file_get_contents($file), glob("$folder/*/days"));
    sort($left);
    (new Process(['rm', '-rf', $folder]))->run();

    expect($left)->toBe(range(6, KeptWeather::MOST + 5));
});

it('writes cells of the Library that a spreadsheet would run with an apostrophe, and reads them as they were', function () {
    send('POST', '/api/library/saws', '{"name":"=HYPERLINK(\"x\")","diameter_mm":54}')->assertCreated();
    $csv = send('GET', '/api/library/saws/file.csv', '')->getContent();
    expect($csv)->toContain("'=HYPERLINK")->not->toMatch('/(^|,)"?=/m');
    send('POST', '/api/library/saws/import', (string) json_encode(['csv' => $csv]))->assertSuccessful();
    expect(LibraryItem::query()->where('kind', 'saws')->pluck('name')->all())->toBe(['=HYPERLINK("x")']);
});
