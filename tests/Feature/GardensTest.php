<?php

declare(strict_types=1);

use App\Logs\Photos;
use App\Models\Garden;
use App\Models\LogEntry;
use App\Models\Revision;
use Tests\Core\Gardens;

it('keeps a garden to the letter, with the columns that are searched', function () {
    $json = '{"format":"kelp-tub.garden","version":1,"name":"Shed","later":{"x":1.0,"e":{}},'
        .'"tubs":[{"id":"a","system":"aerated","vessel":"bucket-20","count":2,"crop":"basil"}]}';
    $id = send('POST', '/api/gardens', $json)->assertCreated()->assertJson(['name' => 'Shed', 'revision' => 1])->json('id');
    $kept = Garden::findOrFail($id);

    expect($kept->document)->toBe($json)
        ->and($kept->tubs)->toBe(2)
        ->and($kept->plants)->toBeGreaterThan(1)
        ->and($kept->worst)->toBe('stop')
        ->and((float) $kept->outlay)->toBeGreaterThan(10.0)
        ->and(send('GET', "/api/gardens/$id", '')->json('document'))->toBe($json);
});

it('makes an empty garden of a name', function () {
    $id = send('POST', '/api/gardens', '{"name":"  Balcony "}')->assertCreated()->assertJson(['name' => 'Balcony'])->json('id');

    expect(Garden::findOrFail($id)->tubs)->toBe(0);
});

it('lists the last changed first', function () {
    send('POST', '/api/gardens', '{"name":"First"}');
    $this->travel(1)->minutes();
    send('POST', '/api/gardens', '{"name":"Second"}');

    expect(array_column(send('GET', '/api/gardens', '')->json('gardens'), 'name'))->toBe(['Second', 'First']);
});

it('draws each garden in the list, and works that out of those that an older version kept', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    $sketch = fn (): array => send('GET', '/api/gardens', '')->json('gardens.0.sketch');
    $made = $sketch();
    Garden::query()->whereKey($id)->update(['sketch' => null, 'settled' => false]);

    expect(count($made))->toBe(9)
        ->and($made[0]['stations'][0])->toHaveKeys(['height_mm', 'length_mm'])
        ->and(array_unique(array_column(array_column($made, 'crop'), 'key')))
        ->toContain('aubergine', 'dill', 'sorrel', 'soft-cuttings', 'rocket')
        ->and($sketch())->toBe($made)
        ->and(Garden::findOrFail($id)->settled)->toBeTrue();
});

it('writes against the newest revision and keeps the older ones', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    $renamed = str_replace('Marsh Lantern', 'Reed Lantern', demo());
    send('PUT', "/api/gardens/$id", $renamed, ['If-Match' => '1'])->assertOk()->assertJson(['revision' => 2]);
    expect(Garden::findOrFail($id)->name)->toBe('Reed Lantern');

    expect(Revision::where('garden_id', $id)->orderBy('revision')->pluck('revision')->all())->toBe([1, 2])
        ->and(Revision::where('garden_id', $id)->where('revision', 1)->value('document'))->toContain('Marsh Lantern');
});

it('makes no revision of a write that changes nothing', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');

    send('PUT', "/api/gardens/$id", demo(), ['If-Match' => '1'])->assertOk()->assertJson(['revision' => 1]);
});

it('refuses a stale write, overwrites nothing, and says what is there now', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    send('PUT', "/api/gardens/$id", str_replace('Marsh', 'Reed', demo()), ['If-Match' => '1'])->assertOk();
    $stale = send('PUT', "/api/gardens/$id", str_replace('Marsh', 'Sedge', demo()), ['If-Match' => '1'])->assertConflict();

    expect($stale->json('revision'))->toBe(2)
        ->and($stale->json('document'))->toContain('Reed Lantern')
        ->and(Garden::findOrFail($id)->name)->toBe('Reed Lantern')
        ->and(Revision::where('garden_id', $id)->count())->toBe(2);
});

it('refuses a write that does not say, or says loosely, what it was made against', function (string $method) {
    $id = send('POST', '/api/gardens', demo())->json('id');
    $other = str_replace('Marsh', 'Reed', demo());

    send($method, "/api/gardens/$id", $other)->assertStatus(428);
    foreach (['*', '', 'W/"1"', '"1', '1, 2', '1.0', '01x', '-1', '"1","2"', '9999999999'] as $given) {
        send($method, "/api/gardens/$id", $other, ['If-Match' => $given])->assertStatus(400);
    }
    expect(Garden::findOrFail($id)->name)->toBe('Marsh Lantern');
    send($method, "/api/gardens/$id", $other, ['If-Match' => '"1"'])->assertOk();
})->with(['PUT', 'DELETE']);

it('refuses a bad garden whole and keeps what was there', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    $bad = str_replace('"system": "passive"', '"system": "damp"', demo());
    $refused = send('PUT', "/api/gardens/$id", $bad, ['If-Match' => '1'])->assertUnprocessable();

    expect(array_column($refused->json('faults'), 'pointer'))->toBe(['/tubs/2/system', '/tubs/3/system'])
        ->and(Garden::findOrFail($id)->revision)->toBe(1)
        ->and(Garden::count())->toBe(1);
});

it('stores nothing of a file that is refused', function (string $body) {
    send('POST', '/api/gardens', $body)->assertUnprocessable()->assertJsonStructure(['message', 'faults' => [['pointer', 'message']]]);

    expect(Garden::count())->toBe(0);
})->with([
    'no JSON' => ['so long'],
    'another format' => ['{"format":"seed-list"}'],
    'a newer version' => ['{"format":"kelp-tub.garden","version":9}'],
    'nothing' => [''],
    'three megabytes' => [fn () => '{"format":"kelp-tub.garden","version":1,"notes":"'.str_repeat('x', 3_000_000).'"}'],
    'a name too long' => [fn () => json_encode(['name' => str_repeat('x', 121)])],
]);

it('copies, deletes and brings back', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    $copy = send('POST', "/api/gardens/$id/copy", '{}')->assertCreated()->assertJson([
        'name' => 'Marsh Lantern copy',
        'revision' => 1,
    ])->json('id');
    send('DELETE', "/api/gardens/$id", '', ['If-Match' => '1'])->assertOk();

    expect(array_column(send('GET', '/api/gardens', '')->json('gardens'), 'id'))->toBe([$copy]);
    send('GET', "/api/gardens/$id", '')->assertNotFound()->assertJson(['message' => 'That garden is not here. It may have been deleted.']);
    send('POST', "/api/gardens/$id/restore", '{}')->assertOk()->assertJson(['revision' => 1]);
    expect(Garden::count())->toBe(2);
});

it('hands a garden out as a file that can be read again', function () {
    $nasty = str_replace('Marsh Lantern', '</script><b>"Ma\\\\rsh\\"', demo());
    $id = send('POST', '/api/gardens', str_replace('</script><b>"Ma\\\\rsh\\"', '</script><b>Marsh', $nasty))->assertCreated()->json('id');
    $file = send('GET', "/api/gardens/$id/file", '')->assertOk();

    expect($file->headers->get('Content-Disposition'))->toBe('attachment; filename="scriptbmarsh.kelp.json"')
        ->and(Gardens::reader()->read((string) $file->getContent())->name)->toBe('</script><b>Marsh')
        ->and(json_decode((string) $file->getContent()))->toEqual(json_decode(Garden::findOrFail($id)->document));
});

it('takes only JSON', function () {
    $this->post('/api/gardens', ['name' => 'x'])->assertStatus(415);
    $this->delete('/api/gardens/01')->assertStatus(415);
});

it('previews without a database and as the command line does', function () {
    config(['database.connections.mariadb.port' => 1]);
    // So much a request: what is still pending is asked for again.
    for ($asked = 0, $report = null; $report === null || ($asked < 5 && str_contains($report->content(), '"pending":true')); $asked++) {
        $this->app->forgetInstance('planner.final');
        $report = send('POST', '/api/plan', demo())->assertOk();
    }
    exec(escapeshellarg(base_path('bin/kelp')).' plan '.escapeshellarg(base_path('data/demo.kelp.json')).' --json', $lines);

    $said = static fn (array $report): array => array_map(static fn (array $f): string => $f['says'], $report['findings']);
    $figures = static fn (array $report): array => array_diff_key($report, ['findings' => true]);
    // The command line has the days of the seasons besides, and what hangs on them.
    $later = ['next_tub', 'monthly', 'month', 'harvest_value', 'harvest_range', 'payback_days', 'payback_range'];
    $shortly = static function (array $report) use ($later): array {
        $report['budget'] = array_fill_keys($later, null) + $report['budget'];
        foreach ($report['tubs'] as &$tub) {
            $tub['season'] = ['start' => null, 'days' => null] + $tub['season'];
        }

        return $report;
    };
    $preview = send('POST', '/api/preview', demo())->json();
    expect($report->json())->toEqual($shortly(json_decode(implode("\n", $lines), true)))
        // What took longer is known by now: the preview says the same, but for the trial of remedies.
        ->and($figures($preview))->toEqual($figures($report->json()))
        ->and($said($preview))->toBe($said($report->json()))
        ->and(array_merge(...array_map(static fn (array $f): array => array_column($f['remedies'], 'pending'), $preview['findings'])))
        ->not->toContain(false);
});

it('says so when the database does not answer', function () {
    $this->app['db']->purge('mariadb');
    config(['database.connections.mariadb.port' => 1]);

    send('GET', '/api/gardens', '')->assertStatus(503)->assertJsonFragment(
        ['message' => 'The database does not answer. Your edits are kept on this page and saved when it is back.'],
    );
    $this->get('/')->assertStatus(503)->assertSee('The database does not answer');
});

it('reads a batch of measures', function () {
    $readings = $this->postJson('/api/read', ['units' => 'metric', 'texts' => [
        ['text' => '2 3/8 in', 'dimension' => 'length'],
        ['text' => '5 gal', 'dimension' => 'volume'],
        ['text' => 'big', 'dimension' => 'length'],
        ['text' => '', 'dimension' => 'length'],
        ['text' => '€15,50', 'dimension' => 'money', 'currency' => 'EUR'],
        ['text' => '$15', 'dimension' => 'money', 'currency' => 'EUR'],
    ]])->assertOk()->json('readings');

    expect($readings[0])->toBe(['value' => 60.325, 'unit' => 'in', 'note' => null])
        ->and($readings[1]['note'])->toContain('US gallon')
        ->and($readings[2]['error'])->toContain('"big"')
        ->and($readings[3]['error'])->toContain('Nothing was given')
        ->and($readings[4])->toBe(['value' => 15.5, 'unit' => 'EUR', 'note' => null])
        ->and($readings[5]['error'])->toContain('is not in EUR');
    $this->postJson('/api/read', ['units' => 'cubits', 'texts' => []])->assertUnprocessable();
    $this->postJson('/api/read', ['units' => 'metric', 'texts' => [['text' => '15', 'dimension' => 'money']]])->assertUnprocessable();
});

it('shows the pages', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');

    $this->get('/')->assertOk()->assertInertia(fn ($page) => $page->component('Gardens')->where('gardens.0.name', 'Marsh Lantern'));
    $this->get("/gardens/$id")->assertOk()->assertInertia(
        fn ($page) => $page->component('Workbench')->where('revision', 1)->has('library.crops', 42)->has('library.vessels'),
    );
    $this->get('/gardens/nothing')->assertNotFound()->assertSee('That garden is not here');
    $this->get('/nowhere')->assertNotFound();
});

it('puts in the demo garden once', function () {
    $this->artisan('kelp:demo')->assertSuccessful();
    $this->artisan('kelp:demo')->assertSuccessful();
    expect(Garden::count())->toBe(1);
    $pictured = array_filter(array_map(
        static fn (string $text): ?string => json_decode($text)->photo ?? null,
        LogEntry::query()->pluck('document')->all(),
    ));
    expect($pictured)->not->toBe([])->and(app(Photos::class)->of(Garden::firstOrFail()->id))->toEqualCanonicalizing($pictured);
    Garden::firstOrFail()->delete();
    $this->artisan('kelp:demo')->assertSuccessful();
    expect(Garden::count())->toBe(0);
});

it('previews at once while a spread is not known, works it out on asking, and never twice', function () {
    $garden = '{"format":"kelp-tub.garden","version":1,'
        .'"tubs":[{"id":"a","system":"passive","vessel":"tote-45","layout":{"pattern":"spread","cups":7}}]}';
    send('POST', '/api/preview', $garden)->assertJsonPath('tubs.0.layout.pending', true);
    $final = send('POST', '/api/plan', $garden)
        ->assertJsonPath('tubs.0.layout.pending', false)
        ->assertJsonPath('tubs.0.layout.pattern', 'spread');

    expect(
        send('POST', '/api/preview', $garden)->assertJsonPath('tubs.0.layout.pending', false)->json('tubs.0.layout'),
    )->toBe($final->json('tubs.0.layout'));
});

it('offers the other patterns of a lid with their figures', function () {
    $garden = '{"format":"kelp-tub.garden","version":1,'
        .'"tubs":[{"id":"a","system":"passive","vessel":"tote-45","layout":{"pattern":"grid","cups":8}}]}';
    $candidates = collect(send('POST', '/api/layouts?tub=a', $garden)->assertOk()->json('candidates'))->keyBy('pattern');

    // Eight in a grid stand 163 apart; no other is narrower than the corners, and spread is the widest.
    expect($candidates->keys()->all())->toBe(['grid', 'staggered', 'ring', 'corners', 'spread'])
        ->and($candidates['grid']['spacing_mm'])->toEqualWithDelta(163.0, 1e-6)
        ->and($candidates['grid']['count'])->toBe(8)
        ->and($candidates['spread']['spacing_mm'])->toBeGreaterThanOrEqual($candidates->where('count', 8)->max('spacing_mm') - 1e-6)
        ->and($candidates['spread']['holes'])->toHaveCount(8);
    send('POST', '/api/layouts?tub=b', $garden)->assertNotFound();
});

it('begins a garden in the units and the money of the one last worked on', function () {
    $blank = send('POST', '/api/gardens', '{"name":"First"}')->assertCreated()->json('id');
    expect(send('GET', "/api/gardens/$blank", '')->json('document'))->toContain('"units":"metric"')->not->toContain('currency');
    $dollars = '{"format":"kelp-tub.garden","version":1,"units":"us","money":{"currency":"USD","cap":50}}';
    send('POST', '/api/gardens', $dollars)->assertCreated();
    $next = send('POST', '/api/gardens', '{"name":"Second"}')->assertCreated()->json('id');

    expect(json_decode(send('GET', "/api/gardens/$next", '')->json('document'), true))
        ->toMatchArray(['units' => 'us', 'money' => ['currency' => 'USD']]);
});

it('says how many cups go so far apart', function () {
    $tub = '{"id":"a","system":"aerated","vessel":"tote-45","layout":{"pattern":"grid"}}';
    $garden = '{"format":"kelp-tub.garden","version":1,"tubs":['.$tub.']}';

    expect(send('POST', '/api/apart?tub=a&mm=177.8', $garden)->assertOk()->json('cups'))->toBe([6]);
    send('POST', '/api/apart?tub=a&mm=0', $garden)->assertStatus(422);
    send('POST', '/api/apart?tub=b&mm=100', $garden)->assertStatus(404);
});

it('tries the ways of so many findings as are asked for, and refuses what is no number', function () {
    $garden = '{"format":"kelp-tub.garden","version":1,"tubs":[{"id":"a","system":"passive","vessel":"tote-clear-35","cup":"net-cup-50",'
        .'"crop":"tomato-dwarf","layout":{"pattern":"grid","cups":6}}]}';
    $pending = static fn (string $query): int => count(array_filter(
        array_merge(...array_column(send('POST', "/api/plan?tub=a$query", $garden)->assertOk()->json('findings'), 'remedies')),
        static fn (array $way): bool => $way['pending'],
    ));

    expect($pending(''))->toBe(0)
        ->and($pending('&ways=0'))->toBeGreaterThan($pending('&ways=1'))
        ->and($pending('&ways=0&mark=crop'))->toBeLessThan($pending('&ways=0'));
    send('POST', '/api/plan?ways=many', $garden)->assertUnprocessable()->assertJsonPath('message', 'The ways field must be an integer.');
    $b = '{"id":"b","system":"passive","vessel":"tote-clear-35","crop":"tomato-dwarf"}';
    $two = str_replace('"tubs":[', "\"tubs\":[$b,", $garden);
    $others = static fn (string $air): array => array_values(array_unique(array_column(array_filter(
        send('POST', '/api/plan?tub=a&ways=9', str_replace('"tubs"', "$air\"tubs\"", $two))->assertOk()->json('findings'),
        static fn (array $f): bool => in_array(true, array_column($f['remedies'], 'pending'), true),
    ), 'tub')));
    // Of that tub and of what is on its pump.
    expect($others(''))->toBe(['b'])
        ->and($others('"air":[{"id":"p","pump":"pump-4w-2","branches":[{"tub":"a"},{"tub":"b"}]}],'))->toBe([]);
    send('POST', '/api/plan?ways=-1', $garden)->assertUnprocessable();
    send('POST', '/api/plan?tub[]=a', $garden)->assertUnprocessable();
});
