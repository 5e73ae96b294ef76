<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** How plants look on a day, for those who draw them. */
enum Looks: string
{
    case Well = 'well';

    /** Pale and small: much of the day was lost to them. */
    case Pale = 'pale';

    /** Hanging: next to nothing of the day was left. */
    case Wilting = 'wilting';

    case Dead = 'dead';

    /** Of a day under this share plants look pale, and under this they hang †. */
    private const PALE_UNDER = 0.75;

    private const WILTING_UNDER = 0.3;

    /** @param  SeasonDay|null  $before  the day before, where there was one: roots that were dry then are dead */
    public static function of(SeasonDay $day, ?SeasonDay $before): self
    {
        $living = array_filter($day->after->died, static fn (?int $died): bool => $died === null);
        $fare = $day->fare();

        return match (true) {
            $living === [], $day->after->isDry() && $before !== null && $before->after->isDry() => self::Dead,
            $fare === null || $fare >= self::PALE_UNDER => self::Well,
            $fare < self::WILTING_UNDER => self::Wilting,
            default => self::Pale,
        };
    }
}
