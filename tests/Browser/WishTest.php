<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

// From a wish to a garden, walked as somebody would who has never planted anything.

afterEach(function () {
    Browser::shared()->size(1280, 800);
    // A new garden takes its units from the one last worked on: whoever comes next begins in millimetres.
    Server::shared()->garden(['name' => 'In millimetres', 'units' => 'metric']);
    expect(preg_grep('/status of 422/', Browser::shared()->complaints(), PREG_GREP_INVERT))->toBe([]);
});

dataset('wishers', ['at the desk' => [[1280, 800]], 'on a phone' => [[390, 844, true]]]);

/** The page, with nothing wished yet. @return array{Browser, Server} */
function wishing(array $size, string $path = '/wish'): array
{
    $server = Server::shared();
    $browser = Browser::shared()->size(...$size)->open("$server->url/");
    $browser->script('localStorage.removeItem("kelp-wish")');
    $browser->open($server->url.$path)->waitForText('Press what you would like to eat');

    return [$browser, $server];
}

/** Waits until all that there is was looked for. */
function found(Browser $browser): Browser
{
    $browser->see('[data-design]');
    $browser->until(fn (): bool => (bool) $browser->script("return document.querySelector('.come').ariaBusy === 'false'"), 'for the whole');

    return $browser;
}

/** @return list<string> keys of the designs that are shown */
function offeredDesigns(Browser $browser): array
{
    return $browser->script("return [...document.querySelectorAll('[data-design]')].map((d) => d.dataset.design)");
}

it('offers whole designs at the first press, and puts one on the bench at the next', function (array $size) {
    [$browser, $server] = wishing($size);
    $before = $browser->acts;
    $browser->press('[data-pick=leaf]');
    found($browser);
    expect(count(offeredDesigns($browser)))->toBeGreaterThanOrEqual(3)
        ->and($browser->acts - $before)->toBeLessThanOrEqual(6)
        ->and($browser->bodyText())->toContain('Cheapest')->toContain('days after sowing');
    // Nothing stands over the edge of a phone.
    expect($browser->script('return document.documentElement.scrollWidth <= innerWidth'))->toBeTrue();

    $browser->press('[data-act=take]')->see('.mark, .bench');
    $browser->waitForText('Leaf lettuce');
    preg_match('#/gardens/(\w{26})#', $browser->driver->getCurrentURL(), $m);
    $tubs = $server->document($m[1])->tubs;
    expect($tubs[0]->crop)->toBe('lettuce-leaf')->and($browser->acts - $before)->toBeLessThanOrEqual(8);
})->with('wishers');

it('answers each change, and tells what to wish otherwise where nothing is just that', function () {
    [$browser] = wishing([1280, 800]);
    $browser->press('[data-pick=leaf]');
    $all = offeredDesigns(found($browser));
    $browser->press(Browser::text('Still', 'button'));
    $browser->until(fn (): bool => offeredDesigns($browser) !== $all, 'for another answer');
    found($browser);
    foreach (offeredDesigns($browser) as $key) {
        expect($key)->toEndWith('-still');
    }
    $browser->write('#wish-cap', '20')->waitForText('Nothing is just that');
    $browser->press('[data-act=loosen]');
    found($browser);
    expect((int) $browser->see('#wish-cap')->getAttribute('value'))->toBeGreaterThan(20);
    // What was wished is found again where it was left.
    $browser->driver->navigate()->refresh();
    found($browser);
    expect($browser->see('[data-pick=leaf]')->getAttribute('aria-pressed'))->toBe('true');
});

it('is wished by keys alone', function () {
    [$browser] = wishing([1280, 800]);
    $browser->see('[data-pick=herb]')->sendKeys(WebDriverKeys::SPACE);
    found($browser);
    $browser->see('[data-eat=herb] [aria-label="Herbs: less"]')->sendKeys(WebDriverKeys::ENTER);
    $browser->until(fn (): bool => $browser->see('[data-eat=herb] output')->getText() === '2', 'for fewer');
    found($browser);
    expect($browser->bodyText())->toContain('basil');
    $browser->see('[data-pick=herb]')->sendKeys(WebDriverKeys::SPACE);
    $browser->waitForText('Press what you would like to eat');
});

it('begins with a wish that ships, in inches too', function (string $start, string $says) {
    [$browser] = wishing([1280, 800]);
    $browser->press(Browser::text('in', 'button'))->press("[data-start='$start']");
    found($browser);
    expect($browser->bodyText())->toContain($says)->toContain(' in ')->not->toContain(' mm');
})->with([
    'salad' => ['salad', 'leaf lettuce'],
    'a chilli' => ['fruiting', 'chilli pepper'],
    'no power' => ['no-power', 'needs none'],
]);

it('begins with a cloner and its nursery, which are a garden at once', function () {
    [$browser, $server] = wishing([1280, 800]);
    $browser->press('[data-start=cloner]')->see('.cards');
    preg_match('#/gardens/(\w{26})#', $browser->driver->getCurrentURL(), $m);
    expect(array_column($server->document($m[1])->tubs, 'system'))->toBe(['cloner', 'nursery']);
});

it('adds what is wished to a garden that is there, and takes it back at one undo', function () {
    [$browser, $server, $id] = bench(bucket20(['crop' => 'basil']));
    $browser->script('localStorage.removeItem("kelp-wish")');
    $browser->press('[data-act=wish]')->waitForText('Press what you would like to eat');
    $browser->press('[data-pick=leaf]');
    found($browser);
    $browser->press('[data-act=add]')->see('.staff');
    $tubs = static fn (): array => array_column($server->document($id)->tubs, 'id');
    $browser->until(fn (): bool => count($tubs()) === 2, 'for it to be kept');
    expect($tubs())->toBe(['a', 'lettuce-leaf']);
    $browser->press(Browser::text('Undo', 'button'));
    $browser->until(fn (): bool => $tubs() === ['a'], 'for it to be taken back');
});

it('is offered beside a tub that one has, where nothing stands yet', function () {
    [$browser] = bench(['name' => 'Empty']);
    $browser->waitForText('A tub that I have');
    $browser->press('[data-act=wish]')->see('[data-pick=leaf]');
    expect($browser->bodyText())->toContain('What I would like to grow');
});

/** Chooses a word under a label. */
function answerWish(Browser $browser, string $label, string $word): void
{
    $browser->press(WebDriverBy::xpath(
        "//*[@role='group'][span[normalize-space(.)='$label']]//button[normalize-space(.)='$word']",
    ));
}

/** Chooses the day from which on something grows. */
function begunOn(Browser $browser, string $date): void
{
    $browser->acts++;
    $browser->script("arguments[0].value = '$date'; arguments[0].dispatchEvent(new Event('input'))", $browser->see('[data-field=from]'));
}

it('comes from a wish to a sound garden within six presses', function (array $says, callable $isSo, array $size) {
    [$browser, $server] = wishing($size);
    $before = $browser->acts;
    foreach ($says as [$label, $word]) {
        match (true) {
            $label === 'eat' => $browser->press("[data-pick=$word]"),
            $label === 'cap' => $browser->write('#wish-cap', $word),
            $label === 'from' => begunOn($browser, $word),
            default => answerWish($browser, $label, $word),
        };
    }
    found($browser);
    expect($browser->acts - $before)->toBeLessThanOrEqual(6);
    $browser->press('[data-act=take]')->see('.mark, .bench');
    preg_match('#/gardens/(\w{26})#', $browser->driver->getCurrentURL(), $m);
    $garden = $server->document($m[1]);
    $report = $server->call('POST', '/api/plan', json_encode($garden, JSON_THROW_ON_ERROR));
    expect(array_values(array_filter($report->findings, static fn (object $f): bool => $f->severity === 'stop')))->toBe([])
        ->and($isSo($garden, $report))->toBeTrue();
})->with([
    'flowers in inches, measured by meters' => [
        [['Units', 'in'], ['eat', 'flower'], ['Measured', 'By meters']],
        fn (object $g): bool => $g->units === 'us' && $g->testing === 'meter',
    ],
    'salad on a balcony without a socket, for 60' => [
        [['eat', 'leaf'], ['It grows', 'Covered'], ['from', '2027-05-10'], ['A socket near it', 'No'], ['cap', '60']],
        fn (object $g, object $r): bool => $g->air === [] && $r->budget->outlay <= 60 && $g->site->setting === 'covered',
    ],
    'herbs by a window that nobody waters for two weeks' => [
        [['eat', 'herb'], ['Away at the longest, days', '14']],
        fn (object $g): bool => count($g->tubs) > 0 && $g->site->setting === 'indoor',
    ],
    'something that fruits, under a lamp' => [
        [['eat', 'fruit'], ['It grows', 'Under a lamp'], ['The lamp', 'Is to be bought']],
        fn (object $g): bool => $g->air !== [] && isset($g->tubs[0]->lamp),
    ],
    'salad and herbs with no drill' => [
        [['eat', 'leaf'], ['eat', 'herb'], ['A drill', 'None']],
        fn (object $g, object $r): bool => ! in_array('drill', array_column($r->parts, 'key'), true),
    ],
    'roots, looked after once a week' => [
        [['eat', 'root'], ['It grows', 'Under a lamp'], ['Days a week to come, at most', '1']],
        fn (object $g): bool => count($g->tubs) > 0,
    ],
])->with('wishers');
