<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\Climate;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Feed\Dose;

/**
 * A season simulated day by day: a pure function of one tub's plan, its feed, a policy, a weather and what-ifs.
 *
 * Each day: the water's warmth, what the plants drink and eat, rain in the open, and in the evening what the policy brings: a change when
 * it is due, else a top-up when its trigger is met. Water and salt close on every day. Source: handbook, season.
 */
final readonly class Season
{
    /** † share of the rain on a lid that gets in. */
    private const RAIN_IN = 0.08;

    private const ROUNDING_L = 1.0e-9;

    /**
     * @param  list<WhatIf>  $whatIfs
     * @param  float  $drinks  times what the crops' figures say; 0.75 to 1.25 is the range of the estimate
     * @param  float  $eats  the same of salts
     * @param  bool  $inSun  whether the site stands in full sun
     */
    public function __construct(
        private SeasonTub $tub,
        private Weather $weather,
        private bool $inSun,
        private array $whatIfs = [],
        private float $drinks = 1.0,
        private float $eats = 1.0,
    ) {
    }

    public function run(): SeasonRun
    {
        $tub = $this->tub;
        $policy = $tub->policy;
        $days = $doses = [];
        $startEc = $tub->mixing->ecOn(0.0);
        $volume = $tub->fill;
        $salt = $startEc === null ? null : $startEc * $volume;
        $water = $tub->warmth->start;
        $doses = $tub->mixing->doses($tub->fill, 0.0);
        $drunk = array_map(static fn ($draw): float => $draw->until(0.0), $tub->draws);
        [$changed, $sinceChange, $missed] = [0, 0.0, []];
        $dry = $volume <= 0.0;
        $poured = $tub->fill;
        $even = $this->whatIfs === [] && $this->weather->isSteady() ? $this->weather->on(0) : null;
        $same = $even === null ? 1.0 : $this->climateOf($even) / $tub->climate;
        for ($day = 0, $last = $tub->days(); $day < $last; $day++) {
            [$weather, $warmer, $away] = $even === null ? $this->dayOf($day) : [$even, 0.0, false];
            $water = $tub->warmth->after($water, $weather->air, $volume, $warmer);
            $wants = $eaten = 0.0;
            $ratio = ($even === null ? $this->climateOf($weather) / $tub->climate : $same) * $this->drinks;
            foreach ($tub->draws as $i => $draw) {
                $until = $draw->until($day + 1.0);
                $litres = $until - $drunk[$i];
                $drunk[$i] = $until;
                $wants += $litres * $ratio;
                $eaten += $draw->middleEc * $litres / $tub->climate * $this->eats;
            }
            if ($dry) {
                $days[] = new SeasonDay($day, 0.0, $salt === null ? null : 0.0, 0.0, 0.0, 0.0, null, false, 0.0, $salt, $water);

                continue;
            }
            $use = min($volume, $wants);
            $uptake = $salt === null ? null : min($salt, $eaten);
            $volume -= $use;
            $salt = $salt === null ? null : $salt - $uptake;
            $dry = $volume <= 0.0;
            $rain = $spill = 0.0;
            if (! $dry && $tub->lidArea !== null && $weather->rain > 0.0) {
                $rain = self::RAIN_IN * $weather->rain * $tub->lidArea;
                $volume += $rain;
                $spill = max(0.0, $volume - $tub->brim);
                $salt = $salt === null ? null : $salt * (1 - $spill / $volume);
                $volume -= $spill;
            }
            $topUp = 0.0;
            $topUpEc = null;
            $change = false;
            if (! $dry && ! $away) {
                $evening = $day + 1.0;
                $due = $policy->change === ChangeSchool::ByVolume
                    ? $sinceChange >= $tub->fill - self::ROUNDING_L
                    : $policy->change->days() !== null && $day + 1 - $changed >= $policy->change->days();
                if ($due && $this->isMissed($day, $missed)) {
                    [$due, $changed, $sinceChange] = [false, $day + 1, 0.0];
                }
                if ($due) {
                    $change = true;
                    [$changed, $sinceChange, $volume] = [$day + 1, 0.0, $tub->fill];
                    $ec = $tub->mixing->ecOn($evening);
                    $salt = $ec === null ? null : $ec * $volume;
                    $doses = Dose::sum($doses, $tub->mixing->doses($volume, $evening));
                    $poured += $volume;
                } else {
                    $topUp = $this->topUp($day, $volume);
                }
                if ($topUp > 0.0) {
                    $full = $tub->mixing->ecOn($evening);
                    $share = $policy->strength->share();
                    $source = $tub->mixing->source;
                    $topUpEc = $share === 0.0 ? $source : ($full === null ? null : $source + $share * ($full - $source));
                    $salt = $salt === null || $topUpEc === null ? null : $salt + $topUpEc * $topUp;
                    $volume += $topUp;
                    $sinceChange += $topUp;
                    $poured += $topUp;
                    $doses = Dose::sum($doses, $tub->mixing->doses($topUp, $evening, $share));
                }
            }
            $days[] = new SeasonDay($day, $use, $uptake, $rain, $spill, $topUp, $topUpEc, $change, $volume, $salt, $water);
        }

        return new SeasonRun($tub, $startEc, $days, $doses, $poured, $this->whatIfs);
    }

    /** What is poured in on an evening, litres. */
    private function topUp(int $day, float $volume): float
    {
        $tub = $this->tub;
        $policy = $tub->policy;
        $litres = 0.0;
        $gone = $tub->fill - $volume;
        if (
            $policy->topUps !== TopUps::None && $tub->usable > 0.0
            && $gone >= $policy->topUps->usedShare() * $tub->usable - self::ROUNDING_L
        ) {
            $litres = match ($policy->topUps) {
                TopUps::Quarter => min($gone, $tub->fill / 4),
                TopUps::Half => min($gone, $tub->fill / 2),
                default => $gone,
            };
        }
        foreach ($policy->planned as $planned) {
            if ((int) floor($planned->day) === $day) {
                $litres += $planned->litres;
            }
        }

        return max(0.0, min($litres, $tub->brim - $volume));
    }

    /**
     * The weather with what happens in it, how much warmer that is, and whether nobody is there.
     *
     * @return array{WeatherDay, float, bool}
     */
    private function dayOf(int $day): array
    {
        $weather = $this->weather->on($day);
        if ($this->whatIfs === []) {
            return [$weather, 0.0, false];
        }
        $warmer = 0.0;
        $light = null;
        $away = false;
        foreach ($this->whatIfs as $event) {
            if (! $event->isOn($day)) {
                continue;
            }
            match ($event->kind) {
                WhatIfKind::Heat, WhatIfKind::HotRoom => $warmer += $event->amount,
                WhatIfKind::Cloudy => $light = $event->amount,
                WhatIfKind::Away => $away = true,
                default => null,
            };
        }

        return [$weather->changed($warmer, $light), $warmer, $away];
    }

    private function climateOf(WeatherDay $day): float
    {
        return Climate::factor($day->air, $day->humidity, $day->lightHours, $this->inSun);
    }

    /**
     * Whether a change that is due is the one that is missed.
     *
     * @param  array<int, true>  $missed  what-ifs that have had their day
     */
    private function isMissed(int $day, array &$missed): bool
    {
        foreach ($this->whatIfs as $i => $event) {
            if ($event->kind === WhatIfKind::MissedChange && $day >= $event->from - 1 && ! isset($missed[$i])) {
                $missed[$i] = true;

                return true;
            }
        }

        return false;
    }
}
