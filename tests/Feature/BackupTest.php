<?php

declare(strict_types=1);

use App\Backup\BackupRefused;
use App\Backup\OldDump;
use App\Backup\PutBack;
use App\Backup\RowLines;
use App\Backup\RowsWriter;
use App\Gardens\Everything;
use App\Gardens\OneMoment;
use App\Models\Garden;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

// A backup is data: it is read, and nothing of it is run.

// What is done here ends the transaction that a test is rolled back by: the next one begins with new tables.
afterEach(function () {
    RefreshDatabaseState::$migrated = false;
});

/** A file of these lines, gone after the test. */
function linesFile(string $text): string
{
    $file = tempnam(sys_get_temp_dir(), 'kelp-rows-') ?: throw new RuntimeException('no room');
    file_put_contents($file, $text);
    register_shutdown_function(static fn () => @unlink($file));

    return $file;
}

/** @return list<array{string, array<string, mixed>}> */
function rowsIn(string $sql): array
{
    return [...(new OldDump(linesFile($sql)))->all()];
}

const TABLE = "CREATE TABLE `gardens` (\n  `id` char(26) NOT NULL,\n  `document` longtext NOT NULL,\n  `revision` int(10),\n"
    ."  PRIMARY KEY (`id`),\n  KEY `x` (`revision`)\n) ENGINE=InnoDB;\n";

it('reads rows of a dump as the client wrote them, whatever stands in their texts', function () {
    $texts = [
        "it's", 'a "b" \\ c', "line\nline\r\ttab", '), (1,2);', '\\! touch x', "nul\0nul", 'naïve 🌿', '', '-- no', '/*! x */', "\x1a\x08",
    ];
    $quoted = static fn (string $text): string => "'".strtr($text, [
        '\\' => '\\\\', "'" => "\\'", '"' => '\\"', "\n" => '\\n', "\r" => '\\r', "\0" => '\\0', "\x1a" => '\\Z',
    ])."'";
    $values = array_map(static fn (string $text, int $i): string => "({$quoted("id$i")},{$quoted($text)},$i)", $texts, array_keys($texts));

    $documents = static fn (array $rows): array => array_column(array_column($rows, 1), 'document');
    $read = static fn (string $rows): array => $documents(rowsIn(TABLE."INSERT INTO `gardens` VALUES$rows;\n"));
    expect($read(' '.implode(',', $values)))->toBe($texts)
        // The newer client breaks its statement after each row.
        ->and($read("\n".implode(",\n", $values)))->toBe($texts);

    expect(rowsIn(TABLE."INSERT INTO `gardens` VALUES ('a',NULL,-1.5e3);\n"))
        ->toBe([['gardens', ['id' => 'a', 'document' => null, 'revision' => '-1.5e3']]]);
});

it('looks at nothing else in a dump, and refuses what is no plain value', function () {
    $other = "\\! touch /tmp/x\nsystem touch /tmp/x\nCREATE USER a@b;\nINSERT INTO `mysql`.`user` VALUES ('x');\nDROP DATABASE kelp;\n"
        ."CREATE TABLE `users` (\n  `name` char(2)\n) X;\nINSERT INTO `users` VALUES ('a');\n";
    expect(rowsIn($other.TABLE."INSERT INTO `gardens` VALUES ('a','b',1);\n"))->toHaveCount(1);

    foreach ([
        "('a',LOAD_FILE('/etc/passwd'),1)", "('a',(SELECT 1),1)", "('a',@@datadir,1)", "('a','b'),", "('a','b',1) ON DUPLICATE",
        "('a','b',1", 'x',
        "('a','b',1,2)", "('a',_binary 'x',1)", "('a','b' 'c',1)",
    ] as $values) {
        expect(fn () => rowsIn(TABLE."INSERT INTO `gardens` VALUES $values;\n"))->toThrow(BackupRefused::class);
    }
    expect(fn () => rowsIn(TABLE."INSERT INTO `gardens` VALUES\n('a','b',1),\n"))->toThrow(BackupRefused::class, 'end early');
});

it('reads in the dump of the version before what its open half says', function () {
    $zip = new ZipArchive;
    $zip->open(dirname(__DIR__).'/Operating/before.zip');
    $rows = [];
    foreach (rowsIn((string) $zip->getFromName('database.sql')) as [$table, $row]) {
        $rows[$table][] = $row;
    }
    $open = json_decode((string) $zip->getFromName('kelp-tub.json'));
    $documents = array_column($rows['gardens'], 'document', 'id');

    expect($rows['revisions'])->not->toBe([]);
    foreach ($open->gardens as $garden) {
        expect(json_decode($documents[$garden->id]))->toEqual($garden->document);
    }
});

it('writes rows and puts them back to the last letter, in an empty database', function () {
    $this->postJson('/api/gardens', ['name' => "O'Reed \\ \"x\" 🌿"])->assertCreated();
    $made = $this->postJson('/api/gardens', ['name' => 'Gone'])->json('id');
    Garden::find($made)->delete();
    $this->postJson('/api/library/saws', ['name' => 'Old saw', 'diameter_mm' => 54.0])->assertCreated();
    DB::commit();
    $rows = fn (string $table): array => DB::table($table)->orderBy('id')->get()->all();
    $all = fn (): array => array_map($rows, ['gardens', 'revisions', 'library_items']);
    $before = $all();
    $file = linesFile(implode('', [...OneMoment::of(fn () => [...app(RowsWriter::class)->written()])]));
    DB::statement('SET FOREIGN_KEY_CHECKS = 0');
    foreach (DB::select('SHOW TABLES') as $row) {
        DB::statement('DROP TABLE '.array_values((array) $row)[0]);
    }
    DB::statement('SET FOREIGN_KEY_CHECKS = 1');
    $counts = app(PutBack::class)->from(new RowLines($file));

    expect($all())->toEqual($before)->and($counts)->toMatchArray(['gardens' => 2, 'revisions' => 2, 'library_items' => 1]);
});

it('says what is wrong with rows that are not whole, not known, or of a newer version', function (Closure $change, string $why) {
    $lines = explode("\n", trim(implode('', [...app(RowsWriter::class)->written()])));
    $lines[] = array_pop($lines);
    $file = linesFile(implode("\n", $change($lines))."\n");

    expect(fn () => app(PutBack::class)->from(new RowLines($file)))->toThrow(BackupRefused::class, $why);
})->with([
    'its end is missing' => [fn (array $lines) => array_slice($lines, 0, -1), 'its end is missing'],
    'fewer rows than it says' => [fn (array $lines) => [$lines[0], '{"rows":3}'], 'says 3'],
    'a line that is broken off' => [fn (array $lines) => [$lines[0], '{"table":"gard'], 'line 2 is not JSON'],
    'another table' => [fn (array $lines) => [$lines[0], '{"table":"users","row":{"id":1}}', '{"rows":1}'], 'no row of a table'],
    'another column' => [fn (array $lines) => [$lines[0], '{"table":"tidyings","row":{"id":1,"evil":2}}', '{"rows":1}'], 'has no evil'],
    'an id that is none' => [
        fn (array $lines) => [$lines[0], '{"table":"gardens","row":{"id":"\"><script>","document":"{}"}}', '{"rows":1}'],
        'an id that is none',
    ],
    'a newer program' => [
        fn (array $lines) => [
            str_replace('"migrations":[', '"migrations":["2099_01_01_000001_more",', $lines[0]),
            ...array_slice($lines, 1),
        ],
        'made by a newer Kelp Tub',
    ],
    'a newer way to write it' => [fn (array $lines) => [str_replace('"version":1', '"version":2', $lines[0])], 'made by a newer Kelp Tub'],
    'something else' => [fn (array $lines) => ['{"format":"x"}'], 'does not begin as one'],
]);

it('unpacks no more than a backup of its size holds', function () {
    $folder = sys_get_temp_dir().'/kelp-bomb-'.bin2hex(random_bytes(4));
    mkdir($folder);
    $zip = new ZipArchive;
    $zip->open("$folder/bomb.zip", ZipArchive::CREATE);
    $zip->addFromString('kelp-tub.json', str_repeat(' ', 270_000_000));
    $zip->close();
    $command = ['php', 'bin/lib/zip.php', 'take', "$folder/bomb.zip", 'kelp-tub.json', "$folder/out"];
    $take = new Process($command, dirname(__DIR__, 2), timeout: 100);
    $take->run();
    $size = is_file("$folder/out") ? (int) filesize("$folder/out") : 0;
    (new Process(['rm', '-rf', $folder]))->run();

    expect($take->getExitCode())->toBe(1)
        ->and($take->getErrorOutput())->toContain('unpacks to more than 256 MB')
        ->and($size)->toBeLessThan(257_000_000);
});

it('tells everything of one moment while others write', function () {
    foreach (range(1, 120) as $i) {
        $this->postJson('/api/gardens', ['name' => "Garden $i"])->assertCreated();
    }
    DB::commit();
    // Another writes, through a connection of its own, between the pieces.
    $other = DB::connectUsing('other', config('database.connections.mariadb'));
    $names = OneMoment::of(function () use ($other): array {
        $text = '';
        foreach (app(Everything::class)->written() as $i => $piece) {
            $text .= $piece;
            $newest = $other->table('gardens')->max('id');
            $other->table('gardens')->where('id', $newest)->update(['document' => '{"name":"changed"}', 'updated_at' => now()->addDay()]);
            $other->table('gardens')->where('id', $other->table('gardens')->min('id'))->delete();
        }

        return array_map(fn ($garden) => $garden->document->name, json_decode($text)->gardens);
    });
    sort($names, SORT_NATURAL);

    expect($names)->toBe(array_map(fn (int $i): string => "Garden $i", range(1, 120)))
        ->and($other->table('gardens')->count())->toBeLessThan(120);
    DB::purge('other');
});

it('brings back a garden that was deleted when its file is read, as it is in the file, with its history', function () {
    $id = $this->postJson('/api/gardens', ['name' => 'Sill'])->json('id');
    $file = send('GET', '/api/everything', '')->streamedContent();
    $later = json_decode(Garden::find($id)->document);
    $later->name = 'Sill, later';
    $this->putJson("/api/gardens/$id", (array) $later, ['If-Match' => '"1"'])->assertOk();
    $this->deleteJson("/api/gardens/$id", [], ['If-Match' => '"2"'])->assertOk();
    $came = $this->call('POST', '/api/everything', server: ['CONTENT_TYPE' => 'application/json'], content: $file)->assertOk()->json();

    expect($came['back'])->toBe(['Sill'])->and($came['beside'])->toBe([])
        ->and(Garden::query()->count())->toBe(1)
        ->and(Garden::find($id)->revision)->toBe(3)
        ->and(json_decode(Garden::find($id)->document)->name)->toBe('Sill');
    // A second time it is here.
    $again = $this->call('POST', '/api/everything', server: ['CONTENT_TYPE' => 'application/json'], content: $file)->json();
    expect([$again['same'], $again['back']])->toBe([1, []]);
});
