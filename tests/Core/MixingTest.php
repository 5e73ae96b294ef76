<?php

declare(strict_types=1);

use KelpTub\Core\Feed\Disinfectant;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Feed\Mixing;
use KelpTub\Core\Feed\Stage;
use KelpTub\Core\Feed\Strength;
use KelpTub\Core\Feed\Target;
use KelpTub\Core\Feed\Water;
use KelpTub\Core\Feed\WaterSource;
use Tests\Core\Gardens;

// Figures of the feed by hand, each of a line that no quick test looked at.

/** The feed of a key in water of 0.4 mS/cm, for crops that want 1.2 to 1.8. */
function mixingOf(string $key): Mixing
{
    return new Mixing(Gardens::library()->products->get($key), Strength::ByStage, new Target(1.2, 1.8, 0.0), 0.4);
}

it('pours a top-up of a share of what a fill has, above the water itself', function (float $share, float $ec) {
    // Grown, the fill is at 1.5, which is 1.1 above the water.
    $mixing = mixingOf('one-part-liquid');
    expect($mixing->ecAt(Stage::Grow))->toEqualWithDelta(1.5, 1e-9)
        ->and($mixing->topUpEc(Stage::Grow, $share))->toEqualWithDelta($ec, 1e-9);
})->with([[0.0, 0.4], [0.25, 0.4 + 1.1 / 4], [0.5, 0.95], [1.0, 1.5]]);

it('knows neither the strongest nor the doses of a feed whose label tells no EC', function () {
    $mixing = mixingOf('organic-liquid');
    expect($mixing->strongest(Stage::Grow))->toBeNull()->and($mixing->dosesUp(0.5, 10.0, Stage::Grow))->toBe([])
        ->and($mixing->topUpEc(Stage::Grow, 0.5))->toBeNull()->and($mixing->topUpEc(Stage::Grow, 0.0))->toBe(0.4)
        // One that does: 4 mL at 0.38 to the litre.
        ->and(mixingOf('one-part-liquid')->strongest(Stage::Grow))->toEqualWithDelta(0.4 + FeedProduct::MOST_OF_LABEL * 1.52, 1e-9);
});

it('doses each part by its share at the stage, by the litres and by the share of full strength', function () {
    $amounts = array_map(
        static fn (Dose $dose): float => $dose->amount,
        Gardens::library()->products->get('three-part-liquid')->doses(0.5, 10.0, Stage::Grow),
    );
    // 1.5 mL of each to the litre; growing, once, 1.4 and 0.6 of it.
    expect($amounts)->toHaveCount(3)->and($amounts[0])->toEqualWithDelta(7.5, 1e-9)
        ->and($amounts[1])->toEqualWithDelta(10.5, 1e-9)->and($amounts[2])->toEqualWithDelta(4.5, 1e-9);
});

it('blends waters by volume, whatever their parts add up to', function () {
    $tap = new Water(WaterSource::Tap, 0.6, 7.4, 120.0);
    $blend = Water::blend([[$tap, 2.0], [new Water(WaterSource::Rain, 0.0, null, 30.0), 1.0]]);
    expect($blend->ec)->toEqualWithDelta(0.4, 1e-12)->and($blend->alkalinity)->toEqualWithDelta(90.0, 1e-12);
});

it('goes over to the next stage on the very day', function (float $x, bool $fruit, Stage $stage) {
    expect(Stage::of($x, $fruit, true))->toBe($stage);
})->with([
    [0.1499, false, Stage::Seedling], [0.15, false, Stage::Grow], [0.5999, true, Stage::Grow], [0.6, true, Stage::Bloom],
    [0.6, false, Stage::Grow],
]);

it('lets chlorine stand for a day, and says of chloramine that standing does not help', function () {
    expect(Disinfectant::None->standingHours())->toBe(0)->and(Disinfectant::Chlorine->standingHours())->toBe(24)
        ->and(Disinfectant::Chloramine->standingHours())->toBeNull();
});
