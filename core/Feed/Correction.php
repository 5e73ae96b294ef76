<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * What to do when a tub reads otherwise than it should: litres to take out, litres to put in, and at what EC.
 *
 * `after = (C1·V1 + C2·V2)/(V1 + V2)`. First what is missing from the level is poured in at the EC that brings it right; where that would
 * have to be under the water's own, or there is nothing missing, a share `x = (now − wanted)/(now − fresh)` of what is there is
 * changed. Source: handbook, rules section 8 and log (correction).
 */
final readonly class Correction
{
    private function __construct(
        public float $takeOut,
        public float $putIn,
        public float $ec,
        public float $after,
    ) {
    }

    /**
     * @param  float  $litres  in the tub now
     * @param  float  $now  its EC, mS/cm
     * @param  float  $wanted  EC that it should have
     * @param  float  $full  litres that it should hold
     * @param  float  $source  EC of the water there is
     * @param  float  $most  EC of the strongest feed that may be poured in
     */
    public static function of(float $litres, float $now, float $wanted, float $full, float $source, float $most): self
    {
        $missing = max(0.0, $full - $litres);
        $total = $litres + $missing;
        if ($total <= 0.0) {
            return new self(0.0, 0.0, $source, $now);
        }
        $needed = match (true) {
            $missing > 0.0 => ($wanted * $total - $now * $litres) / $missing,
            default => $now > $wanted ? -INF : INF,
        };
        if ($needed >= $source && $needed <= $most) {
            return new self(0.0, $missing, $needed, $wanted);
        }
        // What is poured in, at the end of its range that is nearer to what is wanted.
        $fresh = $needed < $source || $wanted <= $source ? $source : $most;
        $mixed = ($now * $litres + $fresh * $missing) / $total;
        $gap = $now - $fresh;
        // x of the litres there now makes way for as much of the fresh.
        $out = abs($gap) < 1.0e-12 ? 0.0 : max(0.0, min($litres, ($mixed - $wanted) * $total / $gap));

        return new self($out, $missing + $out, $fresh, ($now * ($litres - $out) + $fresh * ($missing + $out)) / $total);
    }
}
