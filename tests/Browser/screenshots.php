<?php

declare(strict_types=1);

// Pictures of the main views, from the demo garden: screenshots.php URL FOLDER. Started by bin/screenshots.

use Tests\Browser\Browser;

require dirname(__DIR__, 2).'/vendor/autoload.php';

[, $url, $folder] = $argv;
if (! is_dir($folder)) {
    mkdir($folder, recursive: true);
}
$garden = json_decode((string) file_get_contents("$url/api/gardens"))->gardens[0]->id;
$browser = Browser::start();
// The demo's plantings and its log are dated from this day, so that pictures stay as they are.
$today = (string) getenv('KELP_DEMO_TODAY');
$browser->devTools('Page.addScriptToEvaluateOnNewDocument', ['source' => <<<JS
    (() => {
        const Real = Date;
        const ahead = new Real('{$today}T09:30:00').getTime() - Real.now();
        window.Date = class extends Real {
            constructor(...of) {
                of.length ? super(...of) : super(Real.now() + ahead);
            }
            static now() {
                return Real.now() + ahead;
            }
        };
        // Whether the page has been answered all that it asked for, ways out of findings too.
        const fetch = window.fetch.bind(window);
        let open = 0;
        let last = performance.now();
        const count = (by) => ((open += by), (last = performance.now()));
        window.fetch = (...of) => (count(1), fetch(...of).finally(() => count(-1)));
        window.isAnswered = () => open === 0 && performance.now() - last > 600;
    })();
    JS]);
$isAnswered = static fn (): bool => (bool) $browser->script('return window.isAnswered()');
$take = function (
    string $name,
    string $path,
    string $seen,
    bool $night = false,
    int $width = 1280,
    int $height = 800,
    ?string $press = null,
) use ($browser, $url, $folder, $isAnswered): void {
    $browser->size($width, $height, $width < 500)->open($url);
    $browser->script('localStorage.setItem("kelp-theme", arguments[0])', $night ? 'night' : 'day');
    $browser->open($url.$path)->see($seen);
    $browser->script('return document.fonts.ready.then(() => true)');
    if ($press !== null) {
        $browser->press($press);
    }
    $browser->until(
        fn (): bool => (bool) $browser->script(
            'return [...document.querySelectorAll("svg.drawing")].every((s) => s.getBoundingClientRect().width > 0)'
                .' && [...document.images].every((i) => i.getBoundingClientRect().top > innerHeight || (i.complete && i.naturalWidth > 0))',
        ),
        'the drawings and the photographs',
    );
    $browser->until($isAnswered, 'all answers');
    $browser->shot("$folder/$name.png");
    echo "  $name.png\n";
};
try {
    $take('gardens', '/', '.gardens');
    $take('bench', "/gardens/$garden", '.cards');
    $take('tub', "/gardens/$garden/foredeck/tub", '.mark');
    $take('crop', "/gardens/$garden/foredeck/crop", '.mark');
    $take('lid', "/gardens/$garden/foredeck/lid", '[data-pattern=spread]');
    $take('air', "/gardens/$garden/well-deck/air", 'svg[aria-label^="Oxygen against air"]');
    $take('feed', "/gardens/$garden/foredeck/feed", '[role=slider]');
    // Beside the plan another way, and something that happens.
    $browser->open("$url/gardens/$garden/foredeck/feed")->see('[role=slider]');
    $browser->press(Browser::text('Beside another way', 'button'));
    foreach (['Weekly changes' => 3, 'Heat wave' => 4] as $name => $heads) {
        $browser->script(
            'const s = document.querySelector(".beside select");'
                .'s.value = [...s.options].find((x) => x.textContent.trim() === arguments[0]).value; s.dispatchEvent(new Event("change"))',
            $name,
        );
        $count = 'return document.querySelectorAll(".beside thead th").length === arguments[0]';
        $browser->until(fn (): bool => (bool) $browser->script($count, $heads), "for $name");
    }
    $browser->until($isAnswered, 'all answers');
    $browser->shot("$folder/beside.png");
    echo "  beside.png\n";
    $take('cost', "/gardens/$garden/foredeck/cost", '.figure:nth-of-type(7)');
    $take('build', "/gardens/$garden/foredeck/build", '[data-step]', press: '[data-step=saw]');
    $take('days', "/gardens/$garden/foredeck/days", '[data-planting]');
    $take('log', "/gardens/$garden/foredeck/log", '[data-strip=ec]');
    $take('marking-out', "/gardens/$garden/foredeck/marking-out", '.sheet', width: 820, height: 1160);
    $take('compare', "/compare?of=$garden:foredeck,$garden:well-deck,$garden:galley-dill", '.pictures');
    $take('library', '/library/vessels', '.holder svg');
    $take('night', "/gardens/$garden/well-deck/tub", '.mark', night: true);
    $take('phone', "/gardens/$garden/galley-dill/log", '[data-finding]', width: 390, height: 844);
    // A history wants a change or two: they are made as a grower makes them.
    $browser->size(1280, 800)->open("$url/gardens/$garden/foredeck/tub")->see('.mark');
    $browser->choose('Run it', 'Passive');
    $browser->until(fn (): bool => trim($browser->see('.state')->getText()) === 'Saved', 'to be saved');
    $browser->write('#tub-name', 'Foredeck crate');
    $browser->until(fn (): bool => trim($browser->see('.state')->getText()) === 'Saved', 'to be saved');
    // Salad and herbs, on a balcony in spring.
    $browser->open("$url/wish")->press('[data-start=salad]');
    $take('wish', '/wish', '.come[aria-busy=false] [data-design] svg');
    // A lesson, some weeks on, with its valve knocked shut.
    $browser->open("$url/dry-runs")->press('[data-lesson=no-bubbles] .box')->see('[data-act=next]');
    $lived = parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH);
    for ($day = ''; ! str_contains($browser->bodyText(), 'No bubbles. Power');) {
        $browser->press('[data-act=next]');
        $browser->until(fn (): bool => $browser->see('.day .number')->getText() !== $day, 'days to pass');
        $day = $browser->see('.day .number')->getText();
    }
    $take('dry-run', $lived, '[data-act=next]');
    $complaints = $browser->complaints();
    if ($complaints !== []) {
        fwrite(STDERR, implode("\n", $complaints)."\n");
        exit(1);
    }
} finally {
    $browser->close();
}
