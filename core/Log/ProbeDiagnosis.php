<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/**
 * Whether a meter that reads by itself can be believed: one that stands still to a thousandth for six hours is stuck; one that jumps is
 * said at once; pH that drifts from what is read by hand wants calibrating; silence is said after an hour. Source: handbook, log (meter).
 */
final readonly class ProbeDiagnosis
{
    private const STUCK_DAYS = 0.25;

    private const STUCK_READINGS = 4;

    private const SAME = 0.0005;

    private const PH_JUMP = 1.0;

    private const EC_JUMP = 0.5;

    private const JUMP_DAYS = 0.2;

    private const SILENT_DAYS = 1.0 / 24;

    /** One that has not been heard for days is put away and is no fault. */
    private const GIVEN_UP_DAYS = 3.0;

    /** pH that goes off by more in a week. */
    private const DRIFT_A_WEEK = 0.07;

    private const LEAST_PAIRS = 3;

    private const LEAST_DRIFT = 0.1;

    /** A reading by hand is held against the meter's own of so many days about it. */
    private const PAIR_DAYS = 0.5;

    /** @param  list<Entry>  $entries  in order */
    public function __construct(private array $entries, private float $now)
    {
    }

    /** @return list<Suspicion> */
    public function all(): array
    {
        $meter = array_values(array_filter($this->entries, static fn (Entry $e): bool => $e->from === 'meter'));

        return $meter === [] ? [] : array_values(array_filter([
            $this->silent($meter),
            $this->stuck($meter, 'pH', static fn (Entry $e): ?float => $e->ph),
            $this->stuck($meter, 'EC', static fn (Entry $e): ?float => $e->ec),
            $this->jumped($meter, 'pH', static fn (Entry $e): ?float => $e->ph, self::PH_JUMP),
            $this->jumped($meter, 'EC', static fn (Entry $e): ?float => $e->ec, self::EC_JUMP),
            $this->drifts($meter),
        ]));
    }

    /** @param  non-empty-list<Entry>  $meter */
    private function silent(array $meter): ?Suspicion
    {
        $last = $meter[count($meter) - 1];
        $for = $this->now - $last->time();

        return $for <= self::SILENT_DAYS || $for > self::GIVEN_UP_DAYS ? null : self::says(
            0.9,
            sprintf('The meter has said nothing for %d hours.', max(1, (int) round($for * 24))),
            'Look at its power and its cable, then at the connection.',
            'Ask it now.',
            [$last->id],
        );
    }

    /**
     * @param  non-empty-list<Entry>  $meter
     * @param  callable(Entry): ?float  $of
     */
    private function stuck(array $meter, string $what, callable $of): ?Suspicion
    {
        $with = array_values(array_filter($meter, static fn (Entry $e): bool => $of($e) !== null));
        $last = $with[count($with) - 1] ?? null;
        $same = [];
        foreach (array_reverse($with) as $entry) {
            if ($last === null || abs($of($entry) - $of($last)) > self::SAME) {
                break;
            }
            $same[] = $entry;
        }
        $first = $same[count($same) - 1] ?? null;

        return $first === null || $last === null || count($same) < self::STUCK_READINGS
            || $last->time() - $first->time() < self::STUCK_DAYS - 1e-9
            ? null
            : self::says(
                0.85,
                sprintf(
                    'The %s probe stands still: the same to a thousandth for %d hours.',
                    $what,
                    (int) floor(($last->time() - $first->time()) * 24 + 1e-6),
                ),
                'Rinse it, stir the water, look at its cable. Until it moves its readings are left out.',
                'Dip it into another fluid: it should move at once.',
                [$first->id, $last->id],
            );
    }

    /**
     * @param  non-empty-list<Entry>  $meter
     * @param  callable(Entry): ?float  $of
     */
    private function jumped(array $meter, string $what, callable $of, float $most): ?Suspicion
    {
        $with = array_values(array_filter($meter, static fn (Entry $e): bool => $of($e) !== null));
        $last = $with[count($with) - 1] ?? null;
        $before = $with[count($with) - 2] ?? null;
        if (
            $last === null || $before === null || $last->time() - $before->time() > self::JUMP_DAYS
            || abs($of($last) - $of($before)) < $most
        ) {
            return null;
        }
        foreach ($this->entries as $entry) {
            if ($entry->isWet() && $entry->time() >= $before->time() && $entry->time() <= $last->time()) {
                return null;
            }
        }

        return self::says(
            0.8,
            sprintf('The %s probe jumped from %.1f to %.1f, and nothing was put in.', $what, $of($before), $of($last)),
            'Do nothing to the water by this reading. Rinse the probe and read again.',
            'Read by hand.',
            [$before->id, $last->id],
        );
    }

    /**
     * pH against what was read by hand: its slope over weeks.
     *
     * @param  non-empty-list<Entry>  $meter
     */
    private function drifts(array $meter): ?Suspicion
    {
        $pairs = [];
        foreach ($this->entries as $hand) {
            $near = $hand->from === 'meter' || $hand->ph === null ? null : self::near($meter, $hand->time());
            if ($near !== null && $near->ph !== null) {
                $pairs[] = [$hand->time(), $near->ph - $hand->ph, $hand->id];
            }
        }
        if (count($pairs) < self::LEAST_PAIRS) {
            return null;
        }
        $slope = self::slope($pairs);
        $last = $pairs[count($pairs) - 1];
        if (abs($slope * 7) < self::DRIFT_A_WEEK || abs($last[1]) < self::LEAST_DRIFT || $slope * $last[1] < 0) {
            return null;
        }

        return self::says(
            0.8,
            sprintf('The pH probe drifts by %.2f a week against what you read by hand.', abs($slope * 7)),
            'Calibrate it with both fluids, and read the slope that it says.',
            'Dip it into the fluid of pH 7.',
            array_column($pairs, 2),
        );
    }

    /** @param  non-empty-list<Entry>  $meter */
    private static function near(array $meter, float $time): ?Entry
    {
        $near = null;
        foreach ($meter as $entry) {
            if ($entry->ph !== null && abs($entry->time() - $time) <= self::PAIR_DAYS
                && ($near === null || abs($entry->time() - $time) < abs($near->time() - $time))) {
                $near = $entry;
            }
        }

        return $near;
    }

    /**
     * By least squares.
     *
     * @param  non-empty-list<array{float, float, string}>  $pairs
     */
    private static function slope(array $pairs): float
    {
        $x = array_sum(array_column($pairs, 0)) / count($pairs);
        $y = array_sum(array_column($pairs, 1)) / count($pairs);
        [$xy, $xx] = [0.0, 0.0];
        foreach ($pairs as [$at, $off]) {
            $xy += ($at - $x) * ($off - $y);
            $xx += ($at - $x) ** 2;
        }

        return $xx > 0.0 ? $xy / $xx : 0.0;
    }

    /** @param  list<string>  $because */
    private static function says(float $sure, string $says, string $do, string $check, array $because): Suspicion
    {
        return new Suspicion('log.probe', $sure, $says, 'As its own readings stand.', $do, $check, $because);
    }
}
