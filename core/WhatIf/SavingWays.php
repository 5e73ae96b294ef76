<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use Closure;
use KelpTub\Core\Air\AirSystem;
use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\Purchase;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Crop\StillWater;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\Library;
use KelpTub\Core\File\PatchMaker;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Plan;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Garden\TubEdits;
use KelpTub\Core\Garden\TubExtra;
use KelpTub\Core\Marks\Air\AirParts;
use KelpTub\Core\Marks\Cost\CostPlan;
use KelpTub\Core\Marks\Cost\MoneyWish;
use KelpTub\Core\Marks\Tub\CupPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Marks\Tub\TubPlans;
use KelpTub\Core\Vessel\Cover;
use stdClass;

/** What a garden could do to cost less, by the kinds of the handbook, not tried yet. Source: handbook, build, "Ways under the cap". */
final readonly class SavingWays
{
    /** Home-made cups of which each tub tries the nearest in size. */
    private const CUPS = 2;

    /** Cheaper pumps of which each line tries the cheapest. */
    private const PUMPS = 2;

    /** Tools that the whole season needs: nobody lends them for so long. */
    private const KEPT_ALL_SEASON = ['ec-meter', 'ph-meter', 'scale', 'jug', 'thermometer'];

    /** Of several tools so many are named. */
    private const NAMED = 3;

    private Garden $garden;

    private MoneyWish $money;

    private Library $library;

    public function __construct(private Plan $plan, private Planner $planner)
    {
        $this->library = $planner->aids->library;
        $this->garden = $plan->garden;
        $this->money = $plan->garden->of(MoneyWish::class);
    }

    /** @return list<SavingWay> */
    public function all(): array
    {
        $ways = [...$this->ofGarden()];
        foreach ($this->garden->of(AirSystems::class)->systems as $system) {
            $ways = [...$ways, ...$this->ofPump($system)];
        }
        foreach ($this->plan->get(TubPlans::class)->tubs as $tub) {
            $ways = [...$ways, ...$this->ofTub($tub)];
        }

        return $ways;
    }

    /** @return list<SavingWay> */
    private function ofGarden(): array
    {
        $ways = [];
        if ($this->money->byMeter) {
            $ways[] = new SavingWay('testing', 'testing', 'testing', 'Test by drops in place of meters', $this->sets('/testing', 'drops'));
        }
        $systems = $this->garden->of(AirSystems::class)->systems;
        if (count($systems) === 2) {
            foreach ($systems as $kept => $system) {
                $ways[] = new SavingWay(
                    "shared-$system->id",
                    'shared-pump',
                    'pumps',
                    "Feed every tub from the {$system->pump->name}",
                    $this->shared($kept),
                );
            }
        }
        $sawn = array_values(array_filter($this->plan->get(TubPlans::class)->tubs, self::isSawn(...)));
        if ($sawn !== []) {
            $ways[] = new SavingWay(
                'knife',
                'knife',
                'tools',
                'Trace the holes and cut them with a knife, without a saw',
                $this->byKnife(array_map(static fn (TubPlan $plan): string => $plan->tub->id, $sawn)),
            );
        }
        $tools = $this->borrowed();
        if ($tools !== []) {
            $ways[] = new SavingWay('borrowed', 'borrowed', 'tools', 'Borrow the tools: '.self::list($tools), $this->borrow($tools));
        }
        foreach ($this->garden->document->spares ?? new stdClass as $part => $spare) {
            if ($spare > 0) {
                $name = $this->nameOf((string) $part);
                $ways[] = new SavingWay(
                    "spare-$part",
                    'extras',
                    "spare-$part",
                    "Buy no $name to spare",
                    $this->sets('/spares/'.PatchMaker::escaped((string) $part), 0),
                );
            }
        }
        foreach ($this->garden->document->prices ?? [] as $i => $offer) {
            if ($offer->instead ?? false) {
                $ways[] = new SavingWay(
                    "offer-$i",
                    'supplier',
                    "offer-$offer->part",
                    "Buy the {$this->nameOf($offer->part)} where it is cheaper",
                    $this->sets("/prices/$i/instead", false),
                );
            }
        }

        return $ways;
    }

    /** @return list<SavingWay> cheaper pumps in the place of one, the cheapest first */
    private function ofPump(AirSystem $system): array
    {
        $now = $this->priceOf($system->pump);
        $cheaper = [];
        foreach ($now === null ? [] : $this->library->pumps as $pump) {
            $price = $this->priceOf($pump);
            if ($price !== null && $price < $now && $pump->freeFlow() > 0.0) {
                $cheaper[] = [$price, $pump];
            }
        }
        // Of those that cost less the strongest serve first.
        usort($cheaper, static fn (array $a, array $b): int => [$b[1]->freeFlow(), $a[0]] <=> [$a[1]->freeFlow(), $b[0]]);

        return array_map(fn (array $of): SavingWay => new SavingWay(
            "pump-$system->id-{$of[1]->key}",
            'pump',
            "pump-$system->id",
            'Use the '.$of[1]->name,
            fn (Garden $garden): array => self::inSystem(
                $garden,
                $system->id,
                fn (int $i): array => $this->patch($garden)->set("/air/$i/pump", $of[1]->key),
            ),
        ), array_slice($cheaper, 0, self::PUMPS));
    }

    /** @return list<SavingWay> */
    private function ofTub(TubPlan $plan): array
    {
        $tub = $plan->tub;
        $id = $tub->id;
        $ways = [...$this->cups($plan)];
        $vessel = $tub->body->vessel;
        if ($vessel->key !== null && $this->buys($vessel->key)) {
            $ways[] = new SavingWay(
                "vessel-$vessel->key",
                'scavenged',
                "vessel-$vessel->key",
                "Find the $vessel->name second-hand, food-safe, in place of a new one",
                fn (Garden $garden): array => $this->patch($garden)->set(
                    '/owned/'.PatchMaker::escaped($vessel->key ?? ''),
                    $this->need($vessel->key ?? ''),
                ),
            );
        }
        $stones = $tub->water->stones;
        if ($stones !== null && $stones->inAll() > 1 && $stones->others === []) {
            $fewer = $stones->inAll() - 1;
            $ways[] = new SavingWay(
                "stones-$id",
                'stones',
                "air-$id",
                $fewer === 1 ? "One stone in $tub->name" : "$fewer stones in $tub->name",
                $this->inTub($id, 'stones/count', $fewer),
            );
        }
        if ($tub->system === GrowingSystem::Aerated && $this->standsStill($plan)) {
            $ways[] = new SavingWay(
                "passive-$id",
                'passive',
                "air-$id",
                "Grow $tub->name without air",
                fn (Garden $garden): array => ($now = $garden->tub($id)) === null
                    ? []
                    : (new TubEdits($garden, $this->library))->run($now, GrowingSystem::Passive),
            );
        }
        if ($tub->body->cover === Cover::Paint) {
            $ways[] = new SavingWay(
                "cover-$id",
                'cover',
                "cover-$id",
                "Wrap $tub->name in foil in place of paint",
                $this->inTub($id, 'vessel/cover', 'foil'),
            );
        }
        foreach ($tub->body->extras as $extra) {
            $ways[] = new SavingWay(
                "extra-$extra->value-$id",
                'extras',
                "extra-$extra->value-$id",
                "$tub->name without ".$this->nameOf($extra === TubExtra::Battens ? 'batten' : $extra->value),
                fn (Garden $garden): array => $this->without($garden, $id, $extra),
            );
        }
        if ($tub->planting->trellis) {
            $ways[] = new SavingWay(
                "trellis-$id",
                'extras',
                "trellis-$id",
                "$tub->name without a trellis",
                $this->inTub($id, 'trellis', false),
            );
        }
        if ($tub->count > 1) {
            $ways[] = new SavingWay(
                "fewer-$id",
                'fewer',
                "count-$id",
                "One of $tub->name fewer",
                fn (Garden $garden): array => ($now = $garden->tub($id)) === null
                    ? []
                    : $this->planner->bench($garden)->count($now, $tub->count - 1),
            );
        } elseif ($plan->holes->count() > 1 && ! $tub->holes->layout->isByHand()) {
            $many = $plan->holes->count();
            // One fewer may open no pack less; half as many does.
            foreach (array_unique([$many - 1, intdiv($many, 2)]) as $cups) {
                $ways[] = new SavingWay(
                    "cups-$id-$cups",
                    'fewer',
                    "count-$id",
                    $cups === 1 ? "One cup in $tub->name in place of $many" : "$cups cups in $tub->name in place of $many",
                    $this->inTub($id, 'layout/cups', $cups),
                );
            }
        }

        return $ways;
    }

    /** Whether a saw cuts the holes of a tub. */
    private static function isSawn(TubPlan $plan): bool
    {
        return ! $plan->cutting->inMouth && ! $plan->cutting->isCutByKnife()
            && array_filter($plan->cutting->sizes, static fn (CupPlan $size): bool => $size->saw !== null) !== [];
    }

    /**
     * @param  list<string>  $ids  of the tubs whose lids a saw would cut
     * @return Closure(Garden): list<stdClass>
     */
    private function byKnife(array $ids): Closure
    {
        return fn (Garden $garden): array => array_merge(...array_map(
            fn (string $id): array => ($this->inTub($id, 'cutting', 'traced'))($garden),
            $ids,
        ));
    }

    /** @return array<string, Purchase> tools that are bought for the building alone, by key */
    private function borrowed(): array
    {
        $tools = [];
        foreach ($this->plan->get(CostPlan::class)->purchases as $purchase) {
            $need = $purchase->need;
            if ($need->kind === NeedKind::Tool && $purchase->cost > 0.0 && ! in_array($need->key, self::KEPT_ALL_SEASON, true)) {
                $tools[$need->key] = $purchase;
            }
        }

        return $tools;
    }

    /**
     * @param  array<string, Purchase>  $tools
     * @return Closure(Garden): list<stdClass>
     */
    private function borrow(array $tools): Closure
    {
        $amounts = array_map(static fn (Purchase $tool): float => $tool->need->amount, $tools);

        return fn (Garden $garden): array => $this->patch($garden)->put(
            '/owned',
            (object) [...get_object_vars($garden->document->owned ?? new stdClass), ...$amounts],
        );
    }

    /** @param  array<string, Purchase>  $tools */
    private static function list(array $tools): string
    {
        // Of "drill bit 7 mm, for the tube" the name alone.
        $names = array_map(
            static fn (Purchase $tool): string => mb_strtolower(explode(',', $tool->need->name)[0]),
            array_values($tools),
        );
        $more = count($names) - self::NAMED;

        return implode(', ', array_slice($names, 0, self::NAMED)).($more > 0 ? " and $more more" : '');
    }

    /** @return list<SavingWay> cups made at home, the nearest in size first */
    private function cups(TubPlan $plan): array
    {
        $cup = $plan->tub->holes->cup;
        if ($cup->homeMade || $plan->tub->holes->secondCup !== null || ! $this->buys($cup->key ?? '')) {
            return [];
        }
        $home = array_filter(iterator_to_array($this->library->cups), static fn (Cup $c): bool => $c->homeMade);
        usort(
            $home,
            static fn (Cup $a, Cup $b): int => abs($a->top - $cup->top) <=> abs($b->top - $cup->top),
        );
        $tub = $plan->tub;

        return array_map(fn (Cup $c): SavingWay => new SavingWay(
            "cup-$tub->id-$c->key",
            'home-cups',
            "cup-$tub->id",
            "Make the cups of $tub->name: ".mb_strtolower($c->name),
            $this->inTub($tub->id, 'cup', $c->key),
        ), array_slice($home, 0, self::CUPS));
    }

    /** @return list<stdClass> */
    private function without(Garden $garden, string $id, TubExtra $extra): array
    {
        $tub = $garden->tub($id);
        $left = array_filter($tub->body->extras ?? [], static fn (TubExtra $e): bool => $e !== $extra);

        return $tub === null ? [] : $this->patch($garden)->set(
            $tub->pointer('/extras'),
            array_values(array_map(static fn (TubExtra $e): string => $e->value, $left)),
        );
    }

    private function standsStill(TubPlan $plan): bool
    {
        $crops = $plan->plants->mix->crops();

        return $crops !== [] && array_filter($crops, static fn ($crop): bool => $crop->stillWater === StillWater::No) === [];
    }

    /** Whether some of a part is still to be paid for. */
    private function buys(string $key): bool
    {
        foreach ($this->plan->get(CostPlan::class)->purchases as $purchase) {
            if ($purchase->need->key === $key) {
                return $purchase->cost > 0.0;
            }
        }

        return false;
    }

    private function need(string $key): float
    {
        foreach ($this->plan->get(CostPlan::class)->purchases as $purchase) {
            if ($purchase->need->key === $key) {
                return $purchase->need->amount;
            }
        }

        return 0.0;
    }

    private function nameOf(string $part): string
    {
        foreach ($this->plan->get(CostPlan::class)->purchases as $purchase) {
            if ($purchase->need->key === $part) {
                return mb_strtolower($purchase->need->name);
            }
        }

        return mb_strtolower($this->library->partName($part));
    }

    /** What a pump costs with its supply; null where nobody sells one of them. */
    private function priceOf(Pump $pump): ?float
    {
        $prices = array_map($this->price(...), AirParts::pumping($pump));

        return in_array(null, $prices, true) ? null : (float) array_sum($prices);
    }

    /** What one costs that is still to be bought; null where nobody sells it. */
    private function price(string $key): ?float
    {
        return ($this->money->owned[$key] ?? 0.0) >= 1.0
            ? 0.0
            : UnitPrice::ofOne($this->money->offersOf($key, $this->library));
    }

    private function patch(Garden $garden): PatchMaker
    {
        return new PatchMaker($garden->document, $this->library);
    }

    /** @return Closure(Garden): list<stdClass> */
    private function sets(string $pointer, mixed $value): Closure
    {
        return fn (Garden $garden): array => $this->patch($garden)->set($pointer, $value);
    }

    /** @return Closure(Garden): list<stdClass> */
    private function inTub(string $id, string $member, mixed $value): Closure
    {
        return fn (Garden $garden): array => ($tub = $garden->tub($id)) === null ? [] : $this->patch($garden)->set(
            $tub->pointer("/$member"),
            $value,
        );
    }

    /**
     * All lines on one pump, the other one gone.
     *
     * @return Closure(Garden): list<stdClass>
     */
    private function shared(int $kept): Closure
    {
        return function (Garden $garden) use ($kept): array {
            $air = $garden->document->air ?? [];
            if (count($air) !== 2) {
                return [];
            }
            $one = (object) [...get_object_vars($air[$kept]), 'branches' => array_merge(...array_column($air, 'branches'))];

            return $this->patch($garden)->put('/air', [$one]);
        };
    }

    /**
     * @param  callable(int): list<stdClass>  $patch
     * @return list<stdClass> none where the system has gone
     */
    private static function inSystem(Garden $garden, string $id, callable $patch): array
    {
        foreach ($garden->document->air ?? [] as $i => $system) {
            if ($system->id === $id) {
                return $patch($i);
            }
        }

        return [];
    }
}
