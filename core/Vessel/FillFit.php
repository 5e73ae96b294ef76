<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/**
 * How far known fills say that the measured vessel is off, as a factor on its areas.
 *
 * `s = ΣV·L/ΣV²`, the least-squares line through the origin of the poured litres L over the computed volumes V.
 * With one fill the factor is reported and not applied. Source: handbook, rules section 2.
 */
final readonly class FillFit
{
    /** A fill further than this from the fitted line is named, as a share. */
    public const TOLERANCE = 0.05;

    /** @param  list<float>  $deviations of each fill from the fitted line, as a share of it, signed */
    private function __construct(
        public float $scale,
        public bool $applied,
        public array $deviations,
    ) {
    }

    /** @param  list<Fill>  $fills rising in depth */
    public static function of(Profile $profile, array $fills): ?self
    {
        $volumes = array_map(static fn (Fill $f): float => $profile->volumeAt($f->depth), $fills);
        $cross = $square = 0.0;
        foreach ($fills as $i => $fill) {
            $cross += $volumes[$i] * $fill->litres;
            $square += $volumes[$i] ** 2;
        }
        if ($square <= 0.0) {
            return null;
        }
        $scale = $cross / $square;
        $deviations = [];
        foreach ($fills as $i => $fill) {
            $deviations[] = $fill->litres / ($scale * $volumes[$i]) - 1;
        }

        return new self($scale, count($fills) >= 2, $deviations);
    }

    /** The largest deviation from the fitted line, in per cent. */
    public function residualPercent(): float
    {
        return 100 * max(0.0, ...array_map(abs(...), $this->deviations));
    }
}
