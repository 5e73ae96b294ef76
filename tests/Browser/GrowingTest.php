<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

// From sowing to harvest: planted, ticked off, logged without a meter and with one, warned, put right; at the desk and at the tub.

afterEach(function () {
    // Whatever became of a test, the next one finds the server there.
    Browser::shared()->devTools('Network.setBlockedURLs', ['urls' => []]);
    // What is refused, and what does not come, is said on the page; the browser notes it besides.
    $complaints = preg_grep('#status of 422|ERR_(BLOCKED|CONNECTION|FAILED)#', Browser::shared()->complaints(), PREG_GREP_INVERT);
    expect($complaints)->toBe([]);
    Browser::shared()->size(1280, 800);
});

function daysAgo(int $days): string
{
    return date('Y-m-d', strtotime("-$days days"));
}

dataset('sizes', ['at the desk' => [[1280, 800]], 'at the tub' => [[390, 844, true]]]);

/** A bucket of lettuce that was set in so many days ago, opened at a mark. @return array{Browser, Server, string} */
function growing(string $mark, int $days = 20, array $size = [1280, 800]): array
{
    return bench(bucket20(['crop' => 'lettuce-leaf', 'feed' => 'f'], [
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
        'plantings' => [['id' => 'p', 'tub' => 'a', 'crop' => 'lettuce-leaf', 'transplanted' => daysAgo($days)]],
    ]), "/a/$mark", $size);
}

/** Waits until the open garden is kept so. */
function gardenKept(Browser $browser, Server $server, string $id, callable $so): void
{
    $browser->until(fn (): bool => $so($server->document($id)), 'for the garden to be kept');
}

/** @return list<object> */
function entriesOf(Server $server, string $id): array
{
    return $server->call('GET', "/api/gardens/$id/entries")->entries;
}

/** Writes into a field that is read as it is typed. */
function logLine(Browser $browser, string $text): Browser
{
    $browser->see('#log-line')->clear()->sendKeys($text);

    return $browser;
}

it('plants, follows what comes of it by date, and moves it by keys', function (array $size) {
    [$browser, $server, $id] = bench(bucket20(['crop' => 'lettuce-leaf']), '/a/days', $size);
    $browser->waitForText('Nothing is planted yet');
    $browser->script(
        "const d = document.querySelector('input[type=date]'); d.value = arguments[0]; d.dispatchEvent(new Event('input'))",
        daysAgo(20),
    );
    $browser->press('[data-act=plant]')->see('[data-band="a.1"]');
    $browser->waitForText('Leaf lettuce');
    gardenKept(
        $browser,
        $server,
        $id,
        fn (object $d): bool => ($d->plantings[0]->sown ?? '') === daysAgo(20) && $d->plantings[0]->stage === 'plug'
            // What it stands in is drilled: its holes are held.
            && $d->tubs[0]->layout->pattern === 'manual' && count($d->tubs[0]->layout->holes) > 0,
    );

    $browser->see('[data-planting]')->sendKeys([WebDriverKeys::ARROW_RIGHT]);
    gardenKept($browser, $server, $id, fn (object $d): bool => $d->plantings[0]->sown === daysAgo(19));
    $browser->press(Browser::text('Undo', 'button'));
    gardenKept($browser, $server, $id, fn (object $d): bool => $d->plantings[0]->sown === daysAgo(20));
    $browser->drag('[data-planting] rect', 60, 0);
    gardenKept($browser, $server, $id, fn (object $d): bool => $d->plantings[0]->sown > daysAgo(20));
})->with('sizes');

it('ticks off what is due, with its litres, and takes it back at a press', function (array $size) {
    [$browser, $server, $id] = growing('days', 14, $size);
    $browser->see('[data-item="a.1/change/1"]');
    $browser->press('[data-item="a.1/change/1"] input');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');
    [$entry] = entriesOf($server, $id);

    expect($entry->change)->toBeTrue()->and($entry->did)->toBe(['a.1/change/1'])->and($entry->tub)->toBe('a');
    $browser->waitForText('Done today')->press('.done input');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 2, 'for it to be taken back');
    expect(entriesOf($server, $id)[1]->strikes)->toBe($entry->id);
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-item="a.1/change/1"]:not(.done)')) !== [],
        'to be due',
    );
})->with('sizes');

it('logs a line without a meter, shows what was understood, and takes it back', function (array $size) {
    [$browser, $server, $id] = growing('log', size: $size);
    logLine($browser, 'level 18 cm, topped up 1 L, roots white')->waitForText('Understood: level 180');
    $browser->waitForText('As a note: roots white')->press('[data-act=keep-line]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');
    $browser->waitForText('level 180')->see('[data-entry]');
    [$entry] = entriesOf($server, $id);

    expect([$entry->level_mm, $entry->top_up_l, $entry->note])->toEqual([180, 1, 'roots white']);
    $browser->press(Browser::text('Take back', 'button'))->waitForText('Taken back:');
    $browser->press('[data-act=put-back]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 3, 'for it to be back');
    expect(entriesOf($server, $id)[2]->level_mm)->toEqual(180);
})->with('sizes');

it('asks what it must, once, and guesses nothing', function () {
    [$browser, $server, $id] = growing('log');
    logLine($browser, 'pH 63')->waitForText('did it mean 6.3?')->press('[data-act=keep-line]');
    logLine($browser, '840 ppm')->waitForText('Which scale')->press('[data-act=ppm-700]')->waitForText('EC 1.2');
    $browser->press('[data-act=keep-line]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');

    expect(entriesOf($server, $id)[0]->ec_ms_cm)->toEqualWithDelta(1.2, 1e-9);
    gardenKept($browser, $server, $id, fn (object $d): bool => ($d->log->ppm_scale ?? 0) === 700);
});

it('says what numbers and signs mean together, and what to do in this tub’s amounts', function () {
    [$browser, $server, $id] = growing('log');
    $browser->press(Browser::text('Fields', 'button'))->press('[data-sign=pale-new-leaves]');
    $browser->see('[data-field=ph]')->sendKeys('7,4');
    $browser->press('[data-act=keep-fields]')->see('[data-finding="log.locked"]');
    $browser->waitForText('the pH is 7.4')->waitForText('Try it on 1 L');

    expect(entriesOf($server, $id)[0]->signs)->toBe(['pale-new-leaves']);
});

it('keeps an entry that is typed while the server is gone, through a reload, and sends it once', function () {
    [$browser, $server, $id] = growing('log');
    $browser->size(390, 844, true)->see('#log-line');
    $browser->devTools('Network.enable');
    $browser->devTools('Network.setBlockedURLs', ['urls' => ['*/entries', '*/entries/read']]);
    logLine($browser, 'level 17 cm')->press('[data-act=keep-line]')->waitForText('1 entry waits on this device');
    $browser->driver->navigate()->refresh();
    $browser->see('#log-line');
    $browser->waitForText('1 entry waits on this device');
    expect(entriesOf($server, $id))->toBe([]);

    $browser->devTools('Network.setBlockedURLs', ['urls' => []]);
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be sent');
    $browser->until(fn (): bool => ! str_contains($browser->bodyText(), 'waits on this device'), 'for nothing to wait');
    expect(entriesOf($server, $id)[0]->level_mm)->toEqual(170);
});

it('finds a line again that was typed and not kept', function () {
    [$browser] = growing('log');
    logLine($browser, 'level 18 cm');
    mark($browser, 'days');
    mark($browser, 'log');

    expect($browser->see('#log-line')->getAttribute('value'))->toBe('level 18 cm');
    $browser->see('#log-line')->clear();
});

it('says on the first page what is due, ticks it there, and draws the bench as it stands today', function () {
    [$browser, $server, $id] = growing('log', 14);
    $browser->open($server->url.'/')->see('.due');
    // Others' gardens may have much that is due.
    if ($browser->driver->findElements(WebDriverBy::cssSelector('[data-act=all-due]')) !== []) {
        $browser->press('[data-act=all-due]');
    }
    $browser->press("[data-of='$id'][data-item='a.1/change/1'] input");
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');
    $browser->see('[data-stands="a.1"]');

    $browser->open("$server->url/gardens/$id")->press(Browser::text('Today', 'button'))->waitForText('as it stands today');
});

it('picks, and holds what came against what was forecast', function (array $size) {
    [$browser, $server, $id] = growing('log', 33, $size);
    logLine($browser, 'picked 180 g')->waitForText('picked 180')->press('[data-act=keep-line]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');
    $browser->waitForText('were forecast');

    expect(figure($browser, 'Picked'))->toContain('180');
})->with('sizes');

it('takes over what a harvest taught into the Library, and plants it again by that', function (array $size) {
    [$browser, $server, $id] = growing('log', 60, $size);
    logLine($browser, 'picked 300 g')->waitForText('picked 300')->press('[data-act=keep-line]');
    $browser->see('[data-act=take-over]')->getText();
    expect($browser->see('.take')->getText())->toContain('Leaf lettuce here')->toContain('bears')->toContain('one weighing');

    $browser->press('[data-act=take-over]')->waitForText('My leaf lettuce is in your Library');
    gardenKept(
        $browser,
        $server,
        $id,
        static fn (object $g): bool => $g->tubs[0]->crop === $g->plantings[0]->crop && $g->tubs[0]->crop !== 'lettuce-leaf',
    );
    $own = $server->document($id)->tubs[0]->crop;
    $taught = $server->document($id)->library->crops->{$own};
    expect($taught->yield_g)->toBeLessThan(140)->toBeGreaterThan(30)
        ->and($server->document($id)->library->crops->{$own}->water_to_harvest_l)->toEqual(3.8);
    // By its own figures the harvest is as it was forecast: there is nothing left to take over.
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-act=take-over]')) === [],
        'for nothing to be left',
    );

    // By the staff at the desk, by the bar at the foot on a phone.
    $browser->press($size[0] < 500 ? WebDriverBy::xpath('//nav//button[contains(., "Days")]') : '[data-mark=days]')->see('.bands');
    $browser->press(WebDriverBy::cssSelector('.planted summary'))->press('[data-act="again-p"]');
    gardenKept($browser, $server, $id, static fn (object $g): bool => count($g->plantings) === 2 && $g->plantings[1]->crop === $own);
})->with('sizes');

it('keeps a photograph with a line, shows it beside its day, and says of what is none that it is none', function () {
    [$browser, $server, $id] = growing('log');
    $photo = (string) glob(dirname(__DIR__, 2).'/data/demo-photos/*.jpg')[0];
    $text = tempnam(sys_get_temp_dir(), 'kelp').'.jpg';
    file_put_contents($text, 'no photograph at all');
    $choose = static fn (string $file) => $browser->driver->findElement(WebDriverBy::cssSelector('[data-field=photo]'))->sendKeys($file);
    $browser->see('#log-line');
    $choose(__FILE__);
    $browser->waitForText('is no photograph that can be kept');
    // Nobody is there, and the page is left: it waits with its line.
    $browser->devTools('Network.enable');
    $browser->devTools('Network.setBlockedURLs', ['urls' => ['*/photos*', '*/entries', '*/entries/read']]);
    $choose($photo);
    $browser->see('.pick img');
    logLine($browser, 'level 18 cm')->press('[data-act=keep-line]');
    $browser->waitForText('1 entry waits on this device');
    $browser->driver->navigate()->refresh();
    $browser->see('#log-line');
    $browser->waitForText('1 entry waits on this device');
    $browser->devTools('Network.setBlockedURLs', ['urls' => []]);
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be sent');
    $browser->press('.entries button.photo')->see('[data-photo] img');
    $browser->until(
        fn (): bool => $browser->script("return document.querySelector('[data-photo] img').naturalWidth > 500"),
        'for the photograph to be there',
    );
    [$entry] = entriesOf($server, $id);
    expect($entry->level_mm)->toEqual(180)->and($entry->photo)->toMatch('/^[0-9A-Z]{26}$/');

    $choose($text);
    logLine($browser, 'pH 6.1')->waitForText('Understood')->press('[data-act=keep-line]');
    $browser->waitForText('the photograph is none that can be read');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 2, 'for its line to be kept');
    unlink($text);
    expect(entriesOf($server, $id)[1]->ph)->toEqual(6.1)->and(isset(entriesOf($server, $id)[1]->photo))->toBeFalse();
});

it('asks before a tub goes with what grows in it, names its log, and brings both back by Undo', function () {
    [$browser, $server, $id] = growing('log');
    logLine($browser, 'level 18 cm')->waitForText('Understood')->press('[data-act=keep-line]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for it to be kept');
    mark($browser, 'tub');
    $browser->press('[data-act=remove-tub]');
    $browser->see('[data-asks]');
    $browser->waitForText('1 entry of its log')->waitForText('Leaf lettuce, set in');
    $browser->press('[data-act=leave-it]');
    expect($server->document($id)->tubs)->toHaveCount(1);

    $browser->press('[data-act=remove-tub]')->press('[data-act=agree]');
    gardenKept($browser, $server, $id, static fn (object $d): bool => $d->tubs === [] && $d->plantings === []);
    $browser->press(Browser::text('Undo', 'button'));
    gardenKept($browser, $server, $id, static fn (object $d): bool => count($d->tubs) === 1 && count($d->plantings) === 1);
    $browser->open("$server->url/gardens/$id/a/log")->waitForText('level 180');
});

it('asks once before a lid is changed in which plants stand', function () {
    [$browser, $server, $id] = growing('lid');
    $browser->press('[data-pattern=manual]')->see('[data-asks]');
    $browser->waitForText('Its holes are drilled')->press('[data-act=leave-it]');
    expect($server->document($id)->tubs[0]->layout->pattern ?? 'best')->not->toBe('manual');
    $browser->press('[data-pattern=manual]')->press('[data-act=agree]');
    gardenKept($browser, $server, $id, static fn (object $d): bool => ($d->tubs[0]->layout->pattern ?? '') === 'manual');
});

it('puts a meter in, asks it, calibrates it by two fluids, and says how good it is', function () {
    [$browser, $server, $id] = growing('log');
    $browser->press(Browser::text('A meter', 'summary'))->press('[data-act=put-meter]');
    gardenKept($browser, $server, $id, static fn (object $d): bool => ($d->meters[0]->tub ?? '') === 'a');
    $browser->press('[data-act=ask-meter]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for what it shows to be kept');
    $browser->waitForText('Heard just now');
    [$entry] = entriesOf($server, $id);
    expect($entry->from)->toBe('meter')->and($entry->level_mm)->toBeGreaterThan(50)->and($entry->ph)->toBeGreaterThan(4.5);

    $browser->choose('The stand-in’s habit', 'Its pH electrode is worn');
    gardenKept($browser, $server, $id, static fn (object $d): bool => $d->meters[0]->probe === 'worn');
    $browser->press('[data-act=hold-low]')->waitForText('shows 4.');
    $browser->press('[data-act=hold-high]')->waitForText('it is spent');
    $browser->press('[data-act=go-by]');
    gardenKept($browser, $server, $id, static fn (object $d): bool => ($d->meters[0]->ph->low ?? 0) === 4.01);
    $browser->waitForText('Last calibrated on');
    $browser->press('[data-act=take-meter]');
    gardenKept($browser, $server, $id, static fn (object $d): bool => $d->meters === []);
});

it('works out a head a week, says where it fails, and puts it on the calendar at a press', function () {
    [$browser, $server, $id] = bench(bucket20(['crop' => 'lettuce-leaf']), '/a/days');
    $browser->press(Browser::text('A steady supply', 'summary'))->press('[data-act=work-out]');
    $browser->waitForText('sowings')->waitForText('no cup is free')->press('[data-act=plant-all]');
    gardenKept(
        $browser,
        $server,
        $id,
        static fn (object $d): bool => count($d->plantings ?? []) > 3 && $d->tubs[0]->layout->pattern === 'manual',
    );
    $browser->see('[data-band="a.1"]');
    $browser->press(Browser::text('Undo', 'button'));
    gardenKept($browser, $server, $id, static fn (object $d): bool => ($d->plantings ?? []) === []);
});

it('warns of climbing salt, and puts it right in litres that are written down at a press', function (array $size) {
    [$browser, $server, $id] = growing('log', 20, $size);
    $entry = static fn (int $n, int $day, array $says): array => [
        'id' => sprintf('01KGRW%020d', $n), 'tub' => 'a', 'at' => daysAgo($day).'T06:00', ...$says,
    ];
    $send = static fn (array ...$entries) => $server->call(
        'POST',
        "/api/gardens/$id/entries",
        (string) json_encode(['entries' => $entries]),
    );
    $send(
        $entry(1, 6, ['level_mm' => 250, 'ec_ms_cm' => 1.2]),
        $entry(2, 4, ['level_mm' => 228, 'ec_ms_cm' => 1.4]),
        $entry(3, 2, ['level_mm' => 204, 'ec_ms_cm' => 1.7]),
    );
    $browser->open("$server->url/gardens/$id/a/log")->see('[data-finding="log.drinking-more"]');
    $browser->write(Browser::field('It reads'), '1.9')->write(Browser::field('I want'), '1.1');
    $browser->press('[data-act=write-correction]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 4, 'for what was done to be kept');
    $done = entriesOf($server, $id)[3];
    expect($done->ec_ms_cm)->toEqual(1.9)->and($done->top_up_l)->toBeGreaterThan(1.0)->and($done->tub)->toBe('a');
})->with('sizes');

it('warns of a leak while plants are small, by a stick alone', function (array $size) {
    [$browser, $server, $id] = growing('log', 5, $size);
    logLine($browser, 'yesterday 8:00 level 24 cm')->waitForText('level 240')->press('[data-act=keep-line]');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for the first to be kept');
    expect($browser->driver->findElements(WebDriverBy::cssSelector('[data-finding="log.leak"]')))->toBe([]);
    logLine($browser, 'level 19 cm')->waitForText('Understood: level 190')->press('[data-act=keep-line]');
    $browser->see('[data-finding="log.leak"]');
    $browser->waitForText('stand the tub on newspaper overnight');
})->with('sizes');

it('puts the looks at several tubs together, ticked at one press or one by one', function () {
    $planted = array_map(static fn (int $copy): array => [
        'id' => "p$copy", 'tub' => 'a', 'copy' => $copy, 'crop' => 'lettuce-leaf', 'transplanted' => daysAgo(10),
    ], [1, 2, 3]);
    // Nothing else that the looks could go with has a day of its own.
    $tub = ['crop' => 'lettuce-leaf', 'feed' => 'f', 'count' => 3, 'top_ups' => 'none', 'reservoir_change' => 'never'];
    [$browser, $server, $id] = bench(bucket20($tub, [
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'plantings' => $planted,
    ]), '/a/days');
    expect($browser->see('[data-item=looks]')->getText())->toContain('Look at 3 tubs');
    $browser->press('[data-item=looks] > div > details > summary')->press("[data-item^='a.2/check/'] input");
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 1, 'for one to be kept');
    $browser->waitForText('Look at 2 tubs')->press('[data-item=looks] > .tick input');
    $browser->until(fn (): bool => count(entriesOf($server, $id)) === 3, 'for all to be kept');

    $did = array_map(static fn (object $entry): string => $entry->did[0], entriesOf($server, $id));
    expect(array_column(entriesOf($server, $id), 'copy'))->toEqualCanonicalizing([1, 2, 3])
        ->and(preg_grep('#^a\.\d/check/\d+$#', $did))->toHaveCount(3);
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-item=looks]')) === [],
        'nothing to look at',
    );
});
