<?php

declare(strict_types=1);

use App\Weather\ForecastService;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Cache;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Season\SteadyWeather;
use Tests\Core\Gardens;

/** A garden of one fed tub. */
function fedGarden(array $garden = []): array
{
    return ['format' => 'kelp-tub.garden', 'version' => 1, ...$garden, 'tubs' => [[
        'id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'basil', 'layout' => ['cups' => 3],
        'stones' => ['kind' => 'disc-100'], 'feed' => 'f',
    ]], 'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']]];
}

it('looks at other years where it is asked to, at the page and on the command line', function () {
    $site = ['setting' => 'open', 'weather' => ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-05-20']];
    $garden = fedGarden(['site' => $site]);
    $asked = ask('/api/season', ['garden' => $garden, 'tub' => 'a', 'seeds' => 4])->assertOk()->json('years');
    $told = kelp(['season', '-', '--tub', 'a', '--json', '--seeds', '4'], (string) json_encode($garden));
    $words = kelp(['season', '-', '--tub', 'a', '--seeds', '4'], (string) json_encode($garden))->getOutput();
    $wrong = kelp(['season', '-', '--tub', 'a', '--seeds', 'many'], (string) json_encode($garden));

    expect($asked['years'])->toBe(4)->and(json_decode($told->getOutput(), true)['years']['harvests'])->toBe($asked['harvests'])
        ->and($words)->toContain("In {$asked['harvests']} of 4 years it comes to harvest")
        ->and($wrong->getExitCode())->toBe(2)->and($wrong->getErrorOutput().$wrong->getOutput())->toContain('--seeds is "many"')
        // Where it is not asked for there is none, and where every year is the same there are no others.
        ->and(ask('/api/season', ['garden' => $garden, 'tub' => 'a'])->json())->not->toHaveKey('years')
        ->and(ask('/api/season', ['garden' => fedGarden(), 'tub' => 'a', 'seeds' => 4])->json('years'))->toBeNull();
    ask('/api/season', ['garden' => $garden, 'tub' => 'a', 'seeds' => 51])->assertStatus(422);
});

it('runs seasons side by side', function () {
    $runs = ask('/api/season', ['garden' => fedGarden(), 'tub' => 'a', 'runs' => [
        ['policy' => new stdClass, 'what_ifs' => []],
        ['policy' => ['change' => 'weekly']],
        ['what_ifs' => ['heat@20x3+8']],
    ]])->assertOk()->json('runs');
    $weekly = kelp(['season', '-', '--tub', 'a', '--json', '--policy', 'change=weekly'], (string) json_encode(fedGarden()));
    $plan = json_decode($weekly->getOutput());

    expect($runs)->toHaveCount(3)
        ->and($runs[1]['season']['changes'])->toBeGreaterThan($runs[0]['season']['changes'])
        ->and($runs[2]['season']['days'][21]['water_c'])->toBeGreaterThan($runs[0]['season']['days'][21]['water_c'] + 3)
        // The page and the command line say the same.
        ->and($plan->season->days[30]->ec_ms_cm)->toBe($runs[1]['season']['days'][30]['ec_ms_cm'])
        ->and($runs[0]['figures'])->toHaveKeys(['water_l', 'feed', 'visits_a_week', 'days_out_of_ec', 'cost', 'yield_g'])
        ->and($runs[0]['band']['thirsty'])->toHaveCount(count($runs[0]['season']['days']));
});

it('refuses a season that cannot be, and says where', function (array $body, string $pointer, string $words) {
    $refused = ask('/api/season', ['garden' => fedGarden(), 'tub' => 'a', ...$body])->assertStatus(422);
    expect(collect($refused->json('faults') ?? [])->firstWhere('pointer', $pointer)['message'] ?? (string) json_encode($refused->json()))
        ->toContain($words);
})->with([
    'a tub that is not there' => [['tub' => 'z'], '/tub', 'no tub'],
    'after the last harvest' => [['runs' => [['what_ifs' => ['away@900x7']]]], '/runs', 'last harvest'],
    'a policy of no kind' => [['runs' => [['policy' => ['top_ups' => 'hourly']]]], '/runs', 'quarter'],
    'five at once' => [['runs' => array_fill(0, 5, ['policy' => []])], 'runs', '4'],
    'no garden' => [['garden' => 3], '/garden', 'not an object'],
    'a word for a run' => [['runs' => ['null']], '/runs/0', 'not an object'],
    'a list for a run' => [['runs' => [['policy' => []], []]], '/runs/1', 'not an object'],
    'a list for a policy' => [['runs' => [['policy' => ['weekly']]]], '/runs', '0'],
    'a what-if by name' => [['runs' => [['what_ifs' => ['a' => 'rain']]]], '/runs', 'rain'],
    'runs by name' => [['runs' => ['a' => ['what_ifs' => ['rain']]]], '/runs', 'rain'],
]);

it('says what to do about a reading', function () {
    $do = ask('/api/season/correct', ['garden' => fedGarden(), 'tub' => 'a', 'now_ms_cm' => 2.3, 'wanted_ms_cm' => 1.6])->assertOk();
    $litres = $do->json('litres');

    // (2.3 − 1.6)/(2.3 − 0.4) of it, and water alone.
    expect($do->json('take_out_l'))->toEqualWithDelta($litres * 0.7 / 1.9, 1e-9)
        ->and($do->json('put_in_l'))->toEqualWithDelta($do->json('take_out_l'), 1e-9)
        ->and($do->json('parts.0.g'))->toEqualWithDelta(0.0, 1e-9);
    $low = ask('/api/season/correct', [
        'garden' => fedGarden(), 'tub' => 'a', 'now_ms_cm' => 1.0, 'wanted_ms_cm' => 1.2, 'litres' => 10,
    ])->assertOk();
    expect($low->json('take_out_l'))->toEqualWithDelta(0.0, 1e-9)->and($low->json('parts.0.g'))->toBeGreaterThan(1.0);
    foreach ([['now_ms_cm' => -1], ['now_ms_cm' => 99], ['litres' => 900], ['now_ms_cm' => 'much']] as $wrong) {
        $body = ['garden' => fedGarden(), 'tub' => 'a', 'now_ms_cm' => 2, 'wanted_ms_cm' => 1, ...$wrong];
        ask('/api/season/correct', $body)->assertStatus(422);
    }
});

it('mixes a correction by the stage of the day on which it was read', function (string $product) {
    $garden = json_decode((string) json_encode(fedGarden()));
    $garden->feeds[0]->product = $product;
    $garden->tubs[0]->crop = 'chilli';
    $parts = Gardens::library()->products->raw($product)->parts;
    $reader = Gardens::reader();
    $feed = Gardens::plan($reader->fromDocument($garden))->get(FeedPlans::class)->of('a');
    foreach ([1, count($feed->run()->days) - 2] as $day) {
        $do = ask('/api/season/correct', [
            'garden' => $garden, 'tub' => 'a', 'now_ms_cm' => 1.0, 'wanted_ms_cm' => 1.15, 'litres' => 10, 'day' => $day,
        ])->assertOk();
        // What the parts bring to what is put in, by hand from the packet: each its EC per g or mL in a litre.
        $brought = 0.0;
        foreach ($do->json('parts') as $i => $part) {
            $brought += ($part['g'] ?? $part['ml']) * $parts[$i]->ec_per_unit / $do->json('put_in_l');
        }
        expect($do->json('reaches'))->toBeTrue()
            ->and($feed->mixing->source + $brought)->toEqualWithDelta($do->json('ec_ms_cm'), 1e-9)
            ->and($do->json('parts'))->toHaveCount(count($parts));
    }
})->with(['two-part-dry', 'three-part-liquid', 'three-part-dry']);

it('reads a dose as it stands on the packet', function () {
    $readings = ask('/api/read', ['units' => 'metric', 'texts' => [
        ['text' => '3/4 tsp per gallon', 'dimension' => 'label'], ['text' => 'a pinch', 'dimension' => 'label'],
    ]])->assertOk()->json('readings');
    expect($readings[0]['unit'])->toBe('mL/L')->and($readings[0]['note'])->toContain('US gallon')
        ->and($readings[1]['error'])->toContain('per gallon');
});

it('looks closely at the air, ranks pumps, and reads a pump of one\'s own', function () {
    $garden = (string) json_encode(fedGarden());
    $look = send('POST', '/api/air?tub=a&day=10&battery_wh=144&trouble=clogged-stone', $garden)->assertOk();
    expect($look->json('trouble'))->toBe('clogged-stone')->and($look->json('outage.battery_min'))->toBeGreaterThan(600);
    send('POST', '/api/air?tub=z', $garden)->assertStatus(422);
    send('POST', '/api/air?tub=a&trouble=gremlins', $garden)->assertStatus(422);
    send('POST', '/api/air?tub=a&battery_wh=-3', $garden)->assertStatus(422);
    expect(send('POST', '/api/pumps?tub=a', $garden)->assertOk()->json('pumps'))->toHaveCount(13)
        ->and(ask('/api/pumps/curve', ['way' => 'box', 'free_flow_l_min' => 4, 'max_pressure_kpa' => 20])->assertOk()->json('curve'))
        ->toEqual([[0, 20], [4, 0]]);
    $refused = ask('/api/pumps/curve', ['way' => 'bucket', 'fills' => [['litres' => 1, 'seconds' => 0, 'depth_mm' => 100]]]);
    expect($refused->assertStatus(422)->json('faults.0.message'))->toContain('seconds');
    ask('/api/pumps/curve', ['way' => 'guess'])->assertStatus(422);
    $named = ['way' => 'bucket', 'fills' => ['first' => ['litres' => 2, 'seconds' => 30, 'depth_mm' => 100]]];
    ask('/api/pumps/curve', $named)->assertOk();
});

it('writes a season for people, as CSV, and refuses with 2', function () {
    $garden = (string) json_encode(fedGarden());
    $csv = explode("\n", trim(kelp(['season', '-', '--tub', 'a', '--csv'], $garden)->getOutput()));
    $wrong = kelp(['season', '-', '--tub', 'z'], $garden);
    expect($csv[0])->toBe(
        'day,age,fare,ph,use_l,uptake,stronger,rain_l,spill_l,top_up_l,top_up_ec,change,level_mm,volume_l,air_gap_mm,ec_ms_cm,'
        .'oxygen_mg_l,water_c,growth,looks',
    )
        ->and(str_getcsv($csv[14], escape: '')[11])->toBe('1')
        ->and(kelp(['season', '-'], $garden)->getOutput())->toContain('water changed', 'top-ups')
        ->and($wrong->getExitCode())->toBe(2)->and($wrong->getOutput())->toBe('')
        ->and($wrong->getErrorOutput())->toContain('there is no tub z')
        ->and(kelp(['season', '-', '--what-if', 'heat@400'], $garden)->getErrorOutput())->toContain('last harvest');
});

/** The forecast service as it answers, asked for one season. */
function forecastFrom(Closure $answer): ForecastService
{
    $http = new Factory;
    $http->fake($answer);
    $service = new ForecastService($http, Cache::store('weather'), 'http://127.0.0.1:1/stand-ins/weather');
    $garden = Gardens::reader()->fromDocument(json_decode((string) json_encode(fedGarden(
        ['site' => ['weather' => ['kind' => 'typical', 'climate' => 'arid', 'seed' => 5, 'start' => '2027-04-10']]],
    ))));
    $plan = (new Planner(Marks::all(), Gardens::library(), forecasts: $service))->plan($garden);
    $weather = $plan->get(KelpTub\Core\Marks\Feed\FeedPlans::class)->of('a')->weather;
    expect($weather instanceof SteadyWeather)->toBe($service->from === 'steady');

    return $service;
}

it('gets by when the forecast service is slow, down or talks nonsense', function () {
    $day = ['air_c' => 21.5, 'humidity_pct' => 40, 'light_h' => 13, 'sun_h' => 9, 'rain_mm' => 0];
    $good = static fn () => (new Factory)->response(['days' => array_fill(0, 200, $day)]);
    $bad = [
        'down' => static fn () => throw new Illuminate\Http\Client\ConnectionException('timed out'),
        'broken' => static fn () => (new Factory)->response('<html>', 200),
        'an error' => static fn () => (new Factory)->response(['days' => [$day]], 500),
        'no days' => static fn () => (new Factory)->response(['days' => []]),
        'a furnace' => static fn () => (new Factory)->response(['days' => [['air_c' => 800] + $day]]),
        'words' => static fn () => (new Factory)->response(['days' => [['air_c' => 'warm'] + $day]]),
    ];
    foreach ($bad as $answer) {
        Cache::store('weather')->flush();
        expect(forecastFrom($answer)->from)->toBe('steady');
    }
    Cache::store('weather')->flush();
    expect(forecastFrom($good)->from)->toBe('service');
    // Two hours later it is down: what it told last counts, with its age.
    $this->travel(2)->hours();
    $kept = Cache::store('weather')->get('by date arid 5 2027-04-10');
    Cache::store('weather')->forever('by date arid 5 2027-04-10', ['at' => $kept['at'] - 7200] + $kept);
    $late = forecastFrom($bad['down']);
    expect($late->from)->toBe('kept')->and($late->ageHours)->toEqualWithDelta(2.0, 0.01);
    // And it is left alone for a while.
    $asked = 0;
    forecastFrom(static function () use (&$asked) {
        $asked++;

        return (new Factory)->response([], 500);
    });
    expect($asked)->toBe(0);
});

it('answers as a forecast service does: the stand-in that ships with it', function () {
    $ask = static function (string $query): array {
        $script = '$_GET = []; parse_str($argv[1], $_GET); $_SERVER["HTTP_HOST"] = "127.0.0.1"; require $argv[2];';
        $process = new Symfony\Component\Process\Process([PHP_BINARY, '-r', $script, '--', $query, app_path('StandIns/weather.php')]);
        $process->mustRun();

        return json_decode($process->getOutput(), true);
    };
    $days = $ask('climate=continental&seed=7&start=2027-04-10&days=3')['days'];
    $vector = json_decode((string) file_get_contents(base_path('tests/vectors/weather.json')), true);
    expect($days)->toHaveCount(3)->and(array_values($days[1]))->toEqual($vector[1])
        ->and($ask('climate=lunar&start=2027-04-10')['message'])->toContain('continental')
        ->and($ask('climate=arid&start=2027-02-30')['message'])->toContain('2027-04-10');
});
