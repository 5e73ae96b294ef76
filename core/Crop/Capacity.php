<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use KelpTub\Core\Cup\GrowingSystem;

/**
 * How many plants a tub carries, and which of lid, spacing and water says so.
 *
 * Source: handbook, rules section 6. On a tie the earlier of lid, spacing, water is named.
 */
final readonly class Capacity
{
    /** A passive tub that is never topped up holds this much more than its plants drink. */
    public const PASSIVE_RESERVE = 1.15;

    /** A passive tub that is topped up lasts this many days at the peak. */
    public const PASSIVE_DAYS = 2.0;

    /** No lid has more holes than this. */
    private const MOST_PLANTS = 200;

    private const ROUNDING = 1.0e-9;

    private function __construct(
        public int $plants,
        public int $byLid,
        public int $bySpacing,
        public ?int $byWater,
        public string $limitedBy,
    ) {
    }

    public static function of(int $byLid, int $bySpacing, ?int $byWater): self
    {
        $least = min($byLid, $bySpacing, $byWater ?? PHP_INT_MAX);
        $limitedBy = match ($least) {
            $byLid => 'lid',
            $bySpacing => 'spacing',
            default => 'water',
        };

        return new self($byLid >= 1 ? max(1, $least) : 0, $byLid, $bySpacing, $byWater, $limitedBy);
    }

    /**
     * Plants that the water carries; null where it does not limit (no crop, a cloner).
     *
     * @param  float  $workingLitres  working volume
     * @param  float  $usableLitres  working volume above the lowest useful level
     */
    public static function byWater(
        Crop $crop,
        Density $density,
        GrowingSystem $system,
        TopUps $topUps,
        float $climate,
        float $workingLitres,
        float $usableLitres,
    ): ?int {
        if ($system === GrowingSystem::Cloner) {
            return null;
        }
        if ($system !== GrowingSystem::Passive) {
            return (int) floor($workingLitres / ($crop->litresPerPlant * $density->litresShare()) + self::ROUNDING);
        }
        $onePlant = self::waterUse($crop, $density, $climate, 1);
        $share = $topUps->passiveShare();

        return (int) floor(self::ROUNDING + ($share === null
            ? $usableLitres / ($onePlant->toHarvest * self::PASSIVE_RESERVE)
            : $share * $usableLitres / (self::PASSIVE_DAYS * $onePlant->peakDaily())));
    }

    /**
     * Plants that the water carries when several crops share it in their proportions; null for a cloner. As byWater(), with sums in place
     * of multiples of one plant.
     *
     * @param  list<CropWish>  $wishes
     */
    public static function mixByWater(
        array $wishes,
        Density $density,
        GrowingSystem $system,
        TopUps $topUps,
        float $climate,
        float $workingLitres,
        float $usableLitres,
    ): ?int {
        if ($system === GrowingSystem::Cloner) {
            return null;
        }
        $carries = static function (CropMix $mix) use ($density, $system, $topUps, $climate, $workingLitres, $usableLitres): bool {
            if ($system !== GrowingSystem::Passive) {
                return $mix->litresWanted() * $density->litresShare() <= $workingLitres + self::ROUNDING;
            }
            $use = $mix->waterUse($climate);
            $share = $topUps->passiveShare();

            return $use === null || ($share === null
                ? $use->toHarvest * self::PASSIVE_RESERVE <= $usableLitres + self::ROUNDING
                : self::PASSIVE_DAYS * $use->peakDaily() <= $share * $usableLitres + self::ROUNDING);
        };
        for ($plants = 0; $plants < self::MOST_PLANTS && $carries(CropMix::inProportion($wishes, $density, $plants + 1)); $plants++);

        return $plants;
    }

    /** The water that $plants of a crop drink under a school of density and a climate. */
    public static function waterUse(Crop $crop, Density $density, float $climate, int $plants): WaterUse
    {
        $harvest = $crop->daysWithin() + $crop->daysTransplantToHarvest * $density->daysShare();

        return new WaterUse(
            $plants * $crop->waterToHarvestL * $climate * $density->useShare(),
            $harvest,
            $harvest + ($crop->repeats ? $crop->daysHarvestLasts : 0),
            $crop->daysWithin(),
        );
    }
}
