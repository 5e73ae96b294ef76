<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;

/**
 * A request whose body is left as it came. The framework's own takes every JSON body apart before anyone has asked, into lists where {}
 * and [] are alike; ours are bounded and read where they are wanted (RequestInput, GardenFile).
 */
final class PlainRequest extends Request
{
    /**
     * @param  string|null  $key
     * @param  mixed  $default
     * @return ($key is null ? InputBag<string> : mixed)
     */
    public function json($key = null, $default = null): mixed
    {
        return $key === null ? $this->json ??= new InputBag([]) : $default;
    }
}
