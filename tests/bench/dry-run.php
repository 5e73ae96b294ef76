<?php

declare(strict_types=1);

// Started by bin/bench: dry-run.php URL. A season lived through over HTTP, of tubs of the demo: a day, its end with every decision weighed,
// and many seasons of each. Medians of the days; a goal that is missed is said, not hidden.

$url = $argv[1];

const MOST_DAYS = 25;

$curl = curl_init() ?: exit(1);
$ask = static function (string $method, string $path, mixed $body = null) use ($curl, $url): array {
    curl_setopt_array($curl, [
        CURLOPT_URL => $url.$path,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
        CURLOPT_POSTFIELDS => $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
    ]);
    $start = microtime(true);
    $answer = (string) curl_exec($curl);
    $took = 1000 * (microtime(true) - $start);
    $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    if ($status >= 400) {
        exit("$method $path: $status ".substr($answer, 0, 300)."\n");
    }

    return [json_decode($answer), $took];
};
$say = static function (string $what, float $is, ?float $goal): void {
    printf("%-78s %7.0f ms%s\n", $what, $is, $goal === null ? '' : sprintf('   goal %.0f%s', $goal, $is <= $goal ? '' : ': missed'));
};
$middle = static function (array $all): float {
    sort($all);

    return $all[intdiv(count($all), 2)];
};

$demo = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
$say('floor', $middle(array_map(static fn (): float => $ask('POST', '/api/nothing', [])[1], range(1, 9))), null);
foreach (['foredeck', 'well-deck', 'galley-dill'] as $tub) {
    // Its lid is laid out by the first.
    $ask('POST', '/api/dry-runs', ['garden' => $demo, 'tub' => $tub, 'seed' => 7]);
    [$run, $took] = $ask('POST', '/api/dry-runs', ['garden' => $demo, 'tub' => $tub, 'seed' => 7]);
    $say("$tub: begun", $took, null);
    $days = [];
    while (count($days) < MOST_DAYS && ! $run->so_far->over) {
        [$run, $days[]] = $ask('PUT', "/api/dry-runs/$run->id", [
            'revision' => $run->revision, 'day' => $run->day, 'decisions' => $run->decisions, 'on' => 'day',
        ]);
    }
    $say("$tub: a day on", $middle($days), 30);
    $say("$tub: its end, told", $ask('PUT', "/api/dry-runs/$run->id", [
        'revision' => $run->revision, 'day' => $run->day, 'decisions' => $run->decisions, 'on' => 'end',
    ])[1], 100);
    $say("$tub: a thousand seasons", $ask('POST', '/api/odds', ['garden' => $demo, 'tub' => $tub, 'seeds' => 1000])[1], 5000);
}
