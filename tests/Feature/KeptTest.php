<?php

declare(strict_types=1);

use App\Gardens\Everything;
use App\Gardens\GardenHistory;
use App\Models\Garden;
use App\Models\LibraryItem;
use App\Models\Revision;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

function renamed(string $name): string
{
    return str_replace('Marsh Lantern', $name, demo());
}

/** The demo garden with a change of its nth tub. */
function withTub(int $tub, string $name, ?string $of = null): string
{
    $garden = json_decode($of ?? demo());
    $garden->tubs[$tub]->name = $name;

    return (string) json_encode($garden, JSON_PRESERVE_ZERO_FRACTION);
}

function put(string $id, int $revision, string $document, array $headers = []): Illuminate\Testing\TestResponse
{
    return send('PUT', "/api/gardens/$id", $document, ['If-Match' => "\"$revision\"", ...$headers]);
}

const KEY = 'write-0000000001';

it('does a write once though it is sent twice', function () {
    $first = send('POST', '/api/gardens', demo(), ['Idempotency-Key' => KEY])->assertCreated()->json('id');
    expect(send('POST', '/api/gardens', demo(), ['Idempotency-Key' => KEY])->json('id'))->toBe($first)->and(Garden::count())->toBe(1);

    put($first, 1, renamed('Reed'), ['Idempotency-Key' => KEY])->assertOk()->assertJson(['revision' => 2]);
    put($first, 1, renamed('Reed'), ['Idempotency-Key' => KEY])->assertOk()->assertJson(['revision' => 2]);
    expect(Revision::where('garden_id', $first)->count())->toBe(2);
    send('POST', "/api/gardens/$first/copy", '{}', ['Idempotency-Key' => 'copy-00000001'])->assertCreated();
    send('POST', "/api/gardens/$first/copy", '{}', ['Idempotency-Key' => 'copy-00000001'])->assertCreated();
    expect(Garden::count())->toBe(2);
    put($first, 2, renamed('Sedge'), ['Idempotency-Key' => 'a b'])->assertStatus(400);
});

it('is no conflict with oneself: the same document is the same, and what follows an unanswered write goes on top of it', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    put($id, 1, renamed('Reed'), ['Idempotency-Key' => KEY])->assertOk();
    // The answer was lost: the same again without a name, then something newer that says what it follows.
    put($id, 1, renamed('Reed'))->assertOk()->assertJson(['revision' => 2]);
    put(
        $id,
        1,
        renamed('Sedge'),
        ['Idempotency-Key' => 'write-0000000002', 'Follows-Writes' => KEY],
    )->assertOk()->assertJson(['revision' => 3]);
    // Someone else wrote after: following helps no more.
    put($id, 3, renamed('Rush'))->assertOk();
    put($id, 3, renamed('Fern'), ['Follows-Writes' => 'write-0000000002'])->assertConflict();
    put($id, 4, renamed('Fern'), ['Follows-Writes' => 'x'])->assertStatus(400);
    expect(Garden::findOrFail($id)->name)->toBe('Rush');
});

it('knows a write that was done and not answered, though others wrote since and it has another name now', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    put($id, 1, renamed('Mine'), ['Idempotency-Key' => KEY])->assertOk();
    put($id, 2, renamed('Theirs'))->assertOk();

    put(
        $id,
        1,
        renamed('Mine'),
        ['Idempotency-Key' => 'write-0000000002', 'Follows-Writes' => KEY],
    )->assertOk()->assertJson(['revision' => 2]);
    put($id, 1, renamed('Mine'), ['Idempotency-Key' => 'write-0000000003'])->assertConflict();
    put($id, 1, renamed('Newer of mine'), ['Idempotency-Key' => 'write-0000000004', 'Follows-Writes' => KEY])->assertConflict();
    expect(Garden::findOrFail($id)->name)->toBe('Theirs')->and(Revision::where('garden_id', $id)->count())->toBe(3);
});

it('brings changes of different tubs together, and says field by field what it cannot', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    put($id, 1, withTub(0, 'Theirs'))->assertOk();
    $apart = put($id, 1, withTub(1, 'Mine'))->assertConflict();
    $merged = json_decode($apart->json('merged'));
    expect([$merged->tubs[0]->name, $merged->tubs[1]->name])->toBe(['Theirs', 'Mine']);

    $same = put($id, 1, withTub(0, 'Mine'))->assertConflict();
    expect($same->json('merged'))->toBeNull()
        ->and($same->json('differences'))->toBe([['where' => 'Theirs', 'what' => 'name', 'mine' => 'Mine', 'theirs' => 'Theirs']])
        ->and(json_decode($same->json('document'))->tubs[0]->name)->toBe('Theirs');
});

it('does not bring together what would break: a tub gone here, on the air there', function () {
    $tub = fn (string $id): array => ['id' => $id, 'system' => 'aerated', 'vessel' => 'bucket-20'];
    $air = ['id' => 'p', 'pump' => 'pump-4w-2', 'check_valve' => true, 'branches' => [['tub' => 'a']]];
    $garden = ['format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => [$tub('a'), $tub('b')], 'air' => [$air]];
    $id = ask('/api/gardens', $garden)->json('id');
    $fed = ['air' => [['branches' => [['tub' => 'a'], ['tub' => 'b']]] + $air]] + $garden;
    put($id, 1, (string) json_encode($fed))->assertOk();
    $gone = put($id, 1, (string) json_encode(['tubs' => [$tub('a')]] + $garden))->assertConflict();

    expect($gone->json('merged'))->toBeNull()->and($gone->json('differences'))->not->toBe([]);
});

it('deletes only what was looked at', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    put($id, 1, renamed('Reed'))->assertOk();

    send('DELETE', "/api/gardens/$id", '', ['If-Match' => '1'])->assertConflict();
    expect(Garden::find($id))->not->toBeNull();
});

it('shows what a garden was, in words, and goes back to it as a new revision', function () {
    $id = send('POST', '/api/gardens', demo())->json('id');
    put($id, 1, withTub(0, 'Deep pail'))->assertOk();
    put($id, 2, renamed('Reed'))->assertOk();
    $this->get("/gardens/$id/history")->assertOk()->assertInertia(fn ($page) => $page
        ->component('History')
        ->has('revisions', 3)
        ->where('revisions.1.says', ['Deep pail: name was '.json_decode(demo())->tubs[0]->name.', is Deep pail'])
        ->where('revisions.2.says', ['The first that is kept.'])
        ->has('revisions.0.tubs', count(json_decode(demo())->tubs))
        ->has('revisions.0.tubs.0.stations.1'));
    send('POST', "/api/gardens/$id/revisions/1/restore", '{}', ['If-Match' => '2'])->assertConflict();
    send('POST', "/api/gardens/$id/revisions/9/restore", '{}', ['If-Match' => '3'])->assertNotFound();
    send('POST', "/api/gardens/$id/revisions/1/restore", '{}', ['If-Match' => '3'])->assertOk()->assertJson(['revision' => 4]);

    expect(json_decode(Garden::findOrFail($id)->document))->toEqual(json_decode(demo()))
        ->and(json_decode(send('GET', "/api/gardens/$id/revisions/2", '')->json('document'))->tubs[0]->name)->toBe('Deep pail');
});

it('goes through a long history in pages', function () {
    $id = send('POST', '/api/gardens', '{"name":"Long"}')->json('id');
    for ($r = 1; $r <= GardenHistory::A_PAGE + 4; $r++) {
        put($id, $r, (string) json_encode(['format' => 'kelp-tub.garden', 'version' => 1, 'name' => "Long $r"]))->assertOk();
    }
    $this->get("/gardens/$id/history?page=2")->assertInertia(fn ($page) => $page
        ->where('pages', 2)
        ->has('revisions', 5)
        ->where('revisions.0.says', ['name was Long 3, is Long 4']));
    $this->get("/gardens/$id/history?page[]=2")->assertOk();
});

/** A garden with a revision at each of so many hours before now. */
function aged(array $hours, Carbon $now): string
{
    $id = send('POST', '/api/gardens', '{"name":"Old"}')->json('id');
    Revision::query()->delete();
    rsort($hours);
    foreach (array_values($hours) as $i => $ago) {
        $at = $now->copy()->subMinutes((int) round($ago * 60))->format('Y-m-d H:i:s.u');
        DB::table('revisions')->insert(['garden_id' => $id, 'revision' => $i + 1, 'document' => '{}', 'created_at' => $at]);
    }

    return $id;
}

/** How long ago the kept revisions were made, hours. */
function ages(Carbon $now): array
{
    return Revision::query()->orderByDesc('revision')->get()
        ->map(fn (Revision $r): float => round($r->created_at->diffInSeconds($now) / 3600, 2))->all();
}

it('keeps all of a day, then one an hour, a day and a week', function () {
    $now = Carbon::parse('2026-08-01 12:00:00', 'UTC');
    $history = app(GardenHistory::class);
    $history->tidy($now->copy()->subDay());
    // Two within the last day; three within one hour and one in the next; two within one day; two within one week; the first of all.
    aged([0.5, 0.6, 23.9, 30.1, 30.2, 30.3, 31.5, 300.1, 303, 3000, 3001, 9000], $now);
    expect($history->tidy($now))->toBe([4, 0])
        ->and(ages($now))->toBe([0.5, 0.6, 23.9, 30.1, 31.5, 300.1, 3000.0, 9000.0])
        // What was thinned out once is not thinned out again.
        ->and($history->tidy($now->copy()->addHours(13)))->toBe([0, 0]);
});

it('tidies by a clock that it can trust: not too soon, and not right after a jump', function () {
    $now = Carbon::parse('2026-08-01 12:00:00', 'UTC');
    $history = app(GardenHistory::class);
    aged([30.1, 30.2, 30.3, 31], $now);
    $id = Garden::query()->firstOrFail()->id;
    DB::table('gardens')->update(['deleted_at' => $now->copy()->subDays(10)->format('Y-m-d H:i:s.u')]);

    expect($history->tidy($now))->toBeNull()
        ->and($history->tidy($now->copy()->addHours(11)))->toBeNull()
        // The clock is ten years ahead for a start, and back at the next.
        ->and($history->tidy($now->copy()->addYears(10)))->toBeNull()
        ->and($history->tidy($now->copy()->addHours(12)))->toBeNull()
        ->and(Revision::count())->toBe(4)
        ->and(Garden::withTrashed()->find($id))->not->toBeNull()
        ->and($history->tidy($now->copy()->addHours(24)))->not->toBeNull();
});

it('removes for good what was deleted ninety days ago, and shows what can still be brought back', function () {
    $now = Carbon::parse('2026-08-01 12:00:00', 'UTC');
    $history = app(GardenHistory::class);
    $history->tidy($now->copy()->subDay());
    foreach (['Just under' => 89.9, 'Just over' => 90.1] as $name => $days) {
        $id = ask('/api/gardens', ['name' => $name])->json('id');
        DB::table('gardens')->where('id', $id)->update(
            ['deleted_at' => $now->copy()->subMinutes((int) ($days * 1440))->format('Y-m-d H:i:s.u')],
        );
    }
    $this->get('/deleted')->assertInertia(fn ($page) => $page->component('Deleted')->has('gardens', 2));

    expect($history->tidy($now))->toBe([0, 1])
        ->and(Garden::onlyTrashed()->pluck('name')->all())->toBe(['Just under'])
        ->and(Revision::count())->toBe(1);
});

it('hands out everything as one file, and takes it in again without touching what is here', function () {
    $kept = send('POST', '/api/gardens', demo())->json('id');
    $other = ask('/api/gardens', ['name' => 'Sill'])->json('id');
    ask('/api/library/saws', ['name' => 'Old saw', 'diameter_mm' => 51.25])->assertCreated();
    $file = send('GET', '/api/everything', '')->assertOk()->streamedContent();
    // Since then one was changed, one is gone, and the shelf is empty.
    put($kept, 1, renamed('Reed Lantern'))->assertOk();
    Garden::findOrFail($other)->forceDelete();
    LibraryItem::query()->delete();
    $done = send('POST', '/api/everything', $file)->assertOk();

    expect($done->json('new'))->toBe(['Sill'])
        ->and($done->json('beside.0'))->toStartWith('Marsh Lantern (from a file of 20')
        ->and($done->json('items'))->toBe(1)
        ->and($done->json('refused'))->toBe([])
        ->and(Garden::findOrFail($kept)->name)->toBe('Reed Lantern')
        ->and(Garden::findOrFail($other)->name)->toBe('Sill')
        ->and(json_decode((string) LibraryItem::query()->value('document'))->diameter_mm)->toBe(51.25)
        // A second time there is nothing left to take in.
        ->and(send('POST', '/api/everything', $file)->json())->toMatchArray(['new' => [], 'beside' => [], 'same' => 3, 'items' => 0])
        ->and(Garden::count())->toBe(3);
});

it('takes in what it can of everything and says what it cannot', function () {
    $file = ['format' => Everything::FORMAT, 'version' => 1, 'gardens' => [
        ['id' => 'x', 'document' => ['format' => 'seed-list']],
        ['document' => ['format' => 'kelp-tub.garden', 'version' => 1, 'name' => 'Good']],
        'nothing',
    ], 'library' => ['cups' => ['own-a' => ['name' => 'No cup']], 'saws' => 7]];
    $done = ask('/api/everything', $file)->assertOk();

    expect($done->json('new'))->toBe(['Good'])
        ->and(array_column($done->json('refused'), 'name'))->toBe(['/gardens/0', '/gardens/2', 'No cup']);
    ask('/api/everything', ['format' => 'seed-list'])->assertUnprocessable();
    ask('/api/everything', ['format' => Everything::FORMAT, 'version' => 2])->assertUnprocessable();
    send('POST', '/api/everything', '{')->assertUnprocessable();
});

it('makes its tables again where it was broken off after any of its statements', function () {
    // All of it in a database of its own, which is thrown away.
    DB::statement('DROP DATABASE IF EXISTS kelp_broken_test');
    DB::statement('CREATE DATABASE kelp_broken_test');
    config(['database.connections.broken' => ['database' => 'kelp_broken_test'] + config('database.connections.mariadb')]);
    $default = DB::getDefaultConnection();
    DB::setDefaultConnection('broken');
    try {
        $statements = 0;
        do {
            $statements++;
            $left = $statements;
            Schema::dropAllTables();
            DB::connection()->beforeExecuting(function (string $sql) use (&$left): void {
                if (preg_match('/^(create|alter)/i', $sql) === 1 && --$left < 0) {
                    throw new RuntimeException('broken off');
                }
            });
            $wasBroken = false;
            try {
                Illuminate\Support\Facades\Artisan::call('migrate', ['--force' => true]);
            } catch (Throwable) {
                $wasBroken = true;
            }
            DB::purge('broken');
            Illuminate\Support\Facades\Artisan::call('migrate', ['--force' => true]);
            expect(Schema::hasIndex('revisions', ['garden_id', 'write_key'], 'unique'))->toBeTrue()
                ->and(Schema::getForeignKeys('revisions'))->toHaveCount(1)
                ->and(Schema::hasIndex('gardens', ['settled']))->toBeTrue();
        } while ($wasBroken);
        expect($statements)->toBeGreaterThan(8);
    } finally {
        DB::setDefaultConnection($default);
        DB::statement('DROP DATABASE kelp_broken_test');
    }
});
