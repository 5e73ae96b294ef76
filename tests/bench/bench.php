<?php

declare(strict_types=1);

// Started by bin/bench: bench.php URL. Prints medians, ratios and goals; a goal that is missed is said, not hidden.

use App\Library\LibraryFiles;
use KelpTub\Core\Garden\Planner;

$root = dirname(__DIR__, 2);
require "$root/vendor/autoload.php";
[, $url] = $argv;

$demo = (string) file_get_contents("$root/data/demo.kelp.json");

/** Eight tubs of all sizes on two pumps. */
function eightTubs(): string
{
    $tubs = $branches = [];
    foreach ([['tote-45', 'mizuna'], ['tote-64', 'basil'], ['bucket-20', 'lettuce-leaf'], ['tote-30', 'rocket'], ['bucket-25', 'kale'], ['tub-70-round', 'pak-choi'], ['tote-20', 'parsley'], ['bucket-10', 'chives']] as $i => [$vessel, $crop]) {
        $tubs[] = ['id' => "t$i", 'system' => 'aerated', 'vessel' => $vessel, 'crop' => $crop, 'stones' => ['kind' => 'disc-100', 'count' => 2]];
        $branches[$i % 2][] = ['tub' => "t$i"];
    }

    return (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => $tubs, 'air' => [
        ['id' => 'p0', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => $branches[0]],
        ['id' => 'p1', 'pump' => 'pump-20w-6', 'check_valve' => true, 'branches' => $branches[1]],
    ]]);
}

/** @param  list<float>  $times */
function median(array $times): float
{
    sort($times);

    return $times[intdiv(count($times), 2)];
}

/**
 * Median milliseconds of each of some posts, asked in turn round after round on one kept connection, so that a machine that is slower for
 * a while is slower for all of them. Some rounds at the start do not count.
 *
 * @param  array<string, array{string, string}>  $posts  address and body by name
 * @return array<string, float>
 */
function posts(array $posts, int $rounds = 150): array
{
    $curl = curl_init();
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:']]);
    $taken = [];
    for ($round = -30; $round < $rounds; $round++) {
        foreach ($posts as $name => [$url, $body]) {
            curl_setopt_array($curl, [CURLOPT_URL => $url, CURLOPT_POSTFIELDS => $body]);
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
    printf("%-46s %8.2f %-3s %s\n", $what, $value, $unit, $goal === null ? '' : sprintf('goal under %g: %s', $goal, $value < $goal ? 'met' : 'MISSED'));
}

$times = posts([
    'empty JSON object (the floor)' => ["$url/api/nothing", '{}'],
    'preview of the demo garden' => ["$url/api/preview", $demo],
    'preview of eight tubs' => ["$url/api/preview", eightTubs()],
]);
$floor = $times['empty JSON object (the floor)'];
foreach ($times as $what => $time) {
    if ($time === $floor) {
        say($what, $time, 'ms');

        continue;
    }
    say($what, $time, 'ms', 60);
    say('  against the floor', $time / $floor, '×', 3);
}

$files = new LibraryFiles("$root/data");
$library = $files->library();
$garden = $files->reader($library)->read(eightTubs());
$planner = new Planner($library);
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
say('peak memory', memory_get_peak_usage(true) / 1e6, 'MB', 64);
