<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Repository;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Point;
use KelpTub\Core\Lid\SpreadSolver;
use KelpTub\Core\Lid\SpreadSource;

/** Spreads worked out once on this machine and kept in a file cache, so that the same question is never worked out twice. */
final readonly class RememberedSpreads implements SpreadSource
{
    /** @param  bool  $solve whether one that is not known is worked out, or left for a request that may take longer */
    public function __construct(private Repository $cache, private bool $solve)
    {
    }

    public function spread(LayoutSpace $space, int $count): ?array
    {
        $key = "spread-$count-{$space->fingerprint()}";
        $known = $this->cache->get($key);
        if (is_array($known)) {
            return array_map(static fn (array $p): Point => new Point($p[0], $p[1]), array_values($known));
        }
        if (! $this->solve) {
            return null;
        }
        $points = (new SpreadSolver($space))->spread($count) ?? [];
        $this->cache->forever($key, array_map(static fn (Point $p): array => [$p->x, $p->y], $points));

        return $points;
    }
}
