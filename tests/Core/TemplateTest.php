<?php

declare(strict_types=1);

use App\Exports\DxfTemplate;
use App\Exports\FileNames;
use App\Exports\Paper;
use App\Exports\PartsCsv;
use App\Exports\PdfTemplate;
use App\Exports\SvgTemplate;
use App\Exports\TooManySheets;
use KelpTub\Core\Build\Sheet;
use KelpTub\Core\Build\Step;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Marks\Build\BuildSheet;
use KelpTub\Core\Marks\Build\Templates;
use Symfony\Component\Process\Process;
use Tests\Core\Gardens;

/** @return array<string, Sheet> */
function sheetsOf(Garden $garden): array
{
    return (new Templates(Gardens::fed($garden), $garden))->all();
}

/** Groups of a DXF as a program reads them: the members of each entity by their codes. */
function entities(string $dxf): array
{
    $lines = explode("\r\n", $dxf);
    $entities = [];
    for ($i = 0; $i + 1 < count($lines); $i += 2) {
        [$code, $value] = [(int) $lines[$i], $lines[$i + 1]];
        if ($code === 0) {
            $entities[] = ['type' => $value];
        } else {
            $entities[count($entities) - 1][$code] = $value;
        }
    }

    return $entities;
}

/** @return list<array{float, float, float}> x, y, diameter, in order */
function inOrder(array $circles): array
{
    usort($circles, fn ($a, $b) => [round($a[0], 4), round($a[1], 4)] <=> [round($b[0], 4), round($b[1], 4)]);

    return $circles;
}

/** Columns and rows in which a page of a PDF is dark, from its raster at 300 dpi. */
function raster(string $pdf, int $page): array
{
    $file = tempnam(sys_get_temp_dir(), 'kelp-pdf');
    file_put_contents($file, $pdf);
    $run = new Process(['pdftoppm', '-r', '300', '-gray', '-f', (string) $page, '-l', (string) $page, $file]);
    $run->mustRun();
    unlink($file);
    preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s/', $out = $run->getOutput(), $m);

    return [(int) $m[1], (int) $m[2], substr($out, strlen($m[0]))];
}

/** Middles of the dark runs along a row or a column of a page, mm from its left or top. */
function darkAt(array $raster, bool $row, float $at, float $from, float $to): array
{
    [$width, , $pixels] = $raster;
    $dots = 300 / 25.4;
    $runs = [];
    $start = null;
    for ($k = (int) round($from * $dots); $k <= (int) round($to * $dots); $k++) {
        $index = $row ? (int) round($at * $dots) * $width + $k : $k * $width + (int) round($at * $dots);
        $dark = ord($pixels[$index]) < 128;
        if ($dark && $start === null) {
            $start = $k;
        }
        if (! $dark && $start !== null) {
            $runs[] = ($start + $k - 1) / 2 / $dots;
            $start = null;
        }
    }

    return $runs;
}

dataset('lids', [
    'a tote' => [['vessel' => 'tote-45', 'crop' => 'mizuna'], 'lid'],
    'a round lid' => [['vessel' => 'tub-70-round', 'crop' => 'chard'], 'lid'],
    'one in the middle' => [['crop' => 'tomato-vine', 'layout' => ['pattern' => 'single', 'cups' => 1]], 'lid'],
    'two sizes' => [['vessel' => 'tote-90', 'crop' => 'kale', 'cups_2' => 'net-cup-75'], 'lid'],
    'an adapter' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50'], 'adapter'],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf'], 'raft'],
]);

it('has every hole where the report has it, in DXF and in SVG', function (array $tub, string $what) {
    $garden = Gardens::tub($tub);
    $report = Gardens::report($garden)->tubs[0];
    $sizes = [$report->hole->diameter_mm, $report->hole_2->diameter_mm ?? null];
    $holes = inOrder(array_map(fn ($h) => [$h->x_mm, $h->y_mm, $sizes[$h->cup - 1]], $report->layout->holes));
    $sheet = sheetsOf($garden)[$what];
    $dxf = inOrder(array_map(fn ($e) => [(float) $e[10], (float) $e[20], 2 * $e[40]], array_filter(
        entities(DxfTemplate::of([$sheet])),
        fn ($e) => $e['type'] === 'CIRCLE' && $e[8] === 'HOLES',
    )));
    $svg = simplexml_load_string(SvgTemplate::of([$sheet]));
    $svg->registerXPathNamespace('s', 'http://www.w3.org/2000/svg');
    $circles = inOrder(array_map(
        fn ($c) => [(float) $c['cx'], -(float) $c['cy'], 2 * (float) $c['r']],
        $svg->xpath('//s:g[@class="holes"]/s:circle'),
    ));

    expect(count($holes))->toBeGreaterThan(0)->and(count($dxf))->toBe(count($holes))->and(count($circles))->toBe(count($holes));
    foreach ($holes as $i => $hole) {
        foreach ([0, 1, 2] as $k) {
            expect($dxf[$i][$k])->toEqualWithDelta($hole[$k], 1e-6)->and($circles[$i][$k])->toEqualWithDelta($hole[$k], 1e-6);
        }
    }
})->with('lids');

it('draws the outline closed, its corners as arcs', function () {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']);
    $lid = Gardens::tubPlan($garden)->cutting->lid->outline;
    $outline = array_filter(
        entities(DxfTemplate::of([sheetsOf($garden)['lid']])),
        fn ($e) => ($e[8] ?? '') === 'OUTLINE' && ($e[6] ?? '') === 'CONTINUOUS' && in_array($e['type'], ['LINE', 'ARC'], true),
    );
    $ends = [];
    foreach ($outline as $e) {
        if ($e['type'] === 'LINE') {
            array_push($ends, [(float) $e[10], (float) $e[20]], [(float) $e[11], (float) $e[21]]);
        } else {
            foreach ([50, 51] as $code) {
                $a = deg2rad((float) $e[$code]);
                $ends[] = [$e[10] + $e[40] * cos($a), $e[20] + $e[40] * sin($a)];
            }
        }
    }
    $met = array_count_values(array_map(fn ($p) => round($p[0], 3) + 0.0.' '.(round($p[1], 3) + 0.0), $ends));

    expect(array_unique(array_values($met)))->toBe([2])
        ->and(max(array_column($ends, 0)))->toEqualWithDelta($lid->length / 2, 1e-6)
        ->and(max(array_column($ends, 1)))->toEqualWithDelta($lid->width / 2, 1e-6);
});

it('is a millimetre to a unit in SVG', function () {
    $svg = simplexml_load_string(SvgTemplate::of([sheetsOf(Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']))['lid']]));
    [, , $width, $height] = array_map(floatval(...), explode(' ', (string) $svg['viewBox']));

    expect((string) $svg['width'])->toBe($width.'mm')->and((string) $svg['height'])->toBe($height.'mm');
});

it('prints true to size: check bars and two holes measured on the page', function (Paper $paper) {
    $garden = Gardens::tub(['vessel' => 'tote-12', 'crop' => 'rocket', 'layout' => ['pattern' => 'grid', 'cups' => 4]]);
    $sheet = sheetsOf($garden)['lid'];
    $page = raster(PdfTemplate::of([$sheet], $paper), 1);
    [$width, $height] = $paper->size();
    $foot = ($page[1] / 300 * 25.4 > $page[0] / 300 * 25.4 ? $height : $width) - 30.0;

    foreach ([[12.0, 100.0], [18.0, 101.6]] as [$down, $length]) {
        // The ends of the bar, crossed just over it.
        $ends = darkAt($page, true, $foot + $down - 1.0, 8.0, 130.0);
        expect($ends[1] - $ends[0])->toEqualWithDelta($length, 0.2);
    }
})->with([Paper::A4, Paper::Letter]);

it('prints holes as far apart as they are, and as wide', function () {
    // One small disc on one page: its edges, and its hole's, along a row.
    $garden = Gardens::tub(['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50']);
    $sheet = sheetsOf($garden)['adapter'];
    $page = raster(PdfTemplate::of([$sheet], Paper::A4), 1);
    $hole = Gardens::report($garden)->tubs[0]->hole->diameter_mm;
    $lid = Gardens::tubPlan($garden)->cutting->lid->outline->length;
    // The sheet is in the middle of what can be drawn on; a little over the centre's cross.
    $middle = [105.0, 16.0 + (297.0 - 46.0) / 2];
    $over = 30.0;
    $half = fn (float $d): float => sqrt(($d / 2) ** 2 - $over ** 2);
    $runs = darkAt($page, true, $middle[1] - $over, 5.0, 205.0);

    expect(end($runs) - $runs[0])->toEqualWithDelta(2 * $half($lid), 0.25);
    $across = darkAt($page, true, $middle[1] + 12.0, $middle[0] - $hole / 2 - 3, $middle[0] + $hole / 2 + 3);
    expect(end($across) - $across[0])->toEqualWithDelta(2 * sqrt(($hole / 2) ** 2 - 12.0 ** 2), 0.25);
});

it('tiles a lid so that its pages, laid mark on mark, are one lid', function () {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'crop' => 'mizuna']);
    $sheet = sheetsOf($garden)['lid'];
    $pdf = PdfTemplate::of([$sheet], Paper::A4);
    preg_match_all('/\/Type \/Page\b/', $pdf, $pages);
    $info = new Process(['pdftotext', '-layout', '-', '-']);
    $info->setInput($pdf)->mustRun();
    $joins = array_count_values(array_filter(preg_split('/\s+/', $info->getOutput()), fn ($w) => preg_match('/^[A-Z]{1,2}$/', $w)));

    // Each mark is on two pages, of both sides of its overlap.
    expect(count($pages[0]))->toBeGreaterThan(1)->and(array_unique(array_values($joins)))->toBe([2])
        ->and($info->getOutput())->toContain('Print at 100 %', 'page 1 of '.count($pages[0]));
});

it('refuses a lid of more than forty sheets by its size', function () {
    $sheet = new Sheet('lid', 'Barn door: Lid from above', new Point(-1400, -1400), new Point(1400, 1400));

    expect(fn () => PdfTemplate::of([$sheet], Paper::A4))
        ->toThrow(TooManySheets::class, 'Barn door: Lid from above is 2800 by 2800 mm and would take 192 sheets of paper; 40 is the most.');
});

it('gives the same bytes each time, all faces embedded', function () {
    $sheets = array_values(sheetsOf(Gardens::tub(['vessel' => 'tote-12', 'crop' => 'rocket'])));
    $fonts = new Process(['pdffonts', '-']);
    $fonts->setInput($pdf = PdfTemplate::of($sheets, Paper::A4))->mustRun();

    expect(PdfTemplate::of($sheets, Paper::A4))->toBe($pdf)
        ->and(preg_match_all('/ (yes|no) (yes|no) (yes|no) +\d/', $fonts->getOutput(), $m))->toBeGreaterThan(0)
        ->and(array_unique($m[1]))->toBe(['yes']);
});

it('reads litres off a stick as the vessel holds them, and marks the line', function () {
    $garden = Gardens::tub(['crop' => 'basil']);
    $reservoir = Gardens::tubPlan($garden)->water->reservoir;
    $texts = array_column(array_filter(entities(DxfTemplate::of([sheetsOf($garden)['gauge']])), fn ($e) => $e['type'] === 'TEXT'), 1);

    expect($texts)->toContain(number_format($reservoir->litresAt(100.0), 1, '.', ''))
        ->toContain(number_format($reservoir->litresAt(127.0) / 3.785411784, 1, '.', ''))
        ->toContain('water line');
});

it('reads small vessels in millilitres, and in quarts or fluid ounces, with no figure twice', function (
    string $vessel,
    string $metric,
    string $us,
) {
    $sheet = sheetsOf(Gardens::tub(['system' => 'passive', 'vessel' => $vessel, 'crop' => 'lettuce-leaf']))['gauge'];
    $texts = array_column(array_filter(entities(DxfTemplate::of([$sheet])), fn ($e) => $e['type'] === 'TEXT'), 1);
    $figures = array_values(array_filter($texts, is_numeric(...)));

    expect($texts)->toContain($metric, $us);
    // Upward on one side, then upward on the other.
    $rises = array_map(fn (int $i): bool => (float) $figures[$i] > (float) $figures[$i - 1], range(1, count($figures) - 1));
    expect(count(array_filter($rises, fn (bool $rise): bool => ! $rise)))->toBe(1);
})->with([['jar-quart', 'mL', 'fl oz'], ['jar-4', 'L', 'qt'], ['bucket-20', 'L', 'US gal']]);

it('draws the tube hole in an adapter disc, and the refill hole in a board, clear of the cups and inside the edge', function (
    array $tub,
    string $what,
    float $hole,
) {
    $garden = Gardens::tub(['crop' => 'basil', ...$tub]);
    $plan = Gardens::tubPlan($garden);
    $circles = array_filter(entities(DxfTemplate::of([sheetsOf($garden)[$what]])), fn ($e) => $e['type'] === 'CIRCLE');
    $of = fn (string $layer): array => array_values(array_filter($circles, fn ($e): bool => $e[8] === $layer));
    [$it] = array_map(fn (array $e): array => array_map(floatval(...), array_diff_key($e, ['type' => 1, 8 => 1])), $of('TUBE'));

    expect($of('TUBE'))->toHaveCount(1)->and(2 * (float) $it[40])->toEqualWithDelta($hole, 1e-6);
    foreach ($of('HOLES') as $cup) {
        expect(hypot($it[10] - $cup[10], $it[20] - $cup[20]))->toBeGreaterThan($it[40] + $cup[40]);
    }
    $edge = $plan->cutting->lid->outline;
    $left = $edge->round
        ? $edge->length / 2 - hypot($it[10], $it[20])
        : min($edge->length / 2 - abs($it[10]), $edge->width / 2 - abs($it[20]));
    expect($left)->toBeGreaterThan((float) $it[40]);
})->with([
    'adapter' => [['vessel' => 'jar-2', 'cup' => 'net-cup-75', 'stones' => ['kind' => 'cylinder-25']], 'adapter', 7.0],
    'board' => [['system' => 'raft', 'vessel' => 'tote-45', 'layout' => ['cups' => 6]], 'raft', 30.0],
    'round board' => [['system' => 'raft', 'vessel' => 'tub-70-round', 'layout' => ['cups' => 4]], 'raft', 30.0],
]);

it('cuts an adapter or a board with its knife, unless the saw is there', function (array $tub, array $saws, bool $knifed) {
    $garden = Gardens::tub(['crop' => 'basil', ...$tub], ['saws_mm' => $saws]);
    $parts = array_keys(array_column(Gardens::report($garden)->parts, 'need', 'key'));
    $steps = array_map(fn (Step $step): string => $step->key, BuildSheet::of(Gardens::plan($garden), $garden->tubs[0])->steps);
    $saw = 'saw-'.round(Gardens::tubPlan($garden)->cutting->seat->hole);

    expect(in_array('knife', $parts, true))->toBeTrue()
        ->and(in_array($saw, $parts, true))->toBe(! $knifed)
        ->and(in_array('cut', $steps, true))->toBe($knifed)->and(in_array('saw', $steps, true))->toBe(! $knifed);
})->with([
    'disc' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-75'], [], true],
    'board' => [['system' => 'raft', 'vessel' => 'tote-45', 'cup' => 'net-cup-50'], [], true],
    'board, saw there' => [['system' => 'raft', 'vessel' => 'tote-45', 'cup' => 'net-cup-50'], [54], false],
]);

it('measures each mark up the wall that it stands on', function () {
    // Ends lean by 30 mm in 300, front and back by 10.
    $garden = Gardens::tub(['vessel' => ['floor_mm' => 2, 'stations' => [
        ['height_mm' => 0, 'length_mm' => 340, 'width_mm' => 300], ['height_mm' => 300, 'length_mm' => 400, 'width_mm' => 320],
    ]], 'crop' => 'basil', 'stones' => ['kind' => 'disc-100'], 'tube_entry' => 'side']);
    $templates = new Templates(Gardens::fed($garden), $garden);
    $heights = $templates->heights();

    expect($templates->along('tube hole', 275.0))->toEqualWithDelta(2 + 275 * hypot(300, 30) / 300, 1e-9)
        ->and($templates->along('water line', 200.0))->toEqualWithDelta(2 + 200 * hypot(300, 10) / 300, 1e-9)
        ->and(array_keys($heights))->toContain('tube hole', 'water line');
});

it('measures a wall along its slant, not upright', function () {
    // A pail that widens from 200 to 260 mm over 300: each side goes out 30, so the wall is √(300² + 30²) long; its floor 2 mm thick.
    $garden = Gardens::tub(['vessel' => [
        'floor_mm' => 2, 'stations' => [['height_mm' => 0, 'diameter_mm' => 200], ['height_mm' => 300, 'diameter_mm' => 260]],
    ]]);
    $templates = new Templates(Gardens::fed($garden), $garden);

    expect($templates->slant(300.0))->toEqualWithDelta(2 + sqrt(300 ** 2 + 30 ** 2), 1e-9)
        ->and($templates->slant(150.0))->toEqualWithDelta(2 + sqrt(150 ** 2 + 15 ** 2), 1e-9)
        ->and($templates->slant(0.0))->toBe(2.0);
});

it('wraps a round lid’s angles round its girth', function () {
    $garden = Gardens::tub(['vessel' => 'tub-70-round', 'crop' => 'chard', 'layout' => ['pattern' => 'ring', 'cups' => 6]]);
    $lid = Gardens::tubPlan($garden)->cutting->lid->outline->length;
    $marks = array_column(
        array_filter(entities(DxfTemplate::of([sheetsOf($garden)['wrap']])), fn ($e) => $e['type'] === 'LINE' && $e[8] === 'CENTRES'),
        10,
    );
    sort($marks, SORT_NUMERIC);
    $holes = array_filter(Gardens::report($garden)->tubs[0]->layout->holes, fn ($h) => hypot($h->x_mm, $h->y_mm) > 1);

    expect($marks)->toHaveCount(count($holes));
    foreach ($holes as $hole) {
        $at = M_PI * $lid * $hole->angle_deg / 360;
        expect(min(array_map(fn ($m) => abs($m - $at), $marks)))->toBeLessThan(1e-6);
    }
});

it('puts a tube through the lid clear of every hole', function (array $tub) {
    $garden = Gardens::tub(['tube_entry' => 'lid', ...$tub]);
    $fed = Gardens::fed($garden);
    $plan = $fed->tub;
    $templates = new Templates($fed, $garden);
    $tube = $templates->tube();
    $mouth = $plan->tub->body->vessel->profile->mouth();

    foreach ($plan->holes->arrangement->points as $hole) {
        expect($tube->distanceTo($hole))->toBeGreaterThan(($plan->cutting->seat->hole + $templates->tubeHole()) / 2 + 3.0);
    }
    expect(abs($tube->x))->toBeLessThan($mouth->length / 2)->and(abs($tube->y))->toBeLessThan($mouth->width / 2);
})->with([[['vessel' => 'tote-45', 'crop' => 'mizuna']], [['vessel' => 'tub-70-round', 'crop' => 'chard']], [['crop' => 'basil']]]);

it('names files safely, whatever a tub is called', function (array $words, string $name) {
    expect(FileNames::of($words, 'pdf'))->toBe($name);
})->with([
    [['Foredeck tote', 'lid', 'a4'], 'foredeck-tote-lid-a4.pdf'],
    [['../../etc/passwd', 'lid'], 'etc-passwd-lid.pdf'],
    [['Übertopf №5', 'wall'], 'ubertopf-5-wall.pdf'],
    [['CON'], 'tub-con.pdf'],
    [['***'], 'tub.pdf'],
    [[str_repeat('long ', 40)], substr(str_repeat('long-', 40), 0, 59).'.pdf'],
]);

it('keeps a spreadsheet from taking names for formulas', function () {
    $garden = Gardens::tub(['crop' => 'basil'], [
        'tubs' => [['id' => 'tub', 'name' => '=SUM(A1)', 'system' => 'passive', 'vessel' => [
            'name' => '=HYPERLINK("x")', 'stations' => [
                ['height_mm' => 0, 'diameter_mm' => 200],
                ['height_mm' => 300, 'diameter_mm' => 260],
            ],
        ]]],
        'air' => [],
    ]);
    $rows = array_map(
        fn ($line) => str_getcsv($line, escape: ''),
        explode("\r\n", trim(substr(PartsCsv::of(Gardens::report($garden)), 3))),
    );

    expect(array_column($rows, 1))->toContain('\'=HYPERLINK("x")')
        ->and(array_filter(array_merge(...$rows), fn ($cell) => preg_match('/^[=+\-@]/', $cell)))->toBe([])
        ->and(array_values(array_unique(array_column($rows, 0))))->toBe(['part', ...array_column(Gardens::report($garden)->parts, 'key')]);
});

it('cuts collars for cuttings as wide as their cups, slit to the middle', function () {
    $cloner = fn (bool $collar): Garden => Gardens::tub([
        'system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings', 'cup' => 'net-cup-50', 'cloner' => ['collar' => $collar],
    ]);
    $entities = entities(DxfTemplate::of([sheetsOf($cloner(true))['collar']]));
    $circles = array_values(array_filter($entities, fn ($e) => $e['type'] === 'CIRCLE'));
    $slit = array_values(array_filter($entities, fn ($e) => $e['type'] === 'LINE' && $e[8] === 'HOLES'));

    expect($circles)->toHaveCount(1)->and(2 * (float) $circles[0][40])->toEqualWithDelta(50.0, 1e-6)
        ->and($slit)->toHaveCount(1)
        ->and([(float) $slit[0][10], (float) $slit[0][20], (float) $slit[0][11], (float) $slit[0][21]])->toEqual([0.0, 0.0, 25.0, 0.0])
        ->and(sheetsOf($cloner(false)))->not->toHaveKey('collar');
});
