<?php

declare(strict_types=1);

use App\Models\Garden;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Units\UnitSystem;
use Symfony\Component\Process\Process;
use Tests\Core\Gardens;
use Tests\Core\Wishes;

// From a wish to a garden, as it is asked for and answered.

/** A wish as its file has it. @param  array<string, mixed>  $more */
function wished(array $more = []): array
{
    return ['format' => 'kelp-tub.wish', 'version' => 1, 'eat' => [['crop' => 'lettuce-leaf', 'plants' => 4]], ...$more];
}

it('answers with what is found first, and with the whole, the same each time', function () {
    $first = ask('/api/wish?first=1', wished())->assertOk();
    $whole = ask('/api/wish', wished())->assertOk();

    expect($first->json('designs'))->not->toBe([])
        ->and($first->json('steps'))->toBeLessThan($whole->json('steps'))
        ->and($first->json('complete'))->toBeFalse()
        ->and($whole->json('complete'))->toBeTrue()
        ->and(ask('/api/wish', wished())->getContent())->toBe($whole->getContent());
});

it('fits its schema, and so does the command line, which says the same', function () {
    $answer = ask('/api/wish', wished())->assertOk();
    $schema = new KelpTub\Core\File\SchemaCheck(Gardens::files()->schema('wish-answer'));
    expect($schema->faults(json_decode((string) $answer->getContent())))->toBe([]);

    $kelp = new Process(['bin/kelp', 'wish', '-', '--json'], base_path(), input: (string) json_encode(wished()), timeout: 120);
    expect($kelp->run())->toBe(0)
        ->and(json_decode($kelp->getOutput()))->toEqual(json_decode((string) $answer->getContent()));
});

it('ends with 1 where nothing is what was wished, and with 2 where a wish cannot be read', function () {
    $run = static function (array $wish): array {
        $kelp = new Process(['bin/kelp', 'wish', '-'], base_path(), input: (string) json_encode($wish), timeout: 120);

        return [$kelp->run(), $kelp->getOutput(), $kelp->getErrorOutput()];
    };
    [$code, $out] = $run(wished(['money' => ['cap' => 5]]));
    expect($code)->toBe(1)->and($out)->toContain('Nothing was found')->toContain('more to spend');
    [$code, $out, $errors] = $run(wished(['place' => ['height_mm' => 1]]));
    expect([$code, $out])->toBe([2, ''])->and($errors)->toStartWith('/place/height_mm ');
});

it('refuses a wish with each fault in its place', function () {
    ask('/api/wish', wished(['eat' => [['crop' => 'mandrake']]]))->assertStatus(422)->assertJsonPath('faults.0.pointer', '/eat/0/crop');
    ask('/api/wish', [])->assertStatus(422);
    send('POST', '/api/wish', '{"format"')->assertStatus(422);
});

it('puts a design into a garden that is there, under names of its own', function () {
    $design = ask('/api/wish', wished(['place' => ['from' => '2027-04-01'], 'eat' => [['crop' => 'lettuce-leaf', 'heads_a_week' => 1]]]))
        ->json('designs.0.garden');
    $id = ask('/api/gardens', [
        'format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'There',
        'tubs' => [['id' => 'lettuce-leaf', 'system' => 'passive', 'vessel' => 'jar-1', 'cup' => 'net-cup-75']],
        'feeds' => [['id' => 'feed-1', 'product' => 'two-part-dry']],
    ])->json('id');
    $patch = json_decode((string) ask('/api/wish/into', ['into' => $id, 'design' => $design])->assertOk()->getContent())->patch;
    $before = Gardens::reader()->read(Garden::query()->findOrFail($id)->document);
    $after = Gardens::reader()->read(GardenFile::encode(KelpTub\Core\File\PatchedDocument::of(
        $before->document,
        array_values(array_filter($patch, static fn (stdClass $p): bool => $p->op !== 'test')),
    )));

    expect(array_column($after->document->tubs, 'id'))->toBe(['lettuce-leaf', 'lettuce-leaf-2'])
        ->and(array_column($after->document->feeds, 'id'))->toBe(['feed-1', 'feed-1-2'])
        ->and($after->document->tubs[1]->feed)->toBe('feed-1-2')
        ->and(array_unique(array_column($after->document->plantings, 'tub')))->toBe(['lettuce-leaf-2'])
        ->and($after->units)->toBe(UnitSystem::Metric);
    // Each planting has a name that no other one has.
    expect(array_unique($ids = array_column($after->document->plantings, 'id')))->toBe($ids)->and($ids)->not->toBe([]);

    ask('/api/wish/into', ['into' => str_repeat('0', 26), 'design' => $design])->assertNotFound();
    ask('/api/wish/into', ['into' => $id, 'design' => ['format' => 'kelp-tub.garden']])->assertStatus(422);
});

it('ships wishes to begin with that are fulfilled even in winter', function () {
    foreach (json_decode((string) file_get_contents(base_path('data/wishes.json'))) as $start) {
        if (isset($start->garden)) {
            $judged = Gardens::planner()->judged(Gardens::reader()->read(GardenFile::encode($start->garden)));
            $worst = array_map(static fn (Finding $f): string => $f->severity->value, $judged->findings());
            expect(array_diff($worst, ['mind']))->toBe([], $start->key);

            continue;
        }
        // In the darkest month; every other one has more light.
        $wish = json_decode((string) json_encode(['format' => 'kelp-tub.wish', 'version' => 1, ...get_object_vars($start->wish)]));
        $wish->place->from = '2027-01-10';
        $answer = Wishes::answer(Wishes::read((string) json_encode($wish)));
        expect($answer->designs)->not->toBe([], $start->key)->and($answer->designs[0]->breaks)->toBe([], $start->key);
    }
});

it('opens its page, by itself and for a garden that is there', function () {
    $this->get('/wish')->assertOk();
    $id = ask('/api/gardens', ['format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'Quay', 'units' => 'us'])->json('id');
    $this->get("/wish?into=$id")->assertOk()->assertSee('Quay');
    $this->get('/wish?into=nobody')->assertOk();
});
