<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Cup\GrowingSystem;

/** What may go wrong in a season that is lived through. Source: handbook, log (Dry run). */
enum MishapKind: string
{
    case HeatWave = 'heat-wave';
    case PowerCut = 'power-cut';
    case ValveShut = 'valve-shut';
    case Diaphragm = 'diaphragm-worn';
    case CloggedStone = 'clogged-stone';
    case LightLeak = 'light-leak';
    case Brim = 'filled-to-brim';
    case Unrinsed = 'unrinsed-medium';
    case Visitor = 'visitor-feeds';
    case MissedWeek = 'missed-week';
    case NotUp = 'not-up';

    /** † Seeds that are not up by then will not come, days. */
    private const SEEDS_DAYS = 12;

    /**
     * @param  bool  $isSown  whether several seeds of a crop are sown in it
     * @return list<self> those that may come to a tub
     */
    public static function of(GrowingSystem $system, bool $bubbles, bool $isSown): array
    {
        return array_values(array_filter(self::cases(), static fn (self $kind): bool => match ($kind) {
            self::PowerCut, self::ValveShut, self::Diaphragm, self::CloggedStone => $bubbles,
            self::Brim => $system === GrowingSystem::Passive,
            self::NotUp => $isSown,
            default => true,
        }));
    }

    /** What puts it right; null of what passes by itself, or cannot be undone. */
    public function remedy(): ?Act
    {
        return match ($this) {
            self::ValveShut => Act::Valve,
            self::Diaphragm => Act::RestartPump,
            self::CloggedStone => Act::CleanStone,
            self::LightLeak => Act::Cover,
            default => null,
        };
    }

    /** Whether it goes on until it is put right, and does not pass by itself. */
    public function lasts(): bool
    {
        return $this->remedy() !== null;
    }

    /** On which of its days eyes alone tell it, 0 for the first; null where only what is read does. */
    public function shownAfter(): ?int
    {
        return match ($this) {
            self::LightLeak => 5,
            self::NotUp => self::SEEDS_DAYS,
            self::Unrinsed, self::Visitor => null,
            default => 0,
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::HeatWave => 'a heat wave',
            self::PowerCut => 'a power cut',
            self::ValveShut => 'a valve knocked shut',
            self::Diaphragm => 'a worn diaphragm in the pump',
            self::CloggedStone => 'a clogged stone',
            self::LightLeak => 'light on the water',
            self::Brim => 'a visitor who filled it to the brim',
            self::Unrinsed => 'pebbles that were not rinsed',
            self::Visitor => 'a visitor who fed it too',
            self::MissedWeek => 'a week in which nobody came',
            self::NotUp => 'seed that did not come up',
        };
    }
}
