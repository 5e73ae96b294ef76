<?php

declare(strict_types=1);

// How feature tests ask, loaded by tests/Pest.php.

use Illuminate\Testing\TestResponse;
use Symfony\Component\Process\Process;

function demo(): string
{
    return (string) file_get_contents(base_path('data/demo.kelp.json'));
}

/** Sends a text as JSON, to the letter. */
function send(string $method, string $uri, string $body, array $headers = []): TestResponse
{
    $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
    foreach ($headers as $name => $value) {
        $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
    }

    return test()->call($method, $uri, server: $server, content: $body);
}

/** @param  array<mixed>  $body */
function ask(string $uri, array $body): TestResponse
{
    return send('POST', $uri, (string) json_encode($body));
}

/** What the patch of an answer does, without the tests that hold it to what it is meant for. @return list<array<string, mixed>> */
function deedsIn(TestResponse $answer): array
{
    return array_values(array_filter($answer->json('patch'), static fn (array $operation): bool => $operation['op'] !== 'test'));
}

/** The command line. @param  list<string>  $arguments */
function kelp(array $arguments, string $input = ''): Process
{
    $process = new Process([base_path('bin/kelp'), ...$arguments], input: $input, timeout: 300);
    $process->run();

    return $process;
}
