<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Units\QuantityWriter;

/**
 * Where a design goes beyond what was wished: room, what the floor bears, money, visits, absences, power, shade, a drill, still water
 * only.
 */
final readonly class Shortfalls
{
    /** Lengths are asked for in steps of this, mm. */
    private const ROUND_MM = 25.0;

    private const TOLERANCE = 1.0e-9;

    public function __construct(private Wish $wish, private QuantityWriter $write)
    {
    }

    /** @return list<Shortfall> none where it is what was wished */
    public function of(Tried $design): array
    {
        $room = $this->wish->room;
        $tending = $this->wish->tending;
        $figures = $design->figures();
        $cap = $this->wish->cap;
        $found = $this->onFloor($design);
        if ($design->height() > $room->height + self::TOLERANCE) {
            $found[] = $this->length('height', $room->height, $design->height());
        }
        if ($room->limitKg !== null && $figures->mass_kg > $room->limitKg) {
            $kg = ceil($figures->mass_kg);
            $bears = "a floor that bears {$this->write->mass($kg)}";
            $found[] = new Shortfall('limit', $kg / $room->limitKg - 1, $bears, '/place/limit_kg', $kg);
        }
        if ($cap !== null && $figures->outlay > $cap + self::TOLERANCE) {
            $money = ceil($figures->outlay);
            $more = QuantityWriter::plain($money - $cap, 2).' '.$this->wish->currency;
            $found[] = new Shortfall('cap', $money / max(1.0, $cap) - 1, "$more more to spend", '/money/cap', $money);
        }
        if ($figures->visits_a_week > $tending->visits) {
            $found[] = new Shortfall(
                'visits', ($figures->visits_a_week - $tending->visits) / 7,
                $this->write->count($figures->visits_a_week, 'one day a week to come', '%d days a week to come'),
                '/tend/visits_a_week', $figures->visits_a_week,
            );
        }
        if ($figures->away_days < $tending->awayDays) {
            $found[] = new Shortfall(
                'away', ($tending->awayDays - $figures->away_days) / max(1, $tending->awayDays),
                'away for '.$this->write->count($figures->away_days, 'a day', '%d days').' at the longest',
                '/tend/away_days', $figures->away_days,
            );
        }
        if (! $room->mains && $design->wantsMains()) {
            $found[] = new Shortfall('mains', 1.0, 'a socket near it', '/place/mains', true);
        }
        if ($room->isInSun() && ! $design->isInSun()) {
            $found[] = new Shortfall('sun', 1.0, 'shade over it', '/place/sun', false);
        }
        if (! $tending->drill && $design->wantsDrill()) {
            $found[] = new Shortfall('drill', 1.0, 'a drill, borrowed for an afternoon', '/tend/drill', true);
        }
        if ($design->hasAir() && ! in_array(GrowingSystem::Aerated, $tending->systems, true)) {
            $found[] = new Shortfall('system', 1.0, 'an air pump', '/tend/systems', ['aerated', 'passive']);
        }

        return $found;
    }

    /** @return list<Shortfall> */
    private function onFloor(Tried $design): array
    {
        $room = $this->wish->room;
        if (FloorPlan::of($design->stands(), $room->length, $room->depth) !== null) {
            return [];
        }
        $best = null;
        foreach (FloorPlan::ways($design->stands()) as $plan) {
            $lacks = array_values(array_filter([
                $plan->length > $room->length ? $this->length('length', $room->length, $plan->length) : null,
                $plan->depth > $room->depth ? $this->length('depth', $room->depth, $plan->depth) : null,
            ]));
            $by = array_sum(array_map(static fn (Shortfall $s): float => $s->by, $lacks));
            if ($best === null || [count($lacks), $by] < [count($best[1]), $best[0]]) {
                $best = [$by, $lacks];
            }
        }

        return $best[1] ?? [];
    }

    private function length(string $of, float $is, float $wanted): Shortfall
    {
        $wanted = self::ROUND_MM * ceil($wanted / self::ROUND_MM - self::TOLERANCE);

        return new Shortfall(
            $of, $wanted / $is - 1,
            "{$this->write->length($wanted - $is)} more $of: {$this->write->length($wanted)}", "/place/{$of}_mm", $wanted,
        );
    }
}
