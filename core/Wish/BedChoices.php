<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\PartReader;
use KelpTub\Core\Geometry\Point;
use KelpTub\Core\Lid\PatternKind;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Units\UnitSystem;
use KelpTub\Core\Vessel\Vessel;
use KelpTub\Core\WhatIf\NewTubAdvice;
use stdClass;

/**
 * The kinds of tub in which a bed may stand: every vessel of the Library and of one's own, with air or still, with the cup that is advised
 * for it, as many as the plants take. What cannot be a design whatever else is chosen is left out before it is planned, the most promising
 * comes first.
 */
final readonly class BedChoices
{
    /** No more tubs alike than this. */
    private const MOST_ALIKE = 12;

    /** Sold by US measures, as their names say. */
    private const US_SIZE = '/\b(gal|gallon|quart|pint)\b/';

    /** Still tubs are filled once, or looked after in one of these ways. */
    private const STILL = [TopUps::None, TopUps::Quarter, TopUps::Half];

    public function __construct(private Workbench $bench, private LeftOut $leftOut)
    {
    }

    /**
     * What is worth planning, most promising first: by what its vessels cost for the water that the plants want.
     *
     * @return list<TubChoice> with as many plants in one as the bed has; laid out by {@see fitted}
     */
    public function of(Bed $bed): array
    {
        $choices = [];
        foreach ($this->vessels() as [$given, $vessel]) {
            foreach ($this->bench->wish->tending->systems as $system) {
                $why = $this->whyNot($bed, $vessel, $system);
                if ($why !== null) {
                    $this->leftOut->because($why);

                    continue;
                }
                $isTraced = ! $this->bench->wish->tending->drill && ! $vessel->isOpenMouthed();
                $choices[] = new TubChoice(
                    $bed, $given, $this->whole($given), $vessel,
                    NewTubAdvice::cup($vessel, $system, $bed->largest(), $this->bench->library()),
                    $system, TopUps::defaultFor($system), 1, array_map(static fn (Portion $p): int => $p->plants, $bed->portions),
                    'best', $isTraced,
                );
            }
        }
        $promise = array_map($this->promise(...), $choices);
        $order = array_keys($choices);
        usort($order, static fn (int $a, int $b): int => [$promise[$a], $a] <=> [$promise[$b], $b]);

        return array_map(static fn (int $i): TubChoice => $choices[$i], $order);
    }

    /**
     * The ways to look after a tub, the least work first: still water is filled once, or else topped up as far as its air gap allows.
     *
     * @return non-empty-list<TubChoice>
     */
    public function habits(TubChoice $choice): array
    {
        return $choice->system === GrowingSystem::Aerated ? [$choice] : array_map(
            static fn (TopUps $topUps): TubChoice => $choice->with(['topUps' => $topUps]),
            self::STILL,
        );
    }

    private function whole(string|stdClass $given): stdClass
    {
        return is_string($given) ? $this->bench->library()->vessels->raw($given) : $given;
    }

    /** @return list<array{string|stdClass, Vessel}> of the Library and one's own, each once */
    private function vessels(): array
    {
        $wish = $this->bench->wish;
        $shelf = $this->bench->library()->vessels;
        $isUs = $wish->units === UnitSystem::Us->value;
        $all = [];
        foreach ($shelf as $key => $vessel) {
            if (! $isUs || preg_match(self::US_SIZE, $vessel->name) === 1 || in_array($key, $wish->vessels, true)) {
                $all[] = [(string) $key, $vessel];
            }
        }
        foreach ($wish->vessels as $own) {
            if ($own instanceof stdClass) {
                $all[] = [$own, PartReader::vessel($own, null)];
            }
        }

        return $all;
    }

    /** Why no design may come of it, whatever else is chosen; null where one may. */
    private function whyNot(Bed $bed, Vessel $vessel, GrowingSystem $system): ?string
    {
        $room = $this->bench->wish->room;
        [$long, $short] = TubChoice::sides($vessel);
        $isStill = $system === GrowingSystem::Passive;
        $fits = fn (float $length, float $depth): bool => $long <= $length && $short <= $depth;

        return match (true) {
            $isStill && $this->isAnyNot($bed) => 'does badly in still water',
            ! $fits($room->length, $room->depth) && ! $fits($room->depth, $room->length) => 'is too large for the floor',
            $vessel->profile->rim() + $bed->height() > $room->height => 'is too high with its plants',
            $bed->isShared() && $vessel->isOpenMouthed() => 'holds one plant, and several were to share it',
            default => null,
        };
    }

    private function isAnyNot(Bed $bed): bool
    {
        return array_filter($bed->portions, static fn (Portion $p): bool => $p->crop->stillWater === StillWater::No) !== [];
    }

    private function promise(TubChoice $choice): float
    {
        $litres = array_sum(array_map(static fn (Portion $p): float => $p->plants * $p->crop->litresPerPlant, $choice->bed->portions));
        $least = $choice->vessel->isOpenMouthed() ? $choice->bed->plants() : 1;
        $count = max($least, ceil($litres / max(0.1, $choice->vessel->profile->brim())));
        $price = $choice->given instanceof stdClass || ($this->bench->wish->owned[$choice->given] ?? 0.0) > 0.0
            ? 0.0 : $this->bench->price($choice->given) ?? 100.0;

        // A pump is for all tubs; still ones make do without.
        return $count * $price + ($choice->system === GrowingSystem::Aerated ? $this->bench->price('pump-4w-2') ?? 0.0 : 0.0);
    }

    /**
     * A choice with as many alike as its bed takes, and its holes laid out in a regular pattern; null where it does not hold it.
     */
    public function fitted(TubChoice $choice): ?TubChoice
    {
        $bed = $choice->bed;
        $full = $this->planned($choice, ! $bed->isShared());
        $carries = $full->plants->capacity->plants;
        if ($bed->isShared()) {
            return $full->holes->count() >= $bed->plants() && $full->holes->complete
                ? $choice->with([...self::layout($full), 'lidTop' => $full->lidTop()])
                : $this->out('does not hold so many plants');
        }
        if ($carries < 1) {
            return $this->out('carries none of its plants');
        }
        $count = (int) ceil($bed->plants() / $carries);
        if ($count > self::MOST_ALIKE) {
            return $this->out('would take more than '.self::MOST_ALIKE.' alike');
        }
        $each = (int) ceil($bed->plants() / $count);
        $fitted = $choice->with(['count' => $count, 'plants' => [$each], 'lidTop' => $full->lidTop()]);
        $plan = $each === $full->holes->count() ? $full : $this->planned($fitted, false);

        return $fitted->with(self::layout($plan));
    }

    private function out(string $why): null
    {
        $this->leftOut->because($why);

        return null;
    }

    /**
     * The regular pattern that it was laid out in, so that nothing is left to be searched; where it is in none, the holes themselves.
     *
     * @return array<string, mixed>
     */
    private static function layout(TubPlan $plan): array
    {
        $arrangement = $plan->holes->arrangement;

        return in_array($arrangement->pattern, PatternKind::regular(), true) ? ['pattern' => $arrangement->pattern->value] : [
            'holes' => array_map(static fn (Point $p): stdClass => (object) ['x_mm' => $p->x, 'y_mm' => $p->y], $arrangement->points),
        ];
    }

    private function planned(TubChoice $choice, bool $full): TubPlan
    {
        return array_values($this->bench->begun([$choice->with(['count' => 1])], null, $full)->get(TubPlans::class)->tubs)[0];
    }
}
