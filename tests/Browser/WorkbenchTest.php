<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Database;
use Tests\Browser\Server;
use Tests\Core\Gardens;

afterEach(function () {
    $complaints = array_filter(
        Browser::shared()->complaints(),
        fn ($c) => ! preg_match('/status of (409|422|413|503|404)|ERR_CONNECTION_REFUSED/', $c),
    );
    expect($complaints)->toBe([]);
});

it(
    'does the whole job for an aerated bucket, an aerated tote and a passive jar',
    function (string $kind, string $vessel, string $run, string $crop, array $seen) {
        $server = Server::shared();
        $browser = Browser::shared()->size(1280, 800)->open($server->url);
        $browser->write('#new-name', "Garden of $vessel")->press(Browser::text('Make it', 'button'));
        $browser->waitForText('Nothing stands here yet');
        $browser->press('[data-act=open-add]');
        $browser->press(Browser::text($kind, 'button'))->press("[data-vessel=$vessel]")->press(Browser::text($run, 'button'));
        $browser->choose('Crop', $crop)->press('[data-act=add-tub]');
        $browser->see(WebDriverBy::xpath("//h1[.='Tub']"));
        $browser->see('svg[aria-label*="from the side"]');
        $browser->see('svg[aria-label*="from above"]');
        saved($browser);

        // What the page shows is what the command line says of the same file.
        $id = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];
        $report = Gardens::report(Gardens::reader()->fromDocument($server->document($id)));
        $tub = $report->tubs[0];
        expect(figure($browser, 'Working volume'))->toBe(
            $tub->volume->working_l < 1
                ? (string) round($tub->volume->working_l * 1000)
                : rtrim(rtrim(number_format($tub->volume->working_l, 1), '0'), '.'),
        );
        $browser->press('[data-mark=crop]')->see(WebDriverBy::xpath("//h1[.='Crop']"));
        expect(figure($browser, 'Plants it carries'))->toBe((string) $tub->capacity->plants);
        $browser->press('[data-mark=lid]')->see(WebDriverBy::xpath("//h1[.='Lid']"));
        expect(figure($browser, 'Cups'))->toBe((string) $tub->layout->count);
        $browser->press('[data-mark=air]')->see(WebDriverBy::xpath("//h1[.='Air']"));
        $run === 'Aerated'
            ? expect(figure($browser, 'Oxygen, plants grown'))->toBe(rtrim(rtrim(number_format($tub->oxygen->steady_mg_l, 1), '0'), '.'))
            : $browser->waitForText('breathe in the air gap');
        $browser->press('[data-mark=cost]')->see(WebDriverBy::xpath("//h1[.='Cost']"));
        expect(figure($browser, 'Outlay now'))->toBe(number_format($report->budget->outlay, 2, '.', ''));
        foreach ($seen as $text) {
            $browser->waitForText($text);
        }
    })->with([
        'bucket' => [
            'Buckets',
            'bucket-20',
            'Aerated',
            'Leaf lettuce',
            ['20 L bucket', 'Hole saw 51 mm', '100 mm disc stone', 'Leaf lettuce seed'],
        ],
        'tote' => ['Totes', 'tote-45', 'Aerated', 'Mizuna', ['45 L tote', '50 mm net cup', 'Check valve']],
        'jar' => ['Jars', 'jar-15', 'Passive', 'Dill', ['1.5 L preserving jar', '75 mm net cup', 'Expanded clay pebbles']],
    ]);

it('follows what is typed, shows what it understood, and refuses what it cannot read', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/lid');
    $hole = Browser::field('Another hole');
    $browser->write($hole, '2 1/8 in')->until(fn (): bool => figure($browser, 'Hole') === '54', 'for the hole to be 54');
    expect($browser->see($hole)->getAttribute('value'))->toBe("54\u{202F}mm");
    saved($browser);
    expect($server->document($id)->tubs[0]->hole_mm)->toBe(53.975);

    $browser->write($hole, 'as big as my fist');
    $browser->waitForText('"as big as my fist" does not start with a number');
    expect($server->document($id)->tubs[0]->hole_mm)->toBe(53.975);

    $browser->write($hole, '0 mm')->waitForText('it must be above 0');
    $browser->waitForText('Not taken:');
    expect($server->document($id)->tubs[0]->hole_mm)->toBe(53.975);

    $browser->write($hole, '')->until(fn (): bool => figure($browser, 'Hole') === '51', 'for the saw’s own hole');
    saved($browser);
    expect($server->document($id)->tubs[0]->hole_mm)->toBeNull();
});

it('mends a finding with one press, and undo brings it back', function () {
    [$browser, $server, $id] = bench(
        bucket20(garden: ['air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'a']]]]]),
        '/a/air',
    );
    $browser->see('[data-code="air.siphon"]');
    expect($browser->see('[data-mark=air]')->getText())->toContain('stop');
    $browser->press(Browser::text('Fit a check valve', 'button'));
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-code="air.siphon"]')) === [],
        'for the finding to go',
    );
    saved($browser);
    expect($server->document($id)->air[0]->check_valve)->toBeTrue();

    $browser->press(Browser::text('Undo', 'button'))->see('[data-code="air.siphon"]');
    saved($browser);
    // Both ways lead on over a reload.
    $browser->driver->navigate()->refresh();
    $browser->press(Browser::text('Redo', 'button'));
    $browser->until(fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-code="air.siphon"]')) === [], 'for redo');
    $browser->press(Browser::text('Undo', 'button'))->see('[data-code="air.siphon"]');
});

it('moves a hole by dragging, by keys and by numbers, and says when it breaks a limit', function () {
    [$browser, $server, $id] = bench(bucket20(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 8]]), '/a/lid');
    $browser->see('[data-hole="0"]');
    $before = $browser->see('[data-hole="0"]')->getAttribute('aria-label');
    $browser->drag('[data-hole="0"]', 30, 20);
    $browser->until(fn (): bool => $browser->see('[data-hole="0"]')->getAttribute('aria-label') !== $before, 'for the hole to move');
    saved($browser);
    $layout = $server->document($id)->tubs[0]->layout;
    expect($layout->pattern)->toBe('manual')->and($layout->holes)->toHaveCount(8);

    $x = $layout->holes[0]->x_mm;
    $browser->script('document.querySelector(\'[data-hole="0"]\').focus()');
    $browser->keys("\u{E014}", "\u{E014}");
    $browser->until(fn (): bool => abs($server->document($id)->tubs[0]->layout->holes[0]->x_mm - $x - 2) < 0.6, 'for two nudges');

    $browser->write(Browser::field('Right'), '-254 mm')->see('[data-code="lid.edge"]');
    $browser->see('.hole.bad');
    $browser->press(Browser::text('Lay out 8 again', 'button'));
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('.hole.bad')) === [],
        'for the holes to be laid out again',
    );
});

it('drags the water line to the next choice of its system', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/tub');
    $browser->drag('.grip', 0, -30);
    $browser->until(fn (): bool => ($server->document($id)->tubs[0]->water_line ?? 'gap') !== 'gap', 'for the water line to move');
    $browser->script('document.querySelector(".handle").focus()');
    $line = $server->document($id)->tubs[0]->water_line;
    $browser->keys("\u{E015}");
    $browser->until(fn (): bool => $server->document($id)->tubs[0]->water_line !== $line, 'for the arrow key');
});

it('asks for a name with a script in it to be shown and not run', function () {
    $name = '<img src=x onerror="window.pwned=1"><script>window.pwned=1</script>';
    [$browser] = bench(bucket20(['name' => $name], ['name' => $name]));
    $browser->waitForText($name);
    expect($browser->script('return window.pwned ?? null'))->toBeNull();
});

it('keeps edits while the database is away, over a reload too, and saves them when it is back', function () {
    $database = Database::start();
    $server = Server::on($database);
    try {
        $id = $server->garden(bucket20());
        $browser = Browser::shared()->open("$server->url/gardens/$id/a/tub");
        $database->stop();
        $browser->write('#tub-name', 'Written while away')->waitForText('The database does not answer. Your edits are kept on this page');
        expect(trim($browser->see('.state')->getText()))->toBe('Not saved yet');
        // The drawing goes on answering: a preview asks no database.
        $browser->choose('Run it', 'Passive')->until(
            fn (): bool => str_contains((string) $browser->see('svg[aria-label*="from the side"]')->getAttribute('aria-label'), '323'),
            'for the passive water line',
        );
        $browser->open("$server->url/gardens/$id")->waitForText('The database does not answer');
        $database->again();
        $browser->open("$server->url/gardens/$id/a/tub");
        saved($browser);
        expect($server->document($id)->tubs[0]->name)->toBe('Written while away')
            ->and($server->document($id)->tubs[0]->system)->toBe('passive');
    } finally {
        // A page that still asks something would complain that nobody answers.
        Browser::shared()->open('about:blank');
        $server->stop();
        $database->remove();
    }
});

it('switches units, tubs and marks by keys, but not inside a field', function () {
    [$browser] = bench(bucket20(garden: ['tubs' => [
        ['id' => 'a', 'name' => 'One', 'system' => 'passive', 'vessel' => 'bucket-20'],
        ['id' => 'b', 'name' => 'Two', 'system' => 'passive', 'vessel' => 'bucket-10'],
    ], 'air' => []]), '/a/tub');
    $browser->waitForText('Working volume');
    $browser->keys('u')->until(fn (): bool => str_contains($browser->bodyText(), 'gal'), 'for gallons');
    $browser->keys(']')->until(fn (): bool => $browser->see('#tub-name')->getAttribute('value') === 'Two', 'for the next tub');
    $browser->keys('3')->see(WebDriverBy::xpath("//h1[.='Lid']"));
    $browser->keys('6')->see(WebDriverBy::xpath("//h1[.='Cost']"));
    $browser->keys('0')->see(WebDriverBy::xpath("//h1[.='Bench']"));
    $browser->keys('1')->write('#tub-name', 'u 3 0');
    expect($browser->see(WebDriverBy::xpath("//h1[.='Tub']"))->isDisplayed())->toBeTrue();
    $browser->press(WebDriverBy::xpath("//h1[.='Tub']"))->script('document.activeElement.blur()');
    $browser->keys('?')->waitForText('Use these keys');
    $browser->keys("\u{E00C}");
});

it('removes and copies a tub, with undo', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/tub');
    $browser->press(Browser::text('Copy tub', 'button'))->waitForText('Bucket copy');
    $browser->press('[data-act=remove-tub]')->until(
        fn (): bool => ! str_contains($browser->bodyText(), 'Bucket copy'),
        'for the copy to go',
    );
    $browser->press('[data-act=remove-tub]')->waitForText('Nothing stands here yet');
    $browser->press(Browser::text('Undo', 'button'))->see('[data-card=a]');
    saved($browser);
    expect($server->document($id)->air[0]->branches[0]->tub)->toBe('a');
});

it('keeps a part that is owned and a price of one’s own', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/cost');
    $before = (float) figure($browser, 'Outlay now');
    $browser->press('[data-part=drill] .tick input');
    $browser->until(fn (): bool => abs((float) figure($browser, 'Outlay now') - ($before - 39)) < 0.01, 'for the drill to cost nothing');
    $browser->press('[data-part=pump-4w-2] .acts button:last-child');
    $browser->write(
        '.pricing label:nth-of-type(3) input',
        'cheap',
    )->press(Browser::text('Add this price', 'button'))->waitForText('no sum of money');
    // What is typed waits while another part of the mark is looked at.
    $browser->press('[data-part-of-cost=prices]')->press('[data-part-of-cost=list]');
    expect($browser->see('.pricing label:nth-of-type(3) input')->getAttribute('value'))->toBe('cheap');
    $browser->write('.pricing label:nth-of-type(3) input', '€10')->press(Browser::text('Add this price', 'button'));
    $browser->until(fn (): bool => abs((float) figure($browser, 'Outlay now') - ($before - 39 - 6.5)) < 0.01, 'for the cheaper pump');
    $browser->write('#cap', '20,00')->see('[data-code="cost.over-cap"]');
    saved($browser);
    expect($server->document($id)->money->cap)->toBe(20)->and($server->document($id)->prices[0]->price)->toBe(10);
});

it('works at 1280 × 680 and 1280 × 800 without the page scrolling, and at 390 without scrolling sideways', function () {
    [$browser] = bench((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
    $overflow = 'const e = document.scrollingElement; return [e.scrollWidth - e.clientWidth, e.scrollHeight - e.clientHeight]';
    foreach ([800, 680] as $height) {
        $browser->size(1280, $height)->keys('0')->see('.cards');
        foreach (['1', '2', '3', '4', '5', '6', '7', '0'] as $key) {
            $browser->keys($key);
            $browser->until(fn (): bool => $browser->script($overflow) === [0, 0], "not to scroll at $height with $key");
        }
    }
    $browser->size(390, 844, true);
    $browser->until(fn (): bool => $browser->script($overflow)[0] === 0, 'not to scroll sideways on a phone');
    $browser->press('.bar .now')->press(
        WebDriverBy::xpath("//ul[@id='mark-sheet']//button[starts-with(normalize-space(.),'Lid')]"),
    )->see(WebDriverBy::xpath("//h1[.='Lid']"));
    $browser->until(fn (): bool => $browser->script($overflow)[0] === 0, 'not to scroll sideways at a mark');
    $browser->size(1280, 800);
});

it('lays out a spread when it is found, and keeps the holes that stand until then', function () {
    [$browser] = bench(bucket20(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 7]]), '/a/lid');
    $browser->press('[data-pattern=spread]');
    $browser->until(fn (): bool => str_contains($browser->bodyText(), 'spread; the lid holds'), 'for the spread');
    $browser->until(fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('.wait')) === [], 'for the laying out to end');
    expect($browser->driver->findElements(WebDriverBy::cssSelector('[data-hole]')))->toHaveCount(7);
});

it('says what else could grow in a tub, and grows it', function () {
    [$browser, $server, $id] = bench(bucket20(['crop' => 'tomato-vine']), '/a/crop');
    $browser->press(WebDriverBy::xpath("//summary[.='What else could grow here']"));
    $browser->press(WebDriverBy::xpath("(//details[.//summary[.='What else could grow here']]//li//button)[1]"));
    saved($browser);
    expect($server->document($id)->tubs[0]->crop)->not->toBe('tomato-vine');
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('article[data-code^="crop."]')) === [],
        'for a crop with nothing against its place',
    );
});

it('turns to night in its own colours, and stays so', function () {
    [$browser] = bench(bucket20(), '/a/tub');
    $ground = 'const s = getComputedStyle(document.body); return [s.backgroundColor, s.color, '
        .'getComputedStyle(document.documentElement).filter]';
    $browser->press(Browser::text('Night', 'button'));
    $browser->until(fn (): bool => $browser->script($ground) === ['rgb(26, 40, 32)', 'rgb(233, 230, 216)', 'none'], 'for the night');
    $browser->driver->navigate()->refresh();
    $browser->see('.staff');
    expect($browser->script($ground)[0])->toBe('rgb(26, 40, 32)');
    $browser->press(Browser::text('Night', 'button'));
    expect($browser->script($ground)[0])->toBe('rgb(245, 241, 230)');
});
