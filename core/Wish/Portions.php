<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\Crop\TopUps;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\Shelf;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Severity;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Season\SeasonRun;
use KelpTub\Core\Vessel\Vessel;
use KelpTub\Core\WhatIf\NewTubAdvice;

/**
 * How many plants of which crops a wish comes to. Each crop is grown once in the largest vessel of the Library, in the wish's place: so
 * long it takes and so much it brings there. Of a group the crops come in the order in which growers usually begin with them.
 */
final class Portions
{
    /** † what people begin with; the rest of a group follows in the order of the crop table. */
    private const USUAL = [
        'leaf' => ['lettuce-leaf', 'lettuce-romaine', 'mizuna', 'rocket', 'pak-choi'],
        'herb' => ['basil', 'parsley', 'chives', 'coriander', 'mint', 'dill'],
        'fruit' => ['tomato-dwarf', 'chilli', 'strawberry', 'bush-bean'],
        'root' => ['kohlrabi', 'fennel-bulb'],
        'flower' => ['viola', 'nasturtium'],
    ];

    /** Of a group so many crops are chosen at most. */
    private const KINDS = 3;

    /** No more plants than this of one thing. */
    private const MOST = 120;

    private const WEEK = 7;

    private const WEATHER = ['season.killed', 'season.cold', 'season.warm', 'season.slow', 'crop.temperature'];

    /** @var array<string, array{FeedPlan, list<Finding>}|null> by crop */
    private array $grown = [];

    public function __construct(private readonly Workbench $bench, private readonly LeftOut $leftOut)
    {
    }

    /**
     * @param  bool  $well  whether only crops count that like it there and then
     * @return list<Portion> none where something of the wish cannot be grown at all
     */
    public function all(bool $well = false): array
    {
        $this->chooseFeed();
        $portions = [];
        foreach ($this->bench->wish->eats as $eat) {
            $of = $this->of($eat, $well);
            if ($of === []) {
                return [];
            }
            $portions = [...$portions, ...$of];
        }

        return $portions;
    }

    /** The feed of fewest parts that none of the crops named wants better. */
    private function chooseFeed(): void
    {
        $named = array_filter(array_map(
            static fn (Eat $e): ?string => $e->crop ?? self::USUAL[$e->group->value ?? ''][0] ?? null,
            $this->bench->wish->eats,
        ));
        $named = array_filter($named, fn (string $key): bool => $this->table()->has($key));
        foreach (Workbench::products($this->bench->library()) as $product) {
            $this->bench->product = $product;
            $this->grown = [];
            foreach ($named as $key) {
                $grown = $this->grown($this->table()->get($key));
                $feed = array_filter($grown[1] ?? [], static fn (Finding $f): bool => str_starts_with($f->code, 'feed.')
                    && $f->severity !== Severity::Mind);
                if ($feed !== []) {
                    continue 2;
                }
            }

            return;
        }
        $this->bench->product = Workbench::products($this->bench->library())[0];
        $this->grown = [];
    }

    /** @return Shelf<Crop> */
    private function table(): Shelf
    {
        return $this->bench->library()->crops;
    }

    /** @return list<Portion> */
    private function of(Eat $eat, bool $well): array
    {
        $kinds = $eat->crop !== null || $eat->as !== Amount::Plants || $eat->group !== CropGroup::Herb
            ? 1 : min(self::KINDS, (int) $eat->amount);
        $chosen = $this->chosen($eat, $kinds, true);
        // What would rather grow elsewhere is grown where nothing likes it better.
        $chosen = $chosen === [] && ! $well ? $this->chosen($eat, $kinds, false) : $chosen;
        $portions = [];
        foreach ($chosen as $i => $one) {
            $plants = $this->plants($one->crop, $eat);
            // Several kinds share the plants that were asked for.
            $plants = $kinds > 1 ? intdiv($plants + count($chosen) - 1 - $i, count($chosen)) : $plants;
            if ($plants > self::MOST) {
                $this->leftOut->because("so much {$one->crop->inSentence()} takes over ".self::MOST.' plants at a time');

                return [];
            }
            $portions[] = new Portion($one->crop, max(1, $plants), $eat, $this->weekly($one->crop));
        }

        return $portions;
    }

    /** @return list<Portion> one plant of each kind that is chosen */
    private function chosen(Eat $eat, int $kinds, bool $well): array
    {
        $chosen = [];
        foreach ($this->crops($eat) as $crop) {
            $why = $this->whyNot($crop) ?? ($well ? $this->whyNotWell($crop) : null);
            if ($why !== null) {
                // Looked at once more with less asked of it, it is left out for the same reason.
                $this->leftOut->because($why, $well ? 1 : 0);

                continue;
            }
            $portion = new Portion($crop, 1, $eat);
            if (Beds::getOn([...$chosen, $portion])) {
                $chosen[] = $portion;
            }
            if (count($chosen) === $kinds) {
                break;
            }
        }

        return $chosen;
    }

    /** @return list<Crop> */
    private function crops(Eat $eat): array
    {
        if ($eat->crop !== null) {
            return [$this->table()->get($eat->crop)];
        }
        $usual = self::USUAL[$eat->group->value ?? ''] ?? [];
        $of = array_filter(iterator_to_array($this->table()), static fn (Crop $c): bool => $c->group === $eat->group);
        $first = array_filter(array_map(static fn (string $key): ?Crop => $of[$key] ?? null, $usual));

        return [...array_values($first), ...array_values(array_diff_key($of, array_flip($usual)))];
    }

    /** Why a crop cannot be grown there at all; null where it can. */
    private function whyNot(Crop $crop): ?string
    {
        $room = $this->bench->wish->room;
        $isStillOnly = ! in_array(GrowingSystem::Aerated, $this->bench->wish->tending->systems, true);
        if ($isStillOnly && $crop->stillWater === StillWater::No) {
            return "{$crop->doingInSentence('does', 'do')} badly in still water";
        }
        if ($crop->matureHeightMm >= $room->height) {
            return "{$crop->doingInSentence('grows', 'grow')} higher than there is room for";
        }
        [$feed] = $this->grown($crop) ?? [null];
        $run = $feed?->run();

        return match (true) {
            $run === null => "no vessel holds {$crop->inSentence()}",
            $run->harvest(0) <= 0.0 => "{$crop->doingInSentence('comes', 'come')} to no harvest there and then",
            default => null,
        };
    }

    /** Why a crop would rather grow elsewhere or at another time; null where it likes it. */
    private function whyNotWell(Crop $crop): ?string
    {
        $suffers = array_filter(
            $this->grown($crop)[1] ?? [],
            static fn (Finding $f): bool => in_array($f->code, self::WEATHER, true) && $f->severity !== Severity::Mind,
        );

        return $suffers === [] ? null : "{$crop->doingInSentence('suffers', 'suffer')} from the warmth or the cold there and then";
    }

    /** What one plant brings in a week, g. */
    private function weekly(Crop $crop): float
    {
        [$feed] = $this->grown($crop) ?? [null];
        $run = $feed?->run();

        return $run === null ? 0.0 : DesignFigures::weekly($crop, $run, 0);
    }

    /** Plants that stand at a time, so that there is as much as was asked for. */
    private function plants(Crop $crop, Eat $eat): int
    {
        [$feed] = $this->grown($crop) ?? [null];
        $run = $feed?->run();
        if ($eat->as === Amount::Plants || ! $run instanceof SeasonRun) {
            return (int) $eat->amount;
        }
        $days = DesignFigures::cycle($crop, $run, 0) ?? (float) $crop->daysTransplantToHarvest;

        return (int) ceil(-1.0e-9 + match (true) {
            $eat->as === Amount::Grams => $eat->amount / max(1.0e-6, $this->weekly($crop)),
            $crop->repeats => $eat->amount,
            default => $eat->amount * $days / self::WEEK,
        });
    }

    /** @return array{FeedPlan, list<Finding>}|null one plant of a crop with water, air and light enough; null where nothing holds it */
    private function grown(Crop $crop): ?array
    {
        if (! array_key_exists($crop->key, $this->grown)) {
            $this->grown[$crop->key] = $this->grow($crop);
        }

        return $this->grown[$crop->key];
    }

    /** @return array{FeedPlan, list<Finding>}|null */
    private function grow(Crop $crop): ?array
    {
        $largest = null;
        foreach ($this->bench->library()->vessels as $vessel) {
            if (! $vessel->isOpenMouthed() && ($largest === null || $vessel->profile->brim() > $largest->profile->brim())) {
                $largest = $vessel;
            }
        }
        if (! $largest instanceof Vessel) {
            return null;
        }
        $tending = $this->bench->wish->tending;
        $system = in_array(GrowingSystem::Aerated, $tending->systems, true) ? GrowingSystem::Aerated : GrowingSystem::Passive;
        $choice = new TubChoice(
            new Bed([new Portion($crop, 1, $this->bench->wish->eats[0])]), (string) $largest->key,
            $this->bench->library()->vessels->raw((string) $largest->key), $largest,
            NewTubAdvice::cup($largest, $system, $crop, $this->bench->library()), $system, TopUps::defaultFor($system), 1, [1], 'single',
        );
        $plan = $this->bench->grown($choice);
        $feeds = $plan->get(FeedPlans::class);

        return [$feeds->of($crop->key), $this->bench->planner->findingsOnTub($plan, $crop->key)];
    }
}
