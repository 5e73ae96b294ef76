<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/**
 * What a planted tub weighs when filled, in kg, and how that bears on what it stands on.
 *
 * Weight = empty + working volume (1.0 kg/L) + wet pebbles (0.65 kg/L†) + mature plants. Source: handbook, rules section 2.
 */
final readonly class Weight
{
    public const WATER_KG_PER_L = 1.0;

    /** † general practice; wet expanded clay lies between 0.55 and 0.75. */
    public const WET_PEBBLES_KG_PER_L = 0.65;

    /** Above this, a tub is filled where it stands. */
    public const LIFT_LIMIT_KG = 20.0;

    /** Above this share of what a shelf bears, it wants relief. */
    public const SHELF_MARGIN = 0.8;

    public function __construct(public float $kg, public float $kgPerSquareMetre)
    {
    }

    /** @param  Vessel|null  $under  the vessel that it stands in, and that bears on the ground for it */
    public static function of(Vessel $vessel, float $workingLitres, float $pebbleLitres, float $plantsKg, ?Vessel $under = null): self
    {
        $kg = $vessel->emptyKg + ($under->emptyKg ?? 0.0)
            + $workingLitres * self::WATER_KG_PER_L
            + $pebbleLitres * self::WET_PEBBLES_KG_PER_L
            + $plantsKg;
        $footprint = ($under ?? $vessel)->profile->sectionAt(0.0)->area() / 1.0e6;

        return new self($kg, $kg / $footprint);
    }
}
