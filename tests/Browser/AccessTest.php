<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

/** A garden with every kind of tub, some of them wrong. */
function everyKind(): array
{
    return ['name' => 'Every kind', 'tubs' => [
        [
            'id' => 'a',
            'name' => 'Mixed',
            'system' => 'aerated',
            'vessel' => 'tote-64',
            'cups_2' => 'net-cup-75',
            'crops' => [['crop' => 'chives', 'plants' => 6], ['crop' => 'strawberry', 'plants' => 3]],
            'stones' => ['kind' => 'disc-100', 'count' => 2],
            'feed' => 'f',
        ],
        [
            'id' => 'b',
            'name' => 'Jar',
            'system' => 'passive',
            'vessel' => 'jar-15',
            'cup' => 'net-cup-75',
            'crop' => 'sorrel',
            'count' => 2,
        ],
        [
            'id' => 'c',
            'name' => 'Board',
            'system' => 'raft',
            'vessel' => 'tote-45',
            'crop' => 'lettuce-leaf',
            'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 40, 'y_mm' => 0]]],
        ],
        [
            'id' => 'd',
            'name' => 'Pair',
            'system' => 'aerated',
            'vessel' => 'tote-30',
            'under' => ['vessel' => 'tote-64', 'blocks_mm' => 80],
        ],
        ['id' => 'e', 'name' => 'Starts', 'system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'rocket'],
    ], 'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
        'air' => [['id' => 'p', 'pump' => 'pump-8w-4', 'check_valve' => true, 'branches' => [['tub' => 'a']]]]];
}

it('has no barrier that can be found by rule, by day and by night, on a phone too', function (string $path, string $seen, int $width) {
    $server = Server::shared();
    $id = $server->garden(everyKind());
    $browser = Browser::shared()->size($width, 800, $width < 500)->open($server->url);
    // A phone's page is the same but for its size: once is enough.
    foreach ($width < 500 ? ['day'] : ['day', 'night'] as $theme) {
        $browser->script('localStorage.setItem("kelp-theme", arguments[0])', $theme);
        $browser->open($server->url.str_replace('ID', $id, $path))->see($seen);
        foreach ($browser->driver->findElements(WebDriverBy::cssSelector('details:not([open]) > summary')) as $summary) {
            $browser->script('arguments[0].parentElement.open = true', $summary);
        }
        expect(barriers($browser))->toBe([], "$path by $theme at $width")
            ->and($theme === 'day' ? disorder($browser) : [])->toBe([], "$path at $width");
    }
    $browser->script('localStorage.removeItem("kelp-theme")');
})->with([
    'gardens' => ['/', '.gardens'],
    'bench' => ['/gardens/ID', '.cards'],
    'tub' => ['/gardens/ID/d/tub', '.mark'],
    'crop' => ['/gardens/ID/a/crop', '.mark'],
    'jar' => ['/gardens/ID/b/crop', '.mark'],
    'lid' => ['/gardens/ID/c/lid', '.mark'],
    'air' => ['/gardens/ID/a/air', '.mark'],
    'feed' => ['/gardens/ID/a/feed', '[role=slider]'],
    'cost' => ['/gardens/ID/a/cost', '[data-part]'],
    'build' => ['/gardens/ID/a/build', '[data-step]'],
    'marking out' => ['/gardens/ID/a/marking-out', '.sheet'],
    'compare' => ['/compare?of=ID:a,ID:b', '.pictures'],
    'history' => ['/gardens/ID/history', 'ol li'],
    'deleted' => ['/deleted', '.leaf'],
    'wish' => ['/wish', '[data-pick]'],
    'library of vessels' => ['/library/vessels', '.holder svg'],
    'library of cups' => ['/library/cups', '.holder svg'],
    'library of crops' => ['/library/crops', '.holder svg'],
    'library of pumps' => ['/library/pumps', '.holder svg'],
    'library of feeds' => ['/library/feeds', '.holder svg'],
])->with([1280, 390]);

it('has none where designs are offered', function () {
    $server = Server::shared();
    $browser = Browser::shared()->size(1280, 800)->open("$server->url/wish")->press('[data-start=salad]');
    $browser->see('[data-design]');
    $browser->until(fn (): bool => (bool) $browser->script("return document.querySelector('.come').ariaBusy === 'false'"), 'for all');
    expect(barriers($browser))->toBe([])->and(disorder($browser))->toBe([]);
    $browser->script('localStorage.removeItem("kelp-wish")');
});

it('has none in its dialogs', function () {
    [$browser] = bench(everyKind());
    $browser->press('[data-act=open-add]')->see('[data-act=add-tub]');
    expect(barriers($browser))->toBe([]);
    $browser->keys(WebDriverKeys::ESCAPE);
    $browser->press(Browser::text('Keys', 'button'))->see('dialog[open]');
    expect(barriers($browser))->toBe([]);
});
