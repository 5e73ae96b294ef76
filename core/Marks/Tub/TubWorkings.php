<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Units\QuantityWriter;

/** How the vessel's figures come about, with this garden's numbers in it: what a grower reads on asking "why 17.4 L?". */
final class TubWorkings
{
    /** @return array<string, string> by the figure's key */
    public static function of(TubPlan $plan, Garden $garden): array
    {
        $write = new QuantityWriter($garden->units);

        return ['working_l' => self::working($plan, $write), 'mass_kg' => self::mass($plan, $write)];
    }

    private static function working(TubPlan $plan, QuantityWriter $w): string
    {
        $line = $plan->water->line->grown;
        $displaced = $plan->water->reservoir->displacedAt($line);

        return sprintf(
            'The measures hold %s up to the water line at %s',
            $w->volume($plan->tub->body->vessel->profile->volumeAt($line)),
            $w->length($line),
        )
            .($displaced > 0.0 ? sprintf('; pebbles under water take %s of it.', $w->volume($displaced)) : '; no cup is under water.')
            .sprintf(
                ' Down to the lowest useful level at %s, %s can be used.',
                $w->length($plan->water->lowest()),
                $w->volume($plan->water->usable()),
            );
    }

    private static function mass(TubPlan $plan, QuantityWriter $w): string
    {
        return sprintf(
            'Empty %s, water %s, wet pebbles and plants the rest. Over its floor that is %s.',
            $w->mass($plan->tub->body->vessel->emptyKg),
            $w->mass($plan->water->start()),
            $w->load($plan->fittings->weight->kgPerSquareMetre),
        );
    }
}
