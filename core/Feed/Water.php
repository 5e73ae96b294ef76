<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** The water there is, blended of one or more sources: EC in mS/cm, alkalinity in mg/L of calcium carbonate. */
final readonly class Water
{
    /** Hard from here on: it raises pH back over days, mS/cm. */
    public const HARD_FROM_MS_CM = 0.6;

    public function __construct(
        public WaterSource $source,
        public float $ec,
        public ?float $ph,
        public ?float $alkalinity = null,
        public Disinfectant $disinfectant = Disinfectant::Chlorine,
    ) {
    }

    /**
     * Waters poured together: `ec = Σ ec_i·v_i/Σ v_i`, and alkalinity where all of them give it. The pH of a blend is not their mean and
     * has to be measured. The source is that of which there is most.
     *
     * Two parts of 0.6 and one of 0 are 0.4.
     *
     * @param  non-empty-list<array{self, float}>  $shares  each with its parts by volume; not all of them 0
     */
    public static function blend(array $shares): self
    {
        $all = array_sum(array_column($shares, 1));
        $ec = $alkalinity = 0.0;
        $most = $shares[0];
        foreach ($shares as [$water, $parts]) {
            $ec += $water->ec * $parts / $all;
            $alkalinity = $alkalinity === null || $water->alkalinity === null ? null : $alkalinity + $water->alkalinity * $parts / $all;
            $most = $parts > $most[1] ? [$water, $parts] : $most;
        }

        return new self($most[0]->source, $ec, count($shares) === 1 ? $shares[0][0]->ph : null, $alkalinity, $most[0]->disinfectant);
    }

    public function isHard(): bool
    {
        return $this->ec >= self::HARD_FROM_MS_CM;
    }

    /**
     * The share of pure water that makes water fit to be fed: `x = 1 − c/(2s)`, so that a fill comes to c; 0 where it is fit already.
     *
     * @param  float  $wanted  c, mS/cm
     */
    public function dilutionFor(float $wanted): float
    {
        return $this->ec > 0.0 ? max(0.0, 1 - $wanted / (2 * $this->ec)) : 0.0;
    }
}
