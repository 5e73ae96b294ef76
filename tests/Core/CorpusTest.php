<?php

declare(strict_types=1);

use Tests\Core\Corpus;
use Tests\Core\Gardens;

it('reports every garden of the corpus as it did', function () {
    $marks = $whole = [];
    $kept = Corpus::kept();
    foreach (Corpus::gardens() as $name => $garden) {
        $report = Gardens::report($garden);
        $marks[$name] = Corpus::marks($report);
        $whole[$name] = Corpus::plain($report, 17);
        if (getenv('KELP_CORPUS') === 'first') {
            expect($marks[$name])->toBe($kept[$name]);
        }
    }
    if (getenv('KELP_CORPUS') === 'write') {
        Corpus::keep($marks);
        $kept = Corpus::kept();
    }
    if (($dump = getenv('KELP_CORPUS_DUMP')) !== false) {
        file_put_contents($dump, json_encode($whole, JSON_PRETTY_PRINT));
    }
    $changed = [];
    foreach ($marks as $name => $parts) {
        foreach ([...$parts, ...($kept[$name] ?? [])] as $part => $_) {
            if (($parts[$part] ?? null) !== ($kept[$name][$part] ?? null)) {
                $changed[] = "$name: $part";
            }
        }
    }

    expect($changed)->toBe([])->and(array_keys($kept))->toBe(array_keys($marks))->and(count($marks))->toBeGreaterThanOrEqual(60);
});

it('sees a figure that changed in its thirteenth digit, and none in a change of order', function () {
    $report = Gardens::report(Gardens::tub(['crop' => 'kale']));
    $before = Corpus::marks($report);
    $report->tubs[0]->volume = (object) array_reverse(get_object_vars($report->tubs[0]->volume));
    expect(Corpus::marks($report))->toBe($before);

    $report->tubs[0]->volume->working_l *= 1 + 1.0e-12;
    expect(array_keys(array_diff_assoc(Corpus::marks($report), $before)))->toBe(['tubs.volume']);
});
