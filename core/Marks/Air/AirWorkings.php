<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Air;

use KelpTub\Core\Air\OxygenBalance;
use KelpTub\Core\Air\Pump;
use KelpTub\Core\Air\TubAir;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Units\QuantityWriter;
use KelpTub\Core\Units\UnitSystem;

/** How the oxygen's figures come about, with this garden's numbers in it. */
final class AirWorkings
{
    /** † cuttings whose spray has stopped dry in so many hours; from, to. */
    public const STEMS_DRY_H = 6.0;

    private const STEMS_DRY_FROM_H = 3.0;

    private const STEMS_DRY_TO_H = 12.0;

    /** A battery is said for so many hours without power. */
    private const BATTERY_H = 8.0;

    private const BATTERY_V = 12.0;

    /**
     * @param  list<Pump>  $pumps  those that blow into the tub
     * @param  float|null  $outage  minutes without air, as reported
     * @param  float  $working  litres in the tub
     * @return array<string, string> by the figure's key
     */
    public static function of(TubAir $air, array $pumps, ?float $outage, float $working, GrowingSystem $system, UnitSystem $units): array
    {
        $balance = $air->balance;
        if ($balance === null) {
            return [];
        }
        $w = new QuantityWriter($units);
        $mark = $w->number(OxygenBalance::STOP_MG_L, 0, 'mg/L');

        return [
            'steady_mg_l' => sprintf(
                'Grown roots ask for %s. %s that where the oxygen settles at %s; the water cannot hold more than %s, so '
                    .'more air adds ever less.',
                $w->number($balance->demand, 0, 'mg/h'),
                self::supply($air, $w),
                $w->number($balance->steady(), 1, 'mg/L'),
                $w->number($balance->saturation, 1, 'mg/L'),
            ),
            'thumb_l_min' => self::thumb($air, $working, $w),
            'outage_min' => match (true) {
                $system === GrowingSystem::Cloner => sprintf(
                    'Without spray the stems dry in about %s (%s to %s). Mist them by hand until the pump runs again.%s',
                    $w->number(self::STEMS_DRY_H, 0, 'h'),
                    $w->number(self::STEMS_DRY_FROM_H, 0),
                    $w->number(self::STEMS_DRY_TO_H, 0, 'h'),
                    self::battery($pumps, $w),
                ),
                $outage === null => "Without air the surface alone keeps the oxygen above $mark.",
                $outage === 0.0 => "The oxygen is under $mark already, with the pump on.",
                default => 'The time in which roots take the oxygen in '.$w->volume($working)." down to $mark with the pump off. Roots in "
                    .'the air gap go on breathing; to lower the water by '.$w->length(20).' to '.$w->length(30).' buys time. Well before '
                    .'it is up lift the lid and stir, or pour a jugful back from a height, and go on doing so.'.self::battery($pumps, $w),
            },
        ];
    }

    /**
     * What a battery has to hold to keep the pumps going.
     *
     * @param  list<Pump>  $pumps
     */
    private static function battery(array $pumps, QuantityWriter $w): string
    {
        $wh = array_sum(array_map(static fn (Pump $pump): float => $pump->batteryWh(self::BATTERY_H), $pumps));

        return $wh <= 0.0 ? '' : sprintf(
            ' A battery of %s (%s at %s) keeps %s going for %s; one on mains needs an inverter too.',
            $w->number(ceil($wh), 0, 'Wh'),
            $w->number(ceil($wh / self::BATTERY_V), 0, 'Ah'),
            $w->number(self::BATTERY_V, 0, 'V'),
            count($pumps) === 1 ? 'the pump' : 'its pumps',
            $w->number(self::BATTERY_H, 0, 'h'),
        );
    }

    private static function supply(TubAir $air, QuantityWriter $w): string
    {
        $litres = $w->number($air->trickle, $air->trickle < 10.0 ? 1 : 0, 'L');

        return match (true) {
            $air->flow > 0.0 && $air->trickle > 0.0 => "{$w->small($air->flow, 'L/min')} of air, and $litres an hour trickling back, meet",
            $air->flow > 0.0 => "{$w->small($air->flow, 'L/min')} of air meets",
            $air->trickle > 0.0 => "The surface, and $litres an hour trickling back over the cups, meet",
            default => 'The still surface meets',
        };
    }

    /** What a grower's rule of thumb would say, and why the balance differs from it where it does. */
    private static function thumb(TubAir $air, float $working, QuantityWriter $w): string
    {
        [$from, $to] = OxygenBalance::thumb($working);
        if ($to < 0.1) {
            return 'The rule of thumb goes by litres of water, and there are none to speak of.';
        }
        $says = sprintf('The rule of thumb says %s to %s', $w->number($from, 1), $w->number($to, 1, 'L/min'));
        $enough = ($air->balance?->steady() ?? 0.0) >= OxygenBalance::MIND_MG_L;

        return match (true) {
            $enough && $air->flow >= $from => "$says, and the balance agrees.",
            $enough => "$says. It goes by litres of water; the oxygen goes to roots, and these need less. The balance decides.",
            $air->flow >= $from => "$says, and that much comes in. It goes by litres of water; these roots need more, and bubbles give off "
                .'little on a short way up or in warm water. The balance decides.',
            default => "$says, and the balance agrees that more is wanted.",
        };
    }
}
