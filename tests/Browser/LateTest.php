<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Proxy;
use Tests\Browser\Server;

// Answers that come late, in another order, or not at all: what was meant is what is kept.

afterEach(function () {
    // Refused documents and answers that do not come are said on the page; the browser notes them besides.
    $complaints = preg_grep('#status of (409|422)|/api/read#', Browser::shared()->complaints(), PREG_GREP_INVERT);
    expect($complaints)->toBe([]);
});

/**
 * A garden behind the proxy, at a mark of one of its tubs.
 *
 * @param  array<string, mixed>  $garden
 * @param  array<string, mixed>  ...$rules
 * @return array{Browser, Server, string, Proxy}
 */
function late(array $garden, string $path, array ...$rules): array
{
    $server = Server::shared();
    $proxy = Proxy::shared();
    $id = $server->garden($garden);
    $browser = Browser::shared()->size(1280, 800)->open("$proxy->url/gardens/$id$path");
    $browser->see('.staff');
    $browser->see('.mark h1');
    saved($browser);
    $proxy->rules(...$rules);

    return [$browser, $server, $id, $proxy];
}

/** @return array<string, mixed> two aerated buckets on one pump */
function twoBuckets(array $first = [], array $second = []): array
{
    $bucket = fn (string $id): array => bucket20(['id' => $id, 'name' => "Bucket $id"])['tubs'][0];

    return [
        'name' => 'Two',
        'tubs' => [[...$bucket('a'), ...$first], [...$bucket('b'), ...$second]],
        'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a'], ['tub' => 'b']]]],
    ];
}

/** Types into a field without waiting for anything. */
function typeIn(Browser $browser, string|WebDriverBy $field, string $text): void
{
    $element = $browser->see($field);
    $element->click();
    $element->sendKeys([WebDriverKeys::CONTROL, 'a']);
    $element->sendKeys($text);
}

/** Waits until the kept document of a garden is as wanted. */
function keptAs(Browser $browser, Server $server, string $id, callable $as, string $what): object
{
    $document = null;
    $browser->until(function () use ($server, $id, $as, &$document): bool {
        $document = $server->document($id);

        return $as($document);
    }, "for $what to be kept");

    return $document;
}

it('runs the tub still that was meant, though another is looked at when the answer comes', function () {
    [$browser, $server, $id] = late(twoBuckets(), '/a/tub', ['path' => '^/api/edits/run', 'ms' => 1500]);
    $browser->choose('Run it', 'Passive');
    $browser->script('document.activeElement.blur()');
    $browser->keys(']');
    $browser->until(fn (): bool => $browser->see('#tub-name')->getAttribute('value') === 'Bucket b', 'to see the other tub');
    $document = keptAs($browser, $server, $id, fn (object $d): bool => $d->tubs[0]->system === 'passive', 'the first tub');

    expect($document->tubs[1]->system)->toBe('aerated')
        ->and($document->tubs[1]->stones)->not->toBeNull()
        ->and(array_column($document->air[0]->branches, 'tub'))->toBe(['b'])
        ->and($browser->see('#tub-name')->getAttribute('value'))->toBe('Bucket b');
});

it('mends the tub that a finding was about, after the tubs have changed places', function () {
    [$browser, $server, $id, $proxy] = late(twoBuckets(['hole_mm' => 80], ['hole_mm' => 80]), '/b/lid');
    $browser->press('[data-mark=tub]')->press('[aria-label="Move it left on the bench"]');
    keptAs($browser, $server, $id, fn (object $d): bool => $d->tubs[0]->id === 'b', 'the other order');
    $browser->press('[data-mark=lid]');
    $remedy = $browser->see('.remedies button');
    $proxy->rules(['path' => '^/api/(preview|plan)', 'ms' => 1200]);
    // The way back is done at once; the report that the remedy stands in is of the bench before it.
    $browser->script('document.activeElement.blur()');
    $browser->keys('z');
    $remedy->click();
    $document = keptAs($browser, $server, $id, fn (object $d): bool => ($d->tubs[1]->hole_mm ?? 0) !== 80, 'the remedy');

    expect(array_column($document->tubs, 'id'))->toBe(['a', 'b'])
        ->and($document->tubs[0]->hole_mm)->toBe(80);
});

it('puts a marking-out table on the lid that it was written for', function () {
    [$browser, $server, $id] = late(twoBuckets(), '/a/lid', ['path' => '^/api/read', 'ms' => 1200]);
    $browser->press('[data-act=write-table]');
    $area = $browser->see('#table-text');
    $browser->script("arguments[0].value = '60\\t0\\n60\\t180'; arguments[0].dispatchEvent(new Event('input'))", $area);
    $browser->press('[data-act=take-table]');
    $browser->script('document.activeElement.blur()');
    $browser->keys(']');
    $browser->until(fn (): bool => str_contains($browser->driver->getCurrentURL(), '/b/lid'), 'the other lid');
    $document = keptAs($browser, $server, $id, fn (object $d): bool => isset($d->tubs[0]->layout->holes), 'the table');

    expect($document->tubs[0]->layout->holes)->toHaveCount(2)
        ->and($document->tubs[1])->not->toHaveProperty('layout');
});

it('waits with a press for the texts that it uses, says so, and does it once', function () {
    [$browser, $server, $id, $proxy] = late(twoBuckets(), '/a/tub', ['path' => '^/api/read', 'ms' => 3000]);
    $browser->press(Browser::text('Known fills', 'summary'));
    typeIn($browser, Browser::field('Poured in'), '6 L');
    typeIn($browser, Browser::field('Stands at'), '120 mm');
    $browser->press('[data-act=add-fill]');
    $browser->waitForText('Reading “');
    $document = keptAs($browser, $server, $id, fn (object $d): bool => isset($d->tubs[0]->vessel->fills), 'the fill');

    expect($document->tubs[0]->vessel->fills)->toHaveCount(1)
        ->and($document->tubs[0]->vessel->fills[0]->litres)->toEqual(6)
        ->and($document->tubs[0]->vessel->fills[0]->depth_mm)->toEqual(120);
});

it('takes a press for what the finger came down on, though that moves away under it', function () {
    $round = ['shape' => 'round', 'stations' => [['height_mm' => 0, 'diameter_mm' => 250], ['height_mm' => 350, 'diameter_mm' => 280]]];
    [$browser, $server, $id] = late(twoBuckets(['vessel' => $round]), '/a/tub');
    $browser->press(WebDriverBy::xpath("//summary[.='Measures']"));
    // Fourteen millimetres across are asked about, in a line of their own, as soon as the field is left.
    $rim = WebDriverBy::xpath("(//*[@id=//label[normalize-space(.)='Inside Ø']/@for])[2]");
    typeIn($browser, $rim, '14');
    $browser->until(fn (): bool => $browser->see($rim)->getAttribute('aria-busy') === 'false', 'for it to be read');
    $add = $browser->see(Browser::text('Add a station', 'button'));
    $top = fn (): int => $add->getLocation()->getY();
    $before = $top();
    $add->click();
    $document = keptAs($browser, $server, $id, fn (object $d): bool => count($d->tubs[0]->vessel->stations) === 3, 'the station');

    expect($top())->toBeGreaterThan($before)
        ->and($document->tubs[0]->vessel->stations[1]->diameter_mm)->toEqual(265);
});

it('keeps a text over a reload, and while nobody reads it, and takes it then', function () {
    [$browser, $server, $id, $proxy] = late(twoBuckets(), '/a/lid', ['path' => '^/api/read', 'refuse' => true]);
    $hole = '#saws';
    typeIn($browser, $hole, '35, 2 in');
    $browser->script('document.activeElement.blur()');
    $browser->waitForText('is not read yet');
    $browser->driver->navigate()->refresh();
    $browser->until(fn (): bool => $browser->see($hole)->getAttribute('value') === '35, 2 in', 'the text to be there again');
    $proxy->rules();
    $document = keptAs($browser, $server, $id, fn (object $d): bool => count($d->saws_mm ?? []) === 2, 'the saws');

    expect($document->saws_mm)->toEqual([35, 50.8]);
});

it('waits with leaving the page for what was written there, and with going to another tub for nothing', function () {
    [$browser, $server, $id] = late(twoBuckets(), '/a/air', ['path' => '^/api/read', 'ms' => 1200]);
    typeIn($browser, Browser::field('Pump to tub'), '777 mm');
    $browser->script('document.activeElement.blur()');
    $browser->keys(']');
    $browser->until(fn (): bool => str_contains($browser->driver->getCurrentURL(), '/b/air'), 'the other tub');
    $browser->press(Browser::text('All gardens', 'a'))->see('.gardens');
    $isKept = fn (object $d): bool => isset($d->air[0]->branches[0]->distance_mm);
    $lines = keptAs($browser, $server, $id, $isKept, 'the text')->air[0]->branches;

    expect($lines[0]->distance_mm)->toEqual(777)->and($lines[1])->not->toHaveProperty('distance_mm');
});

it('takes of two texts the later one, whichever is answered first', function () {
    [$browser, $server, $id, $proxy] = late(
        twoBuckets(),
        '/a/cost',
        ['path' => '^/api/read', 'times' => 1, 'ms' => 1500],
    );
    typeIn($browser, '#cap', '222');
    $browser->keys(WebDriverKeys::ENTER);
    typeIn($browser, '#cap', '111');
    $browser->keys(WebDriverKeys::ENTER);
    keptAs($browser, $server, $id, fn (object $d): bool => ($d->money->cap ?? null) == 111, 'the later cap');
    $browser->until(fn (): bool => $proxy->seen()[0] === 1 && $browser->see('#cap')->getAttribute('value') === '111', 'the field');
    saved($browser);

    expect($server->document($id)->money->cap)->toEqual(111);
});

it('lowers how many alike under ticks of the bench, takes the tub away under them, and goes on saving', function () {
    $builds = ['builds' => [['tub' => 'a', 'copy' => 2, 'ticks' => ['cut' => '2026-10-01']], ['tub' => 'a', 'copy' => 1]]];
    [$browser, $server, $id] = late([...twoBuckets(['count' => 2]), ...$builds], '/a/tub');
    $browser->press(WebDriverBy::xpath("//button[@aria-label='How many alike: one fewer']"));
    $document = keptAs($browser, $server, $id, fn (object $d): bool => $d->tubs[0]->count === 1, 'one fewer');
    expect(array_map(fn (object $b): int => $b->copy, $document->builds))->toBe([1]);

    $browser->press('[data-act=remove-tub]');
    $document = keptAs($browser, $server, $id, fn (object $d): bool => count($d->tubs) === 1, 'the removal');
    expect($document->builds)->toBe([])->and(array_column($document->air[0]->branches, 'tub'))->toBe(['b']);
    $browser->keys('z');
    keptAs($browser, $server, $id, fn (object $d): bool => count($d->tubs) === 2 && count($d->builds) === 1, 'the way back');
});

it('does not keep an edit that is refused, keeps the rest, and undo takes it back first', function () {
    [$browser, $server, $id, $proxy] = late(twoBuckets(), '/a/lid', ['path' => '^/api/preview', 'ms' => 400]);
    typeIn($browser, Browser::field('Another hole'), '5000 mm');
    $browser->keys(WebDriverKeys::TAB);
    $browser->see('[data-refusal]');
    $proxy->rules();
    $said = $browser->see('[data-refusal]')->getText();
    expect($said)->toContain('Bucket a')->toContain('All else is kept');
    saved($browser);
    expect($server->document($id)->tubs[0])->not->toHaveProperty('hole_mm');
    $browser->press(WebDriverBy::xpath("//*[@data-refusal]//button[.='Undo']"));
    $browser->until(fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-refusal]')) === [], 'it to go');
});

it('walks back and forth through marks, tubs and panels, and not out of the garden', function () {
    [$browser, , $id] = late(twoBuckets(), '/a/tub');
    $at = fn (string $end): bool => str_ends_with((string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH), "/gardens/$id$end");
    $shows = function (string $end, string $heading) use ($browser, $at): void {
        $browser->until(fn (): bool => $at($end) && $browser->see('.mark h1')->getText() === $heading, "$heading at $end");
    };
    $browser->press('[data-mark=lid]');
    $shows('/a/lid', 'Lid');
    $browser->keys(']');
    $shows('/b/lid', 'Lid');
    $browser->press('[data-mark=air]');
    $shows('/b/air', 'Air');
    $browser->keys('?');
    $browser->see('dialog[open]');
    $browser->driver->navigate()->back();
    $browser->until(fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('dialog[open]')) === [], 'the panel to close');
    $shows('/b/air', 'Air');
    $browser->driver->navigate()->back();
    $shows('/b/lid', 'Lid');
    $browser->driver->navigate()->back();
    $shows('/a/lid', 'Lid');
    $browser->driver->navigate()->forward();
    $shows('/b/lid', 'Lid');
    expect($browser->see('.p-select, h1')->isDisplayed())->toBeTrue();
});

it('goes forward to a page of its own, and not to the bench', function () {
    [$browser, , $id] = late(twoBuckets(), '/a/tub');
    $browser->press(Browser::text('History', 'a'));
    $browser->see(Browser::text('History of Two', 'h1'));
    $browser->driver->navigate()->back();
    $browser->see('.mark h1');
    $browser->driver->navigate()->forward();
    expect($browser->see(Browser::text('History of Two', 'h1'))->isDisplayed())->toBeTrue();
});

it('comes back to a garden as it is kept, and not as it was when it was left', function () {
    [$browser, $server, $id] = late(twoBuckets(), '/a/tub');
    typeIn($browser, '#tub-name', 'Mint');
    $browser->keys(WebDriverKeys::TAB);
    saved($browser);
    $browser->press(Browser::text('Library', 'a'));
    $browser->see('.page h1');
    $browser->driver->navigate()->back();
    $browser->until(fn (): bool => $browser->see('#tub-name')->getAttribute('value') === 'Mint', 'the garden as it is');
    expect($server->document($id)->tubs[0]->name)->toBe('Mint');
});

it('ticks what is had by what the garden says, though the list is still of the garden before', function () {
    [$browser, $server, $id] = late(twoBuckets(), '/a/cost', ['path' => '^/api/(preview|plan)', 'ms' => 1500]);
    $pump = '[data-part=pump-4w-2] .tick input';
    $browser->press('[data-act=own-everything]');
    // Shown as it would be, and nothing of it done yet.
    expect($browser->see($pump)->isSelected())->toBeTrue();
    $browser->press($pump);
    expect($browser->see('.but')->getText())->toContain('You have everything but');
    expect($server->document($id))->not->toHaveProperty('owned');
    $browser->press('[data-act=keep-owned]');
    // Its answer is not there yet, and the next press means what is seen.
    $disc = '[data-part=disc-100] .tick input';
    expect($browser->see($disc)->isSelected())->toBeTrue()->and($browser->see($pump)->isSelected())->toBeFalse();
    $browser->press($disc);
    $document = keptAs($browser, $server, $id, fn (object $d): bool => isset($d->owned) && ! isset($d->owned->{'disc-100'}), 'what is had');

    expect($document->owned)->not->toHaveProperty('pump-4w-2')->toHaveProperty('bucket-20');
    $browser->script('document.activeElement.blur()');
    $browser->keys('z');
    $browser->keys('z');
    keptAs($browser, $server, $id, fn (object $d): bool => (array) ($d->owned ?? []) === [], 'nothing, after both are undone');
});
