<?php

declare(strict_types=1);

namespace KelpTub\Core\Cost;

/**
 * What a design costs, in the garden's currency: outlay now, what of it the design uses up, tools, shares per tub and plant, the cap.
 *
 * Source: handbook, rules section 9.
 */
final readonly class Budget
{
    private function __construct(
        public float $outlay,
        public float $delivery,
        public float $used,
        public float $tools,
        public ?float $perTub,
        public ?float $perPlant,
        public ?float $cap,
        public float $overCap,
    ) {
    }

    /**
     * @param  list<Purchase>  $purchases
     * @param  float  $delivery  what all parcels cost to bring
     */
    public static function of(array $purchases, float $delivery, int $tubs, int $plants, ?float $cap): self
    {
        $outlay = $delivery;
        $used = $tools = 0.0;
        foreach ($purchases as $purchase) {
            $outlay += $purchase->cost;
            if ($purchase->need->kind === NeedKind::Tool) {
                $tools += $purchase->cost;
            } else {
                $used += $purchase->used();
            }
        }

        return new self(
            $outlay,
            $delivery,
            $used,
            $tools,
            $tubs > 0 ? $outlay / $tubs : null,
            $plants > 0 ? $outlay / $plants : null,
            $cap,
            $cap === null ? 0.0 : max(0.0, $outlay - $cap),
        );
    }
}
