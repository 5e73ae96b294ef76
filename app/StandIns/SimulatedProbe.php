<?php

declare(strict_types=1);

namespace App\StandIns;

use KelpTub\Core\Numbers\Dates;

/**
 * What a made-up probe shows in made-up water: a little noise, and one bad habit, by the name that it is asked under. The same moment is
 * shown alike, however often it is asked for.
 */
final readonly class SimulatedProbe
{
    /** Names that it answers to; the last does not answer for most of the day. */
    public const NAMES = ['steady', 'drifting', 'worn', 'stuck', 'jumpy', 'silent'];

    private const NOISE = ['level_mm' => 0.6, 'ec_ms_cm' => 0.012, 'ph' => 0.025, 'water_c' => 0.1];

    private const DRIFT_A_WEEK = 0.1;

    /** What a worn electrode shows of each pH above and below 7. */
    private const WORN = 0.82;

    private const JUMP = 1.8;

    /** From this minute of the day on. */
    private const SILENT_FROM = 480;

    /** What one shows that sticks, whatever it is held into. */
    private const STUCK = ['ph' => 6.2, 'ec_ms_cm' => 1.4];

    public function __construct(private string $name)
    {
    }

    /** @param  float  $time  in days, as `Dates` counts */
    public function isSilent(float $time): bool
    {
        $minute = (int) round(($time - floor($time)) * Dates::MINUTES_A_DAY);

        return $this->name === 'silent' && $minute >= self::SILENT_FROM;
    }

    /**
     * @param  array<string, float|null>  $water  what is so, by `level_mm`, `ec_ms_cm`, `ph`, `water_c`
     * @param  float  $since  when it was put in, in days: from then on it drifts
     * @return array<string, float> what it shows
     */
    public function shows(array $water, float $time, float $since): array
    {
        $shown = [];
        foreach (array_filter($water, is_float(...)) as $what => $is) {
            $value = match (true) {
                $this->name === 'drifting' && $what === 'ph' => $is + self::DRIFT_A_WEEK * max(0.0, $time - $since) / 7,
                $this->name === 'worn' && $what === 'ph' => 7.0 + self::WORN * ($is - 7.0),
                $this->name === 'jumpy' && $what === 'ph' && (int) floor($time * 24) % 7 === 0 => $is + self::JUMP,
                default => $is,
            };
            $isStuck = $this->name === 'stuck' && isset(self::STUCK[$what]);
            // It does not even tremble, until somebody looks after it the next day.
            [$value, $moment] = $isStuck ? [self::STUCK[$what], floor($time)] : [$value, $time];
            $shown[$what] = round(max(0.0, $value + self::NOISE[$what] * self::noise($what, $moment)), 3);
        }

        return $shown;
    }

    /** From -1 to 1, by the minute. */
    private static function noise(string $what, float $time): float
    {
        return crc32($what.(int) round($time * Dates::MINUTES_A_DAY)) / 0x7FFFFFFF - 1.0;
    }
}
