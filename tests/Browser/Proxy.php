<?php

declare(strict_types=1);

namespace Tests\Browser;

use RuntimeException;
use Symfony\Component\Process\Process;

/** What stands between the browser and a server, and holds back, drops or repeats what it is told to (proxy.php). */
final class Proxy
{
    private static ?self $shared = null;

    private function __construct(private readonly Process $process, public readonly string $url)
    {
    }

    /** Before the shared server, with no rules yet. */
    public static function shared(): self
    {
        if (self::$shared === null) {
            self::$shared = self::before(Server::shared()->url);
            register_shutdown_function(static fn () => self::$shared?->process->stop(2));
        }
        self::$shared->rules();

        return self::$shared;
    }

    public static function before(string $url): self
    {
        $process = new Process(['php', __DIR__.'/proxy.php', (string) parse_url($url, PHP_URL_PORT)]);
        $process->setTimeout(null);
        $process->start();
        $process->waitUntil(static fn (string $type, string $said): bool => str_contains($said, "\n"));
        $port = (int) $process->getOutput();
        if ($port === 0) {
            throw new RuntimeException('The proxy did not start: '.$process->getErrorOutput());
        }

        return new self($process, "http://127.0.0.1:$port");
    }

    /** @param  array<string, mixed>  ...$rules  the first that fits a request counts; none: all goes through */
    public function rules(array ...$rules): self
    {
        $this->ask('/__rules', (string) json_encode($rules));

        return $this;
    }

    /** @return list<int> how many requests each rule has met */
    public function seen(): array
    {
        return json_decode($this->ask('/__seen'), flags: JSON_THROW_ON_ERROR);
    }

    private function ask(string $path, string $body = ''): string
    {
        $curl = curl_init($this->url.$path);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_POSTFIELDS => $body, CURLOPT_PROXY => '', CURLOPT_TIMEOUT => 20]);

        return (string) curl_exec($curl);
    }
}
