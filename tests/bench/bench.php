<?php

declare(strict_types=1);

// Started by bin/bench: bench.php URL [previews]. Prints medians, ratios and goals; a goal that is missed is said, not hidden.

use App\Exports\Paper;
use App\Exports\PdfTemplate;
use App\Library\LibraryFiles;
use KelpTub\Core\Cost\Basket;
use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\CupInHole;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Lid;
use KelpTub\Core\Lid\LidMake;
use KelpTub\Core\Lid\SpreadSolver;
use KelpTub\Core\Marks\Build\Templates;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Marks;
use KelpTub\Core\Vessel\Profile;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\WhatIf\Savings;
use KelpTub\Core\WhatIf\SeasonAsk;
use KelpTub\Core\WhatIf\SeasonRuns;

$root = dirname(__DIR__, 2);
require "$root/vendor/autoload.php";
require __DIR__.'/slow.php';
$url = $argv[1];
$previewsAlone = ($argv[2] ?? '') === 'previews';

$demo = (string) file_get_contents("$root/data/demo.kelp.json");

/** Eight tubs of all sizes on two pumps. */
function eightTubs(): string
{
    $tubs = $branches = [];
    foreach ([
        ['tote-45', 'mizuna'],
        ['tote-64', 'basil'],
        ['bucket-20', 'lettuce-leaf'],
        ['tote-30', 'rocket'],
        ['bucket-25', 'kale'],
        ['tub-70-round', 'pak-choi'],
        ['tote-20', 'parsley'],
        ['bucket-10', 'chives'],
    ] as $i => [$vessel, $crop]) {
        $tubs[] = [
            'id' => "t$i",
            'system' => 'aerated',
            'vessel' => $vessel,
            'crop' => $crop,
            'stones' => ['kind' => 'disc-100', 'count' => 2],
            'feed' => 'f',
        ];
        $branches[$i % 2][] = ['tub' => "t$i"];
    }

    $feeds = [['id' => 'f', 'product' => 'two-part-dry']];

    return (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'feeds' => $feeds, 'tubs' => $tubs, 'air' => [
        ['id' => 'p0', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => $branches[0]],
        ['id' => 'p1', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => $branches[1]],
    ]]);
}

/** One tub with so many holes set by hand, as while one of them is dragged. */
function handSet(string $vessel, int $holes, string $crop): string
{
    $columns = (int) ceil(sqrt($holes * 1.5));
    $at = array_map(
        static fn (int $i): array => ['x_mm' => 72 * ($i % $columns - ($columns - 1) / 2), 'y_mm' => 72 * (intdiv($i, $columns) - 2)],
        range(0, $holes - 1),
    );

    return (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => [
        [
            'id' => 't',
            'system' => 'aerated',
            'vessel' => $vessel,
            'cup' => 'net-cup-38',
            'crop' => $crop,
            'layout' => ['pattern' => 'manual', 'cups' => $holes, 'holes' => $at],
            'stones' => ['kind' => 'disc-100', 'count' => 2],
        ],
    ], 'air' => [['id' => 'p', 'pump' => 'pump-8w-4', 'check_valve' => true, 'branches' => [['tub' => 't']]]]]);
}

/** Sixty offers of four suppliers, each of them with a parcel that is free from some sum on, for what the garden needs. */
function sixtyOffers(Plan $plan): string
{
    $raw = json_decode(eightTubs());
    $needs = $plan->needs();
    foreach (range(0, 59) as $i) {
        $raw->prices[] = [
            'part' => $needs[$i % count($needs)]->key,
            'pack' => 1 + $i % 3,
            'price' => 3 + $i * 7 % 23,
            'supplier' => 'Supplier '.'ABCD'[$i % 4],
        ];
    }
    foreach (range(0, 3) as $i) {
        $raw->suppliers[] = ['name' => 'Supplier '.'ABCD'[$i], 'delivery' => 4 + $i, 'free_over' => 60 + 20 * $i];
    }

    return (string) json_encode($raw);
}

/** @param  list<float>  $times */
function median(array $times): float
{
    sort($times);

    return $times[intdiv(count($times), 2)];
}

/**
 * A garden as it is while somebody works on it: each time another of its tubs has a lowest level that it never had before.
 *
 * @return Closure(int): string
 */
function oneTubChanged(string $garden): Closure
{
    return static function (int $round) use ($garden): string {
        $document = json_decode($garden);
        $document->tubs[abs($round) % count($document->tubs)]->lowest_mm = 60 + ($round + microtime(true) % 1000) / 1e4;

        return (string) json_encode($document);
    };
}

/**
 * The same with air that is never quite as warm as before: every tub is another one.
 *
 * @return Closure(int): string
 */
function everyTubChanged(string $garden): Closure
{
    return static function (int $round) use ($garden): string {
        $document = json_decode($garden);
        $document->site ??= new stdClass;
        $document->site->air_temperature_c = 20 + ($round + microtime(true) % 1000) / 1e4;

        return (string) json_encode($document);
    };
}

/**
 * A garden with holes set by hand while the first of them is dragged.
 *
 * @return Closure(int): string
 */
function dragged(string $garden): Closure
{
    return static function (int $round) use ($garden): string {
        $document = json_decode($garden);
        $document->tubs[0]->layout->holes[0]->x_mm += ($round + microtime(true) % 1000) / 1e3;

        return (string) json_encode($document);
    };
}

/**
 * Median milliseconds of each of some posts, asked in turn round after round on one kept connection, so that a machine that is slower for
 * a while is slower for all of them. Some rounds at the start do not count.
 *
 * @param  array<string, array{string, string|Closure(int): string}>  $posts  address and body, or body of each round, by name
 * @return array<string, float>
 */
function posts(array $posts, int $rounds = 150): array
{
    $curl = curl_init();
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:']]);
    $taken = [];
    for ($round = -30; $round < $rounds; $round++) {
        foreach ($posts as $name => [$url, $body]) {
            curl_setopt_array($curl, [CURLOPT_URL => $url, CURLOPT_POSTFIELDS => is_string($body) ? $body : $body($round)]);
            $start = hrtime(true);
            curl_exec($curl);
            if (curl_getinfo($curl, CURLINFO_RESPONSE_CODE) !== 200) {
                fwrite(STDERR, "bench: $url answered ".curl_getinfo($curl, CURLINFO_RESPONSE_CODE)."\n");
                exit(1);
            }
            if ($round >= 0) {
                $taken[$name][] = (hrtime(true) - $start) / 1e6;
            }
        }
    }

    return array_map(median(...), $taken);
}

function say(string $what, float $value, string $unit, ?float $goal = null): void
{
    printf(
        "%-46s %8.2f %-3s %s\n",
        $what,
        $value,
        $unit,
        $goal === null ? '' : sprintf('goal under %g: %s', $goal, $value < $goal ? 'met' : 'MISSED'),
    );
}

// What no preview works out is worked out once beforehand, as the page does.
posts(
    [
        'demo' => ["$url/api/plan", $demo],
        'eight' => ["$url/api/plan", eightTubs()],
        'drag' => ["$url/api/plan", handSet('tote-45', 8, 'mizuna')],
        'sixty' => ["$url/api/plan", handSet('tote-90', 60, 'spring-onion')],
    ],
    1,
);
$drag = dragged(handSet('tote-45', 8, 'mizuna'));
$times = posts([
    'empty JSON object (the floor)' => ["$url/api/nothing", '{}'],
    'preview of the demo garden, one tub changed' => ["$url/api/preview", oneTubChanged($demo)],
    '… asked again' => ["$url/api/preview", $demo],
    '… every tub changed' => ["$url/api/preview", everyTubChanged($demo)],
    'preview of eight tubs, one changed' => ["$url/api/preview", oneTubChanged(eightTubs())],
    '… asked again ' => ["$url/api/preview", eightTubs()],
    '… every tub changed ' => ["$url/api/preview", everyTubChanged(eightTubs())],
    'preview while one of 8 holes is dragged' => ["$url/api/preview", $drag],
    'preview while one of 60 holes is dragged' => ["$url/api/preview", dragged(handSet('tote-90', 60, 'spring-onion'))],
]);
$goals = [
    'preview of the demo garden, one tub changed' => 2.5,
    'preview of eight tubs, one changed' => 3,
    'preview while one of 8 holes is dragged' => 2,
    'preview while one of 60 holes is dragged' => 3,
];
$floor = $times['empty JSON object (the floor)'];
foreach ($times as $what => $time) {
    if ($time === $floor) {
        say($what, $time, 'ms');

        continue;
    }
    say($what, $time, 'ms', 60);
    say('  against the floor', $time / $floor, '×', $goals[$what] ?? null);
}

if ($previewsAlone) {
    exit;
}

// Sixty growers' previews at the same moment: how long the last of them waits.
$waits = [];
for ($round = 0; $round < 7; $round++) {
    $many = curl_multi_init();
    $handles = [];
    for ($n = 0; $n < 60; $n++) {
        $handles[] = $one = curl_init("$url/api/preview");
        curl_setopt_array($one, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_POSTFIELDS => $demo,
            CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:'],
        ]);
        curl_multi_add_handle($many, $one);
    }
    $start = hrtime(true);
    do {
        curl_multi_exec($many, $running);
        curl_multi_select($many, 0.05);
    } while ($running > 0);
    $waits[] = (hrtime(true) - $start) / 1e6;
    $codes = array_unique(array_map(static fn (CurlHandle $one): int => curl_getinfo($one, CURLINFO_RESPONSE_CODE), $handles));
    if ($codes !== [200]) {
        fwrite(STDERR, 'bench: previews at once were answered with '.implode(', ', $codes)."\n");
        exit(1);
    }
}
say('60 previews of the demo garden at once, the last', median($waits), 'ms', 400);

// What once held a worker. A lid is asked for the first time by its preview, then worked out by as many final requests as it takes.
$slowest = ['60 tubs of 50 copies' => 100, '60 tubs of 200 holes' => 1000, 'packs for nothing' => 20 + 4 * $floor];
$curl = curl_init();
curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:']]);
foreach (slowGardens() as $what => $garden) {
    $ask = static function (string $path) use ($curl, $url, $garden): array {
        curl_setopt_array($curl, [CURLOPT_URL => "$url/api/$path", CURLOPT_POSTFIELDS => $garden]);
        $start = hrtime(true);
        $report = json_decode((string) curl_exec($curl));

        return [
            (hrtime(true) - $start) / 1e6,
            array_filter($report->tubs ?? [], static fn (stdClass $t): bool => $t->layout->pending) !== [],
        ];
    };
    [$cold] = $ask('preview');
    $final = [];
    do {
        [$time, $pending] = $ask('plan?tub=t0&ways=3');
        $final[] = $time;
    } while ($pending && count($final) < 30);
    $warm = median(array_map(static fn (): float => $ask('preview')[0], range(1, 5)));
    say("$what: first preview", $cold, 'ms', $slowest[$what] ?? 300);
    say('  previews after it', $warm, 'ms');
    say('  the longest of '.count($final).' final requests', max($final), 'ms', 3000);
    say('  all of them', array_sum($final), 'ms', in_array($what, ['one rib', 'ten keep-outs'], true) ? 1000 : null);
}

foreach ([[false, 'in a rectangle'], [true, 'in a circle']] as [$round, $where]) {
    $times = [];
    for ($i = 0; $i < 5; $i++) {
        $section = $round ? CrossSection::circle(500.0 + $i) : CrossSection::rectangle(500.0 + $i, 380.0, 40.0);
        $space = new LayoutSpace(
            new Lid($section, 2.5, LidMake::Plain, 0.0, []),
            [new CupInHole(new Cup(null, 'Cup', 58, 50, 36, 52, false), 54.0, 400.0)],
            new Profile([new Station(0.0, $section), new Station(300.0, $section)]),
        );
        $start = hrtime(true);
        (new SpreadSolver($space))->spread(30);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    say("spread of 30 holes $where, not known before", median($times), 'ms', 400);
}

$files = new LibraryFiles("$root/data");
$library = $files->library();
$garden = $files->reader($library)->read(eightTubs());
$planner = new Planner(Marks::all(), $library);
$times = [];
for ($i = -5; $i < 40; $i++) {
    $start = hrtime(true);
    $plan = $planner->plan($garden);
    if ($i >= 0) {
        $times[] = (hrtime(true) - $start) / 1e6;
    }
}
say('planner alone, eight tubs, warm', median($times), 'ms', 15);
$times = [];
for ($i = -5; $i < 40; $i++) {
    $start = hrtime(true);
    $planner->report($garden);
    if ($i >= 0) {
        $times[] = (hrtime(true) - $start) / 1e6;
    }
}
say('planner, findings and report, eight tubs, warm', median($times), 'ms');
$seasons = $planner->plan($garden)->get(FeedPlans::class)->all();
$times = [];
for ($i = -5; $i < 40; $i++) {
    $start = hrtime(true);
    $days = 0;
    foreach ($seasons as $feed) {
        $run = $feed->with([])?->run();
        foreach ($run->days ?? [] as $day) {
            $days++;
        }
    }
    if ($i >= 0) {
        // Of so many days as they have, 150 for each.
        $times[] = (hrtime(true) - $start) / 1e6 * 150 * count($seasons) / max(1, $days);
    }
}
say('seasons of 150 days for eight tubs, levels and oxygen', median($times), 'ms', 20);
$asks = [new SeasonAsk, new SeasonAsk(['change' => 'weekly']), new SeasonAsk(['top_ups' => 'quarter']), new SeasonAsk([], ['heat@20x5+8'])];
$single = $files->reader($library)->read(handSet('tote-45', 8, 'basil'));
$times = [];
for ($i = -5; $i < 40; $i++) {
    $start = hrtime(true);
    (new SeasonRuns($planner, $library))->of($single, $single->tubs[0], $asks);
    if ($i >= 0) {
        $times[] = (hrtime(true) - $start) / 1e6;
    }
}
say('four runs of a season for one tub', median($times), 'ms', 100);

$priced = $files->reader($library)->read(sixtyOffers($plan));
$wish = $priced->of(MoneyWish::class);
$needs = $planner->plan($priced)->needs();
$missing = array_map(static fn (Need $need): float => Purchase::missing($need, 0.0, 0.0), $needs);
$offers = array_map(static fn (Need $need): array => $library->offers->with($wish->offers, $need->key), $needs);
$marsh = $files->reader($library)->read($demo);
$templates = static function () use ($planner, $marsh): string {
    $tub = $planner->plan($marsh)->get(FeedPlans::class)->of('foredeck');

    return PdfTemplate::of(array_values((new Templates($tub, $marsh))->all()), Paper::A4);
};
foreach ([
    'cost of eight tubs, 60 offers of 4 suppliers' => [static fn (): array => Basket::of($missing, $offers, $wish->suppliers), 10],
    'ways to spend less, demo garden' => [static fn (): stdClass => (new Savings($planner))->of($marsh), 300],
    'every template of the demo’s tote as PDF, A4' => [$templates, 1500],
] as $what => [$do, $goal]) {
    $times = [];
    for ($i = -2; $i < 10; $i++) {
        $start = hrtime(true);
        $do();
        if ($i >= 0) {
            $times[] = (hrtime(true) - $start) / 1e6;
        }
    }
    say($what, median($times), 'ms', $goal);
}
say('peak memory', memory_get_peak_usage(true) / 1e6, 'MB', 64);
