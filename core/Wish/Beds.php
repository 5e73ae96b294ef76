<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\CropGroup;

/** The ways in which portions are put into tubs: where there are several that get on, those in one; and each by itself. */
final class Beds
{
    /**
     * @param  non-empty-list<Portion>  $portions
     * @return non-empty-list<non-empty-list<Bed>>
     */
    public static function ways(array $portions): array
    {
        $ways = [];
        $low = array_values(array_filter($portions, static fn (Portion $p): bool => $p->crop->group !== CropGroup::Fruit));
        if (count($low) > 1 && self::getOn($low)) {
            $others = array_filter($portions, static fn (Portion $p): bool => $p->crop->group === CropGroup::Fruit);
            $ways[] = [new Bed($low), ...array_values(array_map(static fn (Portion $p): Bed => new Bed([$p]), $others))];
        }

        $ways[] = array_map(static fn (Portion $p): Bed => new Bed([$p]), $portions);

        return $ways;
    }

    /**
     * Whether there is a strength of feed, a pH and a warmth of the water that all of them like.
     *
     * @param  non-empty-list<Portion>  $portions
     */
    public static function getOn(array $portions): bool
    {
        $most = static fn (string $of): float => max(array_map(static fn (Portion $p): float => $p->crop->{$of}, $portions));
        $least = static fn (string $of): float => min(array_map(static fn (Portion $p): float => $p->crop->{$of}, $portions));

        return $most('ecLow') <= $least('ecHigh')
            && $most('phLow') <= $least('phHigh')
            && $most('waterTempLowC') <= $least('waterTempHighC');
    }
}
