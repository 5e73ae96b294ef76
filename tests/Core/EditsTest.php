<?php

declare(strict_types=1);

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\NewTub;
use KelpTub\Core\Garden\TubEdits;
use KelpTub\Core\WhatIf\NewTubAdvice;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Core\Corpus;
use Tests\Core\Gardens;

/**
 * The garden with a patch applied to it, read again.
 *
 * @param  list<stdClass>  $patch
 */
function edited(Garden $garden, array $patch): Garden
{
    $document = json_decode((string) json_encode($garden->document));
    JsonPatch::import(json_decode((string) json_encode($patch)))->apply($document);

    return Gardens::reader()->fromDocument($document);
}

function added(Garden $garden, string $vessel, string $system, ?string $crop = null): Garden
{
    return edited(
        $garden,
        (new TubEdits($garden, Gardens::library()))->add(new NewTub('New', GrowingSystem::from($system), $vessel, 'net-cup-50', $crop)),
    );
}

function switched(Garden $garden, string $system): Garden
{
    return edited($garden, (new TubEdits($garden, Gardens::library()))->run($garden->tubs[0], GrowingSystem::from($system)));
}

it('adds an aerated tub with stones and a pump with a check valve, and the next one to the same pump', function () {
    $garden = added(added(Gardens::of([]), 'bucket-20', 'aerated', 'basil'), 'bucket-20', 'aerated');
    $document = $garden->document;

    expect(array_column($document->tubs, 'id'))->toBe(['bucket-20', 'bucket-20-2'])
        ->and($document->air)->toHaveCount(1)
        ->and($document->air[0]->check_valve)->toBeTrue()
        ->and(array_column($document->air[0]->branches, 'tub'))->toBe(['bucket-20', 'bucket-20-2'])
        ->and($document->tubs[0]->crop)->toBe('basil')
        ->and(Gardens::findings($garden))->not->toContain('stop air.none', 'stop air.siphon');
});

it('gives a new tub the stones of its size', function (string $vessel, string $kind, int $count) {
    $stones = added(Gardens::of([]), $vessel, 'aerated')->document->tubs[0]->stones;

    expect([$stones->kind, $stones->count])->toBe([$kind, $count]);
})->with([['jar-2', 'cylinder-50', 1], ['bucket-20', 'disc-100', 1], ['tote-45', 'disc-100', 2]]);

it('adds still water and a nursery without air', function (string $system) {
    $document = added(Gardens::of([]), 'tote-12', $system)->document;

    expect($document->tubs[0]->stones)->toBeNull()->and($document->air ?? [])->toBe([]);
})->with(['passive', 'nursery']);

it('brings a crop of one\'s own along', function () {
    $row = (object) [...get_object_vars(Gardens::library()->crops->raw('basil')), 'name' => 'My basil'];
    unset($row->key);
    $garden = Gardens::of([]);
    $patch = (new TubEdits($garden, Gardens::library()))->add(
        new NewTub('New', GrowingSystem::Passive, 'bucket-20', 'net-cup-50', 'my-basil', $row),
    );

    expect(edited($garden, $patch)->tubs[0]->planting->crops[0]->crop->name)->toBe('My basil');
});

it('brings what belongs to each way of running a tub, and takes away what belonged to the last', function () {
    $aerated = Gardens::tub(['water_line' => 'touch', 'top_ups' => 'half']);
    $cloner = switched($aerated, 'cloner');
    expect($cloner->document->tubs[0]->cloner)->toEqual((object) ['stem_below_cup_mm' => 20, 'collar' => true])
        ->and($cloner->document->tubs[0]->tube_entry)->toBe('lid')
        ->and($cloner->document->tubs[0])->not->toHaveProperties(['water_line', 'top_ups'])
        ->and($cloner->document->air)->toHaveCount(1);

    $nursery = switched($cloner, 'nursery');
    expect($nursery->document->tubs[0])->not->toHaveProperties(['cloner', 'tube_entry'])
        ->and($nursery->document->tubs[0]->nursery)->toEqual((object) ['flow_l_h' => 60, 'on_min' => 15, 'off_min' => 45])
        ->and($nursery->document->tubs[0]->stones)->toBeNull()
        ->and($nursery->document->air)->toBe([]);

    $raft = switched($nursery, 'raft');
    expect($raft->document->tubs[0])->not->toHaveProperty('nursery')
        ->and($raft->document->tubs[0]->stones->count)->toBe(1)
        ->and($raft->document->air[0]->branches[0]->tub)->toBe('tub');
});

it('takes a tub off a pump that feeds others, and leaves these their lines', function () {
    $garden = added(Gardens::tub(), 'bucket-10', 'aerated');
    $passive = switched($garden, 'passive');

    expect(array_column($passive->document->air[0]->branches, 'tub'))->toBe(['bucket-10'])
        ->and($passive->document->air[0]->id)->toBe('pump');
});

it('keeps the stones that a tub has when it goes from one aerated way to another', function () {
    $garden = Gardens::tub(['stones' => ['kind' => 'bar-300', 'count' => 3]]);

    expect(switched($garden, 'raft')->document->tubs[0]->stones->kind)->toBe('bar-300');
});

it('advises a cup that hangs in a jar\'s mouth, suits the crop, or is the usual one', function () {
    $library = Gardens::library();
    $cup = fn (string $vessel, ?string $crop, GrowingSystem $system = GrowingSystem::Aerated): string => NewTubAdvice::cup(
        $library->vessels->get($vessel),
        $system,
        $crop === null ? null : $library->crops->get($crop),
        $library,
    );

    expect($cup('bucket-20', null))->toBe('net-cup-50')
        ->and($cup('bucket-20', 'basil'))->toBe('net-cup-50')
        ->and($library->cups->get($cup('jar-1', null))->hangsIn($library->vessels->get('jar-1')->profile->mouth()->length))->toBeTrue()
        ->and($library->cups->get($cup('bucket-20', 'tomato-vine'))->suits($library->crops->get('tomato-vine')->cupMinMm))->toBeTrue()
        ->and($cup('tote-20', 'soft-cuttings', GrowingSystem::Cloner))->toBe('collar-35')
        ->and(NewTubAdvice::system($library->vessels->get('jar-1')))->toBe(GrowingSystem::Passive)
        ->and(NewTubAdvice::system($library->vessels->get('tote-20')))->toBe(GrowingSystem::Aerated)
        ->and(NewTubAdvice::crop(GrowingSystem::Cloner))->toBe('soft-cuttings')
        ->and(NewTubAdvice::crop(GrowingSystem::Raft))->toBeNull();
});

it('advises no cup that is smaller than another bought one that suits as well', function () {
    $library = Gardens::library();
    foreach ($library->crops as $crop) {
        $advised = $library->cups->get(NewTubAdvice::cup($library->vessels->get('bucket-20'), GrowingSystem::Aerated, $crop, $library));
        expect($advised->suits($crop->cupMinMm))->toBeTrue($crop->key);
        foreach ($library->cups as $other) {
            $better = ! $other->homeMade && $other->suits($crop->cupMinMm) && $other->top < $advised->top && $advised->key !== 'net-cup-50';
            expect($better)->toBeFalse("$crop->key: $other->key");
        }
    }
});

/** A tub of three with a line, ticks at the bench and something sown in two of them, and another tub. */
function benchOfThree(): Garden
{
    $stones = ['kind' => 'disc-100'];

    return Gardens::of([
        'tubs' => [
            ['id' => 'a', 'name' => 'Mint', 'count' => 3, 'system' => 'aerated', 'vessel' => 'bucket-20', 'stones' => $stones],
            ['id' => 'b', 'system' => 'passive', 'vessel' => 'jar-1'],
        ],
        'air' => [
            ['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'a', 'distance_mm' => 700, 'valve' => 0.5]]],
        ],
        'builds' => [['tub' => 'a', 'copy' => 3], ['tub' => 'b'], ['tub' => 'a', 'copy' => 2], ['tub' => 'a']],
        'plantings' => [['id' => 'x', 'tub' => 'a', 'copy' => 3], ['id' => 'y', 'tub' => 'b'], ['id' => 'z', 'tub' => 'a', 'copy' => 1]],
    ]);
}

it('takes a tub away with its line, its ticks and what is sown in it', function () {
    $garden = benchOfThree();
    $bench = Gardens::planner()->bench($garden);
    $document = edited($garden, $bench->remove($garden->tub('a')))->document;

    expect(array_column($document->tubs, 'id'))->toBe(['b'])
        ->and($document->air)->toBe([])
        ->and(array_column($document->builds, 'tub'))->toBe(['b'])
        ->and(array_column($document->plantings, 'id'))->toBe(['y']);
});

it('lowers how many alike with the ticks and plantings of those that go, and no others', function (int $count, array $built, array $sown) {
    $garden = benchOfThree();
    $document = edited($garden, Gardens::planner()->bench($garden)->count($garden->tub('a'), $count))->document;

    expect($document->tubs[0]->count)->toBe($count)
        ->and(array_map(fn (stdClass $build): string => $build->tub.($build->copy ?? 1), $document->builds))->toBe($built)
        ->and(array_column($document->plantings, 'id'))->toBe($sown);
})->with([
    [4, ['a3', 'b1', 'a2', 'a1'], ['x', 'y', 'z']],
    [3, ['a3', 'b1', 'a2', 'a1'], ['x', 'y', 'z']],
    [2, ['b1', 'a2', 'a1'], ['y', 'z']],
    [1, ['b1', 'a1'], ['y', 'z']],
]);

it('puts a copy beside a tub, on the same line, with nothing built or sown', function () {
    $garden = benchOfThree();
    [$id, $patch] = Gardens::planner()->bench($garden)->copy($garden->tub('a'));
    $document = edited($garden, $patch)->document;

    expect($id)->toBe('a-2')
        ->and(array_column($document->tubs, 'id'))->toBe(['a', 'a-2', 'b'])
        ->and($document->tubs[1]->name)->toBe('Mint copy')
        ->and((array) $document->air[0]->branches[1])->toBe(['tub' => 'a-2', 'distance_mm' => 700, 'valve' => 0.5])
        ->and(array_column($document->builds, 'tub'))->not->toContain('a-2')
        ->and(array_column($document->plantings, 'tub'))->not->toContain('a-2');
});

it('leaves a garden that its own reader takes, whichever tub goes, is copied or is fewer', function () {
    $names = 0;
    foreach (Corpus::gardens() as $garden) {
        $planner = Gardens::planner();
        foreach ($garden->tubs as $tub) {
            $garden = Gardens::reader()->fromDocument((object) [...get_object_vars($garden->document), 'builds' => array_map(
                fn (int $copy): stdClass => (object) ['tub' => $tub->id, 'copy' => $copy],
                range(1, $tub->count),
            )]);
            edited($garden, $planner->bench($garden)->remove($garden->tub($tub->id)));
            edited($garden, $planner->bench($garden)->copy($garden->tub($tub->id))[1]);
            edited($garden, $planner->bench($garden)->count($garden->tub($tub->id), max(1, $tub->count - 1)));
            $names++;
        }
    }
    expect($names)->toBeGreaterThan(100);
});

it('gives a copy of a tub with the longest name and id ones of its own', function () {
    $long = str_repeat('x', 120);
    $garden = Gardens::of(['tubs' => [
        ['id' => $long, 'name' => str_repeat('ä', 120), 'system' => 'passive', 'vessel' => 'jar-1'],
    ]]);
    [$id, $patch] = Gardens::planner()->bench($garden)->copy($garden->tubs[0]);

    expect($id)->toBe(str_repeat('x', 118).'-2')
        ->and(edited($garden, $patch)->tubs[1]->name)->toBe(str_repeat('ä', 120));
});

it('brings air in a way that starves nobody, where the simplest would', function () {
    // A deep bucket on a weak pump: a shallow one on the same line would take all of its air.
    $deep = ['id' => 'deep', 'system' => 'aerated', 'vessel' => 'bucket-30', 'crop' => 'basil', 'stones' => ['kind' => 'disc-60-fine']];
    $new = ['id' => 'new', 'vessel' => 'bucket-5', 'crop' => 'basil'];
    $of = fn (array $tub, string ...$lines): Garden => Gardens::of(['tubs' => [$deep, [...$new, ...$tub]], 'air' => [[
        'id' => 'p', 'pump' => 'pump-2w-1', 'check_valve' => true, 'branches' => array_map(fn ($id) => ['tub' => $id], $lines),
    ]]]);
    $garden = $of(['system' => 'passive'], 'deep');
    $stops = fn (Garden $of): array => array_values(preg_grep('/^stop /', Gardens::findings($of)) ?: []);
    $then = Gardens::applied($garden, Gardens::planner()->addAir($garden, $garden->tubs[1]));

    expect($stops($of(['system' => 'aerated', 'stones' => ['kind' => 'disc-100']], 'deep', 'new')))->not->toBe([])
        ->and($stops($then))->toBe([])
        ->and($then->tubs[1]->system->isAerated())->toBeTrue();
});
