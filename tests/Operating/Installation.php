<?php

declare(strict_types=1);

namespace Tests\Operating;

use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Browser\Database;
use Throwable;

/** Kelp Tub as its operator sees it: a folder for its data, a port, and the commands in bin/. */
final class Installation
{
    public readonly int $port;

    public readonly string $data;

    /**
     * @param  array<string, string|false>  $environment  what is set besides, or not set
     * @param  string|null  $data  its folder, where that matters
     */
    public function __construct(private readonly array $environment = [], ?string $data = null)
    {
        $this->port = Database::freePort();
        $this->data = $data ?? Database::folder('operated');
    }

    /** The folder of one that was started for the first time and stopped, for those whose first start is not what is tested. */
    private static ?string $readyMade = null;

    /** Started, with what a first start leaves: for the first that asks it is one, for others it is copied. */
    public static function started(): self
    {
        if (self::$readyMade === null) {
            $first = new self;
            $first->runOrRemove('start --detach', 'stop');
            self::$readyMade = $first->data;
            register_shutdown_function(static fn () => (new Process(['rm', '-rf', $first->data]))->run());
        }
        $kelp = new self;
        (new Process(['cp', '-a', self::$readyMade, $kelp->data], timeout: 60))->mustRun();
        $kelp->runOrRemove('start --detach');

        return $kelp;
    }

    /** Nothing is left running where one of them fails. */
    private function runOrRemove(string ...$commands): void
    {
        try {
            array_map($this->run(...), $commands);
        } catch (Throwable $failed) {
            $this->remove();
            throw $failed;
        }
    }

    /** Runs a command of bin/ to its end and gives what it said; it fails the test where it fails, unless it is to. */
    public function run(string $command, int $expected = 0): string
    {
        $process = $this->process($command);
        $process->setTimeout(240);
        $process->run();
        $said = $process->getOutput().$process->getErrorOutput();
        if ($process->getExitCode() !== $expected) {
            throw new RuntimeException("$command ended with {$process->getExitCode()} and not $expected: $said");
        }

        return $said;
    }

    /** A command of bin/ to be started and stopped by the test. */
    public function process(string $command): Process
    {
        $environment = [
            'KELP_DATA' => $this->data,
            'KELP_PORT' => (string) $this->port,
            'KELP_OLD_DATA' => '/nonexistent',
            // Those that test what is loaded beforehand say so: a start takes two seconds less without.
            'KELP_PRELOAD' => '0',
            // What the tests' own database is called is none of its business.
            'DB_HOST' => false, 'DB_PORT' => false, 'DB_DATABASE' => false, 'DB_USERNAME' => false, 'DB_PASSWORD' => false,
            'APP_ENV' => false, 'APP_CONFIG_CACHE' => false, 'APP_ROUTES_CACHE' => false, 'APP_KEY' => false,
            'KELP_LISTEN' => false, 'KELP_HOSTS' => false, 'CACHE_STORE' => false, 'QUEUE_CONNECTION' => false,
            ...$this->environment,
        ];

        return Process::fromShellCommandline("exec bin/$command", dirname(__DIR__, 2), $environment);
    }

    /** The pid that a server or the script wrote down; 0 where none is. */
    public function pid(string $name): int
    {
        $file = "$this->data/run/$name.pid";

        return is_file($file) ? (int) trim((string) file_get_contents($file)) : 0;
    }

    public function kill(string ...$names): void
    {
        $pids = array_filter(array_map($this->pid(...), $names));
        array_map(static fn (int $pid): bool => posix_kill($pid, SIGKILL), $pids);
    }

    /**
     * @param  list<string>  $headers
     * @return array{int, string} status and body; 0 where nobody answers
     */
    public function ask(string $method, string $path, string $body = '', array $headers = []): array
    {
        $curl = curl_init("http://127.0.0.1:$this->port$path");
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 20, CURLOPT_PROXY => '',
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_POSTFIELDS => $body,
            CURLOPT_HTTPHEADER => ['Content-Type: application/json', ...$headers],
        ]);
        $answer = curl_exec($curl);

        return [(int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), (string) $answer];
    }

    /** Waits until it answers that all is well. */
    public function waitUntilUp(): void
    {
        $until = microtime(true) + 60;
        while ($this->ask('GET', '/up')[0] !== 200) {
            if (microtime(true) > $until) {
                throw new RuntimeException('It does not come up: '.@file_get_contents("$this->data/logs/start.log"));
            }
            usleep(50_000);
        }
    }

    /** @return list<string> the names of its gardens */
    public function gardens(): array
    {
        return array_column(json_decode($this->ask('GET', '/api/gardens')[1], true)['gardens'] ?? [], 'name');
    }

    /** @return array<string, int> which user the processes of each server run as */
    public function users(): array
    {
        $users = [];
        foreach (['mariadb', 'php-fpm', 'nginx'] as $name) {
            $users[$name] = (int) fileowner('/proc/'.$this->pid($name));
        }

        return $users;
    }

    /** Ends it without its farewells: nobody will ask for what it has kept. */
    public function remove(): void
    {
        $this->kill('start', 'mariadb');
        $this->process('stop')->setTimeout(240)->run();
        (new Process(['rm', '-rf', $this->data]))->run();
    }
}
