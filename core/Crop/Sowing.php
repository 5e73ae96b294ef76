<?php

declare(strict_types=1);

namespace KelpTub\Core\Crop;

use stdClass;

/**
 * How a crop is raised from seed, from the crop table: seeds to a plug, warmth in which they come up (°C), light or dark, and how many are
 * left to stand. What a crop of one's own does not give is that of its group †.
 */
final readonly class Sowing
{
    public function __construct(
        public int $seeds,
        public float $lowC,
        public float $highC,
        public Sprouting $in,
        public int $thinTo,
    ) {
    }

    /** Of a row with the crop table's columns; null of cuttings, which are not sown. */
    public static function fromRow(stdClass $row, CropGroup $group): ?self
    {
        $usual = self::ofGroup($group);

        return $usual === null ? null : new self(
            (int) ($row->seeds_per_plug ?? $usual->seeds),
            (float) ($row->germinate_low_c ?? $usual->lowC),
            (float) ($row->germinate_high_c ?? $usual->highC),
            Sprouting::tryFrom($row->germinate_in ?? '') ?? $usual->in,
            (int) ($row->thin_to ?? $usual->thinTo),
        );
    }

    /** How many stay in a plug. */
    public function stays(): int
    {
        return min($this->thinTo, $this->seeds);
    }

    /** Whether more come up than are to stay. */
    public function isThinned(): bool
    {
        return $this->thinTo < $this->seeds;
    }

    /** † the usual of a group: the middle of the crop table. */
    private static function ofGroup(CropGroup $group): ?self
    {
        return match ($group) {
            CropGroup::Leaf => new self(2, 10.0, 23.0, Sprouting::Either, 1),
            CropGroup::Herb => new self(4, 16.0, 23.0, Sprouting::Light, 2),
            CropGroup::Root => new self(2, 12.0, 24.0, Sprouting::Dark, 1),
            CropGroup::Flower => new self(2, 14.0, 20.0, Sprouting::Dark, 1),
            CropGroup::Fruit => new self(2, 19.0, 28.0, Sprouting::Dark, 1),
            CropGroup::Cutting => null,
        };
    }
}
