<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Cost\Need;
use KelpTub\Core\Cost\NeedKind;
use KelpTub\Core\Cost\NeedStage;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Crop\Plug;
use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\File\Library;
use KelpTub\Core\Marks\Feed\Lights;
use KelpTub\Core\Marks\Tub\TubPlan;

/** What the plants of a tub are set in, and what holds them up. */
final class CropParts
{
    /** † clips that hold one vine to its strings as it grows. */
    private const CLIPS_EACH = 8;

    /** @return list<Need> */
    public static function of(TubPlan $plan, Lights $lights, Library $library): array
    {
        $tub = $plan->tub;
        $plug = $tub->planting->plug;
        $lamp = $lights->over($tub);
        $needs = [
            ...($lamp === null ? [] : [new Need(
                $lamp->key ?? 'lamp:'.mb_strtolower($lamp->name),
                $lamp->name,
                NeedKind::Part,
                $tub->lamp !== null ? $tub->count : 1,
                stage: NeedStage::Support,
                shared: $tub->lamp === null,
                why: $tub->lamp !== null ? 'one over each tub' : 'one over the garden',
            )]),
            new Need(
                'clay-pebbles',
                $library->partName('clay-pebbles'),
                NeedKind::Consumable,
                $plan->plants->pebbles * $tub->count,
                'L',
                NeedStage::Planting,
                why: 'fills the cups round their plugs',
            ),
        ];
        if ($plug !== Plug::None) {
            $needs[] = new Need(
                "plug-$plug->value",
                $library->partName("plug-$plug->value"),
                NeedKind::Consumable,
                $plan->plants->count * $tub->count,
                stage: NeedStage::Planting,
                why: 'one to a plant',
            );
        }
        foreach ($plan->plants->mix->crops() as $crop) {
            if ($crop->group !== CropGroup::Cutting && in_array($tub->planting->started, [StartedFrom::Plug, StartedFrom::Seed], true)) {
                $needs[] = new Need(
                    "seed-$crop->key",
                    "$crop->name seed",
                    NeedKind::Consumable,
                    1,
                    'packet',
                    NeedStage::Planting,
                    shared: true,
                    why: 'a packet sows many times over',
                );
            }
        }
        if ($tub->planting->started === StartedFrom::Seedling && ! $plan->plants->mix->isEmpty()) {
            $needs[] = new Need(
                'seedling',
                $library->partName('seedling'),
                NeedKind::Consumable,
                $plan->plants->count * $tub->count,
                stage: NeedStage::Planting,
                why: 'bought as young plants, one to a place',
            );
        }
        $staked = $plan->stakedPlants();
        if ($staked > 0) {
            $needs[] = new Need(
                'stake',
                $library->partName('stake'),
                NeedKind::Part,
                $staked * $tub->count,
                stage: NeedStage::Support,
                why: 'one to a plant that does not stand by itself',
            );
        }
        if ($tub->planting->trellis) {
            $needs[] = new Need(
                'trellis',
                $library->partName('trellis'),
                NeedKind::Extra,
                $tub->count,
                stage: NeedStage::Support,
                why: 'one to a tub, for what climbs',
            );
            $climbers = array_sum(array_map(
                static fn (CropShare $s): int => $s->crop->climbs() ? $s->plants : 0,
                $plan->plants->mix->shares,
            ));
            if ($climbers > 0) {
                $needs[] = new Need(
                    'clips',
                    $library->partName('clips'),
                    NeedKind::Extra,
                    self::CLIPS_EACH * $climbers * $tub->count,
                    stage: NeedStage::Support,
                    why: self::CLIPS_EACH.' to a climber',
                );
            }
        }

        return $needs;
    }
}
