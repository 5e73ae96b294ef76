<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Illuminate\Testing\TestResponse;

/** A browser on the house network: it keeps its cookie, and each of its requests finds a server that remembers nothing else. */
final class Visitor
{
    public const COOKIE = 'kelp_tub';

    public ?string $cookie = null;

    public function __construct(public string $address = '192.168.1.30')
    {
    }

    /** @param  array<string, string>  $headers */
    public function send(string $method, string $uri, string $body = '', array $headers = []): TestResponse
    {
        foreach (['session', 'session.store', StartSession::class] as $kept) {
            app()->forgetInstance($kept);
        }
        Auth::forgetGuards();
        app()->forgetScopedInstances();
        $server = ['CONTENT_TYPE' => 'application/json', 'REMOTE_ADDR' => $this->address];
        foreach ($headers as $name => $value) {
            $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
        }
        $cookies = $this->cookie === null ? [] : [self::COOKIE => $this->cookie];
        $answer = test()->call($method, $uri, cookies: $cookies, server: $server, content: $body);
        foreach ($answer->headers->getCookies() as $cookie) {
            if ($cookie->getName() === self::COOKIE) {
                $this->cookie = $cookie->getValue();
            }
        }

        return $answer;
    }

    /** @param  array<mixed>  $body */
    public function post(string $uri, array $body = []): TestResponse
    {
        return $this->send('POST', $uri, (string) json_encode((object) $body));
    }

    public function joins(string $code, string $name, string $password = 'four words in a row'): self
    {
        $this->post('/api/join', ['code' => $code, 'name' => $name, 'password' => $password, 'device' => "{$name}’s phone"])->assertOk();

        return $this;
    }

    /** Makes an empty garden, and gives its id. */
    public function garden(string $name): string
    {
        return (string) $this->post('/api/gardens', ['name' => $name])->assertCreated()->json('id');
    }
}
