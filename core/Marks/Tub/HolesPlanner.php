<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropPlaces;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\CropWish;
use KelpTub\Core\Garden\HoleWish;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\Arrangement;
use KelpTub\Core\Lid\LayoutMemory;
use KelpTub\Core\Lid\LayoutQuestion;
use KelpTub\Core\Lid\LayoutSolver;
use KelpTub\Core\Lid\LayoutSpace;
use KelpTub\Core\Lid\PatternKind;

/** How many cups one lid takes, and where they go. */
final readonly class HolesPlanner
{
    /** How many places of a larger pattern may stay uncut to get the number asked for. */
    private const MOST_UNCUT = 3;

    private const ROUNDING_MM = 1.0e-9;

    /** So many counts of plants of several crops are looked at one by one. */
    private const ONE_BY_ONE = 6;

    private LayoutSpace $space;

    private LayoutSolver $solver;

    private PatternKind $kind;

    /** @var list<float> what the crops want between neighbours of their own kind, under the tub's school of density, mm */
    private array $spacings;

    public function __construct(private Tub $tub, private Cutting $cutting, LayoutMemory $memory)
    {
        $this->space = $cutting->space;
        $this->solver = new LayoutSolver($this->space, $memory);
        $this->kind = $tub->holes->layout->regular();
        $this->spacings = array_map(
            static fn (CropWish $w): float => $w->crop->spacingMm * $tub->planting->density->spacingShare(),
            $tub->planting->crops,
        );
    }

    /** Whether a layout was asked for that is not known yet. */
    public function isWaiting(): bool
    {
        return $this->solver->isWaiting();
    }

    /**
     * The most cups by the lid alone, and with the room that the crops want.
     *
     * @return array{int, int}
     */
    public function most(): array
    {
        if ($this->cutting->inMouth) {
            return [1, 1];
        }
        if (! $this->cutting->holdsCups()) {
            return [0, 0];
        }
        $byLid = $this->solver->most($this->kind, $this->space->leastDistanceOfMost(), $this->space->mostByArea());
        if ($this->spacings === [] || max($this->spacings) <= $this->space->leastDistanceOfMost()) {
            return [$byLid, $byLid];
        }
        $apart = $this->solver->most($this->kind, max($this->spacings), $byLid);

        return [$byLid, min($this->spacings) === max($this->spacings) ? $apart : $this->mostOfMixed($byLid, $apart, min($this->spacings))];
    }

    /** The most plants of several crops with unlike spacings, found once for all; no fewer than $apart. */
    private function mostOfMixed(int $byLid, int $apart, float $narrowest): int
    {
        $leastDistance = max($this->space->leastDistanceOfMost(), $narrowest);
        $within = $this->solver->most($this->kind, $leastDistance, $byLid);
        $crops = array_map(
            static fn (CropWish $w): array => [$w->crop->key, $w->crop->matureHeightMm, $w->plants],
            $this->tub->planting->crops,
        );
        $question = LayoutQuestion::mixed($this->space, [$this->kind, $leastDistance, $apart, $within, $this->spacings, $crops]);

        return $this->solver->remembered($question, fn (): int => $this->mostMixed($leastDistance, $apart, $within));
    }

    /**
     * The most plants of several crops whose neighbours keep the mean of their spacings: more than at the widest of them ($apart), no
     * more than at the narrowest ($within), as laid out by the regular pattern of so many cups.
     */
    private function mostMixed(float $leastDistance, int $apart, int $within): int
    {
        // Halving first; which counts have a pattern is a matter of luck, so the last few are looked at one by one.
        while ($within - $apart > self::ONE_BY_ONE) {
            $middle = intdiv($apart + $within + 1, 2);
            [$apart, $within] = $this->holdsMixed($middle, $leastDistance) ? [$middle, $within] : [$apart, $middle - 1];
        }
        for ($cups = $within; $cups > $apart; $cups--) {
            if ($this->holdsMixed($cups, $leastDistance)) {
                return $cups;
            }
        }

        return $apart;
    }

    /** Whether so many plants of the crops, in their proportions, keep the mean of their spacings. */
    private function holdsMixed(int $cups, float $leastDistance): bool
    {
        $planting = $this->tub->planting;
        $arrangement = $this->kind === PatternKind::Best
            ? $this->solver->regular($cups, $leastDistance)
            : $this->solver->arrange($this->kind, $cups, $leastDistance);
        if ($arrangement === null) {
            return false;
        }
        $wishes = array_map(
            static fn (CropShare $s): CropWish => new CropWish($s->crop, $s->plants),
            CropMix::inProportion($planting->crops, $planting->density, $cups)->shares,
        );
        $crops = CropPlaces::of($wishes, null, [], $planting->density, $arrangement);
        foreach ($arrangement->points as $i => $point) {
            for ($j = 0; $j < $i; $j++) {
                [$crop, $other] = [$crops[$i], $crops[$j]];
                if (
                    $crop !== null
                    && $other !== null
                    && $point->distanceTo($arrangement->points[$j]) < $planting->density->spacing($crop, $other) - self::ROUNDING_MM
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * The holes, how many were asked for, and whether the pattern is complete.
     *
     * @param  callable(int): ?int  $byWater  how many plants the water carries with so many cups
     * @return array{Arrangement, int, bool}
     */
    public function layOut(int $byLid, int $bySpacing, callable $byWater): array
    {
        $wish = $this->tub->holes->layout;
        if ($this->cutting->inMouth) {
            return [Arrangement::of(PatternKind::Single, [new Point(0.0, 0.0)]), $wish->cups ?? 1, true];
        }
        if ($wish->isByHand()) {
            return [
                Arrangement::of(PatternKind::Manual, array_map(static fn (HoleWish $h): Point => $h->point, $wish->holes)),
                count($wish->holes),
                true,
            ];
        }
        $asked = $wish->cups ?? $this->plantsSaid();

        return $asked === null ? $this->asMany(min($byLid, $bySpacing), $byWater) : $this->asAsked($asked);
    }

    /**
     * As many cups as lid and spacing allow and the water carries.
     *
     * @param  callable(int): ?int  $byWater
     * @return array{Arrangement, int, bool}
     */
    private function asMany(int $cups, callable $byWater): array
    {
        while ($cups > 1 && ($byWater($cups) ?? $cups) < $cups) {
            $cups--;
        }
        $leastDistance = max([$this->space->leastDistanceOfMost(), ...$this->spacings]);

        return $this->place($cups, $leastDistance) ?? $this->place(
            $cups,
            $this->space->leastDistanceOfMost(),
        ) ?? [self::none(), $cups, true];
    }

    /** @return array{Arrangement, int, bool} so many cups, or the most that fit */
    private function asAsked(int $asked): array
    {
        $least = $this->space->leastDistance();
        $most = $this->solver->most($this->kind, $least, $asked);
        // What cannot be spread may still be a larger regular pattern with a few places uncut.
        $placed = $most < $asked && $this->kind->isFree()
            ? $this->uncut($asked, fn (int $cups): ?Arrangement => $this->solver->regular($cups, $least))
            : $this->place($asked, $least);
        [$arrangement, , $complete] = $placed ?? $this->place($most, $least) ?? [self::none(), $most, true];

        return [$arrangement, $asked, $complete];
    }

    /**
     * Exactly $cups holes at least $leastDistance apart: a complete pattern, or one with a few places that stay uncut.
     *
     * @return array{Arrangement, int, bool}|null
     */
    private function place(int $cups, float $leastDistance): ?array
    {
        $arrangement = $cups < 1 ? null : $this->solver->arrange($this->kind, $cups, $leastDistance);

        return $arrangement !== null
            ? [$arrangement, $cups, true]
            : $this->uncut($cups, fn (int $more): ?Arrangement => $this->solver->arrange($this->kind, $more, $leastDistance));
    }

    /**
     * So many holes of a pattern that has a few more, which stay uncut.
     *
     * @param  callable(int): (Arrangement|null)  $arrange
     * @return array{Arrangement, int, bool}|null
     */
    private function uncut(int $cups, callable $arrange): ?array
    {
        for ($uncut = 1; $cups > 0 && $uncut <= self::MOST_UNCUT; $uncut++) {
            $arrangement = $arrange($cups + $uncut);
            if ($arrangement !== null) {
                return [$arrangement->first($cups), $cups, false];
            }
        }

        return null;
    }

    private static function none(): Arrangement
    {
        return Arrangement::of(PatternKind::Manual, []);
    }

    /** How many plants several crops come to, where each has its number; null otherwise. */
    private function plantsSaid(): ?int
    {
        $numbers = array_map(static fn (CropWish $w): ?int => $w->plants, $this->tub->planting->crops);

        return $numbers === [] || in_array(null, $numbers, true) || array_sum($numbers) === 0 ? null : array_sum($numbers);
    }
}
