<?php

declare(strict_types=1);

use Tests\Core\House;

arch('the core imports nothing of the framework, the web, the database or the application')
    ->expect('KelpTub\Core')
    ->toOnlyUse(
        [
            'KelpTub\Core',
            'Opis\JsonSchema',
            'Swaggest\JsonDiff',
            'InvalidArgumentException',
            'LogicException',
            'JsonException',
            'Closure',
            'ArrayIterator',
            'Countable',
            'IteratorAggregate',
            'stdClass',
        ],
    );

arch('the core asks no clock, no file, no network and no chance')
    ->expect([
        'time',
        'microtime',
        'hrtime',
        'date',
        'now',
        'rand',
        'mt_rand',
        'random_int',
        'shuffle',
        'array_rand',
        'uniqid',
        'file_get_contents',
        'file_put_contents',
        'fopen',
        'is_file',
        'curl_init',
        'getenv',
        'env',
        'config',
        'app',
    ])
    ->not->toBeUsedIn('KelpTub\Core');

arch('the core and the application are strict')
    ->expect(['KelpTub\Core', 'App'])
    ->toUseStrictTypes();

arch('no debugging is left behind')
    ->expect(['dd', 'dump', 'var_dump', 'print_r', 'ray'])
    ->not->toBeUsed();

it('is built as the plan of the house says: every room, and no door that is not drawn', function () {
    expect(House::rooms())->toBe(collect(House::PLAN)->keys()->sort()->values()->all())
        ->and(House::undrawn(House::doors()))->toBe([]);
});

it('has no door on its plan that nobody uses', function () {
    $used = House::doors();
    $idle = [];
    foreach (House::PLAN as $room => $into) {
        foreach ($into as $other) {
            if (! in_array($other, $used[$room] ?? [], true)) {
                $idle[] = "$room → $other";
            }
        }
    }

    expect($idle)->toBe([]);
});

it('has no way round in a circle', function () {
    expect(House::circles(House::PLAN))->toBe([])
        ->and(House::circles(['A' => ['B'], 'B' => ['C'], 'C' => ['A'], 'D' => ['A']]))->toBe(['A', 'B', 'C']);
});

it('would see each door again that was walled up', function (string $room, string $other) {
    $doors = House::doors();
    $doors[$room][] = $other;

    expect(House::undrawn($doors))->toBe(["$room → $other"]);
})->with([
    'a lid that belongs to its vessel' => ['Vessel', 'Lid'],
    'rules of crops that know the garden' => ['Crop', 'Garden'],
    'rules of air that know the garden' => ['Air', 'Garden'],
    'rules of lids that know crops' => ['Lid', 'Crop'],
    'geometry that knows vessels' => ['Geometry', 'Vessel'],
    'reading that knows the garden it is for' => ['File', 'Garden'],
    'a garden that knows its marks' => ['Garden', 'Marks'],
    'a garden that knows the air mark' => ['Garden', 'Marks/Air'],
    'a tub that looks ahead to its air' => ['Marks/Tub', 'Marks/Air'],
    'a crop that looks ahead to its air' => ['Marks/Crop', 'Marks/Air'],
    'air that looks ahead to its cost' => ['Marks/Air', 'Marks/Cost'],
    'a mark that knows the list' => ['Marks/Cost', 'Marks'],
    'a garden that asks what if' => ['Garden', 'WhatIf'],
]);

it('sees a door however it is written', function () {
    expect(
        House::namedIn(
            'KelpTub\Core\Vessel',
            "use KelpTub\\Core\\Lid\\Lid;\n new \\KelpTub\\Core\\Marks\\Air\\AirPlan; \\KelpTub\\Core\\Marks\\Marks::all(); use "
                .'KelpTub\\Core\\Vessel\\Station;',
        ),
    )->toBe(['Lid', 'Marks/Air', 'Marks']);
});

it('keeps the page out of the rules: scripts call the application, not the other way round', function () {
    foreach (House::files() as $file) {
        expect((string) file_get_contents($file))->not->toContain('resources/js');
    }
});

it('keeps its lines short', function () {
    $long = [];
    foreach (House::allFiles() as $file) {
        foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $number => $line) {
            if (mb_strlen($line) > 140) {
                $long[] = basename($file).':'.($number + 1);
            }
        }
    }

    expect($long)->toBe([]);
});

it('lets no test use a function or a constant of another test’s file: those that run side by side load what they run', function () {
    $files = array_filter(
        array_map(strval(...), iterator_to_array(new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__))), false)),
        static fn (string $file): bool => str_ends_with($file, 'Test.php'),
    );
    $code = array_combine($files, array_map(file_get_contents(...), $files));
    $of = [];
    foreach ($code as $file => $text) {
        preg_match_all('/^(?:function|const) (\w+)/m', (string) $text, $found);
        $of += array_fill_keys($found[1], $file);
    }
    $borrowed = [];
    foreach ($code as $file => $text) {
        $tokens = array_values(array_filter(PhpToken::tokenize((string) $text), static fn (PhpToken $t): bool => ! $t->isIgnorable()));
        foreach ($tokens as $n => $token) {
            $isMember = in_array($tokens[$n - 1]->text ?? '', ['->', '?->', '::', 'function', 'const', 'new'], true);
            // A function is called, or taken as it is; a constant stands by itself in capitals.
            $isMeant = ($tokens[$n + 1]->text ?? '') === '(' || strtoupper($token->text) === $token->text;
            if ($token->is(T_STRING) && ! $isMember && $isMeant && ($of[$token->text] ?? $file) !== $file) {
                $borrowed[] = basename($file).": $token->text";
            }
        }
    }
    expect(count($of))->toBeGreaterThan(100)->and($borrowed)->toBe([]);
});

it('gives no two of the tests’ own functions one name: all are loaded together', function () {
    $named = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__))) as $file) {
        $code = str_ends_with((string) $file, '.php') ? (string) file_get_contents((string) $file) : '';
        preg_match_all('/^function (\w+)/m', $code, $found);
        $named = [...$named, ...$found[1]];
    }

    expect(count($named))->toBeGreaterThan(100)
        ->and(array_keys(array_filter(array_count_values($named), static fn (int $times): bool => $times > 1)))->toBe([]);
});
