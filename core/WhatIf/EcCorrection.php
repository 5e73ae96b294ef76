<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use InvalidArgumentException;
use KelpTub\Core\Feed\Correction;
use KelpTub\Core\Feed\FeedProduct;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Feed\FeedReport;
use stdClass;

/** "It reads 2.3 and I want 1.6": litres to take out, litres and amounts to put in, for the water that is in a tub. */
final readonly class EcCorrection
{
    private const MOST_EC = 10.0;

    public function __construct(private Planner $planner)
    {
    }

    /**
     * @param  float|null  $litres  in the tub now; null for its working volume
     * @param  int|null  $day  of the season on which it was read, which tells what the plants are fed; null for grown ones
     *
     * @throws InvalidArgumentException when a reading cannot be one
     */
    public function of(Garden $garden, Tub $tub, float $now, float $wanted, ?float $litres, ?int $day = null): stdClass
    {
        foreach (['it reads' => $now, 'it should be' => $wanted] as $what => $ec) {
            if ($ec < 0.0 || $ec > self::MOST_EC) {
                throw new InvalidArgumentException("$what $ec mS/cm; a meter for feed reads from 0 to ".self::MOST_EC);
            }
        }
        $feed = $this->planner->plan($garden)->get(FeedPlans::class)->of($tub->id);
        $full = $feed->tub->water->working();
        $brim = $tub->body->vessel->profile->brim();
        if ($litres !== null && ($litres < 0.0 || $litres > $brim)) {
            throw new InvalidArgumentException(
                sprintf('there are %s L in it; it holds from 0 to %s L', round($litres, 2), round($brim, 2)),
            );
        }
        $source = $feed->mixing->source;
        $product = $feed->feed?->product;
        $stage = $feed->stageOn($day);
        $label = $product?->labelEc($stage);
        $most = $source + FeedProduct::MOST_OF_LABEL * ($label ?? 0.0);
        $do = Correction::of($litres ?? $full, $now, $wanted, max($full, $litres ?? $full), $source, $most);
        $share = $label === null ? 0.0 : max(0.0, $do->ec - $source) / $label;

        return (object) [
            'litres' => $litres ?? $full,
            'take_out_l' => $do->takeOut,
            'put_in_l' => $do->putIn,
            // How the water stands when that is out, and nothing is in yet.
            'level_mm' => $feed->tub->water->reservoir->levelFor(max(0.0, ($litres ?? $full) - $do->takeOut)),
            'ec_ms_cm' => $do->ec,
            'after_ec_ms_cm' => $do->after,
            'share_of_tub' => ($litres ?? $full) > 0.0 ? $do->takeOut / ($litres ?? $full) : 0.0,
            'reaches' => abs($do->after - $wanted) < 0.005,
            'feed_known' => $label !== null,
            'parts' => array_map(FeedReport::dose(...), $product?->doses($share, $do->putIn, $stage) ?? []),
        ];
    }
}
