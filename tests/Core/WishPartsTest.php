<?php

declare(strict_types=1);

use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Season\Leave;
use KelpTub\Core\Season\Nobody;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\WhatIf\NewTubAdvice;
use KelpTub\Core\Wish\Amount;
use KelpTub\Core\Wish\Bed;
use KelpTub\Core\Wish\BedChoices;
use KelpTub\Core\Wish\Beds;
use KelpTub\Core\Wish\Draft;
use KelpTub\Core\Wish\FloorPlan;
use KelpTub\Core\Wish\Front;
use KelpTub\Core\Wish\IntoGarden;
use KelpTub\Core\Wish\LeftOut;
use KelpTub\Core\Wish\Looser;
use KelpTub\Core\Wish\Portion;
use KelpTub\Core\Wish\Portions;
use KelpTub\Core\Wish\Search;
use KelpTub\Core\Wish\Selection;
use KelpTub\Core\Wish\Shortfall;
use KelpTub\Core\Wish\Shortfalls;
use KelpTub\Core\Wish\Steps;
use KelpTub\Core\Wish\Tried;
use KelpTub\Core\Wish\TubChoice;
use KelpTub\Core\Wish\Wish;
use KelpTub\Core\Wish\Workbench;
use Tests\Core\Gardens;
use Tests\Core\Wishes;

// What a search for designs is made of, each part by itself.

/** A workbench for a wish, with as many steps as it likes. */
function workbench(Wish $wish, ?Steps $steps = null): Workbench
{
    return new Workbench(Wishes::planner(), $wish, $steps ?? new Steps(100_000));
}

/** So many plants of some crops, to share tubs. */
function bedOf(Wish $wish, int $plants, string ...$crops): Bed
{
    return new Bed(array_map(
        static fn (string $crop): Portion => new Portion(Gardens::library()->crops->get($crop), $plants, $wish->eats[0]),
        array_values($crops),
    ));
}

/** A kind of tub as the search would look at it, its holes laid out. */
function tubChoice(Workbench $bench, Bed $bed, string $vessel, string $system = 'aerated', ?LeftOut $leftOut = null): ?TubChoice
{
    $choices = new BedChoices($bench, $leftOut ?? new LeftOut);
    foreach ($choices->of($bed) as $choice) {
        if ($choice->given === $vessel && $choice->system->value === $system) {
            return $choices->fitted($choice);
        }
    }

    return null;
}

/** A whole design of one kind of tub, for a wish. */
function designOf(
    Wish $wish,
    int $plants = 2,
    string $vessel = 'bucket-20',
    string $system = 'aerated',
    string $crop = 'lettuce-leaf',
): Tried {
    $bench = workbench($wish);

    return $bench->tried([tubChoice($bench, bedOf($wish, $plants, $crop), $vessel, $system)]);
}

/** @return list<Shortfall> */
function lacks(Tried $design, Wish $wish): array
{
    return (new Shortfalls($wish, new QuantityWriter(UnitSystem::from($wish->units))))->of($design);
}

/** A wish for two lettuces, with more. */
function salad(array $more = []): Wish
{
    return Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 2]], $more);
}

it('takes what was not said as most growers have it', function () {
    $wish = Wishes::of([['group' => 'leaf'], ['group' => 'herb'], ['crop' => 'basil'], ['group' => 'fruit'], ['group' => 'root']]);

    expect(get_object_vars($wish->room))->toBe([
        'length' => 1000.0, 'depth' => 500.0, 'height' => 2000.0, 'setting' => 'indoor', 'load' => 'ground', 'limitKg' => null,
        'mains' => true, 'window' => null, 'lamp' => false, 'lightHours' => null, 'airC' => null, 'climate' => 'cool-maritime',
        'from' => null, 'to' => null,
    ])->and(get_object_vars($wish->tending))->toBe([
        'visits' => 3, 'awayDays' => 3, 'meter' => false, 'drill' => true, 'systems' => [GrowingSystem::Aerated, GrowingSystem::Passive],
    ])->and([$wish->units, $wish->currency, $wish->cap, $wish->saws, $wish->vessels])->toBe(['metric', 'EUR', null, null, []])
        ->and($wish->owned)->toBe(['knife' => 1.0, 'marker' => 1.0, 'rule' => 1.0, 'jug' => 1.0, 'drill' => 1.0])
        ->and(array_map(static fn ($eat): array => [$eat->as->value, $eat->amount], $wish->eats))->toBe([
            ['heads_a_week', 1.0], ['plants', 3.0], ['plants', 1.0], ['plants', 1.0], ['heads_a_week', 1.0],
        ]);
});

it('writes down in the garden what was said of place, money and tools', function () {
    $place = ['setting' => 'covered', 'load' => 'balcony', 'limit_kg' => 150, 'light_hours' => 9, 'from' => '2027-04-20'];
    $wish = salad([
        'place' => $place, 'money' => ['cap' => 90, 'currency' => 'CHF'], 'tend' => ['meter' => true, 'drill' => false],
        'owned' => ['knife' => 0], 'saws_mm' => [51],
    ]);
    $garden = (new Draft($wish))->garden([], null, 'two-part-dry', 1234.0);

    expect(json_decode(json_encode($garden), true))->toBe([
        'format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'From a wish', 'units' => 'metric',
        'site' => [
            'setting' => 'covered', 'light_hours' => 9, 'load' => 'balcony', 'shelf_limit_kg' => 150, 'headroom_mm' => 1234,
            'weather' => ['kind' => 'typical', 'climate' => 'cool-maritime', 'seed' => 1, 'start' => '2027-04-20'],
        ],
        'money' => ['currency' => 'CHF', 'cap' => 90], 'testing' => 'meter', 'saws_mm' => [51],
        'owned' => ['knife' => 0, 'marker' => 1, 'rule' => 1, 'jug' => 1],
        'tubs' => [], 'air' => [],
        'feeds' => [['id' => 'feed-1', 'product' => 'two-part-dry', 'strength' => 'by-stage', 'ph_school' => 'window']],
        'plantings' => [],
    ]);
    $indoors = (new Draft(salad(['place' => ['air_c' => 23, 'window' => 'south', 'climate' => 'tropical']])))->garden([], null, 'x', null);
    expect(get_object_vars($indoors->site))
        ->toBe(['setting' => 'indoor', 'air_temperature_c' => 23.0, 'load' => 'ground', 'window' => 'south']);
    // Outside the year begins in May, where nobody said when.
    expect((new Draft(salad(['place' => ['setting' => 'open']])))->garden([], null, 'x', null)->site->weather->start)->toBe('2027-05-01');
});

it('writes a tub as it is planned: bored or traced, bare or covered, with air or still', function () {
    $wish = salad();
    $bench = workbench($wish);
    $bucket = tubChoice($bench, bedOf($wish, 2, 'lettuce-leaf'), 'bucket-20');
    expect(json_decode(json_encode($bucket->raw('a', 'f')), true))->toBe([
        'id' => 'a', 'name' => '20 L bucket, leaf lettuce', 'count' => 1, 'system' => 'aerated', 'vessel' => 'bucket-20',
        'cup' => 'net-cup-50', 'layout' => ['pattern' => 'grid', 'cups' => 2, 'holes' => null], 'crop' => 'lettuce-leaf', 'plants' => 2,
        'top_ups' => 'level', 'stones' => ['kind' => 'disc-100', 'count' => 1, 'height_mm' => 20], 'feed' => 'f',
    ])->and($bucket->lidTop)->toBe(365.0)->and($bucket->cups())->toBe(2);

    $coated = $bucket->with(['coated' => true, 'lamp' => 'lamp-x', 'traced' => true])->raw('a', null);
    expect([$coated->vessel->cover, $coated->vessel->key, $coated->lamp, $coated->cutting, $coated->tube_entry, isset($coated->feed)])
        ->toBe(['foil', 'bucket-20', 'lamp-x', 'traced', 'lid', false]);
    // Covered, it is the vessel that it was: it costs what it costs, and no light is said to fall into it.
    foreach (['jar-2' => 'sleeve', 'tote-clear-35' => 'foil', 'pail-3' => 'foil'] as $vessel => $cover) {
        $planner = Wishes::planner();
        $tub = tubChoice($bench, bedOf($wish, 1, 'basil'), $vessel, 'passive')->raw('a', null);
        $plan = $planner->plan(Gardens::of(['tubs' => [json_decode(json_encode($tub), true)]]));
        expect($tub->vessel->cover)->toBe($cover)
            ->and(array_filter($planner->findings($plan), static fn ($f): bool => $f->code === 'vessel.light'))->toBe([])
            ->and(array_column($plan->needs(), 'key'))->toContain($vessel)->toContain($cover);
    }

    // A jar lets light through, has no lid to be bored, and is filled once.
    $jar = tubChoice($bench, bedOf($wish, 1, 'basil'), 'jar-2', 'passive')->raw('j', 'f');
    expect([$jar->top_ups, isset($jar->layout), isset($jar->stones), isset($jar->tube_entry), $jar->plants])
        ->toBe(['none', false, false, false, 1]);

    // What climbs has something to climb on; several crops are told one by one.
    $tall = Wishes::of([['crop' => 'cucumber']], ['place' => ['height_mm' => 4000]]);
    $climbs = tubChoice(workbench($tall), bedOf($tall, 1, 'cucumber'), 'bucket-30');
    $shared = tubChoice($bench, bedOf($wish, 1, 'basil', 'parsley'), 'tote-20');
    expect($climbs?->raw('t', 'f')->trellis ?? null)->toBeTrue()
        ->and(json_decode(json_encode($shared->raw('s', 'f')->crops), true))
        ->toBe([['crop' => 'basil', 'plants' => 1], ['crop' => 'parsley', 'plants' => 1]])
        ->and(isset($shared->raw('s', 'f')->crop))->toBeFalse();
    // Traced and cut where there is no drill, bored where there is.
    $noDrill = salad(['tend' => ['drill' => false]]);
    expect(tubChoice(workbench($noDrill), bedOf($noDrill, 2, 'lettuce-leaf'), 'bucket-20')->traced)->toBeTrue()
        ->and($bucket->traced)->toBeFalse();
});

it('lists what holds a bed, and says what it leaves out before it is planned', function () {
    $leftOut = new LeftOut;
    $choices = static fn (Wish $wish, string ...$crops): array => array_map(
        static fn (TubChoice $c): string => (is_string($c->given) ? $c->given : $c->given->name)." {$c->system->value}",
        (new BedChoices(workbench($wish), $leftOut))->of(bedOf($wish, 1, ...($crops === [] ? ['lettuce-leaf'] : $crops))),
    );
    $vessels = count(iterator_to_array(Gardens::library()->vessels));
    expect(count($choices(salad(['place' => ['length_mm' => 3000, 'depth_mm' => 3000, 'height_mm' => 3000]]))))->toBe(2 * $vessels)
        ->and($leftOut->toAnswer())->toBe([]);

    // Chilli does badly in still water; a bucket of 365 mm and 220 mm of lettuce want 585 mm, to the millimetre.
    expect(preg_grep('/passive/', $choices(salad(), 'chilli')))->toBe([])
        ->and($choices(salad(['place' => ['height_mm' => 585]])))->toContain('bucket-20 aerated')
        ->and($choices(salad(['place' => ['height_mm' => 584]])))->not->toContain('bucket-20 aerated')
        ->and($choices(salad(['place' => ['length_mm' => 287, 'depth_mm' => 287]])))->toContain('bucket-20 aerated')
        ->and($choices(salad(['place' => ['length_mm' => 287, 'depth_mm' => 286]])))->not->toContain('bucket-20 aerated')
        ->and($choices(salad(['place' => ['length_mm' => 286, 'depth_mm' => 900]])))->not->toContain('bucket-20 aerated')
        ->and($choices(salad(['tend' => ['systems' => ['passive']]])))->toContain('bucket-20 passive')
        ->not->toContain('bucket-20 aerated')
        ->and(preg_grep('/^(jar|bottle)/', $choices(salad(), 'basil', 'parsley')))->toBe([])
        // A tote may be turned.
        ->and($choices(salad(['place' => ['length_mm' => 450, 'depth_mm' => 900]])))->toContain('tote-45 aerated');
    $says = array_column($leftOut->toAnswer(), 'says');
    sort($says);
    expect($says)->toBe([
        'does badly in still water', 'holds one plant, and several were to share it', 'is too high with its plants',
        'is too large for the floor',
    ]);

    // By US measures come vessels that are sold by them, and what is there already.
    $us = $choices(salad(['units' => 'us', 'vessels' => ['bucket-20']]));
    expect($us)->toContain('bucket-19 aerated')->toContain('jar-quart passive')->toContain('bucket-20 aerated')
        ->not->toContain('bucket-10 aerated');
    $crock = ['name' => 'Crock', 'kind' => 'other', 'opacity' => 'opaque', 'stations' => [
        ['height_mm' => 0, 'diameter_mm' => 280], ['height_mm' => 320, 'diameter_mm' => 300],
    ]];
    // What costs nothing more comes first.
    $own = salad(['vessels' => [$crock], 'tend' => ['systems' => ['aerated']]]);
    expect(array_slice($choices($own), 0, 3))->toBe(['bottle-2 aerated', 'bottle-5 aerated', 'Crock aerated'])
        ->and($own->owned['own-0'])->toBe(1.0);
    $owned = salad(['owned' => ['tote-90' => 1], 'tend' => ['systems' => ['aerated']]]);
    expect(array_slice($choices($owned), 0, 3))->toContain('tote-90 aerated');
});

it('takes as many alike as hold the plants, each with its even share', function () {
    $wish = salad(['place' => ['length_mm' => 9000, 'depth_mm' => 900]]);
    $bench = workbench($wish);
    $leftOut = new LeftOut;
    $of = static fn (int $plants, string $vessel): ?array => ($c = tubChoice(
        $bench, bedOf($wish, $plants, 'lettuce-leaf'), $vessel, 'aerated', $leftOut,
    )) === null ? null : [$c->count, $c->plants];

    // Three lettuces to a 20 L bucket.
    expect($of(3, 'bucket-20'))->toBe([1, [3]])->and($of(4, 'bucket-20'))->toBe([2, [2]])
        ->and($of(7, 'bucket-20'))->toBe([3, [3]])
        ->and($of(36, 'bucket-20'))->toBe([12, [3]])->and($of(37, 'bucket-20'))->toBeNull()
        ->and(array_column($leftOut->toAnswer(), 'says'))->toBe(['would take more than 12 alike']);
    $shared = static fn (int $plants): ?TubChoice => tubChoice(
        $bench, bedOf($wish, $plants, 'basil', 'parsley'), 'bucket-20', 'aerated', $leftOut,
    );
    expect($shared(1)?->count)->toBe(1)->and($shared(1)->cups())->toBe(2)->and($shared(9))->toBeNull()
        ->and(array_column($leftOut->toAnswer(), 'says'))->toContain('does not hold so many plants');
    // Still water is filled once, topped up a quarter, or half; air goes by its line.
    $habits = static fn (string $system): array => array_map(
        static fn (TubChoice $c): string => $c->topUps->value,
        (new BedChoices($bench, $leftOut))->habits(tubChoice($bench, bedOf($wish, 1, 'basil'), 'bucket-10', $system)),
    );
    expect($habits('passive'))->toBe(['none', 'quarter', 'half'])->and($habits('aerated'))->toBe(['level']);
});

it('counts steps: one for a lid that is laid out, and for a plan two and one for each crop in a tub', function () {
    $wish = salad();
    $steps = new Steps(10);
    $bench = workbench($wish, $steps);
    $one = tubChoice($bench, bedOf($wish, 2, 'lettuce-leaf'), 'bucket-20', 'passive');
    // Laid out full, and with its two.
    expect($steps->taken())->toBe(2);
    $bench->tried([$one]);
    expect($steps->taken())->toBe(5);
    // What is known is not planned again.
    $bench->tried([$one]);
    expect($steps->taken())->toBe(5)->and($steps->share(1))->toBe(10)->and($steps->share(2))->toBe(7);
    $shared = tubChoice($bench, bedOf($wish, 1, 'basil', 'parsley'), 'tote-20', 'passive');
    $before = $steps->taken();
    $bench->tried([$one, $shared]);
    expect($steps->taken() - $before)->toBe(5)->and($steps->left())->toBe(0)->and((new Steps(7))->left())->toBe(7)
        // What is used up is shared no more.
        ->and($steps->share(3))->toBe($steps->taken());
});

it('takes the cheapest pump that will do, of those that run there', function () {
    $pump = static fn (Wish $wish, int $plants = 2): ?string => designOf($wish, $plants)->document->air[0]->pump ?? null;

    expect($pump(salad()))->toBe('pump-2w-1')
        ->and(designOf(salad(), system: 'passive')->document->air)->toBe([])
        ->and($pump(salad(['place' => ['mains' => false]])))->toBe('pump-solar-2')
        ->and(designOf(salad(['place' => ['mains' => false]]))->wantsMains())->toBeFalse()
        ->and(designOf(salad())->wantsMains())->toBeTrue()
        // On a boat a battery of 12 V feeds one.
        ->and(workbench(salad(['place' => ['mains' => false, 'load' => 'boat']]))->strongest(GrowingSystem::Aerated))->toBe('pump-12v-6')
        ->and(workbench(salad(['place' => ['mains' => false]]))->strongest(GrowingSystem::Aerated))->toBe('pump-solar-2')
        ->and(workbench(salad())->strongest(GrowingSystem::Aerated))->toBe('pump-35w-8')
        ->and(workbench(salad())->strongest(GrowingSystem::Passive))->toBeNull();
    // Six buckets want six stones: nothing of what is said against their air is worse than to be minded.
    $wide = salad(['place' => ['length_mm' => 5000]]);
    $six = designOf($wide, 18);
    expect($six->document->tubs[0]->count)->toBe(6)->and($six->lacksAir())->toBeFalse()->and($six->isSound())->toBeTrue();
    // A weaker one is not enough for them, and is said not to be.
    $weak = json_decode(GardenFile::encode($six->document));
    $weak->air[0]->pump = 'pump-2w-1';
    expect(workbench($wide)->of($six->tubs, $weak)->lacksAir())->toBeTrue();
    // What is over the lids of a room is what is over the tub that stands highest in it.
    expect($six->document->site->headroom_mm)->toBe(2000.0 - 365.0);
    $both = workbench($wide);
    $pair = [tubChoice($both, bedOf($wide, 1, 'lettuce-leaf'), 'tote-20'), tubChoice($both, bedOf($wide, 1, 'basil'), 'bucket-20')];
    expect($both->tried($pair)->document->site->headroom_mm)->toBe(2000.0 - 365.0);
});

it('lights what is dim with the cheapest lamp that is enough, and coats what grows hot', function () {
    $dark = ['window' => 'north', 'from' => '2027-01-10'];
    $dim = designOf(salad(['place' => $dark]));
    $lit = designOf(salad(['place' => [...$dark, 'lamp' => true]]));
    expect($dim->isDim())->toBeTrue()->and(isset($dim->document->tubs[0]->lamp))->toBeFalse()
        ->and($lit->isDim())->toBeFalse()->and($lit->document->tubs[0]->lamp)->toBeString()
        // Where one hangs already, or a window is enough, none is bought; without a window there is no light but that of a lamp.
        ->and(isset(designOf(salad(['place' => ['light_hours' => 16]]))->document->tubs[0]->lamp))->toBeFalse()
        ->and(isset(designOf(salad(['place' => ['lamp' => true, 'window' => 'south']]))->document->tubs[0]->lamp))
        ->toBe(designOf(salad(['place' => ['window' => 'south']]))->isDim())
        ->and(designOf(salad(['place' => ['lamp' => true, 'light_hours' => 16]]))->document->tubs[0]->lamp ?? null)->toBeString()
        ->and(designOf(salad(['place' => ['lamp' => true]]), 1, crop: 'basil')->isDim())->toBeFalse();
    // Where none is enough, the strongest.
    $tomato = designOf(salad(['place' => ['lamp' => true, 'light_hours' => 12]]), 1, crop: 'tomato-dwarf');
    expect($tomato->isDim())->toBeTrue()->and($tomato->document->tubs[0]->lamp)->toBe('lamp-120w');
    // No cheaper one would do.
    $library = Gardens::library();
    $bench = workbench(salad(['place' => [...$dark, 'lamp' => true]]));
    foreach ($library->lamps->keys() as $lamp) {
        if ($bench->price($lamp) < $bench->price($lit->document->tubs[0]->lamp)) {
            $document = json_decode(GardenFile::encode($lit->document));
            $document->tubs[0]->lamp = $lamp;
            expect($bench->of($lit->tubs, $document)->isDim())->toBeTrue($lamp);
        }
    }
    $sun = ['setting' => 'open', 'climate' => 'mediterranean', 'from' => '2027-06-01'];
    $hot = designOf(salad(['place' => $sun]));
    $uncoated = json_decode(GardenFile::encode($hot->document));
    $uncoated->tubs[0]->vessel = 'bucket-20';
    expect($hot->document->tubs[0]->vessel->cover ?? null)->toBe('foil')->and($hot->isInSun())->toBeTrue()
        ->and(count(workbench(salad(['place' => $sun]))->of($hot->tubs, $uncoated)->mends()))->toBeGreaterThan(count($hot->mends()));
    // In the shade nothing is coated, nor where it is not hot.
    $shade = designOf(salad(['place' => [...$sun, 'sun' => false]]));
    expect($shade->document->tubs[0]->vessel)->toBe('bucket-20')->and($shade->isInSun())->toBeFalse()
        ->and(designOf(salad(['place' => [...$sun, 'climate' => 'cool-maritime']]))->document->tubs[0]->vessel)->toBe('bucket-20')
        ->and(designOf(salad(['place' => [...$sun, 'setting' => 'covered']]))->isInSun())->toBeFalse()
        ->and(array_column(lacks($shade, salad(['place' => $sun])), 'says', 'path'))->toBe(['/place/sun' => 'shade over it']);
});

it('tells what a design takes up and by what it is held against others', function () {
    $design = designOf(salad(['place' => ['length_mm' => 3000]]), 4);
    $figures = $design->figures();

    expect($design->stands())->toBe([['lettuce-leaf', 2, 287.0, 287.0]])
        ->and($design->area())->toBe(2 * 287.0 * 287.0)
        ->and($design->height())->toBe(365.0 + 220.0)
        ->and($design->key())->toBe('2-bucket-20-'.$design->document->air[0]->pump)
        ->and(designOf(salad(), 1, 'jar-2', 'passive')->key())->toBe('1-jar-2-still')
        ->and($design->burden())->toBe([
            round($figures->outlay, 2), (float) $figures->visits_a_week, -round($figures->g_a_week[1]), -(float) $figures->away_days,
            -round($figures->outage_min), round(2 * 287 * 287 / 100),
        ])
        // Without a pump nothing can fail.
        ->and(designOf(salad(), system: 'passive')->burden()[4])->toBe(-1.0e6)
        ->and($figures->g_a_week)->toEqualWithDelta([0.6 * $design->grams(), 1.2 * $design->grams()], 1e-9)
        ->and($design->wantsDrill())->toBeTrue()
        ->and(designOf(salad(['tend' => ['drill' => false]]))->wantsDrill())->toBeFalse();
});

it('says to the figure what would have to be wished for a design, and nothing where it is just that', function () {
    $design = designOf(salad());
    $is = $design->figures();
    $lack = static fn (array $more): array => array_map(
        static fn (Shortfall $s): array => [$s->of, $s->says, $s->path, $s->value],
        lacks($design, salad($more)),
    );
    expect($lack([]))->toBe([])
        ->and($lack(['place' => ['height_mm' => 585, 'length_mm' => 287, 'depth_mm' => 287]]))->toBe([])
        ->and($lack(['place' => ['height_mm' => 584]]))
        ->toBe([['height', "16\u{202f}mm more height: 600\u{202f}mm", '/place/height_mm', 600.0]])
        ->and($lack(['place' => ['length_mm' => 286]]))
        ->toBe([['length', "14\u{202f}mm more length: 300\u{202f}mm", '/place/length_mm', 300.0]])
        ->and($lack(['place' => ['depth_mm' => 250]]))
        ->toBe([['depth', "50\u{202f}mm more depth: 300\u{202f}mm", '/place/depth_mm', 300.0]])
        ->and($lack(['money' => ['cap' => $is->outlay]]))->toBe([])
        ->and($lack(['money' => ['cap' => 60]]))->toBe([['cap', '14 EUR more to spend', '/money/cap', ceil($is->outlay)]])
        ->and($lack(['place' => ['limit_kg' => ceil($is->mass_kg)]]))->toBe([])
        ->and(array_column($lack(['place' => ['limit_kg' => 10]]), 0))->toBe(['limit'])
        ->and($lack(['tend' => ['visits_a_week' => $is->visits_a_week]]))->toBe([])
        ->and($lack(['tend' => ['visits_a_week' => 1]]))->toBe([['visits', '2 days a week to come', '/tend/visits_a_week', 2]])
        ->and($lack(['tend' => ['away_days' => 60]]))->toBe([])
        ->and($lack(['place' => ['mains' => false]]))->toBe([['mains', 'a socket near it', '/place/mains', true]])
        ->and($lack(['tend' => ['drill' => false]]))->toBe([['drill', 'a drill, borrowed for an afternoon', '/tend/drill', true]])
        ->and(array_column($lack(['place' => ['length_mm' => 286, 'depth_mm' => 287]]), 0))->toBe(['length'])
        ->and(array_column($lack(['place' => ['length_mm' => 287, 'depth_mm' => 286]]), 0))->toBe(['depth'])
        ->and(array_column($lack(['place' => ['length_mm' => 200, 'depth_mm' => 200]]), 0))->toBe(['length', 'depth'])
        ->and($lack(['tend' => ['systems' => ['passive']]]))
        ->toBe([['system', 'an air pump', '/tend/systems', ['aerated', 'passive']]]);
    // The nearest is the least, as a share of what was wished.
    $by = static fn (array $more): float => lacks($design, salad($more))[0]->by;
    expect($by(['place' => ['height_mm' => 500]]))->toEqualWithDelta(600 / 500 - 1, 1e-12)
        ->and($by(['money' => ['cap' => 50]]))->toEqualWithDelta(ceil($is->outlay) / 50 - 1, 1e-12)
        ->and($by(['money' => ['cap' => 0]]))->toEqualWithDelta(ceil($is->outlay) - 1, 1e-12)
        ->and($by(['tend' => ['visits_a_week' => 0]]))->toEqualWithDelta(2 / 7, 1e-12)
        ->and($by(['place' => ['limit_kg' => 10]]))->toEqualWithDelta(ceil($is->mass_kg) / 10 - 1, 1e-12);
    // A basil that drinks much cannot be left for weeks.
    $thirsty = designOf(Wishes::of([['crop' => 'tomato-dwarf']]), 1, 'bucket-10', crop: 'tomato-dwarf');
    $days = $thirsty->figures()->away_days;
    $away = lacks($thirsty, salad(['tend' => ['away_days' => $days + 5, 'visits_a_week' => 7]]));
    expect($days)->toBeLessThan(30)
        ->and([$away[0]->of, $away[0]->value, $away[0]->says])->toBe(['away', $days, "away for $days days at the longest"])
        ->and($away[0]->by)->toEqualWithDelta(5 / ($days + 5), 1e-12)
        ->and(lacks($thirsty, salad(['tend' => ['away_days' => $days, 'visits_a_week' => 7]])))->toBe([]);
});

it('asks for less in steps: room, money and work, then what binds it, then another month, then less of it', function () {
    $free = Looser::of(salad(['place' => ['length_mm' => 300, 'limit_kg' => 20], 'tend' => ['visits_a_week' => 0, 'away_days' => 9]]));
    expect(count($free))->toBe(1)
        ->and([$free[0]->room->length, $free[0]->room->depth, $free[0]->room->height, $free[0]->room->limitKg])
        ->toBe([20000.0, 20000.0, 20000.0, null])
        ->and([$free[0]->tending->visits, $free[0]->tending->awayDays])->toBe([7, 0]);
    foreach ([['place' => ['mains' => false]], ['tend' => ['drill' => false]], ['tend' => ['systems' => ['passive']]]] as $bound) {
        $ways = Looser::of(salad($bound));
        expect(count($ways))->toBe(2)->and($ways[1]->room->mains)->toBeTrue()->and($ways[1]->tending->drill)->toBeTrue()
            ->and($ways[1]->tending->systems)->toBe([GrowingSystem::Aerated, GrowingSystem::Passive]);
    }
    $library = Gardens::library();
    $outside = ['setting' => 'open', 'from' => '2027-01-01', 'to' => '2027-03-01'];
    $later = iterator_to_array(Looser::later(salad(['place' => $outside]), $library), false);
    expect(count($later))->toBe(11)->and($later[0][0])->toContain('begin on')->toContain('31')
        ->and([$later[0][2]->room->from, $later[0][2]->room->to])->toBe(['2027-01-31', '2027-03-31'])
        ->and($later[10][2]->room->from)->toBe('2027-12-02')
        ->and(json_encode($later[1][1]))->toBe(json_encode([
            ['op' => 'add', 'path' => '/place/from', 'value' => '2027-03-03'],
            ['op' => 'add', 'path' => '/place/to', 'value' => '2027-05-01'],
        ]))
        // Indoors no month is better than another; outside, where none was said, it is later than May.
        ->and(iterator_to_array(Looser::later(salad(), $library), false))->toBe([])
        ->and([...Looser::later(salad(['place' => ['setting' => 'open']]), $library)][0][2]->room->from)->toBe('2027-05-31');
    $much = Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 5], ['crop' => 'basil', 'g_a_week' => 100]]);
    $less = [...Looser::less($much, $library)];
    expect(array_column($less, 0))->toBe(['half as much', 'a quarter as much', 'an eighth as much'])
        ->and(array_map(static fn ($eat): float => $eat->amount, $less[0][2]->eats))->toBe([2.0, 50.0])
        ->and(array_map(static fn ($eat): float => $eat->amount, $less[1][2]->eats))->toBe([1.0, 25.0])
        ->and(array_map(static fn ($eat): float => $eat->amount, $less[2][2]->eats))->toBe([1.0, 12.5]);
});

it('tells each design from its neighbours in one sentence, the cheapest first', function () {
    $wish = salad(['place' => ['length_mm' => 3000], 'owned' => ['tote-45' => 1]]);
    $designs = [
        designOf($wish, 2, 'tote-45'), designOf($wish, 2, 'bucket-10', 'passive'), designOf($wish, 2, 'bucket-20'),
        designOf($wish, 2, 'tote-64'),
    ];
    $said = Selection::of($designs, $wish);
    $outlays = array_map(static fn (array $one): float => $one[0]->figures()->outlay, $said);
    $sorted = $outlays;
    sort($sorted);
    $of = [];
    foreach ($said as [$design, $says]) {
        $of[$design->tubs[0]->given] = $says;
    }
    expect($outlays)->toBe($sorted)
        ->and($of['bucket-10'])->toContain('heapest')->toContain('no power')->toEndWith('2 × 10 L bucket of leaf lettuce, still water.')
        ->and($of['tote-45'])->toContain('rom what you own')->toEndWith('45 L tote of leaf lettuce, with air.')
        ->and(count($said))->toBeGreaterThanOrEqual(3)
        ->and(Selection::of([], $wish))->toBe([])
        ->and(Selection::of([$designs[2]], $wish)[0][1])->toBe('The one that there is: 20 L bucket of leaf lettuce, with air.');
    // Two that are alike in all but the money: one word is said of one, and the other is another way.
    $twice = Selection::of([$designs[2], $designs[2]], $wish);
    expect(count($twice))->toBe(2)->and($twice[0][1])->toStartWith('Another way: ')->and($twice[1][1])->toStartWith('Another way: ');
    // Owned twice over is not owned once.
    $one = salad(['place' => ['length_mm' => 3000], 'owned' => ['bucket-20' => 1]]);
    expect(implode(' ', array_column(Selection::of([designOf($one, 4), designOf($one, 4, 'tote-45')], $one), 1)))
        ->not->toContain('what you own');
});

it('puts tubs along the front, deep ones behind, a hand apart', function () {
    $at = static fn (FloorPlan $plan): array => array_map(
        static fn (stdClass $s): array => [$s->tub, $s->copy, $s->x_mm, $s->y_mm, $s->length_mm, $s->depth_mm],
        $plan->stands,
    );
    $tubs = [['a', 2, 400.0, 300.0], ['b', 1, 500.0, 350.0]];
    expect($at(FloorPlan::of($tubs, 2000, 400)))->toBe([
        ['a', 1, 0.0, 0.0, 400.0, 300.0], ['a', 2, 420.0, 0.0, 400.0, 300.0], ['b', 1, 840.0, 0.0, 500.0, 350.0],
    ])->and($at(FloorPlan::of($tubs, 1000, 500)))->toBe([
        ['a', 1, 0.0, 0.0, 300.0, 400.0], ['a', 2, 320.0, 0.0, 300.0, 400.0], ['b', 1, 640.0, 0.0, 350.0, 500.0],
    ])->and($at(FloorPlan::of($tubs, 820, 700)))->toBe([
        ['a', 1, 0.0, 0.0, 400.0, 300.0], ['a', 2, 420.0, 0.0, 400.0, 300.0], ['b', 1, 0.0, 320.0, 500.0, 350.0],
    ]);
    $plan = FloorPlan::of($tubs, 820, 700);
    expect([$plan->length, $plan->depth])->toBe([820.0, 670.0])->and(count(FloorPlan::ways($tubs)))->toBe(6);
});

it('puts a design into a garden that is there, under names of its own, and takes nothing from it', function () {
    $wish = salad();
    $design = designOf($wish)->document;
    $sown = ['tub' => 'lettuce-leaf', 'crop' => 'lettuce-leaf', 'cups' => [1, 2], 'sown' => '2027-04-01'];
    $design->plantings = [(object) ['id' => 'p', ...$sown]];
    $garden = Gardens::of([
        'owned' => ['drill' => 1],
        'feeds' => [['id' => 'feed-1', 'product' => 'two-part-dry']],
        'tubs' => [['id' => 'lettuce-leaf', 'system' => 'passive', 'vessel' => 'jar-2', 'crop' => 'basil', 'cup' => 'net-cup-50']],
    ]);
    $patch = (new IntoGarden($garden, Gardens::library()))->patch($design);
    $after = json_decode(json_encode(\KelpTub\Core\File\PatchedDocument::of($garden->document, $patch)));

    expect(array_column($after->tubs, 'id'))->toBe(['lettuce-leaf', 'lettuce-leaf-2'])
        ->and($after->tubs[1]->feed)->toBe('feed-1-2')
        ->and(array_column($after->feeds, 'id'))->toBe(['feed-1', 'feed-1-2'])
        ->and($after->air[0]->branches[0]->tub)->toBe('lettuce-leaf-2')
        ->and($after->plantings[0]->tub)->toBe('lettuce-leaf-2')->and($after->plantings[0]->id)->toBe('p')
        ->and(get_object_vars($after->owned))->toBe(['drill' => 1])
        ->and(Gardens::reader()->read(json_encode($after))->tubs[1]->body->vessel->key)->toBe('bucket-20');
});

it('chooses a feed that none of the crops wants better, of fewest parts', function () {
    $feed = static function (string $crop): string {
        $bench = workbench(Wishes::of([['crop' => $crop]]));
        (new Portions($bench, new LeftOut))->all();

        return $bench->product;
    };
    $first = Workbench::products(Gardens::library())[0];
    $parts = static fn (string $key): int => count(Gardens::library()->products->get($key)->parts);
    expect($feed('lettuce-leaf'))->toBe($first)
        ->and($parts($feed('tomato-dwarf')))->toBeGreaterThanOrEqual($parts($first));
    foreach (Workbench::products(Gardens::library()) as $key) {
        $product = Gardens::library()->products->raw($key);
        expect([($product->kind ?? '') === 'supplement', $product->organic ?? false])->toBe([false, false]);
    }
    $counts = array_map($parts, Workbench::products(Gardens::library()));
    $sorted = $counts;
    sort($sorted);
    expect($counts)->toBe($sorted);
});

it('refuses dates that lie apart too far, and takes those that just do not', function () {
    $faults = static fn (string $to): array => Wishes::faults([
        'format' => 'kelp-tub.wish', 'version' => 1, 'eat' => [['crop' => 'basil']], 'place' => ['from' => '2027-01-01', 'to' => $to],
    ]);
    // 420 days.
    expect($faults('2028-02-25'))->toBe([])->and(implode($faults('2028-02-26')))->toContain('420')
        ->and($faults('2027-01-01'))->toBe([])->and($faults('2026-12-31'))->not->toBe([]);
});

it('counts reasons, the most frequent first, and by their words where they are alike', function () {
    $leftOut = new LeftOut;
    foreach (['b', 'c', 'a', 'c'] as $why) {
        $leftOut->because($why);
    }
    $leftOut->because('a', 0);
    expect(array_map(static fn (stdClass $l): array => [$l->says, $l->count], $leftOut->toAnswer()))->toBe([['c', 2], ['a', 1], ['b', 1]]);
});

it('counts plants for a week after week: a cup is taken as long as its plant takes', function () {
    $leftOut = new LeftOut;
    $portions = static fn (array $eat, array $more = []): array => array_map(
        static fn (Portion $p): int => $p->plants,
        (new Portions(workbench(Wishes::of([$eat], $more)), $leftOut))->all(),
    );
    // Lettuce stands 32 days and a day between: 33 / 7 is 4.7 at a time for one a week.
    expect($portions(['crop' => 'lettuce-leaf', 'heads_a_week' => 1]))->toBe([5])
        ->and($portions(['crop' => 'lettuce-leaf', 'heads_a_week' => 3]))->toBe([15])
        ->and($portions(['crop' => 'lettuce-leaf', 'plants' => 7]))->toBe([7])
        // 150 g a head: 100 g a week are two thirds of a head, 3.2 cups.
        ->and($portions(['crop' => 'lettuce-leaf', 'g_a_week' => 100]))->toBe([4])
        // What bears on: so many as bear at a time.
        ->and($portions(['crop' => 'basil', 'heads_a_week' => 2]))->toBe([2])
        ->and($portions(['group' => 'herb', 'plants' => 5]))->toBe([2, 2, 1])
        ->and($portions(['group' => 'herb', 'plants' => 2]))->toBe([1, 1])
        ->and($portions(['group' => 'herb', 'heads_a_week' => 2]))->toBe([2])
        ->and($portions(['group' => 'leaf', 'plants' => 6]))->toBe([6])
        ->and($portions(['group' => 'leaf']))->toBe([5])
        // 25.4 of them are 119.7 cups, and 25.5 are 120.2.
        ->and($portions(['crop' => 'lettuce-leaf', 'heads_a_week' => 25.4]))->toBe([120])
        ->and($leftOut->toAnswer())->toBe([])
        ->and($portions(['crop' => 'lettuce-leaf', 'heads_a_week' => 25.5]))->toBe([])
        ->and(array_column($leftOut->toAnswer(), 'says'))->toBe(['so much leaf lettuce takes over 120 plants at a time']);
    // Where nobody can pour air in, and nothing high can stand, a group is what is left of it.
    $still = array_map(
        static fn (Portion $p): string => $p->crop->key,
        (new Portions(workbench(Wishes::of([['group' => 'fruit']], ['place' => ['height_mm' => 320]])), new LeftOut))->all(),
    );
    expect($still)->toBe(['strawberry']);
});

it('puts into one tub what likes the same feed, acidity and warmth, and nothing else', function () {
    $crops = iterator_to_array(Gardens::library()->crops);
    $wish = salad();
    $meets = static fn (object $a, object $b, string $low, string $high): bool => $a->{$low} <= $b->{$high} && $b->{$low} <= $a->{$high};
    $apart = ['ec' => 0, 'ph' => 0, 'warmth' => 0];
    foreach ($crops as $a) {
        foreach ($crops as $b) {
            $agree = [
                'ec' => $meets($a, $b, 'ecLow', 'ecHigh'),
                'ph' => $meets($a, $b, 'phLow', 'phHigh'),
                'warmth' => $meets($a, $b, 'waterTempLowC', 'waterTempHighC'),
            ];
            expect(Beds::getOn(bedOf($wish, 1, $a->key, $b->key)->portions))->toBe(! in_array(false, $agree, true), "$a->key and $b->key");
            foreach ($agree as $of => $is) {
                $apart[$of] += $is ? 0 : 1;
            }
        }
    }
    expect($apart['ec'])->toBeGreaterThan(0)->and($apart['warmth'])->toBeGreaterThan(0);
});

it('reads what a design comes to from its seasons: the first harvest, the busiest week, the shortest power cut', function () {
    $wish = salad(['place' => ['length_mm' => 3000]]);
    $bench = workbench($wish);
    $design = $bench->tried([
        tubChoice($bench, bedOf($wish, 3, 'lettuce-leaf'), 'bucket-20'), tubChoice($bench, bedOf($wish, 1, 'basil'), 'tote-20'),
        tubChoice($bench, bedOf($wish, 1, 'mizuna'), 'bucket-5', 'passive'),
        tubChoice($bench, bedOf($wish, 1, 'lettuce-romaine'), 'bucket-10'),
    ]);
    $plan = $design->plan;
    $crops = ['lettuce-leaf', 'basil', 'mizuna', 'lettuce-romaine'];
    $runs = array_map(static fn (string $tub) => $plan->get(FeedPlans::class)->of($tub)->run(), $crops);
    $days = array_map(static fn ($run): array => array_map(static fn ($d): int => $d->day, array_values(array_filter(
        $run->days, static fn ($d): bool => $d->isVisited(),
    ))), $runs);
    $visited = array_unique(array_merge(...$days));
    $busiest = 0;
    for ($from = 0; $from < 400; $from++) {
        $busiest = max($busiest, count(array_intersect($visited, range($from, $from + 6))));
    }
    $first = [];
    foreach ($crops as $i => $crop) {
        $first[] = (int) ceil(Gardens::library()->crops->get($crop)->daysBefore() + $runs[$i]->harvestOf(0));
    }
    $outages = [];
    foreach (['lettuce-leaf', 'lettuce-romaine'] as $tub) {
        $working = $plan->get(TubPlans::class)->tubs[$tub]->water->working();
        $outages[] = $plan->get(AirPlans::class)->tubs[$tub]->balance->outageMinutes($working);
    }
    // What is cut once is planted again a day after; what bears on counts over its weeks and one.
    $once = static fn ($run): float => 7 * $run->harvest(0) / ($run->harvestOf(0) + 1);
    $bearing = static fn ($run): float => 7 * $run->harvest(0) / ($run->lastOf(0) - $run->harvestOf(0) + 7);
    $grams = $once($runs[0]) + $bearing($runs[1]) + $bearing($runs[2]) + $once($runs[3]);
    $figures = $design->figures();
    expect($figures->visits_a_week)->toBe($busiest)
        ->and($figures->first_harvest_day)->toBe(min($first))->and(count(array_unique($first)))->toBeGreaterThan(1)
        ->and($figures->outage_min)->toBe(min($outages))->and(count(array_unique($outages)))->toBe(2)
        ->and($design->grams())->toEqualWithDelta($grams, 1e-9)
        ->and($figures->litres)->toEqualWithDelta(array_sum(array_map(static fn ($run): float => $run->start->volume, $runs)), 1e-9);
});

it('says how long one can be away: until the water is low, or sooner', function (string $crop, string $vessel, bool $isByWater) {
    $bench = workbench(Wishes::of([['crop' => $crop]]));
    $design = $bench->tried([tubChoice($bench, bedOf($bench->wish, 1, $crop), $vessel)]);
    $feed = $design->plan->get(FeedPlans::class)->of($crop);
    $season = $feed->with([]);
    $run = $feed->run();
    $least = 60;
    foreach ([0.5, 0.75, 0.9] as $share) {
        $day = (int) floor($share * $run->harvestDay());
        // Made ready the evening before, then left to itself.
        $next = $season->step($run->before($day - 1), new Leave($season->tub->policy, $day, 60));
        for ($away = 0; $away < 60; $away++) {
            $next = $season->step($next->after, new Nobody);
            if ($season->tub->isLow($next->after->volume)) {
                break;
            }
        }
        $least = min($least, $away);
    }
    $says = $design->figures()->away_days;
    expect($says)->toBeLessThanOrEqual($least);
    if ($isByWater) {
        expect($says)->toBe($least)->and($says)->toBeLessThan(60);
    }
})->with([
    'a thirsty tomato' => ['tomato-dwarf', 'bucket-10', true],
    'basil' => ['basil', 'bucket-5', false],
    'a lettuce in a pail' => ['lettuce-leaf', 'pail-3', false],
]);

it('says of each reason how many designs it put away, as whoever counts them does', function () {
    $library = Wishes::small(['bucket-10', 'bucket-20', 'tote-20'], ['pump-2w-1', 'pump-4w-2']);
    $wish = Wishes::of([['crop' => 'lettuce-leaf', 'plants' => 3]], ['tend' => ['visits_a_week' => 1], 'money' => ['cap' => 75]]);
    $search = new Search(Wishes::planner($library), $wish, new Steps(5000));
    $designs = $search->designs();
    $kept = array_values(array_filter($designs, static fn (Tried $t): bool => $search->shortfalls->of($t) === []));
    $least = min(array_map(static fn (Tried $t): int => count($t->mends()), $kept));
    $shown = array_values(array_filter($kept, static fn (Tried $t): bool => count($t->mends()) === $least));
    $could = $search->portions[0]->plants * $search->portions[0]->grams;
    foreach ($designs as $design) {
        expect($search->isRich($design))->toBe($design->grams() >= 0.5 * $could);
    }
    $rich = array_values(array_filter($shown, $search->isRich(...)));
    $shownRich = $rich === [] ? $shown : $rich;
    $answer = Wishes::answer($wish, 5000, $library);
    $counts = array_column($answer->left_out, 'count', 'says');

    expect($answer->looked_at)->toBe(count($designs))->and($answer->complete)->toBeTrue()
        ->and($counts['goes beyond what was wished'] ?? 0)->toBe(count($designs) - count($kept))
        ->and($counts['works badly in some way'] ?? 0)->toBe(count($kept) - count($shown))
        ->and($counts['brings less than half of what it could'] ?? 0)->toBe(count($shown) - count($shownRich))
        ->and($counts['another one beats it in everything'] ?? 0)->toBe(count($shownRich) - count(Front::of($shownRich)))
        ->and(min($counts))->toBeGreaterThan(0)
        ->and($answer->steps)->toBe($search->steps->taken());
    // With hardly a step it finds one all the same, and says that there may be more.
    $hasty = Wishes::answer($wish, 1, $library);
    expect($hasty->complete)->toBeFalse()->and($hasty->looked_at)->toBeGreaterThan(0)->and($hasty->looked_at)->toBeLessThan(count($designs))
        ->and(array_column($hasty->left_out, 'says'))->toContain('not looked at: the search has an end');
});

it('names what stops a tub', function (array $eat, array $more, string $says) {
    $answer = Wishes::answer(Wishes::of([$eat], $more), 400);
    expect(array_column($answer->left_out, 'says'))->toContain($says);
})->with([
    'no air' => [['crop' => 'tomato-dwarf', 'plants' => 6], ['place' => ['mains' => false, 'length_mm' => 4000]], 'has too little air'],
    'dry' => [['crop' => 'lettuce-leaf', 'plants' => 2], ['tend' => ['systems' => ['passive']]], 'runs dry before the harvest'],
    'frost' => [
        ['crop' => 'basil'], ['place' => ['setting' => 'open', 'climate' => 'continental', 'from' => '2027-09-20']],
        'basil comes to no harvest there and then',
    ],
]);

it('puts several beds together, six of the best of each of two and no more', function () {
    $vessels = ['bucket-10', 'bucket-20', 'tote-20', 'bucket-5', 'tote-12', 'pail-15', 'bucket-25'];
    $library = Wishes::small($vessels, ['pump-2w-1', 'pump-4w-2', 'pump-8w-4']);
    $eat = [['crop' => 'chilli', 'plants' => 1], ['crop' => 'lettuce-leaf', 'plants' => 2]];
    $wish = Wishes::of($eat, ['place' => ['length_mm' => 2500]]);
    $search = new Search(Wishes::planner($library), $wish, new Steps(20_000));
    $designs = $search->designs();
    $kinds = array_map(static fn (Tried $t): int => count($t->tubs), $designs);
    $of = static fn (int $i): int => count(array_unique(array_map(static fn (Tried $t): string => $t->tubs[$i]->key(), $designs)));

    expect(array_unique($kinds))->toBe([2])->and(count($designs))->toBeGreaterThan(6)->toBeLessThanOrEqual(36)
        ->and($of(0))->toBeLessThanOrEqual(6)->toBeGreaterThan(1)->and($of(1))->toBeLessThanOrEqual(6)->toBeGreaterThan(1)
        ->and($search->isComplete)->toBeTrue()
        ->and(array_column($search->leftOut->toAnswer(), 'says'))->toContain('a tub that others beat by themselves');
});

it('sows what is wanted every week again and again, until the day that was said', function () {
    $library = Wishes::small(['tote-45', 'bucket-20'], ['pump-4w-2']);
    $sown = static function (array $eat, array $place) use ($library): array {
        $answer = Wishes::answer(Wishes::of([$eat], ['place' => ['length_mm' => 2000, ...$place]]), 200, $library);

        return [$answer->designs[0]->garden->plantings, $answer->designs[0]->figures];
    };
    [$weekly] = $sown(['crop' => 'lettuce-leaf', 'heads_a_week' => 1], ['from' => '2027-01-10', 'to' => '2027-04-30']);
    [$long] = $sown(['crop' => 'lettuce-leaf', 'heads_a_week' => 1], ['from' => '2027-01-10']);
    [$grams] = $sown(['crop' => 'lettuce-leaf', 'g_a_week' => 100], ['from' => '2027-01-10', 'to' => '2027-04-30']);
    [$more] = $sown(['crop' => 'lettuce-leaf', 'g_a_week' => 200], ['from' => '2027-01-10', 'to' => '2027-04-30']);
    $cups = static fn (array $plantings): array => array_values(array_unique(array_map(
        static fn ($p): int => count($p->cups), $plantings,
    )));
    $ids = array_column($weekly, 'id');

    expect($ids)->toBe(array_map(static fn (int $n): string => "lettuce-leaf-$n", range(1, count($weekly))))
        ->and(count($weekly))->toBeGreaterThanOrEqual(8)
        ->and(array_unique(array_column($weekly, 'tub')))->toBe(['lettuce-leaf'])
        ->and(max(array_column($weekly, 'sown')))->toBeLessThan('2027-04-30')
        // Half a year, where no end was said.
        ->and(max(array_column($long, 'sown')))->toBeGreaterThan('2027-05-01')->toBeLessThan('2027-07-11')
        ->and(count($grams))->toBeGreaterThan(4)
        // Two thirds of a head a week are a cup each; a head and a third are two at first, till some is left over.
        ->and($cups($grams))->toBe([1])->and($cups($more))->toBe([2, 1])
        // Plants that were asked for once are set once, and where nobody said when, nothing is dated.
        ->and($sown(['crop' => 'lettuce-leaf', 'plants' => 4], ['from' => '2027-01-10'])[0])->toBe([])
        ->and($sown(['crop' => 'lettuce-leaf', 'heads_a_week' => 1], [])[0])->toBe([]);
});

it('finds of the wishes that fulfil it the nearest, for each thing that could be otherwise', function () {
    $library = Wishes::small(['bucket-10', 'bucket-20', 'bucket-25'], ['pump-2w-1', 'pump-4w-2']);
    $wish = salad(['place' => ['height_mm' => 400]]);
    $answer = Wishes::answer($wish, 1000, $library);
    // The lowest of the three, and the lettuce: 270 + 220 mm, to the next 25.
    expect($answer->designs)->toBe([])->and(count($answer->loosen))->toBe(1)
        ->and($answer->loosen[0]->says)->toContain("100\u{202f}mm more height")
        ->and($answer->loosen[0]->patch[0]->path)->toBe('/place/height_mm')->and($answer->loosen[0]->patch[0]->value)->toBe(500.0);
    // A first answer does not look into other wishes.
    expect(Wishes::answer($wish, Steps::FIRST, $library)->loosen)->toBe([])
        ->and(Wishes::answer($wish, Steps::FIRST + 1, $library)->loosen)->not->toBe([]);
    // Either a little money or a floor that bears more: each is told with what it takes.
    $both = Wishes::answer(salad(['money' => ['cap' => 20], 'place' => ['limit_kg' => 3]]), 1000, $library);
    expect(count($both->loosen[0]->patch))->toBe(2)
        ->and(array_column($both->loosen[0]->patch, 'path'))->toBe(['/place/limit_kg', '/money/cap'])
        ->and($both->loosen[0]->says)->toContain(', and ');
});

it('knows what is wanted week after week, and what beats what', function () {
    expect(array_map(static fn (Amount $as): bool => $as->isSteady(), Amount::cases()))->toBe([true, true, false])
        ->and(Front::beats([1.0, 2.0], [1.0, 2.0]))->toBeFalse()->and(Front::beats([1.0, 2.0], [2.0, 2.0]))->toBeTrue()
        ->and(Front::beats([1.0, 3.0], [2.0, 2.0], true))->toBeFalse();
});

it('takes what suffers least where nothing of a group likes it there, and says what it suffers', function () {
    $leftOut = new LeftOut;
    $wish = Wishes::of([['group' => 'leaf', 'plants' => 1]], ['place' => ['setting' => 'open', 'climate' => 'tropical', 'sun' => false]]);
    $portions = new Portions(workbench($wish), $leftOut);
    expect($portions->all(well: true))->toBe([])
        ->and(count($portions->all()))->toBe(1)
        ->and(array_column($leftOut->toAnswer(), 'says'))->toContain('leaf lettuce suffers from the warmth or the cold there and then')
        ->and((new Search(Wishes::planner(), $wish, new Steps))->growsWell())->toBeFalse()
        ->and((new Search(Wishes::planner(), salad(), new Steps))->growsWell())->toBeTrue();
});

it('tells what brings half of what there could be from what brings less', function () {
    $library = Wishes::small(['bucket-10', 'bucket-5', 'tote-20'], ['pump-2w-1', 'pump-4w-2']);
    $place = ['window' => 'south', 'length_mm' => 1400, 'from' => '2027-01-10'];
    $wish = Wishes::of([['crop' => 'basil', 'plants' => 2], ['crop' => 'chives', 'plants' => 2]], ['place' => $place]);
    $search = new Search(Wishes::planner($library), $wish, new Steps(2000));
    $designs = $search->designs();
    $could = array_sum(array_map(static fn (Portion $p): float => 2 * $p->grams, $search->portions));
    $rich = array_map($search->isRich(...), $designs);

    expect($rich)->toBe(array_map(static fn (Tried $t): bool => $t->grams() >= 0.5 * $could, $designs))
        ->and(array_values(array_unique($rich)))->toHaveCount(2);
});

it('keeps within the wish with what is sown again, and says of the whole what is so', function () {
    $library = Wishes::small(['bucket-10', 'bucket-20', 'tote-20', 'tote-45'], ['pump-2w-1', 'pump-4w-2']);
    $wish = static fn (?float $cap): Wish => Wishes::of(
        [['crop' => 'lettuce-leaf', 'heads_a_week' => 1]],
        ['place' => ['length_mm' => 2000, 'from' => '2027-01-10', 'to' => '2027-06-30'], 'money' => ['cap' => $cap]],
    );
    $outlays = static fn (stdClass $answer): array => array_map(static fn (stdClass $d): float => $d->figures->outlay, $answer->designs);
    $free = $outlays(Wishes::answer($wish(null), 1000, $library));
    expect(Wishes::answer($wish(null), 1000, $library)->designs[0]->says)->toStartWith('Cheapest')
        ->and($free[0])->toBe(min($free));
    // A cap between what the tubs come to and what they come to with their seeds and plugs.
    $cheapest = Wishes::answer($wish(null), 1000, $library)->designs[0];
    $bare = clone $cheapest->garden;
    $bare->plantings = [];
    $unsown = Wishes::planner($library)->plan(Gardens::reader()->read(GardenFile::encode($bare)))->get(CostPlan::class)->budget->outlay;
    expect($unsown)->toBeLessThan($free[0] - 0.5);
    foreach ([$unsown, ($unsown + $free[0]) / 2, $free[0] - 0.01, $free[0], $free[0] + 5] as $cap) {
        $answer = Wishes::answer($wish($cap), 1000, $library);
        expect(max([0.0, ...$outlays($answer)]))->toBeLessThanOrEqual($cap + 1e-9)
            ->and($answer->designs !== [] || $answer->loosen !== [])->toBeTrue();
    }
    expect($outlays(Wishes::answer($wish($free[0]), 1000, $library)))->toContain($free[0]);
    // What to wish otherwise is enough for the whole.
    $way = Wishes::answer($wish($free[0] - 0.01), 1000, $library)->loosen[0];
    expect($way->patch[0]->path)->toBe('/money/cap')->and($way->patch[0]->value)->toBeGreaterThanOrEqual($free[0]);
});

it('tops up with feed what becomes too weak, and with water what becomes too strong', function () {
    $still = ['place' => ['window' => 'south', 'length_mm' => 1400], 'tend' => ['systems' => ['passive']]];
    $herbs = Wishes::of([['group' => 'herb']], $still);
    $bench = workbench($herbs);
    $bed = bedOf($herbs, 1, 'basil', 'parsley', 'chives', 'mint');
    $choice = tubChoice($bench, $bed, 'bucket-20', 'passive')->with(['topUps' => TopUps::Quarter]);
    $design = $bench->tried([$choice]);
    $usual = json_decode(GardenFile::encode($design->document));
    unset($usual->tubs[0]->top_up_strength);
    $weak = $bench->of($design->tubs, $usual);

    expect($design->document->tubs[0]->top_up_strength)->toBe('feed')->and($design->isOfWrongStrength())->toBeFalse()
        ->and($weak->isOfWrongStrength())->toBeTrue()->and(count($weak->mends()))->toBeGreaterThan(count($design->mends()))
        // What keeps its strength is topped up as is usual.
        ->and(isset(designOf(salad())->document->tubs[0]->top_up_strength))->toBeFalse();
});

it('hangs in a cut bottle its own neck, upside down, and in a jar a cup that is bought', function () {
    $library = Gardens::library();
    $cup = static fn (string $vessel): string => NewTubAdvice::cup(
        $library->vessels->get($vessel), GrowingSystem::Passive, $library->crops->get('lettuce-leaf'), $library,
    );
    expect($cup('bottle-2'))->toBe('bottle-neck-2')->and($cup('bottle-5'))->toBe('bottle-neck-5')
        ->and($library->cups->get($cup('jar-2'))->homeMade)->toBeFalse()->and($cup('bucket-20'))->toBe('net-cup-50');
});

it('tells the nearest of what works badly where nothing works well', function () {
    $library = Wishes::small(['bucket-10', 'bucket-20'], ['pump-2w-1', 'pump-4w-2']);
    $place = ['setting' => 'covered', 'climate' => 'mediterranean', 'from' => '2027-06-10'];
    $hot = Wishes::of([['crop' => 'basil', 'plants' => 2]], ['place' => $place, 'tend' => ['visits_a_week' => 0, 'away_days' => 21]]);
    $answer = Wishes::answer($hot, 400, $library);
    expect($answer->designs)->toBe([])->and($answer->looked_at)->toBeGreaterThan(0)->and($answer->loosen)->not->toBe([]);
    $then = Wishes::answer(Wishes::loosened($hot, $answer->loosen[0]->patch), 400, $library);
    expect($then->designs)->not->toBe([]);
});
