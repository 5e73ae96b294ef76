<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Repository;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;
use KelpTub\Core\Lid\LayoutSpace;

/**
 * What was found out about lids on this machine, kept in a file cache, one file a space, so that the same question is never worked out
 * twice.
 * Of two requests that add to one file at the same time the later one wins; what is lost is found again.
 */
final class RememberedLayouts implements LayoutMemory
{
    /** @var array<string, array<string, int|string>> by the space and the question, as far as they were looked up */
    private array $known = [];

    /** @param  int  $steps  of work that is not remembered yet that there is time for */
    public function __construct(private readonly Repository $cache, private int $steps)
    {
    }

    public function recall(LayoutQuestion $question): int|string|null
    {
        if (! isset($this->known[$question->space->fingerprint][$question->text])) {
            // Another request may have found it meanwhile.
            $this->known[$question->space->fingerprint] = $this->read($question->space);
        }

        return $this->known[$question->space->fingerprint][$question->text] ?? null;
    }

    public function keep(LayoutQuestion $question, int|string $answer): void
    {
        $known = ($this->known[$question->space->fingerprint] ?? []) + $this->read($question->space);
        $this->known[$question->space->fingerprint] = [$question->text => $answer] + $known;
        $this->cache->forever($question->space->fingerprint, $this->known[$question->space->fingerprint]);
    }

    public function mayTake(int $steps): bool
    {
        if ($steps > $this->steps) {
            return false;
        }
        $this->steps -= $steps;

        return true;
    }

    /** @return array<string, int|string> */
    private function read(LayoutSpace $space): array
    {
        return $this->cache->get($space->fingerprint) ?? [];
    }
}
