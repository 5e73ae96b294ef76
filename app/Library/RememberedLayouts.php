<?php

declare(strict_types=1);

namespace App\Library;

use Illuminate\Contracts\Cache\Repository;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\Point;
use KelpTub\Core\Lid\SpreadSolver;

/**
 * What was found out about lids on this machine, kept in a file cache, so that the same question is never worked out twice.
 *
 * One file a space: its spreads, each packed as x and y in turn, and its answers. Of two requests that add to one file at the same time the
 * later one wins; what is lost is found again.
 */
final class RememberedLayouts implements LayoutMemory
{
    /** @var array<string, array{spreads: array<int, string>, answers: array<string, int>}> by the space, as far as they were looked up */
    private array $known = [];

    /** @param  bool  $solve whether a spread that is not known is worked out, or left for a request that may take longer */
    public function __construct(private readonly Repository $cache, private readonly bool $solve)
    {
    }

    public function spread(LayoutSpace $space, int $count): ?array
    {
        $packed = $this->of($space)['spreads'][$count] ?? null;
        if ($packed !== null) {
            return self::unpacked($packed);
        }
        if (! $this->solve) {
            return null;
        }
        $points = (new SpreadSolver($space))->spread($count) ?? [];
        $this->known[$space->fingerprint]['spreads'][$count] = pack('e*', ...array_merge(...array_map(static fn (Point $p): array => [$p->x, $p->y], $points)));
        $this->write($space);

        return $points;
    }

    public function answer(LayoutSpace $space, string $question): ?int
    {
        return $this->of($space)['answers'][$question] ?? null;
    }

    public function keep(LayoutSpace $space, string $question, int $answer): void
    {
        $this->of($space);
        $this->known[$space->fingerprint]['answers'][$question] = $answer;
        $this->write($space);
    }

    /** @return array{spreads: array<int, string>, answers: array<string, int>} */
    private function of(LayoutSpace $space): array
    {
        return $this->known[$space->fingerprint] ??= $this->cache->get($space->fingerprint) ?? ['spreads' => [], 'answers' => []];
    }

    private function write(LayoutSpace $space): void
    {
        $now = $this->cache->get($space->fingerprint) ?? ['spreads' => [], 'answers' => []];
        $mine = $this->of($space);
        $this->cache->forever($space->fingerprint, ['spreads' => $mine['spreads'] + $now['spreads'], 'answers' => $mine['answers'] + $now['answers']]);
    }

    /** @return list<Point> */
    private static function unpacked(string $packed): array
    {
        $numbers = $packed === '' ? [] : array_values(unpack('e*', $packed) ?: []);

        return array_map(static fn (array $p): Point => new Point($p[0], $p[1]), array_chunk($numbers, 2));
    }
}
