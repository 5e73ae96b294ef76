<?php

declare(strict_types=1);

use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Light\Lamp;
use KelpTub\Core\Light\Window;
use KelpTub\Core\Season\DayLight;
use KelpTub\Core\Season\WeatherDay;
use Tests\Core\Gardens;

/** The worked lamp: 300 × 100 mm, 36 W at 2.0, 300 mm over the leaves. */
function workedLamp(): Lamp
{
    return new Lamp(null, 'Lamp', 36, 2.0, 300, 300, 100);
}

/** Basil in a tote in a room, in light as it is said. */
function litBasil(array $site, array $tub = []): Garden
{
    return Gardens::tub(['vessel' => 'tote-45', 'crop' => 'basil', 'layout' => ['cups' => 3], ...$tub], ['site' => (object) $site]);
}

/** @return stdClass|null the finding of light */
function lightSaid(Garden $garden): ?stdClass
{
    return array_column(Gardens::report($garden)->findings, null, 'code')['crop.light'] ?? null;
}

it('lights the worked field: 0.63 m², 97 µmol/m²s, 5.6 mol/m² in 16 hours', function () {
    $lamp = workedLamp();
    expect($lamp->field())->toEqualWithDelta(0.63, 1e-12)
        ->and($lamp->ppfd())->toEqualWithDelta(0.85 * 72 / 0.63, 1e-9)->toEqualWithDelta(97, 0.2)
        ->and($lamp->mol(16))->toEqualWithDelta(5.6, 0.01)
        ->and($lamp->kwhAMonth(16))->toEqualWithDelta(0.036 * 16 * 365 / 12, 1e-9);
});

it('says which hours, height or watts bring a light, and they do', function (float $mol) {
    $lamp = workedLamp();
    $high = $lamp->heightFor($mol, 16);
    expect($lamp->mol($lamp->hoursFor($mol)))->toEqualWithDelta($mol, 1e-9)
        ->and($lamp->at($high)->mol(16))->toEqualWithDelta($mol, 1e-9)
        ->and((new Lamp(null, '', $lamp->wattsFor($mol, 16), 2.0, 300, 300, 100))->mol(16))->toEqualWithDelta($mol, 1e-9);
})->with([3.0, 5.6, 9.0, 15.0]);

it('brings daylight by window, season and hemisphere', function () {
    $south = new DayLight(null, Window::South->midsummer());
    $below = new DayLight(null, Window::South->midsummer(), true);
    $day = new WeatherDay(20, 50, 16);
    expect($south->mol($day, 172))->toEqualWithDelta(6.0, 1e-12)
        ->and($south->mol($day, null))->toEqualWithDelta(4.0, 1e-12)
        ->and($south->mol($day, 355))->toEqualWithDelta(2.0, 0.002)
        ->and($below->mol($day, 172))->toEqualWithDelta(2.0, 1e-12)
        ->and(array_map(fn (Window $w): float => $w->midsummer(), Window::cases()))->toBe([6.0, 4.0, 4.0, 2.0])
        // Out of doors 3 and 4 for each hour of sun, 0.7 of it under a roof; a lamp's is added.
        ->and((new DayLight(sky: 1.0))->mol(new WeatherDay(20, 50, 14, 6.0), 100))->toBe(27.0)
        ->and((new DayLight(sky: 0.7))->mol(new WeatherDay(20, 50, 14, 6.0), 100))->toEqualWithDelta(18.9, 1e-12)
        ->and((new DayLight(lamp: 5.0, sky: 1.0))->mol(new WeatherDay(20, 50, 14, 0.0), 100))->toBe(8.0)
        ->and((new DayLight)->mol($day, 100))->toBeNull()
        // Clouds take the sky's and leave lamp and window.
        ->and((new DayLight(lamp: 5.0, window: 6.0))->mol($day->changed(0, 4), 172))->toBe(11.0)
        ->and((new DayLight(sky: 1.0))->mol((new WeatherDay(20, 50, 14, 6.0))->changed(0, 4), 172))->toBe(3.0);
});

it('grows by the light there is', function () {
    // Basil wants 16 mol: 5.6 are 0.35 of it, 0.3 + 0.7·0.1/0.5 = 0.44.
    $lamp = ['power_w' => 36, 'umol_j' => 2.0, 'height_mm' => 300, 'length_mm' => 300, 'width_mm' => 100];
    $growth = 0.3 + 0.7 * (workedLamp()->mol(16) / 16 - 0.25) / 0.5;
    $first = fn (Garden $garden): float => Gardens::fed($garden)->run()->days[0]->after->ages[0];
    $fed = Gardens::fed(litBasil(['lamp' => $lamp]));
    expect($fed->run()->days[0]->after->ages[0])->toEqualWithDelta($growth, 1e-12)
        ->and($fed->run()->harvestDay())->toEqualWithDelta(32 / $growth, 1e-6)
        // A tub's own lamp goes before that of the site, and the same light by hours alone is no light at all to speak of.
        ->and($first(litBasil(['lamp' => $lamp], ['lamp' => [...$lamp, 'power_w' => 150]])))->toBe(1.0)
        ->and($first(litBasil([])))->toBe(1.0)
        ->and($first(litBasil(['window' => 'north'])))->toBe(0.3);
});

it('asks for more light, and what it offers brings it', function (array $site, array $tub, string ...$says) {
    $garden = litBasil($site, $tub);
    $said = lightSaid($garden);
    expect($said->severity)->toBe('mind')->and($said->why)->toContain('Hours say how long');
    $offered = array_map(fn ($r): string => str_replace("\u{202F}", ' ', $r->says), $said->remedies);
    foreach ($says as $one) {
        expect(implode("\n", $offered))->toContain($one);
    }
    foreach ($said->remedies as $remedy) {
        expect(lightSaid(Gardens::applied($garden, $remedy->patch)))->toBeNull();
    }
})->with([
    'a lamp too weak' => [['lamp' => 'lamp-36w'], [], 'Take a lamp of'],
    'a lamp for too few hours, and too high' => [
        ['light_hours' => 8, 'lamp' => ['power_w' => 120, 'umol_j' => 2.4, 'height_mm' => 300, 'length_mm' => 300, 'width_mm' => 300]], [],
        'Light it', 'Hang the lamp',
    ],
    'a window alone' => [['window' => 'south'], [], 'Hang the'],
    'a lamp of its own' => [[], ['lamp' => 'lamp-18w'], 'Take a lamp of'],
]);

it('is content with enough, and judges by hours where nothing else is said', function () {
    expect(lightSaid(litBasil(['lamp' => 'lamp-120w'])))->toBeNull()
        ->and(lightSaid(litBasil([])))->toBeNull()
        ->and(lightSaid(litBasil(['light_hours' => 11]))->says)->toContain('hours of light')
        ->and(lightSaid(litBasil(['window' => 'south', 'lamp' => 'lamp-120w'])))->toBeNull();
});

it('buys lamps and pays for their power', function () {
    $needs = fn (Garden $garden): array => array_column(Gardens::report($garden)->parts, 'need', 'key');
    $power = fn (Garden $garden): float => Gardens::planner()->report($garden, whole: true)->budget->month->power;
    $kwh = 0.065 * 16 * 365 / 12;
    expect($needs(litBasil(['lamp' => 'lamp-65w'], ['count' => 3])))->toMatchArray(['lamp-65w' => 1])
        ->and($needs(litBasil([], ['lamp' => 'lamp-65w', 'count' => 3])))->toMatchArray(['lamp-65w' => 3])
        ->and($power(litBasil(['lamp' => 'lamp-65w'])) - $power(litBasil([])))->toEqualWithDelta($kwh * 0.3, 1e-9)
        ->and($power(litBasil([], ['lamp' => 'lamp-65w', 'count' => 3])) - $power(litBasil([], ['count' => 3])))
        ->toEqualWithDelta(3 * $kwh * 0.3, 1e-9);
});

it('says what falls beside the tub', function () {
    $light = Gardens::report(litBasil(['lamp' => 'lamp-120w']))->tubs[0]->light;
    expect($light->lamp->field_m2)->toEqualWithDelta(1.1 * 1.1, 1e-12)
        ->and($light->lamp->beside_pct)->toEqualWithDelta(100 * (1 - (0.58 * 0.39 - (4 - M_PI) * 0.05 ** 2) / 1.21), 0.1)
        ->and(Gardens::report(litBasil([]))->tubs[0]->light)->toBeNull();
});

it('refuses a lamp of no size, and one that there is not', function (mixed $lamp, string $pointer) {
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1, 'site' => ['lamp' => $lamp], 'tubs' => []];
    $faults = Gardens::faults((string) json_encode($garden));
    expect(implode("\n", $faults))->toContain($pointer);
})->with([
    [['power_w' => 36, 'length_mm' => 0, 'width_mm' => 100], '/site/lamp/length_mm'],
    [['power_w' => 36], '/site/lamp'],
    [['power_w' => 0, 'length_mm' => 10, 'width_mm' => 100], '/site/lamp/power_w'],
    ['lamp-of-no-shop', '/site/lamp'],
]);

it('takes what a crop of one\'s own does not say from its group, and says so', function () {
    $row = get_object_vars(Gardens::library()->crops->raw('basil'));
    unset($row['least_air_c'], $row['light_mol_day']);
    $garden = fn (array $row): Garden => Gardens::tub(
        ['crop' => 'mine'],
        ['library' => ['crops' => ['mine' => [...$row, 'name' => 'My basil']]]],
    );
    expect(Gardens::findings($garden($row)))->toContain('mind crop.assumed')
        ->and(Gardens::findings($garden([...$row, 'least_air_c' => 4, 'light_mol_day' => 16])))->not->toContain('mind crop.assumed');
    // The middle of each group in the table.
    $table = [];
    foreach (Gardens::library()->crops as $crop) {
        $table[$crop->group->value][] = $crop;
    }
    foreach (CropGroup::cases() as $group) {
        foreach (['leastAirC' => $group->leastAirC(), 'lightMolDay' => $group->lightMolDay()] as $figure => $middle) {
            $all = array_map(fn ($c): float => $c->{$figure}, $table[$group->value]);
            sort($all);
            $n = count($all);
            expect($middle)->toBe(($all[intdiv($n - 1, 2)] + $all[intdiv($n, 2)]) / 2);
        }
    }
});
