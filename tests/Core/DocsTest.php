<?php

declare(strict_types=1);

use App\Version;

/** @return array<string, string> what is written for people, by file */
function docs(): array
{
    $root = dirname(__DIR__, 2);
    $files = [...(array) glob("$root/*.md"), ...(array) glob("$root/docs/*.md")];

    return array_combine(
        array_map(static fn (string $f): string => substr($f, strlen($root) + 1), $files),
        array_map(static fn (string $f): string => (string) file_get_contents($f), $files),
    );
}

it('names files that are there', function () {
    $root = dirname(__DIR__, 2);
    $lost = [];
    $named = 0;
    foreach (docs() as $doc => $text) {
        preg_match_all('~\]\((?!https?:)([^)#\s]+)~', $text, $links);
        foreach ($links[1] as $link) {
            $named++;
            if (! file_exists("$root/".dirname($doc)."/$link")) {
                $lost[] = "$doc: $link";
            }
        }
        preg_match_all('~`((?:app|bin|core|data|docs|resources|routes|tests)/[\w./-]+)`~', $text, $paths);
        foreach ($paths[1] as $path) {
            $named++;
            // What is written as an example of a name is not there, and says so by its letters.
            if (! file_exists("$root/$path") && ! preg_match('~Name|MARK|\bname\b~', $path)) {
                $lost[] = "$doc: $path";
            }
        }
    }

    expect($lost)->toBe([])->and($named)->toBeGreaterThan(60);
});

it('says of every estimate in the code how far it is trusted', function () {
    $root = dirname(__DIR__, 2);
    $decisions = docs()['docs/decisions.md'];
    $estimates = substr($decisions, (int) strpos($decisions, '## Estimates'));
    $unsaid = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core", FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        $name = substr((string) $file, strlen($root) + 1);
        if (str_contains((string) file_get_contents((string) $file), '†') && ! str_contains($estimates, "`$name`")) {
            $unsaid[] = $name;
        }
    }

    expect($unsaid)->toBe([]);
});

it('tells growers of the version that it is', function () {
    preg_match('/^## (\S+)$/m', docs()['CHANGELOG.md'], $newest);

    expect($newest[1])->toBe(Version::NUMBER);
});
