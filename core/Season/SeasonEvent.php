<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use InvalidArgumentException;

/** Something that happens from a day on, for so many days: `heat@20x3+8` is three days 8 °C warmer from day 20. */
final readonly class SeasonEvent
{
    public const MOST = 20;

    private const HOURS_A_DAY = 24;

    private const FORM = '/^([a-z-]+?)(?:@(\d{1,4}))?(?:x(\d{1,4}))?(?:\+?([+-]?\d+(?:\.\d+)?))?$/';

    public function __construct(public SeasonEventKind $kind, public int $from, public int $days, public float $amount)
    {
    }

    /** Hours without power by the end of a day, of a cut that began on another; 0 when it is over. A long one goes on over days. */
    public static function hoursCut(float $hours, int $from, int $day): float
    {
        $before = ($day - $from) * self::HOURS_A_DAY;

        return $before < 0 || $before >= $hours ? 0.0 : min($hours, $before + self::HOURS_A_DAY);
    }

    /**
     * As it is written on the command line: its kind, `@` the day, `x` for how many days (of a power cut: hours), `+` by how much.
     *
     * @throws InvalidArgumentException when it is no such thing, or comes after the last harvest
     */
    public static function read(string $text, float $lastDay): self
    {
        $kinds = implode(', ', array_column(SeasonEventKind::cases(), 'value'));
        $kind = preg_match(self::FORM, trim($text), $m) === 1 ? SeasonEventKind::tryFrom($m[1]) : null;
        if ($kind === null) {
            throw new InvalidArgumentException("\"$text\" is no what-if; write one like heat@20x3+8, of $kinds");
        }
        $from = ($m[2] ?? '') === '' ? 0 : (int) $m[2];
        $times = ($m[3] ?? '') === '' ? null : (int) $m[3];
        $amount = ($m[4] ?? '') === '' ? null : (float) $m[4];
        $lasts = in_array($kind, [SeasonEventKind::HotRoom, SeasonEventKind::WindDown], true) ? (int) ceil($lastDay) : 1;

        return self::of(
            $kind,
            $from,
            $kind === SeasonEventKind::PowerCut ? 1 : $times ?? $lasts,
            $amount ?? ($kind === SeasonEventKind::PowerCut && $times !== null ? (float) $times : $kind->usualAmount()),
            $lastDay,
        );
    }

    /** @throws InvalidArgumentException when it is out of range, or after the last harvest */
    public static function of(SeasonEventKind $kind, int $from, int $days, float $amount, float $lastDay): self
    {
        if ($from < 0 || $from >= $lastDay) {
            throw new InvalidArgumentException(
                sprintf(
                    '%s comes on day %d, and the last harvest is on day %s; days count from 0',
                    $kind->value,
                    $from,
                    round($lastDay, 2),
                ),
            );
        }
        if ($days < 1) {
            throw new InvalidArgumentException(sprintf('%s lasts %d days; it lasts 1 or more', $kind->value, $days));
        }
        [$least, $most] = $kind->range();
        if ($amount < $least || $amount > $most) {
            throw new InvalidArgumentException(sprintf('%s of %s; it may be from %s to %s', $kind->value, $amount, $least, $most));
        }

        return new self($kind, $from, $days, $amount);
    }

    public function isOn(int $day): bool
    {
        return $day >= $this->from && $day < $this->from + $this->days;
    }
}
