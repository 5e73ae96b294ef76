<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Lid\SpreadSolver;
use KelpTub\Core\Marks\Marks;
use Tests\Core\Gardens;

/**
 * The greatest least distances known of n points in a square of side 1. K. J. Nurmela and P. R. J. Östergård, "Packing up to 50 equal
 * circles in a square", Discrete & Computational Geometry 18 (1997).
 */
const IN_SQUARE = [
    2 => 1.41421356, 3 => 1.03527618, 4 => 1.0, 5 => 0.70710678, 6 => 0.60092521,
    7 => 0.53589838, 8 => 0.51763809, 9 => 0.5, 10 => 0.42127954,
    11 => 0.39820731, 12 => 0.38873012, 13 => 0.36609600, 14 => 0.34891526, 15 => 0.34108137, 16 => 0.33333333, 17 => 0.30615399,
    18 => 0.30046261, 19 => 0.28954199, 20 => 0.28661165, 21 => 0.27181225, 22 => 0.26795840,
    23 => 0.25881904, 24 => 0.25433309, 25 => 0.25,
    26 => 0.23873475, 27 => 0.23584952, 28 => 0.23053549, 29 => 0.22688290, 30 => 0.22450296,
];

/**
 * The least radii known of a circle that holds n circles of radius 1. R. L. Graham, B. D. Lubachevsky, K. J. Nurmela and
 * P. R. J. Östergård, "Dense packings of congruent circles in a circle", Discrete Mathematics 181 (1998).
 */
const IN_CIRCLE = [
    2 => 2.0, 3 => 2.1547, 4 => 2.4142, 5 => 2.7013, 6 => 3.0, 7 => 3.0, 8 => 3.3048, 9 => 3.6131, 10 => 3.8130, 11 => 3.9238, 12 => 4.0296,
    13 => 4.2361, 14 => 4.3284, 15 => 4.5214, 16 => 4.6154, 17 => 4.7920, 18 => 4.8637,
    19 => 4.8637, 20 => 5.1223, 21 => 5.2523, 22 => 5.4397,
    23 => 5.5452, 24 => 5.6517, 25 => 5.7528, 26 => 5.8282, 27 => 5.9063, 28 => 6.0149, 29 => 6.1386, 30 => 6.1977,
];

/** @return list<array{LayoutSpace, int, float}> a space of 1000 mm, a count, and the least distance known, mm */
function known(bool $round): array
{
    $space = Gardens::space($round ? CrossSection::circle(1000) : CrossSection::rectangle(1000, 1000, 0));
    $cases = [];
    foreach ($round ? IN_CIRCLE : IN_SQUARE as $count => $known) {
        // Centres of unit circles in a circle of radius R lie within R − 1, two apart at least.
        $cases[] = [$space, $count, $round ? 500 * 2 / ($known - 1) : 1000 * $known];
    }

    return $cases;
}

it('spreads 2 to 30 holes within 1 % of the best arrangements known', function (bool $round) {
    foreach (known($round) as [$space, $count, $known]) {
        $points = (new SpreadSolver($space))->spread($count);
        $distance = Arrangement::leastDistance($points ?? []);

        expect($points)->toHaveCount($count)
            ->and($distance)->toBeGreaterThan(0.99 * $known, "$count holes")
            ->and($distance)->toBeLessThan(1.0002 * $known, "$count holes beat what is known: the space is not what it seems");
        foreach ($points as $p) {
            [$x, $y] = $space->nearest($p->x, $p->y);
            expect(hypot($x - $p->x, $y - $p->y))->toBeLessThan(1e-6);
        }
    }
})->with(['in a square' => [false], 'in a circle' => [true]]);

it('is exact: what touches, touches to the last digit', function (int $count) {
    $points = (new SpreadSolver(Gardens::space(CrossSection::rectangle(1000, 1000, 0))))->spread($count) ?? [];

    // Corners, corners and middle, three by three, and the best of thirty.
    expect(Arrangement::leastDistance($points))->toEqualWithDelta(1000 * IN_SQUARE[$count], 1e-5);
})->with([4, 5, 9, 30]);

it('gives the same spread every time', function () {
    $spread = fn () => json_encode((new SpreadSolver(Gardens::space(CrossSection::rectangle(520, 330, 40))))->spread(9));

    expect($spread())->toBe($spread());
});

it('is never narrower than the regular patterns', function (string $vessel, int $count) {
    $tub = Gardens::tubPlan(Gardens::tub(['vessel' => $vessel, 'layout' => ['cups' => $count]]));
    $spread = Arrangement::leastDistance((new SpreadSolver($tub->cutting->space))->spread($count) ?? []);

    expect($spread)->toBeGreaterThanOrEqual($tub->holes->arrangement->holeDistance - 1e-6);
})->with([['tote-45', 8], ['tote-45', 11], ['bucket-20', 5], ['tote-12', 7], ['tub-70-round', 13]]);

it('stays clear of keep-outs', function () {
    $latch = new KeepOut(0, 0, CrossSection::rectangle(120, 90, 0));
    $space = Gardens::space(CrossSection::rectangle(500, 300, 30), [$latch]);
    $points = (new SpreadSolver($space))->spread(8) ?? [];

    expect($points)->toHaveCount(8);
    foreach ($points as $p) {
        expect($latch->distanceTo($p->x, $p->y))->toBeGreaterThanOrEqual(29 + 5 - 1e-6);
    }
});

it('lays a tub out by spread, and lets the best regular pattern stand in while it is not known', function () {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'layout' => ['pattern' => 'spread', 'cups' => 7]]);
    $solved = Gardens::report($garden)->tubs[0]->layout;
    $asked = [];
    $waiting = new class($asked) implements LayoutMemory
    {
        public function __construct(public array &$asked)
        {
        }

        public function recall(LayoutQuestion $question): int|string|null
        {
            $this->asked[] = $question->text;

            return null;
        }

        public function keep(LayoutQuestion $question, int|string $answer): void
        {
        }

        public function mayTake(int $steps): bool
        {
            return false;
        }
    };
    $meanwhile = (new Planner(Marks::all(), Gardens::library(), $waiting))->report($garden)->tubs[0]->layout;

    expect([$solved->pattern, $solved->count, $solved->pending])->toBe(['spread', 7, false])
        ->and($meanwhile->pending)->toBeTrue()
        ->and($meanwhile->pattern)->not->toBe('spread')
        ->and($meanwhile->count)->toBe(7)
        ->and($solved->spacing_mm)->toBeGreaterThanOrEqual($meanwhile->spacing_mm - 1e-6)
        ->and($asked)->toContain('spread 7');

    // Set by hand, the holes are final; the ways out of what is wrong with them are not tried yet.
    $byHand = Gardens::tub(
        [
            'vessel' => 'tote-45',
            'layout' => [
                'pattern' => 'manual',
                'holes' => array_map(fn (int $i): array => ['x_mm' => 30 * $i - 105, 'y_mm' => 0], range(0, 21)),
            ],
        ],
    );
    $report = (new Planner(Marks::all(), Gardens::library(), $waiting))->report($byHand);
    $final = Gardens::report($byHand);
    expect([$report->findings[0]->code, $report->findings[0]->remedies[0]->pending])->toBe(['lid.lips', true])
        ->and([$final->findings[0]->code, $final->findings[0]->remedies[0]->pending])->toBe(['lid.lips', false]);
});

it('fits no fewer cups by spread than by regular patterns', function () {
    $most = fn (string $pattern) => Gardens::report(Gardens::tub(['layout' => ['pattern' => $pattern]]))->tubs[0]->capacity->by_lid;

    expect($most('spread'))->toBeGreaterThanOrEqual($most('best'));
});

it('counts a lid once, keeps no count that waits for a spread, and tells lids apart', function () {
    $memory = new class implements LayoutMemory
    {
        /** @var array<string, int|string> */
        public array $kept = [];

        public bool $hasTime = false;

        public function recall(LayoutQuestion $question): int|string|null
        {
            return $this->kept["$question->text {$question->space->fingerprint}"] ?? null;
        }

        public function keep(LayoutQuestion $question, int|string $answer): void
        {
            $this->kept["$question->text {$question->space->fingerprint}"] = $answer;
        }

        public function mayTake(int $steps): bool
        {
            return $this->hasTime;
        }

        /** @return list<int> */
        public function counts(): array
        {
            return array_values(array_filter($this->kept, is_int(...)));
        }
    };
    $lid = fn (float $length): LayoutSpace => Gardens::space(CrossSection::rectangle($length, 300, 30));
    $most = fn (float $length, float $apart = 90.0): int => (new LayoutSolver($lid($length), $memory))->most(PatternKind::Best, $apart, 40);

    $meanwhile = $most(500);
    expect($memory->counts())->toBe([]);
    $memory->hasTime = true;
    $found = $most(500);
    expect($found)->toBeGreaterThanOrEqual($meanwhile)->and($memory->counts())->toBe([$found]);
    // What is kept is what is told, and only of the same lid and distance.
    $memory->kept = array_map(fn ($answer) => is_int($answer) ? 77 : $answer, $memory->kept);
    expect($most(500))->toBe(77)->and($most(500, 95.0))->not->toBe(77)->and($most(501))->not->toBe(77)
        ->and($lid(500)->fingerprint)->toBe($lid(500)->fingerprint)
        ->and($lid(500)->fingerprint)->not->toBe(
            Gardens::space(CrossSection::rectangle(500, 300, 30), [new KeepOut(0, 0, CrossSection::circle(40))])->fingerprint,
        );
});

it('remembers layouts to the last digit, and that there is none', function () {
    $memory = new FreshMemory;
    $space = Gardens::space(CrossSection::rectangle(517.3, 311.7, 30));
    foreach ([[PatternKind::Spread, 11], [PatternKind::Best, 12], [PatternKind::Best, 1], [PatternKind::Spread, 39]] as [$kind, $count]) {
        $first = (new LayoutSolver($space, $memory))->arrange($kind, $count, 70.0);
        expect((new LayoutSolver($space, $memory))->arrange($kind, $count, 70.0))->toEqual($first);
    }
    expect((new LayoutSolver($space, $memory))->arrange(PatternKind::Best, 39, 90.0))->toBeNull();
    $memory->keep(LayoutQuestion::spread($space, 11), '');
    expect((new LayoutSolver($space, $memory))->arrange(PatternKind::Spread, 11, 70.0)?->pattern)->not->toBe(PatternKind::Spread);
});
