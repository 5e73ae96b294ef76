<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

use KelpTub\Core\Numbers\Crossing;

/**
 * Oxygen that roots take up against what bubbles and the still surface bring in. mg/L, mg/h, litres, m², °C.
 *
 * Uptake falls as oxygen runs short: `demand·C/(C + 0.5)`. Supply is `k·(C* − C)`. Steady is where they meet; without air the
 * surface alone supplies; a nursery's trickling water brings `½·L/h·(C* − C)` besides. Source: handbook, rules section 7.
 */
final readonly class OxygenBalance
{
    /** Below this roots suffocate, mg/L. */
    public const STOP_MG_L = 3.0;

    /** Below this roots work well but with nothing to spare, mg/L. */
    public const MIND_MG_L = 6.0;

    /** Concentration at which uptake is half the demand, mg/L. */
    private const HALF_UPTAKE_MG_L = 0.5;

    /** Oxygen in a litre of air at 20 °C, mg. */
    public const MG_PER_LITRE_OF_AIR = 278.8;

    /** Saturation for which transfer efficiencies are stated, mg/L. */
    private const STANDARD_SATURATION_MG_L = 9.092;

    /** Transfer in nutrient solution against clean water. */
    private const ALPHA = 0.85;

    private const TEMPERATURE_FACTOR = 1.024;

    private const ROUNDING_MG_L = 1.0e-6;

    /** † still surface, mg/h per m² and mg/L (10 mm/h). */
    private const SURFACE = 10.0;

    /** † share of what it lacks that water takes up on its way over the cups and back; 0.3 to 0.7. */
    private const TRICKLE = 0.5;

    /** † rule of thumb that growers ask for: air per litre of solution, L/min, from and to. */
    private const THUMB_L_MIN_PER_L = [0.13, 0.26];

    /**
     * @param  float  $saturation  C*, mg/L
     * @param  float  $demand  of the grown plants at plenty, mg/h
     * @param  float  $bubbles  supply per mg/L of deficit from stones and trickling water, mg/h: what stops when the power fails
     * @param  float  $surface  supply per mg/L of deficit through the surface, mg/h
     * @param  float  $fromStones  what of it comes from stones, mg/h
     */
    private function __construct(
        public float $saturation,
        public float $demand,
        private float $bubbles,
        private float $surface,
        private float $fromStones = 0.0,
    ) {
    }

    /**
     * @param  float  $standardTransfer  of all stones in the tub in clean oxygen-free water at 20 °C, mg/h
     * @param  float  $surfaceArea  of the water, m²
     * @param  float  $trickle  water that trickles over cups and falls back, L/h, mean of the pump's cycle
     */
    public static function of(
        float $saturation,
        float $demand,
        float $standardTransfer,
        float $surfaceArea,
        float $celsius,
        float $trickle = 0.0,
    ): self {
        $stones = self::ALPHA * $standardTransfer / self::STANDARD_SATURATION_MG_L * self::TEMPERATURE_FACTOR ** ($celsius - 20);

        return new self($saturation, $demand, $stones + self::TRICKLE * $trickle, self::SURFACE * $surfaceArea, $stones);
    }

    /** Standard transfer in mg/h of a stone at a submergence (mm) that gets an air flow (L/min): `SOTE·h·q·60·278.8`. */
    public static function standardTransfer(Bubble $bubble, float $submergenceMm, float $flow): float
    {
        return $bubble->transferPerMetre() * $submergenceMm / 1000 * $flow * 60 * self::MG_PER_LITRE_OF_AIR;
    }

    /**
     * What a grower's rule of thumb would give a tub of so many litres, to set beside the balance.
     *
     * @return list<float> L/min, from and to
     */
    public static function thumb(float $litres): array
    {
        return array_map(static fn (float $share): float => $share * $litres, self::THUMB_L_MIN_PER_L);
    }

    /** Demand in mg/h of grown roots at a water temperature: `root demand of all plants at 20 °C·submerged share·2^((T − 20)/10)`. */
    public static function demand(float $rootDemand, float $submergedShare, float $celsius): float
    {
        return $rootDemand * $submergedShare * 2 ** (($celsius - 20) / 10);
    }

    /**
     * How bad an oxygen is: 3 under what roots live on, 2 under the floor of the tub's school, 1 with nothing to spare; null where it is
     * well.
     */
    public static function judged(float $oxygen, float $floor): ?int
    {
        return match (true) {
            $oxygen < self::STOP_MG_L => 3,
            $oxygen < $floor => 2,
            $oxygen < self::MIND_MG_L => 1,
            default => null,
        };
    }

    /** Oxygen at which supply equals uptake with the air running, mg/L. */
    public function steady(): float
    {
        return $this->meeting($this->bubbles + $this->surface);
    }

    /** Minutes without air until the oxygen has fallen from steady to 3 mg/L: 0 if it is there already, null if it never gets there. */
    public function outageMinutes(float $workingLitres): ?float
    {
        return $this->minutesTo(self::STOP_MG_L, $workingLitres);
    }

    /**
     * Minutes without air until the oxygen has fallen from steady to a mark: 0 if it is there already, null if it never gets there.
     *
     * `V·dC/dt = s·(C* − C) − demand·C/(C + ½)`. Over C that is `V·(C + ½)/(s·(C − a)·(C − b))` with the two places a and b at which
     * nothing changes, and integrates to logarithms: right however near a, where it would come to rest, lies to the mark.
     */
    public function minutesTo(float $mark, float $workingLitres): ?float
    {
        $from = $this->steady();
        if ($from <= $mark) {
            return 0.0;
        }
        $rest = $this->meeting($this->surface);
        if ($rest >= $mark) {
            return null;
        }
        $fall = $from - $mark;
        if ($this->surface <= 0.0) {
            return 60 * $workingLitres / $this->demand * ($fall + self::HALF_UPTAKE_MG_L * log1p($fall / $mark));
        }
        // The other root of s·C² + (demand − s·(C* − ½))·C − s·C*·½: their product is −C*·½.
        $other = -$this->saturation * self::HALF_UPTAKE_MG_L / $rest;
        $slow = ($rest + self::HALF_UPTAKE_MG_L) * log1p($fall / ($mark - $rest))
            - ($other + self::HALF_UPTAKE_MG_L) * log1p($fall / ($mark - $other));

        return 60 * $workingLitres / $this->surface * $slow / ($rest - $other);
    }

    /** Oxygen in mg/L so many minutes after the air has stopped, from steady on. */
    public function afterMinutes(float $minutes, float $workingLitres): float
    {
        $from = $this->steady();
        $rest = $this->meeting($this->surface);
        if ($minutes <= 0.0 || $workingLitres <= 0.0 || $from - $rest <= self::ROUNDING_MG_L) {
            return $minutes <= 0.0 ? $from : $rest;
        }

        return Crossing::of(
            fn (float $mark): float => ($this->minutesTo($mark, $workingLitres) ?? INF) - $minutes,
            $rest + self::ROUNDING_MG_L,
            $from,
            self::ROUNDING_MG_L,
        );
    }

    /** The same tub with so many times as much air through its stones. */
    public function withAir(float $times): self
    {
        return new self(
            $this->saturation,
            $this->demand,
            $this->bubbles + ($times - 1) * $this->fromStones,
            $this->surface,
            $times * $this->fromStones,
        );
    }

    /** The demand in mg/h that the air and the surface hold at an oxygen, mg/L: supply equals uptake there. */
    public function demandHeldAt(float $oxygen): float
    {
        return max(0.0, ($this->bubbles + $this->surface) * ($this->saturation - $oxygen) * ($oxygen + self::HALF_UPTAKE_MG_L) / $oxygen);
    }

    /** Root of `k·(C* − C)·(C + ½) = demand·C`, a quadratic with one positive root. */
    private function meeting(float $k): float
    {
        if ($this->demand <= 0.0) {
            return $this->saturation;
        }
        if ($k <= 0.0) {
            return 0.0;
        }
        $b = $k * ($this->saturation - self::HALF_UPTAKE_MG_L) - $this->demand;
        $root = sqrt($b ** 2 + 4 * $k ** 2 * self::HALF_UPTAKE_MG_L * $this->saturation);
        // The form that does not subtract nearly equal numbers.
        if ($b >= 0.0) {
            return ($b + $root) / (2 * $k);
        }

        return 2 * $k * self::HALF_UPTAKE_MG_L * $this->saturation / ($root - $b);
    }
}
