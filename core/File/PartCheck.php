<?php

declare(strict_types=1);

namespace KelpTub\Core\File;

use KelpTub\Core\Lid\Panel;
use stdClass;

/** What a schema cannot say of a vessel, a cup or a pump: that its measures agree with each other. */
final class PartCheck
{
    /**
     * A part that is in place, or named by its key on a shelf.
     *
     * @param  Shelf<covariant object>  $shelf
     * @param  callable(stdClass, string): list<Fault>  $check
     * @return list<Fault>
     */
    public static function part(string|stdClass $given, Shelf $shelf, string $at, string $word, callable $check): array
    {
        if ($given instanceof stdClass) {
            return $check($given, $at);
        }

        return $shelf->has($given) ? [] : [new Fault($at, "is \"$given\", and the Library has no such $word")];
    }

    /** @return list<Fault> */
    public static function vessel(stdClass $raw, string $at): array
    {
        $faults = [];
        $last = null;
        foreach ($raw->stations as $i => $station) {
            $here = "$at/stations/$i";
            $faults = [...$faults, ...self::section($station, $here)];
            if ($i === 0 && (float) $station->height_mm !== 0.0) {
                $faults[] = new Fault("$here/height_mm", "is $station->height_mm; the first station is the inside floor, at 0");
            }
            if ($last !== null && $station->height_mm < $last->height_mm) {
                $faults[] = new Fault(
                    "$here/height_mm",
                    "is $station->height_mm, below the station before it at $last->height_mm; list stations from the floor up",
                );
            }
            if ($last !== null && $station->height_mm > $last->height_mm && isset($station->diameter_mm) !== isset($last->diameter_mm)) {
                $faults[] = new Fault(
                    $here,
                    'is '.(isset($station->diameter_mm) ? 'round' : 'rectangular').' above a station of the other shape; no slice '
                        .'changes from round to rectangular',
                );
            }
            $last = $station;
        }
        if ($last !== null && (float) $last->height_mm <= 0.0) {
            $faults[] = new Fault(
                "$at/stations/".(count($raw->stations) - 1).'/height_mm',
                'is 0; the last station is the rim and lies above the floor',
            );
        }
        if (isset($raw->cut_mm) && $last !== null && $raw->cut_mm > $last->height_mm) {
            $faults[] = new Fault("$at/cut_mm", "is $raw->cut_mm, above the rim at $last->height_mm; cut lower, or leave it out");
        }
        foreach ($raw->fills ?? [] as $i => $fill) {
            $before = $raw->fills[$i - 1] ?? null;
            if ($before !== null && $fill->depth_mm <= $before->depth_mm) {
                $faults[] = new Fault("$at/fills/$i/depth_mm", "is $fill->depth_mm after $before->depth_mm; depths rise from fill to fill");
            }
            if ($before !== null && $fill->litres <= $before->litres) {
                $faults[] = new Fault(
                    "$at/fills/$i/litres",
                    "is $fill->litres after $before->litres; each fill counts all the litres poured so far",
                );
            }
            if ($last !== null && $fill->depth_mm > $last->height_mm) {
                $faults[] = new Fault("$at/fills/$i/depth_mm", "is $fill->depth_mm, above the rim at $last->height_mm");
            }
        }
        if (isset($raw->lid)) {
            if (isset($raw->lid->diameter_mm) || isset($raw->lid->length_mm) || isset($raw->lid->width_mm)) {
                $faults = [...$faults, ...self::section((object) get_object_vars($raw->lid), "$at/lid")];
            }
            foreach ($raw->lid->keep_outs ?? [] as $i => $keepOut) {
                $faults = [...$faults, ...self::section($keepOut, "$at/lid/keep_outs/$i")];
            }
            foreach ($raw->lid->panels ?? [] as $i => $corners) {
                if (! Panel::isSound(PartReader::points($corners))) {
                    $faults[] = new Fault(
                        "$at/lid/panels/$i",
                        'has corners that cross, dent in or lie in a line; list them in order round a triangle or a quadrangle',
                    );
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    public static function cup(stdClass $raw, string $at): array
    {
        $faults = [];
        if ($raw->top_diameter_mm > $raw->lip_diameter_mm) {
            $faults[] = new Fault(
                "$at/top_diameter_mm",
                "is $raw->top_diameter_mm, wider than the lip of $raw->lip_diameter_mm; the lip is the widest part",
            );
        }
        if ($raw->bottom_diameter_mm > $raw->top_diameter_mm) {
            $faults[] = new Fault(
                "$at/bottom_diameter_mm",
                "is $raw->bottom_diameter_mm, wider than the body under the lip of $raw->top_diameter_mm; a cup tapers downwards",
            );
        }

        return $faults;
    }

    /** @return list<Fault> */
    public static function crop(stdClass $raw, string $at): array
    {
        $faults = [];
        foreach ([['ec_low', 'ec_high'], ['ph_low', 'ph_high'], ['water_temp_low_c', 'water_temp_high_c']] as [$low, $high]) {
            if ($raw->{$low} > $raw->{$high}) {
                $faults[] = new Fault("$at/$low", "is {$raw->{$low}}, above $high of {$raw->{$high}}");
            }
        }

        return $faults;
    }

    /**
     * The same check on each of several things.
     *
     * @param  array<string, stdClass>  $things
     * @param  callable(stdClass, string): list<Fault>  $check
     * @return list<Fault>
     */
    public static function each(array $things, string $at, callable $check): array
    {
        $faults = [];
        foreach ($things as $key => $thing) {
            $faults = [...$faults, ...$check($thing, "$at/".PatchMaker::escaped($key))];
        }

        return $faults;
    }

    /** @return list<Fault> */
    public static function pump(stdClass $raw, string $at): array
    {
        if (! isset($raw->curve)) {
            return isset($raw->free_flow_l_min, $raw->max_pressure_kpa) ? [] : [
                new Fault($at, 'needs free_flow_l_min and max_pressure_kpa, or a curve of [flow, pressure] points'),
            ];
        }
        $points = $raw->curve;
        usort($points, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($points as $i => $point) {
            if ($i > 0 && ($point[0] <= $points[$i - 1][0] || $point[1] >= $points[$i - 1][1])) {
                return [new Fault("$at/curve", 'does not fall: as the flow rises from point to point, the pressure must drop')];
            }
        }
        if ((float) $points[0][0] !== 0.0) {
            return [new Fault("$at/curve", 'must start at no flow, with the highest pressure: [0, pressure]')];
        }

        return [];
    }

    /** @return list<Fault> */
    public static function product(stdClass $raw, string $at): array
    {
        $faults = [];
        $names = [];
        foreach ($raw->parts as $i => $part) {
            if (isset($part->ml_per_l) === isset($part->g_per_l)) {
                $faults[] = new Fault(
                    "$at/parts/$i",
                    isset($part->ml_per_l)
                        ? 'has ml_per_l as well as g_per_l; a part is liquid or dry'
                        : 'has no dose: say ml_per_l or g_per_l',
                );
            }
            if (in_array($part->name, $names, true)) {
                $faults[] = new Fault("$at/parts/$i/name", "is \"$part->name\", which another part has already");
            }
            $names[] = $part->name;
        }
        foreach ($raw->order ?? [] as $i => $name) {
            if (! in_array($name, $names, true)) {
                $faults[] = new Fault("$at/order/$i", "is \"$name\", and no part has that name");
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    public static function stone(stdClass $raw, string $at): array
    {
        return $raw->min_l_min > $raw->max_l_min
            ? [new Fault("$at/min_l_min", "is $raw->min_l_min, above max_l_min of $raw->max_l_min")]
            : [];
    }

    /** @return list<Fault> */
    public static function tube(stdClass $raw, string $at): array
    {
        return $raw->inner_mm >= $raw->outer_mm
            ? [new Fault("$at/inner_mm", "is $raw->inner_mm, not under outer_mm of $raw->outer_mm")]
            : [];
    }

    /** @return list<Fault> */
    private static function section(stdClass $raw, string $at): array
    {
        $round = isset($raw->diameter_mm);
        $long = isset($raw->length_mm);
        $wide = isset($raw->width_mm);
        if ($round && ($long || $wide)) {
            return [new Fault($at, 'has diameter_mm as well as length_mm or width_mm; it is either round or rectangular')];
        }
        if (! $round && ! ($long && $wide)) {
            return [new Fault($at, 'needs diameter_mm, or length_mm and width_mm')];
        }
        $radius = $raw->corner_radius_mm ?? 0;
        if (! $round && $radius > min($raw->length_mm, $raw->width_mm) / 2) {
            return [new Fault(
                "$at/corner_radius_mm",
                "is $radius, more than half the shorter side of ".min($raw->length_mm, $raw->width_mm),
            )];
        }

        return [];
    }
}
