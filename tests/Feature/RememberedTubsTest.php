<?php

declare(strict_types=1);

use App\Library\RememberedTubs;
use Illuminate\Cache\ArrayStore;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\KnownOfTub;
use KelpTub\Core\Garden\ListedFinding;
use KelpTub\Core\Garden\Severity;

// What was worked out of tubs, in the memory that the workers share.

it('writes what comes a second time, and hands it to every worker', function () {
    $shared = new ArrayStore(serializesValues: true);
    $finding = new Finding('a.b', Severity::Mend, 'a', '/tubs/0', 'Amiss.', 'So.');
    $known = new KnownOfTub([], [ListedFinding::of($finding, new stdClass)], '{"id":"a"}');
    $seen = [];
    for ($request = 0; $request < 4; $request++) {
        $worker = new RememberedTubs($shared, 'stamp');
        $seen[] = $worker->recall('said a');
        $worker->keep('said a', $known);
    }

    expect($seen)->toEqual([null, null, $known, $known])->and($seen[2])->not->toBe($known);
});

it('knows nothing of what was worked out by another Library', function () {
    $shared = new ArrayStore(serializesValues: true);
    for ($request = 0; $request < 3; $request++) {
        $worker = new RememberedTubs($shared, 'before');
        $worker->recall('said a');
        $worker->keep('said a', new KnownOfTub([], [], '{}'));
    }

    expect((new RememberedTubs($shared, 'after'))->recall('said a'))->toBeNull()
        ->and((new RememberedTubs($shared, 'before'))->recall('said a'))->not->toBeNull();
});

it('has a memory that the server’s workers share', function () {
    $made = 'putenv("APP_ENV=production"); require "vendor/autoload.php"; $app = require "bootstrap/app.php"; '
        .'echo (require "config/cache.php")["stores"]["tubs"]["driver"], " ", extension_loaded("apcu") ? "there" : "missing";';
    exec('cd '.escapeshellarg(base_path()).' && APP_ENV=production '.PHP_BINARY.' -r '.escapeshellarg($made), $said);

    expect($said)->toBe(['apc there']);
});
