<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/**
 * The EC that a tub is fed to on a day from transplanting, mS/cm.
 *
 * Before sprouting plain water; under 0.15 of the way to the first harvest half of the crops' middle; then their middle; from 0.6 of it
 * the upper figure for fruiting crops. A passive tub that is filled once gets 0.75 of the middle, since it concentrates.
 * Source: handbook, season (target by stage).
 */
final readonly class Target
{
    private const SEEDLING_SHARE = 0.5;

    private const ONE_FILL_SHARE = 0.75;

    private const ROUNDING_DAYS = 1.0e-9;

    /**
     * @param  float  $middle  of where the crops' windows meet
     * @param  float|null  $upper  of it, where a crop bears fruit
     * @param  float  $plain  EC of the water alone
     * @param  float  $sprouts  day on which seeds in the tub have sprouted; 0 without seeds
     * @param  float  $firstDay  day from which growth counts
     * @param  float  $harvestDay  of the first harvest of all
     */
    public function __construct(
        private float $middle,
        private ?float $upper,
        private float $plain,
        private float $sprouts,
        private float $firstDay,
        private float $harvestDay,
        private bool $filledOnce,
    ) {
    }

    public function stageOn(float $day): Stage
    {
        $x = ($day - $this->firstDay) / max(1.0e-9, $this->harvestDay - $this->firstDay);

        return match (true) {
            $day < $this->sprouts => Stage::Sprouting,
            $x < Stage::SEEDLING_TO => Stage::Seedling,
            $this->upper !== null && $x >= Stage::BLOOM_FROM => Stage::Bloom,
            default => Stage::Grow,
        };
    }

    public function on(float $day): float
    {
        if ($this->filledOnce) {
            return self::ONE_FILL_SHARE * $this->middle;
        }

        return match ($this->stageOn($day)) {
            Stage::Sprouting => $this->plain,
            Stage::Seedling => self::SEEDLING_SHARE * $this->middle,
            Stage::Bloom => $this->upper ?? $this->middle,
            Stage::Grow => $this->middle,
        };
    }

    /**
     * The first whole day of each stage, or of what would be one, in their order.
     *
     * @return list<int>
     */
    public function turns(): array
    {
        $growing = $this->harvestDay - $this->firstDay;
        $days = [0.0, $this->sprouts, $this->grownFrom(), max($this->sprouts, $this->firstDay + Stage::BLOOM_FROM * $growing)];

        return array_map(static fn (float $day): int => (int) ceil($day - self::ROUNDING_DAYS), $days);
    }

    /** The first day on which plants are fed as grown ones. */
    public function grownFrom(): float
    {
        return max($this->sprouts, $this->firstDay + Stage::SEEDLING_TO * ($this->harvestDay - $this->firstDay));
    }
}
