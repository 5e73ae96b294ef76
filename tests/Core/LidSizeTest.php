<?php

declare(strict_types=1);

use Tests\Core\Gardens;

/** @return array<string, mixed> a box with straight walls and a lid of such a size */
function lidded(float $length, float $width, array $lid): array
{
    $section = ['length_mm' => $length, 'width_mm' => $width, 'corner_radius_mm' => 0];

    return ['stations' => [['height_mm' => 0, ...$section], ['height_mm' => 300, ...$section]], 'lid' => $lid];
}

it('stops at a lid that would fall into the mouth, and offers one that goes over it', function (array $lid, bool $small) {
    $garden = Gardens::tub(['vessel' => lidded(600, 400, ['thickness_mm' => 3, 'make' => 'thin', ...$lid])]);
    $finding = array_column(Gardens::report($garden)->findings, null, 'code')['lid.small'] ?? null;

    expect($finding !== null)->toBe($small);
    if ($finding !== null) {
        // Ten over the inside of the rim on either side; what else is known of it stays.
        expect($finding->severity)->toBe('stop')
            ->and(Gardens::deeds($finding->remedies[0]->patch)[0]->value)->toEqual(
                (object) ['thickness_mm' => 3, 'make' => 'thin', 'length_mm' => 620.0, 'width_mm' => 420.0],
            );
    }
})->with([
    'as large as the mouth' => [['length_mm' => 600, 'width_mm' => 400], false],
    'a hair smaller one way' => [['length_mm' => 599.9, 'width_mm' => 420], true],
    'and the other' => [['length_mm' => 620, 'width_mm' => 399], true],
    'not said' => [[], false],
]);

it('says nothing of a lid where a cup hangs in a jar\'s mouth, or a board floats', function () {
    $jar = ['kind' => 'jar', 'stations' => [['height_mm' => 0, 'diameter_mm' => 100], ['height_mm' => 150, 'diameter_mm' => 78]],
        'lid' => ['diameter_mm' => 70]];

    expect(Gardens::findings(Gardens::tub(['system' => 'passive', 'vessel' => $jar, 'cup' => 'net-cup-75'])))
        ->not->toContain('stop lid.small')
        ->and(Gardens::findings(Gardens::tub(['system' => 'raft', 'vessel' => lidded(600, 400, ['length_mm' => 300, 'width_mm' => 200])])))
        ->not->toContain('stop lid.small')
        ->and(Gardens::findings(Gardens::tub(['vessel' => lidded(600, 400, ['length_mm' => 300, 'width_mm' => 200])])))
        ->toContain('stop lid.small');
});

it('ships no vessel whose lid falls in', function () {
    foreach (Gardens::library()->vessels->keys() as $vessel) {
        expect(Gardens::findings(Gardens::tub(['vessel' => $vessel, 'system' => 'passive'])))->not->toContain('stop lid.small', $vessel);
    }
});
