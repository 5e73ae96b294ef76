<?php

declare(strict_types=1);

namespace KelpTub\Core\Lid;

/** A question about a lid whose answer will always be the same: what answers are remembered by. Distances in mm, to the last digit. */
final readonly class LayoutQuestion
{
    private function __construct(public LayoutSpace $space, public string $text)
    {
    }

    /** How many cups of a pattern stand at least so far apart, up to a cap? */
    public static function most(LayoutSpace $space, PatternKind $kind, float $distance, int $cap): self
    {
        return new self($space, "most $kind->value ".self::exact($distance)." $cap");
    }

    /** Where do so many cups go by the best regular pattern, at least so far apart? */
    public static function regular(LayoutSpace $space, int $count, float $distance): self
    {
        return new self($space, "regular $count ".self::exact($distance));
    }

    /** Where do so many cups go as far apart as they can be? */
    public static function spread(LayoutSpace $space, int $count): self
    {
        return new self($space, "spread $count");
    }

    /** Where do so many cups go at least so far apart, no matter how much farther? */
    public static function enough(LayoutSpace $space, int $count, float $distance): self
    {
        return new self($space, "enough $count ".self::exact($distance));
    }

    /**
     * How many plants of several crops fit? Known by all that it depends on.
     *
     * @param  array<mixed>  $facts
     */
    public static function mixed(LayoutSpace $space, array $facts): self
    {
        return new self($space, 'mixed '.hash('xxh128', serialize($facts)));
    }

    private static function exact(float $distance): string
    {
        return var_export($distance, true);
    }
}
