<?php

declare(strict_types=1);

use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Marks;
use Symfony\Component\Process\Process;
use Tests\Browser\Database;
use Tests\Core\Gardens;
use Tests\Operating\Installation;

/** A backup that the version before this one's tables was kept in, at its update. */
const BEFORE = __DIR__.'/before.zip';

/** What was kept in it. */
function expectWhatWasBefore(Installation $kelp): void
{
    expect($kelp->gardens())->toBe(['Reed shelf', 'Marsh Lantern']);
    $gardens = json_decode($kelp->ask('GET', '/api/gardens')[1], true)['gardens'];
    $document = static fn (string $id): string => json_decode($kelp->ask('GET', "/api/gardens/$id")[1], true)['document'];
    expect(json_decode($document($gardens[0]['id']))->tubs[0]->hole_mm)->toBe(50.8)
        ->and(json_decode($document($gardens[1]['id']))->tubs[0]->name)->toBe('Foredeck crate')
        ->and(array_column(json_decode($kelp->ask('GET', '/api/library/saws')[1], true)['items'], 'name'))->toBe(['Old saw'])
        ->and(array_column(json_decode($kelp->ask('GET', '/api/library/vessels')[1], true)['items'], 'name'))->toBe(['Biscuit tin']);
}

/** The folder of a database as the version before made it: root of this machine, no password, all in it. */
function oldData(): string
{
    $folder = Database::folder('before');
    $path = ['PATH' => getenv('PATH').':/usr/sbin'];
    $root = posix_getuid() === 0 ? ['--user=root'] : [];
    mkdir("$folder.tables", 0700, true);
    $make = [
        'mariadb-install-db',
        '--no-defaults',
        ...$root,
        "--datadir=$folder",
        "--tmpdir=$folder.tables",
        '--auth-root-authentication-method=normal',
        '--skip-test-db',
    ];
    (new Process($make, env: $path, timeout: 120))->mustRun();
    $zip = new ZipArchive;
    $zip->open(BEFORE);
    $server = new Process(
        [
            'mariadbd', '--no-defaults', ...$root, "--datadir=$folder", "--tmpdir=$folder.tables", "--socket=$folder.sock",
            '--skip-networking',
        ],
        env: $path,
    );
    $server->start();
    $load = static fn (): int => (new Process(
        ['mariadb', '--no-defaults', '--user=root', "--socket=$folder.sock"],
        input: (string) $zip->getFromName('database.sql'),
    ))->run();
    for ($until = microtime(true) + 60; $load() !== 0;) {
        expect(microtime(true))->toBeLessThan($until);
        usleep(100_000);
    }
    $server->stop(30);
    (new Process(['rm', '-rf', "$folder.tables"]))->run();

    return $folder;
}

it('takes over the data of the version before, shuts its door, and keeps running whatever is killed', function () {
    $old = oldData();
    $kelp = new Installation(['KELP_OLD_DATA' => $old, 'KELP_PRELOAD' => '1']);
    try {
        $said = $kelp->run('start --detach');
        expect($said)->toContain("moving your gardens from $old")->toContain('before-update-');
        expectWhatWasBefore($kelp);
        expect(glob("$kelp->data/backups/before-update-*.zip"))->toHaveCount(1)->and(is_dir("$old.moved"))->toBeTrue();

        // The door: nobody without the password, and with it no files and no rights to give.
        $password = (string) file_get_contents("$kelp->data/secrets/database");
        preg_match('/--port=(\d+)/', str_replace("\0", ' ', (string) file_get_contents('/proc/'.$kelp->pid('mariadb').'/cmdline')), $port);
        foreach ([['root', ''], ['kelp', ''], ['', ''], ['root', $password]] as [$user, $given]) {
            expect(fn () => new PDO("mysql:host=127.0.0.1;port=$port[1]", $user, $given))->toThrow(PDOException::class, 'Access denied');
        }
        $pdo = new PDO("mysql:host=127.0.0.1;port=$port[1];dbname=kelp", 'kelp', $password, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $grants = implode("\n", $pdo->query('SHOW GRANTS')->fetchAll(PDO::FETCH_COLUMN));
        expect($grants)->toContain('SELECT, INSERT, UPDATE, DELETE ON `kelp`.*')->not->toContain('FILE')->not->toContain('GRANT OPTION')
            ->and($pdo->query("SELECT LOAD_FILE('/etc/passwd')")->fetchColumn())->toBeNull()
            ->and(fn () => $pdo->query("SELECT 'x' INTO OUTFILE '/tmp/kelp-outfile'"))->toThrow(PDOException::class)
            ->and(fn () => $pdo->query('DROP TABLE gardens'))->toThrow(PDOException::class)
            ->and(fn () => $pdo->query('SELECT * FROM mysql.global_priv'))->toThrow(PDOException::class)
            ->and($pdo->query('SELECT @@secure_file_priv')->fetchColumn())->toStartWith($kelp->data)
            ->and($kelp->users())->each->toBeGreaterThan(0);
        foreach (['', '/mariadb', '/run', '/secrets', '/logs', '/backups'] as $folder) {
            expect(substr(sprintf('%o', (int) fileperms($kelp->data.$folder)), -3))->toBe('700');
        }
        foreach (['/secrets/database', '/secrets/key', '/storage/framework/config.php', '/run/accounts.sql'] as $file) {
            expect(substr(sprintf('%o', (int) fileperms($kelp->data.$file)), -3))->toBe('600');
        }

        // One of each killed comes back by itself; all at once, and the script, at a new start.
        foreach (['php-fpm', 'nginx', 'mariadb'] as $name) {
            $before = $kelp->pid($name);
            $kelp->kill($name);
            $until = microtime(true) + 30;
            while ($kelp->pid($name) === $before) {
                expect(microtime(true))->toBeLessThan($until);
                usleep(50_000);
            }
            $kelp->waitUntilUp();
        }
        $id = json_decode($kelp->ask('POST', '/api/gardens', '{"name":"Acknowledged"}')[1])->id;
        $kelp->kill('start', 'mariadb', 'nginx');
        $kelp->run('start --detach');
        expect(json_decode($kelp->ask('GET', "/api/gardens/$id")[1])->name)->toBe('Acknowledged');
        // What was written down is gone too, and a second one beside it is refused.
        $kelp->kill('start');
        (new Process(['bash', '-c', 'rm -f "$0"/run/*.pid', $kelp->data]))->mustRun();
        $kelp->run('start --detach');
        expect($kelp->run('start', 1))->toContain('is running already')
            ->and($kelp->run('status'))->toContain('"status":"up"');

        // A photograph of its log is in the folder of data, and in the backup.
        $photo = (string) glob(dirname(__DIR__, 2).'/data/demo-photos/*.jpg')[0];
        $name = basename($photo);
        $query = basename($photo, '.jpg');
        (new Process([
            'curl', '-sf', '--noproxy', '*', '-H', 'Content-Type: image/jpeg', '--data-binary', "@$photo",
            "http://127.0.0.1:$kelp->port/api/gardens/$id/photos?id=$query",
        ]))->mustRun();
        $there = "$kelp->data/photos/$id/$name";
        $kept = $kelp->run('backup');
        expect(md5_file($there))->toBe(md5_file($photo));
        expect($kept)->toContain('kept: ')->and($kelp->run('restore '.BEFORE, 1))->toContain('bin/stop');
        $kelp->run('stop');
        expect($kelp->ask('GET', '/up')[0])->toBe(0)
            ->and($kelp->run('status', 1))->toContain('not running')
            ->and($kelp->run('stop'))->toContain('is not running');
        unlink($there);
        preg_match('#kept: (\S+)#', $kept, $m);
        expect($kelp->run("restore --whole $m[1]"))->toContain('are back')->and(md5_file($there))->toBe(md5_file($photo));
    } finally {
        $kelp->remove();
        (new Process(['rm', '-rf', $old, "$old.moved", "$old.sock"]))->run();
    }
});

it('puts back everything from a backup of the version before, and takes in what is not here from it', function () {
    $kelp = new Installation;
    try {
        // Into nothing: all of it, history and what was deleted too.
        expect($kelp->run('restore '.BEFORE))->toContain('2 gardens are back');
        $kelp->run('start --detach');
        expectWhatWasBefore($kelp);
        $marsh = json_decode($kelp->ask('GET', '/api/gardens')[1])->gardens[1]->id;
        expect($kelp->ask('GET', "/api/gardens/$marsh/revisions/1")[0])->toBe(200)
            ->and($kelp->ask('GET', '/deleted')[1])->toContain('Tried and dropped');
        // Changed since: it comes in beside, and nothing is overwritten.
        $document = json_decode($kelp->ask('GET', "/api/gardens/$marsh")[1])->document;
        $kelp->ask('PUT', "/api/gardens/$marsh", str_replace('Marsh Lantern', 'Reed Lantern', $document), ['If-Match: "2"']);
        $kelp->run('stop');
        expect($kelp->run('restore '.BEFORE))->toContain('Beside the garden that is here');
        // A folder that is half there is refused, left as it is, and put back with a word.
        rename("$kelp->data/mariadb/mysql", "$kelp->data/mariadb/elsewhere");
        expect($kelp->run('start', 1))->toContain('only half there')->toContain('bin/restore')
            ->and(is_file("$kelp->data/mariadb/ibdata1"))->toBeTrue()
            ->and($kelp->run('restore '.BEFORE))->toContain('untouched')->toContain('2 gardens are back')
            ->and(glob("$kelp->data/mariadb.half-*/elsewhere"))->toHaveCount(1);
        expect($kelp->run('restore composer.json', 1))->toContain('Everything as one file')
            ->and($kelp->run('restore nothing.zip', 1))->toContain('cannot read');
    } finally {
        $kelp->remove();
    }
});

it('starts after a first start that was broken off between two tables', function () {
    $kelp = new Installation;
    try {
        $kelp->run('start --detach');
        $owner = posix_getpwuid((int) fileowner("$kelp->data/mariadb"))['name'] ?? '';
        $as = posix_getuid() === 0 ? ['setpriv', "--reuid=$owner", '--clear-groups'] : [];
        (new Process([
            ...$as, 'mariadb', '--no-defaults', "--user=$owner", "--socket=$kelp->data/run/mariadb.sock", 'kelp', '-e',
            'DELETE FROM revisions; DELETE FROM gardens; DROP TABLE library_items; DELETE FROM migrations WHERE id > 1',
        ]))->mustRun();
        $kelp->run('stop');

        expect($kelp->run('start --detach'))->not->toContain('before-update')
            ->and($kelp->gardens())->toBe(['Marsh Lantern']);
    } finally {
        $kelp->remove();
    }
});

it('starts after a first start that was broken off at any moment', function () {
    $kelp = new Installation;
    try {
        foreach ([0.3, 0.9, 1.6, 2.4, 3.2] as $seconds) {
            $start = $kelp->process('start');
            $start->start();
            // The moments are the test: they differ from machine to machine, and each of them has to do.
            usleep((int) ($seconds * 1e6));
            $start->signal(SIGKILL);
            $start->stop(0);
        }
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Marsh Lantern']);
    } finally {
        $kelp->remove();
    }
});

it('goes on answering whatever a client sends, and says what is wrong as JSON', function () {
    $kelp = Installation::started();
    try {
        $raw = static function (string $request) use ($kelp): string {
            $socket = stream_socket_client("tcp://127.0.0.1:$kelp->port", timeout: 5) ?: throw new RuntimeException('nobody listens');
            stream_set_timeout($socket, 5);
            fwrite($socket, $request);
            $answer = (string) fread($socket, 4000);
            fclose($socket);

            return $answer;
        };
        $post = "POST /api/gardens HTTP/1.1\r\nHost: 127.0.0.1:$kelp->port\r\nContent-Type: application/json\r\n";
        foreach (range(1, 8) as $ignored) {
            expect($raw("{$post}Content-Length: 99999999999999999999\r\n\r\n{}"))->toContain('40')
                ->and($raw("{$post}Content-Length: 9999999999\r\n\r\n{}"))->toContain(' 413 ')->toContain('{"message":"That is too large')
                ->and($raw("{$post}Content-Length: -1\r\n\r\n{}"))->toContain(' 400 ');
            // Promised and not sent: it is nobody's worker that waits.
            $raw("{$post}Content-Length: 100\r\nExpect: 100-continue\r\n\r\n");
        }
        expect($kelp->ask('POST', '/api/gardens', str_repeat('x', 9_000_000)))->toBe(
            [413, '{"message":"That is too large: a garden file has at most 2 MB. Nothing was saved."}'],
        );
        // A photograph may be larger than a garden.
        expect($kelp->ask('POST', '/api/gardens/x/photos', str_repeat('x', 9_000_000))[0])->toBe(404)
            ->and($kelp->ask('POST', '/api/gardens/x/photos', str_repeat('x', 14_000_000)))
            ->toBe([413, '{"message":"That is too large: a photograph has at most 12 MB. It was not kept."}']);
        // Small to send and large to hold: bounded all the same.
        foreach ([
            '/api/preview' => '['.str_repeat('{},', 660_000).'{}]',
            '/api/read' => '{"units":"metric","texts":['.str_repeat('{},', 660_000).'{}]}',
            '/api/library/cups/import' => (string) json_encode(['json' => '['.str_repeat('{},', 2_500_000).'{}]']),
            '/api/library/saws/import' => (string) json_encode(['csv' => "name,diameter_mm\n".str_repeat(',', 7_900_000)]),
            '/api/library/crops/import' => (string) json_encode(['csv' => "name,diameter_mm\n".str_repeat("\n", 3_900_000)]),
            '/api/library/vessels/import' => (string) json_encode(['csv' => "name,stations\n".str_repeat("a,b\n", 1_500_000)]),
            '/api/everything' => '{"format":"kelp-tub.everything","version":1,"gardens":['.str_repeat('{},', 5_300_000).'{}]}',
        ] as $path => $body) {
            [$status, $answer] = $kelp->ask('POST', $path, $body);
            expect($status)->toBeLessThan(500, "$path: $answer")->toBeGreaterThan(399, "$path: ".substr($answer, 0, 200))
                ->and(json_decode($answer))->not->toBeNull();
        }
        // Tubs out of the memory that the workers share are those that are worked out anew.
        $planner = new Planner(Marks::all(), Gardens::library());
        for ($round = 0; $round < 16; $round++) {
            $tubs = array_map(static fn (int $i): array => [
                'id' => "t$i", 'system' => $i === 2 ? 'passive' : 'aerated', 'vessel' => 'bucket-20', 'crop' => 'kale', 'feed' => 'f',
                'layout' => ['pattern' => 'grid', 'cups' => 1], 'lowest_mm' => $i === $round % 3 ? 60 + intdiv($round, 3) : 60,
                ...($i === 2 ? [] : ['stones' => ['kind' => 'disc-100']]),
            ], range(0, 2));
            $garden = (string) json_encode([
                'format' => 'kelp-tub.garden', 'version' => 1, 'tubs' => $tubs, 'feeds' => [['id' => 'f', 'product' => 'one-part-liquid']],
                'air' => [['id' => 'p', 'pump' => 'pump-4w-2', 'branches' => [['tub' => 't0'], ['tub' => 't1']]]],
            ]);
            expect($kelp->ask('POST', '/api/preview', $garden))->toBe([200, $planner->preview(Gardens::reader()->read($garden))]);
        }
        expect($raw("GET /nothing HTTP/1.1\r\nHost: elsewhere.example\r\nConnection: close\r\n\r\n"))->toContain(' 421 ');
        $asset = basename((glob(dirname(__DIR__, 2).'/public/build/assets/app-*.js') ?: [''])[0]);
        $packed = $raw("GET /build/assets/$asset HTTP/1.1\r\nHost: 127.0.0.1\r\nAccept-Encoding: gzip\r\nConnection: close\r\n\r\n");
        expect($packed)->toContain('Content-Encoding: gzip')->toContain('max-age=31536000')->toContain('immutable')
            ->and($packed)->not->toMatch('/Server: nginx\/|X-Powered-By/');
        foreach (['/.env', '/../composer.json', '/build/../../composer.json', '/storage/logs'] as $path) {
            expect($raw("GET $path HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n"))->toMatch('/^HTTP\/1\.1 (400|404)/');
        }
        // PHP gone for a moment: said as JSON, and soon over.
        $kelp->kill('php-fpm');
        $kelp->waitUntilUp();
        expect((string) file_get_contents("$kelp->data/logs/access.log"))->toMatch('/ [a-f0-9]{32} 413 "POST \/api\/gardens HTTP/');
    } finally {
        $kelp->remove();
    }
});
