<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Database;
use Tests\Browser\Server;

afterEach(function () {
    // What is refused, gone, full or away is said on the page; the browser notes the answer besides.
    $complaints = array_filter(
        Browser::shared()->complaints(),
        static fn (string $c): bool => preg_match('/status of (404|409|503|507)/', $c) !== 1,
    );
    expect($complaints)->toBe([]);
});

/** Changes a garden as another window would. */
function elsewhere(Server $server, string $id, callable $change): void
{
    $now = $server->call('GET', "/api/gardens/$id");
    $document = json_decode($now->document);
    $change($document);
    $server->call('PUT', "/api/gardens/$id", json_encode($document, JSON_THROW_ON_ERROR), $now->revision);
}

/** Types into the field of the tub's name, key by key, without leaving it. */
function typeName(Browser $browser, string $name): void
{
    $browser->see('#tub-name')->click();
    $browser->keys("\u{E009}a")->keys($name);
}

function pailAndCrate(): array
{
    return bucket20(garden: ['tubs' => [
        ['id' => 'a', 'name' => 'Pail', 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'basil'],
        ['id' => 'b', 'name' => 'Crate', 'system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'basil'],
    ], 'air' => []]);
}

it('shows both sides of a conflict and what differs, and does what is chosen', function (string $choice, array $names) {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    elsewhere($server, $id, function ($g) {
        $g->tubs[0]->name = 'Theirs';
        $g->tubs[1]->name = 'Crate of theirs';
    });
    $browser->write('#tub-name', 'Mine')->waitForText('Two windows changed this garden');
    // Only what both changed is asked about; both are drawn.
    $browser->until(
        fn (): bool => count($browser->driver->findElements(WebDriverBy::cssSelector('dialog[open] svg g g'))) > 2,
        'both to be drawn',
    );
    $rows = $browser->driver->findElements(WebDriverBy::cssSelector('dialog[open] tbody tr'));
    expect($rows)->toHaveCount(1)->and($rows[0]->getText())->toContain('name')->toContain('Mine')->toContain('Theirs')
        ->and(trim($browser->see('.state')->getText()))->toBe('Not saved');
    $browser->press(Browser::text($choice, 'button'));
    saved($browser);
    expect(array_column($server->document($id)->tubs, 'name'))->toBe($names);
})->with([
    'keep mine' => ['Keep mine', ['Mine', 'Crate of theirs']],
    'keep theirs' => ['Keep theirs', ['Theirs', 'Crate of theirs']],
]);

it('keeps both: the garden as it is, and mine as a copy', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    elsewhere($server, $id, fn ($g) => $g->tubs[0]->name = 'Theirs');
    $browser->write('#tub-name', 'Mine')->waitForText('Two windows changed this garden');
    $browser->press(Browser::text('Keep both, mine as a copy', 'button'));
    $browser->until(fn (): bool => ! str_contains($browser->driver->getCurrentURL(), $id), 'to open the copy');
    $copy = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];

    expect($server->document($copy)->tubs[0]->name)->toBe('Mine')->and($server->document($id)->tubs[0]->name)->toBe('Theirs');
});

it('brings changes of different tubs together by itself', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    elsewhere($server, $id, fn ($g) => $g->tubs[1]->name = 'Of the other window');
    $browser->write('#tub-name', 'Of this window');
    $browser->until(fn (): bool => $server->document($id)->tubs[0]->name === 'Of this window', 'to be saved');
    saved($browser);
    expect(array_column($server->document($id)->tubs, 'name'))->toBe(['Of this window', 'Of the other window']);
    $browser->waitForText('Of the other window');
});

it('overwrites nothing however often a garden with an open conflict is opened again', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    elsewhere($server, $id, fn ($g) => $g->tubs[0]->name = 'Theirs');
    $browser->write('#tub-name', 'Mine')->waitForText('Two windows changed this garden');
    for ($again = 0; $again < 3; $again++) {
        $browser->open("$server->url/gardens/$id/a/tub")->waitForText('Two windows changed this garden');
        expect($server->document($id)->tubs[0]->name)->toBe('Theirs');
    }
    $browser->press(Browser::text('Keep mine', 'button'));
    saved($browser);
    expect($server->document($id)->tubs[0]->name)->toBe('Mine');
});

it('calls saved what is saved, though the browser has no room to keep anything', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    $browser->script('let n = 1 << 20; try { for (let i = 0; n > 0; i++) { try { localStorage.setItem("fill" + i, "x".repeat(n)); } '
        .'catch { n >>= 1; } } } catch {}');
    $browser->write('#tub-name', 'No room');
    saved($browser);
    expect($server->document($id)->tubs[0]->name)->toBe('No room');
    $browser->script('localStorage.clear()');
});

it('loses nothing when the page is left right after a key is pressed', function (string $how) {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    $link = $browser->see('a[href="/"]');
    // A field is done when it is left; the page goes in the same breath.
    typeName($browser, "Quick\u{E004}");
    match ($how) {
        'by a link' => $link->click(),
        'by address' => $browser->open("$server->url/library"),
        'by a reload' => $browser->driver->navigate()->refresh(),
    };
    $browser->until(fn (): bool => $server->document($id)->tubs[0]->name === 'Quick', 'the edit to be saved');
})->with(['by a link', 'by address', 'by a reload']);

it('keeps apart what two tabs have not saved, and saves the file that is on the screen', function () {
    $database = Database::start();
    $server = Server::on($database);
    $browser = Browser::shared()->size(1280, 800);
    try {
        $id = $server->garden(pailAndCrate());
        $browser->open("$server->url/gardens/$id/a/tub");
        $first = $browser->driver->getWindowHandle();
        $browser->driver->switchTo()->newWindow();
        $second = $browser->driver->getWindowHandle();
        $browser->open("$server->url/gardens/$id/b/tub")->see('#tub-name');
        $browser->driver->switchTo()->window($first);
        $database->stop();
        $browser->write('#tub-name', 'Of the first tab')->waitForText('The database does not answer');
        $browser->driver->switchTo()->window($second);
        $browser->write('#tub-name', 'Of the second tab')->waitForText('The database does not answer');
        // As a person would: the file is what stands on the screen, though nothing of it is saved.
        $folder = sys_get_temp_dir().'/kelp-file-'.bin2hex(random_bytes(4));
        mkdir($folder);
        $browser->devTools('Browser.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $folder]);
        $browser->press(WebDriverBy::cssSelector('button[aria-label="Save as a file"]'));
        $browser->until(fn (): bool => is_file("$folder/sill.kelp.json"), 'the file to come');
        expect(
            array_column(json_decode((string) file_get_contents("$folder/sill.kelp.json"))->tubs, 'name'),
        )->toBe(['Pail', 'Of the second tab']);
        array_map(unlink(...), glob("$folder/*") ?: []);
        rmdir($folder);
        $database->again();
        saved($browser);
        $browser->driver->switchTo()->window($first);
        saved($browser);
        expect(array_column($server->document($id)->tubs, 'name'))->toBe(['Of the first tab', 'Of the second tab']);
        $browser->driver->switchTo()->window($second)->close();
        $browser->driver->switchTo()->window($first);
    } finally {
        // A page that still asks something would complain that nobody answers.
        Browser::shared()->open('about:blank');
        $server->stop();
        $database->remove();
    }
});

it('says that a garden was deleted elsewhere, and brings it back with what is on the page', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    $server->call('DELETE', "/api/gardens/$id", revision: 1);
    $browser->write('#tub-name', 'Still here')->waitForText('was deleted in another window');
    expect(trim($browser->see('.state')->getText()))->toBe('Not saved');
    $browser->press(Browser::text('Bring it back', 'button'));
    saved($browser);
    expect($server->document($id)->tubs[0]->name)->toBe('Still here');
});

it('shows what a garden was and goes back to it', function () {
    [$browser, $server, $id] = bench(pailAndCrate(), '/a/tub');
    $browser->write('#tub-name', 'A passing name');
    saved($browser);
    $browser->press(Browser::text('History', 'a'))->waitForText('Pail, is A passing name');
    $browser->press(WebDriverBy::cssSelector('[data-revision="1"] button.box'))->see('.staff');
    expect($server->document($id)->tubs[0]->name)->toBe('Pail');
});

it('brings back a garden that was deleted a while ago', function () {
    $server = Server::shared();
    $id = $server->garden(['name' => 'Gone for a while', 'tubs' => [], 'air' => []]);
    $server->call('DELETE', "/api/gardens/$id", revision: 1);
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $browser->press(WebDriverBy::cssSelector('a[href="/deleted"]'))->waitForText('kept until');
    $browser->press(WebDriverBy::cssSelector("[data-garden='$id'] button"))->waitForText('Gone for a while is back.');
    expect($server->document($id)->name)->toBe('Gone for a while');
});

it('takes in everything from one file and says what came of it', function () {
    $server = Server::shared();
    $id = $server->garden(['name' => 'In the file', 'tubs' => [], 'air' => []]);
    $file = sys_get_temp_dir().'/everything-'.bin2hex(random_bytes(4)).'.json';
    file_put_contents($file, (string) file_get_contents("$server->url/api/everything"));
    elsewhere($server, $id, fn ($g) => $g->name = 'Changed since');
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $browser->driver->findElement(WebDriverBy::id('file'))->setFileDetector(new LocalFileDetector)->sendKeys($file);
    $browser->waitForText('the one here differs and stays as it is')->waitForText('In the file (from a file of');
    unlink($file);
    expect($server->document($id)->name)->toBe('Changed since');
});
