<?php

declare(strict_types=1);

// Started by bin/bench: pages.php URL. How long a grower waits for the bench of the demo garden, until it is drawn and all is loaded.

use Tests\Browser\Browser;

require dirname(__DIR__, 2).'/vendor/autoload.php';
[, $url] = $argv;
$garden = json_decode((string) file_get_contents("$url/api/gardens"))->gardens[0]->id;

/** Milliseconds until the bench is drawn and everything that the page asked for is there. */
function load(Browser $browser, string $page): float
{
    $browser->open($page)->see('.cards');
    $paint = 'performance.getEntriesByName("first-contentful-paint")[0]?.startTime';
    $browser->until(static fn (): bool => is_numeric($browser->script("return $paint")), 'the first picture');

    return (float) $browser->script("return Math.max($paint, performance.getEntriesByType('navigation')[0].loadEventEnd)");
}

$cold = $warm = [];
for ($round = 0; $round < 5; $round++) {
    // A browser that is open and holds nothing of ours.
    $browser = Browser::start();
    $browser->open("$url/favicon.svg")->see('svg');
    $browser->devTools('Network.clearBrowserCache');
    $cold[] = load($browser, "$url/gardens/$garden");
    for ($again = 0; $again < 3; $again++) {
        $warm[] = load($browser, "$url/gardens/$garden");
    }
    $browser->close();
}
sort($cold);
sort($warm);
foreach (['cold' => [$cold, 600], 'warm' => [$warm, 200]] as $how => [$times, $goal]) {
    $median = $times[intdiv(count($times), 2)];
    printf("%-46s %8.2f ms  goal under %d: %s\n", "first load of the bench, $how", $median, $goal, $median < $goal ? 'met' : 'MISSED');
}
