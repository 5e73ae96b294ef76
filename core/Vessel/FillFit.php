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

    /**
     * @param  list<float>  $deviations of each fill from the fitted line, as a share of it, signed
     * @param  int|null  $odd  the one fill without which all others agree, where there is such a one
     * @param  float|null  $oddDeviation  how far it lies from the line of the others, as a share of it, signed
     */
    private function __construct(
        public float $scale,
        public bool $applied,
        public array $deviations,
        public ?int $odd,
        public ?float $oddDeviation,
    ) {
    }

    /** @param  list<Fill>  $fills rising in depth */
    public static function of(Profile $profile, array $fills): ?self
    {
        $volumes = array_map(static fn (Fill $f): float => $profile->volumeAt($f->depth), $fills);
        $litres = array_map(static fn (Fill $f): float => $f->litres, $fills);
        $scale = self::slope($volumes, $litres);
        if ($scale === null) {
            return null;
        }
        $deviations = self::deviations($volumes, $litres, $scale);
        $odd = max(0.0, ...array_map(abs(...), $deviations)) > self::TOLERANCE ? self::odd($volumes, $litres) : null;

        return new self($scale, count($fills) >= 2, $deviations, $odd[0] ?? null, $odd[1] ?? null);
    }

    /**
     * Which fill contradicts the others: the one without which they lie nearest to a line of their own, when they all agree with that. Of
     * two fills either may be the wrong one.
     *
     * @param  list<float>  $volumes
     * @param  list<float>  $litres
     * @return array{int, float}|null its number, and how far it lies from their line
     */
    private static function odd(array $volumes, array $litres): ?array
    {
        $odd = null;
        $least = self::TOLERANCE;
        for ($i = 0, $count = count($litres); $count > 2 && $i < $count; $i++) {
            [$v, $l] = [$volumes, $litres];
            array_splice($v, $i, 1);
            array_splice($l, $i, 1);
            $slope = self::slope($v, $l);
            $residual = $slope === null ? INF : max(0.0, ...array_map(abs(...), self::deviations($v, $l, $slope)));
            if ($slope !== null && $residual < $least) {
                $least = $residual;
                $odd = [$i, $litres[$i] / ($slope * $volumes[$i]) - 1];
            }
        }

        return $odd;
    }

    /**
     * `ΣV·L/ΣV²`; null where no fill reaches the vessel.
     *
     * @param  list<float>  $volumes
     * @param  list<float>  $litres
     */
    private static function slope(array $volumes, array $litres): ?float
    {
        $cross = $square = 0.0;
        foreach ($volumes as $i => $volume) {
            $cross += $volume * $litres[$i];
            $square += $volume ** 2;
        }

        return $square > 0.0 ? $cross / $square : null;
    }

    /**
     * @param  list<float>  $volumes
     * @param  list<float>  $litres
     * @return list<float>
     */
    private static function deviations(array $volumes, array $litres, float $slope): array
    {
        return array_map(static fn (float $volume, float $litre): float => $litre / ($slope * $volume) - 1, $volumes, $litres);
    }

    /** The largest deviation from the fitted line, in per cent. */
    public function residualPercent(): float
    {
        return 100 * max(0.0, ...array_map(abs(...), $this->deviations));
    }
}
