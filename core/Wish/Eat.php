<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\CropGroup;
use stdClass;

/** One thing that somebody would like to eat: a crop, or some of a group, and how much. */
final readonly class Eat
{
    public function __construct(public ?string $crop, public ?CropGroup $group, public Amount $as, public float $amount)
    {
    }

    /** Where no amount was said: † a head a week of what is eaten as heads, three pots of herbs, one plant of what fruits. */
    public static function fromDocument(stdClass $raw, CropGroup $group): self
    {
        foreach (Amount::cases() as $as) {
            if (isset($raw->{$as->value})) {
                return new self($raw->crop ?? null, $group, $as, (float) $raw->{$as->value});
            }
        }
        [$as, $amount] = match ($group) {
            CropGroup::Leaf, CropGroup::Root => [Amount::Heads, 1.0],
            CropGroup::Herb => [Amount::Plants, 3.0],
            default => [Amount::Plants, 1.0],
        };

        return new self($raw->crop ?? null, $group, $as, isset($raw->crop) && $group === CropGroup::Herb ? 1.0 : $amount);
    }
}
