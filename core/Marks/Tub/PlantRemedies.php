<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\CropMix;
use KelpTub\Core\Crop\CropShare;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use stdClass;

/** Remedies that change how many cups or plants a tub has. */
final class PlantRemedies
{
    /** So many cups; a layout by hand becomes the best regular one. */
    public static function cups(string $says, TubPlan $plan, int $cups, RuleContext $context): Remedy
    {
        $pointer = $plan->tub->pointer('/layout');
        $patch = $plan->tub->holes->layout->isByHand()
            ? $context->patch->set($pointer, (object) ['pattern' => 'best', 'cups' => $cups, 'holes' => null])
            : $context->patch->set("$pointer/cups", $cups);

        // No more plants than cups.
        $plants = ($plan->tub->planting->plants ?? 0) > $cups ? $context->patch->set($plan->tub->pointer('/plants'), $cups) : [];

        return new Remedy($says, [...$patch, ...$plants, ...self::shares($plan, $cups, $context)]);
    }

    /** So many of the cups planted: fewer holes, or where these are cut already, fewer of them planted. */
    public static function plants(TubPlan $plan, int $plants, RuleContext $context): Remedy
    {
        $says = $context->write->count($plants, 'Plant one', 'Plant %d');
        $tub = $plan->tub;
        if (! $tub->holes->layout->isByHand() && $tub->planting->plants === null) {
            return self::cups($says, $plan, $plants, $context);
        }
        $shares = self::shares($plan, $plants, $context);

        return $shares === [] ? $context->set($says, $tub->pointer('/plants'), $plants) : new Remedy($says, $shares);
    }

    /**
     * Several crops cut down to so many plants, each by the same share; nothing for one crop.
     *
     * @return list<stdClass>
     */
    private static function shares(TubPlan $plan, int $plants, RuleContext $context): array
    {
        $planting = $plan->tub->planting;
        if (count($planting->crops) < 2) {
            return [];
        }
        $crops = array_map(
            static fn (CropShare $s): stdClass => (object) ['crop' => $s->crop->key, 'plants' => $s->plants],
            CropMix::inProportion($planting->crops, $planting->density, $plants)->shares,
        );

        return $context->patch->set($plan->tub->pointer('/crops'), $crops);
    }
}
