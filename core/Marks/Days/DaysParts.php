<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Days;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Days\Planting;
use KelpTub\Core\Feed\Dose;
use KelpTub\Core\File\Library;
use KelpTub\Core\Marks\Feed\FeedParts;
use KelpTub\Core\Marks\Feed\FeedPlan;

/**
 * What plantings take beyond the one that the design counts already: every cup is planted once by the design, each later planting takes
 * plugs of its own, the share of a season's feed that its plants are of the tub's, and a packet of what the design does not grow.
 */
final class DaysParts
{
    /**
     * @param  list<Planting>  $plantings  of all copies of the tub
     * @return list<Need>
     */
    public static function of(FeedPlan $feed, array $plantings, Library $library): array
    {
        $tub = $feed->tub;
        $counted = $tub->plants->count * $tub->tub->count;
        $planted = $plugged = 0;
        $seeds = [];
        foreach (self::byCopy($plantings) as $of) {
            foreach (Standing::of($tub, $of) as $growing) {
                $crop = $growing->planting->crop;
                $planted += $growing->share->plants;
                $isSown = $crop->group !== CropGroup::Cutting && $crop->started !== StartedFrom::Seedling;
                $plugged += $isSown && $crop->started === StartedFrom::Plug ? $growing->share->plants : 0;
                $isKnown = in_array($crop->key, array_column($tub->plants->mix->crops(), 'key'), true);
                $seeds = $isSown && ! $isKnown ? [$crop->key => $crop->name] + $seeds : $seeds;
            }
        }
        $plug = $tub->tub->planting->plug;
        $needs = [];
        foreach ($seeds as $key => $name) {
            $needs[] = new Need(
                "seed-$key", "$name seed", NeedKind::Consumable, 1, 'packet', NeedStage::Planting, true, why: 'for what is planted besides',
                later: true,
            );
        }
        if ($plug !== Plug::None && $plugged > $counted) {
            $needs[] = new Need(
                "plug-$plug->value",
                $library->partName("plug-$plug->value"),
                NeedKind::Consumable,
                $plugged - $counted,
                stage: NeedStage::Planting,
                why: 'one to a plant of each later planting',
                later: true,
            );
        }

        return [...$needs, ...($counted > 0 && $planted > $counted ? self::feed($feed, $planted / $counted - 1, $tub->tub->count) : [])];
    }

    /** @return list<Need> so many more seasons of feed */
    private static function feed(FeedPlan $plan, float $seasons, int $count): array
    {
        $feed = $plan->feed;
        $run = $feed === null ? null : $plan->run();

        return $feed === null || $run === null ? [] : array_map(static fn (Dose $dose): Need => new Need(
            FeedParts::key($feed, $dose),
            $feed->product->name.(count($feed->product->parts) > 1 ? ', '.$dose->part->name : ''),
            NeedKind::Consumable,
            $dose->amount * $seasons * $count,
            $dose->part->unit(),
            NeedStage::Feed,
            why: 'for later plantings, by the plants in them',
            later: true,
        ), $run->doses());
    }

    /**
     * @param  list<Planting>  $plantings
     * @return array<int, list<Planting>>
     */
    private static function byCopy(array $plantings): array
    {
        $by = [];
        foreach ($plantings as $planting) {
            $by[$planting->copy][] = $planting;
        }

        return $by;
    }
}
