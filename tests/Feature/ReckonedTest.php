<?php

declare(strict_types=1);

use App\Gardens\GardenStore;
use App\Models\Garden;
use App\Version;

/** What the workbench of a garden is told on being opened. */
function opened(Garden $garden): array
{
    test()->withoutVite();
    $told = [];
    test()->get("/gardens/$garden->id")->assertOk()->assertInertia(function ($page) use (&$told) {
        $told = $page->toArray()['props']['before'];
    });

    return $told;
}

it('tells once what an older garden is reckoned otherwise, with yesterday\'s figures, and changes nothing of it', function () {
    $garden = app(GardenStore::class)->create((string) json_encode([
        'format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'Old',
        'site' => ['air_temperature_c' => 10, 'water_temperature_c' => 18],
        'water' => ['source' => 'tap', 'ec_ms_cm' => 0.8],
        'feeds' => [['id' => 'f', 'product' => 'two-part-dry']],
        'tubs' => [[
            'id' => 'a', 'name' => 'Deck', 'system' => 'aerated', 'vessel' => 'tote-45', 'crop' => 'lettuce-leaf', 'feed' => 'f',
            'layout' => ['cups' => 4],
        ]],
    ]));
    expect($garden->reckoned_by)->toBe(Version::NUMBER)->and(opened($garden))->toBe([]);

    // As one that was made by an earlier version stands in the table.
    Garden::query()->whereKey($garden->id)->update(['reckoned_by' => null]);
    $before = opened($garden);
    $said = array_map(fn (array $line): array => array_values(str_replace("\u{202F}", ' ', $line)), $before);
    // 0.8 of the water's own: before, half of 1.1 was met by it; now half of that goes in besides. 10 °C: 1/6 of each day is lost.
    expect($said)->toBe([
        ['Deck', 'first fill', '44 L', '40.1 L'],
        ['Deck', 'its strength', '1.08 mS/cm', '0.8 mS/cm'],
        ['Deck', 'first harvest', 'day 38', 'day 32'],
    ]);
    $then = Garden::query()->find($garden->id);
    $this->postJson("/api/gardens/$garden->id/told")->assertOk();
    $now = Garden::query()->find($garden->id);
    expect(opened($garden))->toBe([])->and($now->document)->toBe($then->document)->and($now->revision)->toBe($then->revision)
        ->and($now->updated_at)->toEqual($then->updated_at);
    $this->postJson('/api/gardens/nobody/told')->assertNotFound();
});
