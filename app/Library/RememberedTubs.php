<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Store;
use KelpTub\Core\Garden\TubMemory;

/**
 * What was worked out of tubs, in memory that the server's workers share: gone when the server stops, and all at once when there is no more
 * room.
 *
 * A tub that is dragged is never the same again: only what is kept a second time is worth the writing.
 */
final class RememberedTubs implements TubMemory
{
    /** @var array<string, true> what was kept before, by fingerprint */
    private array $seen = [];

    /** @param  string  $stamp  of the Library that they were worked out by */
    public function __construct(private readonly Store $cache, private readonly string $stamp)
    {
    }

    public function keeps(): bool
    {
        return true;
    }

    public function recall(string $fingerprint): ?object
    {
        $known = $this->cache->get("$this->stamp $fingerprint");
        if ($known !== null) {
            $this->seen[$fingerprint] = true;
        }

        return is_object($known) ? $known : null;
    }

    public function keep(string $fingerprint, object $known): void
    {
        $this->cache->forever("$this->stamp $fingerprint", isset($this->seen[$fingerprint]) ? $known : true);
    }
}
