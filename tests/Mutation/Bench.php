<?php

declare(strict_types=1);

namespace Tests\Mutation;

use Symfony\Component\Process\Process;

/** A copy of the project in which a mutant is tried: its own core, application and tests, the packages shared. */
final class Bench
{
    private const COPIED = [
        'core',
        'app',
        'tests',
        'data',
        'bootstrap',
        'config',
        'routes',
        'database',
        'phpunit.xml',
        'composer.json',
        'artisan',
    ];

    /** No file of tests takes longer on a mutant that lets it end. */
    private const FILE_SECONDS = 300.0;

    private readonly string $folder;

    private ?Process $running = null;

    /** @param  list<string>  $php  the PHP that the tests run under */
    public function __construct(private readonly string $root, string $name, private readonly array $php)
    {
        $this->folder = "$root/.run/mutate/$name";
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
        mkdir($this->folder, 0777, true);
        foreach (self::COPIED as $of) {
            (new Process(['cp', '-r', "$root/$of", $this->folder]))->mustRun();
        }
        // Linked and not pointed to: a package finds its neighbours, and us, by where it really lies.
        (new Process(['cp', '-al', "$root/vendor", $this->folder]))->setTimeout(300)->mustRun();
    }

    /** @param  list<string>  $tests */
    public function start(Mutant $mutant, array $tests, float $seconds): void
    {
        $this->run($mutant, ['--filter='.self::filter($tests), ...self::files($tests)], $seconds);
    }

    /** Runs all tests of one file on a mutant. */
    public function startFile(Mutant $mutant, string $file): void
    {
        $this->run($mutant, [$file], self::FILE_SECONDS);
    }

    /** @param  list<string>  $which  tests, for Pest */
    private function run(Mutant $mutant, array $which, float $seconds): void
    {
        file_put_contents("$this->folder/$mutant->file", $mutant->apply((string) file_get_contents("$this->root/$mutant->file")));
        $this->running = new Process(
            [...$this->php, 'vendor/bin/pest', '--stop-on-failure', '--stop-on-error', ...$which],
            $this->folder,
            ['KELP_CORPUS' => 'first'],
        );
        $this->running->setTimeout($seconds)->start();
    }

    /** Whether the tests that were started have come to an end: true where one of them failed, null while they run. */
    public function caught(): ?bool
    {
        try {
            $this->running?->checkTimeout();
        } catch (\Symfony\Component\Process\Exception\ProcessTimedOutException) {
            return true;
        }

        return $this->running === null || $this->running->isRunning() ? null : $this->running->getExitCode() !== 0;
    }

    public function output(): string
    {
        return $this->running === null ? '' : $this->running->getOutput().$this->running->getErrorOutput();
    }

    public function restore(Mutant $mutant): void
    {
        copy("$this->root/$mutant->file", "$this->folder/$mutant->file");
        $this->running = null;
    }

    /** @param  list<string>  $tests */
    private static function filter(array $tests): string
    {
        $names = array_map(static fn (string $test): string => preg_quote(explode('::', $test, 2)[1], '/'), $tests);

        return '/^(.*::)?('.implode('|', $names).')( with .*)?$/s';
    }

    /**
     * @param  list<string>  $tests
     * @return list<string>
     */
    private static function files(array $tests): array
    {
        $files = array_values(array_unique(array_map(static fn (string $test): string => explode('::', $test, 2)[0], $tests)));

        return count($files) === 1 ? $files : ['tests/Core'];
    }
}
