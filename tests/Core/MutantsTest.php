<?php

declare(strict_types=1);

use Tests\Mutation\Bench;
use Tests\Mutation\Mutant;
use Tests\Mutation\Mutants;

/** @return list<string> a file with one change at a time */
function changed(string $code): array
{
    return array_map(static fn (Mutant $m): string => substr($m->apply("<?php $code"), 6), Mutants::of('core/X.php', "<?php $code"));
}

it('changes one thing at a time', function (string $code, array $changed) {
    expect(changed($code))->toBe($changed);
})->with([
    'operators' => ['$a < ($b + $c);', ['$a <= ($b + $c);', '$a < ($b - $c);']],
    'a condition' => ['return ! $a && $b;', ['return ! $a || $b;', 'return $a && $b;']],
    'branches' => ['$a ? $b : $c;', ['$a ? ($c) : ($b);']],
    'numbers' => ['const LEAST = 2.0; f(3);', ['const LEAST = 2.2; f(3);', 'const LEAST = 2.0; f(4);']],
    'ends' => ['max(0.0, floor($a));', ['min(0.0, floor($a));', 'max(1.0, floor($a));', 'max(0.0, ceil($a));']],
    'answers' => ['return true;', ['return false;']],
    'nothing that is only said or only fine' => [
        'declare(strict_types=1);'
            .' class A { const ROUNDING_MM = 1.0e-9; function f() { throw new E("more than 3"); } } match (true) { default => g() };',
        [],
    ],
    'no strict flag' => ['in_array($a, $b, true);', []],
]);

it('lets a change live that changes nothing, and catches a gross one', function () {
    $root = dirname(__DIR__, 2);
    $file = 'core/Cup/Seat.php';
    $code = (string) file_get_contents("$root/$file");
    $at = (int) strpos($code, '$hole >= $cup->lip');
    $bench = new Bench($root, 'honesty', [PHP_BINARY]);
    $tried = static function (Mutant $mutant) use ($bench): bool {
        $bench->start($mutant, ['tests/Core/CupTest.php::it seats the worked cup'], 60);
        while (($caught = $bench->caught()) === null) {
            usleep(10_000);
        }
        // A run that failed to start is no catch: it says what it ran.
        expect($bench->output())->toContain('it seats the worked cup');
        $bench->restore($mutant);

        return $caught;
    };

    expect($tried(new Mutant($file, 1, $at, strlen('$hole >= $cup->lip'), '! ($hole < $cup->lip)')))->toBeFalse()
        ->and($tried(new Mutant($file, 1, $at, strlen('$hole >= $cup->lip'), '$hole < $cup->lip')))->toBeTrue();
});
