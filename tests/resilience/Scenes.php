<?php

declare(strict_types=1);

namespace Tests\Resilience;

use RuntimeException;
use stdClass;
use Symfony\Component\Process\Process;
use Tests\Operating\Installation;

/** Bad treatment of an installation of its own, one scene a function. Each says its figures and gives what was wrong. */
final class Scenes
{
    private const KILLS = 24;

    private const WRITERS = 50;

    /** @return list<string> */
    public static function kills(callable $say): array
    {
        mt_srand(7);
        $kelp = new Installation;
        $faults = [];
        $acknowledged = $refused = $starts = 0;
        try {
            $kelp->run('start --detach');
            $gardens = [];
            foreach (range(1, 3) as $n) {
                $gardens[json_decode($kelp->ask('POST', '/api/gardens', "{\"name\":\"Garden $n\"}")[1])->id] = [1, "Garden $n"];
            }
            for ($round = 1; $round <= self::KILLS; $round++) {
                $victims = [
                    ['start'],
                    ['mariadb'],
                    ['php-fpm'],
                    ['nginx'],
                    ['start', 'mariadb'],
                    ['mariadb', 'php-fpm'],
                    ['start', 'nginx', 'mariadb'],
                ][mt_rand(0, 6)];
                $pids = implode(' ', array_map($kelp->pid(...), $victims));
                $killer = Process::fromShellCommandline(sprintf('sleep %.2f; kill -9 %s', mt_rand(10, 120) / 100, $pids));
                $killer->start();
                for ($n = 0, $until = microtime(true) + 1.6; microtime(true) < $until; $n++) {
                    $id = array_rand($gardens);
                    $name = "Round $round write $n";
                    $document = "{\"format\":\"kelp-tub.garden\",\"version\":1,\"name\":\"$name\",\"tubs\":[]}";
                    [$status, $answer] = $kelp->ask(
                        'PUT',
                        "/api/gardens/$id",
                        $document,
                        ["If-Match: \"{$gardens[$id][0]}\"", "Idempotency-Key: r$round-write-$n-$id"],
                    );
                    if ($status === 200) {
                        $acknowledged++;
                        $gardens[$id] = [json_decode($answer)->revision, $name];
                    } elseif ($status === 409) {
                        // A write whose answer was lost was kept all the same: go on from there.
                        $now = json_decode($answer);
                        $gardens[$id] = [$now->revision, json_decode($now->document)->name];
                    } else {
                        $refused++;
                        usleep(20_000);
                    }
                }
                $killer->wait();
                if (in_array('start', $victims, true)) {
                    $starts++;
                    $kelp->run('start --detach');
                }
                $kelp->waitUntilUp();
                foreach ($gardens as $id => [$revision, $name]) {
                    $now = self::garden($kelp, $id);
                    if ($now->revision < $revision || ($now->revision === $revision && $now->name !== $name)) {
                        $faults[] = "round $round: \"$name\" was acknowledged as $revision, and \"$now->name\" is there as $now->revision";
                    }
                    $gardens[$id] = [$now->revision, $now->name];
                }
            }
        } finally {
            $kelp->remove();
        }
        $say(
            sprintf(
                '%d rounds of kill -9, %d new starts; %d writes acknowledged, %d lost; %d not answered',
                self::KILLS,
                $starts,
                $acknowledged,
                count($faults),
                $refused,
            ),
        );

        return $acknowledged < 200 ? [...$faults, "only $acknowledged writes came through"] : $faults;
    }

    /** A garden as it is: asked until it is answered, since one that was killed may still be on its way up. */
    private static function garden(Installation $kelp, string $id): stdClass
    {
        for ($until = microtime(true) + 30; microtime(true) < $until;) {
            [$status, $answer] = $kelp->ask('GET', "/api/gardens/$id");
            if ($status === 200) {
                return json_decode($answer);
            }
            usleep(50_000);
        }

        throw new RuntimeException("Garden $id is not answered: $status $answer");
    }

    /** @return list<string> */
    public static function writers(callable $say): array
    {
        $kelp = new Installation;
        $faults = [];
        try {
            $kelp->run('start --detach');
            $id = json_decode($kelp->ask('POST', '/api/gardens', '{"name":"One"}')[1])->id;
            $documents = array_map(
                static fn (int $n): string => "{\"format\":\"kelp-tub.garden\",\"version\":1,\"name\":\"Writer $n\",\"tubs\":[]}",
                range(1, self::WRITERS),
            );
            $answers = Many::ask(
                $kelp,
                array_map(static fn (string $d): array => ['PUT', "/api/gardens/$id", $d, ['If-Match: "1"']], $documents),
            );
            $counts = array_count_values(array_column($answers, 0));
            $say(self::WRITERS.' writers at one revision: '.json_encode($counts));
            if ($counts !== [200 => 1, 409 => self::WRITERS - 1] && $counts !== [409 => self::WRITERS - 1, 200 => 1]) {
                $faults[] = 'not one alone won: '.json_encode($counts);
            }
            $same = ['PUT', "/api/gardens/$id", $documents[0], ['If-Match: "2"', 'Idempotency-Key: the-very-same']];
            $answers = Many::ask(
                $kelp,
                array_fill(0, self::WRITERS, [$same[0], $same[1], str_replace('Writer', 'Again', $same[2]), $same[3]]),
            );
            $revisions = array_unique(array_map(static fn (array $a): int => json_decode($a[1])->revision ?? 0, $answers));
            $say(self::WRITERS.' times the same write: revisions '.implode(', ', $revisions));
            if ($revisions !== [3]) {
                $faults[] = 'one write was done more than once: '.implode(', ', $revisions);
            }
        } finally {
            $kelp->remove();
        }

        return $faults;
    }

    /** @return list<string> */
    public static function shelves(callable $say): array
    {
        $kelp = new Installation;
        $faults = [];
        try {
            $kelp->run('start --detach');
            $rows = static fn (int $from): string => (string) json_encode(['csv' => "name,diameter_mm\n".implode("\n", array_map(
                static fn (int $n): string => sprintf('Saw %d,%d', $n, 20 + $n % 80),
                range($from, $from + 399),
            ))]);
            $answers = Many::ask(
                $kelp,
                array_map(static fn (int $n): array => ['POST', '/api/library/saws/import', $rows($n * 100), []], range(0, 7)),
            );
            $counts = array_count_values(array_column($answers, 0));
            $kept = json_decode($kelp->ask('GET', '/api/library/saws')[1])->pages;
            $say('8 imports at once of 400 rows, each overlapping the next: '.json_encode($counts).", $kept pages on the shelf");
            // Rows 0 to 1099, the same ones kept once.
            if ($counts !== [201 => 8] || $kept !== 6) {
                $faults[] = 'imports: '.json_encode($counts)." and $kept pages";
            }
        } finally {
            $kelp->remove();
        }

        return $faults;
    }

    /** @return list<string> */
    public static function disk(callable $say): array
    {
        $kelp = new Installation(['KELP_DATA_MB' => '0']);
        mkdir($kelp->data);
        if ((new Process(['mount', '-t', 'tmpfs', '-o', 'size=190m', 'none', $kelp->data]))->run() !== 0) {
            rmdir($kelp->data);
            $say('not run: a small disk cannot be mounted here');

            return [];
        }
        $faults = [];
        try {
            $kelp->run('start --detach');
            $id = json_decode($kelp->ask('POST', '/api/gardens', '{"name":"Full"}')[1])->id;
            (new Process(['sh', '-c', "cat /dev/zero > $kelp->data/filler"]))->run();
            $document = static fn (int $n): string => (string) json_encode([
                'format' => 'kelp-tub.garden', 'version' => 1, 'name' => "Full $n", 'notes' => str_repeat("$n ", 20), 'tubs' => [],
                'later' => str_repeat('x', 1_500_000),
            ]);
            for ($n = $revision = 1, $status = 200; $n < 60 && $status === 200; $n++) {
                [$status, $answer] = $kelp->ask('PUT', "/api/gardens/$id", $document($n), ["If-Match: \"$revision\""]);
                $revision = $status === 200 ? json_decode($answer)->revision : $revision;
            }
            $say("a full disk after $n writes of 1.5 MB: $status ".mb_substr($answer, 0, 120));
            if ($status !== 507 || ! str_contains($answer, 'The disk is full')) {
                $faults[] = "a full disk was answered with $status";
            }
            $read = $kelp->ask('GET', "/api/gardens/$id");
            if ($read[0] !== 200 || json_decode($read[1])->revision !== $revision) {
                $faults[] = "what was acknowledged is not there on a full disk: $read[0]";
            }
            // The last of the room too: nothing can be written any more, and every address answers, or says so.
            (new Process(['sh', '-c', "cat /dev/zero > $kelp->data/rest"]))->run();
            $demo = (string) file_get_contents(dirname(__DIR__, 2).'/data/demo.kelp.json');
            foreach ([
                'GET /', 'GET /library', 'GET /compare', 'GET /deleted', "GET /gardens/$id", "GET /gardens/$id/history", 'GET /up',
                'GET /api/gardens', 'GET /api/everything', 'POST /api/gardens', 'POST /api/preview', 'POST /api/plan', 'POST /api/cost',
                'POST /api/layouts?tub=foredeck', 'POST /api/crops?tub=well-deck', 'POST /api/build?tub=foredeck', 'POST /api/parts?as=pdf',
                'POST /api/template?tub=foredeck&as=pdf&what=all',
            ] as $address) {
                [$method, $path] = explode(' ', $address);
                [$status, $answer] = $kelp->ask($method, $path, $method === 'POST' ? $demo : '');
                $says = in_array($status, [503, 507], true) && preg_match('/The disk is full|disk_free_mb/', $answer) === 1;
                if ($status !== 200 && $status !== 201 && ! $says) {
                    $faults[] = "on a full disk $address answers $status ".mb_substr($answer, 0, 120);
                }
            }
            unlink("$kelp->data/rest");
            unlink("$kelp->data/filler");
            $kelp->waitUntilUp();
            [$status] = $kelp->ask('PUT', "/api/gardens/$id", $document(99), ["If-Match: \"$revision\""]);
            $say("with room again: $status");
            if ($status !== 200) {
                $faults[] = "with room again it was answered with $status";
            }
        } finally {
            $kelp->process('stop')->run();
            (new Process(['umount', $kelp->data]))->run();
            $kelp->remove();
        }

        return $faults;
    }

    /** A restore of everything, killed at each of twenty moments: then all is as it was, or as in the backup. @return list<string> */
    public static function restores(callable $say): array
    {
        $kelp = new Installation;
        $good = "$kelp->data-good.zip";
        $faults = [];
        $ends = ['as it was' => 0, 'the backup' => 0];
        try {
            $kelp->run('start --detach');
            $kelp->run("backup $good");
            $kelp->ask('POST', '/api/gardens', '{"name":"Later"}');
            $kelp->run('stop');
            $since = microtime(true);
            $kelp->run("restore --whole $good");
            $whole = microtime(true) - $since;
            for ($moment = 1; $moment <= 20; $moment++) {
                $restore = $kelp->process("restore --whole $good");
                $restore->start();
                usleep((int) ($whole * $moment / 20 * 1e6));
                $restore->signal(SIGKILL);
                $restore->stop(0);
                $kelp->run('start --detach');
                $gardens = $kelp->gardens();
                $end = ['Later,Marsh Lantern' => 'as it was', 'Marsh Lantern' => 'the backup'][implode(',', $gardens)] ?? null;
                if ($end === null) {
                    $faults[] = "killed at moment $moment it has ".json_encode($gardens);
                } else {
                    $ends[$end]++;
                }
                if ($end === 'the backup') {
                    $kelp->ask('POST', '/api/gardens', '{"name":"Later"}');
                }
                $kelp->run('stop');
            }
            $say('twenty kills: '.json_encode($ends));
        } finally {
            $kelp->remove();
            @unlink($good);
        }

        return $faults;
    }

    /** Ten storms on the page. @return list<string> */
    public static function storms(callable $say): array
    {
        $seeds = ['KELP_STORMS' => implode(',', range(11, 20)), 'KELP_DEEDS' => '300'];
        $storms = new Process(['bin/test', 'tests/Browser/StormTest.php'], dirname(__DIR__, 2), $seeds);
        $storms->setTimeout(3600);
        $storms->run();
        $say(trim((string) preg_replace('/\x1b\[[0-9;]*m/', '', substr($storms->getOutput(), -120))));

        return $storms->isSuccessful() ? [] : [substr($storms->getOutput(), -2000)];
    }
}
