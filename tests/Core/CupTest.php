<?php

declare(strict_types=1);

use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\SawChoice;
use KelpTub\Core\Cup\SawSeries;
use KelpTub\Core\Cup\Seat;
use KelpTub\Core\Cup\SeatKind;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Units\UnitSystem;
use Tests\Core\Gardens;

function cup(float $lip = 58, float $top = 50, float $bottom = 36, float $height = 52): Cup
{
    return new Cup(null, 'Cup', $lip, $top, $bottom, $height, false);
}

it('seats the worked cup', function () {
    $lip = Seat::of(cup(), 54);
    $wedged = Seat::of(cup(), 44);

    expect([$lip->kind, $lip->bearing, $lip->play, $lip->raise])->toBe([SeatKind::Lip, 2.0, 4.0, 0.0])
        ->and($wedged->kind)->toBe(SeatKind::Wedged)
        ->and($wedged->raise)->toEqualWithDelta(22.2857, 1e-4)
        ->and(Seat::of(cup(), 58)->kind)->toBe(SeatKind::FallsThrough)
        ->and(Seat::of(cup(), 36)->kind)->toBe(SeatKind::DoesNotEnter)
        ->and(Seat::of(cup(), 50)->kind)->toBe(SeatKind::Lip)
        ->and(Seat::of(cup(), 60)->bearing)->toBe(-1.0)
        ->and(Seat::of(cup(), 44)->play)->toBe(-6.0);
});

it('holds 76.2 mL', function () {
    expect(cup()->litres())->toEqualWithDelta(0.0761815, 1e-6)
        ->and(cup()->litresBelow(25))->toEqualWithDelta(0.0305011, 1e-6)
        ->and(cup()->litresBelow(-3))->toBe(0.0)
        ->and(cup()->litresBelow(500))->toBe(cup()->litres());
});

function choose(Cup $cup, array $owned = [], ?float $raise = null, UnitSystem $system = UnitSystem::Metric): ?string
{
    return SawChoice::for($cup, SawSeries::owned($owned, $system), SawSeries::stock($system), $raise)?->name();
}

it('chooses the saw that seats a cup snugly, then the least play, then a small wedge, or none', function () {
    // 51 leaves 1 of play and 3 held aside; 54 would leave 4 of play and nothing held aside.
    expect(choose(cup()))->toBe('51 mm')
        ->and(choose(cup(), system: UnitSystem::Us))->toBe('2 in')
        // Of 50.5 to 53 the one whose play is nearest 1.5, and of two as near the smaller.
        ->and(choose(cup(), [53.0, 52.0, 50.6]))->toBe('52 mm')
        ->and(choose(cup(), [52.25, 50.75]))->toBe('51 mm')
        // lip 53 leaves 1.5 of bearing only up to 50: nothing snug, so the least play.
        ->and(choose(cup(lip: 53)))->toBe('50 mm')
        // lip 51 leaves it up to 48, under the body: it wedges in the largest below 50, proud by 7.4 of 52.
        ->and(choose(cup(lip: 51)))->toBe('48 mm')
        // A body of 160 is wider than any saw: wedged in 152 it stands 8/20 of its height proud, and is traced instead.
        ->and(choose(cup(170, 160, 140, 52)))->toBeNull()
        ->and(choose(cup(170, 156, 130, 52)))->toBe('152 mm');
});

it('asks the grower\'s saws first, and stock where none of them does', function () {
    expect(choose(cup(), [51.0]))->toBe('51 mm')
        ->and(choose(cup(), [44.0]))->toBe('51 mm')
        ->and(choose(cup(), [44.0, 51.0, 54.0]))->toBe('51 mm')
        // Bearing enough and no more than 4 of play will do where the grower has it; more will not.
        ->and(choose(cup(), [54.0]))->toBe('54 mm')
        ->and(choose(cup(), [54.1]))->toBe('51 mm')
        ->and(choose(cup(lip: 53), [49.9, 48.0]))->toBe('50 mm');
});

it('says what a cup bears that is held aside', function () {
    expect(Seat::of(cup(), 54)->heldAside)->toBe(0.0)
        ->and(Seat::of(cup(), 51)->heldAside)->toBe(3.0)
        ->and(Seat::of(cup(), 53)->isSnug())->toBeTrue()
        ->and(Seat::of(cup(), 53.01)->isSnug())->toBeFalse()
        ->and(Seat::of(cup(), 50.5)->isSnug())->toBeTrue()
        ->and(Seat::of(cup(), 50.49)->isSnug())->toBeFalse()
        ->and(Seat::of(cup(), 53.01)->isLoose())->toBeTrue();
});

it('comes nearest to a wanted raise', function () {
    expect(choose(cup(), [], 22.0))->toBe('44 mm')
        ->and(choose(cup(), [], 0.0))->toBe('51 mm');
});

it('owns a saw within half a millimetre of the one that is needed, everywhere', function (float $own, float $hole, bool $owned) {
    $report = Gardens::report(Gardens::tub(['hole_mm' => $hole], ['saws_mm' => [$own]]));
    $saw = array_values(array_filter($report->parts, fn ($p) => str_starts_with($p->key, 'saw-')))[0];

    expect([$report->tubs[0]->hole->owned, $saw->owned > 0.0])->toBe([$owned, $owned]);
})->with([[54.0, 54.0, true], [53.975, 54.4, true], [54.0, 54.5, true], [54.0, 54.6, false], [54.0, 53.4, false]]);

it('has no saw for a cup wider than any', function () {
    expect(choose(cup(320, 300, 280, 100)))->toBeNull();
});

it('counts an inch and a metric saw within half a millimetre as one', function () {
    $metric = array_map(fn ($s) => $s->name(), SawSeries::stock(UnitSystem::Metric));
    $us = array_map(fn ($s) => $s->name(), SawSeries::stock(UnitSystem::Us));

    expect($metric)->toContain('54 mm', '51 mm', '50 mm', '1 5/8 in')
        ->and($metric)->not->toContain('2 1/8 in')
        ->and($us)->toContain('2 1/8 in', '2 in', '50 mm')
        ->and($us)->not->toContain('54 mm')
        ->and(count($metric))->toBe(count($us));
});

it('sets the water line by system and choice', function (GrowingSystem $system, LineChoice $choice, float $grown, float $start) {
    $line = WaterLine::of($system, $choice, 248, 300);

    expect($line->grown)->toEqualWithDelta($grown, 1e-9)
        ->and($line->start)->toEqualWithDelta($start, 1e-9);
})->with([
    [GrowingSystem::Aerated, LineChoice::Gap, 228, 248],
    [GrowingSystem::Aerated, LineChoice::Touch, 248, 248],
    [GrowingSystem::Aerated, LineChoice::HighStart, 273, 273],
    [GrowingSystem::Aerated, LineChoice::DrawnDown, 165.3333333333, 248],
    [GrowingSystem::Passive, LineChoice::Touch, 258, 258],
    [GrowingSystem::Passive, LineChoice::Third, 258, 258],
    [GrowingSystem::Raft, LineChoice::Gap, 250, 250],
    [GrowingSystem::Cloner, LineChoice::Gap, 198, 198],
    [GrowingSystem::Nursery, LineChoice::Gap, 228, 228],
]);

it('holds the third at a third of the cup-bottom height, and dips a raft\'s cups', function () {
    expect(WaterLine::of(GrowingSystem::Passive, LineChoice::Third, 249, 300)->held)->toBe(83.0)
        ->and(WaterLine::of(GrowingSystem::Raft, LineChoice::Gap, 248, 300)->cupBottom)->toBe(242.5);
});

it('plans every system', function (string $system) {
    $report = Gardens::report(Gardens::tub(['system' => $system, 'vessel' => 'tote-45', 'crop' => 'mizuna']));

    expect($report->tubs[0]->volume->working_l)->toBeGreaterThan(20.0)
        ->and($report->tubs[0]->layout->count)->toBeGreaterThan(0);
})->with(['aerated', 'passive', 'raft', 'cloner', 'nursery']);

it('hangs a cup in a jar\'s mouth without a saw, and saws a lid for a small cup', function () {
    $mouth = Gardens::report(Gardens::tub(['system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75', 'crop' => 'dill']))->tubs[0];
    $sawn = Gardens::report(Gardens::tub(['system' => 'passive', 'vessel' => 'jar-1', 'crop' => 'dill']))->tubs[0];

    expect($mouth->hole->saw)->toBeNull()
        ->and($mouth->hole->diameter_mm)->toBe(78.0)
        ->and($mouth->hole->seat)->toBe('lip')
        ->and($mouth->levels->cup_bottom_mm)->toBe(93.0)
        ->and($mouth->levels->water_line_mm)->toBe(103.0)
        ->and($mouth->layout->edge_mm)->toBeNull()
        ->and($sawn->hole->saw)->toBe('51 mm');
});

it('finds what is wrong with a hole', function (array $tub, string $finding) {
    expect(Gardens::findings(Gardens::tub($tub)))->toContain($finding);
})->with([
    'falls through' => [['hole_mm' => 58], 'stop cup.falls-through'],
    'does not enter' => [['hole_mm' => 30], 'stop cup.does-not-enter'],
    'wedged' => [['hole_mm' => 44], 'mind cup.wedged'],
    'bearing' => [['hole_mm' => 56], 'mend cup.bearing'],
    'bearing on a thin lid' => [['hole_mm' => 56, 'vessel' => 'bucket-5'], 'stop cup.bearing'],
    'play' => [['hole_mm' => 54.9], 'mind cup.play'],
    'held aside' => [['hole_mm' => 53.5], 'mind cup.play'],
    'too deep' => [
        ['cup' => ['lip_diameter_mm' => 58, 'top_diameter_mm' => 50, 'bottom_diameter_mm' => 36, 'height_mm' => 400]],
        'stop cup.too-deep',
    ],
    'too small for the crop' => [['crop' => 'tomato-dwarf'], 'mind crop.cup'],
]);

it('offers the saw that seats a loose cup snugly, whether the hole was given or comes from a saw at hand', function (
    array $tub,
    array $saws,
    ?int $hole,
) {
    $garden = Gardens::tub($tub, $saws === [] ? [] : ['saws_mm' => $saws]);
    $finding = current(array_filter(Gardens::report($garden)->findings, fn ($f) => $f->code === 'cup.play'));
    $remedy = $finding->remedies[0];

    expect($remedy->says)->toBe('Cut it with the 51 mm saw')
        ->and(Gardens::deeds($remedy->patch))->toEqual([(object) ['op' => 'add', 'path' => '/tubs/0/hole_mm', 'value' => $hole]]);
})->with([
    'a hole that was given' => [['hole_mm' => 54.9], [], null],
    'the only saw at hand' => [[], [54], 51],
]);

it('says nothing of a wedge that was asked for', function () {
    expect(Gardens::findings(Gardens::tub(['raise_mm' => 22])))->not->toContain('mind cup.wedged')
        ->and(
            Gardens::report(Gardens::tub(['raise_mm' => 22]))->tubs[0]->levels->cup_bottom_mm,
        )->toEqualWithDelta(365 - 52 + 22.2857, 1e-3);
});
