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

    private const STRICT_TARGET = 5.65;

    /**
     * The window to stay in and the pH to aim at: 5.8 drawn into the window, 5.65 where it is strict; null where it is not looked at.
     *
     * @param  array{float, float}|null  $window  of the crops
     * @return array{low: float, high: float, target: float}|null
     */
    public function aim(?array $window): ?array
    {
        if ($this === self::None) {
            return null;
        }
        if ($this === self::Strict) {
            return ['low' => self::STRICT[0], 'high' => self::STRICT[1], 'target' => self::STRICT_TARGET];
        }
        [$low, $high] = $window ?? [self::DEFAULT_LOW, self::DEFAULT_HIGH];

        return ['low' => $low, 'high' => $high, 'target' => max($low, min($high, self::TARGET))];
    }
}
