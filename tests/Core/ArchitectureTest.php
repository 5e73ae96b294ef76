<?php

declare(strict_types=1);

arch('the core imports nothing of the framework, the web, the database or the application')
    ->expect('KelpTub\Core')
    ->toOnlyUse(['KelpTub\Core', 'Opis\JsonSchema', 'InvalidArgumentException', 'LogicException', 'JsonException', 'ArrayAccess', 'ArrayIterator', 'Countable', 'IteratorAggregate', 'stdClass']);

arch('the core asks no clock, no file, no network and no chance')
    ->expect(['time', 'microtime', 'hrtime', 'date', 'now', 'rand', 'mt_rand', 'random_int', 'shuffle', 'array_rand', 'uniqid', 'file_get_contents', 'file_put_contents', 'fopen', 'is_file', 'curl_init', 'getenv', 'env', 'config', 'app'])
    ->not->toBeUsedIn('KelpTub\Core');

arch('the rules do not know the garden that is planned by them')
    ->expect(['KelpTub\Core\Numbers', 'KelpTub\Core\Units', 'KelpTub\Core\Vessel', 'KelpTub\Core\Cup', 'KelpTub\Core\Lid', 'KelpTub\Core\Crop', 'KelpTub\Core\Air', 'KelpTub\Core\Cost'])
    ->not->toUse('KelpTub\Core\Garden');

arch('units know nobody')
    ->expect('KelpTub\Core\Units')
    ->toOnlyUse(['KelpTub\Core\Units', 'InvalidArgumentException']);

arch('the core and the application are strict')
    ->expect(['KelpTub\Core', 'App'])
    ->toUseStrictTypes();

arch('no debugging is left behind')
    ->expect(['dd', 'dump', 'var_dump', 'print_r', 'ray'])
    ->not->toBeUsed();

it('keeps the page out of the rules: scripts call the application, not the other way round', function () {
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/core', FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        expect((string) file_get_contents((string) $file))->not->toContain('resources/js');
    }
});
