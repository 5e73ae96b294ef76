<?php

declare(strict_types=1);

namespace KelpTub\Core\Wish;

use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\Supply;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\GardenFile;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchedDocument;
use KelpTub\Core\Garden\AirEdits;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Marks\Air\AirParts;
use KelpTub\Core\Marks\Air\AirPlans;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Season\TopUpStrength;
use KelpTub\Core\WhatIf\ValveWays;
use stdClass;

/** Plans what a search wants to know of, each time a step, and nothing twice. */
final class Workbench
{
    /** So many pumps are tried on one design, from the cheapest that can bring air enough. */
    private const PUMPS = 4;

    private readonly Draft $draft;

    private readonly Garden $bare;

    /** @var array<string, Tried> by the garden as text */
    private array $tried = [];

    /** @var list<Pump>|null */
    private ?array $pumps = null;

    public string $product;

    public function __construct(public readonly Planner $planner, public readonly Wish $wish, public readonly Steps $steps)
    {
        $this->draft = new Draft($wish);
        $this->product = self::products($this->library())[0];
        $this->bare = $planner->of($this->draft->garden([], null, $this->product, null));
    }

    public function library(): Library
    {
        return $this->planner->aids->library;
    }

    /**
     * Products that feed a garden by themselves, those of fewest parts first.
     *
     * @return non-empty-list<string> keys
     */
    public static function products(Library $library): array
    {
        $whole = array_filter(
            $library->products->documents(),
            static fn (stdClass $p): bool => ($p->kind ?? '') !== 'supplement' && ! ($p->organic ?? false),
        );
        $keys = array_map(strval(...), array_keys($whole));
        usort($keys, static fn (string $a, string $b): int => count($whole[$a]->parts) <=> count($whole[$b]->parts));

        return $keys === [] ? ['none'] : $keys;
    }

    /** What one of a part costs; null where nobody sells it. */
    public function price(string $part): ?float
    {
        return UnitPrice::ofOne($this->bare->of(MoneyWish::class)->offersOf($part, $this->library()));
    }

    /**
     * As far as tubs are planned and no further: for those who lay one out.
     *
     * @param  list<TubChoice>  $tubs
     */
    public function begun(array $tubs, ?string $pump = null, bool $full = false): Plan
    {
        $this->steps->layOut();
        $document = $this->draft->garden($tubs, $pump, $this->product, null);
        if ($full) {
            $document->tubs[0]->plants = null;
            if (isset($document->tubs[0]->layout)) {
                $document->tubs[0]->layout->cups = 'max';
            }
        }

        return $this->planner->begun($this->planner->of($document), []);
    }

    /** One plant as it is planned with the pump of most air, so that its season may be asked for. */
    public function grown(TubChoice $choice): Plan
    {
        $this->steps->plan([$choice]);
        $document = $this->draft->garden([$choice], $this->strongest($choice->system), $this->product, null);

        return $this->planner->begun($this->planner->of($document), []);
    }

    /**
     * A design with the cheapest pump that will do, or with the last that was tried where none will.
     *
     * @param  non-empty-list<TubChoice>  $tubs
     */
    public function tried(array $tubs): Tried
    {
        if ($this->wish->room->lamp && $this->wish->room->isDark()) {
            // Without a window there is no light but that of a lamp: where none is enough, the strongest.
            $strongest = $this->lamps()[count($this->lamps()) - 1] ?? null;

            return $this->lit($tubs) ?? $this->withAir(self::under($strongest, $tubs));
        }
        $tried = $this->withAir($tubs);
        if ($this->wish->room->isInSun() && $tried->isHot()) {
            $tried = $this->better($tried, ['coated' => true]);
        }
        // Tubs that are put together were each tried by themselves.
        foreach (count($tubs) === 1 ? [TopUpStrength::Feed, TopUpStrength::Water] : [] as $strength) {
            $tried = $tried->isOfWrongStrength() ? $this->better($tried, ['strength' => $strength]) : $tried;
        }

        return $this->wish->room->lamp && $tried->isDim() ? $this->lit($tried->tubs) ?? $tried : $tried;
    }

    /**
     * The same with something of its tubs otherwise, if there is less to mend then.
     *
     * @param  array<string, mixed>  $of
     */
    private function better(Tried $tried, array $of): Tried
    {
        $other = $this->withAir(array_map(static fn (TubChoice $t): TubChoice => $t->with($of), $tried->tubs));
        $worse = static fn (Tried $t): int => count($t->mends()) + count($t->stops());

        return $worse($other) < $worse($tried) ? $other : $tried;
    }

    /**
     * With the cheapest lamp under which nothing is dim; null where there is none.
     *
     * @param  non-empty-list<TubChoice>  $tubs
     */
    private function lit(array $tubs): ?Tried
    {
        foreach ($this->lamps() as $lamp) {
            $under = self::under($lamp, $tubs);
            $lit = $this->wish->room->isDark() && ! $this->isBright($under) ? null : $this->withAir($under);
            if ($lit !== null && ! $lit->isDim()) {
                return $lit;
            }
        }

        return null;
    }

    /**
     * @param  non-empty-list<TubChoice>  $tubs
     * @return non-empty-list<TubChoice>
     */
    private static function under(?string $lamp, array $tubs): array
    {
        return array_map(static fn (TubChoice $t): TubChoice => $t->with(['lamp' => $lamp]), $tubs);
    }

    /**
     * Whether a lamp alone gives each crop its light, told without a season.
     *
     * @param  non-empty-list<TubChoice>  $tubs
     */
    private function isBright(array $tubs): bool
    {
        $feeds = $this->begun($tubs)->get(FeedPlans::class)->all();
        foreach (array_values($feeds) as $i => $feed) {
            foreach ($tubs[$i]->bed->portions as $portion) {
                if (! $portion->crop->isLitBy($feed->lightOn(0) ?? 0.0)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @param  non-empty-list<TubChoice>  $tubs */
    private function withAir(array $tubs): Tried
    {
        $wanted = $this->leastAir($tubs);
        if ($wanted === null) {
            return $this->planned($tubs, null);
        }
        $able = array_values(array_filter($this->pumps(), static fn (Pump $p): bool => $p->freeFlow() >= $wanted));
        $last = null;
        foreach (array_slice($able, 0, self::PUMPS) as $i => $pump) {
            $isLast = $i === min(count($able), self::PUMPS) - 1;
            if (! $isLast && ! $this->breathes($tubs, (string) $pump->key)) {
                continue;
            }
            $last = $this->planned($tubs, (string) $pump->key);
            if (! $last->lacksAir()) {
                return $last;
            }
        }

        return $last ?? $this->planned($tubs, $this->strongest(GrowingSystem::Aerated));
    }

    /**
     * The least that all stones together want, L/min: no pump of less free flow will do. Null where there are none.
     *
     * @param  list<TubChoice>  $tubs
     */
    private function leastAir(array $tubs): ?float
    {
        $wanted = null;
        foreach ($tubs as $tub) {
            if ($tub->system === GrowingSystem::Aerated) {
                $stones = AirEdits::stonesFor($tub->vessel);
                $wanted = ($wanted ?? 0.0) + $tub->count * $stones->count * $this->library()->stones->get($stones->kind)->leastFlow;
            }
        }

        return $wanted;
    }

    /** @return list<Pump> those that run on what power there is, the cheapest first with what they are plugged in by */
    private function pumps(): array
    {
        return $this->pumps ??= $this->sortedPumps();
    }

    /** @return list<Pump> */
    private function sortedPumps(): array
    {
        $room = $this->wish->room;
        $runs = array_values(array_filter(
            iterator_to_array($this->library()->pumps),
            static fn (Pump $p): bool => $room->mains ? $p->supply !== Supply::Solar
                : $p->supply === Supply::Solar || ($room->load === 'boat' && $p->supply === Supply::TwelveVolt),
        ));
        $price = fn (Pump $p): float => array_sum(array_map(fn (string $part): float => $this->price($part) ?? INF, AirParts::pumping($p)));
        usort($runs, static fn (Pump $a, Pump $b): int => [$price($a), $a->key] <=> [$price($b), $b->key]);

        return $runs;
    }

    /**
     * Whether a pump gives every stone what it wants and every tub oxygen with its plants grown, all valves being open: told without a
     * season.
     *
     * @param  non-empty-list<TubChoice>  $tubs
     */
    private function breathes(array $tubs, string $pump): bool
    {
        $plan = $this->begun($tubs, $pump);
        $plans = $plan->get(AirPlans::class);
        foreach ($plans->systems[0]->tubs ?? [] as $b => $fed) {
            $each = $plans->systems[0]->perStone($b);
            foreach ($fed->tub->water->stones?->sets() ?? [] as $s => $set) {
                if (($each[$s] ?? 0.0) < $set->stone->leastFlow) {
                    return false;
                }
            }
            $least = $plans->leastOxygen($fed->tub->id, $plan->garden->site->sunHours, $fed->water->working());
            if ($least !== null && $least < $fed->tub->planting->density->oxygenFloor()) {
                return false;
            }
        }

        return true;
    }

    /** The pump of most air; null where none is wanted. */
    public function strongest(GrowingSystem $system): ?string
    {
        $most = null;
        foreach ($system === GrowingSystem::Aerated ? $this->pumps() : [] as $pump) {
            $most = $most === null || $pump->freeFlow() > $most->freeFlow() ? $pump : $most;
        }

        return $most?->key;
    }

    /** @return list<string> keys, the cheapest first */
    private function lamps(): array
    {
        $lamps = $this->library()->lamps->keys();
        usort($lamps, fn (string $a, string $b): int => [$this->price($a) ?? INF, $a] <=> [$this->price($b) ?? INF, $b]);

        return $lamps;
    }

    /** @param  non-empty-list<TubChoice>  $tubs */
    private function planned(array $tubs, ?string $pump): Tried
    {
        $room = $this->wish->room;
        $top = max([0.0, ...array_map(static fn (TubChoice $t): float => $t->lidTop, $tubs)]);
        $document = $this->draft->garden($tubs, $pump, $this->product, max(1.0, round($room->height - $top)));
        $known = GardenFile::encode($document);
        if (isset($this->tried[$known])) {
            return $this->tried[$known];
        }
        $tried = $this->of($tubs, $document);
        if ($tried->lacksAir() && count($document->air[0]->branches ?? []) > 1) {
            $plans = $tried->plan->get(AirPlans::class);
            $patch = ValveWays::patch($plans->systems[0], ValveWays::byDemand($plans->systems[0], $plans), $tried->plan->garden);
            $tried = $patch === null || $patch === [] ? $tried : $this->of($tubs, PatchedDocument::of($document, $patch));
        }

        return $this->tried[$known] = $tried;
    }

    /**
     * A design as its document has it.
     *
     * @param  non-empty-list<TubChoice>  $tubs
     */
    public function of(array $tubs, stdClass $document): Tried
    {
        $this->steps->plan($tubs);
        $plan = $this->planner->plan($this->planner->of($document));

        return new Tried($tubs, $document, $plan, $this->planner->findings($plan));
    }
}
