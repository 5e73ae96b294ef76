<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

/**
 * The two schools of density: roomy takes the crop's figures, tight harvests young and closer together.
 *
 * Source: handbook, rules section 6 († shares from general practice).
 */
enum Density: string
{
    case Roomy = 'roomy';
    case Tight = 'tight';

    public function spacingShare(): float
    {
        return $this === self::Tight ? 0.6 : 1.0;
    }

    /** How far apart two neighbours stand: the mean of their spacings, mm. */
    public function spacing(Crop $crop, Crop $neighbour): float
    {
        return ($crop->spacingMm + $neighbour->spacingMm) / 2 * $this->spacingShare();
    }

    public function litresShare(): float
    {
        return $this === self::Tight ? 0.35 : 1.0;
    }

    public function daysShare(): float
    {
        return $this === self::Tight ? 0.75 : 1.0;
    }

    /** Share of water drunk and of root oxygen used. */
    public function useShare(): float
    {
        return $this === self::Tight ? 0.45 : 1.0;
    }

    /** Share of the yield: harvested young it is half. */
    public function yieldShare(): float
    {
        return $this === self::Tight ? 0.5 : 1.0;
    }

    /** Dissolved oxygen below which roots work badly, mg/L. */
    public function oxygenFloor(): float
    {
        return $this === self::Tight ? 6.0 : 5.0;
    }
}
