<?php

declare(strict_types=1);

namespace KelpTub\Core\Garden;

use KelpTub\Core\File\GardenFile;

/**
 * Tries ways out of findings: plans the garden as each would leave it, and offers those that help.
 *
 * A way helps when the finding is gone or lessened and nothing worse than it has come up. One that brings a stop is offered only against a
 * stop that nothing else mends, with what it brings named. Of what changes nothing is planned again.
 */
final class Trials
{
    private const ROUNDING = 1.0e-9;

    /** A way that leaves more than this of what is amiss, and of what is said as much, changes next to nothing. */
    private const MOST_LEFT = 0.9;

    /** A trial is a step, and one more for every so many tubs of the garden: each of them is judged again. */
    private const TUBS_A_STEP = 10;

    /** @var array<string, Judgement> by patch */
    private array $tried = [];

    /** The mark of the finding that is looked at, where trials leave that mark out otherwise. */
    private string $of = '';

    public function __construct(private readonly Planner $planner, private readonly Judgement $now)
    {
    }

    /**
     * The finding with the ways out of it that help: those that mend it; where none does those that lessen it; else those at a cost. Where
     * there was not time to try them, all of them, marked so.
     */
    public function mended(Finding $finding): Finding
    {
        $this->of = $finding->mark !== '' && ! $this->planner->isTried($finding->mark) ? $finding->mark : '';
        $helping = ['mends' => [], 'lessens' => [], 'costs' => []];
        foreach ($finding->ways() as $first) {
            $best = $this->best($finding, $first);
            if ($best === null) {
                return $finding->listed();
            }
            [$how, $way] = $best;
            if ($way !== null) {
                $helping[$how][] = $way;
            }
        }

        return $finding->mendedBy(current(array_filter($helping)) ?: []);
    }

    /**
     * Of a way and what else to try the first that mends the finding; else the one that lessens it most, else the first that brings a
     * stop in place of a stop. Null where there was not time for it.
     *
     * @return array{string, Remedy|null}|null
     */
    private function best(Finding $finding, Remedy $first): ?array
    {
        $lessens = $costs = null;
        $least = INF;
        for ($way = $first; $way !== null; $way = $way->otherwise === null ? null : ($way->otherwise)()) {
            if (! $this->mayTry($way)) {
                return null;
            }
            $left = $this->left($finding, $way);
            $brought = $left === null ? null : $this->brought($finding, $way);
            if ($left === null || $brought === null) {
                continue;
            }
            if ($brought !== []) {
                $costs ??= $finding->severity === Severity::Stop ? $way->bringing($brought) : null;
            } elseif ($left === []) {
                return ['mends', $way->bringing([])];
            } elseif (self::amiss($left) < $least) {
                [$lessens, $least] = [$way->bringing([]), self::amiss($left)];
            }
        }

        return $lessens === null ? ['costs', $costs] : ['lessens', $lessens];
    }

    /** Of a way and what else to try the first that brings no stop; the first of all where each of them does. */
    public function harmless(Remedy $first): Remedy
    {
        for ($way = $first; $way !== null; $way = $way->otherwise === null ? null : ($way->otherwise)()) {
            $stops = array_filter(
                $this->broughtUp($this->after($way), Severity::Mend->rank()),
                static fn (Finding $f): bool => $f->severity === Severity::Stop,
            );
            if ($stops === []) {
                return $way;
            }
        }

        return $first;
    }

    /**
     * What a way leaves of a finding and others of its kind on the tub; null where that is no less than now.
     *
     * @return list<Finding>|null
     */
    private function left(Finding $finding, Remedy $way): ?array
    {
        $then = $this->after($way);
        $kind = self::kind($finding);
        $places = $this->places($then);
        $now = self::byKind($this->now, $places)[$kind] ?? null;
        $left = self::byKind($then, $places)[$kind] ?? [];

        return $now === null || ! self::isLess($left, $now) ? null : $left;
    }

    /**
     * The stops that would come up; null where nothing stops, but something comes up that is worse than the finding: what mends one thing
     * and spoils another is no way out.
     *
     * @return list<Finding>|null
     */
    private function brought(Finding $finding, Remedy $way): ?array
    {
        $brought = $this->broughtUp($this->after($way), max(Severity::Mend->rank(), $finding->severity->rank()));
        $stops = array_values(array_filter($brought, static fn (Finding $f): bool => $f->severity === Severity::Stop));

        return $stops === [] && $brought !== [] ? null : $stops;
    }

    private function mayTry(Remedy $way): bool
    {
        $steps = 1 + intdiv(count($this->now->plan->garden->tubs), self::TUBS_A_STEP);

        return isset($this->tried[$this->named($way)]) || $this->planner->aids->memory->mayTake($steps);
    }

    private function after(Remedy $way): Judgement
    {
        return $this->tried[$this->named($way)] ??= $this->planner->judgeAgain($this->now, $way->patch, $this->of);
    }

    private function named(Remedy $way): string
    {
        return $this->of.GardenFile::encode((object) ['patch' => $way->patch]);
    }

    /** @return list<string> where something else is said than now */
    private function places(Judgement $then): array
    {
        return array_values(array_filter(
            array_keys($then->said),
            fn (string $place): bool => $then->said[$place] !== ($this->now->said[$place] ?? []),
        ));
    }

    /**
     * What is worse than a rank and than anything of its kind was.
     *
     * @return list<Finding>
     */
    private function broughtUp(Judgement $then, int $rank): array
    {
        $places = $this->places($then);
        $now = self::byKind($this->now, $places);
        $brought = [];
        foreach (self::byKind($then, $places) as $kind => $findings) {
            $worst = min([PHP_INT_MAX, ...array_map(static fn (Finding $f): int => $f->severity->rank(), $now[$kind] ?? [])]);
            foreach ($findings as $finding) {
                if ($finding->severity->rank() < min($worst, $rank)) {
                    $brought[] = $finding;
                }
            }
        }

        return $brought;
    }

    /**
     * Whether there is less to be said: fewer stops, or as many and fewer mends, and so on; else less amiss in all, by a tenth at least.
     *
     * @param  list<Finding>  $after
     * @param  list<Finding>  $now
     */
    private static function isLess(array $after, array $now): bool
    {
        foreach (Severity::cases() as $severity) {
            $of = static fn (Finding $f): bool => $f->severity === $severity;
            $fewer = count(array_filter($after, $of)) <=> count(array_filter($now, $of));
            if ($fewer !== 0) {
                return $fewer < 0;
            }
        }

        return self::amiss($after) <= self::MOST_LEFT * self::amiss($now) + self::ROUNDING && self::amiss($after) < self::amiss($now);
    }

    /** @param  list<Finding>  $findings */
    private static function amiss(array $findings): float
    {
        return array_sum(array_map(static fn (Finding $f): float => $f->by, $findings));
    }

    private static function kind(Finding $finding): string
    {
        return "$finding->code $finding->tub";
    }

    /**
     * @param  list<string>  $places
     * @return array<string, list<Finding>>
     */
    private static function byKind(Judgement $judgement, array $places): array
    {
        $byKind = [];
        foreach ($places as $place) {
            foreach ($judgement->said[$place] ?? [] as $finding) {
                $byKind[self::kind($finding)][] = $finding;
            }
        }

        return $byKind;
    }
}
