<?php

declare(strict_types=1);

namespace KelpTub\Core\Air;

/** An air pump by its curve: flow (L/min) against pressure (kPa), falling from free flow to the pressure at which nothing flows. */
final readonly class Pump
{
    private const HOURS_A_DAY = 24.0;

    /** How much of what a battery holds comes to the pump. */
    private const BATTERY_SHARE = 0.7;

    /**
     * @param  list<array{float, float}>  $curve points (flow, pressure), flow rising and pressure falling, from no flow to free flow
     * @param  float|null  $noise  dB at a metre
     * @param  float|null  $batteryInside  Wh that it has in itself
     */
    public function __construct(
        public ?string $key,
        public string $name,
        public array $curve,
        public int $outlets,
        public float $watts,
        public ?Supply $supply = null,
        public ?float $noise = null,
        public ?float $batteryInside = null,
    ) {
    }

    /** @return list<array{float, float}> a straight curve from the highest pressure to free flow */
    public static function straight(float $freeFlow, float $maxPressure): array
    {
        return [[0.0, $maxPressure], [$freeFlow, 0.0]];
    }

    public function freeFlow(): float
    {
        return $this->curve[count($this->curve) - 1][0];
    }

    public function maxPressure(): float
    {
        return $this->curve[0][1];
    }

    /** Electricity for a month of running day and night, kWh; a month is a twelfth of 365 days. */
    public function kwhAMonth(): float
    {
        return $this->watts * 24 * 365 / 12 / 1000;
    }

    /** Hours that a battery of so many Wh runs it; null for one that takes nothing. */
    public function hoursOn(float $wattHours): ?float
    {
        return $this->watts > 0.0 ? $wattHours * self::BATTERY_SHARE / $this->watts : null;
    }

    /**
     * Hours that a battery of so many Wh, and what pumps have inside, keep all of them going; null where they take nothing.
     *
     * @param  list<self>  $pumps  that stand at one tub
     */
    public static function hoursOfAll(array $pumps, float $wattHours): ?float
    {
        $watts = array_sum(array_map(static fn (self $p): float => $p->watts, $pumps));
        $inside = array_sum(array_map(static fn (self $p): float => $p->batteryInside ?? 0.0, $pumps));

        return $watts > 0.0 ? ($wattHours + $inside) * self::BATTERY_SHARE / $watts : null;
    }

    /** Hours of a day on which it stands still: in the dark, once its battery is empty; none of one that does not run by the sun. */
    public function hoursStill(float $sunHours): float
    {
        return $this->supply === Supply::Solar
            ? max(0.0, self::HOURS_A_DAY - $sunHours - ($this->hoursOn($this->batteryInside ?? 0.0) ?? 0.0))
            : 0.0;
    }

    /** What a panel has to give to run it day and night, Wp: `Wh per day/(sun hours·0.7)`; null without sun. */
    public function panelWp(float $sunHours): ?float
    {
        return $sunHours > 0.0 ? $this->watts * 24 / ($sunHours * self::BATTERY_SHARE) : null;
    }

    /** What a battery has to hold to run it for so many hours, Wh; a third is lost on the way. Source: handbook, rules section 7. */
    public function batteryWh(float $hours): float
    {
        return $this->watts * $hours / self::BATTERY_SHARE;
    }

    /** Pressure in kPa at a flow. The curve ends where it ends: beyond it is below zero, so that no such flow is a solution. */
    public function pressureAt(float $flow): float
    {
        $last = count($this->curve) - 1;
        for ($i = 1; $i < $last && $flow > $this->curve[$i][0]; $i++);
        [[$q0, $p0], [$q1, $p1]] = [$this->curve[$i - 1], $this->curve[$i]];
        if ($q1 <= $q0) {
            return $flow > $q1 ? $q1 - $flow : $p1;
        }
        $steepness = ($p1 - $p0) / ($q1 - $q0);

        return $flow > $q1 ? $steepness * ($flow - $q1) : $p0 + $steepness * ($flow - $q0);
    }

    /** One of its outlets when they are not joined: its share of the flow at the full pressure. */
    public function outlet(): self
    {
        $curve = array_map(fn (array $point): array => [$point[0] / $this->outlets, $point[1]], $this->curve);

        return new self($this->key, $this->name, $curve, 1, $this->watts);
    }

    /** The same pump when it gives only so much of its flow and of its pressure. */
    public function weakened(float $flow, float $pressure): self
    {
        $curve = array_map(static fn (array $point): array => [$point[0] * $flow, $point[1] * $pressure], $this->curve);

        return new self(...[...get_object_vars($this), 'curve' => $curve]);
    }
}
