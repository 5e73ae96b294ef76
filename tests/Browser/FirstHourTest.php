<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

afterEach(function () {
    Browser::shared()->script("localStorage.setItem('kelp-way', 'known')");
    expect(Browser::shared()->complaints())->toBe([]);
});

/** A garden as somebody finds it who was never here. */
function arriving(array $garden, int $width = 1280): array
{
    [$browser, $server, $id] = bench($garden);
    $browser->script("localStorage.setItem('kelp-way', '')");
    $browser->size($width, 800, $width < 500)->open("$server->url/gardens/$id")->see('aside.next');

    return [$browser, $server, $id];
}

it('leads who comes first through every mark, says why, and is gone afterwards', function (int $width) {
    [$browser] = arriving(bucket20(), $width);
    $browser->waitForText('as water rises');
    foreach (['Tub' => 'how many cups', 'Crop' => '3 holes', 'Lid' => 'pump and stones', 'Air' => 'to harvest', 'Feed' => 'packs',
        'Cost' => 'step by step', 'Build' => 'sown when', 'Days' => 'level on a stick', 'Log' => 'all of it'] as $mark => $says) {
        $browser->press('[data-act=next]')->see(WebDriverBy::xpath("//h1[.='$mark']"));
        expect($browser->see('aside.next')->getText())->toContain($says);
    }
    $browser->press('[data-act=next]')->see(WebDriverBy::xpath("//h1[.='Bench']"));
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('aside.next')) === [],
        'to lead no further',
    );
    $browser->driver->navigate()->refresh();
    $browser->see(WebDriverBy::xpath("//h1[.='Bench']"));

    expect($browser->driver->findElements(WebDriverBy::cssSelector('aside.next')))->toBe([]);
})->with([1280, 390]);

it('puts it away at a press, and shows it in no garden again', function () {
    [$browser, $server] = arriving(bucket20());
    $browser->press('[data-act=know]');
    $other = $server->garden(bucket20());
    $browser->open("$server->url/gardens/$other/a/crop")->see('.staff');

    expect($browser->driver->findElements(WebDriverBy::cssSelector('aside.next')))->toBe([]);
});

it('asks first where it grows, until that is said', function (array $site, bool $open) {
    [$browser] = bench(bucket20([], ['site' => (object) $site]), '/a/crop');

    expect($browser->see(WebDriverBy::xpath("//details[summary='Where it grows']"))->getAttribute('open') !== null)->toBe($open);
})->with([[[], true], [['setting' => 'open'], false]]);

it('shows gardens in the list as small benches', function () {
    $server = Server::shared();
    $id = $server->garden(bucket20(['count' => 3]));
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $bodies = fn (): int => (int) $browser->script("return document.querySelectorAll('[data-garden=\"$id\"] .sketch .body').length");
    $browser->see("[data-garden='$id'] .sketch");

    expect($bodies())->toBe(3)
        ->and(file_get_contents("$server->url/build/licences.txt"))->toContain('OFL-1.1', 'primevue', 'Permission is hereby granted');
    $browser->press("[data-garden='$id'] .bench")->see('.staff');
});

it('lays the days of a build out, each leading to its step', function () {
    [$browser] = bench(bucket20(['crop' => 'lettuce-leaf']), '/a/build');
    $days = $browser->see('.days')->getText();

    expect($days)->toContain('−14', 'Sow leaf lettuce in 3 plugs', 'Fill, and let the water stand for a day', 'First harvest');
    $browser->press(WebDriverBy::xpath("//ol[contains(@class,'days')]//button[contains(.,'let the water stand')]"));

    expect($browser->see('.bench h2')->getText())->toContain('Fill up to the cups')
        ->and($browser->see('.days .here')->getText())->toContain('−2');
});

it('says what to look for where a stone does not bubble', function () {
    [$browser] = bench(bucket20(), '/a/build');

    expect($browser->press('[data-step=wet-test]')->see('.if-not')->getText())->toContain('If not Look for a kink');
});

it('does not ask for a step again that found out what the vessel holds', function () {
    [$browser, $server] = bench(bucket20(), '/a/build');
    $browser->press('[data-tick=measure]');
    saved($browser);
    $browser->press('[data-step=measure]')->see('.measured');
    foreach ([['150 mm', '7.2 L'], ['290 mm', '15.1 L']] as [$depth, $litres]) {
        $browser->write(Browser::field('Depth'), $depth);
        $browser->write(Browser::field('Litres in it'), $litres);
        $browser->press('[data-act=add-fill]');
    }
    kept($browser, $server, fn (stdClass $tub): bool => count($tub->vessel->fills ?? []) === 2);
    saved($browser);

    expect($browser->see('[data-step=measure]')->getText())->not->toContain('again')
        ->and($browser->script("return document.querySelector('[data-tick=measure]').checked"))->toBeTrue();
});

it('has the list of steps one press away on a phone, and the step after one in the list', function () {
    [$browser] = bench(bucket20(), '/a/build');
    $browser->size(390, 844, true)->see('[data-act=to-list]');
    $top = fn (string $selector): float => (float) $browser->script(
        "return document.querySelector('$selector').getBoundingClientRect().top",
    );
    $browser->press('[data-act=to-list]')->until(fn (): bool => $top('.steps') < 500 && $top('.steps') > -10, 'to come to the list');
    $browser->press('[data-step=route]');

    expect($browser->see('.bench h2')->getText())->toContain('Route the tube');
    $browser->until(fn (): bool => $top('.bench h2') > -10 && $top('.bench h2') < 500, 'to come to the step');
});

it('lets choose what seeds are raised in, and the list and the steps follow', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/crop');
    $browser->choose('Plug', 'Coir');
    kept($browser, $server, fn (stdClass $tub): bool => ($tub->medium->plug ?? '') === 'coir');
    $browser->open("$server->url/gardens/$id/a/build")->see('.steps');

    expect($browser->press('[data-step=sow]')->see('.reckoning')->getText())->toContain('Coir plug');
});
