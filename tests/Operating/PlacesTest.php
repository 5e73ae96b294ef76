<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Browser\Database;
use Tests\Operating\Installation;

// Where it is put, what it is called by, and what else runs beside it.

it('runs in a folder whose path has a space, a quote, a dollar and an umlaut in it', function () {
    $kelp = new Installation(data: Database::folder('places')."/Günther's \$tubs and more");
    mkdir(dirname($kelp->data), 0755, true);
    try {
        $kelp->run('start --detach');
        expect($kelp->gardens())->toBe(['Marsh Lantern'])
            ->and($kelp->ask('GET', '/gardens/x')[0])->toBe(404)
            ->and($kelp->run('status'))->toContain('answers at');
        $kelp->run('backup');
        $kelp->run('stop');
        [$backup] = glob(addcslashes("$kelp->data/backups", '[]*?').'/*.zip') ?: [''];
        expect($kelp->run('restore --whole '.escapeshellarg($backup)))->toContain('1 gardens are back');
    } finally {
        $kelp->remove();
        (new Process(['rm', '-rf', dirname($kelp->data)]))->run();
    }
});

it('stops its own servers and no others, whatever their folders are called and whose a number that was written down is now', function () {
    $place = Database::folder('places');
    $one = new Installation(data: "$place/data");
    $other = new Installation(data: "$place/more$place/data");
    mkdir(dirname($other->data), 0755, true);
    $sleep = new Process(['bash', '-c', 'exec -a nginx sleep 600']);
    try {
        // What who starts it has open is not kept open: a reader would wait for its end as long as the servers run.
        touch($opened = "$place/opened");
        // A server that starts clears away what is called like a passing table where it keeps its own: others have theirs in /tmp.
        touch($table = '/tmp/#sql-temptable-kelp-'.bin2hex(random_bytes(4)).'.MAI');
        $other->run('start --detach 7>'.$opened);
        expect(is_file($table))->toBeTrue();
        unlink($table);
        foreach (['start', 'mariadb', 'php-fpm', 'nginx'] as $server) {
            expect(array_map(readlink(...), glob('/proc/'.$other->pid($server).'/fd/*') ?: ['']))->not->toContain($opened);
        }
        $one->run('start --detach');
        $one->run('stop');
        expect($other->gardens())->toBe(['Marsh Lantern']);

        // A stale number, somebody else's by now: one that is called like a server, and the other installation's own server.
        $sleep->start();
        foreach (['nginx' => $sleep->getPid(), 'php-fpm' => $other->pid('php-fpm'), 'mariadb' => $other->pid('mariadb')] as $name => $pid) {
            file_put_contents("$one->data/run/$name.pid", "$pid\n");
        }
        file_put_contents("$one->data/run/start.pid", $sleep->getPid()."\n");
        $one->run('stop');
        $one->run('start --detach');
        file_put_contents("$one->data/run/start.pid", $sleep->getPid()."\n");
        $one->run('stop');

        expect($sleep->isRunning())->toBeTrue()
            ->and($other->gardens())->toBe(['Marsh Lantern'])
            ->and($one->ask('GET', '/up')[0])->toBe(0);
    } finally {
        $sleep->stop(1);
        $one->remove();
        $other->remove();
        (new Process(['rm', '-rf', $place]))->run();
    }
});

it('takes for the one to stop who holds the lock, and not what that one is just starting', function () {
    $lock = Database::folder('lock');
    mkdir($lock);
    // A child of it has the lock too, and a number that is found before its parent's.
    $script = <<<'BASH'
        source bin/lib/processes.sh
        running=$1
        exec 9>>"$running/start.lock"
        sleep 60 & child=$!
        echo "$$ $(lock_holder 9>&-) $(eldest $child $$) $(eldest $$ $child) $(eldest $child) $child"
        kill $child; wait $child || true
        echo "$(eldest $child)"
        BASH;
    [$said, $gone] = explode("\n", (new Process(['bash', '-uc', $script, 'bash', $lock], dirname(__DIR__, 2)))->mustRun()->getOutput());
    (new Process(['rm', '-rf', $lock]))->run();
    [$parent, $holder, $last, $first, $only, $child] = explode(' ', $said);
    expect([$holder, $last, $first, $only, $gone])->toBe([$parent, $parent, $parent, $child, '']);
});

it('answers on both loopback addresses, while others hold connections open and say nothing, and while the database hangs', function () {
    $kelp = Installation::started();
    $open = [];
    try {
        $ask = static function (string $host) use ($kelp): int {
            $curl = curl_init("http://$host:$kelp->port/api/gardens");
            curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 10, CURLOPT_PROXY => '']);
            curl_exec($curl);

            return (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        };
        $addresses = is_file('/proc/net/if_inet6') ? (string) file_get_contents('/proc/net/if_inet6') : '';
        $has = str_contains($addresses, str_repeat('0', 31).'1 ');
        expect([$ask('127.0.0.1'), $ask('localhost'), $ask('[::1]')])->toBe([200, 200, $has ? 200 : 0]);

        // A stand-in answers nobody else's page either.
        $status = static fn (array $headers): int => $kelp->ask('GET', '/stand-ins/supplier', headers: $headers)[0];
        expect([
            $status([]), $status(['Host: elsewhere.example']),
            $status(['Origin: http://elsewhere.example']), $status(['Sec-Fetch-Site: cross-site']),
        ])->toBe([200, 421, 403, 403]);

        foreach (range(1, 1100) as $ignored) {
            $socket = stream_socket_client("tcp://127.0.0.1:$kelp->port", timeout: 5);
            if ($socket === false) {
                break;
            }
            fwrite($socket, "GET / HTTP/1.1\r\n");
            $open[] = $socket;
        }
        expect(count($open))->toBeGreaterThan(1000)->and($kelp->ask('GET', '/up')[0])->toBe(200);
        array_map(fclose(...), $open);
        $open = [];

        posix_kill($kelp->pid('mariadb'), SIGSTOP);
        $took = static function (string $path) use ($kelp): array {
            $since = microtime(true);
            [$status, $body] = $kelp->ask('GET', $path);

            return [$status, round(microtime(true) - $since, 1), $body];
        };
        [$status, $seconds, $body] = $took('/api/gardens');
        expect($status)->toBe(503)->and($seconds)->toBeLessThan(5.5)->and($body)->toContain('does not answer');
        [$status, $seconds, $body] = $took('/up');
        expect($status)->toBe(503)->and($seconds)->toBeLessThan(1.9)->and($body)->toContain('"database":"does not answer"');
        posix_kill($kelp->pid('mariadb'), SIGCONT);
        $kelp->waitUntilUp();
        expect($kelp->gardens())->toBe(['Marsh Lantern']);
    } finally {
        array_map(fclose(...), $open);
        posix_kill($kelp->pid('mariadb'), SIGCONT);
        $kelp->remove();
    }
});

it('says in one line why it cannot start', function (array $environment, array|string $as, string $why) {
    $kelp = new Installation($environment);
    $lines = static fn (string $said): array => array_values(preg_grep('/^(?!·)./m', explode("\n", trim($said))));
    try {
        $process = $kelp->process('start');
        $process->setTimeout(100);
        $process->run();
        $said = $lines($process->getOutput().$process->getErrorOutput());
        expect($process->getExitCode())->toBe(1)->and($said)->toHaveCount(1)->and($said[0])->toContain($why);
    } finally {
        $kelp->remove();
    }
})->with([
    'a port that is none' => [['KELP_PORT' => '99999'], [], 'must be a number from 1 to 65535'],
    'a folder that is no whole path' => [['KELP_DATA' => 'data'], [], 'must be a whole path'],
]);
