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
     * @param  list<float>  $flows  L/min in each line, in the order given; of lines that are several in the one that gets least
     * @param  float  $total  in all lines together, L/min
     * @param  float  $pressure  at the manifold, kPa; the highest where outlets are not joined
     */
    private function __construct(
        public array $flows,
        private float $total,
        public float $pressure,
        public int $outletsUsed,
    ) {
    }

    /**
     * Lines that are equal are looked at once, however many they are.
     *
     * @param  list<Line>  $lines
     * @param  float  $trunkResistance  of the tube between pump and splitter, kPa per L/min
     * @param  list<int>|null  $counts  how many there are of each line, one beside the other; null for one of each
     */
    public static function solve(Pump $pump, array $lines, bool $joined, float $trunkResistance, ?array $counts = null): self
    {
        $counts ??= array_fill(0, count($lines), 1);
        $outlets = $joined ? 1 : $pump->outlets;
        $outlet = $joined ? $pump : $pump->outlet();
        $flows = array_fill(0, count($lines), INF);
        $total = $highest = 0.0;
        for ($o = 0; $o < $outlets; $o++) {
            $dealt = self::dealt($counts, $o, $outlets);
            if ($dealt === []) {
                continue;
            }
            $some = array_intersect_key($lines, $dealt);
            $pressure = self::pressure($outlet, $some, $dealt, $trunkResistance);
            $highest = max($highest, $pressure);
            foreach ($some as $i => $line) {
                $flow = $line->flowAt($pressure);
                // Equal tubs on unlike outlets may differ; the one with the least air is the one judged.
                $flows[$i] = min($flows[$i], $flow);
                $total += $dealt[$i] * $flow;
            }
        }

        $used = $joined || $pump->outlets === 1 ? $pump->outlets : min($pump->outlets, array_sum($counts));

        return new self(array_values($flows), $total, $highest, $lines === [] ? 0 : $used);
    }

    /**
     * How many of each line an outlet gets when they are dealt out one after the other; only those it gets any of.
     *
     * @param  list<int>  $counts
     * @return array<int, int>
     */
    private static function dealt(array $counts, int $outlet, int $outlets): array
    {
        $dealt = [];
        $first = 0;
        foreach ($counts as $i => $count) {
            // Of the lines first … first + count − 1 those that leave the outlet's number when divided by the outlets.
            $many = intdiv($first + $count - 1 - $outlet + $outlets, $outlets) - intdiv($first - 1 - $outlet + $outlets, $outlets);
            if ($many > 0) {
                $dealt[$i] = $many;
            }
            $first += $count;
        }

        return $dealt;
    }

    public function total(): float
    {
        return $this->total;
    }

    /**
     * The lines take more the higher the pressure and the pump gives less, so the two meet once.
     *
     * @param  array<int, Line>  $lines
     * @param  array<int, int>  $counts
     */
    private static function pressure(Pump $pump, array $lines, array $counts, float $trunkResistance): float
    {
        $unlike = [];
        foreach ($lines as $i => $line) {
            $key = $line->resistances();
            $unlike[$key] = [$line, ($unlike[$key][1] ?? 0) + $counts[$i]];
        }
        $excess = static function (float $pressure) use ($pump, $unlike, $trunkResistance): float {
            $flow = 0.0;
            foreach ($unlike as [$line, $count]) {
                $flow += $count * $line->flowAt($pressure);
            }

            return is_infinite($flow) ? -INF : $pump->pressureAt($flow) - $trunkResistance * $flow - $pressure;
        };

        return Crossing::of($excess, 0.0, $pump->maxPressure(), self::TOLERANCE_KPA);
    }
}
