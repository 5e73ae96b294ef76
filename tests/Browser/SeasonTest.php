<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Core\Gardens;

/** What the core says of a garden as it is kept, days and all. */
function wholeReport(stdClass $document): stdClass
{
    return Gardens::planner()->report(Gardens::reader()->fromDocument($document), whole: true);
}

function gone(Browser $browser, string $code): void
{
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector("[data-code=\"$code\"]")) === [],
        "$code to go",
    );
}

it('chooses a feed and says what to pour in, in the order of mixing', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/feed');
    $browser->waitForText('No feed is chosen')->choose('Feed', 'Two-part dry feed');
    saved($browser);
    $document = $server->document($id);
    $feed = wholeReport($document)->tubs[0]->feed;
    expect($document->tubs[0]->feed)->toBe('feed-1')->and($document->feeds[0]->product)->toBe('two-part-dry');
    $jugs = WebDriverBy::cssSelector('.jugs li');
    $texts = function () use ($browser, $jugs): array {
        $all = array_map(fn ($li): string => str_replace("\u{202F}", ' ', $li->getText()), $browser->driver->findElements($jugs));

        return count($all) === 5 ? $all : [];
    };
    $browser->until(fn (): bool => $texts() !== [], 'for five jugs');
    expect($texts()[1])->toContain('A · '.written($feed->parts[0]->g, 1).' g')
        ->and($texts()[2])->toContain('B · '.written($feed->parts[1]->g, 1).' g', 'never with A undiluted')
        ->and($texts()[3])->toContain(written($feed->ec_ms_cm, 2).' mS/cm')
        ->and($texts()[4])->toContain('pH 5.8');
    // A second tub that takes the same feed shares it; one that leaves it frees it.
    $browser->choose('Feed', 'None yet');
    saved($browser);
    expect($server->document($id)->feeds)->toBe([])->and($server->document($id)->tubs[0]->feed)->toBeNull();
});

it('scrubs through the days, and the section follows', function () {
    [$browser, $server, $id] = bench(
        bucket20(['feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]),
        '/a/feed',
    );
    $days = wholeReport($server->document($id))->tubs[0]->season->days;
    $browser->press('[role=slider]');
    $browser->keys(WebDriverKeys::HOME);
    $shown = fn (): string => str_replace("\u{202F}", ' ', $browser->see('.day')->getText());
    $browser->until(fn (): bool => str_contains($shown(), 'Day 0'), 'for the first day');
    for ($i = 0; $i < 13; $i++) {
        $browser->keys(WebDriverKeys::ARROW_RIGHT);
    }
    $browser->until(fn (): bool => str_contains($shown(), 'Day 13'), 'for day 13');
    expect($days[13]->change)->toBeTrue()
        ->and($shown())->toContain('changed', written($days[13]->volume_l).' L', written($days[13]->ec_ms_cm, 2).' mS/cm')
        ->and($browser->see('[role=slider]')->getAttribute('aria-valuetext'))->toContain('day 13');
    expect($browser->bodyText())->toContain('you can be away for');
});

it('puts another way beside the plan, and takes it at a press', function () {
    [$browser, $server, $id] = bench(
        bucket20(['feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]),
        '/a/feed',
    );
    $browser->press(Browser::text('Beside another way', 'button'));
    $add = function (string $name) use ($browser): void {
        $select = $browser->see('.beside select');
        $browser->script(
            'const o = [...arguments[0].options].find((x) => x.textContent.trim() === arguments[1]); arguments[0].value = o.value;'
                .'arguments[0].dispatchEvent(new Event("change"))',
            $select,
            $name,
        );
    };
    $add('Weekly changes');
    $browser->waitForText('Do it so');
    $add('Heat wave');
    $heads = WebDriverBy::cssSelector('.beside thead th');
    $browser->until(fn (): bool => count($browser->driver->findElements($heads)) === 4, 'for three runs');
    expect(count($browser->driver->findElements(WebDriverBy::cssSelector('path.line.level'))))->toBe(3);
    $browser->press(Browser::text('Do it so', 'button'));
    saved($browser);
    expect($server->document($id)->tubs[0]->reservoir_change)->toBe('weekly');
    $browser->press(Browser::text('Undo', 'button'));
    saved($browser);
    expect($server->document($id)->tubs[0]->reservoir_change ?? null)->toBeNull();
});

it('says what to do about a reading', function () {
    [$browser] = bench(
        bucket20(['feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]),
        '/a/feed',
    );
    $reads = WebDriverBy::xpath("//section[@aria-label='It reads otherwise']//input");
    $browser->write($reads, '2.3');
    $browser->write(WebDriverBy::xpath("(//section[@aria-label='It reads otherwise']//input)[2]"), '1.6 mS/cm');
    $browser->waitForText('Take out')->waitForText('of water alone');
    $browser->write(WebDriverBy::xpath("(//section[@aria-label='It reads otherwise']//input)[3]"), '900 L');
    $browser->waitForText('it holds from 0');
    expect($browser->bodyText())->not->toContain('of water alone');
});

it('shows the salt that climbs, and mends it', function () {
    [$browser, $server, $id] = bench(bucket20(
        ['feed' => 'f', 'crop' => 'chard', 'reservoir_change' => 'never', 'top_up_strength' => 'feed'],
        ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => ['air_temperature_c' => 30, 'humidity_pct' => 25]],
    ), '/a/feed');
    $browser->see('[data-code="season.salt"]');
    expect($browser->see('[data-mark=feed]')->getText())->toContain('mend');
    $browser->press(WebDriverBy::cssSelector('[data-code="season.salt"] .remedies button'));
    gone($browser, 'season.salt');
    saved($browser);
    expect(Gardens::findings(Gardens::reader()->fromDocument($server->document($id))))->not->toContain('mend season.salt');
});

it('takes a feed of one\'s own as it stands on the packet, and says what it cannot read', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/feed');
    fold($browser, 'A feed of your own');
    $field = fn (string $label): WebDriverBy => WebDriverBy::xpath(
        "//div[@class='own']//label[contains(normalize-space(.),'$label')]//input",
    );
    $browser->write($field('Dose, as it stands'), 'a pinch');
    $browser->waitForText('is no dose');
    $browser->write($field('Dose, as it stands'), '3/4 tsp per gallon');
    $browser->waitForText('US gallon')->write($field('mS/cm of 1'), '0.4');
    $browser->press(Browser::text('Use it here', 'button'));
    saved($browser);
    $product = $server->document($id)->feeds[0]->product;
    expect($product->parts[0]->ml_per_l)->toEqualWithDelta(0.75 * 4.92892159 / 3.785411784, 1e-9)
        ->and($product->parts[0]->label)->toBe('3/4 tsp per gallon')
        ->and($product->parts[0]->ec_per_unit)->toBe(0.4);
});

/** Two tubs on one small pump: the deep one with the fine stone starves. */
function starving(): array
{
    return [
        'tubs' => [
            [
                'id' => 'a', 'name' => 'Shallow', 'system' => 'aerated', 'vessel' => 'pail-15', 'crop' => 'basil',
                'stones' => ['kind' => 'disc-100'],
            ],
            [
                'id' => 'b', 'name' => 'Deep', 'system' => 'aerated', 'vessel' => 'bucket-30', 'crop' => 'basil',
                'stones' => ['kind' => 'disc-60-fine'],
            ],
        ],
        'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a'], ['tub' => 'b']]]],
    ];
}

it('shows the stone that starves, and mends it', function () {
    [$browser, $server, $id] = bench(starving(), '/b/air');
    $browser->see('[data-code="air.starved"]');
    expect($browser->see('[data-figures=b]')->getText())->toContain('no air');
    $browser->press(WebDriverBy::cssSelector('[data-code="air.starved"] .remedies button'));
    gone($browser, 'air.starved');
    $browser->until(fn (): bool => ! str_contains($browser->see('[data-figures=b]')->getText(), 'no air'), 'for air in the drawing');
    saved($browser);
    $report = wholeReport($server->document($id));
    expect($report->air[0]->branches[1]->flow_l_min)->toBeGreaterThan(0.0)
        ->and(str_replace("\u{202F}", ' ', $browser->see('[data-figures=b]')->getText()))
        ->toContain(written($report->air[0]->branches[1]->flow_l_min, 2).' L/min');
});

it('shows what would go wrong without changing anything, and what a battery adds to a power cut', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/air');
    $before = json_encode($server->document($id));
    $air = fn (): string => figure($browser, 'Air into the tub');
    $browser->waitForText('kWh');
    $well = $air();
    $browser->choose('What if', 'Its valve is knocked shut');
    $browser->until(fn (): bool => $air() === '0', 'for the air to stop');
    expect($browser->see('[data-figures=a]')->getText())->toContain('no air');
    $browser->choose('What if', 'Nothing goes wrong');
    $browser->until(fn (): bool => $air() === $well, 'for the air to come back');
    $browser->press(Browser::text('Power cut', 'button'));
    $battery = WebDriverBy::xpath("//label[span[normalize-space(.)='A battery of, Wh']]/input");
    $browser->write($battery, '72')->waitForText('keeps the air going for 12');
    $browser->write($battery, '-5')->waitForText('a number from 0 to 100000. 12 V and 12 Ah are 144.');
    expect(json_encode($server->document($id)))->toBe($before);
});

it('takes the pump that meets every tub with the least power', function () {
    [$browser, $server, $id] = bench(starving(), '/a/air');
    fold($browser, 'Which pump?');
    $browser->waitForText('meets every tub');
    $browser->press(WebDriverBy::xpath("(//ul[contains(@class,'ranked')]//button)[1]"))->press(Browser::text('Use it', 'button'));
    gone($browser, 'air.starved');
    saved($browser);
    $bad = array_filter(
        Gardens::findings(Gardens::reader()->fromDocument($server->document($id))),
        fn (string $f): bool => preg_match('/(stop|mend) air/', $f) === 1,
    );
    expect($bad)->toBe([]);
});

it('takes a pump of one\'s own from its box, and refuses one that cannot be', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/air');
    fold($browser, 'A pump of your own');
    $browser->press(Browser::text('Use it here', 'button'))->waitForText('the free flow is nothing');
    $browser->write(Browser::field('Free flow'), '300 L/h')->write(Browser::field('Pressure'), '0.2 bar');
    $browser->press(Browser::text('Use it here', 'button'));
    $browser->until(fn (): bool => is_object($server->document($id)->air[0]->pump), 'for it to be kept');
    $pump = $server->document($id)->air[0]->pump;
    expect((float) $pump->free_flow_l_min)->toEqualWithDelta(5.0, 1e-9)->and((float) $pump->max_pressure_kpa)->toEqualWithDelta(20.0, 1e-9);
});

it('drags a stone, nudges it, types it, and gives it back to the planner; the tube is cut anew', function () {
    [$browser, $server, $id] = bench(
        bucket20([
            'vessel' => 'tote-45', 'stones' => ['kind' => 'cylinder-50', 'count' => 2], 'layout' => ['pattern' => 'grid', 'cups' => 8],
        ]),
        '/a/air',
    );
    $browser->press(Browser::text('Floor', 'button'))->see('[data-stone="0"]');
    $browser->drag('[data-stone="0"]', -30, 20);
    saved($browser);
    $at = $server->document($id)->tubs[0]->stones->at;
    $report = wholeReport($server->document($id));
    expect($at)->toHaveCount(2)->and($report->tubs[0]->shape->stones->by_hand)->toBeTrue()
        ->and($report->tubs[0]->shape->stones->at[0]->x_mm)->toBe((float) $at[0]->x_mm);
    $browser->script('document.querySelector("[data-stone=\"0\"]").focus()');
    $browser->keys(WebDriverKeys::ARROW_RIGHT);
    kept($browser, $server, fn (stdClass $tub): bool => ($tub->stones->at[0]->x_mm ?? null) === $at[0]->x_mm + 1);
    $browser->write(Browser::field('Behind the middle'), '40');
    kept($browser, $server, fn (stdClass $tub): bool => (float) ($tub->stones->at[0]->y_mm ?? 0) === 40.0);
    $browser->press(Browser::text('Lay them under the cups', 'button'));
    kept($browser, $server, fn (stdClass $tub): bool => ! isset($tub->stones->at));
});

it('shares the air of one pump at a press', function () {
    [$browser, $server, $id] = bench([
        ...starving(),
        'tubs' => array_map(fn (array $t): array => [...$t, 'stones' => ['kind' => 'disc-100']], starving()['tubs']),
    ], '/a/air');
    $browser->press(Browser::text('Same to each stone', 'button'));
    saved($browser);
    $each = array_map(fn ($b): float => $b->per_stone_l_min, wholeReport($server->document($id))->air[0]->branches);
    expect(max($each) / min($each))->toBeLessThan(1.02);
});

it('does not say that no air comes in before it knows', function () {
    [$browser, $server, $id] = bench(starving(), '/a/air');
    $browser->see('svg[aria-label^="Oxygen against air"]');
    $browser->devTools('Network.enable');
    $browser->devTools('Network.setBlockedURLs', ['urls' => ['*/api/air*']]);
    try {
        $browser->open("$server->url/gardens/$id/a/air")->see('svg.drawing');
        $answered = 'return performance.getEntriesByType("resource").some((r) => r.name.includes("/api/air"))';
        $browser->until(fn (): bool => (bool) $browser->script($answered), 'the look that does not come');

        expect($browser->script('return document.body.innerText'))->not->toContain('No air comes into this tub');
    } finally {
        $browser->devTools('Network.setBlockedURLs', ['urls' => []]);
        $browser->devTools('Network.disable');
    }
});

it('aims for one strength all through, and leaves the water as it is, as the grower wants it', function () {
    [$browser, $server, $id] = bench(
        bucket20(['feed' => 'f'], ['feeds' => [['id' => 'f', 'product' => 'two-part-dry']]]),
        '/a/feed',
    );
    $browser->press(Browser::text('One', 'button'));
    $browser->write(WebDriverBy::xpath("//input[@id=//label[normalize-space(.)='Aim for']/@for]"), '1.7');
    kept($browser, $server, fn (): bool => ($server->document($id)->feeds[0]->strength->ec_ms_cm ?? 0) === 1.7);
    $browser->press(Browser::text('Leave it', 'button'));
    kept($browser, $server, fn (): bool => ($server->document($id)->tubs[0]->strengthening ?? true) === false);
    $days = wholeReport($server->document($id))->tubs[0]->season;
    expect($days->start->ec_ms_cm)->toEqualWithDelta(1.7, 1e-9)
        ->and(array_sum(array_map(fn ($d): float => $d->stronger, $days->days)))->toBe(0.0);
    $browser->press(Browser::text('By stage', 'button'));
    kept($browser, $server, fn (): bool => $server->document($id)->feeds[0]->strength === 'by-stage');
});

it('hangs a lamp, says what light it brings, and hangs it nearer', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/crop');
    fold($browser, 'Where it grows');
    $browser->choose('Lamp over the garden', '36 W lamp, narrow');
    kept($browser, $server, fn (): bool => ($server->document($id)->site->lamp ?? null) === 'lamp-36w');
    $light = fn (): float => wholeReport($server->document($id))->tubs[0]->light->mol_day;
    $browser->until(fn (): bool => str_contains(figure($browser, 'Light of a day'), written($light())), 'for the light of a day');
    $browser->see('[data-code="crop.light"]');
    $high = $light();
    $browser->write(WebDriverBy::xpath("//input[@id=//label[normalize-space(.)='Over the leaves']/@for]"), '160 mm');
    kept($browser, $server, fn (): bool => ($server->document($id)->site->lamp->height_mm ?? 0) === 160);
    $browser->until(fn (): bool => str_contains(figure($browser, 'Light of a day'), written($light())), 'for the light of a nearer lamp');
    expect($light())->toBeGreaterThan($high);
});

it('hangs a lamp over one tub alone', function () {
    $tubs = array_map(fn (string $id): array => bucket20(['id' => $id, 'name' => "Bucket $id"])['tubs'][0], ['a', 'b']);
    [$browser, $server, $id] = bench(['tubs' => $tubs], '/b/crop');
    fold($browser, 'Where it grows');
    $browser->choose('Lamp over this tub', '36 W lamp, narrow');
    $tub = fn (): object => $server->document($id)->tubs[1];
    kept($browser, $server, fn (): bool => ($tub()->lamp ?? null) === 'lamp-36w');
    $browser->write(WebDriverBy::xpath("//input[@id=//label[normalize-space(.)='Over the leaves']/@for]"), '20 cm');
    kept($browser, $server, fn (): bool => ($tub()->lamp->height_mm ?? 0) === 200);
    expect(isset($server->document($id)->site->lamp))->toBeFalse();
    $lights = array_column(wholeReport($server->document($id))->tubs, 'light');
    expect($lights[0])->toBeNull()->and($lights[1]->lamp->height_mm)->toEqual(200);
    $browser->choose('Lamp over this tub', 'As over the garden');
    kept($browser, $server, fn (): bool => ! isset($tub()->lamp));
});

it('looks at other years at a press, and forgets them when the garden changes', function () {
    $summer = ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-05-20'];
    [$browser, $server, $id] = bench(
        bucket20(['feed' => 'f'], [
            'feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => ['setting' => 'open', 'weather' => $summer],
        ]),
        '/a/feed',
    );
    $browser->press(Browser::text('Look at 20 years', 'button'))->waitForText('of 20 years it comes to harvest');
    $browser->press(Browser::text('Full', 'button'));
    kept($browser, $server, fn (stdClass $tub): bool => ($tub->top_up_strength ?? '') === 'feed');
    $browser->see(Browser::text('Look at 20 years', 'button'));
    expect($browser->bodyText())->not->toContain('years it comes to harvest');
});

it('draws what dies as dead, and names its day at every mark', function () {
    $winter = ['kind' => 'typical', 'climate' => 'continental', 'seed' => 3, 'start' => '2027-01-05'];
    [$browser, $server, $id] = bench(
        bucket20(['feed' => 'f'], [
            'feeds' => [['id' => 'f', 'product' => 'two-part-dry']], 'site' => ['setting' => 'open', 'weather' => $winter],
        ]),
    );
    $day = wholeReport($server->document($id))->tubs[0]->season->killed_day;
    $browser->see('.plant.dead');
    expect($browser->bodyText())->toContain("on day $day");
    $browser->open($server->url."/gardens/$id/a/crop");
    $browser->waitForText("dies on day $day");
    expect(figure($browser, 'First harvest'))->toContain('never');
    $browser->see('.plant.dead');
    $browser->open($server->url."/gardens/$id/a/feed");
    $browser->see('[data-code="season.killed"]');
    $browser->press('[role=slider]');
    $browser->keys(WebDriverKeys::END);
    $browser->waitForText('they are dead');
});

it('says what to do before one goes away on a date, how long that keeps, and how the tub is found', function () {
    $garden = bucket20(
        ['crop' => 'kale', 'layout' => ['cups' => 1], 'feed' => 'f', 'reservoir_change' => 'never'],
        [
            'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
            'site' => ['weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'start' => '2027-05-01']],
        ],
    );
    [$browser, $server, $id] = bench($garden, '/a/feed');
    $before = json_encode($server->document($id));
    $browser->press('[data-act=going-away]')->see('[data-leave]');
    $browser->script("const f = document.querySelector('[data-away=from]'); f.value = '2027-06-10'; f.dispatchEvent(new Event('change'))");
    $browser->write(Browser::field('for days'), '5');
    $says = fn (): string => str_replace("\u{202F}", ' ', $browser->see('[data-leave]')->getText());
    $browser->until(fn (): bool => str_contains($says(), 'Back on 15 June, day 45'), 'for five days from 10 June');

    // The same by the core: from day 40 on, by the same made weather that the forecast stands in for.
    expect($says())->toContain('The evening of 9 June, day 39')->toMatch('/Top up [\d.]+ (m?L)/')->toContain('they look well')
        ->and($browser->see('.season .day h2')->getText())->toBe('As it is found')
        ->and(json_encode($server->document($id)))->toBe($before);
    $browser->write(Browser::field('for days'), '60');
    $browser->until(fn (): bool => str_contains($says(), 'and you are gone for 60 days'), 'for too long');
    expect($says())->toContain('Have somebody look in before');
});

it('raises for another tub in the nursery, and says when they go over', function () {
    $tubs = [
        bucket20()['tubs'][0],
        ['id' => 'kin', 'name' => 'Kin', 'system' => 'nursery', 'vessel' => 'tote-30', 'crop' => 'basil', 'layout' => ['cups' => 4]],
    ];
    [$browser, $server, $id] = bench(['name' => 'Kin', 'tubs' => $tubs, 'air' => bucket20()['air']], '/kin/crop');
    $browser->waitForText('for no tub of this garden yet');
    $browser->script('document.activeElement.blur()');
    $browser->keys('[');
    $browser->press(Browser::text('Nursery', 'button'));
    kept($browser, $server, fn (stdClass $tub): bool => ($tub->started ?? null) === 'nursery');
    $browser->waitForText('Raised in a nursery tub of this garden');
    $browser->script('document.activeElement.blur()');
    $browser->keys(']');
    $browser->waitForText('for Bucket');
    expect($browser->see('svg[aria-label*="handed over on day"]')->isDisplayed())->toBeTrue();
});
