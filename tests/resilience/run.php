<?php

declare(strict_types=1);

use Tests\Resilience\Fuzz;
use Tests\Resilience\Logs;
use Tests\Resilience\Scenes;

require __DIR__.'/../../vendor/autoload.php';
foreach (['Many', 'Scenes', 'Logs', 'Fuzz'] as $class) {
    require __DIR__."/$class.php";
}

$scenes = [
    'kills' => Scenes::kills(...),
    'writers' => Scenes::writers(...),
    'shelves' => Scenes::shelves(...),
    'disk' => Scenes::disk(...),
    'restores' => Scenes::restores(...),
    'storms' => Scenes::storms(...),
    'logs' => Logs::run(...),
    'fuzz' => Fuzz::run(...),
];
$asked = array_slice($argv, 1) ?: array_keys($scenes);
$failed = 0;
foreach ($asked as $name) {
    if (! isset($scenes[$name])) {
        fwrite(STDERR, "run: there is no scene \"$name\"; there are ".implode(', ', array_keys($scenes)).".\n");
        exit(2);
    }
    $since = microtime(true);
    $faults = $scenes[$name](static function (string $line): void {
        echo "  $line\n";
    });
    printf(
        "%s: %s in %.0f s\n",
        $name,
        $faults === [] ? 'holds' : implode("\n  ", ['FAILS', ...array_slice($faults, 0, 20)]),
        microtime(true) - $since,
    );
    $failed += $faults === [] ? 0 : 1;
}
exit($failed === 0 ? 0 : 1);
