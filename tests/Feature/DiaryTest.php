<?php

declare(strict_types=1);

use App\Library\LibraryFiles;
use App\Logs\EntryStore;
use App\Models\Garden;
use App\Models\LogEntry;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use KelpTub\Core\File\SchemaCheck;
use KelpTub\Core\Log\MeterThinning;
use Sabre\VObject\Reader;
use Tests\Core\Grown;

/** A kept garden with one bucket of lettuce set in on 1 March 2027. */
function grownGarden(array $plantings = [[]], array $tub = []): string
{
    $garden = Grown::garden($tub, $plantings);

    return send('POST', '/api/gardens', (string) json_encode($garden->document))->assertCreated()->json('id');
}

/** @param  array<string, mixed>  $says */
function rawEntry(array $says, ?string $id = null): array
{
    return ['id' => $id ?? (string) Str::ulid(), 'tub' => 'tub', 'copy' => 1, 'at' => '2027-03-05T08:00', ...$says];
}

beforeEach(function () {
    $this->travelTo('2027-04-01 12:00:00');
});

it('keeps entries once, in any order, and says of each what came of it', function () {
    $id = grownGarden();
    [$a, $b] = [rawEntry(['ph' => 6.3]), rawEntry(['level_mm' => 200])];
    $results = static fn (array $entries): array => array_column(
        ask("/api/gardens/$id/entries", ['entries' => $entries])->assertOk()->json('entries'),
        'result',
    );

    expect($results([$a, rawEntry(['ph' => 63]), $b]))->toBe(['kept', 'refused', 'kept'])
        ->and($results([$b, $a, $a]))->toBe(['known', 'known', 'known'])
        ->and($results([['ph' => 6.4] + $a]))->toBe(['refused'])
        ->and($results([rawEntry(['ph' => 6.1], Str::upper(Str::ulid()))]))->toBe(['kept'])
        ->and(LogEntry::where('garden_id', $id)->count())->toBe(3)
        // Writing one is no edit of the design.
        ->and(Garden::findOrFail($id)->revision)->toBe(1);
});

it('answers an entry that is sent twice in one batch, and one that is none', function () {
    $id = grownGarden();
    $a = rawEntry(['ph' => 6.3]);
    $answer = ask(
        "/api/gardens/$id/entries",
        ['entries' => [$a, $a, 'x', ['id' => 'y'], rawEntry(['at' => '2027-04-20T08:00', 'ph' => 6])]],
    );

    expect(array_column($answer->json('entries'), 'result'))->toBe(['kept', 'known', 'refused', 'refused', 'refused'])
        ->and($answer->json('entries.4.message'))->toContain('still to come');
});

it('bounds a batch, and refuses what is no list', function () {
    $id = grownGarden();
    ask(
        "/api/gardens/$id/entries",
        ['entries' => array_map(static fn (): array => rawEntry(['ph' => 6]), range(1, 501))],
    )->assertStatus(422);
    ask("/api/gardens/$id/entries", ['entries' => []])->assertStatus(422);
    ask("/api/gardens/$id/entries", ['entries' => 'x'])->assertStatus(422);
    ask('/api/gardens/01zzzzzzzzzzzzzzzzzzzzzzzz/entries', ['entries' => [rawEntry(['ph' => 6])]])->assertNotFound();

    expect(LogEntry::count())->toBe(0);
});

it('hands entries out in pages, from a number on', function () {
    $id = grownGarden();
    foreach (range(0, 2) as $batch) {
        $some = array_map(static fn (int $i): array => rawEntry(['note' => "n$batch-$i"]), range(1, 250));
        ask("/api/gardens/$id/entries", ['entries' => $some])->assertOk();
    }
    $first = send('GET', "/api/gardens/$id/entries?tub=tub&copy=1", '')->assertOk();
    $second = send('GET', "/api/gardens/$id/entries?tub=tub&copy=1&after={$first->json('last')}", '');

    expect($first->json('entries'))->toHaveCount(500)->and($first->json('next'))->toBeTrue()
        ->and($second->json('entries'))->toHaveCount(250)->and($second->json('next'))->toBeFalse()
        ->and(send('GET', "/api/gardens/$id/entries?tub=other", '')->json('entries'))->toBe([]);
});

it('tells how a copy stands, what its log means and what is due', function () {
    $id = grownGarden();
    ask("/api/gardens/$id/entries", ['entries' => [
        rawEntry(['level_mm' => 180, 'ec_ms_cm' => 1.0, 'ph' => 7.4, 'signs' => ['pale-new-leaves']]),
    ]])->assertOk();
    $diary = send('GET', "/api/gardens/$id/diary?tub=tub&now=2027-03-06T08:00", '')->assertOk();

    expect(array_column($diary->json('findings'), 'code'))->toContain('log.locked', 'log.ph-out')
        ->and($diary->json('readings.0.level_mm'))->toEqual(180)
        ->and($diary->json('today.date'))->toBe('2027-03-06')
        ->and($diary->json('courses.0.start'))->toBe('2027-03-01')
        ->and($diary->json('courses.0.days.4.morning.level_mm'))->toEqualWithDelta(180, 1e-6)
        ->and($diary->json('next'))->not->toBe([])
        ->and(
            send('GET', "/api/gardens/$id/diary?tub=none&now=2027-03-06T08:00", '')->assertStatus(422)->json('faults.0.pointer')
        )->toBe('/tub')
        ->and(send('GET', "/api/gardens/$id/diary?tub=tub&now=soon", '')->assertStatus(422)->json('faults.0.pointer'))->toBe('/now');
});

it('follows a design that is not saved yet', function () {
    $id = grownGarden();
    $document = json_decode(Garden::findOrFail($id)->document);
    $document->plantings[0]->transplanted = '2027-03-15';
    $days = ask(
        "/api/gardens/$id/days",
        ['garden' => $document, 'now' => '2027-03-02T08:00', 'from' => '2027-02-01', 'to' => '2027-06-01'],
    );
    $kept = send('GET', "/api/gardens/$id/days?now=2027-03-02T08:00&from=2027-02-01&to=2027-06-01", '');

    expect($days->json('copies.0.plantings.0.set_in'))->toBe('2027-03-15')
        ->and($kept->json('copies.0.plantings.0.set_in'))->toBe('2027-03-01');
});

it('reads a line as the tub stands, and keeps nothing', function () {
    $id = grownGarden();
    ask("/api/gardens/$id/entries", ['entries' => [rawEntry(['level_mm' => 200])]]);
    $read = ask(
        "/api/gardens/$id/entries/read",
        ['tub' => 'tub', 'now' => '2027-03-06T08:00', 'text' => 'down 2 cm, pH 6.1, 840 ppm'],
    )->assertOk();

    expect($read->json('entry.level_mm'))->toEqual(180)->and($read->json('entry.ph'))->toBe(6.1)
        ->and($read->json('asks.0.about'))->toBe('ppm')
        ->and(LogEntry::count())->toBe(1);
});

it('says what is due over all gardens, and works it out anew when something is new', function () {
    $id = grownGarden();
    send('POST', '/api/gardens', demo())->assertCreated();
    $due = static fn (string $now): array => send('GET', "/api/due?now=$now", '')->assertOk()->json('gardens');
    $first = $due('2027-03-20T08:00');
    DB::enableQueryLog();
    $again = $due('2027-03-20T09:00');
    $queries = count(DB::getQueryLog());

    expect($first)->toHaveCount(1)->and($first[0]['id'])->toBe($id)
        ->and($again)->toBe($first)->and($queries)->toBeLessThan(6)
        ->and(array_column($first[0]['tubs'][0]['items'], 'kind'))->toContain('change')
        ->and($due('2027-03-21T08:00')[0]['tubs'][0]['today']['date'])->toBe('2027-03-21');
    $change = array_values(array_filter($first[0]['tubs'][0]['items'], static fn (array $i): bool => $i['kind'] === 'change'))[0];
    ask("/api/gardens/$id/entries", ['entries' => [rawEntry(['change' => true, 'did' => [$change['key']], 'at' => '2027-03-20T09:00'])]]);

    expect(array_column($due('2027-03-20T10:00')[0]['tubs'][0]['items'], 'key'))->not->toContain($change['key']);
});

it('puts a log into the garden’s file and reads it out of it, to the letter', function () {
    $id = grownGarden();
    $entries = [
        rawEntry(['ph' => 6.3, 'note' => 'größer: 10 %']),
        rawEntry(['level_mm' => 200.0]),
        rawEntry(['top_up_l' => 3, 'top_up_ec' => 0.6]),
    ];
    ask("/api/gardens/$id/entries", ['entries' => $entries])->assertOk();
    $file = (string) send('GET', "/api/gardens/$id/file", '')->getContent();
    $copy = send('POST', '/api/gardens', $file)->assertCreated()->json('id');

    expect(json_decode($file)->entries)->toHaveCount(3)
        ->and((string) send('GET', "/api/gardens/$copy/file", '')->getContent())->toBe($file)
        ->and(Garden::findOrFail($copy)->document)->not->toContain('entries')
        ->and(LogEntry::where('garden_id', $copy)->count())->toBe(3);
});

it('refuses a file with an entry that cannot be, whole', function () {
    $document = Grown::garden()->document;
    $document->entries = [rawEntry(['ph' => 63])];

    expect(
        send('POST', '/api/gardens', (string) json_encode($document))->assertStatus(422)->json('faults.0.pointer')
    )->toBe('/entries/0/ph')
        ->and(Garden::count())->toBe(0)->and(LogEntry::count())->toBe(0);
});

it('keeps a log with everything, brings back what is missing, and goes with a garden that is deleted', function () {
    $id = grownGarden();
    ask("/api/gardens/$id/entries", ['entries' => [rawEntry(['ph' => 6.3]), rawEntry(['ph' => 6.4])]])->assertOk();
    $everything = send('GET', '/api/everything', '')->streamedContent();
    LogEntry::query()->limit(1)->delete();
    $same = send('POST', '/api/everything', $everything)->assertOk();

    expect($same->json('same'))->toBeGreaterThanOrEqual(1)->and(LogEntry::where('garden_id', $id)->count())->toBe(2);
    send('DELETE', "/api/gardens/$id", '', ['If-Match' => '1'])->assertOk();
    send('POST', "/api/gardens/$id/restore", '{}')->assertOk();
    expect(LogEntry::where('garden_id', $id)->count())->toBe(2);
    Garden::findOrFail($id)->forceDelete();
    expect(LogEntry::count())->toBe(0);
    send('POST', '/api/everything', $everything)->assertOk();
    expect(LogEntry::where('garden_id', $id)->count())->toBe(2);
});

it('leaves what was sown and read behind when a garden is copied', function () {
    $id = grownGarden();
    ask("/api/gardens/$id/entries", ['entries' => [rawEntry(['ph' => 6.3])]]);
    $copy = send('POST', "/api/gardens/$id/copy", '{}')->assertCreated();

    expect(json_decode($copy->json('document'))->plantings)->toBe([])
        ->and(LogEntry::where('garden_id', $copy->json('id'))->count())->toBe(0);
});

it('copies a garden with its log where that is asked for, once and to the letter', function () {
    $id = grownGarden();
    $garden = json_decode((string) json_encode(json_decode(Garden::findOrFail($id)->document)));
    $entries = [
        rawEntry(['ph' => 6.3, 'photo' => (string) Str::ulid()]),
        rawEntry(['level_mm' => 200, 'from' => 'meter', 'at' => '2027-03-05T08:00']),
        rawEntry(['level_mm' => 199, 'from' => 'meter', 'at' => '2027-03-05T12:00']),
    ];
    expect(ask("/api/gardens/$id/entries", ['entries' => $entries])->json('entries.*.result'))->toBe(['kept', 'kept', 'kept']);
    $folder = config('kelp.photos').'/'.strtolower($id);
    File::ensureDirectoryExists($folder);
    file_put_contents("$folder/{$entries[0]['photo']}.jpg", 'large');
    file_put_contents("$folder/{$entries[0]['photo']}.small.jpg", 'small');

    $asked = fn () => send('POST', "/api/gardens/$id/copy", '{"log": true}', ['Idempotency-Key' => 'copy-with-log'])->assertCreated();
    $copy = $asked()->json('id');
    expect($asked()->json('id'))->toBe($copy)->not->toBe($id);
    $rows = static fn (string $of): array => LogEntry::where('garden_id', $of)->orderBy('id')
        ->get(['entry', 'tub', 'copy', 'planting', 'at', 'minor', 'document'])->toArray();
    $there = config('kelp.photos').'/'.strtolower($copy);
    expect($rows($copy))->toBe($rows($id))->toHaveCount(3)->and(array_column($rows($copy), 'minor'))->toEqual([0, 0, 1])
        ->and(json_decode(Garden::findOrFail($copy)->document)->plantings)->toEqual($garden->plantings)
        ->and(file_get_contents("$there/{$entries[0]['photo']}.jpg"))->toBe('large')
        ->and(file_get_contents("$there/{$entries[0]['photo']}.small.jpg"))->toBe('small')
        ->and(send('GET', '/', '')->viewData('page')['props']['gardens'][0]['logged'])->toBeTrue();
    send('POST', "/api/gardens/$id/copy", '{"log": "yes"}')->assertUnprocessable();
});

it('takes a table of a log, all or nothing, and hands out what it takes', function () {
    $id = grownGarden();
    $import = static fn (string $text) => ask("/api/gardens/$id/entries/import", ['tub' => 'tub', 'text' => $text]);
    $table = "ph;at;level_mm;change;note\n6,3;2027-03-05 08:00;200,5;;\"mit Komma, hier\"\n;2027-03-06T08:00;190;yes;'=SUM(1)\n\n";

    expect($import($table)->assertOk()->json('kept'))->toBe(2);
    $csv = (string) send('GET', "/api/gardens/$id/entries/file.csv?tub=tub", '')->getContent();
    $json = (string) send('GET', "/api/gardens/$id/entries/file.json?tub=tub", '')->getContent();
    expect($csv)->toContain("2027-03-06T08:00,190,,,,,,yes,,,,,,'=SUM(1)")->and($csv)->toContain('200.5')
        ->and($import($json)->json('kept'))->toBe(0);

    $other = grownGarden();
    expect(ask("/api/gardens/$other/entries/import", ['tub' => 'tub', 'text' => $csv])->json('kept'))->toBe(2)
        ->and((string) send('GET', "/api/gardens/$other/entries/file.csv?tub=tub", '')->getContent())->toBe($csv);
});

it('writes a table in which nothing is lost, and knows it again where it is from', function () {
    $id = grownGarden();
    $all = [
        rawEntry(['dose' => ['A' => ['ml' => 12.5], 'salts, bloom' => ['g' => 3]], 'top_up_l' => 3, 'top_up_ec' => 0.6]),
        rawEntry(['signs' => ['brown-roots', 'white-crust'], 'did' => ['a/check/2'], 'photo' => (string) Str::ulid(), 'from' => 'meter']),
    ];
    ask("/api/gardens/$id/entries", ['entries' => $all])->assertJsonPath('entries.1.result', 'kept');
    $csv = (string) send('GET', "/api/gardens/$id/entries/file.csv?tub=tub", '')->getContent();
    expect(ask("/api/gardens/$id/entries/import", ['tub' => 'tub', 'text' => $csv])->json())->toBe(['kept' => 0]);

    LogEntry::query()->delete();
    expect(ask("/api/gardens/$id/entries/import", ['tub' => 'tub', 'text' => $csv])->json('kept'))->toBe(2);
    $texts = LogEntry::query()->orderBy('id')->pluck('document')->all();
    $come = array_map(static fn (string $text): array => json_decode($text, true), $texts);
    expect($come)->toEqual($all)
        ->and(ask("/api/gardens/$id/entries/import", ['tub' => 'tub', 'text' => "at,dose\n2027-03-05T08:00,some A\n"])->json('faults.0'))
        ->toBe(['pointer' => '/rows/2/dose', 'message' => 'is an object, as in {"A": {"ml": 12}}']);
});

it('refuses a table with its rows, and keeps none of it', function (string $table, string $pointer, string $why) {
    $id = grownGarden();
    $fault = ask("/api/gardens/$id/entries/import", ['tub' => 'tub', 'text' => $table])->assertStatus(422)->json('faults.0');

    expect($fault['pointer'])->toBe($pointer)->and($fault['message'])->toContain($why)->and(LogEntry::count())->toBe(0);
})->with([
    'mixed decimals' => ["at;ph;level_mm\n2027-03-05T08:00;6,3;200\n2027-03-06T08:00;6.4;190\n", '/rows/3', 'points or commas'],
    'a column that there is not' => ["at,colour\n2027-03-05T08:00,red\n", '/rows/1', '"colour"'],
    'no moment' => ["at,ph\n2027-03-05T08:00,6.3\nyesterday,6.4\n", '/rows/3/at', 'is no moment'],
    'out of range' => ["at,ph\n2027-03-05T08:00,6.3\n2027-03-06T08:00,63\n", '/rows/3/ph', 'did it mean 6.3'],
    'no JSON' => ['[{"at": ', '/text', 'is not JSON'],
]);

it('writes a calendar that can be read in again: what moved is told, what fell away is cancelled', function () {
    $id = grownGarden();
    $level = error_reporting(E_ALL & ~E_DEPRECATED);
    $calendar = static function () use ($id): array {
        $text = (string) send('GET', "/api/gardens/$id/days.ics?now=2027-03-02T08:00", '')->assertOk()->getContent();
        $events = [];
        foreach (Reader::read($text)->select('VEVENT') as $event) {
            $events[(string) $event->UID] = [(string) $event->DTSTART, (int) (string) $event->SEQUENCE, (string) $event->STATUS];
        }

        return $events;
    };
    $first = $calendar();
    expect($calendar())->toBe($first)->and(count($first))->toBeGreaterThan(6)
        ->and(max(array_column($first, 1)))->toBe(0);

    $document = json_decode(Garden::findOrFail($id)->document);
    $document->plantings[0]->transplanted = '2027-03-08';
    send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => '1'])->assertOk();
    $moved = $calendar();
    $key = "p0/set-in@$id.kelp-tub";
    expect($moved[$key])->toBe(['20270308', $first[$key][1] + ($first[$key][0] === '20270308' ? 0 : 1), 'CONFIRMED']);

    $document->plantings = [];
    send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => '2'])->assertOk();
    $gone = $calendar();
    error_reporting($level);

    expect(array_unique(array_column($gone, 2)))->toBe(['CANCELLED'])
        ->and($gone["p0/pick@$id.kelp-tub"][1])->toBeGreaterThan($moved["p0/pick@$id.kelp-tub"][1]);
});

it('puts a month on paper: each day with what is due, and overleaf what does not go into it', function () {
    $id = grownGarden();
    $text = static function (string $query) use ($id): string {
        $file = tempnam(sys_get_temp_dir(), 'kelp') ?: '';
        file_put_contents($file, send('GET', "/api/gardens/$id/days.pdf?now=2027-03-02T08:00$query", '')->assertOk()->getContent());
        $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -');
        unlink($file);

        return $text;
    };
    $march = $text('');
    expect($march)->toContain('March 2027')->toContain('Look at it')->toContain('Change the water')->toContain('Sunday')
        ->and(preg_match_all('/\b31\b/', $march))->toBeGreaterThan(0)
        ->and($text('&month=2027-04'))->toContain('April 2027')->toContain('First harvest')
        ->and(preg_match('/\b31\b/', $text('&month=2027-04')))->toBe(0);
    send('GET', "/api/gardens/$id/days.pdf?now=2027-03-02T08:00&month=2027-13", '')->assertStatus(422);

    // Six copies more than a field can hold.
    $document = json_decode(Garden::findOrFail($id)->document);
    $document->tubs[0]->count = 12;
    $document->plantings = array_map(
        static fn (int $copy): stdClass => (object) ['id' => "p$copy", 'tub' => 'tub', 'copy' => $copy, 'transplanted' => '2027-03-01'],
        range(1, 12),
    );
    send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => '1'])->assertOk();
    $all = $text('');
    expect($all)->toContain('overleaf')->toContain('what did not go into its day')
        ->and(substr_count($all, 'Change the'))->toBe(12 * substr_count($march, 'Change the'));
});

it('says when to sow for a steady supply, and refuses what cannot be', function () {
    $id = grownGarden([]);
    $ask = static fn (array $more) => ask("/api/gardens/$id/succession", [
        'crop' => 'lettuce-leaf', 'plants' => 1, 'from' => '2027-05-01', 'to' => '2027-06-01', 'now' => '2027-03-02T08:00', ...$more,
    ]);
    $answer = $ask([])->assertOk();
    expect($answer->json('sowings.0.cups'))->toBe([1])->and($answer->json('plantings.0.crop'))->toBe('lettuce-leaf')
        ->and($answer->json('missed'))->not->toBe([]);

    // What it answers can be planted.
    $document = json_decode(Garden::findOrFail($id)->document);
    $document->plantings = array_map(
        static fn (array $p, int $i): array => ['id' => "s$i", ...$p],
        $answer->json('plantings'),
        array_keys($answer->json('plantings')),
    );
    send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => '1'])->assertOk();

    $ask(['crop' => 'unicorn'])->assertStatus(422)->assertJsonPath('faults.0.pointer', '/crop');
    $ask(['to' => '2027-04-01'])->assertStatus(422)->assertJsonPath('faults.0.pointer', '/to');
    $ask(['to' => '2029-04-01'])->assertStatus(422);
    $ask(['plants' => 0])->assertStatus(422);
    $ask(['plants' => null])->assertStatus(422);
    $ask(['plants' => null, 'grams' => 100])->assertOk();
});

it('fetches of a meter’s readings just those that count, whichever way and in whichever order they came', function () {
    $this->travelTo('2027-09-01 12:00:00');
    mt_srand(5);
    $id = grownGarden([['id' => 'p'], ['id' => 'q', 'copy' => 2]], ['count' => 2]);
    $all = [];
    for ($i = 0; $i < 900; $i++) {
        $day = mt_rand(0, 5) === 0 ? mt_rand(0, 3) : mt_rand(0, 60);
        $at = date('Y-m-d', strtotime('2027-05-01 UTC') + $day * 86400).sprintf('T%02d:%02d', mt_rand(0, 23), mt_rand(0, 59));
        $all[] = rawEntry(['at' => $at, 'ph' => 6, 'copy' => mt_rand(1, 2), ...(mt_rand(0, 9) > 0 ? ['from' => 'meter'] : [])]);
    }
    // Half of them by the page, an hour's worth at a time; half in a file that is read in over it.
    foreach (array_chunk(array_slice($all, 0, 450), 37) as $some) {
        ask("/api/gardens/$id/entries", ['entries' => $some])->assertOk();
    }
    app(EntryStore::class)->bring(Garden::findOrFail($id), json_decode((string) json_encode($all)));
    expect(LogEntry::query()->count())->toBe(900);

    $ids = static fn (array $raws): array => array_map(static fn (object $raw): string => $raw->id, $raws);
    $thinned = $ids(MeterThinning::of(json_decode((string) json_encode($all))));
    $fetched = $ids(app(EntryStore::class)->entries(Garden::findOrFail($id))->all);
    $ofCopy = $ids(app(EntryStore::class)->entries(Garden::findOrFail($id), 'tub', 2)->all);
    sort($thinned);
    sort($fetched);
    $two = array_column(array_filter($all, static fn (array $raw): bool => $raw['copy'] === 2), 'id');
    expect(count($thinned))->toBeLessThan(700)->and($fetched)->toBe($thinned)
        ->and($ofCopy)->toEqualCanonicalizing(array_values(array_intersect($thinned, $two)))
        // What is handed out is all of it.
        ->and(app(EntryStore::class)->all(Garden::findOrFail($id), 'tub', 2)->all)->toHaveCount(count($two));
});

it('lists as due what the days have, though it runs no further than it must', function () {
    $id = grownGarden(
        [
            ['id' => 'p', 'transplanted' => '2027-03-01', 'cups' => [1]],
            ['id' => 'q', 'transplanted' => '2027-03-20', 'copy' => 2],
            ['id' => 'r', 'transplanted' => '2027-03-24', 'cups' => [2]],
        ],
        ['count' => 2],
    );
    foreach (['2027-03-05', '2027-03-22', '2027-04-02'] as $day) {
        $due = send('GET', "/api/due?now={$day}T09:00", '')->assertOk()->json('gardens.0.tubs');
        $to = date('Y-m-d', strtotime("$day +7 days"));
        $from = date('Y-m-d', strtotime("$day -14 days"));
        $answer = send('GET', "/api/gardens/$id/days?now={$day}T09:00&from=$from&to=$to", '')->assertOk();
        $check = new SchemaCheck(app(LibraryFiles::class)->schema('days'));
        expect(array_map(strval(...), $check->faults(json_decode((string) $answer->getContent()))))->toBe([]);
        $days = $answer->json('copies');
        // While a planting is held it comes without, and is the same else.
        $held = send('GET', "/api/gardens/$id/days?now={$day}T09:00&from=$from&to=$to&range=no", '')->json('copies');
        $bare = static fn (array $copy): array => [
            ...$copy,
            'courses' => array_map(static fn (array $c): array => array_diff_key($c, ['low_l' => 1, 'high_l' => 1]), $copy['courses']),
        ];
        expect($held)->toBe(array_map($bare, $days))->not->toBe($days);
        foreach ($days as $i => $copy) {
            $open = array_values(array_filter($copy['items'], static fn (array $item): bool => $item['done'] === null));
            expect($due[$i]['items'])->toBe($open)->and($due[$i]['today'])->toBe($copy['today'])
                ->and($copy['courses'][0])->toHaveKeys(['low_l', 'high_l']);
        }
    }
});
