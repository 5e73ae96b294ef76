<?php

declare(strict_types=1);

// Started by bin/bench: wish.php URL. Wishes answered over HTTP: what is found first, and the whole; those that ship and one of three
// things. Medians; a goal that is missed is said, not hidden.

$url = $argv[1];

const TIMES = 5;

$curl = curl_init() ?: exit(1);
$ask = static function (string $path, mixed $body) use ($curl, $url): array {
    curl_setopt_array($curl, [
        CURLOPT_URL => $url.$path,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HTTPHEADER => ['Content-Type: application/json'],
        CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR),
    ]);
    $start = microtime(true);
    $answer = json_decode((string) curl_exec($curl));
    $took = 1000 * (microtime(true) - $start);
    curl_getinfo($curl, CURLINFO_RESPONSE_CODE) < 400 || exit("$path is refused\n");

    return [$answer, $took];
};
$middle = static function (array $all): float {
    sort($all);

    return $all[intdiv(count($all), 2)];
};
$shipped = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/wishes.json'));
$wishes = array_values(array_filter($shipped, static fn (stdClass $of): bool => isset($of->wish)));
$wishes[] = (object) ['key' => 'three things', 'wish' => (object) [
    'eat' => [['group' => 'leaf', 'heads_a_week' => 2], ['group' => 'herb'], ['crop' => 'tomato-dwarf']],
    'place' => ['setting' => 'covered', 'from' => '2027-05-10', 'climate' => 'mediterranean', 'length_mm' => 2500, 'depth_mm' => 900],
]];
printf("%-24s %5.0f ms\n", 'floor', $middle(array_map(static fn (): float => $ask('/api/nothing', [])[1], range(1, 9))));
foreach ($wishes as $of) {
    $wish = ['format' => 'kelp-tub.wish', 'version' => 1, ...get_object_vars($of->wish)];
    foreach (['first' => ['?first=1', 300], 'whole' => ['', 3000]] as $what => [$query, $goal]) {
        $took = [];
        for ($i = 0; $i < TIMES; $i++) {
            [$answer, $took[]] = $ask("/api/wish$query", $wish);
        }
        $is = $middle($took);
        printf(
            "%-16s %-7s %5.0f ms   goal %4d%s   %d designs, %d steps%s\n",
            $of->key, $what, $is, $goal, $is <= $goal ? '        ' : ': missed', count($answer->designs), $answer->steps,
            $answer->complete ? '' : ', not all',
        );
    }
}
