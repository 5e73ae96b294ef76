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

$options = getopt('', ['most:', 'seed:', 'folder:', 'everything', 'workers:', 'php:']);
$most = isset($options['everything']) ? PHP_INT_MAX : (int) ($options['most'] ?? 400);
$seed = (int) ($options['seed'] ?? 1);
$folder = (string) ($options['folder'] ?? '');
$php = explode(' ', (string) ($options['php'] ?? 'php'));

/** Tests of more seconds than this are asked last, when all quick ones have passed. */
const QUICK = 0.4;

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

$reach = Reach::of(require "$root/.run/mutate/coverage.php", $root, (string) file_get_contents("$root/.run/mutate/tests.xml"));
$benches = [];
for ($i = 0; $i < (int) ($options['workers'] ?? 2); $i++) {
    $benches[] = new Bench($root, "bench-$i", $php);
}

/** @return array{list<string>, list<string>} the tests that reach a mutant: quick ones, and the others */
$rounds = static function (Mutant $mutant) use ($reach): array {
    $tests = $reach->tests($mutant->file, $mutant->line);

    return [
        array_values(array_filter($tests, static fn (string $t): bool => $reach->time($t) <= QUICK)),
        array_values(array_filter($tests, static fn (string $t): bool => $reach->time($t) > QUICK)),
    ];
};
$patience = static fn (array $tests): float => 20 + 4 * array_sum(array_map($reach->time(...), $tests));

$results = $jobs = [];
$queue = $mutants;
$started = hrtime(true);
while ($queue !== [] || $jobs !== []) {
    foreach ($benches as $b => $bench) {
        if (! isset($jobs[$b])) {
            $mutant = array_shift($queue);
            if ($mutant === null) {
                continue;
            }
            $left = array_values(array_filter($rounds($mutant)));
            if ($left === []) {
                $results[] = [$mutant, 'not reached'];

                continue;
            }
            $tests = array_shift($left);
            $bench->start($mutant, $tests, $patience($tests));
            $jobs[$b] = [$mutant, $left];

            continue;
        }
        [$mutant, $left] = $jobs[$b];
        $caught = $bench->caught();
        if ($caught === null) {
            continue;
        }
        if (! $caught && $left !== []) {
            $tests = array_shift($left);
            $bench->start($mutant, $tests, $patience($tests));
            $jobs[$b] = [$mutant, $left];

            continue;
        }
        $bench->restore($mutant);
        unset($jobs[$b]);
        $results[] = [$mutant, $caught ? 'caught' : 'lived'];
        fprintf(STDERR, "\r%d of %d, %d s ", count($results), count($mutants), (hrtime(true) - $started) / 1e9);
    }
    usleep(10_000);
}
fwrite(STDERR, "\n");

$by = [];
foreach ($results as [$mutant, $result]) {
    $by[$mutant->folder()][$result] = ($by[$mutant->folder()][$result] ?? 0) + 1;
}
ksort($by);
printf(
    "%d of %d places, seed %d, %d s\n\n| folder | caught | of | share |\n|---|---|---|---|\n",
    count($mutants),
    $all,
    $seed,
    (hrtime(true) - $started) / 1e9,
);
$sum = ['caught' => 0, 'all' => 0];
foreach ($by as $name => $counts) {
    $total = array_sum($counts);
    printf("| %s | %d | %d | %d %% |\n", $name, $counts['caught'] ?? 0, $total, round(100 * ($counts['caught'] ?? 0) / $total));
    $sum['caught'] += $counts['caught'] ?? 0;
    $sum['all'] += $total;
}
printf("| **all** | %d | %d | **%.1f %%** |\n\nSurvivors:\n\n", $sum['caught'], $sum['all'], 100 * $sum['caught'] / $sum['all']);
foreach ($results as [$mutant, $result]) {
    if ($result !== 'caught') {
        echo '- '.$mutant->says($code[$mutant->file]).($result === 'lived' ? '' : ' (no test reaches it)')."\n";
    }
}
