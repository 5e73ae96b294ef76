<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Browser\Database;
use Tests\Operating\Installation;

// Putting a backup back: nothing that is there is touched before the file is known to be good, and it is read, not run.

const FROM_BEFORE = __DIR__.'/before.zip';

/** A backup like another, with one of its files changed. */
function changedBackup(string $from, string $name, callable $change): string
{
    $file = Database::folder('changed').'.zip';
    copy($from, $file);
    $zip = new ZipArchive;
    $zip->open($file);
    $zip->addFromString($name, $change((string) $zip->getFromName($name)));
    $zip->close();

    return $file;
}

/** Changes the gardens of a running installation so that they are told from those of any backup. */
function addGarden(Installation $kelp, string $name): void
{
    expect($kelp->ask('POST', '/api/gardens', (string) json_encode(['name' => $name]))[0])->toBe(201);
}

it('leaves what is there as it is when a backup is no good, and puts back a good one after that', function () {
    $kelp = Installation::started();
    $made = [];
    try {
        addGarden($kelp, 'Kept');
        $good = $made[] = "$kelp->data-good.zip";
        $kelp->run("backup $good");
        addGarden($kelp, 'Later');
        $kelp->run('stop');
        $pwned = $made[] = "$kelp->data-pwned";
        $bad = [
            'it cannot be opened' => $made[] = (static function () use ($kelp): string {
                file_put_contents("$kelp->data-no.zip", 'no zip');

                return "$kelp->data-no.zip";
            })(),
            'The backup is damaged' => $made[] = changedBackup(
                $good,
                'rows.jsonl',
                static fn (string $rows): string => substr($rows, 0, -40),
            ),
            'made by a newer Kelp Tub' => $made[] = changedBackup($good, 'rows.jsonl', static fn (string $rows): string => str_replace(
                '"migrations":[',
                '"migrations":["2099_01_01_000001_more",',
                $rows,
            )),
            'something other than plain values' => $made[] = changedBackup(
                FROM_BEFORE,
                'database.sql',
                static fn (string $sql): string => str_replace(
                    'INSERT INTO `gardens` VALUES',
                    "INSERT INTO `gardens` VALUES ('x',LOAD_FILE('/etc/passwd'),",
                    $sql,
                ),
            ),
        ];
        foreach ($bad as $why => $file) {
            expect($kelp->run("restore --whole $file", 1))->toContain($why)
                ->and(glob("$kelp->data/mariadb*"))->toBe(["$kelp->data/mariadb"])
                ->and(glob("$kelp->data/run/restore-*"))->toBe([]);
        }
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Later', 'Kept', 'Marsh Lantern']);
        $kelp->run('stop');

        // What a client for SQL would run is only read.
        $before = "\\! touch $pwned\nsystem touch $pwned\nCREATE USER evil@localhost;\nGRANT ALL ON *.* TO evil@localhost;\n";
        $after = "\nSELECT 1 INTO OUTFILE '$pwned';\n";
        $evil = $made[] = changedBackup(FROM_BEFORE, 'database.sql', static fn (string $sql): string => $before.$sql.$after);
        $said = $kelp->run("restore --whole $evil");
        preg_match('/restore --whole (\S+\.zip) puts it back/', $said, $m);
        expect($said)->toContain('2 gardens are back')
            ->and(is_file($pwned))->toBeFalse()
            ->and(is_dir("$kelp->data/mariadb.before"))->toBeTrue();
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Reed shelf', 'Marsh Lantern'])
            // It answers: what was there before is let go.
            ->and(is_dir("$kelp->data/mariadb.before"))->toBeFalse();
        $kelp->run('stop');

        // And back again by the words that were said.
        $kelp->run("restore --whole $m[1]");
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Later', 'Kept', 'Marsh Lantern']);
    } finally {
        $kelp->remove();
        array_map(unlink(...), array_filter($made, is_file(...)));
    }
});

it('comes out of a restore that is killed at any moment with what was there, or with all of the backup', function () {
    $kelp = Installation::started();
    $good = "$kelp->data-good.zip";
    try {
        $kelp->run("backup $good");
        addGarden($kelp, 'Later');
        $kelp->run('stop');
        foreach ([1.5, 3.0] as $seconds) {
            $restore = $kelp->process("restore --whole $good");
            $restore->start();
            // The moments are the test: they differ from machine to machine, and each of them has to do.
            usleep((int) ($seconds * 1e6));
            $restore->signal(SIGKILL);
            $restore->stop(0);
            $kelp->run('start --detach');
            expect($kelp->gardens())->toBeIn([['Later', 'Marsh Lantern'], ['Marsh Lantern']])
                ->and(glob("$kelp->data/run/restore-*"))->toBe([]);
            $kelp->run('stop');
        }
    } finally {
        $kelp->remove();
        is_file($good) && unlink($good);
    }
});

it('goes on with a change-over that was broken off between its two steps', function (bool $firstDone) {
    $kelp = Installation::started();
    try {
        addGarden($kelp, 'Built aside');
        $kelp->run('stop');
        $as = static fn (string $script): Process => (new Process(['bash', '-c', $script]))->mustRun();
        $as("cp -a $kelp->data/mariadb $kelp->data/mariadb.coming && touch $kelp->data/changing-over");
        $firstDone && $as("mv $kelp->data/mariadb $kelp->data/mariadb.before");
        $kelp->run('start --detach');

        expect($kelp->gardens())->toBe(['Built aside', 'Marsh Lantern'])
            ->and(glob("$kelp->data/mariadb*"))->toBe(["$kelp->data/mariadb"])
            ->and(is_file("$kelp->data/changing-over"))->toBeFalse();
    } finally {
        $kelp->remove();
    }
})->with([false, true]);

it('keeps a backup at an update though no table changed, goes back as it is told, and refuses newer gardens', function () {
    $kelp = Installation::started();
    try {
        addGarden($kelp, 'Of the version before');
        $kelp->run('stop');
        file_put_contents("$kelp->data/version", "0.0.1\n");
        expect($kelp->run('start --detach'))->toContain('before-update');
        addGarden($kelp, 'Of this version');
        $kelp->run('stop');
        expect($kelp->run('start --detach'))->not->toContain('before-update');
        $kelp->run('stop');

        // docs/operating.md, "Going back": stop, the version before, bin/restore --whole with the backup of the update.
        [$backup] = glob("$kelp->data/backups/before-update-*.zip");
        $kelp->run("restore --whole $backup");
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Of the version before', 'Marsh Lantern']);

        // What a newer version has kept is not started on.
        $owner = posix_getpwuid((int) fileowner("$kelp->data/mariadb"))['name'] ?? '';
        $as = posix_getuid() === 0 ? ['setpriv', "--reuid=$owner", '--clear-groups'] : [];
        (new Process([
            ...$as, 'mariadb', '--no-defaults', "--user=$owner", "--socket=$kelp->data/run/mariadb.sock", 'kelp', '-e',
            "INSERT INTO migrations (migration, batch) VALUES ('2099_01_01_000001_more', 9)",
        ]))->mustRun();
        $kelp->run('stop');
        expect($kelp->run('start', 1))->toContain('kept by a newer Kelp Tub')->toContain('2099_01_01_000001_more');
    } finally {
        $kelp->remove();
    }
});
