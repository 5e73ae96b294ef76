<?php

declare(strict_types=1);

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\NewTub;
use KelpTub\Core\Garden\TubEdits;
use KelpTub\Core\WhatIf\NewTubAdvice;
use Swaggest\JsonDiff\JsonPatch;
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
