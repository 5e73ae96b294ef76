<?php

declare(strict_types=1);

use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Marks;
use Tests\Core\Corpus;
use Tests\Core\Gardens;
use Tests\Core\PreviewMemory;

// Documents of which something was changed at random: refused with a fault, or planned. Never anything else.

/** @return list<list<string|int>> the way to every value of a document */
function waysIn(mixed $value, array $way = []): array
{
    $ways = $way === [] ? [] : [$way];
    foreach (is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []) as $step => $inner) {
        $ways = [...$ways, ...waysIn($inner, [...$way, $step])];
    }

    return $ways;
}

/** What stands at a place changed to something that may do, by the name of the place. */
function gently(mixed $now, string|int $name): mixed
{
    $pick = static fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
    $library = Gardens::library();
    $words = [
        'system' => ['passive', 'aerated', 'raft', 'cloner', 'nursery'], 'density' => ['tight', 'roomy'],
        'water_line' => ['touch', 'gap', 'high-start', 'drawn-down', 'third'],
        'pattern' => ['best', 'grid', 'staggered', 'ring', 'corners', 'panels', 'spread', 'single'],
        'cups' => ['max', 1, 3, 17, 200], 'top_ups' => ['none', 'level', 'quarter', 'half'], 'units' => ['us', 'metric'],
        'vessel' => $library->vessels->keys(), 'cup' => $library->cups->keys(), 'cups_2' => $library->cups->keys(),
        'crop' => $library->crops->keys(), 'kind' => ['disc-100', 'cylinder-25', 'tote', 'jar', 'bucket'],
        'pump' => $library->pumps->keys(), 'make' => ['ribbed', 'plain', 'thin'], 'load' => ['ground', 'roof'],
    ];

    return match (true) {
        isset($words[$name]) && ! is_object($now) => $pick($words[$name]),
        is_int($now) => $pick([$now * 2, intdiv($now, 2), $now + 1, max(0, $now - 1), $now * 5]),
        is_float($now) => $now * $pick([0.3, 0.9, 1.1, 2.0, 5.0]),
        is_bool($now) => ! $now,
        is_array($now) && $now !== [] => $pick([[...$now, ...$now], array_slice($now, 1), array_reverse($now)]),
        default => $now,
    };
}

/** What stands at a place changed to something that most likely does not do. */
function strangely(mixed $now): mixed
{
    $strange = [
        null, true, '', 'x', '~1/', 0, 1, -1, 0.01, 1.0e-9, 1.0e300, 3000, 3001, 200, 50, 5000, [], new stdClass, [[]], ['x_mm' => 0],
        str_repeat('é', 130), "\u{202E}", '20', 1.0, 0.0, [null], (object) ['key' => 'x'], is_array($now) ? [...$now, null] : $now,
        is_numeric($now) ? -$now : $now,
    ];

    return $strange[mt_rand(0, count($strange) - 1)];
}

it('refuses or plans what was changed at random, and takes no long time over it', function () {
    // KELP_MUTANTS=10000 for many more, KELP_SEED for others.
    mt_srand((int) (getenv('KELP_SEED') ?: 408));
    $gardens = array_values(array_map(static fn ($garden): string => (string) json_encode($garden->document), Corpus::gardens()));
    [$refused, $planned, $slowest, $slow] = [0, 0, 0.0, ''];
    for ($i = 0, $mutants = (int) (getenv('KELP_MUTANTS') ?: 1200); $i < $mutants; $i++) {
        $document = json_decode($gardens[mt_rand(0, count($gardens) - 1)]);
        for ($n = mt_rand(1, 3); $n > 0; $n--) {
            $ways = waysIn($document);
            if ($ways === []) {
                break;
            }
            $way = $ways[mt_rand(0, count($ways) - 1)];
            $last = array_pop($way);
            $at = &$document;
            foreach ($way as $step) {
                if (is_object($at)) {
                    $at = &$at->{$step};
                } else {
                    $at = &$at[$step];
                }
            }
            if (is_object($at)) {
                if (mt_rand(0, 12) === 0) {
                    unset($at->{$last});
                } else {
                    $at->{$last} = mt_rand(0, 4) === 0 ? strangely($at->{$last}) : gently($at->{$last}, $last);
                }
            } elseif (is_array($at)) {
                $at[$last] = mt_rand(0, 2) === 0 ? strangely($at[$last]) : gently($at[$last], $last);
            }
            unset($at);
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
