<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Core\Gardens;

function marsh(): string
{
    return (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json');
}

it('goes through the sheet step by step, and keeps what is done', function () {
    [$browser, $server, $id] = bench(marsh(), '/foredeck/build');
    // Seeds come first, drawn: leaf celery on the plug, mizuna in it, and the days of both up to the planting.
    $browser->waitForText('1 Sow the seeds');
    $browser->see('svg[aria-label^="Leaf celery: 4 seeds to a plug, on top, in light, sown 35 days before"]');
    $browser->press('[data-act=done-next]')->waitForText('2 Raise the seedlings');
    $browser->press('[data-act=done-next]')->waitForText('3 Check what came');
    saved($browser);
    $build = $server->document($id)->builds[0];

    expect($build->tub)->toBe('foredeck')->and(array_keys(get_object_vars($build->ticks)))->toBe(['sow', 'raise']);
    $browser->open($browser->driver->getCurrentURL());
    // The first that is not done is open when it is come back to.
    $browser->waitForText('3 Check what came');
    $browser->press('[data-tick=raise]');
    $browser->until(fn (): bool => ! isset($server->document($id)->builds[0]->ticks->raise), 'for the tick to be taken back');
});

it('marks the step that a change of the design changes, and unticks it', function () {
    [$browser, $server, $id] = bench(marsh(), '/foredeck/build');
    $browser->press('[data-step=saw]')->waitForText('Saw one hole slowly');
    $browser->press('[data-act=done-next]');
    saved($browser);
    $document = $server->document($id);
    $document->tubs[0]->cup = 'net-cup-75';
    [$browser] = bench(json_encode($document, JSON_THROW_ON_ERROR), '/foredeck/build');
    $browser->press('[data-step=saw]')->waitForText('The design has changed this step since it was done');

    expect($browser->see('[data-step=saw]')->getText())->toContain('again')
        ->and($browser->see('[data-tick=saw]')->isSelected())->toBeFalse();
});

it('takes a measured fill into the vessel, and says what moved', function () {
    [$browser, $server, $id] = bench(marsh(), '/foredeck/build');
    $before = Gardens::report(Gardens::reader()->read(marsh()))->tubs[0]->volume->working_l;
    $browser->press('[data-step=measure]')->write(Browser::field('Depth'), '62 mm')->write(Browser::field('Litres in it'), '9.5 L');
    $browser->press('[data-act=add-fill]')->waitForText('One more at another depth');
    $browser->press('[data-step=fill]')->write(Browser::field('The line is at'), '228 mm');
    $browser->write(Browser::field('It took'), '38 L')->press('[data-act=calibrate]')->waitForText('To its line it held');
    saved($browser);
    $document = $server->document($id);
    $after = Gardens::report(Gardens::reader()->fromDocument($document))->tubs[0]->volume->working_l;

    expect($document->tubs[0]->vessel->fills)
        ->toEqual([(object) ['litres' => 9.5, 'depth_mm' => 62], (object) ['litres' => 38, 'depth_mm' => 228]])
        ->and($document->builds[0]->measured->litres)->toBe(38)
        ->and(str_replace("\u{202f}", ' ', $browser->see('[data-fills]')->getText()))
        ->toContain('it held '.written($before).' L, and holds '.written($after).' L now');
});

it('hands over templates and sheets, the bytes of the command line', function () {
    [$browser] = bench(marsh(), '/foredeck/build');
    $folder = downloads($browser);
    foreach ([
        'lid-pdf' => 'foredeck-tote-lid-a4.pdf',
        'gauge-svg' => 'foredeck-tote-gauge.svg',
        'wall-dxf' => 'foredeck-tote-wall.dxf',
    ] as $key => $name) {
        [$what, $as] = explode('-', $key);
        $browser->press("[data-file=$key]");
        $kelp = new Symfony\Component\Process\Process([
            PHP_BINARY, dirname(__DIR__, 2).'/bin/kelp', 'template', '-', '--tub', 'foredeck', '--what', $what, '--as', $as,
        ]);
        $kelp->setInput(marsh())->mustRun();
        expect(downloaded($browser, "$folder/$name"))->toBe($kelp->getOutput());
    }
    $browser->press('[data-file=sheet-pdf]');
    expect(downloaded($browser, "$folder/foredeck-tote-build-a4.pdf"))->toStartWith('%PDF-');
});

it('shows the caution of a step beside it', function () {
    [$browser] = bench(marsh(), '/foredeck/build');
    $browser->press('[data-step=pump]')->see('[data-caution=electricity]');
    $browser->press('[data-step=saw]')->see('[data-caution=saw]');

    expect($browser->driver->findElements(WebDriverBy::cssSelector('[data-caution=electricity]')))->toBe([]);
});

it('is used with one hand at the bench: one step a screen, big to press', function () {
    [$browser] = bench(marsh(), '/foredeck/build');
    $browser->size(390, 844, true);
    $browser->see('[data-act=done-next]');
    $box = $browser->script('const b = document.querySelector("[data-act=done-next]").getBoundingClientRect(); return [b.width, b.height]');

    expect($box[0])->toBeGreaterThan(150)->and($box[1])->toBeGreaterThanOrEqual(44);
    $browser->press('[data-act=done-next]')->waitForText('2 Raise the seedlings');
    expect($browser->script('const e = document.scrollingElement; return e.scrollWidth - e.clientWidth'))->toBe(0);
    $browser->size(1280, 800);
});

it('comes under the cap at one press, and back at one', function () {
    [$browser, $server, $id] = bench(marsh(), '/foredeck/cost');
    $before = (float) figure($browser, 'Outlay now');
    $browser->press('[data-part-of-cost=ways]')->press('[data-act=apply-set]');
    $browser->until(fn (): bool => (float) figure($browser, 'Outlay now') <= 140.0, 'to be under the cap');
    $browser->waitForText('It is under the cap already');
    saved($browser);
    expect(Gardens::report(Gardens::reader()->fromDocument($server->document($id)))->budget->outlay)->toBeLessThanOrEqual(140.0);
    $browser->press(Browser::text('Undo', 'button'));
    $browser->until(fn (): bool => (float) figure($browser, 'Outlay now') === $before, 'for all of it to be back');
});

it('shows that nothing does where the cap is too low', function () {
    [$browser] = bench(marsh(), '/foredeck/cost');
    $browser->write('#cap', '20')->press('[data-part-of-cost=ways]')->see('[data-proof]');
    $browser->waitForText('The cheapest of all, fewer plants counted in, comes to');

    expect($browser->driver->findElements(WebDriverBy::cssSelector('[data-set]')))->toBe([]);
});

it('takes a price list, the bad rows skipped when it is said so', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/cost');
    $file = sys_get_temp_dir().'/kelp-prices-'.getmypid().'.csv';
    file_put_contents($file, "part;price;supplier;delivery\nbucket-20;4,50;Quay stall;0\nunicorn;1;Quay stall;0\n");
    $browser->press('[data-part-of-cost=prices]');
    $browser->driver->findElement(WebDriverBy::cssSelector('[data-act=price-file]'))->sendKeys($file);
    $browser->waitForText('Row 3: “unicorn” is no part');
    expect($server->document($id)->prices ?? [])->toBe([]);
    $browser->press('[data-act=take-list]')->waitForText('Quay stall');
    saved($browser);
    $kept = $server->document($id)->prices;
    unlink($file);

    expect($kept)->toHaveCount(1)->and($kept[0]->price)->toBe(4.5);
    $browser->press('[data-part-of-cost=list]');
    $browser->until(fn (): bool => str_contains($browser->see('[data-part=bucket-20]')->getText(), '4.50'), 'for the bucket at its price');
});

it('puts the samples away, shows the prices that count, and forgets one', function () {
    $own = ['prices' => [['part' => 'bucket-20', 'pack' => 1, 'price' => 4.5, 'supplier' => 'Quay stall']]];
    [$browser, $server, $id] = bench(bucket20(garden: $own), '/a/cost');
    $browser->press('[data-part-of-cost=prices]')->press('[data-act=samples]');
    $browser->waitForText('They are put away');
    expect($browser->see('[data-offers]')->getText())->toContain('20 L bucket')->toContain('Quay stall');
    saved($browser);
    expect($server->document($id)->money->samples)->toBeFalse();
    $browser->press('[data-part-of-cost=list]');
    $stone = fn (): string => $browser->see('[data-part=disc-100]')->getText();
    $browser->until(fn (): bool => str_contains($stone(), 'no price'), 'for a stone without a price');

    // A price that is added leaves the focus where the work is.
    $browser->press('[data-part=disc-100] .acts .word');
    $browser->see('.pricing');
    $browser->script("const f = document.querySelectorAll('.pricing input'); f[2].value = '3'; f[2].dispatchEvent(new Event('input'))");
    $browser->press(Browser::text('Add this price', 'button'));
    $browser->until(fn (): bool => count($server->document($id)->prices) === 2, 'for the price');
    expect($browser->script("return document.activeElement.closest('tr')?.dataset.part"))->toBe('disc-100');

    $browser->press('[data-part-of-cost=prices]')->press('[data-offers] tbody tr:first-child .word');
    $browser->until(fn (): bool => count($server->document($id)->prices) === 1, 'for one price less');
});

it('takes a spreadsheet, the same as it was written', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/cost');
    $folder = downloads($browser);
    $browser->press('[data-file=parts-xlsx]');
    $name = glob("$folder/*.xlsx")[0] ?? '';
    $browser->until(function () use ($folder, &$name): bool {
        $name = glob("$folder/*.xlsx")[0] ?? '';

        return $name !== '';
    }, 'for the spreadsheet');
    $browser->press('[data-part-of-cost=prices]');
    $browser->driver->findElement(WebDriverBy::cssSelector('[data-act=price-file]'))->sendKeys($name);
    $browser->see('[data-list]');
    $browser->press('[data-act=take-list]');
    saved($browser);
    $bought = array_filter(Gardens::report(Gardens::of(bucket20()))->parts, fn ($p) => $p->buy !== []);
    $kept = array_map(fn ($o) => $o->part, $server->document($id)->prices);

    expect(array_diff(array_map(fn ($p) => $p->key, $bought), $kept))->toBe([]);
});

it('takes a supplier’s prices when they are wanted, with the parcel', function () {
    [$browser, $server, $id] = bench(marsh(), '/foredeck/cost');
    $browser->press('[data-part-of-cost=prices]')->press('[data-act=refresh-prices]')->see('[data-fresh]');
    expect($server->document($id)->prices)->toBe([]);
    $browser->press('[data-act=take-fresh]');
    saved($browser);
    $document = $server->document($id);

    expect($document->suppliers[0]->name)->toBe('Towpath Supply')->and(count($document->prices))->toBeGreaterThan(5)
        ->and($document->prices[0]->as_of)->toMatch('/^\d{4}-\d{2}-\d{2}$/');
});

it('adds an extra at a press, and leaves it out again', function () {
    [$browser, $server, $id] = bench(bucket20(), '/a/cost');
    fold($browser, 'Extras of Bucket')->press('[data-extra=sight-tube]')->see('[data-part=bulkhead]');
    saved($browser);
    expect($server->document($id)->tubs[0]->extras)->toBe(['sight-tube']);
    $browser->press('[data-extra=sight-tube]');
    $browser->until(
        fn (): bool => $browser->driver->findElements(WebDriverBy::cssSelector('[data-part=bulkhead]')) === [],
        'for the bulkhead to go',
    );
});
