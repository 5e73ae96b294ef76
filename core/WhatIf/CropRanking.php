<?php

declare(strict_types=1);

namespace KelpTub\Core\WhatIf;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\CropGroup;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\File\Library;
use KelpTub\Core\Garden\Finding;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\GardenReader;
use KelpTub\Core\Garden\Planner;
use KelpTub\Core\Garden\Tub;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlans;
use stdClass;

/**
 * What else could grow in a tub: every crop of the Library planned in it by itself, as many as it carries, best first, each with its
 * reason.
 *
 * Only what the crop has to say counts (room, water, air gap, warmth, light, height, cup); the vessel and the air are the same for all.
 */
final readonly class CropRanking
{
    private const ABOUT_CROP = ['crop.', 'passive.', 'lid.heavy-plant', 'air.oxygen', 'raft.', 'season.'];

    public function __construct(private GardenReader $reader, private Planner $planner, private Library $library)
    {
    }

    /** @return list<stdClass> */
    public function of(Garden $garden, Tub $tub): array
    {
        $ranked = [];
        foreach ($this->library->crops as $crop) {
            if (($crop->group === CropGroup::Cutting) === ($tub->system === GrowingSystem::Cloner)) {
                $ranked[] = $this->judge($garden, $tub, $crop);
            }
        }
        usort(
            $ranked,
            static fn (stdClass $a, stdClass $b): int => [
                $a->stops,
                $a->mends,
                $a->minds,
                -$a->plants,
                $a->name,
            ] <=> [$b->stops, $b->mends, $b->minds, -$b->plants, $b->name],
        );

        return $ranked;
    }

    private function judge(Garden $garden, Tub $tub, Crop $crop): stdClass
    {
        $plan = $this->planner->plan($this->reader->fromDocument(SingleTub::changed(
            $garden,
            $tub,
            static function (stdClass $raw) use ($crop): void {
                $raw->crop = $crop->key;
                $raw->crops = [];
            })));
        $verdict = Verdict::of(
            $this->planner->findings($plan),
            static fn (Finding $f): bool => $f->tub === $tub->id && self::isAboutCrop($f),
        );
        $planned = $plan->get(TubPlans::class)->tubs[$tub->id];

        return (object) [
            'crop' => $crop->key,
            'name' => $crop->name,
            'plants' => $planned->plants->count,
            'harvest_day' => $plan->get(FeedPlans::class)->of($tub->id)->run()?->harvestDay(),
            ...$verdict->toAnswer(),
        ];
    }

    private static function isAboutCrop(Finding $finding): bool
    {
        foreach (self::ABOUT_CROP as $prefix) {
            if (str_starts_with($finding->code, $prefix)) {
                return true;
            }
        }

        return false;
    }
}
