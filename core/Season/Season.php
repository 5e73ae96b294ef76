<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Crop\Climate;
use KelpTub\Core\Crop\StandDay;
use KelpTub\Core\Cup\GrowingSystem;

/**
 * How a tub fares from day to day: a state, and one pure step from it to the next.
 *
 * A step is a day: weather, the water's warmth, growth and what cold or heat ends, what is drunk and eaten, pH, rain; then what is done in
 * the evening; then the level, the oxygen and how well the plants fared. A season is that step repeated, under a policy or anybody else who
 * keeps the tub, from its start or from any state. Water and salt close on every day. Source: handbook, season (a day of the simulation).
 */
final readonly class Season
{
    /** Two years are simulated; what has not come to harvest by then has none. */
    public const MOST_DAYS = 730;

    /** † A crop's figures for water and for salts are right to within this share; what a log has learned narrows it. */
    public const RANGE = 0.25;

    /** † share of the rain on a lid that gets in. */
    private const RAIN_IN = 0.08;

    /** Water this warm kills, °C; so does water that has been freezing for so many days on end. */
    public const KILLING_C = 38.0;

    private const FREEZING_DAYS = 3;

    /** Under so much oxygen on so many evenings on end an aerated tub's plants die on the day after, mg/L. */
    private const AIRLESS_MG_L = 1.0;

    private const AIRLESS_EVENINGS = 3;

    /** † uptake at an EC of E, of what is eaten at the middle e: `1.25·E/(E + 0.25·e)`. */
    private const UPTAKE_MOST = 1.25;

    private const UPTAKE_HALF = 0.25;

    /** Of the salt that is there plants take no more than this share in a day. */
    private const SALT_SHARE = 0.5;

    private const MINUTES_AN_HOUR = 60.0;

    /** The climate of every day where all are the same, and what such a day is to each stand. */
    private ?float $steadyClimate;

    /** @var list<StandDay>|null */
    private ?array $steadyDays;

    /**
     * @param  list<SeasonEvent>  $events
     * @param  float  $drinks  times what the crops' figures say; 0.75 to 1.25 is the range of the estimate
     * @param  float  $eats  the same of salts
     */
    public function __construct(
        public SeasonTub $tub,
        public Weather $weather,
        private array $events = [],
        private float $drinks = 1.0,
        private float $eats = 1.0,
    ) {
        $isSteady = $events === [] && $weather->isSteady();
        $this->steadyClimate = $isSteady ? $this->climateOf($weather->on(0)) : null;
        $this->steadyDays = $isSteady ? $this->standDays(0, $weather->on(0)) : null;
    }

    /** How the tub stands when it has been filled and planted. */
    public function start(): SeasonState
    {
        $tub = $this->tub;
        $ages = array_fill(0, count($tub->stands), 0.0);
        $none = array_fill(0, count($tub->stands), null);
        $stage = $tub->stage($tub->leader($ages, $none) ?? 0, 0.0);
        $ec = $tub->mixing->ecAt($stage);

        return new SeasonState(
            0, $tub->start, $ec === null ? null : $ec * $tub->start, $tub->warmth->start,
            $tub->start > 0.0 ? $tub->acidity->poured : null, $ages, $none, $none, $none,
            $ages, $ages, array_fill(0, count($ages), false), 0, 0, 0, 0, 0.0, $stage, false,
        );
    }

    /**
     * From a state, the start where none is given, until nothing lives in the tub any more, or two years have gone.
     *
     * @param  int|null  $to  the last day that is wanted, where not all of them are
     */
    public function run(?Keeper $keeper = null, ?SeasonState $from = null, ?int $to = null): SeasonRun
    {
        $keeper ??= $this->tub->policy;
        $state = $start = $from ?? $this->start();
        $days = [];
        while (! $this->isOver($state) && ($to === null || $state->day <= $to)) {
            $days[] = $day = $this->step($state, $keeper);
            $state = $day->after;
        }

        return new SeasonRun($this, $start, $days);
    }

    /** Whether nothing lives in the tub any more, or two years have gone. */
    public function isOver(SeasonState $state): bool
    {
        return $state->day >= self::MOST_DAYS || ! $this->tub->lives($state);
    }

    /** The fractional day on which a tub that nobody comes to any more passes a volume; null where it never does. */
    public function dryFrom(SeasonState $state, float $litres): ?float
    {
        $nobody = new Nobody;
        while (! $this->isOver($state)) {
            $day = $this->step($state, $nobody);
            if ($state->volume - $day->use < $litres - 1.0e-9) {
                return $day->day + SeasonRun::part($state->volume - $litres, $day->use);
            }
            $state = $day->after;
        }

        return null;
    }

    /** One day. */
    public function step(SeasonState $now, Keeper $keeper): SeasonDay
    {
        $tub = $this->tub;
        [$weather, $warmer, $away, $air, $hoursCut] = $this->dayOf($now->day);
        $water = max(0.0, $tub->warmth->after($now->water, $weather->air, $now->volume, $warmer));
        $frost = $water <= 0.0 && ! $now->isDry() ? $now->frost + 1 : 0;
        $climate = $this->steadyClimate ?? $this->climateOf($weather);
        $standDays = $this->steadyDays ?? $this->standDays($now->day, $weather);
        $ec = $now->ec();
        $isKilling = $this->isKilling($now, $water, $frost);

        $ages = $now->ages;
        $died = $now->died;
        $harvests = $now->harvests;
        $lasts = $now->lasts;
        $bears = $now->bears;
        $grown = $thirsts = [];
        $wants = $eaten = 0.0;
        foreach ($tub->stands as $i => $stand) {
            $age = $ages[$i];
            if ($died[$i] !== null || $stand->isDone($age)) {
                $grown[$i] = null;

                continue;
            }
            $day = $standDays[$i];
            if ($isKilling || $day->kills) {
                $died[$i] = $now->day;
                $grown[$i] = 0.0;

                continue;
            }
            $grown[$i] = $growth = $day->growth;
            $ages[$i] = $age + $growth;
            if ($harvests[$i] === null && $stand->isReady($ages[$i])) {
                $harvests[$i] = $now->day + self::within($age, $growth, $stand->use->harvestDay);
                $bears[$i] = ! $now->isDry();
            }
            if ($stand->isDone($ages[$i])) {
                $lasts[$i] = $now->day + self::within($age, $growth, $stand->use->lastDay);
            }
            $wants += $thirsts[$i] = $wanted = $stand->drunkBy($age + $day->thirst) - $stand->drunkBy($age);
            if ($ec !== null && $ec > 0.0) {
                $middle = $stand->crop->middleEc();
                $eaten += $middle * $wanted * self::UPTAKE_MOST * $ec / ($ec + self::UPTAKE_HALF * $middle);
            }
        }
        $thirst = $wants * $climate / $tub->climate * $this->drinks;
        $use = min($now->volume, $thirst);
        $uptake = $now->salt === null || $now->isDry()
            ? ($now->salt === null ? null : 0.0)
            : min(self::SALT_SHARE * $now->salt, $eaten / $tub->climate * sqrt($climate) * $this->eats);
        $drunk = $now->drunk;
        foreach ($wants > 0.0 ? $thirsts : [] as $i => $wanted) {
            $drunk[$i] += $use * $wanted / $wants;
        }
        $volume = $now->volume - $use;
        $salt = $now->salt === null ? null : $now->salt - $uptake;
        $ph = $now->ph === null || $volume <= 0.0 ? null : $tub->acidity->afterDay($now->ph);
        $rain = $spill = 0.0;
        if ($volume > 0.0 && $tub->lidArea !== null && $weather->rain > 0.0) {
            $rain = self::RAIN_IN * $weather->rain * $tub->lidArea;
            $volume += $rain;
            $spill = max(0.0, $volume - $tub->brim);
            $salt = $salt === null ? null : $salt * (1 - $spill / $volume);
            $volume -= $spill;
        }

        $leads = $tub->leader($ages, $died);
        $leader = $leads ?? $tub->leader($now->ages, $now->died) ?? 0;
        $stage = $tub->stage($leader, $ages[$leader]);
        $evening = new SeasonState(
            $now->day + 1, $volume, $salt, $water, $ph, $ages, $died, $harvests, $lasts, $drunk, $now->thriven, $bears, $frost,
            $now->airless, $now->drowned, $now->changed, $now->toppedUp, $stage, $now->turned || $stage !== $now->stage, $now->missed,
        );
        // Nobody comes to a dry tub, nor on the evening on which the last of its plants has died.
        $missed = $this->events === [] ? null : $this->missed($evening);
        $deeds = $away || $volume <= 0.0 || ($leads === null && $this->areAllDead($died))
            ? Deeds::none()
            : $keeper->deeds($tub, $evening, $missed !== null);

        return $this->closed($evening, $deeds, $grown, [$thirst, $use, $uptake, $rain, $spill], $air, $hoursCut, $missed);
    }

    /**
     * The evening's deeds done, and the day told.
     *
     * @param  array<int, float|null>  $grown  days of its own that each stand grew; null of one that was gone before
     * @param  array{float, float, float|null, float, float}  $moved  thirst, use, uptake, rain and spill
     * @param  int|null  $missed  the what-if by which a change that is due is missed
     */
    private function closed(
        SeasonState $evening,
        Deeds $deeds,
        array $grown,
        array $moved,
        float $air,
        float $hoursCut,
        ?int $missed,
    ): SeasonDay {
        $tub = $this->tub;
        $evening = $deeds->found?->of($evening) ?? $evening;
        $stronger = $deeds->salt + $deeds->stronger * $evening->volume;
        [$volume, $salt, $ph, $topUp, $topUpEc] = $deeds->areWet()
            ? $this->filled($evening, $deeds)
            : [$evening->volume, $evening->salt, $evening->ph, 0.0, null];
        $level = $tub->reservoir->levelFor($volume);
        $gap = $tub->gapAt($level);
        $drowned = $this->drowned($evening, $deeds, $gap);
        $living = [];
        foreach ($grown as $i => $grew) {
            $living[$i] = $grew !== null && $evening->died[$i] === null;
        }
        $ec = $salt === null || $volume <= 0.0 ? null : $salt / $volume;
        $oxygen = $tub->breath === null || $volume <= 0.0
            ? null
            : $this->oxygen($evening, $living, $volume, $ec ?? 0.0, $level, $air, $hoursCut);
        $fares = [];
        $thriven = $evening->thriven;
        foreach ($grown as $i => $grew) {
            if ($grew === null) {
                $fares[$i] = null;

                continue;
            }
            $fares[$i] = $fare = $volume > 0.0 && $living[$i]
                ? $this->fare($i, $evening->ages[$i], $oxygen, $ec, $ph, $gap, $drowned > 0)
                : 0.0;
            $thriven[$i] += $grew * $fare;
        }
        $isAirless = $tub->system === GrowingSystem::Aerated && $oxygen !== null && $oxygen < self::AIRLESS_MG_L;

        return new SeasonDay(
            $evening->day - 1, $moved[0], $moved[1], $moved[2], $stronger, $moved[3], $moved[4], $topUp, $topUpEc, $deeds->change,
            $level, $oxygen, $fares,
            new SeasonState(
                $evening->day, $volume, $salt, $evening->water, $ph, $evening->ages, $evening->died, $evening->harvests, $evening->lasts,
                $evening->drunk, $thriven, $evening->bears, $evening->frost, $isAirless ? $evening->airless + 1 : 0, max(0, $drowned - 1),
                $deeds->change || $deeds->misses ? $evening->day : $evening->changed,
                $deeds->change ? 0.0 : ($deeds->misses ? 0.0 : $evening->toppedUp) + $topUp,
                $evening->stage,
                $evening->turned && ! $deeds->change && ! $deeds->settled && $stronger <= 0.0,
                $deeds->misses && $missed !== null ? $evening->missed + [$missed => true] : $evening->missed,
            ),
        );
    }

    /**
     * What is in the tub when somebody has done what they do, and what was poured in: no more than there is room for.
     *
     * @return array{float, float|null, float|null, float, float|null} litres, salt, pH, litres poured in besides a change, and their EC
     */
    private function filled(SeasonState $found, Deeds $deeds): array
    {
        $tub = $this->tub;
        $volume = $found->volume;
        $salt = $found->salt === null ? null : $found->salt + $deeds->salt + $deeds->stronger * $volume;
        if ($deeds->change) {
            $ec = $deeds->topUpEc ?? $tub->mixing->ecAt($found->stage);

            return [$tub->fill, $ec === null ? null : $ec * $tub->fill, $tub->acidity->poured, 0.0, null];
        }
        $topUp = min($deeds->topUp, max(0.0, $tub->brim - $volume));
        if ($topUp <= 0.0) {
            return [$volume, $salt, $found->ph, 0.0, null];
        }
        $topUpEc = $deeds->topUpEc ?? $tub->mixing->topUpEc($found->stage, $deeds->topUpShare);
        $salt = $salt === null || $topUpEc === null ? null : $salt + $topUpEc * $topUp;
        $ph = $found->ph === null ? null : $tub->acidity->mixed($found->ph, $volume, $topUp);

        return [$volume + $topUp, $salt, $ph, $topUp, $topUpEc];
    }

    /** Days yet on which roots suffer from a refill that took their air, this one or one before. */
    private function drowned(SeasonState $found, Deeds $deeds, float $gap): int
    {
        return ($deeds->change || $deeds->topUp > 0.0) && Fare::drowns(
            $this->tub->gapAt($this->tub->reservoir->levelFor($found->volume)),
            $gap,
        )
            ? Fare::DROWNED_DAYS
            : $found->drowned;
    }

    /** A tub between two days, after a reading was taken and something was done. */
    public function visited(SeasonState $state, Deeds $deeds): SeasonState
    {
        $found = $deeds->found?->of($state) ?? $state;
        if (! $deeds->areWet()) {
            return $found;
        }
        [$volume, $salt, $ph, $topUp] = $this->filled($found, $deeds);

        return $found->poured(
            $volume,
            $salt,
            $ph ?? $this->tub->acidity->poured,
            $this->drowned($found, $deeds, $this->tub->gapAt($this->tub->reservoir->levelFor($volume))),
            $deeds->change,
            $topUp,
            $found->turned && ! $deeds->change && $deeds->stronger + $deeds->salt <= 0.0,
        );
    }

    private function climateOf(WeatherDay $day): float
    {
        return Climate::factor($day->air, $day->humidity, $day->lightHours, $this->tub->inSun);
    }

    /** @return list<StandDay> what a day is to each of the stands */
    private function standDays(int $day, WeatherDay $weather): array
    {
        $dayOfYear = $this->tub->light->goesByDate() ? $this->weather->dayOfYear($day) : null;
        $days = [];
        foreach ($this->tub->stands as $stand) {
            $days[] = $stand->day($weather->air, $this->tub->light->share($stand->crop, $weather, $dayOfYear));
        }

        return $days;
    }

    /** Water that is too hot or has been freezing for days, or roots without oxygen for days, end all crops in it. */
    private function isKilling(SeasonState $now, float $water, int $frost): bool
    {
        return (! $now->isDry() && ($water > self::KILLING_C || $frost >= self::FREEZING_DAYS))
            || $now->airless >= self::AIRLESS_EVENINGS;
    }

    private function fare(int $stand, float $age, ?float $oxygen, ?float $ec, ?float $ph, float $gap, bool $drowned): float
    {
        $of = $this->tub->stands[$stand];

        return Fare::byOxygen($oxygen) * Fare::byEc($ec, $of->crop, $this->tub->stage($stand, $age)) * Fare::byPh($ph, $of->crop)
            * ($this->tub->system === GrowingSystem::Passive ? Fare::byGap($gap, $of->wayTo($age) > 0.5, $drowned) : 1.0);
    }

    /**
     * Oxygen on an evening, or as low as a power cut brings it.
     *
     * @param  array<int, bool>  $living  whether each stand has lived through the day
     */
    private function oxygen(
        SeasonState $evening,
        array $living,
        float $volume,
        float $ec,
        float $level,
        float $air,
        float $hoursCut,
    ): ?float {
        $balance = $this->tub->breath?->balance($this->rootDemand($evening->ages, $living), $evening->water, $ec, $level, $air);

        $hoursStill = $this->tub->breath?->hoursStill($hoursCut) ?? 0.0;

        return $hoursStill > 0.0 ? $balance?->afterMinutes($hoursStill * self::MINUTES_AN_HOUR, $volume) : $balance?->steady();
    }

    /**
     * What living roots ask for, mg/h at 20 °C.
     *
     * @param  array<int, float>  $ages
     * @param  array<int, bool>  $living  of each stand
     */
    public function rootDemand(array $ages, array $living): float
    {
        $demand = 0.0;
        foreach ($this->tub->stands as $i => $stand) {
            if ($living[$i]) {
                $demand += $stand->oxygenAt($ages[$i]);
            }
        }

        return $demand;
    }

    /** @param  array<int, int|null>  $died */
    private function areAllDead(array $died): bool
    {
        foreach ($died as $day) {
            if ($day === null) {
                return false;
            }
        }

        return true;
    }

    /** Part of a day on which an age is reached. */
    private static function within(float $age, float $growth, float $wanted): float
    {
        return $growth > 0.0 ? max(0.0, min(1.0, ($wanted - $age) / $growth)) : 0.0;
    }

    /** The what-if by which a change that is due on an evening is missed, and has not had its day yet; null where none is. */
    private function missed(SeasonState $evening): ?int
    {
        foreach ($this->events as $i => $event) {
            if ($event->kind === SeasonEventKind::MissedChange && $evening->day >= $event->from && ! isset($evening->missed[$i])) {
                return $i;
            }
        }

        return null;
    }

    /**
     * The weather with what happens in it: how much warmer that is, whether nobody is there, the share of the air that comes, and for how
     * many hours up to some time on the day there was no power.
     *
     * @return array{WeatherDay, float, bool, float, float}
     */
    private function dayOf(int $day): array
    {
        $weather = $this->weather->on($day);
        if ($this->events === []) {
            return [$weather, 0.0, false, 1.0, 0.0];
        }
        [$warmer, $light, $away, $air, $cut] = [0.0, null, false, 1.0, 0.0];
        foreach ($this->events as $event) {
            if ($event->kind === SeasonEventKind::PowerCut) {
                $cut = max($cut, SeasonEvent::hoursCut($event->amount, $event->from, $day));
            }
            if (! $event->isOn($day)) {
                continue;
            }
            match ($event->kind) {
                SeasonEventKind::Heat, SeasonEventKind::HotRoom => $warmer += $event->amount,
                SeasonEventKind::Cloudy => $light = $event->amount,
                SeasonEventKind::Away => $away = true,
                SeasonEventKind::WindDown => $air *= $event->amount,
                default => null,
            };
        }

        return [$weather->changed($warmer, $light), $warmer, $away, $air, $cut];
    }
}
