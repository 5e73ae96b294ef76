<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Vessel\VesselKind;

/** Ways that take another vessel of the Library: of the tub's own kind first, then buckets. */
final class VesselRemedies
{
    /** Vessels of which one is tried after the other. */
    private const TRIED = 6;

    /** Of what is needed so much is tried: what is reckoned here is not what another shape brings. */
    private const NEARLY = 0.9;

    /**
     * A larger vessel, the smallest that may do first.
     *
     * @param  float  $times  so many times what the tub holds now is needed
     */
    public static function larger(TubPlan $plan, RuleContext $context, float $times = 1.0): ?Remedy
    {
        $here = $plan->tub->body->vessel->profile->brim();
        $least = max($here * (1 + 1.0e-6), self::NEARLY * $times * $here);

        return self::inTurn($plan, $context, static fn (float $brim): ?float => $brim >= $least ? $brim : null);
    }

    /** A smaller vessel, the largest first. */
    public static function smaller(TubPlan $plan, RuleContext $context): ?Remedy
    {
        $here = $plan->tub->body->vessel->profile->brim();

        return self::inTurn($plan, $context, static fn (float $brim): ?float => $brim < $here * (1 - 1.0e-6) ? -$brim : null);
    }

    /** @param  callable(float): (float|null)  $order  by litres to the brim; null of what is out of the question */
    private static function inTurn(TubPlan $plan, RuleContext $context, callable $order): ?Remedy
    {
        $tub = $plan->tub;
        $kind = $tub->body->vessel->kind;
        $places = [];
        foreach ($context->library->vessels as $key => $vessel) {
            $place = $order($vessel->profile->brim());
            if ($place !== null && ($vessel->kind === $kind || $vessel->kind === VesselKind::Bucket)) {
                $places[(string) $key] = [$vessel->kind !== $kind, $place];
            }
        }
        asort($places);
        $kinds = [[], []];
        foreach ($places as $key => [$isOther]) {
            $kinds[(int) $isOther][] = $key;
        }
        // As many of its own kind as leave room for a bucket or two.
        $keys = array_slice([...array_slice($kinds[0], 0, intdiv(self::TRIED, 2)), ...$kinds[1]], 0, self::TRIED);

        return Remedy::inTurn($keys, static fn (string $key): Remedy => $context->set(
            'Use the '.lcfirst($context->library->vessels->get($key)->name),
            $tub->pointer('/vessel'),
            $key,
        ));
    }
}
