<?php

declare(strict_types=1);

// Started by bin/mutate. Breaks the core in one place at a time, runs the tests that reach the place, and says what was caught and what
// lived.

use Tests\Mutation\Bench;
use Tests\Mutation\Mutant;
use Tests\Mutation\Mutants;
use Tests\Mutation\Reach;

$root = dirname(__DIR__, 2);
require "$root/vendor/autoload.php";

$options = getopt('', ['most:', 'seed:', 'folder:', 'everything', 'minutes:', 'workers:', 'php:', 'reach:']);
$most = isset($options['everything']) ? PHP_INT_MAX : (int) ($options['most'] ?? 400);
$seed = (int) ($options['seed'] ?? 1);
$folder = (string) ($options['folder'] ?? '');
$minutes = isset($options['everything']) ? INF : (float) ($options['minutes'] ?? 22);
$php = explode(' ', (string) ($options['php'] ?? 'php'));

/** Tests of more seconds than this are asked last, when all quick ones have passed. */
const QUICK = 0.4;

/** Compares whole reports with those kept: what no other test catches has none that says what is right. Told apart for that. */
const KEPT = 'it reports every garden of the corpus as it did';

$code = $mutants = [];
$files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core", FilesystemIterator::SKIP_DOTS));
foreach ($files as $file) {
    $name = substr((string) $file, strlen($root) + 1);
    $code[$name] = (string) file_get_contents((string) $file);
    foreach ($folder === '' || str_starts_with($name, "core/$folder/") ? Mutants::of($name, $code[$name]) : [] as $mutant) {
        $mutants[] = $mutant;
    }
}
usort($mutants, static fn (Mutant $a, Mutant $b): int => [$a->file, $a->offset] <=> [$b->file, $b->offset]);
$all = count($mutants);
mt_srand($seed);
shuffle($mutants);
$mutants = array_slice($mutants, 0, $most);
if ($mutants === []) {
    fwrite(STDERR, "mutate: there is nothing to change in core/$folder\n");
    exit(2);
}

$kept = (string) ($options['reach'] ?? "$root/.run/mutate");
$reach = Reach::of(require "$kept/coverage.php", $root, (string) file_get_contents("$kept/tests.xml"));
$benches = [];
for ($i = 0; $i < (int) ($options['workers'] ?? 2); $i++) {
    $benches[] = new Bench($root, "bench-$i", $php);
}

/** @return array<string, list<string>> the tests that reach a mutant in rounds: the quick ones, the kept reports, the others */
$rounds = static function (Mutant $mutant) use ($reach): array {
    $rounds = ['quick' => [], 'kept' => [], 'slow' => []];
    foreach ($reach->tests($mutant->file, $mutant->line) as $test) {
        $rounds[str_ends_with($test, KEPT) ? 'kept' : ($reach->time($test) <= QUICK ? 'quick' : 'slow')][] = $test;
    }

    return array_filter($rounds);
};
$patience = static fn (array $tests): float => 20 + 4 * array_sum(array_map($reach->time(...), $tests));

$results = $jobs = [];
$queue = $mutants;
$started = hrtime(true);
while ($queue !== [] || $jobs !== []) {
    $queue = hrtime(true) - $started < $minutes * 60e9 ? $queue : [];
    foreach ($benches as $b => $bench) {
        [$mutant, $left] = $jobs[$b] ?? [$next = array_shift($queue), $next === null ? [] : $rounds($next)];
        if ($mutant === null) {
            continue;
        }
        $caught = isset($jobs[$b]) ? $bench->caught() : false;
        if ($caught === null) {
            continue;
        }
        if (! $caught && $left !== []) {
            $tests = $left[$round = array_key_first($left)];
            unset($left[$round]);
            $bench->start($mutant, $tests, $patience($tests));
            $jobs[$b] = [$mutant, $left, $round];

            continue;
        }
        $bench->restore($mutant);
        $result = match (true) {
            $caught && $jobs[$b][2] === 'kept' => 'caught by the kept reports',
            $caught => 'caught',
            isset($jobs[$b]) => 'lived',
            default => 'not reached',
        };
        unset($jobs[$b]);
        $results[] = [$mutant, $result];
        $what = $result === 'caught' ? '' : ': '.$mutant->says($code[$mutant->file]);
        fprintf(STDERR, "%d of %d, %d s: %s%s\n", count($results), count($mutants), (hrtime(true) - $started) / 1e9, $result, $what);
    }
    usleep(10_000);
}

$by = [];
foreach ($results as [$mutant, $result]) {
    $by[$mutant->folder()][$result] = ($by[$mutant->folder()][$result] ?? 0) + 1;
}
ksort($by);
printf("%d of %d places, seed %d, %d s\n\n", count($results), $all, $seed, (hrtime(true) - $started) / 1e9);
echo "| folder | broken | caught | share | by the kept reports and no quick test |\n|---|---|---|---|---|\n";
$row = static function (string $name, array $counts): void {
    $kept = $counts['caught by the kept reports'] ?? 0;
    $caught = ($counts['caught'] ?? 0) + $kept;
    printf("| %s | %d | %d | %.0f %% | %d |\n", $name, array_sum($counts), $caught, 100 * $caught / array_sum($counts), $kept);
};
array_map($row, array_keys($by), $by);
$row('all', array_count_values(array_column($results, 1)));
foreach (['caught by the kept reports', 'lived', 'not reached'] as $which) {
    echo "\n".ucfirst($which).":\n\n";
    foreach ($results as [$mutant, $result]) {
        echo $result === $which ? '- '.$mutant->says($code[$mutant->file])."\n" : '';
    }
}
