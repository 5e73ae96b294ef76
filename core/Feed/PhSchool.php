<?php

declare(strict_types=1);

namespace KelpTub\Core\Feed;

/** How the pH is held: in the crop's window, strictly for roots wholly under water, or not looked at. */
enum PhSchool: string
{
    case Window = 'window';
    case Strict = 'strict';
    case None = 'none';

    /** Window without a crop. */
    public const DEFAULT_LOW = 5.5;

    public const DEFAULT_HIGH = 6.5;

    private const TARGET = 5.8;

    private const STRICT = [5.5, 5.8];

    /**
     * The window to stay in and the pH to aim at: 5.8 drawn into the window; null where it is not looked at.
     *
     * @param  array{float, float}|null  $window  of the crops
     * @return array{low: float, high: float, target: float}|null
     */
    public function aim(?array $window): ?array
    {
        if ($this === self::None) {
            return null;
        }
        [$low, $high] = $this === self::Strict ? self::STRICT : ($window ?? [self::DEFAULT_LOW, self::DEFAULT_HIGH]);

        return ['low' => $low, 'high' => $high, 'target' => max($low, min($high, self::TARGET))];
    }
}
