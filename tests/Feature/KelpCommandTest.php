<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;

const GOOD = '{"format":"kelp-tub.garden","version":1,"name":"Sill",'
    .'"tubs":[{"id":"a","name":"Bucket","system":"aerated","vessel":"bucket-20","crop":"basil","stones":{"kind":"disc-100"}}],'
    .'"air":[{"id":"p","pump":"pump-4w-2","check_valve":true,"branches":[{"tub":"a"}]}]}';

it('plans a garden for people', function () {
    $plan = kelp(['plan', '-'], GOOD);

    expect($plan->getExitCode())->toBe(0)
        ->and($plan->getErrorOutput())->toBe('')
        ->and($plan->getOutput())->toContain('Sill', 'Bucket', '51 mm saw', 'working', 'Parts', 'Outlay');
});

it('plans a garden as JSON and nothing else', function () {
    $report = json_decode(kelp(['plan', '--json', '-'], GOOD)->getOutput(), flags: JSON_THROW_ON_ERROR);

    expect($report->format)->toBe('kelp-tub.report')
        ->and($report->tubs[0]->volume->brim_l)->toEqualWithDelta(21.615612, 1e-5);
});

it('checks, and exits with 1 at a stop', function () {
    $stop = kelp(['check', '-'], str_replace('"check_valve":true,', '', GOOD));

    expect(kelp(['check', '-'], GOOD)->getExitCode())->toBe(0)
        ->and($stop->getExitCode())->toBe(1)
        ->and($stop->getOutput())->toContain('air.siphon');
});

it(
    'refuses with 2, each fault on its line, pointer first, and nothing on stdout',
    function (array $arguments, string $input, string $error) {
        $refused = kelp($arguments, $input);

        expect($refused->getExitCode())->toBe(2)
            ->and($refused->getOutput())->toBe('')
            ->and($refused->getErrorOutput())->toStartWith($error);
    })->with([
        [
            ['plan', '-'],
            '{"format":"kelp-tub.garden","version":1,"units":"cubits","site":{"light_hours":25}}',
            "/site/light_hours is 25; the most is 24\n/units is \"cubits\"; it may be metric, us",
        ],
        [['plan', '--json', '-'], 'nonsense', '/ is not JSON'],
        [['check', 'no-such-file'], '', '/ there is no file no-such-file'],
        [['check'], '', 'bin/kelp: Not enough arguments'],
        [['dance'], '', 'bin/kelp: Command "dance" is not defined'],
        [['convert', '3 hands', 'mm'], '', '"3 hands" has no unit that is known here'],
        [['convert', '3 mm', 'hands'], '', '"hands"'],
        [['convert', '5 gal', 'mm'], '', '"5 gal" is a volume'],
    ]);

it('converts', function (string $measure, string $unit, string $shown) {
    expect(kelp(['convert', $measure, $unit])->getOutput())->toBe("$shown\n");
})->with([
    ['2 3/8 in', 'mm', '60.325 mm'],
    ['54 mm', 'in', '2.125984252 in'],
    ['5 gal', 'L', '18.92705892 L'],
    ['840 ppm (700)', 'mS/cm', '1.2 mS/cm'],
    ['20 °C', '°F', '68 °F'],
    ['-3 °C', '°F', '26.6 °F'],
]);

it('says that a gallon is a US one', function () {
    expect(kelp(['convert', '5 gal', 'L'])->getErrorOutput())->toContain('US gallon');
});

it('says which version it is', function () {
    expect(trim(kelp(['--version'])->getOutput()))->toEndWith(App\Version::NUMBER)
        ->and(json_decode(kelp(['schema', 'garden'])->getOutput(), flags: JSON_THROW_ON_ERROR)->properties->tubs->type)->toBe('array')
        ->and(json_decode(kelp(['schema', 'report'])->getOutput(), flags: JSON_THROW_ON_ERROR)->properties->tubs->type)->toBe('array');
});

it('lives through a season by a seed and decisions, and counts many', function () {
    $file = tempnam(sys_get_temp_dir(), 'kelp') ?: '';
    file_put_contents($file, '[{"day": 5, "do": "top-up", "litres": 2}, {"day": 12, "do": "look", "at": "roots"}]');
    $run = static fn (string ...$more): Process => kelp(['dry-run', '-', '--tub', 'a', ...$more], GOOD);
    $told = json_decode($run('--seed', '9', '--decisions', $file, '--json')->getOutput(), flags: JSON_THROW_ON_ERROR);
    expect(array_keys((array) $told))->toBe([
        'seed', 'days', 'mishaps', 'decisions', 'harvest_g', 'best_g', 'killed_day', 'water_l', 'feed', 'money', 'minutes', 'otherwise',
    ])->and($told->decisions[0]->litres)->toEqual(2)->and($told->days[5]->top_up_l)->toBeGreaterThan(0)->and($told->minutes)->toBe(6);
    expect($run('--seed', '9')->getOutput())->toContain('Seed 9, ')->toContain('picked of the');

    $odds = json_decode($run('--seeds', '20', '--json')->getOutput(), flags: JSON_THROW_ON_ERROR);
    expect($odds->runs)->toBe(20)->and($odds->came_through + array_sum((array) $odds->killed_by))->toBe(20)
        ->and($run('--seeds', '20')->getOutput())->toContain('of 20 seasons');

    // A plan that nothing grows in, a seed that is none, a file that is none, decisions out of order.
    file_put_contents($file, '[{"day": 5, "do": "look"}, {"day": 4, "do": "look"}]');
    foreach ([
        [['--seed', 'x'], '--seed is "x"; it is a whole number from 0 to 4294967295'], [['--seeds', '0'], '--seeds is "0"'],
        [['--decisions', '/nowhere'], 'which is no file that can be read'], [['--decisions', $file], 'decisions/1: day is 4'],
    ] as [$more, $why]) {
        expect($run(...$more)->getExitCode())->toBe(2)->and($run(...$more)->getErrorOutput())->toContain($why);
    }
    $bare = kelp(['dry-run', '-', '--tub', 'a'], str_replace('"crop":"basil",', '', GOOD));
    expect($bare->getExitCode())->toBe(2)->and($bare->getErrorOutput())->toContain('nothing grows in a');
    unlink($file);
});
