<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Crop;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Garden\Remedy;
use KelpTub\Core\Garden\RuleContext;
use KelpTub\Core\Light\Lamp;
use KelpTub\Core\Marks\Feed\FeedPlans;
use KelpTub\Core\Marks\Tub\TubPlan;

/** Ways to more light on a tub: its lamp longer, nearer or stronger, or one where there is none. Source: handbook, rules section 6. */
final class LightRemedies
{
    private const ROUNDING = 1.0e-9;

    /** Heights are hung to so many mm, and watts are sold by so many. */
    private const STEP_MM = 10.0;

    private const STEP_W = 5.0;

    /**
     * @param  float  $mol  light of a day as it is, mol/m²
     * @return list<Remedy>
     */
    public static function of(TubPlan $plan, Crop $crop, float $mol, RuleContext $context): array
    {
        $lights = $context->plan->get(FeedPlans::class)->wishes->lights;
        $lamp = $lights->over($plan->tub);
        $hours = $context->plan->garden->site->lightHours;
        if ($lamp === null) {
            return self::hung($plan, $crop, $mol, $hours, $context);
        }
        // What the lamp has to bring besides window and sky.
        $wanted = $crop->lightMolDay - ($mol - $lamp->mol($hours));
        $at = $plan->tub->lamp !== null ? $plan->tub->pointer('/lamp') : '/site/lamp';
        $w = $context->write;
        $longer = ceil($lamp->hoursFor($wanted) - self::ROUNDING);
        $nearer = $hours > 0.0 ? floor($lamp->heightFor($wanted, $hours) / self::STEP_MM + self::ROUNDING) * self::STEP_MM : 0.0;
        $watts = $hours > 0.0 ? ceil($lamp->wattsFor($wanted, $hours) / self::STEP_W - self::ROUNDING) * self::STEP_W : 0.0;

        return array_values(array_filter([
            $longer > $hours && $longer <= Lamp::MOST_HOURS
                ? $context->set(sprintf('Light it %s hours a day', $w->number($longer, 0)), '/site/light_hours', $longer)
                : null,
            $nearer >= $lamp->leastHeight && $nearer < $lamp->height
                ? $context->set(sprintf('Hang the lamp %s over the leaves', $w->length($nearer)), $at, self::document($lamp->at($nearer)))
                : null,
            $watts > $lamp->watts
                ? $context->set(sprintf('Take a lamp of %s', $w->number($watts, 0, 'W')), $at, self::document($lamp->of($watts)))
                : null,
        ]));
    }

    /** @return list<Remedy> the first lamp of the Library that brings what is missing, by its watts */
    private static function hung(TubPlan $plan, Crop $crop, float $mol, float $hours, RuleContext $context): array
    {
        $enough = array_filter(
            iterator_to_array($context->library->lamps),
            static fn (Lamp $lamp): bool => $lamp->mol($hours) >= $crop->lightMolDay - $mol,
        );
        uasort($enough, static fn (Lamp $a, Lamp $b): int => $a->watts <=> $b->watts);
        $key = array_key_first($enough);

        return $key === null ? [] : [$context->set("Hang the {$enough[$key]->name} over it", $plan->tub->pointer('/lamp'), (string) $key)];
    }

    private static function document(Lamp $lamp): object
    {
        return (object) [
            'name' => $lamp->name,
            'power_w' => $lamp->watts,
            'umol_j' => $lamp->umolPerJoule,
            'height_mm' => $lamp->height,
            'length_mm' => $lamp->length,
            'width_mm' => $lamp->width,
            'least_height_mm' => $lamp->leastHeight,
        ];
    }
}
