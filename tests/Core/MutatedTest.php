<?php

declare(strict_types=1);

use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Marks;
use Tests\Core\Changes;
use Tests\Core\Corpus;
use Tests\Core\Gardens;
use Tests\Core\PreviewMemory;

// Documents of which something was changed at random: refused with a fault, or planned. Never anything else.

it('refuses or plans what was changed at random, and takes no long time over it', function () {
    // KELP_MUTANTS=10000 for many more, KELP_SEED for others.
    mt_srand((int) (getenv('KELP_SEED') ?: 408));
    $gardens = array_values(array_map(static fn ($garden): string => (string) json_encode($garden->document), Corpus::gardens()));
    [$refused, $planned, $slowest, $slow] = [0, 0, 0.0, ''];
    for ($i = 0, $mutants = (int) (getenv('KELP_MUTANTS') ?: 1200); $i < $mutants; $i++) {
        $document = json_decode($gardens[mt_rand(0, count($gardens) - 1)]);
        for ($n = mt_rand(1, 3); $n > 0; $n--) {
            Changes::one($document, static fn (mixed $now, string|int $name): mixed => mt_rand(0, 3) === 0
                ? Changes::strangely($now)
                : Changes::gently($now, $name), dropsOneIn: 13);
        }
        $json = (string) json_encode($document, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        $start = hrtime(true);
        try {
            $planner = new Planner(Marks::all(), Gardens::library(), new PreviewMemory);
            $report = json_encode($planner->report(Gardens::reader()->read($json)), JSON_THROW_ON_ERROR);
            expect($report)->not->toBe('');
            $planned++;
        } catch (RefusedGarden $fault) {
            expect($fault->faults)->not->toBe([]);
            $refused++;
        } catch (Throwable $other) {
            throw new RuntimeException($other::class.": {$other->getMessage()} at {$other->getFile()}:{$other->getLine()} for $json");
        }
        $time = (hrtime(true) - $start) / 1e6;
        [$slowest, $slow] = $time > $slowest ? [$time, $json] : [$slowest, $slow];
    }
    if (getenv('KELP_MUTANTS') !== false) {
        fwrite(STDERR, sprintf("%d refused, %d planned, slowest %.0f ms: %s\n", $refused, $planned, $slowest, substr($slow, 0, 3000)));
    }

    expect($refused)->toBeGreaterThan($mutants / 5)->and($planned)->toBeGreaterThan($mutants / 5);
});
