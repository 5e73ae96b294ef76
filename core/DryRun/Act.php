<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

/** What a grower may do at a tub, and how long that takes. Source: handbook, log (Dry run, decisions); minutes are estimates †. */
enum Act: string
{
    case TopUp = 'top-up';
    case Change = 'change';
    case Strengthen = 'strengthen';
    case Ph = 'ph';
    case Valve = 'valve';
    case CleanStone = 'clean-stone';
    case RestartPump = 'restart-pump';
    case Cover = 'cover';
    case Cool = 'cool';
    case WetPlugs = 'wet-plugs';
    case TrimRoots = 'trim-roots';
    case Pick = 'pick';
    case Look = 'look';
    case Away = 'away';

    public function minutes(): int
    {
        return match ($this) {
            self::Change => 25,
            self::CleanStone, self::RestartPump => 15,
            self::TopUp, self::Strengthen, self::Cover, self::Pick, self::TrimRoots => 5,
            self::Ph, self::Cool => 4,
            self::WetPlugs => 2,
            self::Valve, self::Look => 1,
            self::Away => 0,
        };
    }

    /**
     * What may be done at a tub.
     *
     * @return list<self>
     */
    public static function at(bool $bubbles, bool $feeds): array
    {
        return array_values(array_filter(self::cases(), static fn (self $act): bool => match ($act) {
            self::Valve, self::CleanStone, self::RestartPump => $bubbles,
            self::Strengthen => $feeds,
            default => true,
        }));
    }

    /** What to do, said to somebody. */
    public function asAdvice(): string
    {
        return match ($this) {
            self::Valve => 'open the valve',
            self::CleanStone => 'clean the stone',
            self::RestartPump => 'see to the pump',
            self::Cover => 'cover it against light',
            default => $this->value,
        };
    }

    /**
     * Which figures a decision of it has, with the least and the most of each; those with `?` may be absent.
     *
     * @return array<string, array{float, float}>
     */
    public function figures(): array
    {
        return match ($this) {
            self::TopUp => ['litres' => [0.01, 1000.0], 'ec_ms_cm?' => [0.0, 10.0]],
            self::Strengthen => ['ec_ms_cm?' => [0.1, 10.0]],
            self::Ph => ['ph' => [4.0, 9.0]],
            self::Away => ['days' => [1.0, 60.0]],
            default => [],
        };
    }
}
