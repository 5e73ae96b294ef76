<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Numbers\Crossing;

/**
 * A pump and the lines it feeds, solved together: all lines share the pressure at the manifold and their flows sum to the pump's.
 *
 * Outlets that are joined make one manifold. Outlets that are not are dealt the lines in order, each with its share of the flow and the
 * full pressure. Source: handbook, rules section 7.
 */
final readonly class Network
{
    private const TOLERANCE_KPA = 1.0e-11;

    /**
     * @param  list<float>  $flows  L/min in each line, in the order given
     * @param  float  $pressure  at the manifold, kPa; the highest where outlets are not joined
     */
    private function __construct(
        public array $flows,
        public float $pressure,
        public int $outletsUsed,
    ) {
    }

    /**
     * @param  list<Line>  $lines
     * @param  float  $trunkResistance  of the tube between pump and splitter, kPa per L/min
     */
    public static function solve(Pump $pump, array $lines, bool $joined, float $trunkResistance): self
    {
        if ($joined || $pump->outlets === 1) {
            [$flows, $pressure] = self::manifold($pump, $lines, $trunkResistance);

            return new self($flows, $pressure, $lines === [] ? 0 : $pump->outlets);
        }
        $outlet = $pump->outlet();
        $flows = array_fill(0, count($lines), 0.0);
        $highest = 0.0;
        for ($o = 0; $o < min($pump->outlets, count($lines)); $o++) {
            $dealt = array_filter($lines, static fn (int $i): bool => $i % $pump->outlets === $o, ARRAY_FILTER_USE_KEY);
            [$some, $pressure] = self::manifold($outlet, array_values($dealt), $trunkResistance);
            foreach (array_keys($dealt) as $n => $i) {
                $flows[$i] = $some[$n];
            }
            $highest = max($highest, $pressure);
        }

        return new self(array_values($flows), $highest, min($pump->outlets, count($lines)));
    }

    public function total(): float
    {
        return array_sum($this->flows);
    }

    /**
     * The lines take more the higher the pressure and the pump gives less, so the two meet once.
     *
     * @param  list<Line>  $lines
     * @return array{list<float>, float}
     */
    private static function manifold(Pump $pump, array $lines, float $trunkResistance): array
    {
        $excess = static function (float $pressure) use ($pump, $lines, $trunkResistance): float {
            $flow = 0.0;
            foreach ($lines as $line) {
                $flow += $line->flowAt($pressure);
            }

            return is_infinite($flow) ? -INF : $pump->pressureAt($flow) - $trunkResistance * $flow - $pressure;
        };
        $pressure = Crossing::of($excess, 0.0, $pump->maxPressure(), self::TOLERANCE_KPA);

        return [array_map(static fn (Line $line): float => $line->flowAt($pressure), $lines), $pressure];
    }
}
