<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;

/** How the oxygen's figures come about, with this garden's numbers in it. */
final class AirWorkings
{
    /**
     * @param  float|null  $outage  minutes without air, as reported
     * @param  float  $working  litres in the tub
     * @return array<string, string> by the figure's key
     */
    public static function of(TubAir $air, ?float $outage, float $working, UnitSystem $units): array
    {
        $balance = $air->balance;
        if ($balance === null) {
            return [];
        }
        $w = new QuantityWriter($units);
        $mark = $w->number(OxygenBalance::STOP_MG_L, 0, 'mg/L');

        return [
            'steady_mg_l' => sprintf(
                'Grown roots ask for %s. %s of air meets that where the oxygen settles at %s; the water cannot hold more than %s, so '
                    .'more air adds ever less.',
                $w->number($balance->demand, 0, 'mg/h'),
                $w->number($air->flow, 2, 'L/min'),
                $w->number($balance->steady(), 1, 'mg/L'),
                $w->number($balance->saturation, 1, 'mg/L'),
            ),
            'thumb_l_min' => self::thumb($air, $working, $w),
            'outage_min' => match ($outage) {
                null => "Without air the surface alone keeps the oxygen above $mark.",
                0.0 => "The oxygen is under $mark already, with the pump on.",
                default => 'The time in which roots take the oxygen in '.$w->volume($working)." down to $mark with the pump off.",
            },
        ];
    }

    /** What a grower's rule of thumb would say, and where the balance differs from it. */
    private static function thumb(TubAir $air, float $working, QuantityWriter $w): string
    {
        [$from, $to] = OxygenBalance::thumb($working);
        $says = sprintf('The rule of thumb says %s to %s', $w->number($from, 1), $w->number($to, 1, 'L/min'));

        return match (true) {
            $air->flow >= $from => "$says.",
            ($air->balance?->steady() ?? 0.0) >= OxygenBalance::MIND_MG_L => "$says, by volume; these roots need less, and the "
                .'balance decides.',
            default => "$says, and the balance agrees that more is wanted.",
        };
    }
}
