<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** Air tubing by bore and outside diameter, mm. */
final readonly class Tube
{
    /** Viscosity of air at 18 °C, Pa·s. */
    private const VISCOSITY_PA_S = 1.81e-5;

    public function __construct(public ?string $key, public string $name, public float $inner, public float $outer)
    {
    }

    /**
     * Laminar resistance of a length (mm) in kPa per L/min: Poiseuille, `128·μ·L/(π·d⁴)`. 0.0960 for 2 m of 4 mm bore.
     */
    public function resistance(float $lengthMm): float
    {
        $pascalPerCubicMetrePerSecond = 128 * self::VISCOSITY_PA_S * $lengthMm / 1000 / (M_PI * ($this->inner / 1000) ** 4);

        return $pascalPerCubicMetrePerSecond / 60_000 / 1000;
    }
}
