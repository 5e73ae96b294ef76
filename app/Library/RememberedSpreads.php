<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Repository;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Point;
use KelpTub\Core\Lid\SpreadSolver;
use KelpTub\Core\Lid\SpreadSource;

/** Spreads worked out once on this machine and kept in a file cache, so that the same question is never worked out twice. */
final class RememberedSpreads implements SpreadSource
{
    /** @var array<string, array<int, list<Point>>> by the space and the number of holes, as far as they were looked up */
    private array $known = [];

    /** @param  bool  $solve whether one that is not known is worked out, or left for a request that may take longer */
    public function __construct(private readonly Repository $cache, private readonly bool $solve)
    {
    }

    public function spread(LayoutSpace $space, int $count): ?array
    {
        $key = $space->fingerprint();
        if (! isset($this->known[$key][$count])) {
            $this->known[$key] = $this->read($key);
        }
        if (isset($this->known[$key][$count]) || ! $this->solve) {
            return $this->known[$key][$count] ?? null;
        }
        $points = (new SpreadSolver($space))->spread($count) ?? [];
        // Another request may have added to it meanwhile.
        $this->known[$key] = [$count => $points] + $this->read($key);
        $this->cache->forever("spreads-$key", array_map(static fn (array $points): array => array_map(static fn (Point $p): array => [$p->x, $p->y], $points), $this->known[$key]));

        return $points;
    }

    /** @return array<int, list<Point>> */
    private function read(string $key): array
    {
        $known = [];
        foreach ((array) $this->cache->get("spreads-$key", []) as $count => $points) {
            $known[(int) $count] = array_map(static fn (array $p): Point => new Point($p[0], $p[1]), array_values($points));
        }

        return $known;
    }
}
