<?php

declare(strict_types=1);

use App\Models\DryRun;
use App\Models\Garden;
use App\Models\LogEntry;
use App\Runs\Lessons;
use App\Runs\RunStore;
use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;
use Tests\Core\Grown;

// Seasons that are lived through, kept as the days go.

/** A run of the bucket, or of another tub. @param  array<string, mixed>  $more */
function begun(array $more = [], array $tub = []): TestResponse
{
    return ask('/api/dry-runs', ['garden' => Grown::garden($tub)->document, 'tub' => 'tub', 'seed' => 7, ...$more]);
}

/** Plays a run on from what was answered of it. @param  list<array<string, mixed>>  $more  decisions of the day */
function played(TestResponse $run, ?string $on, array $more = [], ?int $day = null): TestResponse
{
    return send('PUT', '/api/dry-runs/'.$run->json('id'), (string) json_encode([
        'revision' => $run->json('revision'),
        'day' => $day ?? $run->json('day'),
        'on' => $on,
        'decisions' => [...$run->json('decisions'), ...$more],
    ]));
}

it('begins on the evening of the first day, and goes on by a day, by a week and to what is next', function () {
    $run = begun()->assertCreated();
    expect($run->json('day'))->toBe(0)->and($run->json('so_far.seen'))->toHaveCount(1)->and($run->json('end'))->toBeNull();
    $next = played($run, 'day');
    $week = played($next, 'week');
    expect([$next->json('day'), $week->json('day')])->toBe([1, 8])
        ->and(array_column($week->json('so_far.seen'), 'day'))->toBe([0, 1, 8])
        ->and($week->json('so_far.minutes'))->toBe(2);

    $thing = played($week, 'next');
    $days = array_column($thing->json('decisions'), 'day');
    expect($thing->json('day'))->toBeGreaterThan(8)->and($days)->toBe([1, ...range(8, $thing->json('day'))]);
});

it('tells nothing that is hidden before its end, and all of it then', function () {
    $run = played(begun(), 'week');
    $text = (string) $run->getContent();
    foreach (['thirst', 'appetite', 'mishap', 'harvest_g', 'volume_l', 'oxygen', '"fare"', 'uptake'] as $hidden) {
        expect($text)->not->toContain($hidden);
    }
    $end = played($run, 'end');
    expect($end->json('so_far.over'))->toBeTrue()
        ->and($end->json('end.mishaps'))->not->toBe([])
        ->and($end->json('end.best_g'))->toBeGreaterThanOrEqual($end->json('end.harvest_g'));
});

it('does what is decided on its day, and takes it back', function () {
    $run = played(begun(), 'week');
    $day = $run->json('day');
    $poured = played($run, null, [['day' => $day, 'do' => 'top-up', 'litres' => 3]]);
    $level = static fn (TestResponse $of): int => $of->json('so_far.seen.1.level_mm');
    expect($level($poured))->toBeGreaterThan($level($run) + 20)->and($poured->json('so_far.seen.1.top_up_l'))->toEqual(3)
        ->and($poured->json('so_far.minutes'))->toBe($run->json('so_far.minutes') + 5);

    // Back to the first day, by what was decided until then.
    $back = send('PUT', '/api/dry-runs/'.$run->json('id'), (string) json_encode([
        'revision' => $poured->json('revision'), 'day' => 0, 'on' => null, 'decisions' => [],
    ]))->assertOk();
    expect($back->json('so_far'))->toBe(begun()->json('so_far'));
});

it('answers as it stands where it was played on in another window, and does nothing', function () {
    $run = begun();
    $other = played($run, 'day');
    $late = played($run, 'week');
    expect($late->json('overtaken'))->toBeTrue()->and($late->json('day'))->toBe($other->json('day'))
        ->and(DryRun::findOrFail($run->json('id'))->revision)->toBe(2);
});

it('refuses with its place what cannot be decided', function (array $decision, string $pointer, string $why) {
    $refused = played(begun(), null, [$decision])->assertStatus(422);
    expect($refused->json('faults.0.pointer'))->toBe($pointer)->and($refused->json('faults.0.message'))->toContain($why);
})->with([
    'a day that has not come' => [['day' => 3, 'do' => 'change'], '/decisions/0', 'the run stands at 0'],
    'more than it holds' => [['day' => 0, 'do' => 'top-up', 'litres' => 300], '/decisions/0', 'holds'],
    'what nobody does' => [['day' => 0, 'do' => 'sing'], '/decisions/0', 'may be'],
]);

it('refuses a seed that is no number, a tub that is not there, and one in which nothing grows', function () {
    begun(['seed' => 'x'])->assertStatus(422);
    begun(['seed' => -1])->assertStatus(422);
    expect(begun(['tub' => 'other'])->assertStatus(422)->json('faults.0.message'))->toContain('no tub')
        ->and(begun([], ['crop' => null])->assertStatus(422)->json('faults.0.message'))->toContain('nothing grows')
        ->and(DryRun::count())->toBe(0);
});

it('goes out as a file and comes in again as the same run, and is refused with its place where it is none', function () {
    $run = played(played(begun(), 'next'), 'end');
    $file = (string) send('GET', '/api/dry-runs/'.$run->json('id').'/file', '')->assertOk()->getContent();
    $again = ask('/api/dry-runs/file', ['text' => $file])->assertCreated();
    expect($again->json('id'))->not->toBe($run->json('id'))
        ->and($again->json('end'))->toBe($run->json('end'))->and($again->json('so_far'))->toBe($run->json('so_far'));

    $wrong = ['format' => 'x', 'version' => 9, 'seed' => 1.5, 'tub' => 3, 'garden' => null, 'day' => -1, 'decisions' => 'no'];
    foreach ($wrong as $key => $bad) {
        $broken = (string) json_encode([...(array) json_decode($file), $key => $bad]);
        expect(ask('/api/dry-runs/file', ['text' => $broken])->assertStatus(422)->json('faults.0.pointer'))->toBe("/$key");
    }
});

it('is what the command line says of the same file of decisions, its lid laid out to the end', function (array $tub) {
    $run = played(played(begun([], $tub), 'week', []), null, [['day' => 7, 'do' => 'top-up', 'litres' => 2.5, 'ec_ms_cm' => 0.8]]);
    $end = played($run, 'end')->json('end');
    [$garden, $decisions] = [tempnam(sys_get_temp_dir(), 'kelp'), tempnam(sys_get_temp_dir(), 'kelp')];
    file_put_contents($garden, (string) json_encode(Grown::garden($tub)->document));
    file_put_contents($decisions, (string) json_encode($run->json('decisions')));
    $said = (new Process(
        ['php', base_path('bin/kelp'), 'dry-run', $garden, '--tub=tub', '--seed=7', "--decisions=$decisions", '--json'],
    ))->mustRun()->getOutput();
    unlink($garden);
    unlink($decisions);

    expect(json_decode($said, true))->toEqual($end);
})->with([[[]], [Grown::kinds()['aerated tote of two crops']], [['vessel' => 'tote-45', 'crop' => 'mizuna']]]);

it('says in what the design differs by now, and lives on where its tub or its garden is gone', function () {
    $document = Grown::garden()->document;
    $id = send('POST', '/api/gardens', (string) json_encode($document))->assertCreated()->json('id');
    $run = begun(['from' => $id]);
    expect($run->json('garden.differs'))->toBe([]);
    $changed = static function (callable $change) use ($id): void {
        $garden = Garden::findOrFail($id);
        $document = json_decode($garden->document);
        $change($document);
        send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => "\"$garden->revision\""])->assertOk();
    };
    $of = fn (): TestResponse => send('GET', '/api/dry-runs/'.$run->json('id'), '')->assertOk();
    $changed(static fn (stdClass $d) => $d->tubs[0]->crop = 'rocket');
    expect(array_column($of()->json('garden.differs'), 'is'))->toContain('Rocket');

    $changed(static function (stdClass $d): void {
        $d->tubs[0]->id = 'other';
        $d->plantings = [];
        foreach ($d->air[0]->branches ?? [] as $branch) {
            $branch->tub = 'other';
        }
    });
    expect($of()->json('garden.differs'))->toBeNull()->and($of()->json('so_far.day'))->toBe(0);

    Garden::findOrFail($id)->delete();
    expect($of()->json('garden'))->toBeNull();
    played($of(), 'day')->assertOk();
});

it('comes in from a file to the garden that it was of, where that is here, and says what differs', function () {
    $document = Grown::garden()->document;
    $id = send('POST', '/api/gardens', (string) json_encode($document))->assertCreated()->json('id');
    $file = (string) send('GET', '/api/dry-runs/'.begun(['from' => $id])->json('id').'/file', '')->getContent();
    $document->tubs[0]->crop = 'rocket';
    send('PUT', "/api/gardens/$id", (string) json_encode($document), ['If-Match' => '"1"'])->assertOk();
    expect(array_column(ask('/api/dry-runs/file', ['text' => $file])->json('garden.differs'), 'is'))->toContain('Rocket');

    Garden::findOrFail($id)->forceDelete();
    expect(ask('/api/dry-runs/file', ['text' => $file])->assertCreated()->json('garden'))->toBeNull();
    $strange = (string) json_encode(['from' => ['x']] + (array) json_decode($file));
    expect(ask('/api/dry-runs/file', ['text' => $strange])->assertCreated()->json('garden'))->toBeNull();
});

it('touches no planting and no log', function () {
    $document = Grown::garden([], [[]])->document;
    $id = send('POST', '/api/gardens', (string) json_encode($document))->assertCreated()->json('id');
    $before = Garden::findOrFail($id)->document;
    $run = begun(['from' => $id, 'garden' => $document]);
    played(played($run, 'week', [['day' => 0, 'do' => 'change']]), 'end');

    expect(Garden::findOrFail($id)->document)->toBe($before)->and(LogEntry::count())->toBe(0)
        ->and(json_decode(DryRun::firstOrFail()->document)->plantings ?? [])->toBe([]);
});

it('takes each lesson on, which is not reached by doing nothing where something is to be done', function () {
    $lessons = app(Lessons::class)->all();
    expect($lessons)->toHaveCount(6);
    foreach ($lessons as $lesson) {
        $run = ask('/api/dry-runs', ['lesson' => $lesson->key])->assertCreated();
        $end = played($run, 'end');
        expect([$run->json('lesson.reached'), $end->json('lesson.reached')])->toBe([null, $lesson->key === 'water-and-roots']);
    }
    expect(ask('/api/dry-runs', ['lesson' => 'none'])->assertStatus(422)->json('faults.0.pointer'))->toBe('/lesson');
});

it('asks the Log, which goes by what was read', function () {
    $run = ask('/api/dry-runs', ['lesson' => 'no-bubbles']);
    while ($run->json('so_far.seen.'.(count($run->json('so_far.seen')) - 1).'.bubbles') !== 'none') {
        $run = played($run, 'day');
    }
    $findings = send('GET', '/api/dry-runs/'.$run->json('id').'/diagnosis', '')->assertOk()->json('findings');
    expect(array_column($findings, 'code'))->toContain('log.no-air');
});

it('counts a design over many seasons, as the command line does', function () {
    $odds = ask('/api/odds', ['garden' => Grown::garden()->document, 'tub' => 'tub', 'seeds' => 25])->assertOk();
    expect($odds->json('runs'))->toBe(25)->and($odds->json('came_through'))->toBeGreaterThan(0);
    ask('/api/odds', ['garden' => Grown::garden()->document, 'tub' => 'tub', 'seeds' => 1001])->assertStatus(422);
    ask('/api/odds', ['garden' => Grown::garden(['crop' => null])->document, 'tub' => 'tub', 'seeds' => 5])->assertStatus(422);
});

it('keeps so many and no more, and says so', function () {
    $first = begun();
    $row = DryRun::firstOrFail()->getAttributes();
    for ($n = 1; $n < RunStore::MOST; $n += 100) {
        DryRun::insert(array_map(
            static fn (): array => [...$row, 'id' => strtolower((string) Illuminate\Support\Str::ulid())],
            range(1, min(100, RunStore::MOST - $n)),
        ));
    }
    expect(begun()->assertStatus(422)->json('faults.0.message'))->toContain('500');
    send('DELETE', '/api/dry-runs/'.$first->json('id'), '')->assertOk();
    begun()->assertCreated();
    send('GET', '/api/dry-runs/'.$first->json('id'), '')->assertNotFound();
});
