<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Days\Growing;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\Marks\Crop\HandOver;
use KelpTub\Core\Marks\Tub\TubPlan;

/**
 * Which cups each planting of one copy of a tub has, and until when: it gives up those that another is set into later. Source: handbook,
 * log (where it is kept: cups).
 */
final readonly class Standing
{
    /** @param  list<Planting>  $plantings  of the copy */
    private function __construct(private TubPlan $plan, private array $plantings)
    {
    }

    /**
     * @param  list<Planting>  $plantings  of one copy of the tub
     * @return list<Growing> in their order; one whose cups are given up on several days is several
     */
    public static function of(TubPlan $plan, array $plantings): array
    {
        $standing = new self($plan, $plantings);
        $cups = array_map($standing->cups(...), $plantings);
        $growing = [];
        foreach ($plantings as $i => $planting) {
            $until = [];
            foreach ($cups[$i] as $cup) {
                $until[$standing->until($i, $cup, $cups) ?? PHP_INT_MAX][] = $cup;
            }
            ksort($until);
            foreach ($until as $to => $of) {
                $growing[] = new Growing(
                    $planting,
                    new CropShare($planting->crop, count($of)),
                    $of,
                    $to === PHP_INT_MAX ? null : $to,
                );
            }
        }

        return $growing;
    }

    /** @return list<int> numbers of the holes that a planting stands in, from 1 on */
    private function cups(Planting $planting): array
    {
        $holes = count($this->plan->plants->cropAt);
        if ($planting->cups !== null) {
            return array_values(array_filter($planting->cups, static fn (int $cup): bool => $cup >= 1 && $cup <= $holes));
        }
        $named = [];
        foreach ($this->plantings as $other) {
            if ($other !== $planting && $other->cups !== null && self::meet($planting, $other)) {
                $named = [...$named, ...$other->cups];
            }
        }
        $planted = array_filter($this->plan->plants->cropAt);
        $its = array_filter($planted, static fn (Crop $crop): bool => $crop->key === $planting->crop->key);

        return array_values(array_diff(
            array_map(static fn (int $hole): int => $hole + 1, array_keys($its === [] ? $planted : $its)),
            $named,
        ));
    }

    private static function meet(Planting $a, Planting $b): bool
    {
        return ($a->cleared === null || $a->cleared > $b->setIn) && ($b->cleared === null || $b->cleared > $a->setIn);
    }

    /**
     * The day on which a planting gives up a cup; null where it keeps it.
     *
     * @param  list<list<int>>  $cups  of each planting
     */
    private function until(int $of, int $cup, array $cups): ?int
    {
        $planting = $this->plantings[$of];
        $until = $planting->cleared ?? $this->handOver($planting) ?? PHP_INT_MAX;
        foreach ($this->plantings as $i => $other) {
            if ($i !== $of && $other->setIn > $planting->setIn && in_array($cup, $cups[$i], true)) {
                $until = min($until, $other->setIn);
            }
        }

        return $until === PHP_INT_MAX ? null : $until;
    }

    /** The day on which a nursery gives its plants away; null elsewhere. */
    private function handOver(Planting $planting): ?int
    {
        $crop = $planting->crop;
        $day = $this->plan->tub->system === GrowingSystem::Nursery
            ? HandOver::day($this->plan, new CropShare($crop, 1))
            : null;

        return $day === null ? null : $planting->setIn + max(1, $day);
    }
}
