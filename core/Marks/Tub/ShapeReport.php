<?php

declare(strict_types=1);

namespace KelpTub\Core\Marks\Tub;

use KelpTub\Core\Crop\Crop;
use KelpTub\Core\Crop\Density;
use KelpTub\Core\Cup\Cup;
use KelpTub\Core\Garden\Report;
use KelpTub\Core\Geometry\CrossSection;
use KelpTub\Core\Lid\KeepOut;
use KelpTub\Core\Vessel\Station;
use KelpTub\Core\Vessel\Vessel;
use stdClass;

/** A tub as it is drawn, with its defaults filled in. */
final class ShapeReport
{
    public static function of(TubPlan $plan): stdClass
    {
        $tub = $plan->tub;
        $vessel = $tub->vessel;
        $crop = $plan->crop();

        return (object) [
            'kind' => $vessel->kind,
            'name' => $vessel->name,
            'opacity' => $vessel->opacity->value,
            'cover' => $tub->cover,
            'floor_mm' => $vessel->floor,
            'stand_mm' => $tub->stand,
            'stations' => self::stations($vessel->profile->stations),
            'cut_off' => self::cutOff($vessel),
            'lid' => (object) [
                ...self::section($plan->lid->outline),
                'thickness_mm' => $plan->lid->thickness,
                'make' => $plan->lid->make->value,
                'keep_outs' => array_map(static fn (KeepOut $k): stdClass => (object) ['x_mm' => $k->x, 'y_mm' => $k->y, ...self::section($k->section)], $plan->lid->keepOuts),
            ],
            'cup' => self::cup($plan->sizes[0]->cup),
            'cups' => array_map(static fn (CupPlan $size): stdClass => (object) [...get_object_vars(self::cup($size->cup)), 'bottom_mm' => $size->bottom], $plan->sizes),
            'in_mouth' => $plan->inMouth,
            'crop' => $crop === null ? null : self::crop($crop, $tub->density),
            'crops' => array_map(static fn (Crop $c): stdClass => self::crop($c, $tub->density), $plan->mix->crops()),
            'stones' => $tub->stones === null ? null : (object) [
                'name' => $tub->stones->stone->name,
                'length_mm' => $tub->stones->stone->length,
                'bubble' => $tub->stones->stone->bubble->value,
                'least_l_min' => $tub->stones->stone->leastFlow,
                'most_l_min' => $tub->stones->stone->mostFlow,
                'height_mm' => $tub->stones->height,
                'at' => Report::points($plan->stones),
            ],
            'tube_through_lid' => $tub->tubeThroughLid,
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
        return array_map(static fn (Station $s): stdClass => (object) ['height_mm' => $s->height, ...self::section($s->section)], $stations);
    }

    private static function cup(Cup $cup): stdClass
    {
        return (object) [
            'name' => $cup->name,
            'lip_diameter_mm' => $cup->lip,
            'top_diameter_mm' => $cup->top,
            'bottom_diameter_mm' => $cup->bottom,
            'height_mm' => $cup->height,
        ];
    }

    private static function crop(Crop $crop, Density $density): stdClass
    {
        return (object) [
            'key' => $crop->key,
            'name' => $crop->name,
            'group' => $crop->group,
            'habit' => $crop->habit,
            'spacing_mm' => $crop->spacingMm * $density->spacingShare(),
            'mature_height_mm' => $crop->matureHeightMm,
            'days_sow_to_transplant' => $crop->daysSowToTransplant,
        ];
    }

    /** @return array<string, bool|float> */
    public static function section(CrossSection $section): array
    {
        return ['round' => $section->round, 'length_mm' => $section->length, 'width_mm' => $section->width, 'corner_radius_mm' => $section->cornerRadius];
    }
}
