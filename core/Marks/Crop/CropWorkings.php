<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\Neighbours;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Marks\Feed\FeedPlan;
use KelpTub\Core\Marks\Tub\TubPlan;
use KelpTub\Core\Units\QuantityWriter;

/** How the crop's figures come about, with this garden's numbers in it. */
final class CropWorkings
{
    /** @return array<string, string> by the figure's key */
    public static function of(FeedPlan $fed, Garden $garden): array
    {
        $plan = $fed->tub;
        $write = new QuantityWriter($garden->units);

        return array_filter(
            ['plants' => self::plants($plan, $write), 'dry_day' => self::dryDay($fed, $write)],
            static fn (?string $text): bool => $text !== null,
        );
    }

    private static function plants(TubPlan $plan, QuantityWriter $w): string
    {
        $capacity = $plan->plants->capacity;
        $crops = $plan->tub->planting->crops;
        $parts = [sprintf('The lid holds %d', $capacity->byLid)];
        if (count($crops) === 1) {
            $parts[] = sprintf(
                '%s apart, %d',
                $w->length($crops[0]->crop->spacingMm * $plan->tub->planting->density->spacingShare()),
                $capacity->bySpacing,
            );
        } elseif ($crops !== []) {
            $parts[] = sprintf('neighbours at the mean of their spacings, %d', $capacity->bySpacing);
        }
        if ($capacity->byWater !== null && $crops !== []) {
            $parts[] = $plan->tub->system === GrowingSystem::Passive
                ? sprintf('the water carries %d to harvest', $capacity->byWater)
                : sprintf(
                    '%s at %s a plant%s carries %d',
                    $w->volume($plan->water->working()),
                    $w->volume(self::litresEach($plan)),
                    count($crops) === 1 ? '' : ', taken over the crops,',
                    $capacity->byWater,
                );
        }

        $leaning = Neighbours::leaning($plan->holes->arrangement, $plan->cutting->lid) < 1.0;

        return implode('; ', $parts).'. The least of them counts.'.match (true) {
            $plan->plants->count <= $capacity->plants => '',
            $leaning && $capacity->limitedBy === 'spacing' => " {$plan->plants->count} stand here: all on the outside of a small lid, they "
                .'lean out over its edge and take less room on it.',
            default => " {$plan->plants->count} stand here, which is more; what they lack is said among the findings.",
        };
    }

    /** Litres a plant wants under the tub's school, the mean of several crops. */
    private static function litresEach(TubPlan $plan): float
    {
        $planting = $plan->tub->planting;
        $mix = CropMix::inProportion($planting->crops, $planting->density, max(1, $plan->plants->count));

        return $mix->litresWanted() * $planting->density->litresShare() / $mix->plants();
    }

    private static function dryDay(FeedPlan $fed, QuantityWriter $w): ?string
    {
        $run = $fed->run();
        $harvest = $run?->harvestDay();
        if ($run === null || $harvest === null) {
            return null;
        }

        return sprintf(
            '%s %s to the first harvest, most of it at the end: %s on the thirstiest day. %s can be used before the lowest level. It is '
                .'dry on the day on which that is gone if nobody comes.',
            $fed->tub->plants->count === 1 ? 'One plant drinks' : "{$fed->tub->plants->count} plants drink",
            $w->volume($run->drunk($harvest)),
            $w->volume($run->mostDrunk()),
            $w->volume($run->tub->usable),
        );
    }
}
