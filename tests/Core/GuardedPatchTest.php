<?php

declare(strict_types=1);

use KelpTub\Core\File\GuardedPatch;
use KelpTub\Core\WhatIf\Savings;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Core\Corpus;
use Tests\Core\Gardens;

// A patch that leaves the core says what it is meant for.

/** @param  list<array<string, mixed>>  $patch */
function guarded(array $document, array $patch): array
{
    $read = static fn (array $of): stdClass => json_decode((string) json_encode((object) $of));

    return array_map(
        static fn (stdClass $o): string => "$o->op $o->path".(property_exists($o, 'value') ? ' '.json_encode($o->value) : ''),
        GuardedPatch::of($read(['format' => 'f', ...$document]), array_map($read, $patch)),
    );
}

it('tests the names on the way and the value that is replaced', function () {
    $garden = ['tubs' => [['id' => 'a'], ['id' => 'b', 'cover' => 'paint', 'stones' => ['count' => 2]]]];

    expect(guarded($garden, [['op' => 'add', 'path' => '/tubs/1/cover', 'value' => 'foil']]))
        ->toBe(['test /tubs/1/id "b"', 'test /tubs/1/cover "paint"', 'add /tubs/1/cover "foil"'])
        // What was not there has no test of its own place.
        ->and(guarded($garden, [['op' => 'add', 'path' => '/tubs/0/cover', 'value' => 'foil']]))
        ->toBe(['test /tubs/0/id "a"', 'add /tubs/0/cover "foil"'])
        ->and(guarded($garden, [['op' => 'remove', 'path' => '/tubs/1/stones/count']]))
        ->toBe(['test /tubs/1/id "b"', 'test /tubs/1/stones/count 2', 'remove /tubs/1/stones/count'])
        ->and(guarded($garden, [['op' => 'add', 'path' => '/air', 'value' => []]]))->toBe(['test /format "f"', 'add /air []'])
        ->and(guarded($garden, []))->toBe([]);
});

it('knows lines by their tub, builds by tub and copy, and holds what has no name whole', function () {
    $garden = [
        'air' => [['id' => 'p', 'branches' => [['tub' => 'a'], ['tub' => 'b', 'valve' => 1]]]],
        'builds' => [['tub' => 'a', 'copy' => 2, 'notes' => ['x' => 'y']]],
        'saws' => [['mm' => 35], ['mm' => 51]],
    ];

    expect(guarded($garden, [['op' => 'add', 'path' => '/air/0/branches/1/valve', 'value' => 0.5]]))->toBe([
        'test /air/0/id "p"', 'test /air/0/branches/1/tub "b"', 'test /air/0/branches/1/valve 1', 'add /air/0/branches/1/valve 0.5',
    ])
        ->and(guarded($garden, [['op' => 'add', 'path' => '/air/0/branches/-', 'value' => ['tub' => 'c']]]))
        ->toBe(['test /air/0/id "p"', 'add /air/0/branches/- {"tub":"c"}'])
        ->and(guarded($garden, [['op' => 'remove', 'path' => '/builds/0/notes/x']]))
        ->toBe(['test /builds/0/tub "a"', 'test /builds/0/copy 2', 'test /builds/0/notes/x "y"', 'remove /builds/0/notes/x'])
        ->and(guarded($garden, [['op' => 'add', 'path' => '/saws/1/mm', 'value' => 54]]))
        ->toBe(['test /saws/1 {"mm":51}', 'test /saws/1/mm 51', 'add /saws/1/mm 54']);
});

it('tells what stood where when entries before it went or came in the same patch', function () {
    $garden = ['air' => [['id' => 'p'], ['id' => 'q', 'pump' => 'x'], ['id' => 'r', 'pump' => 'z']]];
    $after = [['op' => 'remove', 'path' => '/air/0'], ['op' => 'add', 'path' => '/air/0/pump', 'value' => 'y']];
    $put = [['op' => 'add', 'path' => '/air/1', 'value' => ['id' => 'n']], ['op' => 'add', 'path' => '/air/2/pump', 'value' => 'y']];
    $own = [['op' => 'add', 'path' => '/air', 'value' => [['id' => 'n']]], ['op' => 'add', 'path' => '/air/0/pump', 'value' => 'y']];

    expect(array_slice(guarded($garden, $after), 0, 4))
        ->toBe(['test /air/0/id "p"', 'test /air/0 {"id":"p"}', 'test /air/1/id "q"', 'test /air/1/pump "x"'])
        ->and(array_slice(guarded($garden, $put), 0, 2))->toBe(['test /air/1/id "q"', 'test /air/1/pump "x"'])
        // What the patch put there itself is no business of the document before.
        ->and(array_slice(guarded($garden, $own), 0, -2))->toBe(['test /air '.json_encode($garden['air'])]);
});

it('guards every way out and every saving of every garden, and does the same as before to the garden it is for', function () {
    $seen = 0;
    $held = function (stdClass $document, array $patch) use (&$seen): void {
        $operations = json_decode((string) json_encode($patch));
        $tests = array_filter($operations, static fn (stdClass $o): bool => $o->op === 'test');
        expect(array_keys($tests))->toBe(range(0, count($tests) - 1))->and(count($tests))->toBeLessThan(count($operations));
        $applied = static function (array $of) use ($document): string {
            $copy = json_decode((string) json_encode($document));
            JsonPatch::import($of)->apply($copy);

            return (string) json_encode($copy);
        };
        // Each test holds on the document that the patch is for: the library throws where one does not.
        expect($applied($operations))->toBe($applied(array_values(array_diff_key($operations, $tests))));
        $seen++;
    };
    foreach (array_values(Corpus::gardens()) as $i => $garden) {
        foreach (Gardens::report($garden)->findings as $finding) {
            foreach ($finding->remedies as $remedy) {
                $held($garden->document, $remedy->patch);
            }
        }
        if ($i % 20 === 0) {
            $savings = (new Savings(Gardens::planner()))->of($garden);
            array_map(fn (stdClass $saving) => $held($garden->document, $saving->patch), $savings->savings);
            $savings->set === null || $held($garden->document, $savings->set->patch);
        }
    }
    expect($seen)->toBeGreaterThan(100);
});
