<?php

declare(strict_types=1);

use Tests\Core\Gardens;

/** @return array<string, mixed> a bucket whose lid has two holes of so many mm already */
function drilled(float $hole, array $more = []): array
{
    return ['cutting' => 'drilled', 'hole_mm' => $hole, 'crop' => 'basil', 'layout' => [
        'pattern' => 'manual', 'holes' => [['x_mm' => 0, 'y_mm' => 70], ['x_mm' => 0, 'y_mm' => -70]],
    ], ...$more];
}

it('takes the holes as they are, with no saw and no knife', function () {
    $report = Gardens::report(Gardens::tub(drilled(51)));
    $parts = array_column($report->parts, 'key');

    expect([$report->tubs[0]->hole->diameter_mm, $report->tubs[0]->hole->saw, $report->tubs[0]->layout->count])->toEqual([51, null, 2])
        ->and(array_filter($parts, static fn (string $key): bool => str_starts_with($key, 'saw-') || $key === 'knife'))->toBe([])
        ->and(array_column(Gardens::report(Gardens::tub([...drilled(51), 'cutting' => 'saw']))->parts, 'key'))->toContain('saw-51')
        ->and(array_column(Gardens::report(Gardens::tub([...drilled(51), 'cutting' => 'traced']))->parts, 'key'))->toContain('knife');
});

it('offers the cup that hangs in a hole which is there, and no saw', function (float $hole, string $code, array $ways) {
    $found = array_column(Gardens::report(Gardens::tub(drilled($hole)))->findings, null, 'code');

    expect($found)->toHaveKey($code)
        ->and(array_column($found[$code]->remedies, 'says'))->toBe($ways)
        ->and($found[$code]->says)->not->toContain('Cut a smaller hole');
})->with([
    'too wide' => [64, 'cup.falls-through', ['Hang the 60 mm net cup in it']],
    'far too wide' => [79, 'cup.falls-through', ['Hang the 75 mm net cup in it']],
    'too wide for its lip, and no cup fits' => [57, 'cup.bearing', []],
]);

it('still says of a hole to be cut what to cut', function () {
    $found = array_column(Gardens::report(Gardens::tub([...drilled(64), 'cutting' => 'saw']))->findings, null, 'code');

    expect($found['cup.falls-through']->says)->toContain('Cut a smaller hole')
        ->and($found['cup.falls-through']->remedies[0]->says)->toStartWith('Cut it with the ');
});

it('hangs a cup in the mouth of a cut bottle: its own neck, upside down', function () {
    $report = Gardens::report(Gardens::tub(['system' => 'passive', 'vessel' => 'bottle-2', 'cup' => 'bottle-neck-2', 'crop' => 'basil']));
    $lidded = Gardens::report(Gardens::tub(['system' => 'passive', 'vessel' => 'bottle-2', 'cup' => 'net-cup-50', 'crop' => 'basil']));

    expect($report->tubs[0]->shape->in_mouth)->toBeTrue()
        ->and($report->tubs[0]->hole->seat)->toBe('lip')
        ->and(array_column($report->parts, 'key'))->not->toContain('adapter-disc')
        ->and($lidded->tubs[0]->shape->in_mouth)->toBeFalse()
        ->and(array_column($lidded->parts, 'key'))->toContain('adapter-disc');
});

it('ships vessels that hold at least what they are sold as, and not a quarter more', function () {
    foreach (['jar-quart', 'jar-half-gallon', 'tote-10gal', 'tote-18gal', 'tote-24gal'] as $vessel) {
        expect(Gardens::findings(Gardens::tub(['vessel' => $vessel, 'system' => 'passive', 'cup' => 'net-cup-75'])))
            ->not->toContain('mind vessel.label', $vessel);
    }
});

it('drills for a tube where there is something to drill', function (array $tub, bool $drilled) {
    $keys = array_column(Gardens::report(Gardens::tub($tub))->parts, 'key');

    expect(in_array('drill-bit-7', $keys, true))->toBe($drilled);
})->with([
    'a wall' => [[], true],
    'a lid' => [['tube_entry' => 'lid'], true],
    'beside a board' => [['system' => 'raft', 'vessel' => 'tote-45'], false],
    'a wall beside a board' => [['system' => 'raft', 'vessel' => 'tote-45', 'tube_entry' => 'side'], true],
    'beside the cup in a mouth' => [['vessel' => 'jar-2', 'cup' => ['lip_diameter_mm' => 102, 'top_diameter_mm' => 94,
        'bottom_diameter_mm' => 70, 'height_mm' => 80]], false],
]);
