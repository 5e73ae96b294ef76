<?php

declare(strict_types=1);

namespace KelpTub\Core\Days;

use KelpTub\Core\Crop\CropShare;

/** A planting with the cups that it has, and the days from and to which it stands in the tub. */
final readonly class Growing
{
    /**
     * @param  CropShare  $share  its crop and how many plants of it
     * @param  list<int>  $cups  numbers of its holes, from 1 on
     * @param  int|null  $to  the day on which it is taken out; null where it stays to its last harvest
     */
    public function __construct(public Planting $planting, public CropShare $share, public array $cups, public ?int $to)
    {
    }

    public function from(): int
    {
        return $this->planting->setIn;
    }

    public function isOn(int $day): bool
    {
        return $day >= $this->from() && ($this->to === null || $day < $this->to);
    }
}
