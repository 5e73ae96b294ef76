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

    /** @var array<string, Judgement> by patch */
    private array $tried = [];

    public function __construct(private readonly Planner $planner, private readonly Judgement $now)
    {
    }

    /** The finding with the ways out of it that help. */
    public function mended(Finding $finding): Finding
    {
        $helping = $costly = [];
        foreach ($finding->ways() as $way) {
            for (; $way !== null; $way = $way->otherwise === null ? null : ($way->otherwise)()) {
                $brought = $this->brought($finding, $way);
                if ($brought === []) {
                    $helping[] = $way->bringing([]);
                    break;
                }
                if ($brought !== null && $finding->severity === Severity::Stop) {
                    $costly[] = $way->bringing($brought);
                }
            }
        }

        return $finding->mendedBy($helping === [] ? $costly : $helping);
    }

    /**
     * What would come up that is worse than the finding, or stops; null where the way does not help against it at all.
     *
     * @return list<Finding>|null
     */
    private function brought(Finding $finding, Remedy $way): ?array
    {
        $key = GardenFile::encode((object) ['patch' => $way->patch]);
        $then = $this->tried[$key] ??= $this->planner->judgeAgain($this->now, $way->patch);
        $places = array_values(array_filter(
            array_keys($then->said),
            fn (string $place): bool => $then->said[$place] !== ($this->now->said[$place] ?? []),
        ));
        $now = self::byKind($this->now, $places);
        $after = self::byKind($then, $places);
        $kind = self::kind($finding);
        if (! isset($now[$kind]) || ! self::isLess($after[$kind] ?? [], $now[$kind])) {
            return null;
        }
        $brought = [];
        foreach ($after as $other => $findings) {
            $worst = min(array_map(static fn (Finding $f): int => $f->severity->rank(), $now[$other] ?? []) ?: [PHP_INT_MAX]);
            foreach ($findings as $new) {
                if ($new->severity->rank() < $worst && $new->severity->rank() < max(1, $finding->severity->rank())) {
                    $brought[] = $new;
                }
            }
        }
        // What mends badly, or worse than it was, is no way out; a stop may be worth it.
        $stops = array_values(array_filter($brought, static fn (Finding $f): bool => $f->severity === Severity::Stop));

        return $stops === [] && $brought !== [] ? null : $stops;
    }

    /**
     * Whether there is less to be said: fewer stops, or as many and fewer mends, and so on; else less amiss in all.
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
        $amiss = static fn (array $findings): float => array_sum(array_map(static fn (Finding $f): float => $f->by, $findings));

        return $amiss($after) < $amiss($now) - self::ROUNDING * max(1.0, abs($amiss($now)));
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
