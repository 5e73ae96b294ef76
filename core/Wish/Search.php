<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\File\GardenFile;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;
use stdClass;

/**
 * Looks for designs that fulfil a wish: how many plants, in which tubs, with which pump; every kind of tub planned by itself, then those
 * that may go together planned whole. Exact over what is looked at; what is not is counted. Source: handbook, format (the wish).
 */
final class Search
{
    /** So many whole gardens of several beds are planned for one way to put plants into tubs. */
    private const TOGETHER = 36;

    /** Steps that a bed takes at least: one kind of tub, looked after in three ways. */
    private const LEAST_OF_A_BED = 15;

    /** † who gets less than this share of what there could be would rather have known another way. */
    private const RICH = 0.5;

    public readonly LeftOut $leftOut;

    public readonly Shortfalls $shortfalls;

    private readonly Workbench $bench;

    /** @var list<Portion> */
    public array $portions = [];

    /** Whether it came to its end within its budget. */
    public bool $isComplete = true;

    /** @var array<string, Tried> by their gardens as text */
    private array $designs = [];

    public function __construct(Planner $planner, public readonly Wish $wish, public readonly Steps $steps)
    {
        $this->leftOut = new LeftOut;
        $this->bench = new Workbench($planner, $wish, $steps);
        $this->shortfalls = new Shortfalls($wish, new QuantityWriter(UnitSystem::from($wish->units)));
    }

    /** Whether all that is to be eaten likes to grow there and then. */
    public function growsWell(): bool
    {
        return (new Portions($this->bench, $this->leftOut))->all(well: true) !== [];
    }

    /** @return list<Tried> every whole design that was looked at and has no stop */
    public function designs(): array
    {
        $this->portions = (new Portions($this->bench, $this->leftOut))->all();
        $ways = $this->portions === [] ? [] : Beds::ways($this->portions);
        foreach ($ways as $i => $beds) {
            if ($this->designs !== [] && $this->steps->left() < self::LEAST_OF_A_BED * count($beds)) {
                $this->notLookedAt();
            } else {
                $this->together($beds, $this->steps->share(count($ways) - $i));
            }
        }

        return array_values($this->designs);
    }

    /**
     * @param  non-empty-list<Bed>  $beds
     * @param  int  $until  steps that may have been taken then; half of them go to the beds by themselves where there are several
     */
    private function together(array $beds, int $until): void
    {
        $choices = [];
        $alone = count($beds) === 1 ? $until : intdiv($this->steps->taken() + $until, 2);
        foreach ($beds as $i => $bed) {
            $tried = $this->alone($bed, $this->steps->taken() + intdiv($alone - $this->steps->taken(), count($beds) - $i));
            if ($tried === []) {
                return;
            }
            $choices[] = $tried;
        }
        if (count($beds) === 1) {
            foreach ($choices[0] as $one) {
                $this->keep($one);
            }

            return;
        }
        $each = max(1, (int) floor(self::TOGETHER ** (1 / count($beds)) + 1.0e-9));
        $sets = [[]];
        foreach ($choices as $ofBed) {
            $best = $this->best($ofBed, $each);
            $this->leftOut->because('a tub that others beat by themselves', count($ofBed) - count($best));
            $grown = [];
            foreach ($sets as $set) {
                foreach ($best as $one) {
                    $grown[] = [...$set, $one->tubs[0]];
                }
            }
            $sets = $grown;
        }
        foreach ($sets as $i => $tubs) {
            if ($i > 0 && $this->steps->taken() >= $until) {
                $this->notLookedAt();

                continue;
            }
            /** @var non-empty-list<TubChoice> $tubs */
            $this->keep($this->bench->tried($tubs));
        }
    }

    /**
     * A bed by itself in every kind of tub that holds it.
     *
     * @param  int  $until  steps that may have been taken then; until one is found it goes on all the same
     * @return list<Tried> without those that have a stop
     */
    private function alone(Bed $bed, int $until): array
    {
        $choices = new BedChoices($this->bench, $this->leftOut);
        $all = [];
        foreach ($choices->of($bed) as $choice) {
            if ($all !== [] && $this->steps->taken() >= $until) {
                $this->notLookedAt();

                continue;
            }
            foreach ($this->lookedAfter($choices, $choice) as $tried) {
                if ($tried->stops() === []) {
                    $all[] = $tried;
                } else {
                    $this->leftOut->because(self::whyStopped($tried->stops()[0]));
                }
            }
        }

        return $all;
    }

    /**
     * A kind of tub in each way to look after it.
     *
     * @return list<Tried>
     */
    private function lookedAfter(BedChoices $choices, TubChoice $choice): array
    {
        $fitted = array_filter(array_map($choices->fitted(...), $choices->habits($choice)));

        return array_map(fn (TubChoice $habit): Tried => $this->bench->tried([$habit]), array_values($fitted));
    }

    /**
     * Those of a bed that are put together with others: sound ones and such as keep the wish first, then those that nothing beats, then the
     * cheapest.
     *
     * @param  list<Tried>  $all
     * @return list<Tried>
     */
    private function best(array $all, int $most): array
    {
        $front = Front::of($all);
        $rank = fn (Tried $t): array => [
            count(array_filter($this->shortfalls->of($t), static fn (Shortfall $s): bool => $s->of !== 'cap')),
            count($t->mends()),
            ! in_array($t, $front, true),
            $t->figures()->outlay,
            $t->key(),
        ];
        $ranks = array_map($rank, $all);
        $order = array_keys($all);
        usort($order, static fn (int $a, int $b): int => $ranks[$a] <=> $ranks[$b]);

        return array_map(static fn (int $i): Tried => $all[$i], array_slice($order, 0, $most));
    }

    /** Whether a design brings half at least of what as many plants would bring with water, air and room enough. */
    public function isRich(Tried $design): bool
    {
        $could = array_sum(array_map(static fn (Portion $p): float => $p->plants * $p->grams, $this->portions));

        return $design->grams() >= self::RICH * $could;
    }

    /** The feed that all of it takes, by key. */
    public function feed(): string
    {
        return $this->bench->product;
    }

    private function notLookedAt(): void
    {
        $this->isComplete = false;
        $this->leftOut->because('not looked at: the search has an end');
    }

    private static function whyStopped(Finding $stop): string
    {
        [$kind] = explode('.', $stop->code);

        return match (true) {
            str_ends_with($stop->code, '.dry') => 'runs dry before the harvest',
            $stop->code === 'season.killed' => 'its plants die in it',
            $kind === 'lid', $kind === 'cup' => 'its lid or its cups will not hold',
            $kind === 'air', $stop->code === 'season.air' => 'has too little air',
            default => 'must not be built so',
        };
    }

    private function keep(Tried $design): void
    {
        if ($design->stops() === []) {
            $this->designs[GardenFile::encode($design->document)] ??= $design;
        }
    }

    /** The same design with its document as it is given out, planned anew. */
    public function anew(Tried $design, stdClass $document): Tried
    {
        return $this->bench->of($design->tubs, $document);
    }
}
