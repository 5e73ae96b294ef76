<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Cost;

use KelpTub\Core\Air\AirSystems;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Cost\UnitPrice;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Garden\Severity;

/** What the money says. Source: handbook, rules section 9. */
final class CostRules
{
    /** @return list<Finding> */
    public static function of(RuleContext $context): array
    {
        $findings = [];
        $budget = $context->plan->get(CostPlan::class)->budget;
        $currency = $context->plan->garden->of(MoneyWish::class)->currency;
        if ($budget->overCap > 0.0) {
            $findings[] = new Finding('cost.over-cap', Severity::Mend, null, '/money/cap',
                sprintf(
                    'It costs %s %s, which is %s over the cap of %s.',
                    $context->write->number($budget->outlay, 2),
                    $currency,
                    $context->write->number($budget->overCap, 2),
                    $context->write->number($budget->cap ?? 0.0, 2),
                ),
                'Packs hold more than one tub needs, and tools are counted once. Mark what you have already as owned.',
                fn (): array => self::cheaperPumps($context),
                $budget->overCap);
        }
        $unpriced = $context->plan->get(CostPlan::class)->unpriced();
        if ($unpriced !== []) {
            $findings[] = new Finding('cost.unpriced', Severity::Mind, null, '/prices',
                sprintf('No price is known for %s. Add an offer, or mark it as owned.', implode(', ', $unpriced)),
                'The total leaves out what has no price.');
        }

        return $findings;
    }

    /** Of several pumps those are looked at first that may save most. */
    private const PUMPS_TRIED = 3;

    /**
     * For each pump that is bought the cheaper ones of the Library, the cheapest first; which of them still serves is found by trying.
     *
     * @return list<Remedy>
     */
    private static function cheaperPumps(RuleContext $context): array
    {
        $ways = $saves = [];
        $systems = $context->plan->garden->of(AirSystems::class)->systems;
        $prices = [];
        foreach ($context->library->pumps->keys() as $key) {
            $prices[$key] = self::price($key, $context) ?? INF;
        }
        foreach ($systems as $system) {
            $now = self::price($system->pump->key ?? '', $context);
            if ($now === null) {
                continue;
            }
            $tub = $context->plan->garden->tub($system->branches[0]->tub ?? '');
            $says = count($systems) > 1 && $tub !== null ? "For $tub->name use" : 'Use';
            $cheaper = array_map(
                $context->library->pumps->get(...),
                array_map(strval(...), array_keys(array_filter($prices, static fn (float $price): bool => $price < $now))),
            );
            $rank = static fn (Pump $p): array => [$prices[$p->key ?? ''], $p->freeFlow()];
            usort($cheaper, static fn (Pump $a, Pump $b): int => $rank($a) <=> $rank($b));
            $way = Remedy::inTurn(
                $cheaper,
                static fn (Pump $p): Remedy => $context->set("$says the $p->name", $system->pointer('/pump'), $p->key),
            );
            if ($way !== null) {
                $ways[] = $way;
                $saves[] = $now - $rank($cheaper[0])[0];
            }
        }
        array_multisort($saves, SORT_DESC, array_keys($ways), SORT_ASC, $ways);

        return array_slice($ways, 0, self::PUMPS_TRIED);
    }

    /** What a pump costs that is still to be bought; null where nobody sells it. */
    private static function price(string $key, RuleContext $context): ?float
    {
        $wish = $context->plan->garden->of(MoneyWish::class);
        if (($wish->owned[$key] ?? 0.0) >= 1.0) {
            return 0.0;
        }

        return UnitPrice::ofOne($wish->offersOf($key, $context->library));
    }
}
