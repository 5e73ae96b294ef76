<?php

declare(strict_types=1);

use KelpTub\Core\Build\Step;
use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\Sprouting;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Build\BuildReport;
use KelpTub\Core\Marks\Build\BuildSheet;
use Tests\Core\Gardens;

/** @return array<string, Step> by key, in their order */
function raisedIn(Garden $garden): array
{
    $steps = BuildSheet::of(Gardens::plan($garden), $garden->tubs[0])->steps;

    return array_combine(array_column($steps, 'key'), $steps);
}

it('begins a sheet with the seeds: when, how many, how, and how warm', function () {
    $garden = Gardens::tub(['crop' => 'lettuce-leaf', 'count' => 2]);
    $sheet = raisedIn($garden);
    $plants = Gardens::tubPlan($garden)->plants->count;

    expect(array_slice(array_keys($sheet), 0, 3))->toBe(['sow', 'raise', 'check'])
        ->and($sheet['sow']->does)->toStartWith('Begin 14 days before the plants go in. Soak the plugs')
        ->and($sheet['sow']->does)->toContain('Put 2 seeds in each plug, press them on and leave them uncovered: they come up in light.')
        ->and($sheet['sow']->figures)->toBe([
            'Plugs' => (string) (2 * $plants),
            'Warmth' => "12\u{202F}°C to 22\u{202F}°C",
            'Up in about' => '3 days',
        ])
        ->and(array_keys($sheet['sow']->parts))->toBe(['plug-stone-wool', 'seed-lettuce-leaf'])
        ->and($sheet['raise']->does)->toContain("16\u{202F}h a day")->toContain('cut the weaker off')
        ->and($sheet['raise']->figures)->toBe([
            'Leave in each' => '1',
            'Ready' => 'roots show below the plug, some 14 days after sowing',
        ]);
});

it('says on which day where the day of planting is known', function () {
    $site = ['site' => ['weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'start' => '2027-03-16']]];
    $says = fn (string $crop): string => raisedIn(Gardens::tub(['crop' => $crop], $site))['sow']->does;

    // 14 days before 16 March, and 42, over the end of February.
    expect($says('lettuce-leaf'))->toContain('before the plants go in, on 2 March 2027.')
        ->and($says('chilli'))->toContain('42 days before the plants go in, on 2 February 2027.');
});

it('sows in light, in the dark or just under the top, and thins where more are sown than stay', function (
    string $crop,
    string $how,
    bool $thins,
) {
    $sheet = raisedIn(Gardens::tub(['crop' => $crop]));

    expect($sheet['sow']->does)->toContain($how)
        ->and(str_contains($sheet['raise']->does, 'cut the weaker off'))->toBe($thins);
})->with([
    'in light' => ['celery', 'Put 4 seeds in each plug, press them on and leave them uncovered', true],
    'in the dark' => ['cucumber', 'Put one seed in each plug, twice as deep as a seed is thick', false],
    'either' => ['kale', 'Put 2 seeds in each plug, just under the top.', true],
]);

it('begins with the slowest of several, and says each by its name', function () {
    $garden = Gardens::tub(['vessel' => 'tote-45', 'crops' => [['crop' => 'mizuna'], ['crop' => 'celery-leaf']]]);
    $sheet = raisedIn($garden);
    $drawn = BuildReport::of(Gardens::plan($garden), $garden->tubs[0])->sowing;

    expect($sheet['sow']->does)->toStartWith('Begin 35 days before the plants go in with leaf celery, the slowest.')
        ->toContain('Of leaf celery put 4 seeds')->toContain('Of mizuna put 2 seeds')
        ->and($sheet['sow']->figures['Mizuna: begin'])->toBe('12 days before the plants go in')
        ->and(array_column($drawn, 'ready_days', 'crop'))->toBe(['celery-leaf' => 35, 'mizuna' => 12])
        ->and(array_sum(array_column($drawn, 'plugs')))->toBe(Gardens::tubPlan($garden)->plants->count)
        ->and($drawn[0]->leave)->toBe(2)->and($drawn[0]->in)->toBe('light')->and($drawn[0]->up_days)->toBe(14);
});

it('sends seeds to a warmer place only where the garden is too cool for them', function (float $air, bool $warns) {
    $does = raisedIn(Gardens::tub(['crop' => 'chilli'], ['site' => ['air_temperature_c' => $air]]))['sow']->does;

    expect(str_contains($does, 'where it is warmer than this garden’s'))->toBe($warns);
})->with([[21.9, true], [22.0, false]]);

it('sows nothing beforehand where plants are bought, cut, or sown in the cups, and uses every part all the same', function (array $tub) {
    $sheet = raisedIn(Gardens::tub($tub));
    $bought = array_filter(array_keys(array_merge(...array_column($sheet, 'parts'))), fn (string $k): bool => str_starts_with($k, 'plug-'));

    expect(array_keys($sheet))->not->toContain('sow', 'raise')
        ->and(array_diff($bought, array_keys($sheet['plant']->parts)))->toBe([]);
})->with([
    'bought' => [['crop' => 'basil', 'started' => 'seedling']],
    'cut' => [['system' => 'cloner', 'vessel' => 'tote-20', 'crop' => 'soft-cuttings']],
    'in the cups' => [['crop' => 'rocket', 'started' => 'seed']],
]);

it('says how many seeds go into a cup, and how many are left', function () {
    $does = raisedIn(Gardens::tub(['crop' => 'rocket', 'started' => 'seed']))['plant']->does;

    expect($does)->toContain('Put 4 seeds in each cup, just under the top. Later leave the best 3 in each.')
        ->toContain('wet them from above until roots reach the water');
});

it('takes what a crop of one’s own does not say from its group, and knows it of every crop that is shipped', function () {
    $row = get_object_vars(Gardens::library()->crops->raw('kale'));
    $columns = ['seeds_per_plug', 'germinate_low_c', 'germinate_high_c', 'germinate_in', 'thin_to'];
    $bare = array_diff_key($row, array_flip($columns));
    $own = Crop::fromRow((object) [...$bare, 'group' => 'fruit', 'germinate_low_c' => 25], 'own')->sowing;

    expect([$own?->seeds, $own?->lowC, $own?->highC, $own?->in, $own?->thinTo])->toBe([2, 25.0, 28.0, Sprouting::Dark, 1]);
    foreach (Gardens::library()->crops as $key => $crop) {
        $raw = Gardens::library()->crops->raw((string) $key);
        expect(array_filter($columns, fn (string $c): bool => ! isset($raw->{$c})))->toBe([], (string) $key)
            ->and($crop->sowing === null)->toBe($crop->group === CropGroup::Cutting, (string) $key);
        if ($crop->sowing !== null) {
            expect($crop->sowing->seeds)->toBeGreaterThanOrEqual($crop->sowing->thinTo, (string) $key)
                ->and($crop->sowing->highC - $crop->sowing->lowC)->toBeGreaterThanOrEqual(4.0, (string) $key)
                ->and($crop->daysGerminate)->toBeLessThan($crop->daysSowToTransplant, (string) $key);
        }
    }
});
