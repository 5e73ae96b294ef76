<?php

declare(strict_types=1);

namespace Tests\Browser;

use RuntimeException;
use Symfony\Component\Process\Process;

/** The application as a grower runs it, on a free port and with a database of its own, for browser tests. */
final class Server
{
    public const DATABASE = 'kelp_browser_test';

    private static ?self $shared = null;

    private function __construct(private readonly Process $process, public readonly string $url)
    {
    }

    /** Another one, whose database listens on a port of its own. */
    public static function on(int $databasePort): self
    {
        return self::start($databasePort);
    }

    public function stop(): void
    {
        // The server's workers are its own processes: the whole group goes.
        (new Process(['kill', '--', '-'.$this->process->getPid()]))->run();
        $this->process->stop(2);
    }

    public static function shared(): self
    {
        if (self::$shared === null) {
            self::$shared = self::start();
            register_shutdown_function(static fn () => self::$shared?->stop());
        }

        return self::$shared;
    }

    private static function start(?int $databasePort = null): self
    {
        $environment = self::environment($databasePort);
        $root = dirname(__DIR__, 2);
        (new Process(['php', 'artisan', 'migrate:fresh', '--force'], $root, $environment, timeout: 300))->mustRun();
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new RuntimeException('No port is free.');
        $port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
        fclose($socket);
        // To a file: a pipe that nobody reads fills up, and the server then waits for ever.
        $log = "$root/storage/logs/browser-server.log";
        $process = new Process(
            [
                'sh',
                '-c',
                'exec setsid php "$@" >"$0" 2>&1',
                $log,
                '-d',
                'opcache.enable_cli=1',
                '-d',
                'opcache.jit=function',
                '-d',
                'opcache.jit_buffer_size=64M',
                '-d',
                'display_errors=0',
                '-S',
                "127.0.0.1:$port",
                '-t',
                'public',
                'bootstrap/router.php',
            ],
            $root,
            $environment + ['PHP_CLI_SERVER_WORKERS' => '3'],
        );
        $process->setTimeout(null);
        $process->start();
        $until = microtime(true) + 180;
        while (! self::answers($port)) {
            if (! $process->isRunning() || microtime(true) > $until) {
                throw new RuntimeException('The server did not start: '.file_get_contents($log));
            }
            usleep(30_000);
        }

        return new self($process, "http://127.0.0.1:$port");
    }

    private static function answers(int $port): bool
    {
        $curl = curl_init("http://127.0.0.1:$port/favicon.svg");
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 30]);
        $body = curl_exec($curl);

        return is_string($body) && str_contains($body, '<svg');
    }

    /** @return array<string, string> */
    private static function environment(?int $databasePort): array
    {
        return [
            'APP_ENV' => 'production', 'DB_DATABASE' => self::DATABASE, 'DB_PORT' => (string) ($databasePort ?? getenv('DB_PORT')),
            'APP_CONFIG_CACHE' => 'bootstrap/cache/browser-config.php', 'APP_ROUTES_CACHE' => 'bootstrap/cache/browser-routes.php',
        ];
    }

    /**
     * Makes a garden and gives its id.
     *
     * @param  array<string, mixed>|string  $garden  what differs from an empty garden, or a whole document
     */
    public function garden(array|string $garden): string
    {
        $body = is_string($garden) ? $garden : json_encode(
            ['format' => 'kelp-tub.garden', 'version' => 1, ...$garden],
            JSON_THROW_ON_ERROR,
        );

        return $this->call('POST', '/api/gardens', $body)->id;
    }

    public function document(string $id): object
    {
        return json_decode($this->call('GET', "/api/gardens/$id")->document, flags: JSON_THROW_ON_ERROR);
    }

    public function call(string $method, string $path, ?string $body = null, int $revision = 0): object
    {
        $curl = curl_init($this->url.$path);
        curl_setopt_array(
            $curl,
            [
                CURLOPT_RETURNTRANSFER => true,
                CURLOPT_TIMEOUT => 120,
                CURLOPT_CUSTOMREQUEST => $method,
                CURLOPT_POSTFIELDS => $body ?? '',
                CURLOPT_HTTPHEADER => ['Content-Type: application/json', "If-Match: $revision"],
            ],
        );

        return json_decode((string) curl_exec($curl), flags: JSON_THROW_ON_ERROR);
    }
}
