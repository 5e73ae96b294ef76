<?php

declare(strict_types=1);

namespace Tests\Browser;

use PDO;
use PDOException;
use RuntimeException;
use Symfony\Component\Process\Process;

/** A MariaDB of its own that a test may stop and start again, as bin/start runs one. */
final class Database
{
    private ?Process $process = null;

    private function __construct(private readonly string $folder, public readonly int $port)
    {
    }

    public static function start(): self
    {
        $folder = (is_writable('/dev/shm') ? '/dev/shm' : sys_get_temp_dir()).'/kelp-outage-'.bin2hex(random_bytes(4));
        (new Process(
            [
                'mariadb-install-db',
                '--no-defaults',
                ...self::asRoot(),
                "--datadir=$folder",
                '--auth-root-authentication-method=normal',
                '--skip-test-db',
                '--skip-name-resolve',
            ],
            timeout: 300,
        ))->mustRun();
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
        fclose($socket);
        $database = new self($folder, $port);
        $database->again();
        $database->connect()->exec('CREATE DATABASE '.Server::DATABASE);

        return $database;
    }

    public function again(): void
    {
        $path = (getenv('PATH') ?: '').':/usr/sbin';
        $this->process = new Process(
            [
                'mariadbd',
                '--no-defaults',
                ...self::asRoot(),
                "--datadir=$this->folder",
                "--socket=$this->folder/s.sock",
                "--pid-file=$this->folder/pid",
                "--log-error=$this->folder/log",
                "--port=$this->port",
                '--bind-address=127.0.0.1',
                '--skip-name-resolve',
                '--performance-schema=OFF',
            ],
            env: ['PATH' => $path],
        );
        $this->process->setTimeout(null);
        $this->process->start();
        $until = microtime(true) + 180;
        while (true) {
            try {
                $this->connect();

                return;
            } catch (PDOException $e) {
                if (microtime(true) > $until || ! $this->process->isRunning()) {
                    throw new RuntimeException('MariaDB did not start: '.$e->getMessage());
                }
                usleep(50_000);
            }
        }
    }

    public function stop(): void
    {
        $this->process?->stop(10);
    }

    public function remove(): void
    {
        $this->stop();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    private function connect(): PDO
    {
        return new PDO("mysql:host=127.0.0.1;port=$this->port", 'root', '', [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
    }

    /** @return list<string> */
    private static function asRoot(): array
    {
        return posix_getuid() === 0 ? ['--user=root'] : [];
    }
}
