<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Browser\Browser;
use Tests\Browser\Proxy;
use Tests\Browser\Server;

/*
 * A storm: presses, texts, changes of tub and mark, steps back and forth, as fast as they come, while answers are late at random. What is
 * kept afterwards is what the same deeds give one after another.
 *
 *     KELP_STORMS=4,5,6 KELP_DEEDS=300 bin/test tests/Browser/StormTest.php      other seeds, and so many deeds
 */

/** @return list<array<string, mixed>> so many deeds by chance; the fourth tub is never named */
function deedsOf(int $seed): array
{
    $chance = new Randomizer(new Mt19937($seed));
    $one = static fn (array $of): mixed => $of[$chance->getInt(0, count($of) - 1)];
    $length = static fn (int $least, int $most): string => $one(['', '', '≈']) === '≈'
        ? sprintf('%.1f in', $chance->getInt($least, $most) / 25.4)
        : $chance->getInt($least, $most).' mm';
    $deeds = [];
    $last = [];
    $most = (int) (getenv('KELP_DEEDS') ?: 300);
    while (count($deeds) < $most) {
        $tub = $one(['a', 'b', 'c']);
        $kinds = [
            'name' => fn () => ['tub' => $tub, 'mark' => 'tub', 'type' => 'Name', 'text' => 'Tub '.$chance->getInt(1, 99)],
            'lowest' => fn () => ['tub' => $tub, 'mark' => 'tub', 'type' => 'Water of use down to', 'text' => $length(30, 90)],
            'more' => fn () => ['tub' => $tub, 'mark' => 'tub', 'press' => '[aria-label="How many alike: one more"]'],
            'fewer' => fn () => ['tub' => $tub, 'mark' => 'tub', 'press' => '[aria-label="How many alike: one fewer"]'],
            'left' => fn () => ['tub' => $tub, 'mark' => 'tub', 'press' => '[aria-label="Move it left on the bench"]'],
            'right' => fn () => ['tub' => $tub, 'mark' => 'tub', 'press' => '[aria-label="Move it right on the bench"]'],
            'distance' => fn () => ['tub' => $tub, 'mark' => 'air', 'type' => 'Pump to tub', 'text' => $length(300, 2500)],
            'saws' => fn () => [
                'tub' => $tub, 'mark' => 'lid', 'type' => 'Saws you have',
                // With its unit: a bare number is in the units that the page shows when it is written.
                'text' => sprintf('%d mm, %d mm', $chance->getInt(30, 60), $chance->getInt(61, 80)),
            ],
            'cap' => fn () => [
                'tub' => $tub, 'mark' => 'cost', 'type' => 'Spend at most, EUR', 'text' => (string) $chance->getInt(50, 500),
            ],
            'wrong' => fn () => ['tub' => $tub, 'mark' => 'air', 'type' => 'Pump to tub', 'text' => $one(['abc', '12 parsecs', '-'])],
            'units' => fn () => ['key' => 'u'],
            'undo' => fn () => ['key' => 'z'],
            'redo' => fn () => ['key' => 'Z'],
        ];
        $kind = $one(array_keys($kinds));
        // Two of one name in one breath are one step back, and a breath is as long as the answers take: these are kept apart.
        $step = (string) count($deeds);
        $name = ['fewer' => 'more', 'right' => 'left', 'wrong' => 'distance', 'undo' => $step, 'redo' => $step][$kind] ?? $kind;
        if (in_array($name, $last, true)) {
            continue;
        }
        $last = [...array_slice($last, -6), $name];
        $deeds[] = [...$kinds[$kind](), 'wait' => $chance->getInt(0, 3) === 0 ? $chance->getInt(0, 300) / 100 : 0];
    }

    return $deeds;
}

/** A garden of four tubs on one pump, ticked at the bench. */
function stormGarden(): array
{
    $tub = fn (string $id): array => bucket20(['id' => $id, 'name' => "Tub $id", 'count' => $id === 'c' ? 1 : 3])['tubs'][0];
    $ids = ['a', 'b', 'c', 'd'];

    return [
        'name' => 'Storm',
        'tubs' => array_map($tub, $ids),
        'air' => [[
            'id' => 'p',
            'pump' => 'pump-8w-4',
            'check_valve' => true,
            'branches' => array_map(fn (string $id): array => ['tub' => $id], $ids),
        ]],
        'builds' => [['tub' => 'a', 'copy' => 3], ['tub' => 'b', 'copy' => 2], ['tub' => 'd', 'copy' => 3]],
    ];
}

/** @return array{stdClass, stdClass} the document as the page has it in the end, and as it is kept */
function weathered(array $deeds, bool $patient): array
{
    $server = Server::shared();
    $id = $server->garden(stormGarden());
    $proxy = Proxy::shared();
    $browser = Browser::shared()->size(1280, 800)->open("$proxy->url/gardens/$id");
    $browser->see('.cards');
    if (! $patient) {
        $proxy->rules(
            ['path' => '^/api/(read|edits)', 'most_ms' => 250, 'seed' => count($deeds)],
            ['path' => '^/api/(preview|plan|layouts|cost)', 'most_ms' => 500],
            ['path' => '^/api/gardens', 'method' => 'PUT', 'most_ms' => 700],
        );
    }
    $browser->driver->manage()->timeouts()->setScriptTimeout(280);
    $page = $browser->driver->executeAsyncScript((string) file_get_contents(__DIR__.'/storm.js'), [$deeds, $patient, 100]);
    $proxy->rules();
    expect($page['fault'] ?? '')->toBe('');

    return [json_decode((string) json_encode($page)), $server->document($id)];
}

it('comes out of a storm as if all had been done one after another', function (int $seed) {
    $deeds = deedsOf($seed);
    [$page, $kept] = weathered($deeds, false);
    [, $wanted] = weathered($deeds, true);
    $tub = fn (stdClass $document, string $id): ?stdClass => array_column($document->tubs, null, 'id')[$id] ?? null;

    expect($page)->toEqual($kept)
        ->and($kept)->toEqual($wanted)
        ->and($tub($kept, 'd'))->toEqual(json_decode((string) json_encode(stormGarden()['tubs'][3])))
        // It was a storm: not all of it was taken back.
        ->and($kept)->not->toEqual(json_decode((string) json_encode(stormGarden())));
})->with(array_map(intval(...), explode(',', getenv('KELP_STORMS') ?: '1,2,3')));
