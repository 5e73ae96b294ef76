<?php

declare(strict_types=1);

use App\Meters\MeterReadings;
use App\Meters\MeterService;
use App\Models\Garden;
use App\Models\LogEntry;
use App\StandIns\SimulatedProbe;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Str;
use KelpTub\Core\Numbers\Dates;
use Tests\Core\Grown;

// Meters: the stand-in that ships with the product, what the log takes from it, and how its bad days are handled.

beforeEach(function () {
    $this->travelTo('2027-04-01 12:00:00');
    // The stand-in is asked as it is served, without a server between.
    $http = new Factory;
    $http->fake(function (Request $request) use ($http) {
        $answer = send('GET', '/stand-ins/meter?'.parse_url($request->url(), PHP_URL_QUERY), '');

        return $http->response((string) $answer->getContent(), $answer->status());
    });
    app()->instance(MeterService::class, new MeterService($http, 'http://meter'));
});

/** A kept garden with one bucket of lettuce set in on 1 March 2027, and a meter in it. */
function meteredGarden(string $probe, array $more = []): string
{
    $document = Grown::garden([], [[]])->document;
    $document->meters = [(object) ['tub' => 'tub', 'probe' => $probe, ...$more]];

    return send('POST', '/api/gardens', (string) json_encode($document))->assertCreated()->json('id');
}

/** Asks it every so many hours. @return array{int, int} */
function metered(string $from, int $times, float $hours): array
{
    $sum = [0, 0];
    $start = Dates::number(substr($from, 0, 10)) * 1440 + (int) substr($from, 11, 2) * 60 + (int) substr($from, 14, 2);
    for ($i = 0; $i < $times; $i++) {
        $minute = (int) round($start + $i * $hours * 60);
        $at = Dates::text(intdiv($minute, 1440)).sprintf('T%02d:%02d', intdiv($minute % 1440, 60), $minute % 60);
        [$kept, $away] = app(MeterReadings::class)->all($at);
        $sum = [$sum[0] + $kept, $sum[1] + $away];
    }

    return $sum;
}

/** @return list<string> what the log finds of its meter */
function probeSays(string $id, string $now): array
{
    $diary = ask("/api/gardens/$id/diary", ['tub' => 'tub', 'now' => $now])->assertOk();

    return array_values(array_column(
        array_filter($diary->json('findings'), static fn (array $f): bool => $f['code'] === 'log.probe'),
        'says',
    ));
}

it('follows the tub that it stands in, and is written down as what it is', function () {
    $id = meteredGarden('steady');
    $today = ask("/api/gardens/$id/diary", ['tub' => 'tub', 'now' => '2027-03-20T09:00'])->json('today');
    expect(ask("/api/gardens/$id/meter", ['tub' => 'tub', 'now' => '2027-03-20T09:00'])->assertOk()->json('away'))->toBeNull();
    $entry = json_decode(LogEntry::query()->firstOrFail()->document);

    expect($entry->from)->toBe('meter')->and($entry->at)->toBe('2027-03-20T09:00')
        ->and($entry->level_mm)->toEqualWithDelta($today['level_mm'], 1.5)
        ->and($entry->ec_ms_cm)->toEqualWithDelta($today['ec_ms_cm'], 0.05)
        ->and($entry->water_c)->toEqualWithDelta($today['water_c'], 0.5);
});

it('says nothing of a meter that is well, for two weeks', function () {
    $id = meteredGarden('steady');
    expect(metered('2027-03-08T00:00', 56, 6))->toBe([56, 0])->and(probeSays($id, '2027-03-21T18:30'))->toBe([]);
});

it('says within its six hours that a probe is stuck', function () {
    $id = meteredGarden('stuck');
    metered('2027-03-20T00:00', 22, 0.25);
    expect(probeSays($id, '2027-03-20T05:20'))->toBe([]);
    metered('2027-03-20T05:30', 3, 0.25);
    expect(implode(' ', probeSays($id, '2027-03-20T06:05')))->toContain('The pH probe stands still')->toContain('EC probe stands still');
});

it('says a jump at once, and that it is silent after an hour', function () {
    $id = meteredGarden('jumpy');
    // Of seven hours one is off.
    $jumps = array_values(array_filter(range(1, 23), static fn (int $h): bool => (Dates::number('2027-03-20') * 24 + $h) % 7 === 0));
    metered(sprintf('2027-03-20T%02d:00', $jumps[0] - 1), 5, 0.25);
    expect(implode(' ', probeSays($id, sprintf('2027-03-20T%02d:01', $jumps[0]))))->toContain('jumped');

    $id = meteredGarden('silent');
    expect(metered('2027-03-20T07:00', 8, 0.25)[1])->toBe(4);
    expect(probeSays($id, '2027-03-20T08:40'))->toBe([])
        ->and(implode(' ', probeSays($id, '2027-03-20T09:00')))->toContain('has said nothing');
});

it('says within two weeks of readings by hand that its pH drifts by a tenth a week', function () {
    $id = meteredGarden('drifting');
    metered('2027-03-08T08:00', 15, 24);
    foreach (['2027-03-08', '2027-03-12', '2027-03-15', '2027-03-18', '2027-03-22'] as $day) {
        $ph = ask("/api/gardens/$id/diary", ['tub' => 'tub', 'now' => "{$day}T08:10"])->json('today.ph');
        $meter = LogEntry::query()->where('garden_id', $id)->where('at', "{$day}T08:00")->value('document');
        // By hand the water is found as it is: without what the meter is off by since the first of March.
        $true = json_decode((string) $meter)->ph - 0.1 * (Dates::number($day) + 1 / 3 - Dates::number('2027-03-01')) / 7;
        expect($ph)->toBeFloat();
        ask("/api/gardens/$id/entries", ['entries' => [[
            'id' => (string) Str::ulid(), 'tub' => 'tub', 'at' => "{$day}T08:15", 'ph' => round($true, 2),
        ]]])->assertJsonPath('entries.0.result', 'kept');
    }

    expect(implode(' ', probeSays($id, '2027-03-22T08:30')))->toContain('drifts by 0.1');
});

it('puts right what a worn probe shows by two fluids, and judges it', function () {
    $id = meteredGarden('worn');
    $hold = static fn (float $ph): float => ask("/api/gardens/$id/meter/hold", ['tub' => 'tub', 'now' => '2027-03-20T08:00', 'ph' => $ph])
        ->assertOk()->json('shown');
    [$low, $high] = [$hold(4.0), $hold(7.0)];
    expect(LogEntry::count())->toBe(0)->and($low)->toEqualWithDelta(4.54, 0.03);
    $fluids = ['low' => 4, 'low_shown' => $low, 'high' => 7, 'high_shown' => $high];
    ask('/api/meter/judge', ['what' => 'ph', ...$fluids])->assertOk()->assertJsonPath('word', 'spent');
    ask('/api/meter/judge', ['what' => 'ph', ...$fluids, 'high' => 4])->assertStatus(422)->assertJsonPath('faults.0.pointer', '/high');

    $other = meteredGarden('worn', ['ph' => ['at' => '2027-03-20T08:00', ...$fluids]]);
    foreach ([$id, $other] as $garden) {
        ask("/api/gardens/$garden/meter", ['tub' => 'tub', 'now' => '2027-03-20T09:00'])->assertJsonPath('away', null);
    }
    [$raw, $right] = LogEntry::query()->orderBy('id')->pluck('document')->map(static fn (string $t) => json_decode($t)->ph)->all();
    expect($right)->toEqualWithDelta(7 + ($raw - 7) / wornSlope(), 0.05);
});

function wornSlope(): float
{
    $shown = (new SimulatedProbe('worn'))->shows(['ph' => 4.0], 20_000.0, 0.0)['ph'];

    return round((7 - $shown) / 3, 2);
}

it('writes nothing down of a meter that is away or talks nonsense', function (Closure $answers, string $why) {
    $id = meteredGarden('steady');
    $http = new Factory;
    $http->fake(static fn () => $answers($http));
    app()->instance(MeterService::class, new MeterService($http, 'http://meter'));
    $answer = ask("/api/gardens/$id/meter", ['tub' => 'tub', 'now' => '2027-03-20T09:00'])->assertOk();

    expect($answer->json('away'))->toContain($why)->and($answer->json('entry'))->toBeNull()->and(LogEntry::count())->toBe(0);
})->with([
    'not there' => [static fn () => throw new RuntimeException('no route'), 'does not answer'],
    'an error' => [static fn (Factory $h) => $h->response('{"message":"flat battery"}', 503), 'flat battery'],
    'no JSON' => [static fn (Factory $h) => $h->response('<html>'), 'makes no sense'],
    'nothing' => [static fn (Factory $h) => $h->response('{}'), 'shows nothing'],
    'words' => [static fn (Factory $h) => $h->response('{"ph":"six"}'), 'pH of "six"'],
    'what cannot be' => [static fn (Factory $h) => $h->response('{"ph":6.1,"ec_ms_cm":230}'), 'EC of 230'],
    'a list' => [static fn (Factory $h) => $h->response('{"level_mm":[1]}'), 'level of [1]'],
    'very much' => [static fn (Factory $h) => $h->response('{"ph":6,"x":"'.str_repeat('x', 20_000).'"}'), 'makes no sense'],
]);

it('goes with its tub, and stays behind where the garden is copied', function () {
    $id = meteredGarden('steady');
    ask("/api/gardens/$id/meter", ['tub' => 'other', 'now' => '2027-03-20T09:00'])->assertStatus(422);
    ask("/api/gardens/$id/meter", ['tub' => 'tub', 'now' => 'now'])->assertStatus(422);
    $document = json_decode(Garden::findOrFail($id)->document);
    $patch = ask('/api/edits/remove?tub=tub', (array) $document)->assertOk()->json('patch');
    expect(array_column(array_filter($patch, static fn (array $op): bool => $op['op'] === 'remove'), 'path'))->toContain('/meters/0');
    $copy = send('POST', "/api/gardens/$id/copy", '{}')->assertCreated()->json('document');
    expect(isset(json_decode($copy)->meters))->toBeFalse();
});

it('asks all meters by its clock, from the command that the timer runs', function () {
    meteredGarden('steady');
    meteredGarden('silent');
    $this->artisan('kelp:meters', ['--now' => '2027-03-20T12:00'])->expectsOutputToContain('kept: 1')->assertSuccessful();
    $this->artisan('kelp:meters', ['--now' => 'soon'])->assertFailed();
    expect(LogEntry::query()->value('at'))->toBe('2027-03-20T12:00');
});
