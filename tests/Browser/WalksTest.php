<?php

declare(strict_types=1);

use Facebook\WebDriver\WebDriverBy;
use Symfony\Component\Process\Process;
use Tests\Browser\Browser;
use Tests\Browser\Server;

// Whole walks of a grower, from an empty garden to what they came for, with the presses and fields that it may take at the most. Others:
// jars, raft, cloner, keys alone (BuildsTest), phone and steps (BuildTest, FirstHourTest), price lists (BuildTest).

afterEach(function () {
    expect(Browser::shared()->complaints())->toBe([]);
});

/** Takes both printed sheets, the build's and the parts', and gives their text. */
function bothSheets(Browser $browser, int $most): array
{
    $folder = downloads($browser);
    mark($browser, 'build')->press('[data-file=sheet-pdf]');
    $sheet = $browser->until(fn (): string|false => glob("$folder/*-build-*.pdf")[0] ?? false, 'for the build sheet');
    downloaded($browser, $sheet);
    mark($browser, 'cost')->press('[data-file=parts-pdf]');
    $parts = $browser->until(fn (): string|false => glob("$folder/*-parts*.pdf")[0] ?? false, 'for the parts list');
    downloaded($browser, $parts);
    expect($browser->acts)->toBeLessThanOrEqual($most);
    $text = fn (string $file): string => (new Process(['pdftotext', '-layout', $file, '-']))->mustRun()->getOutput();

    return [$text($sheet), $text($parts)];
}

it('goes from nothing to both printed sheets of a bucket with one chilli in ten', function () {
    $browser = emptyGarden('A chilli')->press('[data-act=open-add]');
    $browser->choose('Crop', 'Chilli pepper')->press('[data-act=add-tub]');
    [$build, $parts] = bothSheets($browser, 10);

    // From the packet of seed to the plant in it: when to sow, what to buy, how much to pour.
    expect($build)->toContain('Sow the seeds')->toContain('42 days before the plants go in')->toContain('Set the plants in')
        ->and($parts)->toContain('Chilli pepper seed')->toContain('20 L bucket');
});

it('goes from a wish for salad on the first page to both printed sheets in eight', function () {
    $server = Server::shared();
    $browser = Browser::shared()->size(1280, 800)->open("$server->url/");
    $browser->script('localStorage.removeItem("kelp-wish")');
    $browser->acts = 0;
    $browser->press('main [data-act=wish]')->press('[data-pick=leaf]')->press('[data-act=take]')->see('.cards');
    $browser->press(WebDriverBy::cssSelector('[data-card] h2 button'));
    [$build, $parts] = bothSheets($browser, 8);

    expect($build)->toContain('Sow the seeds')->and($parts)->toContain('Leaf lettuce seed');
});

it('goes from nothing to both printed sheets of a tote measured by tape in twenty-four', function () {
    $browser = emptyGarden('A tote')->press('[data-act=open-add]')->press(Browser::text('By tape', 'button'));
    $browser->press(Browser::text('Box', 'button'));
    foreach (['Rim, length' => '560', 'Rim, width' => '370', 'Floor, length' => '500', 'Floor, width' => '320'] as $field => $mm) {
        $browser->write(Browser::field($field), $mm);
    }
    $browser->write(Browser::field('Depth, inside'), '30 cm')->write(Browser::field('Sold as'), '45 L');
    $browser->choose('Crop', 'Mizuna')->press('[data-act=add-tub]')->see(WebDriverBy::xpath("//h1[.='Tub']"));
    [$build, $parts] = bothSheets($browser, 24);

    expect($build)->toMatch('/Mizuna/')->and($parts)->toContain('Mizuna seed')->toContain('Measured box');
});

it('raises in a nursery what a tote takes, in eighteen', function () {
    $browser = emptyGarden('Seed to tote')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'))
        ->press('[data-vessel=tote-45]');
    $browser->choose('Crop', 'Leaf lettuce')->press('[data-act=add-tub]');
    mark($browser, 'crop')->press(Browser::text('Nursery', 'button'))->see('[data-code="nursery.none"]');
    $browser->press('button.bench')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'))
        ->press('[data-vessel=tote-30]');
    $browser->press(Browser::text('Nursery', 'button'))->choose('Crop', 'Leaf lettuce')->press('[data-act=add-tub]');
    $acts = $browser->acts;
    mark($browser, 'crop');
    $browser->waitForText('Handed over');
    $report = reported($browser, Server::shared());

    expect($acts)->toBeLessThanOrEqual(18)
        ->and(array_column($report->raised, 'for'))->toBe([[$report->tubs[0]->id]])
        ->and(array_column($report->findings, 'code'))->not->toContain('nursery.none')
        ->and(figure($browser, 'Handed over'))->toBe('day '.$report->raised[0]->hand_over_day);
});

it('keeps a tote under sixty with what is there already, in sixteen', function () {
    $browser = emptyGarden('Under sixty')->press('[data-act=open-add]')->press(Browser::text('Totes', 'button'))
        ->press('[data-vessel=tote-45]');
    $browser->choose('Crop', 'Leaf lettuce')->press('[data-act=add-tub]');
    mark($browser, 'cost')->write('#cap', '60');
    foreach (['tote-45', 'drill', 'saw-51'] as $part) {
        $browser->press("[data-part=$part] .tick input");
    }
    $report = reported($browser, Server::shared());
    if ($report->budget->over_cap > 0.0) {
        $browser->press('[data-part-of-cost=ways]')->press('[data-act=apply-set]');
        $report = reported($browser, Server::shared());
    }

    expect($report->budget->outlay)->toBeLessThanOrEqual(60.0)->toBeGreaterThan(20.0)
        ->and(array_filter($report->findings, fn ($f) => $f->severity === 'stop'))->toBe([])
        ->and($browser->acts)->toBeLessThanOrEqual(16);
});

it('leaves for nine days in July, and knows what to do the evening before, in six', function () {
    $garden = bucket20(
        ['crop' => 'kale', 'layout' => ['cups' => 1], 'feed' => 'f', 'vessel' => 'bucket-30'],
        [
            'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
            'site' => ['weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'start' => '2027-05-20']],
        ],
    );
    [$browser] = bench($garden, '/a/tub');
    $browser->acts = 0;
    mark($browser, 'feed')->press('[data-act=going-away]')->see('[data-leave]');
    $browser->script("const f = document.querySelector('[data-away=from]'); f.value = '2027-07-10'; f.dispatchEvent(new Event('change'))");
    $browser->acts++;
    $says = fn (): string => $browser->see('[data-leave]')->getText();
    $browser->until(fn (): bool => str_contains($says(), 'Back on 19 July'), 'for nine days in July');

    expect($says())->toContain('The evening of 9 July')->toContain('That keeps')
        ->and($browser->acts)->toBeLessThanOrEqual(6);
});

it('shows US growers inches, gallons and ounces at every mark, undoes at each and does it again', function () {
    [$browser, $server, $id] = bench(bucket20(['vessel' => 'bucket-19', 'feed' => 'f'], [
        'units' => 'us', 'feeds' => [['id' => 'f', 'product' => 'one-part-liquid']],
    ]), '/a/tub');
    $kept = fn (): string => (string) json_encode($server->document($id));
    $edits = [
        'tub' => fn () => $browser->write(Browser::field('How many alike'), '2'),
        'crop' => fn () => $browser->choose('Crop', 'Kale'),
        'lid' => fn () => $browser->press(Browser::text('A knife', 'button')),
        'air' => fn () => $browser->press(Browser::text('At a height', 'button')),
        'feed' => fn () => $browser->choose('Change the water', 'Never'),
        'cost' => fn () => $browser->write('#cap', '90'),
        'build' => fn () => $browser->press('[data-act=done-next]'),
    ];
    foreach ($edits as $at => $edit) {
        mark($browser, $at);
        $text = (string) preg_replace('/\s+/u', ' ', $browser->see('main, .mark')->getText());
        // Liquid feed is measured in millilitres there too, with teaspoons beside it.
        preg_match_all('/.{0,40}\d (?:L|cm|m|kg|°C)\b(?!\/min).{0,20}/u', $text, $metric);
        expect($metric[0])->toBe([], $at);
        $before = $kept();
        $edit();
        saved($browser);
        $after = $kept();
        expect($after)->not->toBe($before, $at);
        $browser->press(Browser::text('Undo', 'button'));
        $browser->until(fn (): bool => $kept() === $before, "to undo at $at");
        $browser->press(Browser::text('Redo', 'button'));
        $browser->until(fn (): bool => $kept() === $after, "to do it again at $at");
        $browser->press(Browser::text('Undo', 'button'));
        $browser->until(fn (): bool => $kept() === $before, "to undo it once more at $at");
    }
    // A new garden begins in the units of the one before it: those after this are to begin in millimetres.
    $browser->press(Browser::text('mm', 'button'));
    saved($browser);
});
