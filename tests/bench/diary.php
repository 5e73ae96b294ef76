<?php

declare(strict_types=1);

// Started by bin/bench: diary.php URL. What grows, over HTTP: a planting with 20,000 entries, an entry kept, the first page's list over ten
// gardens, and previews of a design with a log of half a year beside one without. Medians; a goal that is missed is said, not hidden.

$url = $argv[1];

const FROM = '2026-06-01';

const NOW = '2026-11-28T10:00';

$curl = curl_init() ?: exit(1);
$ask = static function (string $method, string $path, mixed $body = null) use ($curl, $url): string {
    curl_setopt_array($curl, [
        CURLOPT_URL => $url.$path,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
        CURLOPT_POSTFIELDS => $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
    ]);
    $answer = (string) curl_exec($curl);
    $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    if ($status >= 400) {
        exit("$method $path: $status ".substr($answer, 0, 300)."\n");
    }

    return $answer;
};
$timed = static function (callable $what, int $times = 7): float {
    $all = [];
    for ($i = 0; $i < $times; $i++) {
        $start = microtime(true);
        $what($i);
        $all[] = 1000 * (microtime(true) - $start);
    }
    sort($all);

    return $all[intdiv($times, 2)];
};
$say = static function (string $what, float $is, ?float $goal): void {
    printf("%-78s %7.0f ms%s\n", $what, $is, $goal === null ? '' : sprintf('   goal %.0f%s', $goal, $is <= $goal ? '' : ': missed'));
};

/** @param  list<array<string, mixed>>  $plantings */
function planted(string $name, array $plantings, int $copies = 1): array
{
    return [
        'format' => 'kelp-tub.garden', 'version' => 1, 'name' => $name,
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
        'tubs' => [[
            'id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'chilli', 'cup' => 'net-cup-75', 'count' => $copies,
            'feed' => 'f', 'stones' => ['kind' => 'disc-100'], 'layout' => ['pattern' => 'single', 'cups' => 1],
        ]],
        'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a']]]],
        'plantings' => $plantings,
    ];
}

$say('the floor: an empty JSON object', $timed(static fn () => $ask('POST', '/api/nothing', new stdClass), 21), null);
$id = static fn (string $kind, int $n): string => sprintf('01%s%021d', $kind, $n);
for ($g = 0; $g < 10; $g++) {
    $ask('POST', '/api/gardens', planted("Ten $g", array_map(
        static fn (int $copy): array => [
            'id' => "p$copy", 'tub' => 'a', 'copy' => $copy, 'transplanted' => sprintf('2026-%02d-%02d', 7 + $copy % 4, 1 + $g),
        ],
        range(1, 6),
    ), 6));
}
$due = static fn () => $ask('GET', '/api/due?now='.NOW);
$start = microtime(true);
$due();
$say('the first page’s list over the demo and ten gardens of six plantings, cold', 1000 * (microtime(true) - $start), 600);
$say('… warm', $timed($due), 150);

$garden = json_decode($ask('POST', '/api/gardens', planted('Bench', [['id' => 'p', 'tub' => 'a', 'transplanted' => FROM]])))->id;
$begin = strtotime(FROM.' UTC');
$start = microtime(true);
for ($n = 0; $n < 20_000; $n += 500) {
    // Every thirteen minutes for half a year, and two readings by hand a week.
    $ask('POST', "/api/gardens/$garden/entries", ['entries' => array_map(static fn (int $i): array => [
        'id' => $id('MET', $i), 'tub' => 'a', 'copy' => 1, 'at' => gmdate('Y-m-d\TH:i', $begin + 86400 + $i * 770),
        'level_mm' => 215 - $i % 400 / 20, 'ec_ms_cm' => 1.6 + $i % 7 / 100, 'ph' => 6 + $i % 9 / 100,
        ...($i % 390 === 0 ? ['top_up_l' => 2] : ['from' => 'meter']),
    ], range($n, $n + 499))]);
}
$say('20,000 entries kept, in batches of 500', 1000 * (microtime(true) - $start), null);
$diary = static fn () => $ask('GET', "/api/gardens/$garden/diary?tub=a&copy=1&now=".NOW);
$diary();
$say('a planting with 20,000 entries opened', $timed($diary), 300);
$say('all days of its garden', $timed(static fn () => $ask('GET', "/api/gardens/$garden/days?now=".NOW)), null);

$few = json_decode($ask('POST', '/api/gardens', planted('Few', [['id' => 'p', 'tub' => 'a', 'transplanted' => '2026-10-10']])))->id;
for ($i = 0; $i < 30; $i++) {
    $ask('POST', "/api/gardens/$few/entries", ['entries' => [[
        'id' => $id('FEW', $i), 'tub' => 'a', 'copy' => 1, 'at' => gmdate('Y-m-d\TH:i', strtotime('2026-10-11 UTC') + $i * 130_000),
        'level_mm' => 210 - $i % 4, 'ph' => 6.1,
    ]]]);
}
$say('an entry kept and its diary after it, 30 entries', $timed(static function (int $i) use ($ask, $few, $id): void {
    $ask('POST', "/api/gardens/$few/entries", ['entries' => [[
        'id' => $id('NEW', $i), 'tub' => 'a', 'copy' => 1, 'at' => "2026-11-27T0$i:00", 'level_mm' => 200 - $i,
    ]]]);
    $ask('GET', "/api/gardens/$few/diary?tub=a&copy=1&now=".NOW);
}), 100);

$with = json_decode($ask('GET', "/api/gardens/$garden"));
$document = json_decode($with->document);
$bare = clone $document;
$bare->plantings = [];
$preview = static fn (stdClass $of) => static function (int $i) use ($ask, $of): void {
    $of->tubs[0]->lowest_mm = 60 + $i / 100;
    $ask('POST', '/api/preview', $of);
};
$preview($bare)(99);
printf(
    "%-78s %7.2f ×\n",
    'a preview of the design with a planting and 20,000 entries, to one without',
    $timed($preview($document), 41) / $timed($preview($bare), 41),
);
