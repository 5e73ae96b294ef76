<?php

declare(strict_types=1);

use App\Exports\BuildPdf;
use App\Exports\Paper;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildReport;
use Symfony\Component\Process\Process;
use Tests\Core\Gardens;

/** What is written on a PDF, as it lies there. */
function wordsOn(string $pdf): string
{
    $text = (new Process(['pdftotext', '-layout', '-', '-']))->setInput($pdf)->mustRun()->getOutput();

    return str_replace("\u{202F}", ' ', $text);
}

function sheetOnPaper(Garden $garden, int $tub = 0): string
{
    $plan = Gardens::plan($garden);
    $report = Gardens::planner()->written($plan, []);

    return wordsOn(BuildPdf::sheet(BuildReport::of($plan, $garden->tubs[$tub], 1), $report->tubs[$tub], $garden, Paper::A4));
}

function demoGarden(): Garden
{
    return Gardens::reader()->read((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
}

it('begins with the tub drawn, its levels and its days', function () {
    $says = sheetOnPaper(demoGarden());

    expect($says)->toContain('rim 300 mm', 'first fill 248 mm', 'water line 228 mm', 'lowest 100 mm', '40.1 L')
        ->toContain('580 mm × 390 mm, your side below')
        ->toMatch('/Drawn at 1 : \d/')
        ->toMatch('/−35 +Sow leaf celery in 4 plugs/')->toMatch('/−12 +Sow mizuna in 5 plugs/')
        ->toMatch('/−21 +Leaf celery: up by now/')
        ->toMatch('/−2 +Fill, and let the water stand/')->toMatch('/−1 +Mix the feed, set the pH/')
        ->toMatch('/\n *0 +Read the pH again; the plants go in/')->toMatch('/\n *45 +First harvest/');
});

it('ends with a card of what a fill takes at each stage', function () {
    $garden = demoGarden();
    $feed = Gardens::report($garden)->tubs[0]->feed;
    $says = (string) preg_replace('/ +/', ' ', sheetOnPaper($garden));

    expect($says)->toContain('Foredeck tote: a fill of it', 'pH 5.8, within 5.8 to 6.5');
    foreach ($feed->stages as $stage) {
        [$a, $b] = $stage->parts;
        expect($says)->toContain(sprintf(
            'From day %d A %s g, B %s g, EC %s',
            $stage->from_day,
            $a->g < 10 ? round($a->g, 2) : round($a->g),
            $b->g < 10 ? round($b->g, 2) : round($b->g),
            round($stage->ec_ms_cm, 1),
        ));
    }
});

it('has where every hole is in a table, and every step and caution once', function (int $tub) {
    $garden = demoGarden();
    $sheet = BuildReport::of(Gardens::plan($garden), $garden->tubs[$tub], 1);
    $says = (string) preg_replace('/\s+/', ' ', sheetOnPaper($garden, $tub));
    foreach ($sheet->steps as $i => $step) {
        expect(substr_count($says, ' '.($i + 1)." $step->title "))->toBe(1, $step->title);
        foreach ($step->figures as $figure) {
            expect($says)->toContain(str_replace("\u{202F}", ' ', $figure->value));
        }
    }
    $cautions = array_unique(array_column(array_merge(...array_column($sheet->steps, 'cautions')), 'says'));
    foreach ($cautions as $caution) {
        expect(substr_count($says, "Caution: $caution"))->toBe(1, $caution);
    }
    expect(count($cautions))->toBeGreaterThan(3);
})->with([0, 1, 2, 4, 5]);

it('fits every kind of tub on paper', function (array $tub) {
    $says = sheetOnPaper(Gardens::tub(['crop' => 'basil', ...$tub]));

    expect($says)->toContain('Drawn at 1 : ', 'Days, counted from planting')->toMatch('/rim \d/')->toMatch('/water line \d/');
})->with([
    'a bucket' => [[]],
    'a jar' => [['system' => 'passive', 'vessel' => 'jar-1']],
    'an adapter' => [['system' => 'passive', 'vessel' => 'jar-2', 'cup' => 'net-cup-50']],
    'a raft' => [['system' => 'raft', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf']],
    'cuttings' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings']],
    'a nursery' => [['system' => 'nursery', 'vessel' => 'tote-12', 'crop' => 'rocket']],
    'a pair' => [['vessel' => 'bucket-19', 'under' => ['vessel' => 'bucket-30', 'blocks_mm' => 80]]],
    'nothing planted' => [['crop' => null]],
    'two sizes of cup' => [['vessel' => 'tote-45', 'crops' => [
        ['crop' => 'mizuna', 'plants' => 4],
        ['crop' => 'kale', 'plants' => 2, 'cup' => 'net-cup-75'],
    ]]],
]);

it('lists parts by kind with packs, units and sums that come to the outlay, and what is had apart', function () {
    $report = Gardens::report(demoGarden());
    $says = wordsOn(BuildPdf::parts($report, 'Marsh Lantern', Paper::A4));
    preg_match_all('/^ ?(?:To build with|Used up|Tools|Extras) +([\d.]+)$/m', $says, $sums);

    expect(array_sum($sums[1]))->toEqualWithDelta($report->budget->outlay - $report->budget->delivery, 0.011)
        ->and($says)->toContain('You have these already')
        ->and(strpos($says, 'Steel rule'))->toBeGreaterThan(strpos($says, 'You have these already'));
    foreach ($report->parts as $part) {
        foreach ($part->buy as $buy) {
            expect($says)->toContain(number_format($buy->price, 2, '.', ''));
        }
    }
    // A pack of 5 m is 5000 mm, not 5.
    $tube = array_column($report->parts, null, 'key')['tube-4-6'];
    expect($says)->toContain("{$tube->buy[0]->count} × {$tube->buy[0]->pack} mm at");
});
