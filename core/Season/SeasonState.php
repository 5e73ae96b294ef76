<?php

declare(strict_types=1);

namespace KelpTub\Core\Season;

use KelpTub\Core\Feed\Stage;

/**
 * How a tub stands between two days: all that the next day goes by. A season can go on from any of them.
 *
 * Litres, mS/cm × L, °C, days. Lists go by the tub's stands.
 */
final readonly class SeasonState
{
    /**
     * @param  int  $day  that comes next; 0 is that of transplanting
     * @param  float|null  $salt  in all; null where the feed's EC is not known
     * @param  float|null  $ph  null in a dry tub
     * @param  array<int, float>  $ages  days of their own that each stand has grown since the start
     * @param  array<int, int|null>  $died  the day on which cold, heat or want of oxygen ended it
     * @param  array<int, float|null>  $harvests  day, fractional, of the first harvest where it has come
     * @param  array<int, float|null>  $lasts  day, fractional, of the last one
     * @param  array<int, float>  $drunk  litres that each stand has drunk
     * @param  array<int, float>  $thriven  days of growth times how well they were
     * @param  array<int, bool>  $bears  whether its first harvest found it in water
     * @param  int  $frost  days on end on which the water has been freezing
     * @param  int  $airless  evenings on end with next to no oxygen
     * @param  int  $drowned  days yet on which roots suffer from a refill that took their air
     * @param  int  $changed  days gone at the last change of the water
     * @param  float  $toppedUp  litres poured in since then
     * @param  Stage  $stage  of the tub on the last evening
     * @param  bool  $turned  whether the stage has turned and the water is not made up to it yet
     * @param  array<int, true>  $missed  what-ifs that have had their day
     */
    public function __construct(
        public int $day,
        public float $volume,
        public ?float $salt,
        public float $water,
        public ?float $ph,
        public array $ages,
        public array $died,
        public array $harvests,
        public array $lasts,
        public array $drunk,
        public array $thriven,
        public array $bears,
        public int $frost,
        public int $airless,
        public int $drowned,
        public int $changed,
        public float $toppedUp,
        public Stage $stage,
        public bool $turned,
        public array $missed = [],
    ) {
    }

    /** EC in mS/cm; null where it is not known, or nothing is left to have one. */
    public function ec(): ?float
    {
        return $this->salt === null || $this->volume <= 0.0 ? null : $this->salt / $this->volume;
    }

    public function isDry(): bool
    {
        return $this->volume <= 0.0;
    }

    /** The day, fractional, on which every crop has come to its first harvest; null where one has not. */
    public function harvestDay(): ?float
    {
        return self::latest($this->harvests);
    }

    /** The day, fractional, on which every crop has come to its last harvest; null where one has not. */
    public function lastDay(): ?float
    {
        return self::latest($this->lasts);
    }

    /** @param  array<int, float|null>  $days */
    private static function latest(array $days): ?float
    {
        return $days === [] || in_array(null, $days, true) ? null : max($days);
    }

    /** The same on another day, nothing having happened meanwhile: what a calendar goes by. */
    public function asOn(int $day): self
    {
        return new self(...[...get_object_vars($this), 'day' => $day]);
    }

    /**
     * The same with other plants in the tub.
     *
     * @param  list<int|null>  $was  of each that now stands in it the one it was before; null of one that is set in now
     */
    public function planted(array $was): self
    {
        $with = static fn (array $of, mixed $fresh): array => array_map(
            static fn (?int $i): mixed => $i === null ? $fresh : $of[$i],
            $was,
        );

        return new self(...[
            ...get_object_vars($this),
            'ages' => $with($this->ages, 0.0),
            'died' => $with($this->died, null),
            'harvests' => $with($this->harvests, null),
            'lasts' => $with($this->lasts, null),
            'drunk' => $with($this->drunk, 0.0),
            'thriven' => $with($this->thriven, 0.0),
            'bears' => $with($this->bears, false),
        ]);
    }

    /** The same after water was put in between two days. */
    public function poured(float $volume, ?float $salt, float $ph, int $drowned, bool $change, float $topUp, bool $turned): self
    {
        return new self(...[
            ...get_object_vars($this),
            'volume' => $volume,
            'salt' => $salt,
            'ph' => $ph,
            'drowned' => $drowned,
            'changed' => $change ? $this->day : $this->changed,
            'toppedUp' => $change ? 0.0 : $this->toppedUp + $topUp,
            'turned' => $turned,
        ]);
    }

    /** The same as a reading found it: litres, EC, warmth and pH; what was not read stays as it was reckoned. */
    public function asRead(?float $litres, ?float $ec, ?float $celsius, ?float $ph): self
    {
        $volume = $litres ?? $this->volume;

        return new self(...[
            ...get_object_vars($this),
            'volume' => $volume,
            'salt' => $ec !== null ? $ec * $volume : ($this->ec() === null ? $this->salt : $this->ec() * $volume),
            'water' => $celsius ?? $this->water,
            'ph' => $ph ?? $this->ph,
        ]);
    }
}
