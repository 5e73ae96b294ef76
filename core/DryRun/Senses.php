<?php

declare(strict_types=1);

namespace KelpTub\Core\DryRun;

use KelpTub\Core\Log\SignDiagnosis;
use KelpTub\Core\Season\Looks;
use KelpTub\Core\Season\SeasonDay;
use KelpTub\Core\Season\SeasonRun;
use Random\Engine\Mt19937;
use Random\Randomizer;
use stdClass;

/**
 * What a grower reads of a tub in the evening, with the errors of what they own: a stick, a drop test, a meter, a thermometer, and eyes. It
 * tells nothing that is hidden. Source: handbook, log (Dry run); errors are estimates †.
 */
final readonly class Senses
{
    /** † A stick in the water is read to within, mm. */
    private const STICK_MM = 3;

    /** Drops show half a unit of pH, and are read to within. */
    private const DROPS = 0.5;

    /** † A meter is off by so many hundredths of mS/cm, and of pH; drops by so many of pH. */
    private const METER_HUNDREDTHS = 5;

    private const DROPS_HUNDREDTHS = 25;

    /** Air under this share of what was designed shows as few bubbles. */
    private const FEW_BUBBLES = 0.8;

    /** † water that is stronger than liked by what shows in leaves burns tips on so many evenings on end. */
    private const BURNS_DAYS = 2;

    private const SEEDS = 2 ** 32;

    /** From the stream of one day to that of the next. */
    private const A_DAY_ON = 104_729;

    /** @param  bool  $meter  whether the grower owns one; else pH is told by drops where it is tested at all */
    public function __construct(private Luck $luck, private bool $meter)
    {
    }

    /** @param  array<string, int>  $until  the day on which each kind of mishap was put right */
    public function of(SeasonRun $run, int $index, array $until): stdClass
    {
        $day = $run->days[$index];
        $chance = new Randomizer(new Mt19937(($this->luck->seed + self::A_DAY_ON * ($day->day + 1)) % self::SEEDS));
        $stick = $chance->getInt(-self::STICK_MM, self::STICK_MM);
        $ec = $chance->getInt(-self::METER_HUNDREDTHS, self::METER_HUNDREDTHS) / 100;
        $ph = $chance->getInt(-self::DROPS_HUNDREDTHS, self::DROPS_HUNDREDTHS) / 100;
        $is = $day->after->ph;

        return (object) [
            'level_mm' => $day->after->isDry() ? 0 : max(0, (int) round($day->level) + $stick),
            'bubbles' => $this->bubbles($run, $day, $until),
            'leaves' => $run->looks($index)->value,
            'green' => $this->isGreen($day->day, $until),
            'tips' => self::areBurnt($run, $index),
            'missing' => $this->missing($day->day),
            'ph' => match (true) {
                $is === null => null,
                $this->meter => round($is + $ph * self::METER_HUNDREDTHS / self::DROPS_HUNDREDTHS, 2),
                default => round(($is + $ph) / self::DROPS) * self::DROPS,
            },
            'ec_ms_cm' => $this->meter && $day->ec() !== null ? max(0.0, round($day->ec() + $ec, 2)) : null,
            'water_c' => round($day->water()),
            'dead' => $run->looks($index) === Looks::Dead,
        ];
    }

    /** @param  array<string, int>  $until */
    private function bubbles(SeasonRun $run, SeasonDay $day, array $until): ?string
    {
        if ($run->tub->breath === null) {
            return null;
        }
        $air = 1.0;
        foreach ($this->luck->mishaps as $mishap) {
            $air *= match (true) {
                ! $mishap->goesOn($day->day, $until) => 1.0,
                $mishap->kind === MishapKind::PowerCut => $run->tub->breath->hoursStill($mishap->hoursBy($day->day)) > 0.0 ? 0.0 : 1.0,
                $mishap->kind === MishapKind::ValveShut => 0.0,
                in_array($mishap->kind, [MishapKind::Diaphragm, MishapKind::CloggedStone], true) => $mishap->amount,
                default => 1.0,
            };
        }

        return match (true) {
            $air <= 0.0 => 'none',
            $air < self::FEW_BUBBLES => 'few',
            default => 'many',
        };
    }

    /** Whether water that is too strong for what lives in it has burnt the tips of leaves: it shows after some evenings of it. */
    private static function areBurnt(SeasonRun $run, int $index): bool
    {
        for ($day = $index; $day > $index - self::BURNS_DAYS; $day--) {
            $ec = $day < 0 ? null : $run->days[$day]->ec();
            if ($ec === null || $ec <= self::likedEc($run, $day) + SignDiagnosis::EC_SHOWS) {
                return false;
            }
        }

        return true;
    }

    /** The strongest water that all that lives in it like. */
    private static function likedEc(SeasonRun $run, int $day): float
    {
        $liked = INF;
        foreach ($run->tub->stands as $i => $stand) {
            $liked = $run->days[$day]->after->died[$i] === null ? min($liked, $stand->crop->ecHigh) : $liked;
        }

        return $liked;
    }

    /** How many seeds have not come up, once it is plain that they will not. */
    private function missing(int $day): int
    {
        foreach ($this->luck->mishaps as $mishap) {
            if ($mishap->kind === MishapKind::NotUp && $day >= (int) $mishap->shownOn()) {
                return (int) $mishap->amount;
            }
        }

        return 0;
    }

    /** @param  array<string, int>  $until */
    private function isGreen(int $day, array $until): bool
    {
        foreach ($this->luck->mishaps as $mishap) {
            if ($mishap->kind === MishapKind::LightLeak && $day >= (int) $mishap->shownOn() && $mishap->goesOn($day, $until)) {
                return true;
            }
        }

        return false;
    }
}
