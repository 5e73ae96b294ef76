<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\StartedFrom;
use KelpTub\Core\Cup\GrowingSystem;
use KelpTub\Core\Cup\LineChoice;
use KelpTub\Core\Cup\WaterLine;
use KelpTub\Core\Garden\Garden;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Garden\Setting;
use KelpTub\Core\Vessel\NestedPair;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\Vessel;
use KelpTub\Core\Vessel\Weight;
use stdClass;

/** The vessel's part of a tub's report: how much it holds, how the water stands, what it weighs, and its shape for drawing. */
final class TubReport
{
    /** @return array<string, mixed> by the tub's key */
    public static function of(TubPlan $plan, Garden $garden): array
    {
        return [
            'chosen' => ['top_ups' => $plan->tub->water->topUps->value],
            'volume' => self::volume($plan),
            'levels' => self::levels($plan, $garden),
            'mass_kg' => $plan->fittings->weight->kg,
            'load_kg_m2' => $plan->fittings->weight->kgPerSquareMetre,
            'cover_m2' => $plan->tub->body->vessel->opacity->needsCover() ? TubParts::coverArea($plan) : 0.0,
            ...SystemReport::of($plan),
            'limits' => ['lift_kg' => Weight::LIFT_LIMIT_KG, 'blocks_mm' => NestedPair::DEFAULT_BLOCKS_MM],
            'shape' => self::shape($plan),
            'workings' => TubWorkings::of($plan, $garden),
        ];
    }

    /** @return array<string, float|null> */
    private static function volume(TubPlan $plan): array
    {
        $vessel = $plan->tub->body->vessel;

        return [
            'label_l' => $vessel->labelLitres,
            'brim_l' => $vessel->profile->brim(),
            'working_l' => $plan->water->working(),
            'start_l' => $plan->water->start(),
            'usable_l' => $plan->water->usable(),
            'per_plant_l' => $plan->litresPerPlant(),
            'displaced_l' => $plan->water->reservoir->displacedAt($plan->water->line->grown),
            'fill_scale' => $vessel->fit?->scale,
            'fill_residual_pct' => $vessel->fit?->residualPercent(),
        ];
    }

    /** @return array<string, mixed> */
    private static function levels(TubPlan $plan, Garden $garden): array
    {
        $tub = $plan->tub;
        $vessel = $tub->body->vessel;
        $line = $plan->water->line;
        $passive = $tub->system === GrowingSystem::Passive;

        return [
            'rim_mm' => $vessel->profile->rim(),
            'lid_top_mm' => $plan->lidTop(),
            'cup_bottom_mm' => $line->cupBottom,
            'water_line_mm' => $line->grown,
            'start_line_mm' => $line->start,
            'held_line_mm' => $line->held,
            'lowest_mm' => $plan->water->lowest(),
            'tube_entry_mm' => $passive ? null : $plan->fittings->tubeEntry,
            'overflow_mm' => $garden->site->setting === Setting::Open ? $line->overflow() : null,
            'label_mm' => $vessel->labelLitres === null || $vessel->labelLitres > $vessel->profile->brim()
                ? null
                : $vessel->profile->depthFor($vessel->labelLitres),
            'choices' => self::lineChoices($plan),
        ];
    }

    /** @return list<stdClass> the water lines the tub's system offers */
    private static function lineChoices(TubPlan $plan): array
    {
        return array_map(static function (LineChoice $choice) use ($plan): stdClass {
            $line = WaterLine::of(
                $plan->tub->system,
                $choice,
                $plan->water->line->cupBottom,
                $plan->tub->body->vessel->profile->rim(),
                fromSeed: $plan->tub->planting->started === StartedFrom::Seed,
            );

            return (object) [
                'choice' => $choice->value,
                'chosen' => $choice === $plan->tub->water->line(),
                'water_line_mm' => $line->held ?? $line->grown,
                'start_line_mm' => $line->start,
            ];
        }, LineChoice::for($plan->tub->system));
    }

    /** @return array<string, mixed> as it is drawn, with its defaults filled in */
    private static function shape(TubPlan $plan): array
    {
        $body = $plan->tub->body;

        return [
            'kind' => $body->vessel->kind->value,
            'name' => $body->vessel->name,
            'opacity' => $body->vessel->opacity->value,
            'cover' => $body->cover->value,
            'cover_parts' => $body->coverParts->value,
            'floor_mm' => $body->vessel->floor,
            'stand_mm' => $body->stand,
            'stations' => self::stations($body->vessel->profile->stations),
            'cut_off' => self::cutOff($body->vessel),
        ];
    }

    /**
     * The top that is cut off, from the cut up; nothing where the vessel is whole.
     *
     * @return list<stdClass>
     */
    private static function cutOff(Vessel $vessel): array
    {
        $rim = $vessel->profile->rim();
        $above = array_values(array_filter($vessel->whole->stations, static fn (Station $s): bool => $s->height > $rim));

        return $above === [] ? [] : self::stations([new Station($rim, $vessel->whole->sectionAt($rim)), ...$above]);
    }

    /**
     * @param  list<Station>  $stations
     * @return list<stdClass>
     */
    public static function stations(array $stations): array
    {
        return array_map(
            static fn (Station $s): stdClass => (object) ['height_mm' => $s->height, ...Report::section($s->section)],
            $stations,
        );
    }
}
