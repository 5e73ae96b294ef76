<?php

declare(strict_types=1);

namespace Tests\Mutation;

use Pest\Support\Str;
use SebastianBergmann\CodeCoverage\CodeCoverage;

/** Which tests reach which line of the core, and how long each takes. A test is known by its file and its description. */
final readonly class Reach
{
    /**
     * @param  array<string, array<int, list<string>>>  $lines  tests by file and line
     * @param  array<string, float>  $seconds  by test
     */
    public function __construct(private array $lines, private array $seconds)
    {
    }

    /** Of what the coverage of one run of the tests and the log of another say. */
    public static function of(CodeCoverage $coverage, string $root, string $junit): self
    {
        $seconds = $named = [];
        foreach ((new \SimpleXMLElement($junit))->xpath('//testcase') ?: [] as $case) {
            $description = (string) preg_replace('/ with (data set |dataset |\().*$/s', '', (string) $case['name']);
            $test = explode('::', (string) $case['file'])[0]."::$description";
            $named['P\\'.$case['class'].'::'.Str::evaluable($description)] = $test;
            $seconds[$test] = ($seconds[$test] ?? 0.0) + (float) $case['time'];
        }
        $lines = [];
        foreach ($coverage->getData()->lineCoverage() as $file => $covered) {
            foreach (array_filter($covered) as $line => $tests) {
                $reaching = array_map(static fn (string $id): ?string => $named[explode('#', $id)[0]] ?? null, $tests);
                $lines[substr($file, strlen($root) + 1)][$line] = array_values(array_unique(array_filter($reaching)));
            }
        }

        return new self($lines, $seconds);
    }

    /**
     * The tests that reach a line, the quickest first. What no test runs through (a constant, a promoted property) is reached by those that
     * reach its file.
     *
     * @return list<string>
     */
    public function tests(string $file, int $line): array
    {
        $covered = $this->lines[$file] ?? [];
        $tests = $covered[$line] ?? array_values(array_unique(array_merge(...array_values($covered))));
        usort($tests, fn (string $a, string $b): int => $this->time($a) <=> $this->time($b));

        return $tests;
    }

    public function time(string $test): float
    {
        return $this->seconds[$test] ?? 1.0;
    }
}
