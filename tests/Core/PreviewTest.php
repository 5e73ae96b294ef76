<?php

declare(strict_types=1);

use KelpTub\Core\File\Fault;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\RefusedGarden;
use KelpTub\Core\Garden\KnownTubs;
use KelpTub\Core\Garden\Mark;
use KelpTub\Core\Garden\NoTubMemory;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\TubMemory;
use KelpTub\Core\Lid\FreshMemory;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;
use KelpTub\Core\Marks\Marks;
use Tests\Core\Changes;
use Tests\Core\Corpus;
use Tests\Core\Gardens;
use Tests\Core\KeptTubs;
use Tests\Core\PreviewMemory;

// A preview that takes from memory what it can is to the letter the one that works out all anew, whatever was changed since.

/** A preview as one request makes it: with a reader and a planner of its own, and all layouts that it wants. */
function previewOf(string $json, TubMemory $memory = new NoTubMemory, ?LayoutMemory $layouts = null): string
{
    static $found;
    $layouts ??= $found ??= new FreshMemory;
    $known = new KnownTubs($memory);

    return (new Planner(Marks::all(), Gardens::library(), $layouts, known: $known))
        ->preview(Gardens::files()->reader(Gardens::library(), $known)->read($json));
}

/** @return string|list<Fault> the preview, or why there is none */
function previewOrFaults(string $json, TubMemory $memory = new NoTubMemory): string|array
{
    try {
        return previewOf($json, $memory);
    } catch (RefusedGarden $refused) {
        return $refused->faults;
    }
}

/** Layouts that are found only while there is time. */
function layoutsInTime(): LayoutMemory
{
    return new class implements LayoutMemory
    {
        public bool $hasTime = false;

        private FreshMemory $known;

        public function __construct()
        {
            $this->known = new FreshMemory;
        }

        public function recall(LayoutQuestion $question): int|string|null
        {
            return $this->known->recall($question);
        }

        public function keep(LayoutQuestion $question, int|string $answer): void
        {
            $this->known->keep($question, $answer);
        }

        public function mayTake(int $steps): bool
        {
            return $this->hasTime;
        }
    };
}

/** @param  array<string, mixed>  $garden */
function asFile(array $garden): string
{
    return (string) json_encode(['format' => GardenFile::FORMAT, 'version' => 1, ...$garden], JSON_PRESERVE_ZERO_FRACTION);
}

it('is the same with what is known of tubs, after any change', function () {
    // KELP_MUTANTS=10000 for many more, KELP_SEED for others.
    mt_srand((int) (getenv('KELP_SEED') ?: 77));
    $gardens = array_values(array_map(static fn ($garden): string => GardenFile::encode($garden->document), Corpus::gardens()));
    $gardens = [...$gardens, ...array_fill(0, count($gardens), (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'))];
    $memory = new KeptTubs;
    for ($i = 0, $same = $refused = 0, $changes = (int) (getenv('KELP_MUTANTS') ?: 300); $i < $changes; $i++) {
        if ($i % 6 === 0) {
            $json = $gardens[mt_rand(0, count($gardens) - 1)];
        }
        $document = json_decode($json);
        Changes::one(
            $document,
            static fn (mixed $now, string|int $name): mixed => mt_rand(1, 6) === 1
                ? Changes::strangely($now)
                : Changes::gently($now, $name),
            dropsOneIn: 8,
        );
        $changed = GardenFile::encode($document);
        $anew = previewOrFaults($changed);
        if (is_array($anew)) {
            expect(previewOrFaults($changed, $memory))->toEqual($anew, $changed);
            $refused++;

            continue;
        }
        $json = $changed;
        expect(previewOf($changed, $memory))->toBe($anew, $changed)
            ->and(previewOf($changed, $memory))->toBe($anew, $changed);
        $same++;
    }

    expect($same)->toBeGreaterThan($changes / 3)
        ->and($refused)->toBeGreaterThan($changes / 20)
        ->and($memory->recalled)->toBeGreaterThan(4 * $same);
});

it('is the report whose remedies are not tried', function () {
    $planner = new Planner(Marks::all(), Gardens::library(), new PreviewMemory);
    foreach (Corpus::gardens() as $garden) {
        expect($planner->preview($garden))->toBe(GardenFile::encode($planner->report($garden)));
    }
});

it('works out one tub of eight when one is changed', function () {
    $tubs = array_map(static fn (int $i): array => [
        'id' => "t$i", 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf', 'plants' => 1 + $i % 2,
    ], range(0, 7));
    $memory = new KeptTubs;
    previewOf(asFile(['tubs' => $tubs]), $memory);
    expect($memory->kept)->toHaveCount(16);
    $tubs[3]['plants'] = 3;
    previewOf(asFile(['tubs' => $tubs]), $memory);

    // What follows from the tub by itself, and what is said of it.
    expect($memory->kept)->toHaveCount(18)->and($memory->recalled)->toBe(14);
});

it('forgets one tub when a planting of it is moved', function () {
    $tub = ['system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf'];
    $garden = static fn (string $sown): string => asFile([
        'tubs' => [['id' => 'a', ...$tub], ['id' => 'b', ...$tub], ['id' => 'c', ...$tub]],
        'plantings' => [['id' => 'x', 'tub' => 'a', 'sown' => '2027-03-01'], ['id' => 'y', 'tub' => 'c', 'sown' => $sown]],
    ]);
    $memory = new KeptTubs;
    previewOf($garden('2027-03-01'), $memory);
    $kept = count($memory->kept);
    previewOf($garden('2027-03-08'), $memory);

    expect($memory->kept)->toHaveCount($kept + 1)->and($memory->recalled)->toBe(5);
});

it('takes nothing from another ground, another place or another pump', function (array $change) {
    $garden = ['tubs' => [
        ['id' => 'a', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'kale', 'stones' => ['kind' => 'disc-100'], 'feed' => 'f'],
        ['id' => 'b', 'system' => 'aerated', 'vessel' => 'bucket-20', 'crop' => 'kale', 'stones' => ['kind' => 'disc-100'], 'feed' => 'f'],
    ], 'feeds' => [['id' => 'f', 'product' => 'three-part-liquid']], 'air' => [
        ['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a'], ['tub' => 'b']]],
    ]];
    $memory = new KeptTubs;
    $before = previewOf(asFile($garden), $memory);
    $changed = asFile(array_replace_recursive($garden, $change));

    expect(previewOf($changed, $memory))->toBe(previewOf($changed))->not->toBe($before);
})->with([
    'units' => [['units' => 'us']],
    'heat' => [['site' => ['air_temperature_c' => 31]]],
    'warm water' => [['site' => ['water_temperature_c' => 27]]],
    'saws' => [['saws_mm' => [52, 53, 54, 55, 57]]],
    'a crop of one’s own' => [['library' => ['crops' => ['kale' => [
        ...get_object_vars(Gardens::library()->crops->raw('kale')), 'spacing_mm' => 150,
    ]]]]],
    'in another order' => [['tubs' => [['id' => 'b'], ['id' => 'a']]]],
    'the other deeper' => [['tubs' => [1 => ['vessel' => 'tub-70-round']]]],
    'a valve' => [['air' => [['branches' => [['valve' => 0.2]]]]]],
    'another pump' => [['air' => [['pump' => 'pump-20w-6']]]],
    'a feed' => [['feeds' => [['strength' => 'simple']]]],
    'the tap' => [['water' => ['source' => 'rain']]],
]);

it('looks nothing up of a document that has too many tubs to be one', function () {
    $memory = new KeptTubs;
    $faults = previewOrFaults('{"format":"kelp-tub.garden","version":1,"tubs":['.str_repeat('{},', 60_000).'{}]}', $memory);

    expect(is_array($faults))->toBeTrue()->and($memory->asked)->toBe(0);
});

it('refuses with what is known what it refuses without', function () {
    $tubs = array_map(static fn (int $i): array => [
        'id' => "t$i", 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'kale', 'lowest_mm' => 0,
        'layout' => ['pattern' => 'grid'],
    ], range(0, 59));
    $json = asFile(['tubs' => $tubs]);
    $memory = new KeptTubs;
    previewOf($json, $memory);
    $kept = count($memory->kept);
    expect($kept)->toBe(120);
    foreach ([
        'the most is 60' => str_replace('}}]}', '}},{"id":"t60","system":"passive","vessel":"jar-1"}]}', $json),
        'ids are unique' => str_replace('"t59"', '"t0"', $json),
        // A number beyond all measure is infinite when it is read; written it would be nothing.
        '/tubs/7/lowest_mm' => preg_replace('/("t7".*?"lowest_mm":)0/', '${1}1e999', $json),
        '/site/air_temperature_c' => str_replace('"tubs"', '"site":{"air_temperature_c":1e999},"tubs"', $json),
        'no such crop' => str_replace('kale', 'marsh-kale', $json),
        '/tubs/0' => preg_replace('/\{"id":"t0".*?\}\},/', '7,', $json),
    ] as $fault => $spoilt) {
        $faults = previewOrFaults((string) $spoilt, $memory);
        expect($faults)->toEqual(previewOrFaults((string) $spoilt))
            ->and(is_array($faults) ? implode(' ', array_map(strval(...), $faults)) : '')->toContain($fault)
            ->and($memory->kept)->toHaveCount($kept);
    }
});

it('takes nothing for a garden on other ground after a patch, and keeps nothing of it', function (string $pointer, mixed $value) {
    $json = asFile(['tubs' => [
        ['id' => 'a', 'system' => 'aerated', 'vessel' => 'tote-45', 'crop' => 'kale', 'stones' => ['kind' => 'disc-100']],
        ['id' => 'b', 'system' => 'passive', 'vessel' => 'bucket-20', 'crop' => 'lettuce-leaf'],
    ]]);
    $patch = [(object) ['op' => 'add', 'path' => $pointer, 'value' => $value]];
    $library = Gardens::library();
    $planned = static fn (Planner $planner, Plan $plan): string => GardenFile::encode($planner->written($plan, []));
    $fresh = new Planner(Marks::all(), $library);
    $garden = Gardens::reader()->read($json);
    $expected = $planned($fresh, $fresh->plan($fresh->patched($garden, $patch)));
    foreach ([false, true] as $plannedBefore) {
        $memory = new KeptTubs;
        $known = new KnownTubs($memory);
        $planner = new Planner(Marks::all(), $library, known: $known);
        $garden = Gardens::files()->reader($library, $known)->read($json);
        $plan = $plannedBefore ? $planner->plan($garden) : null;
        $kept = $memory->kept;
        expect($planned($planner, $planner->plan($planner->patched($garden, $patch))))->toBe($expected);
        if ($plan !== null) {
            expect($planned($planner, $planner->planAgain($plan, $patch)))->toBe($expected);
        }
        expect($memory->kept)->toBe($kept)->and(previewOf($json, $memory))->toBe(previewOf($json));
    }
})->with([['/site', ['air_temperature_c' => 33]], ['/units', 'us'], ['/saws_mm', [48, 57]]]);

it('offers the same ways out, tried, with what is known of tubs', function () {
    $memory = new KeptTubs;
    foreach (array_chunk(Corpus::gardens(), 6) as [$garden]) {
        $json = GardenFile::encode($garden->document);
        $tried = GardenFile::encode(Gardens::planner()->report($garden));
        foreach (['written down', 'taken'] as $time) {
            $known = new KnownTubs($memory);
            $planner = new Planner(Marks::all(), Gardens::library(), Gardens::planner()->aids->memory, known: $known);
            $read = Gardens::files()->reader(Gardens::library(), $known)->read($json);
            expect(GardenFile::encode($planner->report($read)))->toBe($tried, $time);
        }
    }

    expect($memory->recalled)->toBeGreaterThan(10);
});

it('lets a garden go when the next is read', function () {
    $known = new KnownTubs(new KeptTubs);
    $reader = Gardens::files()->reader(Gardens::library(), $known);
    $planner = new Planner(Marks::all(), Gardens::library(), known: $known);
    $json = (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json');
    $garden = $reader->read($json);
    $planner->plan($garden);
    $tubs = array_map(WeakReference::create(...), $garden->tubs);
    $garden = $reader->read($json);
    gc_collect_cycles();

    expect(array_filter($tubs, static fn (WeakReference $tub): bool => $tub->get() !== null))->toBe([]);
});

it('takes a tub that two documents share at its place in each of them', function () {
    $document = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json'));
    $memory = new KeptTubs;
    previewOf(GardenFile::encode($document), $memory);
    $alone = clone $document;
    $alone->tubs = [$document->tubs[2]];
    unset($alone->air, $alone->plantings, $alone->builds);
    $known = new KnownTubs($memory);
    $reader = Gardens::files()->reader(Gardens::library(), $known);
    $planner = new Planner(Marks::all(), Gardens::library(), known: $known);
    $reader->fromDocument($document);
    $garden = $reader->fromDocument($alone);

    expect($garden->tubs[0]->index)->toBe(0)
        ->and(json_decode($planner->preview($garden)))->toEqual(json_decode(previewOf(GardenFile::encode($alone))));
});

it('keeps nothing that waits for a layout', function () {
    $layouts = layoutsInTime();
    $json = asFile(['tubs' => [[
        'id' => 'a', 'system' => 'passive', 'vessel' => 'tote-45', 'cup' => 'net-cup-38',
        'layout' => ['pattern' => 'spread', 'cups' => 7],
    ]]]);
    $memory = new KeptTubs;
    $meanwhile = json_decode(previewOf($json, $memory, $layouts));
    expect($meanwhile->tubs[0]->layout->pending)->toBeTrue()->and($memory->kept)->toBe([]);

    $layouts->hasTime = true;
    (new Planner(Marks::all(), Gardens::library(), $layouts))->report(Gardens::reader()->read($json));
    $layouts->hasTime = false;
    $found = previewOf($json, $memory, $layouts);

    expect(json_decode($found)->tubs[0]->layout->pending)->toBeFalse()
        ->and($memory->kept)->not->toBe([])
        ->and(previewOf($json, $memory, $layouts))->toBe($found);
});

it('keeps nothing of a tub whose remedies wait for a layout', function () {
    $layouts = layoutsInTime();
    $json = asFile(['tubs' => [[
        'id' => 'a', 'system' => 'passive', 'vessel' => 'tote-45', 'cup' => 'net-cup-75', 'crop' => 'basil', 'density' => 'tight',
        'layout' => ['pattern' => 'manual', 'holes' => array_map(fn (int $i): array => ['x_mm' => 60 * $i, 'y_mm' => 0], range(0, 7))],
    ]]]);
    $layouts->hasTime = true;
    // Planning asks other questions about the lid than the remedies do.
    (new Planner(Marks::all(), Gardens::library(), $layouts))->plan(Gardens::reader()->read($json));
    $layouts->hasTime = false;
    $memory = new KeptTubs;
    $meanwhile = previewOf($json, $memory, $layouts);
    $layouts->hasTime = true;
    $found = previewOf($json, new NoTubMemory, $layouts);
    $layouts->hasTime = false;

    expect($found)->not->toBe($meanwhile)->and(previewOf($json, $memory, $layouts))->toBe($found);
});

it('has marks that count needs, and those after them, speak of no single tub', function () {
    $late = false;
    foreach (Marks::all() as $mark) {
        $late = $late || $mark->countsNeeds();
        foreach ($late ? ['needsOnTub', 'findingsOnTub', 'reportOnTub', 'shares'] : [] as $method) {
            expect((new ReflectionMethod($mark, $method))->class)->toBe(Mark::class, $mark->key());
        }
    }

    expect($late)->toBeTrue();
});
