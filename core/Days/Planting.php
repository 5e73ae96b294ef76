<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\StartedFrom;

/** One crop really grown in a copy of a tub, from sowing to clearing. Days as `Dates` counts them. */
final readonly class Planting
{
    /**
     * @param  int  $index  its place in the garden's list
     * @param  Crop  $crop  started as this planting is
     * @param  list<int>|null  $cups  numbers of its holes, from 1 on; null for all of its crop that no other planting stands in
     * @param  int|null  $sown  null of what is bought, or cut
     * @param  int  $setIn  the day on which it comes into the tub: as seed, in its plug, or as a young plant
     * @param  bool  $isSetInGiven  whether the grower gave that day, or it follows from that of sowing
     * @param  int|null  $cleared  the day on which it was taken out, or is to be
     */
    public function __construct(
        public int $index,
        public string $id,
        public string $tub,
        public int $copy,
        public Crop $crop,
        public ?array $cups,
        public ?int $sown,
        public int $setIn,
        public bool $isSetInGiven,
        public ?int $cleared,
        public string $note = '',
    ) {
    }

    public function pointer(): string
    {
        return "/plantings/$this->index";
    }

    /** The day on which the grower begins with it. */
    public function begins(): int
    {
        return min($this->sown ?? $this->setIn, $this->setIn);
    }

    /** Whether it comes into the tub as seed. */
    public function isSownInTub(): bool
    {
        return $this->crop->started === StartedFrom::Seed && $this->crop->group !== CropGroup::Cutting;
    }

    /** Whether it is raised before it comes into the tub. */
    public function isRaised(): bool
    {
        return $this->sown !== null && ! $this->isSownInTub();
    }

    /** The day on which its seedlings are up; null of what is not sown. */
    public function sprouts(): ?int
    {
        return $this->sown === null ? null : $this->sown + $this->crop->daysGerminate;
    }
}
