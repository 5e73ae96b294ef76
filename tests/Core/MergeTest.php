<?php

declare(strict_types=1);

use KelpTub\Core\File\Difference;
use KelpTub\Core\File\Differences;
use KelpTub\Core\File\Merge;
use Tests\Core\Corpus;

function shed(array $members = []): stdClass
{
    return json_decode((string) json_encode([
        'format' => 'kelp-tub.garden',
        'version' => 1,
        'name' => 'Shed',
        'tubs' => [
            ['id' => 'a', 'name' => 'Pail', 'system' => 'aerated', 'vessel' => 'bucket-20', 'count' => 2],
            ['id' => 'b', 'name' => 'Crate', 'system' => 'passive', 'vessel' => 'tote-45', 'hole_mm' => 60],
        ],
        'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 'a']]]],
        ...$members,
    ]));
}

/** The garden with one thing changed by hand. */
function but(callable $change, ?stdClass $of = null): stdClass
{
    $garden = unserialize(serialize($of ?? shed()));
    $change($garden);

    return $garden;
}

$said = static fn (stdClass $before, stdClass $after): array => array_map(
    static fn (Difference $d): string => $d->says(),
    Differences::between($before, $after),
);

it('says in what two gardens differ, in words and in the grower\'s units', function (callable $change, array $says) use ($said) {
    expect($said(shed(), but($change)))->toBe($says);
})->with([
    'a count' => [fn ($g) => $g->tubs[0]->count = 3, ['Pail: count was 2, is 3']],
    'a measure' => [fn ($g) => $g->tubs[1]->hole_mm = 62.5, ["Crate: hole was 60\u{202F}mm, is 62.5\u{202F}mm"]],
    'grams' => [fn ($g) => $g->tubs[0]->yield_g = 300, ["Pail: yield is 300\u{202F}g now"]],
    'a flow' => [fn ($g) => $g->tubs[0]->flow_l_h = 2.5, ["Pail: flow is 2.5\u{202F}L/h now"]],
    'what is in a litre is no volume' => [fn ($g) => $g->tubs[0]->peroxide_mg_l = 3, ["Pail: peroxide is 3\u{202F}mg/L now"]],
    'in inches' => [
        fn ($g) => [$g->units = 'us', $g->tubs[1]->hole_mm = 50.8],
        ["Crate: hole was 2 3/8\u{202F}in, is 2\u{202F}in", 'units is us now'],
    ],
    'a name' => [fn ($g) => $g->tubs[0]->name = 'Bucket', ['Bucket: name was Pail, is Bucket']],
    'the garden\'s' => [fn ($g) => $g->name = 'Barn', ['name was Shed, is Barn']],
    'a tub more' => [fn ($g) => $g->tubs[] = (object) ['id' => 'c', 'name' => 'Jar'], ['Jar was added']],
    'a tub less' => [fn ($g) => array_pop($g->tubs), ['Crate was taken out']],
    'a member more' => [fn ($g) => $g->tubs[0]->crop = 'basil', ['Pail: crop is basil now']],
    'a member less' => [function ($g) {
        unset($g->tubs[1]->hole_mm);
    }, ['Crate: hole is not set any more']],
    'deep down' => [
        fn ($g) => $g->tubs[0]->layout = (object) ['pattern' => 'ring'],
        ['Pail: layout is set now'],
    ],
    'another order' => [
        fn ($g) => $g->tubs = array_reverse($g->tubs),
        ['the order of what stands on the bench was another, is this'],
    ],
    'nothing but the order of members' => [
        fn ($g) => $g->tubs[0] = (object) array_reverse(get_object_vars($g->tubs[0])),
        [],
    ],
    'nothing but how a number is written' => [fn ($g) => $g->tubs[0]->count = 2.0, []],
    'nothing but a null' => [fn ($g) => $g->tubs[0]->crop = null, []],
]);

it('tells a text from a number, a list from its like, and no from nothing', function (mixed $one, mixed $other, bool $same) {
    expect(Differences::same($one, $other))->toBe($same)->and(Differences::same($other, $one))->toBe($same);
})->with([
    ['1', 1, false], [1, 1.0, true], [[1, 2], [2, 1], false], [[1], [1, 1], false], [false, null, false], [0, false, false],
    [(object) ['a' => null], new stdClass, true], [(object) ['a' => [(object) ['b' => 1]]], (object) ['a' => [(object) ['b' => 2]]], false],
]);

/** Both changes of the shed, brought together. */
function both(callable|stdClass $mine, callable|stdClass $theirs, ?stdClass $base = null): Merge
{
    $base ??= shed();
    [$mine, $theirs] = array_map(static fn ($side): stdClass => $side instanceof stdClass ? $side : but($side, $base), [$mine, $theirs]);

    return Merge::of($base, $mine, $theirs);
}

it('calls things by their names', function () {
    $after = but(fn ($g) => $g->tubs[0]->vessel = 'jar-1');

    expect(Differences::between(shed(), $after, ['jar-1' => '1 L jar', 'bucket-20' => '20 L bucket'])[0]->says())
        ->toBe('Pail: vessel was 20 L bucket, is 1 L jar');
});

it('brings together what does not touch', function () {
    $mine = but(fn ($g) => $g->tubs[0]->count = 3);
    $theirs = but(function ($g) {
        $g->tubs[1]->hole_mm = 70;
        $g->name = 'Barn';
        $g->tubs[] = (object) ['id' => 'c', 'system' => 'passive', 'vessel' => 'jar-1'];
        $g->air[] = (object) ['id' => 'q', 'pump' => 'pump-4w-2', 'branches' => []];
    });
    $merge = both($mine, $theirs);

    expect($merge->isClean())->toBeTrue()
        ->and($merge->withMine->tubs[0]->count)->toBe(3)
        ->and($merge->withMine->tubs[1]->hole_mm)->toBe(70)
        ->and($merge->withMine->name)->toBe('Barn')
        ->and(array_column($merge->withMine->tubs, 'id'))->toBe(['a', 'b', 'c'])
        ->and(array_column($merge->withMine->air, 'id'))->toBe(['p', 'q'])
        ->and(both($theirs, $mine)->withMine)->toEqual($merge->withMine);
});

it('leaves what both changed to the grower, and the rest to nobody', function (callable $mine, callable $theirs, string $what) {
    $mine = but($mine, but(fn ($g) => $g->notes = 'only mine'));
    $theirs = but($theirs, but(fn ($g) => $g->units = 'us'));
    $merge = both($mine, $theirs);
    $differ = Differences::between($merge->withMine, $merge->withTheirs);

    expect($merge->isClean())->toBeFalse()
        ->and([$merge->withMine->notes, $merge->withTheirs->notes])->toBe(['only mine', 'only mine'])
        ->and([$merge->withMine->units, $merge->withTheirs->units])->toBe(['us', 'us'])
        ->and($differ[0]->says())->toBe($what)
        ->and(Differences::same($merge->withMine, both($theirs, $mine)->withTheirs))->toBeTrue();
})->with([
    'one field of a tub' => [fn ($g) => $g->tubs[0]->count = 3, fn ($g) => $g->tubs[0]->count = 4, 'Pail: count was 3, is 4'],
    'two fields of a tub' => [fn ($g) => $g->tubs[0]->count = 3, fn ($g) => $g->tubs[0]->crop = 'basil', 'Pail: count was 3, is 2'],
    'a tub changed here and gone there' => [fn ($g) => $g->tubs[1]->hole_mm = 70, fn ($g) => array_pop($g->tubs), 'Crate was taken out'],
    'a tub gone here and changed there' => [fn ($g) => array_pop($g->tubs), fn ($g) => $g->tubs[1]->hole_mm = 70, 'Crate was added'],
    'two tubs of one id' => [
        fn ($g) => $g->tubs[] = (object) ['id' => 'c', 'name' => 'Jar', 'vessel' => 'jar-1'],
        fn ($g) => $g->tubs[] = (object) ['id' => 'c', 'name' => 'Jar', 'vessel' => 'jar-2'],
        'Jar: vessel was jar-1, is jar-2',
    ],
    'a name' => [fn ($g) => $g->name = 'Barn', fn ($g) => $g->name = 'Byre', 'name was Barn, is Byre'],
]);

it('takes what one side took out, what both did alike, and the order of the side that moved things', function () {
    $less = but(fn ($g) => array_pop($g->tubs));
    $moved = but(fn ($g) => $g->tubs = array_reverse($g->tubs));
    $named = but(fn ($g) => $g->tubs[0]->count = 5);

    expect(array_column(both($less, $named)->withMine->tubs, 'id'))->toBe(['a'])
        ->and(array_column(both($named, $moved)->withMine->tubs, 'id'))->toBe(['b', 'a'])
        ->and(array_column(both($moved, $named)->withMine->tubs, 'id'))->toBe(['b', 'a'])
        ->and(both($named, $named)->isClean())->toBeTrue()
        ->and(both($named, $named)->withMine)->toEqual($named)
        ->and(both(fn ($g) => $g->name = 'Barn', shed(), but(fn ($g) => $g->notes = 'x'))->withMine->notes ?? null)->toBeNull();
});

it('merges changes of gardens of every kind to the same, whichever side is asked, and loses none', function () {
    foreach (Corpus::gardens() as $name => $garden) {
        $more = static fn (string $id): stdClass => (object) ['id' => $id, 'system' => 'passive', 'vessel' => 'jar-1'];
        $base = but(fn ($g) => $g->tubs = [...$g->tubs ?? [], $more('another'), $more('one more')], $garden->document);
        $mine = but(fn ($g) => $g->tubs[0]->name = 'Mine', $base);
        $theirs = but(fn ($g) => $g->tubs[count($g->tubs) - 1]->name = 'Theirs', $base);
        $merge = both($mine, $theirs, $base);

        expect($merge->isClean())->toBeTrue($name)
            ->and($merge->withMine->tubs[0]->name)->toBe('Mine')
            ->and(end($merge->withMine->tubs)->name)->toBe('Theirs')
            ->and(Differences::same($merge->withMine, both($theirs, $mine, $base)->withMine))->toBeTrue()
            ->and(Differences::between($merge->withMine, both($merge->withMine, $theirs, $base)->withMine))->toBe([]);
    }
});

it('tells of a text whole as long as it is short, and of its beginning where it is long', function (int $length, string $shown) {
    $after = shed();
    $after->name = str_repeat('ä', $length);

    expect(Differences::between(shed(), $after)[0]->says())->toContain($shown);
})->with([
    'as long as may be' => [60, str_repeat('ä', 60)],
    'longer by one' => [61, str_repeat('ä', 59).'…'],
]);
