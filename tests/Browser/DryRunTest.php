<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

// A season lived through in the browser: one lost, one brought in, by hand and by keys.

afterEach(function () {
    Browser::shared()->size(1280, 800);
    // What is refused is said on the page; the browser notes it besides.
    expect(preg_grep('/status of 422/', Browser::shared()->complaints(), PREG_GREP_INVERT))->toBe([]);
});

/** The dry run that is open, as the server keeps it. */
function openRun(Browser $browser, Server $server): object
{
    preg_match('#/dry-runs/(\w{26})#', $browser->driver->getCurrentURL(), $m);

    return $server->call('GET', "/api/dry-runs/$m[1]");
}

/** Presses something and waits until the server has kept what came of it. */
function playOn(Browser $browser, Server $server, callable $press): object
{
    $before = openRun($browser, $server)->revision;
    $press();
    $browser->until(fn (): bool => openRun($browser, $server)->revision > $before, 'for it to be kept');
    $run = openRun($browser, $server);
    // The page shows it when its answer has come.
    $shown = $run->so_far->over ? '[data-outcome]' : '.day .number';
    $browser->until(
        fn (): bool => $run->so_far->over || $browser->see($shown)->getText() === (string) $run->day,
        'for the day to be shown',
    );

    return $run;
}

/** Opens a lesson from the list of them. */
function lesson(string $key, array $size = [1280, 800]): array
{
    $server = Server::shared();
    $browser = Browser::shared()->size(...$size)->open("$server->url/dry-runs");
    $browser->press("[data-lesson=$key] .box")->see('[data-act=day]');

    return [$browser, $server];
}

/** Keeps a tub as its plan has it and as its bubbles tell, to its end. */
function bringIn(Browser $browser, Server $server): object
{
    $run = openRun($browser, $server);
    for ($n = 0; ! $run->so_far->over && $n < 80; $n++) {
        $seen = $run->so_far->seen[count($run->so_far->seen) - 1];
        $next = $run->so_far->next;
        if ($seen->bubbles === 'none') {
            $run = playOn($browser, $server, fn () => $browser->press('[data-act=valve]'));
        }
        if ($next !== null && $next->day === $run->day && $next->do === 'top-up') {
            $field = $browser->see(Browser::field('Top up'));
            $field->clear()->sendKeys(round($next->litres, 1).' L'.WebDriverKeys::TAB);
            $run = playOn($browser, $server, fn () => $browser->press('[data-act=top-up]'));
        } elseif ($next !== null && $next->day === $run->day && $next->do === 'change') {
            $run = playOn($browser, $server, fn () => $browser->press('[data-act=change]'));
        }
        $run = playOn($browser, $server, fn () => $browser->press('[data-act=next]'));
    }

    return $run;
}

it('loses a season by doing nothing, is told why, goes back to an evening and brings it in', function (array $size) {
    [$browser, $server] = lesson('no-bubbles', $size);
    $browser->press('[data-act=next]');
    $browser->until(fn (): bool => openRun($browser, $server)->day > 0, 'for days to pass');
    $lost = playOn($browser, $server, fn () => $browser->press('[data-act=end]'));
    expect($browser->see('[data-outcome]')->getText())->toContain('Lost on day 25')
        ->and($lost->end->harvest_g)->toEqual(0)
        ->and($browser->bodyText())->toContain('a valve knocked shut')->toContain('The goal is not reached yet');

    // Back to the first evening, chosen in the chart by keys.
    $browser->see('[role=slider]')->sendKeys(WebDriverKeys::HOME);
    playOn($browser, $server, fn () => $browser->press('[data-act=back-to]'));
    $browser->see('[data-act=day]');
    $won = bringIn($browser, $server);

    expect($won->lesson->reached)->toBeTrue()
        ->and($browser->see('[data-reached]')->getText())->toContain('The goal is reached')
        ->and($browser->see('[data-outcome]')->getText())->toContain('picked');
})->with(['at the desk' => [[1280, 800]], 'at the tub' => [[390, 844, true]]]);

it('is played by keys alone, and takes back by z', function () {
    [$browser, $server] = bench(bucket20(
        ['crop' => 'lettuce-leaf', 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ));
    $browser->script("document.querySelector('[data-act=dry-run]').focus()");
    $browser->driver->switchTo()->activeElement()->sendKeys(WebDriverKeys::ENTER);
    $browser->see('[data-act=day]');
    $key = static fn (string $key) => fn () => $browser->keys($key);
    expect(playOn($browser, $server, $key('d'))->day)->toBe(1)
        ->and(playOn($browser, $server, $key('w'))->day)->toBeGreaterThanOrEqual(8);
    $day = openRun($browser, $server)->day;
    $browser->see(Browser::field('Top up'))->sendKeys('1 L'.WebDriverKeys::TAB);
    $browser->script("document.querySelector('[data-act=top-up]').focus()");
    $poured = playOn($browser, $server, $key(WebDriverKeys::ENTER));
    expect($browser->bodyText())->toContain('topped up 1');
    $browser->script('document.activeElement.blur()');
    $back = playOn($browser, $server, $key('z'));
    expect(count($back->decisions))->toBe(count($poured->decisions) - 1)->and($back->day)->toBe($day)
        ->and(playOn($browser, $server, $key('z'))->day)->toBe(1)
        ->and(playOn($browser, $server, $key('n'))->day)->toBeGreaterThan(1);
});

it('refuses more than the tub holds, keeps what was typed, and asks the Log', function () {
    [$browser, $server] = lesson('green-water');
    $browser->see(Browser::field('Top up'))->sendKeys('400 L'.WebDriverKeys::TAB);
    $browser->press('[data-act=top-up]')->waitForText('holds');
    expect($browser->see(Browser::field('Top up'))->getAttribute('value'))->toContain('400');

    $run = openRun($browser, $server);
    while (! $run->so_far->seen[count($run->so_far->seen) - 1]->green) {
        $run = playOn($browser, $server, fn () => $browser->press('[data-act=next]'));
    }
    $browser->press('[data-act=ask-log]')->see('[data-finding="log.light-leak"]');
});

it('walks all six lessons', function () {
    $server = Server::shared();
    foreach (['water-and-roots', 'after-a-refill', 'salt-that-climbs', 'no-bubbles', 'ph-that-will-not-stay', 'green-water'] as $key) {
        [$browser] = lesson($key);
        $browser->see('.guide li');
        playOn($browser, $server, fn () => $browser->press('[data-act=next]'));
        playOn($browser, $server, fn () => $browser->press('[data-act=end]'));
        $browser->see('[data-mishap]');
    }
});

it('plays decisions in the design as it is by now, and changes the design by what a run has taught', function () {
    [$browser, $server, $id] = bench(bucket20(
        ['crop' => 'lettuce-romaine', 'feed' => 'f', 'top_ups' => 'level', 'reservoir_change' => 'never', 'top_up_strength' => 'feed'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ));
    $before = $server->document($id)->tubs;
    $run = $server->call('POST', '/api/dry-runs', (string) json_encode(
        ['garden' => $server->document($id), 'from' => $id, 'tub' => 'a', 'seed' => 276],
    ));
    $browser->open("$server->url/dry-runs/$run->id")->see('[data-act=day]');
    playOn($browser, $server, fn () => $browser->press('[data-act=end]'));
    $browser->press(Browser::text('Change the design so', 'button'))->see('.staff');
    $browser->until(fn (): bool => $server->document($id)->tubs != $before, 'for the design to be changed');
    expect($browser->see(Browser::text('Undo', 'button'))->isEnabled())->toBeTrue();

    $browser->open("$server->url/dry-runs/$run->id")->see('[data-differs]');
    $browser->press('[data-act=there]');
    $browser->until(fn (): bool => ! str_contains($browser->driver->getCurrentURL(), $run->id), 'for another run');
    expect(openRun($browser, $server)->garden->differs)->toBe([]);
});

it('counts a thousand seasons on the Bench as they come, and stops at a press', function () {
    [$browser] = bench(bucket20(
        ['crop' => 'lettuce-leaf', 'feed' => 'f'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]],
    ));
    $browser->press('[data-act=odds]')->see('[data-odds]');
    $browser->press('[data-act=stop-odds]');
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-act=stop-odds]')) === [],
        'for it to stop',
    );
    expect($browser->see('[data-odds]')->getText())->toContain('seasons come through');
});

it('says of a file that is no run what is wrong with it', function () {
    $server = Server::shared();
    $browser = Browser::shared()->open("$server->url/dry-runs");
    $browser->see('[data-lesson]');
    $browser->driver->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys(dirname(__DIR__, 2).'/data/demo.kelp.json');
    $browser->waitForText('no dry run that can be played')->waitForText('format');
});

it('keeps the order of what is pressed while answers are late: each on its own evening', function () {
    [$browser, $server] = lesson('green-water');
    $browser->devTools('Network.enable');
    $late = ['offline' => false, 'latency' => 900, 'downloadThroughput' => -1, 'uploadThroughput' => -1];
    $browser->devTools('Network.emulateNetworkConditions', $late);
    $button = $browser->see('[data-act=top-up]');
    $top = $button->getLocation()->getY();
    try {
        $browser->keys('d')->keys('d');
        $browser->see(Browser::field('Top up'))->sendKeys('1 L'.WebDriverKeys::TAB);
        $browser->see('.waiting');
        // What is waited for is said over the page: no button moves away from a finger that comes down.
        expect($button->getLocation()->getY())->toBe($top);
        $browser->press('[data-act=top-up]');
        $browser->script('document.activeElement.blur()');
        $browser->keys('d');
        $browser->until(fn (): bool => openRun($browser, $server)->day === 3, 'for three days to pass');
        $browser->until(fn (): bool => $browser->see('.day .number')->getText() === '3', 'for them to be shown');
    } finally {
        $browser->devTools('Network.emulateNetworkConditions', ['latency' => 0] + $late);
    }
    $topUps = array_values(array_filter(openRun($browser, $server)->decisions, static fn (object $d): bool => $d->do === 'top-up'));
    expect(array_column($topUps, 'day'))->toBe([2])->and($topUps[0]->litres)->toEqual(1);
});

it('holds two runs beside one another', function () {
    $server = Server::shared();
    $ids = [];
    foreach ([[], [['day' => 19, 'do' => 'valve']]] as $decisions) {
        $run = $server->call('POST', '/api/dry-runs', '{"lesson":"no-bubbles"}');
        foreach ([['day' => 19, 'on' => null], ['day' => 19, 'on' => 'end']] as $play) {
            $body = (string) json_encode(['revision' => $run->revision, 'decisions' => $decisions, ...$play]);
            $run = $server->call('PUT', "/api/dry-runs/$run->id", $body);
        }
        $ids[] = $run->id;
    }
    $browser = Browser::shared()->open("$server->url/dry-runs/$ids[0]");
    $browser->see('select option[value="'.$ids[1].'"]')->click();
    $browser->waitForText('beside: ');
    $won = $server->call('GET', "/api/dry-runs/$ids[1]")->end->harvest_g;
    expect($browser->see('.figure')->getText())->toContain('beside: '.round($won)."\u{202F}g")->and($won)->toBeGreaterThan(500);
});
