<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/** A meter that stands in the water of a copy of a tub and reads by itself, with how its probes were last calibrated. */
final readonly class Meter
{
    /** @param  string  $probe  which one it is, by the name that it answers to */
    public function __construct(
        public string $tub,
        public int $copy,
        public string $probe,
        public ?Calibration $ph = null,
        public ?Calibration $ec = null,
    ) {
    }

    /**
     * What it shows, put right by its calibrations to a thousandth.
     *
     * @param  array<string, float>  $shown  by the members of an entry: `ph`, `ec_ms_cm` and others
     * @return array<string, float>
     */
    public function putRight(array $shown): array
    {
        foreach (array_intersect_key(array_filter(['ph' => $this->ph, 'ec_ms_cm' => $this->ec]), $shown) as $what => $calibration) {
            $shown[$what] = round($calibration->true($shown[$what]), 3);
        }

        return $shown;
    }
}
