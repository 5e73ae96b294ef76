<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;
use Tests\Core\Gardens;

/** A new garden with one tub put on its bench as a newcomer would. */
function newcomer(string $name, string $kind, ?string $vessel, string $run, ?string $crop): array
{
    $server = Server::shared();
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $browser->write('#new-name', $name)->press(Browser::text('Make it', 'button'))->waitForText('Nothing stands here yet');
    $browser->press('[data-act=open-add]')->press(Browser::text($kind, 'button'));
    if ($vessel !== null) {
        $browser->press("[data-vessel=$vessel]");
    }
    $browser->press(Browser::text($run, 'button'));
    if ($crop !== null) {
        $browser->choose('Crop', $crop);
    }
    $browser->press('[data-act=add-tub]')->see(WebDriverBy::xpath("//h1[.='Tub']"));

    return [$browser, $server];
}

afterEach(function () {
    $complaints = array_filter(Browser::shared()->complaints(), fn ($c) => ! preg_match('/status of (422|404)/', $c));
    expect($complaints)->toBe([]);
});

it('designs a raft from an empty garden', function () {
    [$browser, $server] = newcomer('Afloat', 'Totes', 'tote-45', 'Raft', 'Leaf lettuce');
    $browser->write(Browser::field('Gap to the wall'), '8 mm')->waitForText('The board goes down');
    kept($browser, $server, fn ($tub) => ($tub->raft->gap_mm ?? null) === 8);
    $browser->see('.board');
    $tub = reported($browser, $server)->tubs[0];

    expect($tub->raft->gap_mm)->toBe(8.0)
        ->and(figure($browser, 'The board goes down'))->toBe(written(round($tub->raft->travel_mm * 2) / 2))
        ->and(figure($browser, 'Working volume'))->toBe(written($tub->volume->working_l));
});

it('designs a cloner from an empty garden', function () {
    [$browser, $server] = newcomer('Cuttings', 'Totes', 'tote-20', 'Cloner', null);
    $browser->write(Browser::field('Stems below the cup'), '15')->waitForText('stems end');
    kept($browser, $server, fn ($tub) => ($tub->cloner->stem_below_cup_mm ?? null) === 15);
    $browser->press('[data-mark=lid]')->see(WebDriverBy::xpath("//h1[.='Lid']"));
    $report = reported($browser, $server);

    expect($report->tubs[0]->cloner->stem_below_cup_mm)->toBe(15.0)
        ->and($report->tubs[0]->crops[0]->crop)->toBe('soft-cuttings')
        ->and(figure($browser, 'Cups'))->toBe((string) $report->tubs[0]->layout->count)
        ->and(array_column($report->parts, 'key'))->toContain('foam-collar');
});

it('designs a nursery from an empty garden, with its caution', function () {
    [$browser, $server] = newcomer('Starts', 'Totes', 'tote-12', 'Nursery', 'Rocket');
    $browser->waitForText('residual-current');
    $browser->write('#drip-on', '10')->write('#drip-off', '50')->write('#drip-flow', 'much');
    $browser->until(fn (): bool => figure($browser, 'Over the cups') === '240', 'for 60 L/h in a sixth of the time');
    $tub = reported($browser, $server)->tubs[0];

    expect($tub->nursery->litres_day)->toEqualWithDelta(240, 1e-9)
        // What is no number is not taken, and stays where it was written, with what would do.
        ->and($tub->nursery->flow_l_h)->toBe(60.0)
        ->and($browser->see('#drip-flow')->getAttribute('value'))->toBe('much')
        ->and($browser->bodyText())->toContain('“much” will not do: a number above 0, at most 10000.');
});

it('designs a nested pair from an empty garden', function () {
    [$browser, $server] = newcomer('Two in one', 'Totes', 'tote-30', 'Aerated', 'Basil');
    $browser->press(WebDriverBy::xpath("//summary[.='Stands in another vessel']"))->choose('Lower vessel', '64 L tote');
    $browser->until(fn (): bool => figure($browser, 'Room for the pump') === '80', 'for the blocks');
    $browser->write(Browser::field('On blocks of'), '4 in')->until(
        fn (): bool => figure($browser, 'Room for the pump') === '101.5',
        'for four inches',
    );
    $tub = reported($browser, $server)->tubs[0];

    expect($tub->under->room_mm)->toEqualWithDelta(101.6, 1e-9)
        ->and($browser->driver->findElements(WebDriverBy::cssSelector('.house')))->not->toBe([]);
});

it('measures a tub of any make from outside and from the rim', function () {
    [$browser, $server] = newcomer('Tape', 'By tape', null, 'Passive', 'Dill');
    $browser->press(WebDriverBy::xpath("//summary[.='Measures']"))->press(Browser::text('Round it', 'button'));
    $browser->write(WebDriverBy::xpath("//fieldset[legend[starts-with(.,'Floor')]]//label[.='Girth']/following-sibling::input"), '78.5 cm');
    $browser->press(Browser::text('Add a station', 'button'))->press(Browser::text('Rim down', 'button'));
    $browser->write(WebDriverBy::xpath("//fieldset[legend[starts-with(.,'At')]]//label[.='Height']/following-sibling::input"), '40 mm');
    kept($browser, $server, fn ($tub) => ($tub->vessel->stations[1]->height_mm ?? null) === 290);
    $tub = reported($browser, $server)->tubs[0];

    // Round the outside 785, walls of 2.5 on both sides; 40 down from a rim at 330.
    expect($tub->shape->stations[0]->length_mm)->toEqualWithDelta(785 / M_PI - 5, 1e-6)
        ->and($tub->shape->stations[1]->height_mm)->toEqualWithDelta(290, 1e-6)
        ->and(figure($browser, 'Working volume'))->toBe(written($tub->volume->working_l));
});

it('corrects a tub by known fills, and tells the one that contradicts the others', function () {
    [$browser, $server] = newcomer('Poured', 'Buckets', 'bucket-20', 'Passive', 'Dill');
    $browser->press(WebDriverBy::xpath("//summary[.='Known fills']"));
    foreach ([['5 L', '90 mm'], ['10 L', '178'], ['12 L', '262 mm'], ['18 L', '31.8 cm']] as $n => [$litres, $depth]) {
        $browser->write(
            Browser::field($n === 0 ? 'Poured in' : 'Poured in all'),
            $litres,
        )->write(Browser::field('Stands at'), $depth)->press('[data-act=add-fill]');
        kept($browser, $server, fn ($tub) => count($tub->vessel->fills ?? []) === $n + 1);
    }
    $browser->waitForText('Fill 3 is 18.6');
    $browser->press(Browser::text('Leave fill 3 out', 'button'));
    kept($browser, $server, fn ($tub) => count($tub->vessel->fills ?? []) === 3);
    $tub = reported($browser, $server)->tubs[0];

    expect(
        array_map(
            fn ($f) => [$f->litres, $f->depth_mm],
            $server->document(explode('/', parse_url($browser->driver->getCurrentURL(), PHP_URL_PATH))[2])->tubs[0]->vessel->fills,
        ),
    )->toBe([[5, 90], [10, 178], [18, 318]])
        ->and(figure($browser, 'Fills say'))->toBe(written(round($tub->volume->fill_scale * 1000) / 10))
        ->and(figure($browser, 'Working volume'))->toBe(written($tub->volume->working_l));
});

it('cuts a bottle where it is told to', function () {
    [$browser, $server] = newcomer('Bottled', 'Others', 'bottle-5', 'Passive', 'Dill');
    $browser->see('.cut-off');
    $browser->write(Browser::field('Cut it at'), '20 cm');
    kept($browser, $server, fn ($tub) => ($tub->vessel->cut_mm ?? null) === 200);
    $browser->waitForText('cut off at 200');
    $tub = reported($browser, $server)->tubs[0];

    expect($tub->levels->rim_mm)->toBe(200.0)->and(figure($browser, 'Working volume'))->toBe(written($tub->volume->working_l));
});

it('grows two crops on one lid, in two sizes of cup, hole by hole', function () {
    [$browser, $server] = newcomer('Mixed', 'Totes', 'tote-64', 'Aerated', 'Chives');
    $browser->press('[data-mark=crop]')->press('[data-act=add-crop]')->choose('Crop 2', 'Strawberry');
    $browser->write('#plants-0', '5')->write('#plants-1', '3');
    kept($browser, $server, fn ($tub) => ($tub->crops[1]->plants ?? null) === 3);
    $browser->see('[data-code="crop.cup"]');
    $browser->press('[data-mark=lid]')->choose('A second size of cup', '75 mm net cup');
    $browser->waitForText('For the 75 mm net cup, 3 of them');
    $tub = reported($browser, $server)->tubs[0];
    expect(array_column($tub->crops, 'plants', 'crop'))->toBe(['chives' => 5, 'strawberry' => 3])
        ->and([$tub->hole->count, $tub->hole_2->count, $tub->layout->count])->toBe([5, 3, 8]);

    // One hole is given to the other crop: the layout becomes the grower's own and knows what grows where.
    $first = array_search('chives', array_column($tub->layout->holes, 'crop'), true);
    $browser->press("[data-hole=\"$first\"]")->choose('Grows here', 'Strawberry');
    kept($browser, $server, fn ($tub) => ($tub->layout->pattern ?? null) === 'manual');
    $tub = reported($browser, $server)->tubs[0];
    expect($tub->layout->pattern)->toBe('manual')
        ->and(array_count_values(array_column($tub->layout->holes, 'crop')))->toBe(
            array_count_values([...array_fill(0, 4, 'strawberry'), ...array_fill(0, 4, 'chives')]),
        );
});

it('keeps cups off a rib, makes panels of it, and says what a change of cup moved', function () {
    [$browser, $server] = newcomer('Ribs', 'Totes', 'tote-45', 'Passive', 'Dill');
    fold($browser->press('[data-mark=lid]'), 'The lid itself')
        ->press('[data-act=add-rib]')->see('[data-keep-out]');
    $browser->press('[data-pattern=panels]')->until(fn (): bool => figure($browser, 'Cups') === '2', 'for a hole in each panel');
    $tub = reported($browser, $server)->tubs[0];
    expect($tub->layout->pattern)->toBe('panels');

    $browser->press('[data-pattern=best]')->choose('Cup', '75 mm net cup');
    $browser->until(
        fn (): bool => preg_match('/\d+ holes (became \d+|moved, by up to)/', $browser->bodyText()) === 1,
        'to be told what moved',
    );
    $tub = reported($browser, $server)->tubs[0];
    foreach ($tub->layout->holes as $hole) {
        expect($hole->keep_out_mm)->toBeGreaterThanOrEqual(5 - 1e-6);
    }
    $browser->press(Browser::text('A knife', 'button'))->waitForText('Trace a circle of 78');
});

it('rounds off holes set by hand, and tells what fits a lid that is drilled already', function () {
    [$browser, $server, $id] = bench(
        bucket20(
            [
                'vessel' => 'tote-45',
                'hole_mm' => 64,
                'layout' => ['pattern' => 'manual', 'holes' => [['x_mm' => -103.3, 'y_mm' => 12.2], ['x_mm' => 98.7, 'y_mm' => 8.1]]],
            ],
        ),
        '/a/lid',
    );
    $browser->write(Browser::field('To the nearest'), '10')->press('[data-act=align]');
    kept($browser, $server, fn ($tub) => ($tub->layout->holes[1]->x_mm ?? null) === 100);
    expect(array_map(fn ($h) => [$h->x_mm, $h->y_mm], $server->document($id)->tubs[0]->layout->holes))->toBe([[-100, 10], [100, 10]]);
    fold($browser, 'Cups for a hole of')
        ->press(WebDriverBy::xpath("//button[b[.='60 mm net cup']]"));
    kept($browser, $server, fn ($tub) => ($tub->cup ?? null) === 'net-cup-60');
    expect([$server->document($id)->tubs[0]->cup, $server->document($id)->tubs[0]->hole_mm])->toBe(['net-cup-60', 64]);
});

it('lays out rows and columns as far apart as was said, and says when they reach over the lid', function () {
    [$browser, $server, $id] = bench(bucket20(['vessel' => 'tote-64', 'cup' => 'net-cup-50']), '/a/lid');
    fold($browser, 'Rows and columns')
        ->write(Browser::field('Rows'), '2')
        ->write(Browser::field('In each row'), '9')
        ->write(Browser::field('Apart'), '7 in')
        ->waitForText('Centres span 1422.5')
        ->write(Browser::field('In each row'), '3')
        ->press('[data-act=rows]');
    kept($browser, $server, fn ($tub) => count($tub->layout->holes ?? []) === 6);
    expect($server->document($id)->tubs[0]->layout->pattern)->toBe('manual')
        ->and(array_map(fn ($h) => [$h->x_mm, $h->y_mm], $server->document($id)->tubs[0]->layout->holes))
        ->toEqual([[-177.8, 88.9], [0, 88.9], [177.8, 88.9], [-177.8, -88.9], [0, -88.9], [177.8, -88.9]])
        ->and(reported($browser, $server)->tubs[0]->layout->spacing_mm)->toEqualWithDelta(177.8, 1e-6);
});

it('plans a top-up for a day, and says which vessel suits the crop', function () {
    [$browser, $server, $id] = bench(
        [
            'name' => 'Jar',
            'tubs' => [
                ['id' => 'a', 'name' => 'Jar', 'system' => 'passive', 'vessel' => 'jar-4', 'cup' => 'net-cup-75', 'crop' => 'sorrel'],
            ],
        ],
        '/a/crop',
    );
    $browser->press(WebDriverBy::xpath("//button[starts-with(normalize-space(.),'Top up')]"))->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-code="passive.dry"]')) === [],
        'for the tub to last',
    );
    saved($browser);
    expect($server->document($id)->tubs[0]->planned_top_ups)->not->toBe([]);
    $browser->press(WebDriverBy::xpath("//summary[.='Which vessel suits it']"));
    $browser->press(WebDriverBy::xpath("(//details[.//summary[.='Which vessel suits it']]//li//button)[1]"));
    kept($browser, $server, fn ($tub) => ($tub->vessel ?? null) !== 'jar-4');
    expect($server->document($id)->tubs[0]->vessel)->toBeString()->not->toBe('jar-4');
});

it('lets the lid go with the rim that is measured, until the lid is measured itself', function () {
    [$browser, $server] = newcomer('Wide', 'Totes', 'tote-45', 'Passive', 'Dill');
    $browser->press(WebDriverBy::xpath("//summary[.='Measures']"));
    // The rim's height, then its length.
    $rim = WebDriverBy::xpath("(//fieldset[legend[starts-with(normalize-space(.),'Rim')]]//input)[2]");
    $lid = WebDriverBy::xpath('(//*[@data-lid-size]//input)[1]');
    $browser->write($rim, '700');
    kept($browser, $server, fn ($tub) => ($tub->vessel->stations[1]->length_mm ?? null) === 700);
    // It lay 20 over the rim of 560, and does so over this one.
    $browser->until(fn (): bool => str_starts_with((string) $browser->see($lid)->getAttribute('value'), '720'), 'for the lid to follow');
    expect(reported($browser, $server)->tubs[0]->shape->lid->length_mm)->toBe(720.0);

    $browser->write($lid, '735 mm');
    kept($browser, $server, fn ($tub) => ($tub->vessel->lid->measured ?? false) === true);
    $browser->write($rim, '680');
    kept($browser, $server, fn ($tub) => ($tub->vessel->stations[1]->length_mm ?? null) === 680);
    expect(reported($browser, $server)->tubs[0]->shape->lid->length_mm)->toBe(735.0);

    $browser->write($lid, '600');
    kept($browser, $server, fn ($tub) => ($tub->vessel->lid->length_mm ?? null) === 600);
    $browser->press('[data-mark=lid]')->see('[data-code="lid.small"]');
});

it('lets the water go with the air until it is measured, and says where it grows', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/crop');
    $site = fn (string $key): mixed => $server->document($id)->site->{$key} ?? null;
    $room = fn () => fold($browser->press('[data-mark=crop]'), 'Where it grows');
    $room()->write(Browser::field('Air'), '29')->until(fn (): bool => $site('air_temperature_c') === 29, 'for the air to be kept');
    expect($site('water_temperature_c'))->toBe(29);
    $browser->press('[data-mark=air]')->see('[data-code="air.warm"]');

    $room()->write(Browser::field('Water'), '21')->until(fn (): bool => $site('water_temperature_c') === 21, 'for the water to be kept');
    $browser->write(Browser::field('Air'), '25')->until(fn (): bool => $site('air_temperature_c') === 25, 'for the air to be kept');
    expect($site('water_temperature_c'))->toBe(21);

    $browser->choose('Place', 'Outdoors, in full sun')->until(fn (): bool => $site('full_sun') === true, 'for the sun to be kept');
    expect($site('setting'))->toBe('open');
    $browser->write(Browser::field('Humidity, %'), '300')->waitForText('a whole number from 0 to 100');
    expect($site('humidity_pct'))->toBeNull();
});

it('puts tubs in order, with undo', function () {
    [$browser, $server, $id] = bench(
        [
            'name' => 'Row',
            'tubs' => [
                ['id' => 'a', 'system' => 'passive', 'vessel' => 'bucket-20'],
                ['id' => 'b', 'system' => 'passive', 'vessel' => 'bucket-10'],
            ],
        ],
        '/b/tub',
    );
    $browser->press('[aria-label="Move it left on the bench"]');
    kept($browser, $server, fn ($tub) => ($tub->id ?? null) === 'b');
    expect(array_column($server->document($id)->tubs, 'id'))->toBe(['b', 'a']);
    $browser->press(Browser::text('Undo', 'button'));
    $browser->until(fn (): bool => array_column($server->document($id)->tubs, 'id') === ['a', 'b'], 'for the old order');
});

it('lists a lid to mark out on one page', function () {
    [$browser, $server, $id] = bench(bucket20(['vessel' => 'tote-45', 'layout' => ['pattern' => 'grid', 'cups' => 6]]), '/a/lid');
    $holes = reported($browser, $server)->tubs[0]->layout->holes;
    $browser->open("$server->url/gardens/$id/a/marking-out")->see('.sheet table');
    $rows = array_map(
        fn ($row) => preg_split('/\s+/', trim($row->getText())),
        $browser->driver->findElements(WebDriverBy::cssSelector('.sheet tbody tr')),
    );

    expect($rows)->toBe(
        array_map(
            fn ($h, $i) => [(string) ($i + 1), written(round($h->from_left_mm * 2) / 2), written(round($h->from_front_mm * 2) / 2)],
            $holes,
            array_keys($holes),
        ),
    );
});

it('prints a lid to mark out on one page, few holes or many, by day or night', function (int $columns, int $rows, string $crop) {
    $server = Server::shared();
    $holes = array_map(
        fn (int $i): array => [
            'x_mm' => 50 * ($i % $columns - ($columns - 1) / 2),
            'y_mm' => 50 * (intdiv($i, $columns) - ($rows - 1) / 2),
        ],
        range(0, $columns * $rows - 1),
    );
    $id = $server->garden(
        bucket20(['vessel' => 'tote-90', 'cup' => 'net-cup-38', 'crop' => $crop, 'layout' => ['pattern' => 'manual', 'holes' => $holes]]),
    );
    $browser = Browser::shared()->size(1280, 800)->open($server->url);
    $browser->script('localStorage.setItem("kelp-theme", "night")');
    $browser->open("$server->url/gardens/$id/a/marking-out")->see('.sheet svg .hole');
    $pdf = base64_decode(
        (string) $browser->driver->executeCustomCommand(
            '/session/:sessionId/print',
            'POST',
            ['background' => true, 'page' => ['width' => 21.0, 'height' => 29.7]],
        ),
    );
    $browser->script('localStorage.removeItem("kelp-theme")');

    expect(substr($pdf, 0, 5))->toBe('%PDF-')
        ->and(preg_match_all('~/Type\s*/Page\b~', $pdf))->toBe(1);
})->with([[2, 2, 'dill'], [6, 5, 'chives'], [10, 6, 'chives'], [14, 9, 'chives']]);

it('keeps a cup of one’s own, refuses a file with faults whole, and uses the cup in a garden', function () {
    $server = Server::shared();
    $browser = Browser::shared()->size(1280, 800)->open("$server->url/library/cups");
    $browser->keys('/')->write('#find', 'party')->press('[data-item=party-cup]');
    $browser->write(Browser::field('Lip Ø'), '92 mm')->write(Browser::field('Body Ø under the lip'), '95 mm')->press('[data-act=save]');
    $browser->waitForText('wider than the lip');
    $browser->write(
        Browser::field('Body Ø under the lip'),
        '3 3/8 in',
    )->press('[data-act=save]')->waitForText('My party cup, slotted is on your shelf');

    $file = tempnam(sys_get_temp_dir(), 'kelp').'.csv';
    file_put_contents($file, "name,lip_diameter_mm,top_diameter_mm,bottom_diameter_mm,height_mm\nGood,60,52,40,50\nBad,60,wide,40,50\n");
    $browser->driver->findElement(WebDriverBy::cssSelector('#import'))->sendKeys($file);
    $browser->waitForText('line 3/top_diameter_mm');
    unlink($file);

    $id = $server->garden(bucket20());
    $browser->open("$server->url/gardens/$id/a/lid")->choose('Cup', 'My party cup, slotted');
    kept($browser, $server, fn ($tub) => is_object($tub->cup ?? null));
    $cup = $server->document($id)->tubs[0]->cup;
    expect([$cup->key, $cup->lip_diameter_mm, $cup->top_diameter_mm])->toBe(['own-my-party-cup-slotted', 92, 85.725])
        ->and(
            Gardens::report(Gardens::reader()->fromDocument($server->document($id)))->tubs[0]->shape->cup->name,
        )->toBe('My party cup, slotted');
});

it('sets designs side by side with the figures of the core', function () {
    $server = Server::shared();
    $id = $server->garden(
        [
            'name' => 'Pairing',
            'tubs' => [
                ['id' => 'a', 'name' => 'Bucket', 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'rocket'],
                ['id' => 'b', 'name' => 'Tote', 'system' => 'passive', 'vessel' => 'tote-45', 'crop' => 'rocket'],
            ],
        ],
    );
    $browser = Browser::shared()->size(1280, 800)->open("$server->url/compare?of=$id:a")->waitForText('Choose another to set beside it');
    $browser->press("[data-of=\"$id:b\"]");
    $cells = fn (string $row): array => array_map(
        fn ($cell) => $cell->getText(),
        $browser->driver->findElements(
            WebDriverBy::xpath("//tr[th[starts-with(normalize-space(.),'$row')]]/td//span[contains(@class,'number')]"),
        ),
    );
    $browser->until(fn (): bool => count($cells('Working volume')) === 2, 'for two designs');
    $report = Gardens::report(Gardens::reader()->fromDocument($server->document($id)));

    expect($cells('Working volume'))->toBe(array_map(fn ($tub) => written($tub->volume->working_l)."\u{202F}L", $report->tubs))
        ->and($cells('Plants'))->toBe(array_map(fn ($tub) => (string) $tub->capacity->planted, $report->tubs));
});
