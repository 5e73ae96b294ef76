<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

function gardens(): array
{
    $server = Server::shared();

    return [Browser::shared()->size(1280, 800)->open($server->url), $server];
}

/** Gives the page a file, as a person would choose one. */
function giveFile(Browser $browser, string $name, string $content): void
{
    $file = sys_get_temp_dir().'/'.$name;
    file_put_contents($file, $content);
    $browser->driver->findElement(WebDriverBy::id('file'))->setFileDetector(new LocalFileDetector)->sendKeys($file);
    // The page reads it when it gets to it: it stays until the tests are done.
    register_shutdown_function(static fn (): bool => is_file($file) && unlink($file));
}

it('makes, renames, copies, deletes and brings back a garden', function () {
    [$browser, $server] = gardens();
    $browser->write('#new-name', 'Reed bank')->press(Browser::text('Make it', 'button'))->waitForText('Nothing stands here yet');
    $browser->press('.title')->write('[aria-label="Name of the garden"]', 'Sedge bank');
    $browser->until(fn (): bool => trim($browser->see('.state')->getText()) === 'Saved', 'to be saved');
    $browser->press(Browser::text('All gardens', 'a'))->waitForText('Sedge bank');
    $browser->press(
        WebDriverBy::xpath("//button[starts-with(normalize-space(.),'Copy') and contains(.,'Sedge bank')]"),
    )->waitForText('Sedge bank copy');
    $browser->press(
        WebDriverBy::xpath("//button[contains(.,'Delete') and contains(.,'Sedge bank copy')]"),
    )->waitForText('Sedge bank copy was deleted.');
    $names = static fn (): array => array_column($server->call('GET', '/api/gardens')->gardens, 'name');
    expect($names())->not->toContain('Sedge bank copy');
    $browser->press(Browser::text('Bring it back', 'button'));
    $browser->until(static fn (): bool => in_array('Sedge bank copy', $names(), true), 'for the copy to be back');
    $browser->until(
        fn (): bool => count($browser->driver->findElements(WebDriverBy::xpath("//a[contains(@class,'open')][.='Sedge bank copy']"))) === 1,
        'for the page to show it',
    );
    expect($names())->toContain('Sedge bank', 'Sedge bank copy');
});

it('saves a garden as a file that it reads again to the same figures', function () {
    [$browser, $server] = gardens();
    $id = $server->garden((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
    $file = (string) file_get_contents("$server->url/api/gardens/$id/file");
    giveFile($browser, 'again.kelp.json', $file);
    $browser->see('.cards');
    $again = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];

    expect($again)->not->toBe($id)
        ->and($server->document($again))->toEqual($server->document($id));
});

it('refuses a file that will not do, says why, and saves nothing', function (string $name, Closure|string $content, string $says) {
    [$browser, $server] = gardens();
    $count = count($server->call('GET', '/api/gardens')->gardens);
    giveFile($browser, $name, is_string($content) ? $content : $content());
    $browser->waitForText($says);
    $browser->waitForText($name);
    expect($server->call('GET', '/api/gardens')->gardens)->toHaveCount($count);
})->with([
    'no JSON' => ['notes.json', 'remember the milk', 'is not JSON'],
    'another format' => ['seeds.json', '{"format":"seed-list"}', 'this is not a garden file'],
    'a newer version' => ['newer.kelp.json', '{"format":"kelp-tub.garden","version":7}', 'Open it with a newer one'],
    'fifty megabytes' => ['huge.kelp.json', fn () => str_repeat('x', 50_000_000), 'at most 2 MB'],
    'ten thousand holes' => [
        'holes.kelp.json',
        fn () => json_encode(
            [
                'format' => 'kelp-tub.garden',
                'version' => 1,
                'tubs' => [
                    [
                        'id' => 'a',
                        'system' => 'passive',
                        'vessel' => 'tote-45',
                        'layout' => ['pattern' => 'manual', 'holes' => array_fill(0, 10_000, ['x_mm' => 0, 'y_mm' => 0])],
                    ],
                ],
            ],
        ),
        'has 10000 entries; the most is 200',
    ],
]);

it('shows a page for what is not there', function () {
    [$browser, $server] = gardens();
    $browser->complaints();
    $browser->open("$server->url/gardens/nothing")->waitForText('That garden is not here');
    $browser->press(Browser::text('All gardens', 'a'))->waitForText('Gardens');
    expect($browser->complaints())->toHaveCount(1);
});
