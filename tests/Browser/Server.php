<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Process\Process;

/** The application as a grower runs it, on a free port and with a database of its own, for browser tests. */
final class Server
{
    private static ?self $shared = null;

    /** @param  array<string, string>  $environment */
    private function __construct(
        private readonly Process $process,
        private readonly string $folder,
        public readonly string $url,
        private readonly array $environment,
    ) {
    }

    /** The name of its database: tests that run side by side have one each. */
    public static function databaseName(): string
    {
        return 'kelp_browser'.getenv('TEST_TOKEN').'_test';
    }

    /**
     * Another one, with a database of its own.
     *
     * @param  array<string, string>  $settings
     */
    public static function on(Database $database, array $settings = []): self
    {
        return self::start(['DB_PORT' => (string) $database->port, 'DB_PASSWORD' => $database->password(), ...$settings]);
    }

    /** What a command of the application says, over the same database. */
    public function artisan(string ...$command): string
    {
        return (new Process(['php', 'artisan', ...$command], dirname(__DIR__, 2), $this->environment))->mustRun()->getOutput();
    }

    public function stop(): void
    {
        $this->process->stop(20);
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public static function shared(): self
    {
        if (self::$shared === null) {
            self::$shared = self::start();
            register_shutdown_function(static fn () => self::$shared?->stop());
        }

        return self::$shared;
    }

    /** @param  array<string, string>  $database */
    private static function start(array $database = []): self
    {
        $environment = ['APP_ENV' => 'production', 'DB_DATABASE' => self::databaseName(), ...$database];
        $root = dirname(__DIR__, 2);
        $cached = ['APP_CONFIG_CACHE' => 'bootstrap/cache/browser-config.php', 'APP_ROUTES_CACHE' => 'bootstrap/cache/browser-routes.php'];
        (new Process(['php', 'artisan', 'migrate:fresh', '--force'], $root, $environment + $cached, timeout: 300))->mustRun();
        $port = Database::freePort();
        $folder = Database::folder('served');
        $process = new Process(['bash', "$root/bin/lib/alone", 'serve', $folder, (string) $port], $root, $environment);
        Database::waitForReady($process);

        return new self($process, $folder, "http://127.0.0.1:$port", $environment + $cached);
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
                CURLOPT_PROXY => '',
            ],
        );

        return json_decode((string) curl_exec($curl), flags: JSON_THROW_ON_ERROR);
    }
}
