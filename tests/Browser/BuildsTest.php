<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use Tests\Core\Gardens;

// Twelve builds from an empty garden, as growers with little patience make them: no more presses and fields than this to the answer, and
// the figures on the page are those of the command line.

afterEach(function () {
    expect(Browser::shared()->complaints())->toBe([]);
});

/**
 * The garden as it is kept and its report, with the figures on the page held against it.
 *
 * @return array{stdClass, stdClass}
 */
function answer(Browser $browser, int $most): array
{
    $acts = $browser->acts;
    $browser->until(fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('.p-dialog')) === [], 'the dialog to close');
    saved($browser);
    $id = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2];
    $document = Server::shared()->document($id);
    $report = Gardens::report(Gardens::reader()->fromDocument($document));
    $here = explode('/', (string) parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[3] ?? $document->tubs[0]->id;
    $tub = array_values(array_filter($report->tubs, fn ($t) => $t->id === rawurldecode($here)))[0];
    mark($browser, 'lid');
    $browser->until(fn (): bool => figure($browser, 'Cups') === (string) $tub->layout->count, "to say {$tub->layout->count} cups");
    mark($browser, 'crop');
    $browser->until(
        fn (): bool => figure($browser, 'Plants it carries') === (string) $tub->capacity->plants,
        "to carry {$tub->capacity->plants} plants",
    );
    mark($browser, 'cost');
    $browser->until(
        fn (): bool => figure($browser, 'Outlay now') === number_format($report->budget->outlay, 2, '.', ''),
        'to cost '.number_format($report->budget->outlay, 2),
    );
    expect($acts)->toBeLessThanOrEqual($most);

    return [$document, $report];
}

/** @return list<string> */
function codes(stdClass $report): array
{
    return array_map(fn ($f) => "$f->severity $f->code", $report->findings);
}

/** @return array<string, float|int> what is needed, by part */
function partsOf(stdClass $report): array
{
    return array_column(array_map(get_object_vars(...), $report->parts), 'need', 'key');
}

it('builds a climbing vine in a bucket outdoors', function () {
    $browser = emptyGarden('A vine')->press('[data-act=open-add]')->choose('Crop', 'Vine tomato')->press('[data-act=add-tub]');
    fold(mark($browser, 'crop'), 'Where it grows')->choose('Place', 'Outdoors, in full sun');
    [$document, $report] = answer($browser, 12);

    expect($document->site->full_sun)->toBeTrue()
        ->and($document->tubs[0]->trellis)->toBeTrue()
        ->and(partsOf($report))->toMatchArray(['trellis' => 1, 'clips' => 8])
        ->and($report->tubs[0]->capacity->plants)->toBe(1)
        // 2.0 litres a plant and day in this sun: 1.3 of what the same air would take indoors.
        ->and($report->tubs[0]->season->climate)->toBeGreaterThan(1.3);
});

it('cuts a bottle both ways: its neck turned upside down, and a lid over the body', function () {
    $browser = emptyGarden('Cut open')->press('[data-act=open-add]')->press(Browser::text('Others', 'button'))
        ->press('[data-vessel=bottle-2]')->choose('Crop', 'Basil')->press('[data-act=add-tub]');
    [, $report] = answer($browser, 9);
    expect($report->tubs[0]->shape->in_mouth)->toBeTrue()->and($report->tubs[0]->shape->cup->key)->toBe('bottle-neck-2');

    $browser->press('button.bench')->press('[data-act=open-add]')->press(Browser::text('Others', 'button'));
    $browser->press('[data-vessel=bottle-2]')->choose('Cup', '50 mm net cup')->press('[data-act=add-tub]');
    [, $report] = answer($browser, 30);
    expect($report->tubs[1]->shape->in_mouth)->toBeFalse()->and(partsOf($report))->toMatchArray(['bottle-2' => 2, 'adapter-disc' => 1]);
});

it('measures a tote of 24 US gallons by tape, in US units', function () {
    $browser = emptyGarden('A tote by tape', 'us')->press('[data-act=open-add]')->press(Browser::text('By tape', 'button'));
    $browser->press(Browser::text('Box', 'button'));
    foreach (['Rim, length' => '27', 'Rim, width' => '19', 'Floor, length' => '24', 'Floor, width' => '16 1/2'] as $field => $inches) {
        $browser->write(Browser::field($field), $inches);
    }
    $browser->write(Browser::field('Depth, inside'), '13 1/2')->write(Browser::field('Sold as'), '24 gal');
    $browser->choose('Crop', 'Leaf lettuce')->press('[data-act=add-tub]')->see(WebDriverBy::xpath("//h1[.='Tub']"));
    [$document, $report] = answer($browser, 25);

    expect($document->units)->toBe('us')
        ->and($document->tubs[0]->vessel->stations[1])->toEqual(
            (object) ['height_mm' => 342.9, 'length_mm' => 685.8, 'width_mm' => 482.6, 'corner_radius_mm' => 40],
        )
        // The lid goes with the rim: 9 mm over it on either side, as it was begun with.
        ->and($document->tubs[0]->vessel->lid->length_mm)->toEqualWithDelta(703.8, 0.01)
        ->and(codes($report))->not->toContain('stop lid.small')
        // 24 gal are 90.8 L; a frustum of these measures holds 96 or so.
        ->and($report->tubs[0]->volume->brim_l)->toBeGreaterThan(90.8)->toBeLessThan(105);
});

it('sows three jars', function () {
    $browser = emptyGarden('From seed')->press('[data-act=open-add]')->press(Browser::text('Jars', 'button'));
    $browser->press('[data-vessel=jar-quart]')->choose('Crop', 'Coriander');
    $browser->press(Browser::text('Seed', 'button'))->press('[data-act=add-tub]');
    $browser->write(Browser::field('How many alike'), '3');
    [$document, $report] = answer($browser, 12);

    expect([$document->tubs[0]->system, $document->tubs[0]->started, $document->tubs[0]->count])->toBe(['passive', 'seed', 3])
        ->and(partsOf($report))->toMatchArray(['jar-quart' => 3, 'seed-coriander' => 1])->not->toHaveKey('plug-stone-wool')
        ->and($report->tubs[0]->crops[0]->days_sow_to_transplant)->toBe(0);
});

it('makes a bucket for next to nothing', function () {
    $browser = emptyGarden('Next to nothing')->press('[data-act=open-add]')->press(Browser::text('Passive', 'button'));
    $browser->choose('Crop', 'Leaf lettuce')->choose('Cup', 'Yoghurt pot, slotted')->press('[data-act=add-tub]');
    mark($browser, 'lid')->press(Browser::text('A knife', 'button'));
    mark($browser, 'cost')->press('[data-act=own-everything]');
    $browser->press('[data-part=seed-lettuce-leaf] .tick input')->press('[data-act=keep-owned]');
    [$document, $report] = answer($browser, 16);

    expect($report->budget->outlay)->toBeLessThan(5.0)->toBeGreaterThan(0.0)
        ->and(partsOf($report))->toHaveKey('knife')->not->toHaveKey('drill')
        ->and($document->owned)->not->toHaveKey('seed-lettuce-leaf');
});

it('runs three buckets on one pump, one of them deep, and mends what starves', function () {
    $browser = emptyGarden('Three buckets')->press('[data-act=open-add]')->press('[data-vessel=bucket-5]')->press('[data-act=add-tub]');
    $browser->write(Browser::field('How many alike'), '2');
    $browser->press('button.bench')->press('[data-act=open-add]')->press('[data-vessel=bucket-30]');
    $browser->press('[data-act=add-tub]')->press('[data-mark=air]')->choose('Pump', '2 W pump, one outlet');
    $browser->see('[data-code="air.starved"], [data-code="air.weak"]');
    [, $report] = answer($browser, 16);
    expect(count($report->air[0]->branches))->toBe(2)
        ->and(array_filter(codes($report), fn ($c) => preg_match('/air\.(starved|weak)/', $c)))->not->toBe([]);

    mark($browser, 'air')->press('[data-code^="air."] .remedies button, [data-code^="air."] button.box');
    saved($browser);
});

it('stands a bucket in another with its pump under it', function () {
    $browser = emptyGarden('A pair')->press('[data-act=open-add]')->press('[data-vessel=bucket-19]')->press('[data-act=add-tub]');
    fold($browser, 'Stands in another vessel')->choose('Lower vessel', '30 L drum with clamp lid');
    [$document, $report] = answer($browser, 10);

    expect($document->tubs[0]->under->vessel)->toBe('bucket-30')
        ->and($document->air[0]->branches[0]->distance_mm)->toBe(143)
        ->and($report->tubs[0]->under)->not->toBeNull();
});

it('cuts adapter discs for two jars', function () {
    $browser = emptyGarden('Adapters')->press('[data-act=open-add]')->press(Browser::text('Jars', 'button'))->press('[data-vessel=jar-2]');
    $browser->choose('Crop', 'Basil')->choose('Cup', '50 mm net cup')->press('[data-act=add-tub]');
    $browser->write(Browser::field('How many alike'), '2');
    [, $report] = answer($browser, 14);
    mark($browser, 'lid')->waitForText('cut a disc of');

    expect(partsOf($report))->toMatchArray(['adapter-disc' => 2])->and($report->tubs[0]->adapter->outer_mm)->toEqual(106);
});

it('puts a hole in each of the 19 triangles of a lid', function () {
    $browser = emptyGarden('A moulded lid')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'));
    $browser->press('[data-vessel=tote-24gal]')->press('[data-act=add-tub]');
    fold(mark($browser, 'lid'), 'Panels of a moulded lid')->write(Browser::field('In each row'), '10')->press('[data-act=fill-triangle]');
    $browser->press('[data-act=remove-panel]')->press('[data-act=hole-in-each]');
    [$document, $report] = answer($browser, 20);

    expect($document->tubs[0]->vessel->lid->panels)->toHaveCount(19)
        ->and($report->tubs[0]->layout->count)->toBe(19)
        ->and(codes($report))->not->toContain('mind lid.panel', 'stop lid.lips', 'mend lid.web', 'mend lid.edge');
});

it('floats a raft of six', function () {
    $browser = emptyGarden('A raft')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'))->press('[data-vessel=tote-45]');
    $browser->press(Browser::text('Raft', 'button'))->choose('Crop', 'Leaf lettuce')->press('[data-act=add-tub]');
    mark($browser, 'lid')->press(Browser::text('So many', 'button'))->write(Browser::field('How many'), '6');
    [, $report] = answer($browser, 14);
    mark($browser, 'air')->waitForText('Over the rim');

    expect($report->tubs[0]->layout->count)->toBe(6)->and($report->tubs[0]->raft)->not->toBeNull()
        ->and(array_filter(array_keys(partsOf($report)), fn ($key) => str_starts_with($key, 'drill-bit')))->toBe([]);
});

it('roots cuttings three by eight', function () {
    $browser = emptyGarden('Cuttings')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'));
    $browser->press('[data-vessel=tote-64]')->press(Browser::text('Cloner', 'button'))->press('[data-act=add-tub]');
    fold(mark($browser, 'lid'), 'Rows and columns');
    foreach (['Rows' => '3', 'In each row' => '8', 'Apart' => '65'] as $field => $value) {
        $browser->write(Browser::field($field), $value);
    }
    $browser->press('[data-act=rows]');
    [$document, $report] = answer($browser, 16);

    expect($document->tubs[0]->crop)->toBe('soft-cuttings')
        ->and($report->tubs[0]->layout->count)->toBe(24)
        ->and($report->tubs[0]->layout->spacing_mm)->toEqual(65)
        ->and(array_values(array_filter(codes($report), fn ($c) => str_starts_with($c, 'stop'))))->toBe([]);
});

it('takes a bucket that is drilled already', function () {
    $browser = emptyGarden('Drilled')->press('[data-act=open-add]')->press('.tick input')->write(Browser::field('Each hole, Ø'), '2 in');
    $browser->press(Browser::text('Ring', 'button'))->write(Browser::field('Holes'), '3');
    $browser->write(Browser::field('Ring, centre to centre'), '160')->choose('Crop', 'Coriander')->press('[data-act=add-tub]');
    [$document, $report] = answer($browser, 14);

    expect([$document->tubs[0]->cutting, $document->tubs[0]->hole_mm])->toBe(['drilled', 50.8])
        ->and($report->tubs[0]->layout->count)->toBe(3)
        ->and(array_filter(array_keys(partsOf($report)), fn ($key) => str_starts_with($key, 'saw-')))->toBe([])
        ->and(codes($report))->not->toContain('stop cup.falls-through', 'stop cup.bearing', 'mend cup.bearing');
});

it('is done by keys alone: arrows through the vessels, the first letters of a crop, marks by their digits', function () {
    $browser = emptyGarden('By keys');
    [$tab, $enter, $right, $down] = ["\u{E004}", "\u{E007}", "\u{E014}", "\u{E015}"];
    $focus = fn (string $what) => $browser->script('document.querySelector(arguments[0]).focus()', $what);
    $focus('[data-act=open-add]');
    $browser->keys($enter)->see('[data-vessel=bucket-20]');
    // The list of vessels is one stop of the tab key, and what is gone to is chosen.
    expect($browser->script("return document.querySelectorAll('[role=listbox] [role=option][tabindex=\"0\"]').length"))->toBe(1);
    $focus('[data-vessel=bucket-20]');
    $browser->keys($right, $right)->see('[data-vessel=bucket-10][aria-selected=true]');
    $browser->keys($down);
    $chosen = $browser->until(fn () => $browser->script('return document.activeElement.dataset.vessel'), 'to be in the list');
    $browser->keys($tab);
    expect($browser->script("return document.activeElement.getAttribute('role')"))->not->toBe('option');
    // The crop by its first letters.
    $focus('.rest .p-select [role=combobox]');
    $browser->keys($enter)->see('.p-select-overlay input')->sendKeys('miz');
    $browser->keys($enter);
    $browser->until(
        fn (): bool => str_contains($browser->see('.rest .p-select-label')->getText(), 'Mizuna'),
        'for mizuna to be chosen',
    );
    $focus('[data-act=add-tub]');
    $browser->keys($enter)->see(WebDriverBy::xpath("//h1[.='Tub']"));
    $browser->keys('2')->see(WebDriverBy::xpath("//h1[.='Crop']"));
    $browser->until(fn (): bool => $browser->script('return document.activeElement.tagName') === 'H1', 'for the focus to go along');
    $browser->keys('3')->see(WebDriverBy::xpath("//h1[.='Lid']"));
    [$document] = answer($browser, 40);

    expect($document->tubs[0]->vessel)->toBe($chosen)->and($document->tubs[0]->crop)->toBe('mizuna');
});

it('places holes where the lid is pressed, and as a table says', function () {
    [$browser, $server, $id] = bench(bucket20(['vessel' => 'tote-45', 'crop' => null]), '/a/lid');
    $browser->press('[data-act=start-empty]')->see('[data-code="lid.empty"]');
    $browser->press('[data-lid]');
    kept($browser, $server, fn (stdClass $tub): bool => count($tub->layout->holes ?? []) === 1);
    $hole = $server->document($id)->tubs[0]->layout->holes[0];
    // It was pressed in the middle.
    expect(abs($hole->x_mm))->toBeLessThanOrEqual(2)->and(abs($hole->y_mm))->toBeLessThanOrEqual(2);

    $browser->press('[data-act=place]')->press('[data-act=write-table]');
    $table = $browser->see('#table-text');
    $table->clear();
    $table->sendKeys("100, 100\n4 in, fist");
    $browser->press('[data-act=take-table]')->waitForText('Line 2: "fist" does not start with a number');
    $table->clear();
    $table->sendKeys("1 100 100\n2 480 290");
    $browser->press('[data-act=take-table]');
    kept($browser, $server, fn (stdClass $tub): bool => array_map(fn ($h): array => [$h->x_mm, $h->y_mm], $tub->layout->holes ?? [])
        === [[-190, -95], [190, 95]]);
});

it('puts as many cups as go seven inches apart', function () {
    [$browser, $server] = bench(bucket20(['vessel' => 'tote-45', 'crop' => null]), '/a/lid');
    $browser->press(Browser::text('Apart', 'button'))->write(Browser::field('Apart, at least'), '7 in');
    kept($browser, $server, fn (stdClass $tub): bool => is_int($tub->layout->cups ?? null) && $tub->layout->cups < 20);
    $layout = reported($browser, $server)->tubs[0]->layout;

    expect($layout->spacing_mm)->toBeGreaterThanOrEqual(177.8)->and($layout->count)->toBeGreaterThanOrEqual(6);
});
