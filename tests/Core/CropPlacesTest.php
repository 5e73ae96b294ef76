<?php

declare(strict_types=1);

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropPlaces;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\PatternKind;
use Tests\Core\Gardens;

/** @param  list<array{float, float}>  $at */
function holesAt(array $at): Arrangement
{
    return Arrangement::of(PatternKind::Manual, array_map(fn (array $p): Point => new Point($p[0], $p[1]), $at));
}

function grown(string $crop, ?int $plants): CropWish
{
    return new CropWish(Gardens::library()->crops->get($crop), $plants);
}

/**
 * Sum of squares of what neighbours lack, by hand.
 *
 * @param  list<Crop|null>  $crops
 */
function lacking(array $crops, Arrangement $arrangement): float
{
    $sum = 0.0;
    foreach ($crops as $i => $crop) {
        for ($j = 0; $j < $i; $j++) {
            if ($crop !== null && $crops[$j] !== null) {
                $sum += max(
                    0.0,
                    ($crop->spacingMm + $crops[$j]->spacingMm) / 2 - hypot(
                        $arrangement->points[$i]->x - $arrangement->points[$j]->x,
                        $arrangement->points[$i]->y - $arrangement->points[$j]->y,
                    ),
                ) ** 2;
            }
        }
    }

    return $sum;
}

/** @param  list<Crop|null>  $crops */
function keysOf(array $crops): array
{
    return array_map(fn (?Crop $c): ?string => $c?->key, $crops);
}

it('puts the tallest at the back where there is room for all', function () {
    // Leaf celery 380 mm, mizuna 300 mm tall; 400 mm apart.
    $crops = CropPlaces::of(
        [grown('mizuna', 2), grown('celery-leaf', 2)],
        null,
        [],
        Density::Roomy,
        holesAt([[-200, -200], [200, -200], [-200, 200], [200, 200]]),
    );

    expect(keysOf($crops))->toBe(['mizuna', 'mizuna', 'celery-leaf', 'celery-leaf']);
});

it('puts wide ones beside narrow ones where they would crowd each other', function () {
    // Strawberry wants 220 mm, chives 100: side by side 160 lets them stand, two strawberries not.
    $row = holesAt([[-240, 0], [-80, 0], [80, 0], [240, 0]]);
    $crops = CropPlaces::of([grown('strawberry', 2), grown('chives', 2)], null, [], Density::Roomy, $row);

    expect(lacking($crops, $row))->toBe(0.0)
        ->and(array_count_values(keysOf($crops)))->toEqual(['strawberry' => 2, 'chives' => 2]);
});

it('leaves holes empty between plants of one crop where some are not planted', function () {
    $row = holesAt([[-150, 0], [0, 0], [150, 0]]);

    expect(keysOf(CropPlaces::of([grown('strawberry', null)], 2, [], Density::Roomy, $row)))->toBe(['strawberry', null, 'strawberry'])
        // With room for them they go in the order of the pattern.
        ->and(keysOf(CropPlaces::of([grown('chives', null)], 2, [], Density::Roomy, $row)))->toBe(['chives', 'chives', null]);
});

it('moves nothing that was said of a hole', function () {
    $row = holesAt([[-160, 0], [0, 0], [160, 0]]);
    $strawberry = Gardens::library()->crops->get('strawberry');

    expect(
        keysOf(CropPlaces::of([grown('strawberry', 2), grown('chives', 1)], null, [$strawberry, $strawberry, null], Density::Roomy, $row)),
    )->toBe(['strawberry', 'strawberry', 'chives']);
});

it('finds no exchange of two that would help further, and keeps every count', function () {
    mt_srand(7);
    for ($run = 0; $run < 25; $run++) {
        $count = mt_rand(4, 10);
        $arrangement = holesAt(array_map(fn (): array => [mt_rand(-250, 250), mt_rand(-180, 180)], range(1, $count)));
        $first = mt_rand(1, $count - 1);
        $crops = CropPlaces::of([grown('strawberry', $first), grown('chives', $count - $first)], null, [], Density::Roomy, $arrangement);
        $reached = lacking($crops, $arrangement);
        expect(array_count_values(keysOf($crops)))->toEqual(['strawberry' => $first, 'chives' => $count - $first]);
        for ($a = 0; $a < $count; $a++) {
            for ($b = 0; $b < $a; $b++) {
                $other = $crops;
                [$other[$a], $other[$b]] = [$other[$b], $other[$a]];
                expect(lacking($other, $arrangement))->toBeGreaterThanOrEqual($reached - 1e-5);
            }
        }
    }
});

it('lets more plants stand on a lid of wide and narrow ones', function () {
    $tub = Gardens::report(
        Gardens::tub(
            [
                'vessel' => 'tote-64',
                'cups_2' => 'net-cup-75',
                'crops' => [
                    ['crop' => 'chives', 'plants' => 6],
                    ['crop' => 'strawberry', 'plants' => 3],
                    ['crop' => 'rocket', 'plants' => 2],
                ],
            ],
        ),
    )->tubs[0];
    $crops = array_map(fn ($h) => Gardens::library()->crops->get($h->crop), $tub->layout->holes);
    // The pair with the least to spare, of its own spacing, by hand.
    $share = INF;
    foreach ($tub->layout->holes as $i => $h) {
        for ($j = 0; $j < $i; $j++) {
            $apart = hypot($h->x_mm - $tub->layout->holes[$j]->x_mm, $h->y_mm - $tub->layout->holes[$j]->y_mm);
            $wanted = ($crops[$i]->spacingMm + $crops[$j]->spacingMm) / 2;
            if ($apart / $wanted < $share - 1e-9) {
                [$share, $between, $want] = [$apart / $wanted, $apart, $wanted];
            }
        }
    }
    expect($tub->layout->between_plants_mm)->toEqualWithDelta($between, 1e-9)
        ->and($tub->limits->crop_spacing_mm)->toEqualWithDelta($want, 1e-9)
        ->and($between)->toBeGreaterThan($tub->layout->spacing_mm);

    // Listed as the grower wrote them, whichever stands in the first hole.
    expect(array_column($tub->crops, 'plants', 'crop'))->toBe(['chives' => 6, 'strawberry' => 3, 'rocket' => 2])
        ->and(array_column($tub->shape->crops, 'key'))->toBe(['chives', 'strawberry', 'rocket'])
        ->and($tub->layout->holes[0]->crop)->not->toBe('chives');
    expect(lacking($crops, holesAt(array_map(fn ($h) => [$h->x_mm, $h->y_mm], $tub->layout->holes))))->toBe(0.0)
        ->and($tub->capacity->by_spacing)->toBeGreaterThanOrEqual(11)
        ->and(
            Gardens::report(
                Gardens::tub(['vessel' => 'tote-64', 'cup' => 'net-cup-75', 'crop' => 'strawberry']),
            )->tubs[0]->capacity->by_spacing,
        )->toBeLessThan(11)
        ->and(
            Gardens::findings(
                Gardens::tub(
                    [
                        'vessel' => 'tote-64',
                        'cups_2' => 'net-cup-75',
                        'crops' => [
                            ['crop' => 'chives', 'plants' => 6],
                            ['crop' => 'strawberry', 'plants' => 3],
                            ['crop' => 'rocket', 'plants' => 2],
                        ],
                    ],
                ),
            ),
        )->not->toContain('mend crop.spacing');
});
