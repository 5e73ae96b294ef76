<?php

declare(strict_types=1);

namespace KelpTub\Core\Vessel;

/** A container as it stands on the bench: its inside, its lid, what it is made of. Lengths in mm, mass in kg. */
final readonly class Vessel
{
    /**
     * @param  Profile  $measured  the inside as measured, up to where its top is cut off
     * @param  Profile  $profile  the inside as computed with: measured, rescaled by the fills where there are two or more
     * @param  Profile  $whole  the same with what is cut off still on it
     */
    public function __construct(
        public ?string $key,
        public string $name,
        public VesselKind $kind,
        public ?float $labelLitres,
        public Opacity $opacity,
        public float $emptyKg,
        public float $floor,
        public bool $braced,
        public bool $foodSafe,
        public Profile $measured,
        public Profile $profile,
        public Profile $whole,
        public ?FillFit $fit,
    ) {
    }

    public function isJar(): bool
    {
        return $this->kind === VesselKind::Jar;
    }

    /** Whether it has a mouth to hang a cup in rather than a lid to cut: a jar, or a bottle that is cut open. */
    public function isOpenMouthed(): bool
    {
        return $this->isJar() || $this->kind === VesselKind::Bottle;
    }
}
