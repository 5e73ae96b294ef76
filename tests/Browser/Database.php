<?php

declare(strict_types=1);

namespace Tests\Browser;

use PDO;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A MariaDB of its own that a test may stop and start again, run as bin/start runs one. */
final class Database
{
    private ?Process $process = null;

    private function __construct(private readonly string $folder, public readonly int $port)
    {
    }

    public static function start(): self
    {
        $database = new self(self::folder('outage'), self::freePort());
        $database->again();
        $pdo = new PDO(
            "mysql:host=127.0.0.1;port=$database->port",
            'kelp',
            $database->password(),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
        $pdo->exec('CREATE DATABASE '.Server::databaseName());

        return $database;
    }

    public function again(): void
    {
        $script = dirname(__DIR__, 2).'/bin/lib/alone';
        $this->process = new Process(['bash', $script, 'database', $this->folder, (string) $this->port]);
        self::waitForReady($this->process);
    }

    public function stop(): void
    {
        $this->process?->stop(20);
    }

    public function remove(): void
    {
        $this->stop();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function password(): string
    {
        return trim((string) file_get_contents("$this->folder/secrets/database"));
    }

    /** The name of a folder that is not there yet. */
    public static function folder(string $for): string
    {
        return (is_writable('/dev/shm') ? '/dev/shm' : sys_get_temp_dir())."/kelp-$for-".bin2hex(random_bytes(4));
    }

    public static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
        fclose($socket);

        return $port;
    }

    public static function waitForReady(Process $process): void
    {
        $process->setTimeout(null);
        $process->start();
        $until = microtime(true) + 180;
        while (! str_contains($process->getOutput(), "ready\n")) {
            if (! $process->isRunning() || microtime(true) > $until) {
                throw new RuntimeException('A server did not start: '.$process->getOutput().$process->getErrorOutput());
            }
            usleep(30_000);
        }
    }
}
