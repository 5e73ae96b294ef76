<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Repository;
use KelpTub\Core\Garden\TubMemory;

/**
 * What was worked out of tubs, in memory that the server's workers share: gone when the server stops, and all at once when there is no more
 * room.
 */
final readonly class RememberedTubs implements TubMemory
{
    /** @param  string  $stamp  of the Library that they were worked out by */
    public function __construct(private Repository $cache, private string $stamp)
    {
    }

    public function keeps(): bool
    {
        return true;
    }

    public function recall(string $fingerprint): ?object
    {
        $known = $this->cache->get("$this->stamp $fingerprint");

        return is_object($known) ? $known : null;
    }

    public function keep(string $fingerprint, object $known): void
    {
        // A tub that is dragged is never the same again: only what comes a second time is worth the writing.
        if (! $this->cache->add("$this->stamp seen $fingerprint", true)) {
            $this->cache->forever("$this->stamp $fingerprint", $known);
        }
    }
}
