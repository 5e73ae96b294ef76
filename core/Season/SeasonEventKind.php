<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

/** What may happen in a season. Source: handbook, season (what-ifs). */
enum SeasonEventKind: string
{
    case Heat = 'heat';
    case Away = 'away';
    case PowerCut = 'power-cut';
    case MissedChange = 'missed-change';
    case Cloudy = 'cloudy';
    case HotRoom = 'hot-room';
    case WindDown = 'wind-down';

    /** What it is taken for where nothing is said: °C warmer, hours, hours of light, share of the pump's flow. */
    public function usualAmount(): float
    {
        return match ($this) {
            self::Heat => 8.0,
            self::HotRoom => 5.0,
            self::PowerCut => 4.0,
            self::Cloudy => 8.0,
            self::WindDown => 0.5,
            default => 0.0,
        };
    }

    /** @return array{float, float} the least and the most that it may be */
    public function range(): array
    {
        return match ($this) {
            self::Heat, self::HotRoom => [-20.0, 20.0],
            self::PowerCut => [0.0, 240.0],
            self::Cloudy => [0.0, 24.0],
            self::WindDown => [0.0, 1.0],
            default => [0.0, 0.0],
        };
    }
}
