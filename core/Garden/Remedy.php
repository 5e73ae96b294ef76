<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use stdClass;

/** A way out of a finding: what it does in words, and a JSON Patch (RFC 6902) on the garden that does it. */
final readonly class Remedy
{
    /**
     * @param  list<stdClass>  $patch
     * @param  bool  $pending  whether it may change once a layout is known that takes longer to find
     */
    public function __construct(public string $says, public array $patch, public bool $pending = false)
    {
    }
}
